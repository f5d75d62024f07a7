/** Keyboard shortcuts: which key does what, and whether a key press is one. */

export interface Shortcut {
  keys: string
  does: string
}

export const SHORTCUTS: readonly Shortcut[] = [
  { keys: 'B', does: 'Brief' },
  { keys: 'R', does: 'Room' },
  { keys: 'P', does: 'Parts' },
  { keys: 'C', does: 'Catalogue' },
  { keys: 'M', does: 'Money' },
  { keys: 'T', does: 'Prices over time' },
  { keys: 'S', does: 'Shops' },
  { keys: 'U', does: 'Metric or imperial' },
  { keys: 'Ctrl Z', does: 'Undo' },
  { keys: 'Ctrl Shift Z', does: 'Redo' },
  { keys: 'Arrows', does: 'Move what is marked on the drawing by 10 mm; with Shift by 100 mm' },
  { keys: '+ − 0', does: 'Look nearer, from further off, at the whole drawing' },
  { keys: 'Arrows', does: 'Pan the drawing, when it is near and nothing on it is marked' },
  { keys: 'Ctrl P', does: 'Print the drawing on one page, to scale' },
  { keys: 'Esc', does: 'Close, or leave a field as it was' },
  { keys: '?', does: 'This list' },
]

/** The person is typing: single keys belong to the field. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null
  )
}

/** The person is writing text, which has an undo of its own; a tick box or a list of choices has none. */
export function isWriting(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('input:not([type=checkbox], [type=radio]), textarea, [contenteditable]') !== null
  )
}

/** The name of the shortcut that `event` is, or nothing. */
export function shortcutOf(event: KeyboardEvent): string | null {
  const key = event.key.toLowerCase()
  if ((event.ctrlKey || event.metaKey) && key === 'z') return event.shiftKey ? 'redo' : 'undo'
  if ((event.ctrlKey || event.metaKey) && key === 'y') return 'redo'
  if (event.ctrlKey || event.metaKey || event.altKey) return null
  return key
}
