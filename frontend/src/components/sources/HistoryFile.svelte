<script lang="ts">
  import { onDestroy } from 'svelte'
  import { api, type HistoryJob, type HistoryPreview, outcome } from '../../api/client'
  import { type Refused, Resource } from '../../lib/resource.svelte'
  import { Work } from '../../lib/work.svelte'
  import { counted } from '../../lib/words'
  import FilePicker from '../FilePicker.svelte'
  import Refusal from '../catalogue/Refusal.svelte'
  import WorkProgress from '../WorkProgress.svelte'

  /** One's own history of prices from a table: its columns are mapped, and each row says what it does. */
  const WORDS: Record<string, string> = {
    part: 'part, by id or name',
    shop: 'shop',
    sold_as: 'condition',
    price: 'price of one',
    in_stock: 'in stock, yes or no',
    first_seen: 'day seen',
    last_seen: 'last day seen',
    source: 'where from',
    address: 'address',
    held_back: 'held back',
    struck: 'struck out',
  }
  const EMPTY = { file: '', mapping: '' }
  let file = $state.raw<File | null>(null)
  let refused = $state.raw<Refused | null>(null)
  let sent = $state(false)
  const looking = new Resource<HistoryPreview, [FormData]>((signal, body) =>
    outcome(api.POST('/api/prices/history/preview', { body: EMPTY, bodySerializer: () => body, signal })),
  )
  const work = new Work<HistoryJob>((signal) => outcome(api.GET('/api/prices/history', { signal })))
  const preview = $derived(looking.data)
  /** As chosen here; what was chosen a moment ago is not lost while the answer is on its way. */
  let chosen = $state.raw<Record<string, number> | null>(null)
  const columns = $derived(chosen ?? preview?.columns ?? {})
  const refusal = $derived(refused ?? looking.refusal)
  const taken = $derived(work.told?.taken)
  onDestroy(() => work.stop())

  function form(mapping: Record<string, number> | null): FormData {
    const body = new FormData()
    if (file) body.set('file', file)
    body.set('mapping', JSON.stringify(mapping ?? {}))
    return body
  }

  function pick(picked: File): void {
    file = picked
    chosen = null
    refused = null
    sent = false
    looking.clear()
    void looking.load(form(null))
  }

  function map(column: string, at: string): void {
    const others = Object.entries(columns).filter(([name]) => name !== column)
    const named: [string, number][] = at === '' ? [] : [[column, Number(at)]]
    chosen = Object.fromEntries([...others, ...named])
    void looking.load(form(chosen))
  }

  async function take(): Promise<void> {
    const body = form(columns)
    const asked = outcome(api.POST('/api/prices/history', { body: EMPTY, bodySerializer: () => body }))
    await work.begin(asked)
    const made = await asked
    refused = made.data ? null : made
    sent = made.data !== undefined
  }
</script>

<FilePicker
  id="price-history"
  label="A table (CSV) with a row for each price that was seen; nothing is stored before you say so"
  accept=".csv,.txt,text/csv"
  {pick}
/>
{#if refusal}<Refusal {refusal} />{/if}
{#if preview && !sent}
  <fieldset class="mt-3 flex flex-wrap gap-x-4 gap-y-2">
    <legend class="text-sm text-faint">Which column holds what</legend>
    {#each preview.asked as column (column)}
      <label class="text-sm"
        ><span class="block text-xs text-faint">{WORDS[column] ?? column}</span>
        <select
          class="blank max-w-40"
          value={columns[column] === undefined ? '' : String(columns[column])}
          aria-label={WORDS[column] ?? column}
          onchange={(event) => map(column, event.currentTarget.value)}
        >
          <option value="">no column</option>
          {#each preview.heading as heading, at (at)}<option value={String(at)}
              >{heading || `column ${at + 1}`}</option
            >{/each}
        </select></label
      >
    {/each}
  </fieldset>
  <p role="status" class="mt-2">
    {counted(preview.rows, 'row')}, {preview.wrong} with something wrong{preview.first.length === 0
      ? ': say which columns hold part, shop, price and day'
      : ''}.
  </p>
  <ul class="mt-1 max-h-72 divide-y divide-base-300 overflow-auto text-sm">
    {#each preview.first as row (row.line)}
      <li class="py-1">
        <span class="text-faint">Line {row.line}.</span>
        {#if row.problem}<span class="whitespace-pre-line text-error">{row.problem}</span
          >{:else}{row.says}{/if}
      </li>
    {/each}
  </ul>
  <button
    class="btn mt-2 btn-primary btn-sm"
    disabled={preview.first.length === 0 || preview.wrong === preview.rows}
    onclick={() => void take()}>Take in what is right</button
  >
{/if}
{#if sent}
  <WorkProgress {work} ofBuild={false} />
  {#if taken && !work.isOpen}
    <p role="status" class="mt-2">
      {counted(taken.rows, 'row')}: {taken.new} new, {taken.extended} as known, {taken.held_back} held back, {taken.wrong}
      left out.
    </p>
    <ul class="text-sm text-faint">
      {#each taken.problems as row (row.line)}<li>
          Line {row.line}. <span class="whitespace-pre-line">{row.problem}</span>
        </li>{/each}
    </ul>
  {/if}
{/if}
