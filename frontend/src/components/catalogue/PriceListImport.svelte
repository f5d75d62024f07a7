<script lang="ts">
  import { api, type ListPreview, outcome } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { type Refused, Resource } from '../../lib/resource.svelte'
  import { counted } from '../../lib/words'
  import Choice from '../Choice.svelte'
  import FilePicker from '../FilePicker.svelte'
  import Refusal from './Refusal.svelte'

  /** A simple list of parts and prices: its columns are mapped, and each row says what it does. */
  let { done }: { done: () => void } = $props()
  const build = $derived(useBuild()())
  let file = $state.raw<File | null>(null)
  const looking = new Resource<ListPreview, [FormData]>((signal, body) =>
    outcome(api.POST('/api/catalogue/list/preview', { body: EMPTY, bodySerializer: () => body, signal })),
  )
  /** What the types ask for; the form itself is sent. */
  const EMPTY = { file: '', mapping: '', build: 0 }
  const preview = $derived(looking.data)
  let refused = $state.raw<Refused | null>(null)
  const refusal = $derived(refused ?? looking.refusal)
  const COLUMNS = {
    id: 'id of the part',
    maker: 'maker',
    name: 'name',
    kind: 'kind',
    price: 'price',
    currency: 'currency',
    note: 'note',
  } as const
  const headings = $derived<Record<string, string>>({
    '': 'no column',
    ...Object.fromEntries(
      (preview?.heading ?? []).map((words, number) => [String(number), words || `column ${number + 1}`]),
    ),
  })
  const wrong = $derived(preview?.rows.filter((row) => row.problem !== '') ?? [])
  const right = $derived(preview?.rows.filter((row) => row.problem === '') ?? [])

  function form(chosen: File, mapping: Record<string, number>): FormData {
    const body = new FormData()
    body.set('file', chosen)
    body.set('mapping', JSON.stringify(mapping))
    body.set('build', String(build.id))
    return body
  }

  async function look(chosen: File, mapping: Record<string, number>): Promise<void> {
    file = chosen
    refused = null
    await looking.load(form(chosen, mapping))
  }

  function map(column: string, number: string): void {
    if (!file || !preview) return
    const rest = Object.entries(preview.mapping).filter(([name]) => name !== column)
    void look(
      file,
      Object.fromEntries([...rest, ...(number === '' ? [] : [[column, Number(number)] as const])]),
    )
  }

  async function take(): Promise<void> {
    if (!file || !preview) return
    const body = form(file, preview.mapping)
    body.set('revision', String(preview.revision))
    await catalogue.take(
      async () => {
        const taken = await outcome(
          api.POST('/api/catalogue/list', {
            body: EMPTY,
            bodySerializer: () => body,
          }),
        )
        refused = taken.data ? null : taken
        return taken
      },
      () => void build.refresh().then(done),
    )
  }
</script>

<section class="mt-3 border border-primary p-4" aria-labelledby="list-import">
  <h3 id="list-import" class="mb-2 text-lg">Take in a price list</h3>
  <FilePicker
    id="list-file"
    label="A CSV file with a heading; nothing is stored before you say so"
    accept=".csv,text/csv"
    pick={(chosen) => void look(chosen, {})}
  />
  {#if refusal}<Refusal {refusal} />{/if}
  {#if preview}
    <div class="mt-3 flex flex-wrap gap-x-4 gap-y-1">
      {#each Object.entries(COLUMNS) as [column, words] (column)}
        <Choice
          label={words}
          showLabel
          narrow
          value={String(preview.mapping[column] ?? '')}
          options={headings}
          choose={(number) => map(column, number)}
        />
      {/each}
    </div>
    <p class="mt-2" role="status">
      {counted(right.length, 'row')} can be taken, {counted(wrong.length, 'row')} cannot.
    </p>
    <table class="mt-1 w-full text-sm">
      <thead class="text-left text-xs text-faint">
        <tr><th>Line</th><th>Part</th><th>Does</th><th class="text-right">Price</th></tr>
      </thead>
      <tbody>
        {#each [...wrong, ...right].slice(0, 200) as row (row.line)}
          <tr class="border-t border-base-300 align-top">
            <td class="pr-2">{row.line}</td>
            {#if row.problem}
              <td colspan="3" class="whitespace-pre-line text-error">{row.problem}</td>
            {:else}
              <td>{row.name}</td>
              <td>{row.does === 'price' ? `new price, was ${row.before || 'not known'}` : 'new part'}</td>
              <td class="text-right">{row.price}</td>
            {/if}
          </tr>
        {/each}
      </tbody>
    </table>
    <button class="btn mt-3 btn-primary btn-sm" disabled={right.length === 0} onclick={() => void take()}
      >Take in what can be taken</button
    >
  {/if}
</section>
