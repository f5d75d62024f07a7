/** What may be put into a room and what is asked of each: words only, every rule is the core's. */
import type { ContentChange, ContentGroup } from '../api/client'

export const GROUP_WORDS: Record<ContentGroup, string> = {
  things: 'In the way',
  openings: 'Windows and doors',
  sockets: 'Sockets',
  stored: 'What it must still hold',
  modes: 'Other uses of the room',
  kept_clear: 'Kept clear',
  circuits: 'Further circuits',
}
export const KINDS: Record<ContentGroup, Record<string, string>> = {
  things: {
    beam: 'beam',
    rail: 'door rail',
    duct: 'duct',
    lamp: 'lamp',
    opener: 'garage-door opener',
    column: 'column',
    shelf: 'shelf',
    radiator: 'radiator',
    heater: 'heater',
    other: 'something else',
  },
  openings: { window: 'window', door: 'door' },
  sockets: { socket: 'socket' },
  stored: {
    car: 'car',
    boat: 'boat on its trolley',
    bench: 'workbench',
    bicycles: 'bicycles',
    furniture: 'furniture',
    gym: 'gym equipment',
    boxes: 'boxes',
  },
  modes: {
    films: 'films',
    gym: 'gym',
    vehicle: 'vehicle in',
    spectators: 'people look on',
    other: 'something else',
  },
  circuits: { circuit: 'circuit' },
  kept_clear: { people: 'people', seats: 'seats', open_floor: 'open floor', way: 'a way through' },
}

type Field = keyof ContentChange
/** A length that is asked for, and whether empty is an answer. */
export interface Asked {
  field: Field
  label: string
  optional?: boolean
}

const PLACE: Asked[] = [
  { field: 'x_m', label: 'From the left wall' },
  { field: 'y_m', label: 'From the screen wall' },
]
const SIZE: Asked[] = [
  { field: 'width_m', label: 'Across' },
  { field: 'length_m', label: 'Along' },
  { field: 'height_m', label: 'Height' },
]
export const LENGTHS: Record<ContentGroup, Asked[]> = {
  things: [...PLACE, { field: 'z_m', label: 'Lower edge' }, ...SIZE],
  stored: [...PLACE, ...SIZE],
  modes: [],
  circuits: [
    { field: 'breaker_a', label: 'Its breaker', optional: true },
    { field: 'other_load_w', label: 'Other load on it' },
  ],
  kept_clear: [...PLACE, ...SIZE],
  openings: [
    { field: 'along_m', label: 'Begins at' },
    { field: 'width_m', label: 'Width' },
    { field: 'height_m', label: 'Height' },
    { field: 'sill_m', label: 'Sill above the floor' },
  ],
  sockets: [
    { field: 'along_m', label: 'Along the wall' },
    { field: 'height_m', label: 'Above the floor' },
    { field: 'outlets', label: 'Outlets' },
  ],
}
export const NEW_PLACE: Asked[] = [
  { field: 'new_x_m', label: 'New, from the left wall', optional: true },
  { field: 'new_y_m', label: 'New, from the screen wall', optional: true },
  { field: 'new_z_m', label: 'New lower edge', optional: true },
]
export const PLAY_PLACE: Asked[] = [
  { field: 'play_x_m', label: 'Playing, from the left wall', optional: true },
  { field: 'play_y_m', label: 'Playing, from the screen wall', optional: true },
]

/** A choice among words that is asked for. */
export interface Choosing {
  field: Field
  label: string
  options: Readonly<Record<string, string>>
}

const WALL: Choosing = {
  field: 'wall',
  label: 'In the',
  options: { left: 'left wall', right: 'right wall', screen: 'wall behind the screen', rear: 'rear wall' },
}
export const CHOICES: Record<ContentGroup, Choosing[]> = {
  things: [
    {
      field: 'decision',
      label: 'We',
      options: { keep: 'keep it', move: 'move it', pad: 'pad it', remove: 'remove it' },
    },
    {
      field: 'fixed_to',
      label: 'Fixed to the',
      options: { ceiling: 'ceiling', wall: 'wall', floor: 'floor' },
    },
  ],
  stored: [
    {
      field: 'while_playing',
      label: 'While playing',
      options: { out: 'it is out', stays: 'it stays', moved: 'it is moved' },
    },
  ],
  openings: [
    WALL,
    {
      field: 'opens',
      label: 'Opens',
      options: {
        inward: 'into the room',
        outward: 'outward',
        slides: 'by sliding',
        tilts: 'up, in one piece',
        sectional: 'up, on rails',
        rolls: 'up, round a coil',
        folds: 'by folding in',
        not: 'not at all',
      },
    },
  ],
  sockets: [WALL],
  circuits: [],
  modes: [],
  kept_clear: [],
}
/** What is asked of some kinds only, each answered with one of a few words; the first is that nobody has said. */
export interface Asking {
  kind: string
  field: 'lit' | 'burns_fuel' | 'glazed' | 'guard' | 'cover'
  label: string
  options: Readonly<Record<string, string>>
}

const YES_OR_NO = { unsaid: 'not said', true: 'yes', false: 'no' } as const
const GUARDS = {
  unsaid: 'not said',
  nothing: 'nothing',
  film: 'film and a curtain',
  net: 'netting or board',
} as const
export const OF_KIND: readonly Asking[] = [
  { kind: 'lamp', field: 'lit', label: 'On while you play', options: YES_OR_NO },
  { kind: 'heater', field: 'burns_fuel', label: 'Burns gas, oil or wood', options: YES_OR_NO },
  { kind: 'door', field: 'glazed', label: 'Glass in it', options: YES_OR_NO },
  { kind: 'door', field: 'guard', label: 'Before its glass, against balls', options: GUARDS },
  {
    kind: 'window',
    field: 'guard',
    label: 'Before it, against balls',
    options: GUARDS,
  },
  {
    kind: 'window',
    field: 'cover',
    label: 'Before it, against daylight',
    options: { unsaid: 'not said', nothing: 'nothing', curtain: 'a curtain', blackout: 'a blackout blind' },
  },
]
export const LUMENS: Asked = { field: 'lumens', label: 'Brightness', optional: true }
export const STAYS_UP_WORDS = {
  projector: 'projector',
  screen: 'screen',
  enclosure: 'enclosure',
  monitor: 'launch monitor',
  mat: 'mat',
} as const
