/** Where names and figures stand on a drawing: none covers another, nor a handle; pure functions, no state. */
import type { Scene } from '../api/client'
import { type Drawn, type Frame, pointsOf, type Sheet, toPage } from './drawing'

export interface Box {
  left: number
  top: number
  right: number
  bottom: number
}

export interface Spot {
  x: number
  y: number
}

/** A text that wants a place: the middles of the places it would take, the best first. */
export interface Wanted {
  key: string
  text: string
  size: { width: number; height: number }
  spots: Spot[]
  /** The outline of what it names, where a line leads there. */
  outline?: Spot[]
}

/** A text in its place, by its middle. */
export interface Placed extends Wanted {
  at: Spot
}

const LETTER_PX = 6.1
const NAME_HEIGHT = 14
const TAG_LETTER_PX = 6.7
const TAG_HEIGHT = 24
const TAG_PADDING = 9
const HANDLE_HALF = 11
/** Of the handles that are bars. */
const BAR_HALF = 16
const BARS = new Set(['screen', 'bay'])
const EDGE = 2
/** Below this scale names beside the swing discs would cover more than they tell. */
const LEAST_PX_PER_M_FOR_NAMES = 45
/** How far along a line its figure may stand. */
const SHARES = [0.5, 0.35, 0.65, 0.2, 0.8, 0.08, 0.92]
/** How far off it, in pixels: further, nobody would know which line it is of. */
const ASIDE = [0, 26, -26, 16, -16, 38, -38]
const UNDER = [26, -26, 38, 16, -16, -38]
const LEADER = 12
/** A figure longer than its line stands under it, where its neighbours' are not. */
const SHORTEST_LINE_FOR_FIGURE = 60

export function boxAround({ x, y }: Spot, { width, height }: Wanted['size']): Box {
  return { left: x - width / 2, top: y - height / 2, right: x + width / 2, bottom: y + height / 2 }
}

export function overlap(one: Box, other: Box): boolean {
  return one.left < other.right && other.left < one.right && one.top < other.bottom && other.top < one.bottom
}

/** Each text in the first of its places that is free and on the page, in the order given; others are left out. */
export function place(wanted: Wanted[], taken: readonly Box[], page: Box): Placed[] {
  const full = [...taken]
  const placed: Placed[] = []
  for (const label of wanted) {
    const at = label.spots.find((spot) => {
      const box = boxAround(spot, label.size)
      return (
        box.left >= page.left &&
        box.top >= page.top &&
        box.right <= page.right &&
        box.bottom <= page.bottom &&
        !full.some((other) => overlap(box, other))
      )
    })
    if (!at) continue
    full.push(boxAround(at, label.size))
    placed.push({ ...label, at })
  }
  return placed
}

/** All that is written on a drawing: figures of its dimension lines first, then names. */
export function labelsOf(sheet: Sheet, shapes: Scene['shapes'], lines: Drawn[], handles: Scene['handles']) {
  const page = { left: EDGE, top: EDGE, right: sheet.width - EDGE, bottom: sheet.height - EDGE }
  const frames = { floor: sheet.floor, section: sheet.section, front: sheet.front }
  const grips = handles.map(({ view, at, target }) => {
    const side = 2 * (BARS.has(target) ? BAR_HALF : HANDLE_HALF)
    return boxAround(toPage(frames[view], at), { width: side, height: side })
  })
  const titles = [sheet.floorTitle, sheet.sectionTitle].map((y, number) =>
    boxAround({ x: frames[number ? 'section' : 'floor'].x + 92, y: y - 4 }, { width: 184, height: 14 }),
  )
  // What is drawn beyond a wall may reach up to a title, which says nothing that one has to read.
  const titled = titles.map((title) => !grips.some((grip) => overlap(grip, title)))
  const figures = place(lines.map(figureOf), [...grips, ...titles], page)
  const around = [...grips, ...titles, ...figures.map(({ at, size }) => boxAround(at, size))]
  const names = (['floor', 'section', 'front'] as const).flatMap((view) =>
    namesIn(frames[view], view, shapes),
  )
  return { figures, names: place(names, around, page), titled }
}

function figureOf(line: Drawn): Wanted {
  const { dimension, vertical, x1, x2, y1, y2 } = line
  const size = { width: dimension.text.length * TAG_LETTER_PX + TAG_PADDING, height: TAG_HEIGHT }
  const short = !vertical && Math.abs(x2 - x1) < SHORTEST_LINE_FOR_FIGURE
  const aside = short ? UNDER : ASIDE
  const spots = aside.flatMap((off) =>
    SHARES.map((share) => {
      const [x, y] = [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share]
      return vertical ? { x: x + off * 1.6, y } : { x, y: y + off }
    }),
  )
  return { key: keyOf(line), text: dimension.text, size, spots }
}

export function keyOf({ dimension }: Drawn): string {
  return `${dimension.view}${dimension.subject}${dimension.label}`
}

function named(key: string, text: string, spots: Spot[], outline?: Spot[]): Wanted {
  const size = { width: text.length * LETTER_PX + 2, height: NAME_HEIGHT }
  return outline ? { key, text, size, spots, outline } : { key, text, size, spots }
}

/** The line that leads from a name to what it names: from its nearer end to the nearest point of the outline. */
export function leader({ at, size, outline }: Placed): { from: Spot; to: Spot } | null {
  if (!outline) return null
  const [left, right] = [at.x - size.width / 2, at.x + size.width / 2]
  const ends = [left, right].flatMap((x) =>
    outline.map((to) => ({ from: { x, y: at.y }, to, away: Math.hypot(to.x - x, to.y - at.y) })),
  )
  return ends.reduce((best, end) => (end.away < best.away ? end : best))
}

function namesIn(frame: Frame, view: string, shapes: Scene['shapes']): Wanted[] {
  const found: Wanted[] = []
  const walls = shapes
    .filter((shape) => shape.view === view && shape.meaning === 'room')
    .flatMap((shape) => pointsOf(shape).map((point) => toPage(frame, point).x))
  shapes.forEach((shape, number) => {
    if (shape.view !== view || !shape.label) return
    const key = `${view}${shape.meaning}${number}`
    const wide = shape.label.length * LETTER_PX + 2
    const corners = pointsOf(shape).map((point) => toPage(frame, point))
    const [first, last] = [corners[0], corners.at(-1)]
    if (!first || !last) return
    const box = {
      left: Math.min(...corners.map(({ x }) => x)),
      right: Math.max(...corners.map(({ x }) => x)),
      top: Math.min(...corners.map(({ y }) => y)),
      bottom: Math.max(...corners.map(({ y }) => y)),
    }
    const [x, y] = [(box.left + box.right) / 2, (box.top + box.bottom) / 2]
    if (shape.meaning === 'swing-disc') {
      if (frame.pxPerM < LEAST_PX_PER_M_FOR_NAMES) return
      const steps = [0, -14, 14, -28, 28, -42, 42, -56, 56]
      const right = steps.map((off) => ({ x: box.right + LEADER + wide / 2, y: y + off }))
      const left = steps.map((off) => ({ x: box.left - LEADER - wide / 2, y: y + off }))
      // A wall through its letters makes a name hard to read: that is for where nothing else is free.
      const crossed = (spot: Spot) => Number(walls.some((wall) => Math.abs(spot.x - wall) < wide / 2))
      const spots = [...right, ...left].sort((a, b) => crossed(a) - crossed(b))
      found.push(named(key, shape.label, spots, corners))
    } else if (shape.meaning === 'thing' || shape.meaning === 'stored' || shape.meaning === 'kept-clear') {
      if (box.right - box.left <= wide * 0.6 && frame.pxPerM < LEAST_PX_PER_M_FOR_NAMES) return
      found.push(
        named(key, shape.label, [
          { x, y: y - 16 },
          { x, y: y + 18 },
          { x, y: box.top - 9 },
          { x, y: box.bottom + 9 },
          { x: box.left + 4 + wide / 2, y },
          { x: box.right - 4 - wide / 2, y },
          { x: box.left - 6 - wide / 2, y },
          { x: box.left - 6 - wide / 2, y: box.top },
          { x: box.right + 6 + wide / 2, y },
          { x: box.right + 6 + wide / 2, y: box.top },
        ]),
      )
    } else if (shape.meaning === 'floor-layer') {
      const ends = [box.top + 8, box.bottom - 8]
      found.push(
        named(
          key,
          shape.label,
          ends.flatMap((up) => [
            { x: box.right - wide / 2 - 4, y: up },
            { x: box.left + wide / 2 + 4, y: up },
            { x, y: up },
          ]),
        ),
      )
    } else if (shape.meaning === 'monitor' || shape.meaning === 'machine') {
      const beside = 11 + wide / 2
      found.push(
        named(key, shape.label, [
          { x: first.x + beside, y: first.y },
          { x: first.x + beside, y: first.y - 12 },
          { x: first.x + beside, y: first.y + 12 },
          { x: first.x - beside, y: first.y },
          { x: first.x, y: first.y - 18 },
          { x: first.x, y: first.y + 18 },
          { x: first.x - beside, y: first.y - 12 },
        ]),
      )
    } else if (shape.meaning === 'ridge') {
      found.push(
        named(
          key,
          shape.label,
          [0.76, 0.9, 0.6, 0.45, 0.3, 0.12].flatMap((share) =>
            [-9, 9].map((off) => ({
              x: first.x + (last.x - first.x) * share,
              y: first.y + (last.y - first.y) * share + off,
            })),
          ),
        ),
      )
    }
  })
  // Whoever swings is named first, then what stands there.
  return found.sort((a, b) => Number(b.outline !== undefined) - Number(a.outline !== undefined))
}
