/** How the drawing is looked at: which layout, which layers, what is chosen on it, and how near. */
import { SvelteSet } from 'svelte/reactivity'
import type { Layer, Slot } from '../api/client'

/** `playing`, `stowed`, or the id of another use of the room. */
export type LayoutName = string

/** A shift in pixels and a scale, 1 for the whole drawing. */
export interface Zoom {
  scale: number
  x: number
  y: number
}

const WHOLE: Zoom = { scale: 1, x: 0, y: 0 }
const MOST = 8
const STEP = 1.3

class View {
  layout = $state<LayoutName>('playing')
  /** Plan and section, or the view toward the screen. */
  facing = $state<'plan' | 'front'>('plan')
  /** The record of the room that is chosen, such as `things/beam`; empty for none. */
  chosen = $state('')
  /** The field of the room or layout that is being measured, such as `room.width_m`; empty for none. */
  measuring = $state('')
  /** The place of the chain that is open; empty for none. */
  place = $state<Slot | ''>('')
  /** The small item that is open; empty for none. */
  item = $state('')
  /** Whose test swing is told; empty for the first player. */
  swinging = $state('')
  zoom = $state.raw<Zoom>(WHOLE)
  readonly hidden = new SvelteSet<Layer>()
  /** Players whose swings are not drawn. */
  readonly hiddenPlayers = new SvelteSet<string>()

  /** Nothing is open any more. */
  closed(): void {
    this.place = ''
    this.item = ''
    this.swinging = ''
  }

  toggle(layer: Layer): void {
    if (!this.hidden.delete(layer)) this.hidden.add(layer)
  }

  togglePlayer(id: string): void {
    if (!this.hiddenPlayers.delete(id)) this.hiddenPlayers.add(id)
  }

  choose(subject: string): void {
    this.chosen = this.chosen === subject ? '' : subject
  }

  /** Nearer or further by `factor`, keeping the page point `x`, `y` where it is. */
  zoomAt(factor: number, x: number, y: number): void {
    const scale = Math.min(MOST, Math.max(1, this.zoom.scale * factor))
    const by = scale / this.zoom.scale
    this.zoom = scale === 1 ? WHOLE : { scale, x: x - (x - this.zoom.x) * by, y: y - (y - this.zoom.y) * by }
  }

  nearer(x: number, y: number): void {
    this.zoomAt(STEP, x, y)
  }

  further(x: number, y: number): void {
    this.zoomAt(1 / STEP, x, y)
  }

  pan(x: number, y: number): void {
    if (this.zoom.scale > 1) this.zoom = { ...this.zoom, x: this.zoom.x + x, y: this.zoom.y + y }
  }

  whole(): void {
    this.zoom = WHOLE
  }
}

export const view = new View()
