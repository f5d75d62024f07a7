<script lang="ts">
  import { api, outcome, type Understood } from '../../api/client'
  import { type Refused, Resource } from '../../lib/resource.svelte'
  import { shops } from '../../lib/shops.svelte'
  import FilePicker from '../FilePicker.svelte'
  import Refusal from '../catalogue/Refusal.svelte'
  import UnderstoodTable from './UnderstoodTable.svelte'

  /** A page or a feed that was saved as a file: what it says is shown, and kept as seen today if that is wished. */
  const EMPTY = { file: '', shop: '' }
  let shop = $state('')
  let file = $state.raw<File | null>(null)
  let done = $state('')
  let refused = $state.raw<Refused | null>(null)
  const looking = new Resource<Understood, [FormData]>((signal, body) =>
    outcome(api.POST('/api/prices/history/page', { body: EMPTY, bodySerializer: () => body, signal })),
  )
  const refusal = $derived(refused ?? looking.refusal)

  function form(): FormData {
    const body = new FormData()
    if (file) body.set('file', file)
    body.set('shop', shop)
    return body
  }

  function pick(chosen: File): void {
    file = chosen
    done = ''
    refused = null
    looking.clear()
    void looking.load(form())
  }

  async function keep(): Promise<void> {
    const body = form()
    const made = await outcome(
      api.POST('/api/prices/history/page/kept', { body: EMPTY, bodySerializer: () => body }),
    )
    refused = made.data ? null : made
    if (!made.data) return
    const { new: fresh, extended, held_back, wrong } = made.data
    done = `${fresh} new, ${extended} as known, ${held_back} held back, ${wrong} left out.`
    looking.clear()
  }
</script>

<label class="text-sm"
  ><span class="block text-xs text-faint">Shop it was saved from</span>
  <select class="blank max-w-56" aria-label="Shop it was saved from" bind:value={shop}>
    <option value="">choose one</option>
    {#each shops.list?.shops ?? [] as { id, name } (id)}<option value={id}>{name}</option>{/each}
  </select></label
>
{#if shop}
  <div class="mt-2">
    <FilePicker
      id="saved-page"
      label="A page (HTML) or a feed (JSON, CSV); nothing is stored before you say so"
      accept=".html,.htm,.json,.csv,text/html"
      {pick}
    />
  </div>
{/if}
{#if refusal}<Refusal {refusal} />{/if}
{#if done}<p role="status" class="mt-2">{done}</p>{/if}
{#if looking.data}
  <UnderstoodTable things={looking.data.things} fixed />
  <button class="btn mt-2 btn-primary btn-sm" onclick={() => void keep()}>Keep it as seen today</button>
{/if}
