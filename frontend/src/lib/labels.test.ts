import { describe, expect, it } from 'vitest'
import { boxAround, leader, overlap, place, type Wanted } from './labels'

const PAGE = { left: 0, top: 0, right: 200, bottom: 100 }
const size = { width: 40, height: 20 }
const label = (key: string, ...spots: [number, number][]): Wanted => ({
  key,
  text: key,
  size,
  spots: spots.map(([x, y]) => ({ x, y })),
})

describe('labels', () => {
  it('take the first of their places that is free', () => {
    const placed = place([label('a', [50, 50]), label('b', [60, 50], [60, 75])], [], PAGE)
    expect(placed.map(({ at }) => at)).toEqual([
      { x: 50, y: 50 },
      { x: 60, y: 75 },
    ])
  })

  it('keep off what stands there already, and on the page', () => {
    const handle = boxAround({ x: 50, y: 50 }, { width: 10, height: 10 })
    const placed = place([label('a', [50, 50], [5, 20], [100, 50])], [handle], PAGE)
    expect(placed[0]?.at).toEqual({ x: 100, y: 50 })
  })

  it('are left out where no place is free', () => {
    expect(place([label('a', [50, 50]), label('b', [50, 50])], [], PAGE)).toHaveLength(1)
  })

  it('touch without covering each other', () => {
    const [one, other] = [boxAround({ x: 20, y: 20 }, size), boxAround({ x: 60, y: 20 }, size)]
    expect(overlap(one, other)).toBe(false)
    expect(overlap(one, { ...other, left: 39 })).toBe(true)
  })

  it('are led to the nearest point of what they name', () => {
    const outline = [
      { x: 10, y: 50 },
      { x: 20, y: 52 },
    ]
    const line = leader({ ...label('a'), at: { x: 60, y: 50 }, outline })
    expect(line).toMatchObject({ from: { x: 40, y: 50 }, to: { x: 20, y: 52 } })
    expect(leader({ ...label('b'), at: { x: 60, y: 50 } })).toBeNull()
  })
})
