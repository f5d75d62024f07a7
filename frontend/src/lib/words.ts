/** What the interface calls things. */
import type { Club, Slot, State, Step } from '../api/client'

export const SLOT_WORDS: Record<Slot, string> = {
  floor: 'Floor',
  mat: 'Mat',
  monitor: 'Launch monitor',
  title: 'Software',
  machine: 'Machine',
  display: 'Display',
  screen: 'Screen or net',
  enclosure: 'Enclosure',
}
export const STATE_WORDS: Record<State, string> = {
  clear: 'clear',
  tight: 'tight',
  unknown: 'not known',
  blocked: 'blocked',
}
/** In order, as a list of months is told. */
export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]
export const STEP_WORDS: Record<Step, string> = {
  brief: 'Brief',
  room: 'Room',
  parts: 'Parts',
  money: 'Money',
}
export const PURPOSE_WORDS: Record<string, string> = {
  full_rounds: 'full rounds',
  swing_work: 'work on the swing',
  putting: 'putting and short game',
  club_testing: 'testing clubs and balls',
  family_games: 'family games',
  coaching: 'coaching',
  filming: 'filming swings',
  films: 'films and TV',
}
export const STAGE_WORDS = {
  net: 'a net and a data screen',
  tablet: 'a bay with a tablet or a TV',
  projected: 'a projected simulator',
} as const
/** How a golfer writes a club on a card. */
export const CLUB_LETTERS: Record<Club, string> = {
  driver: 'Dr',
  '3-wood': '3w',
  '5-wood': '5w',
  '4-iron': '4i',
  '6-iron': '6i',
  '7-iron': '7i',
  '9-iron': '9i',
  wedge: 'We',
}
export const BAND_WORDS = {
  junior: 'junior',
  recreational: 'recreational',
  fast: 'fast',
} as const
export const LIGHT_WORDS = {
  '': 'by its lamps and windows',
  lamp_on_ball: 'dark, a lamp on the ball',
  dim: 'dim',
  working: 'working light',
  open_door: 'an open door in daylight',
} as const
export const COLDEST_WORDS = {
  '': 'not said',
  warm: 'never cold',
  cool: 'about 5 °C, 40 °F',
  frost: 'about −5 °C, 25 °F',
  hard_frost: 'about −15 °C, 5 °F',
} as const
export const INSULATED_WORDS = { '': 'not said', yes: 'yes', no: 'no' } as const
export const COLOUR_WORDS = {
  '': 'not said',
  dark: 'dark and matt',
  mid: 'in between',
  white: 'white',
} as const
export const CEILING_WORDS = {
  flat: 'flat',
  ridge_along: 'ridge along the target line',
  ridge_across: 'ridge across it',
  high_left: 'high at the left wall',
  high_right: 'high at the right wall',
  high_screen: 'high behind the screen',
  high_rear: 'high at the rear wall',
} as const
export const WALL_WORDS: Record<string, string> = {
  screen: 'as it is',
  right: 'on the right wall',
  rear: 'on the rear wall',
  left: 'on the left wall',
}
export const CLUBS = ['driver', '3-wood', '5-wood', '4-iron', '6-iron', '7-iron', '9-iron', 'wedge'] as const
export const BASIS_WORDS: Record<string, string> = {
  physics: 'physics',
  spec: 'spec sheet',
  standard: 'standard',
  trade: 'trade rule',
  measured: 'measured',
}

/** `count` things: `1 question`, `3 questions`. */
export function counted(count: number, thing: string): string {
  return `${count} ${thing}${count === 1 ? '' : 's'}`
}
