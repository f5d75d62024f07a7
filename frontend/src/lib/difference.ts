/** A report, and what differs in it while something is dragged. */
import type { Report, ReportChange, Scene } from '../api/client'

interface ListChange<T> {
  length: number
  at: Record<string, T>
}

/** `items` with a change put onto them: as long as it says, and other where it says. */
export function changedList<T>(items: readonly T[], change: ListChange<T>): T[] {
  return Array.from({ length: change.length }, (_, place) => change.at[place] ?? (items[place] as T))
}

function changedScene(scene: Scene, change: ReportChange['scene']): Scene {
  return {
    ...change,
    shapes: changedList(scene.shapes, change.shapes),
    dimensions: changedList(scene.dimensions, change.dimensions),
    handles: changedList(scene.handles, change.handles),
  }
}

const NOTHING: Scene = { length_m: 0, width_m: 0, height_m: 0, shapes: [], dimensions: [], handles: [] }

/** `report` as `change` makes it; what the change does not speak of is as it was. */
export function changedReport(report: Report, change: ReportChange): Report {
  const told = Object.entries(change.summary).filter(([, value]) => value != null)
  return {
    ...report,
    ...(Object.fromEntries(told) as Partial<Report>),
    verdicts: changedList(report.verdicts, change.verdicts),
    small_items: changedList(report.small_items, change.small_items),
    scene: changedScene(report.scene, change.scene),
    stowed: change.stowed ? changedScene(report.stowed ?? NOTHING, change.stowed) : null,
  }
}
