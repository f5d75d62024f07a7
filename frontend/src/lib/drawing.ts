/** From metres to the page: pure functions, no state. */
import type { Dimension, Point, Scene, Shape } from '../api/client'
import type { Zoom } from './view.svelte'

/** A view's place on the page: `x`, `y` of its lower left corner in pixels, and its scale. */
export interface Frame {
  x: number
  y: number
  pxPerM: number
}

/** Where both views lie on a page of `width` × `height` pixels. They share scale and horizontal axis. */
export interface Sheet {
  width: number
  height: number
  floor: Frame
  section: Frame
  /** Toward the screen: a drawing of its own. */
  front: Frame
  /** Where the views' titles stand. */
  floorTitle: number
  sectionTitle: number
  pxPerM: number
}

/** A player's line is the same in every drawing and layer. */
export const STYLE_BY_PLAYER = ['none', '5 3', '2 2.5']
const MARGIN = { left: 20, right: 66, top: 58, between: 70, bottom: 44 }

/** The largest scale at which floor plan and section fit on the page, one above the other. */
export function layOut(scene: Scene, width: number, height: number): Sheet {
  const { left, right, top, between, bottom } = MARGIN
  // A scene without a floor plan is the view toward the screen, alone on its page.
  if (scene.width_m === 0) return layOutFront(scene, width, height)
  const across = (width - left - right) / scene.length_m
  const down = (height - top - between - bottom) / (scene.width_m + scene.height_m)
  const pxPerM = Math.max(8, Math.min(across, down))
  const x = left + Math.max(0, (width - left - right - pxPerM * scene.length_m) / 2)
  const floorOrigin = top + pxPerM * scene.width_m
  const sectionFloor = floorOrigin + between + pxPerM * scene.height_m
  return {
    width,
    height: Math.max(height, sectionFloor + bottom),
    floor: { x, y: floorOrigin, pxPerM },
    section: { x, y: sectionFloor, pxPerM },
    front: { x, y: sectionFloor, pxPerM },
    floorTitle: 14,
    sectionTitle: sectionFloor - pxPerM * scene.height_m - 14,
    pxPerM,
  }
}

function layOutFront(scene: Scene, width: number, height: number): Sheet {
  const { left, right, top, bottom } = MARGIN
  const across = (width - 2 * left - 2 * right) / scene.length_m
  const down = (height - top - bottom) / scene.height_m
  const pxPerM = Math.max(8, Math.min(across, down))
  const frame = {
    x: (width - pxPerM * scene.length_m) / 2,
    y: top + pxPerM * scene.height_m,
    pxPerM,
  }
  const titles = { floorTitle: 14, sectionTitle: -100 }
  return { width, height, floor: frame, section: frame, front: frame, ...titles, pxPerM }
}

/** The same sheet looked at from nearer. */
export function zoomed(sheet: Sheet, { scale, x, y }: Zoom): Sheet {
  const frame = (of: Frame): Frame => ({
    x: of.x * scale + x,
    y: of.y * scale + y,
    pxPerM: of.pxPerM * scale,
  })
  return {
    ...sheet,
    floor: frame(sheet.floor),
    section: frame(sheet.section),
    front: frame(sheet.front),
    floorTitle: sheet.floorTitle * scale + y,
    sectionTitle: sheet.sectionTitle * scale + y,
    pxPerM: sheet.pxPerM * scale,
  }
}

/** A point in metres as pixels on the page. */
export function toPage(frame: Frame, { u, v }: Point): { x: number; y: number } {
  return { x: frame.x + u * frame.pxPerM, y: frame.y - v * frame.pxPerM }
}

/** Pixels on the page as a point in metres. */
export function toMetres(frame: Frame, x: number, y: number): Point {
  return { u: (x - frame.x) / frame.pxPerM, v: (frame.y - y) / frame.pxPerM }
}

/** The points of a shape, which come as u and v of one after the other. */
export function pointsOf({ points }: Pick<Shape, 'points'>): Point[] {
  return points.flatMap((u, index, all) => (index % 2 === 0 ? [{ u, v: all[index + 1] ?? 0 }] : []))
}

/** An SVG path through `points`. */
export function path(frame: Frame, points: readonly Point[], closed: boolean): string {
  const steps = points
    .map((point) => toPage(frame, point))
    .map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
  return `M${steps.join('L')}${closed ? 'Z' : ''}`
}

/** Where a dimension line is drawn: its two ends, moved off what it measures. */
export interface Drawn {
  dimension: Dimension
  vertical: boolean
  x1: number
  y1: number
  x2: number
  y2: number
}

/** How far, in pixels, each dimension line stands off; keyed by its label. Positive is down or right. */
const OFFSETS: Record<string, number> = {
  Length: -26,
  Width: 24,
  Ceiling: 24,
  Eaves: 24,
  'Highest point': -26,
  "Bay's middle to left wall": -22,
  "Bay's middle to right wall": -22,
  'Gap behind the screen': 18,
  'Ball to screen': 18,
  'Behind the ball': 18,
  'Ball to left wall': -26,
  'Ball to right wall': -26,
  'Monitor to ball': 0,
  'Under the screen': -16,
  'Lens to screen': 18,
}

/** Places a dimension line on the page. */
export function drawDimension(frame: Frame, dimension: Dimension): Drawn {
  const start = toPage(frame, dimension.start)
  const end = toPage(frame, dimension.end)
  const vertical = dimension.start.u === dimension.end.u
  const offset = OFFSETS[dimension.label] ?? 0
  const shift = vertical ? { x: offset, y: 0 } : { x: 0, y: offset }
  const x1 = start.x + shift.x
  const y1 = start.y + shift.y
  const x2 = end.x + shift.x
  const y2 = end.y + shift.y
  return { dimension, vertical, x1, y1, x2, y2 }
}
