<script lang="ts">
  import { SvelteMap } from 'svelte/reactivity'
  import type { Problem, SheetKind } from '../../api/client'
  import { onDestroy, tick, untrack } from 'svelte'
  import { draftOf, keepDraft } from '../../lib/drafts'
  import FactInput from './FactInput.svelte'
  import RecordRows from './RecordRows.svelte'

  /** A spec sheet as a form, made from the same description that the core reads it by. */
  interface Props {
    sheet: Pick<SheetKind, 'fields'>
    /** What the draft is of: what was typed and not kept is there again when somebody comes back. */
    draft: string
    /** What stands in each field before anything is typed. */
    start?: Record<string, string>
    /** Lists of records as they are, row by row. */
    startRows?: Record<string, Record<string, string>[]>
    price?: string
    /** Only these fields, in this order; all of them otherwise. */
    only?: string[]
    /** Checks read it: what does is told of each field. */
    readBy?: boolean
    words: string
    /**
     * What was typed; what was not is left as it was. Answers what is wrong with it, or `null` where it was not made
     * for a reason that is told elsewhere: what was typed then stays.
     */
    commit: (
      facts: Record<string, string>,
      rows: Record<string, Record<string, string>[]>,
    ) => Promise<Problem[] | null>
  }

  let {
    sheet,
    draft,
    start = {},
    startRows = {},
    price = '',
    only,
    readBy = true,
    words,
    commit,
  }: Props = $props()
  const before = untrack(() => draftOf(draft))
  const typed = new SvelteMap<string, string>(Object.entries(before.facts))
  const typedRows = new SvelteMap<string, Record<string, string>[]>(Object.entries(before.rows))
  onDestroy(() => {
    keepDraft(draft, { facts: Object.fromEntries(typed), rows: Object.fromEntries(typedRows) })
  })
  let problems = $state.raw<Problem[]>([])
  let busy = $state(false)
  let form = $state<HTMLFormElement>()
  const PRICE = {
    name: 'price_minor',
    label: 'list price',
    meaning:
      'What it costs as it is sold: a piece, a pack, a metre or a stick. Another currency by its code (USD 120); “+ tax” where tax comes on top.',
    typed_as: 'text' as const,
    unit: '',
    options: [],
    refers_to: '',
    read_by: [],
    fields: [],
  }
  const fields = $derived([
    ...sheet.fields.filter(({ name }) => !only || only.includes(name)),
    ...(only ? [] : [PRICE]),
  ])

  function value(name: string): string {
    return typed.get(name) ?? start[name] ?? (name === 'price_minor' ? price : '')
  }

  function problem(name: string): string {
    const found = problems.find(({ field }) => field === name)
    return found ? `${found.value || 'Empty'} is not accepted: ${found.accepted}` : ''
  }

  async function finish(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    busy = true
    const found = await commit(Object.fromEntries(typed), Object.fromEntries(typedRows))
    busy = false
    problems = found ?? []
    if (problems.length > 0) {
      // The work goes on at the first field that was not accepted, wherever the press was.
      await tick()
      form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus()
    }
    if (found === null || found.length > 0) return
    typed.clear()
    typedRows.clear()
  }
</script>

<form bind:this={form} onsubmit={(event) => void finish(event)}>
  {#each fields as field (field.name)}
    {#if field.typed_as === 'records'}
      <RecordRows
        {field}
        rows={typedRows.get(field.name) ?? startRows[field.name] ?? []}
        {problems}
        {readBy}
        change={(rows) => typedRows.set(field.name, rows)}
      />
    {:else}
      <FactInput
        {field}
        {readBy}
        value={value(field.name)}
        problem={problem(field.name)}
        change={(value) => typed.set(field.name, value)}
      />
    {/if}
  {/each}
  {#each problems.filter(({ field }) => !fields.some(({ name }) => name === field.split('.')[0])) as other (other.field)}
    <p role="alert" class="text-sm text-error">{other.field} {other.value}: {other.accepted}</p>
  {/each}
  <button class="btn mt-3 btn-primary btn-sm" disabled={busy}>{words}</button>
</form>
