/** The way from a fact that is not known to the field where it is entered. */
import { navigate } from '../router'
import { catalogue } from './catalogue.svelte'
import { panels } from './panels.svelte'
import { view } from './view.svelte'

const PART = 'parts/'
const PATIENCE_MS = 2000
const HELD_FRAMES = 6

/** Opens the view that has the field of `missing`, `brief.hours_a_week` or `parts/radar.links` say, and goes there. */
export async function enter(missing: string, build_id: number): Promise<void> {
  const record = missing.slice(0, missing.lastIndexOf('.'))
  const params = { params: { id: String(build_id) } }
  panels.why = null
  if (record.startsWith(PART)) {
    await navigate('/builds/:id/catalogue', params)
    await catalogue.show(record.slice(PART.length))
    catalogue.asked = missing.slice(missing.lastIndexOf('.') + 1)
  } else if (record === 'ledger') {
    await navigate('/builds/:id/money', params)
  } else if (record === 'brief') {
    await navigate('/builds/:id/brief', params)
  } else {
    await navigate('/builds/:id/room', params)
    if (record.includes('/')) view.chosen = record
  }
  focusOn(
    record.startsWith(PART) ? missing.slice(missing.lastIndexOf('.') + 1) : missing,
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
