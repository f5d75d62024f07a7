/** What was typed into a sheet and not kept yet: it outlives leaving the view and coming back. */
export interface Draft {
  facts: Record<string, string>
  rows: Record<string, Record<string, string>[]>
}

const drafts = new Map<string, Draft>()

export function draftOf(sheet: string): Draft {
  return drafts.get(sheet) ?? { facts: {}, rows: {} }
}

export function keepDraft(sheet: string, draft: Draft): void {
  const empty = Object.keys(draft.facts).length === 0 && Object.keys(draft.rows).length === 0
  if (empty) drafts.delete(sheet)
  else drafts.set(sheet, draft)
}
