/** The way from what an answer asks for to where it is entered, chosen or agreed on. */
import { navigate } from '../router'
import type { Slot } from '../api/client'
import { catalogue } from './catalogue.svelte'
import { panels } from './panels.svelte'
import { view } from './view.svelte'
import { SLOT_WORDS } from './words'

const PART = 'parts/'
const PLAYER = 'players/'
/** The field of a test swing, whoever makes it. */
export const TEST_SWING = 'players.measured_reaches'
const PATIENCE_MS = 2000
const HELD_FRAMES = 6

/** Opens the view that has the field of `missing`, and goes there: `brief.hours_a_week`, `parts/radar.links`, a place of
 * the chain such as `chain.mat`, a small item such as `small.tees`, a player's test swing `players/anna.measured_reaches`,
 * or a whole view, such as `room.`. */
export async function enter(missing: string, build_id: number): Promise<void> {
  const record = missing.slice(0, missing.lastIndexOf('.'))
  const params = { params: { id: String(build_id) } }
  panels.why = null
  if (record.startsWith(PART)) {
    await navigate('/builds/:id/catalogue', params)
    await catalogue.show(record.slice(PART.length))
    catalogue.asked = missing.slice(missing.lastIndexOf('.') + 1)
  } else if (record === 'chain' || record === 'small' || record === 'parts') {
    await navigate('/builds/:id/parts', params)
    if (record === 'chain') view.place = missing.slice(record.length + 1) as Slot
    if (record === 'small') view.item = missing.slice(record.length + 1)
  } else if (record.startsWith(PLAYER)) {
    await navigate('/builds/:id/room', params)
    view.swinging = record.slice(PLAYER.length)
  } else if (record === 'ledger' || record === 'money') {
    await navigate('/builds/:id/money', params)
  } else if (record === 'brief') {
    await navigate('/builds/:id/brief', params)
  } else {
    await navigate('/builds/:id/room', params)
    if (record.includes('/')) view.chosen = record
  }
  const field = record.startsWith(PLAYER) ? TEST_SWING : missing
  if (!missing.endsWith('.'))
    focusOn(
      record.startsWith(PART) ? missing.slice(missing.lastIndexOf('.') + 1) : field,
      Date.now() + PATIENCE_MS,
    )
}

/** As soon as the view is there, and again where a panel that closes takes the focus back to where it was opened. */
function focusOn(field: string, until: number, held = 0): void {
  const found = document.querySelector<HTMLElement>(`[data-field="${CSS.escape(field)}"]`)
  const there = found !== null && document.activeElement === found
  if (found && !there) {
    found.scrollIntoView({ block: 'center' })
    found.focus()
  }
  if (held < HELD_FRAMES && Date.now() < until)
    requestAnimationFrame(() => focusOn(field, until, there ? held + 1 : 0))
}

const VIEW_WORDS: Record<string, string> = { brief: 'Brief', room: 'Room', parts: 'Parts', money: 'Money' }

/** What a press says that goes to `at`. */
export function placeWords(at: string): string {
  const [record = '', field = ''] = at.split('.')
  if (record === 'chain') return `Open ${SLOT_WORDS[field as Slot]}`
  if (record === 'small') return 'Open it'
  return field ? 'Enter it' : `Open ${VIEW_WORDS[record] ?? 'it'}`
}
