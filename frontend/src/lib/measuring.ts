/** The measurements of a room one after the other: what is asked, and where the tape goes. */
import type { Content, ContentGroup } from '../api/client'
import type { BuildState } from './build.svelte'
import { LENGTHS } from './contents'

/** One measurement. `field` is its path among the build's texts, `line` the dimension line it is drawn as. */
export interface Measurement {
  field: string
  line: string
  /** The record of the room that it belongs to; empty for the room itself. */
  subject: string
  label: string
  how: string
}

const ROOM: readonly [string, string, string][] = [
  ['width_m', 'Width', 'From the left wall to the right one, where the room is narrowest.'],
  ['length_m', 'Length', 'From the wall behind the screen to the rear wall, along the target line.'],
  ['ceiling_m', 'Height', 'From the bare floor straight up; where the ceiling slopes, at the eaves.'],
  ['ridge_m', 'Highest point', 'From the bare floor straight up to the highest point of the ceiling.'],
  ['lining_m', 'Ceiling lining', 'The thickness of what is or will be fixed under the ceiling.'],
  ['wall_foam_m', 'Foam behind the screen', 'The thickness of foam on the wall behind the screen.'],
]
const HOW: Partial<Record<string, string>> = {
  x_m: 'From the left wall to its near side.',
  y_m: 'From the wall behind the screen to its near side.',
  z_m: 'From the bare floor to its lower edge.',
  width_m: 'Its size across the target line.',
  length_m: 'Its size along the target line.',
  height_m: 'Its own height.',
  along_m: 'Along the wall, from the screen wall or the left wall.',
  sill_m: 'From the bare floor to its lower edge.',
}
const GROUPS: ContentGroup[] = ['things', 'stored', 'openings', 'sockets']

/** All measurements of the chosen room, its contents included. */
export function measurements(build: BuildState): Measurement[] {
  const room = build.reply?.build.room
  if (!room) return []
  const own = ROOM.filter(([field]) => field !== 'ridge_m' || room.ceiling_shape !== 'flat')
  return [
    ...own.map(([field, label, how]) => ({
      field: `room.${field}`,
      line: `room.${field}`,
      subject: '',
      label,
      how,
    })),
    ...GROUPS.flatMap((group) =>
      (room[group] as Content[]).flatMap((content, index) =>
        LENGTHS[group].map(({ field, label }) => ({
          field: `room.${group}.${index}.${field}`,
          line: `${group}/${content.id}.${field}`,
          subject: `${group}/${content.id}`,
          label: `${content.name}: ${label.toLowerCase()}`,
          how: HOW[field] ?? '',
        })),
      ),
    ),
  ]
}
