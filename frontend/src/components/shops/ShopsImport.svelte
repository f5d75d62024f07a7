<script lang="ts">
  import { api, outcome, type ShopsPreview } from '../../api/client'
  import { type Refused, Resource } from '../../lib/resource.svelte'
  import { shops } from '../../lib/shops.svelte'
  import { counted } from '../../lib/words'
  import FilePicker from '../FilePicker.svelte'
  import Refusal from '../catalogue/Refusal.svelte'

  /** Shops and offers from a file: what each row does is shown before anything is stored. */
  let { done }: { done: () => void } = $props()
  const SHOWN = 60
  let file = $state.raw<File | null>(null)
  let refused = $state.raw<Refused | null>(null)
  const looking = new Resource<ShopsPreview, [FormData]>((signal, body) =>
    outcome(api.POST('/api/shops/file/preview', { body: { file: '' }, bodySerializer: () => body, signal })),
  )
  const preview = $derived(looking.data)
  const refusal = $derived(refused ?? looking.refusal)
  const wrong = $derived(preview?.rows.filter(({ problem }) => problem) ?? [])
  const news = $derived(preview?.rows.filter(({ does }) => does === 'new' || does === 'changed') ?? [])

  function form(chosen: File): FormData {
    const body = new FormData()
    body.set('file', chosen)
    return body
  }

  async function look(chosen: File): Promise<void> {
    file = chosen
    refused = null
    looking.clear()
    await looking.load(form(chosen))
  }

  async function take(): Promise<void> {
    if (!file) return
    const body = form(file)
    body.set('revision', String(preview?.revision ?? 0))
    const taken = await outcome(
      api.POST('/api/shops/file', { body: { file: '' }, bodySerializer: () => body }),
    )
    refused = taken.data ? null : taken
    if (!taken.data) return
    await shops.taken()
    done()
  }
</script>

<section class="mt-3 border border-primary p-4" aria-labelledby="shops-import">
  <h3 id="shops-import" class="mb-2 text-lg">Take in shops or offers</h3>
  <FilePicker
    id="shops-file"
    label="A shops file (JSON), or a table of shops or offers (CSV); nothing is stored before you say so"
    accept=".json,.csv,application/json,text/csv"
    pick={(chosen) => void look(chosen)}
  />
  {#if refusal}<Refusal {refusal} />{/if}
  {#if preview}
    <p class="mt-3" role="status">
      {counted(preview.rows.filter(({ does }) => does === 'new').length, 'new one')},
      {preview.rows.filter(({ does }) => does === 'changed').length} changed,
      {preview.rows.filter(({ does }) => does === 'same').length} the same, {wrong.length} with something wrong.
    </p>
    <ul class="mt-1 divide-y divide-base-300 text-sm">
      {#each [...wrong, ...news].slice(0, SHOWN) as row, number (number)}
        <li class="py-1">
          {#if row.line}<span class="text-faint">Line {row.line}.</span>{/if}
          {#if row.problem}<span class="whitespace-pre-line text-error">{row.problem}</span>
          {:else}{row.name} <span class="text-faint">{row.price} · {row.does}</span>{/if}
        </li>
      {/each}
    </ul>
    {#if wrong.length + news.length > SHOWN}
      <p class="text-sm text-faint">and {wrong.length + news.length - SHOWN} more.</p>
    {/if}
    <button class="btn mt-3 btn-primary btn-sm" disabled={news.length === 0} onclick={() => void take()}
      >Take in what is right</button
    >
  {/if}
</section>
