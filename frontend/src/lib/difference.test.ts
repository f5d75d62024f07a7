import { describe, expect, it } from 'vitest'
import type { Report, ReportChange } from '../api/client'
import { changedList, changedReport } from './difference'

const scene = (shapes: unknown[]) => ({
  length_m: 7,
  width_m: 4,
  height_m: 3,
  shapes,
  dimensions: [],
  handles: [],
})
const none = { length: 0, at: {} }

describe('what differs', () => {
  it('is put onto a list by its place, which grows or shrinks as it is told', () => {
    expect(changedList(['a', 'b', 'c'], { length: 3, at: { 1: 'B' } })).toEqual(['a', 'B', 'c'])
    expect(changedList(['a', 'b', 'c'], { length: 2, at: {} })).toEqual(['a', 'b'])
    expect(changedList(['a'], { length: 2, at: { 1: 'b' } })).toEqual(['a', 'b'])
  })

  it('makes a report anew and leaves the rest as it was', () => {
    const report = {
      blocked: false,
      verdicts: ['fine', 'fine'],
      small_items: [],
      scene: scene(['ball', 'screen']),
      stowed: scene(['car']),
      costs: 'costs',
      caution: 'test first',
    } as unknown as Report
    const change = {
      verdicts: { length: 2, at: { 0: 'blocked' } },
      small_items: none,
      scene: {
        ...scene([]),
        shapes: { length: 2, at: { 0: 'ball moved' } },
        dimensions: none,
        handles: none,
      },
      stowed: { ...scene([]), shapes: { length: 1, at: {} }, dimensions: none, handles: none },
      summary: { blocked: true, costs: null },
    } as unknown as ReportChange
    const after = changedReport(report, change) as unknown as Record<string, unknown>
    expect(after.verdicts).toEqual(['blocked', 'fine'])
    expect(after.blocked).toBe(true)
    expect(after.costs).toBe('costs')
    expect((after.scene as { shapes: unknown[] }).shapes).toEqual(['ball moved', 'screen'])
    expect((after.stowed as { shapes: unknown[] }).shapes).toEqual(['car'])
    expect(after.caution).toBe('test first')
  })
})
