<script lang="ts">
  import { onDestroy } from 'svelte'
  import { api, outcome, type LookJob, type SourcesNow } from '../../api/client'
  import { shops } from '../../lib/shops.svelte'
  import { Work } from '../../lib/work.svelte'
  import { counted } from '../../lib/words'
  import WorkProgress from '../WorkProgress.svelte'
  import UnderstoodTable from './UnderstoodTable.svelte'

  /** A source by its address: looked at first, and kept only when it was understood as it is meant. */
  let { added }: { added: (now: SourcesNow) => void } = $props()
  let address = $state('')
  let shop = $state('')
  let isPrivate = $state(false)
  let looked = $state('')
  let parts = $state<Record<string, string | null>>({})
  let refused = $state('')
  const work = new Work<LookJob>((signal) => outcome(api.GET('/api/prices/sources/look', { signal })))
  const understood = $derived(
    looked !== '' && work.told?.understood?.address === looked ? work.told.understood : null,
  )
  const listed = $derived(shops.list?.shops ?? [])
  onDestroy(() => work.stop())

  async function look(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    refused = ''
    parts = {}
    looked = address.trim()
    const body = { address: looked, shop, private: isPrivate }
    await work.begin(outcome(api.POST('/api/prices/sources/look', { body })))
  }

  async function keep(): Promise<void> {
    const body = { address: looked, shop, private: isPrivate, parts }
    const made = await outcome(api.POST('/api/prices/sources', { body }))
    refused = made.data ? '' : (made.problems[0]?.accepted ?? made.message)
    if (!made.data) return
    address = ''
    looked = ''
    added(made.data)
  }
</script>

<form class="flex flex-wrap items-end gap-x-4 gap-y-2" onsubmit={(event) => void look(event)}>
  <label class="text-sm"
    ><span class="block text-xs text-faint">Shop</span>
    <select class="blank max-w-56" aria-label="Shop" bind:value={shop}>
      <option value="">choose one</option>
      {#each listed as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
  <label class="min-w-0 flex-1 text-sm"
    ><span class="block text-xs text-faint">Address of its feed, or of a page with its prices</span><input
      class="blank w-full min-w-48"
      type="url"
      bind:value={address}
      maxlength="400"
      placeholder="https://"
    /></label
  >
  <label class="flex min-h-8 items-center gap-2 text-sm"
    ><input type="checkbox" class="checkbox size-[24px]" bind:checked={isPrivate} />It is on this machine, or
    in my own network</label
  >
  <button class="btn btn-primary btn-sm" disabled={!shop || address.trim() === '' || work.isOpen}
    >Look at it</button
  >
</form>
<p class="mt-1 max-w-prose text-xs text-faint">
  Nothing is kept before you say so. Only the hosts that you add here are read, one request at a time, and not
  where their robots.txt asks not to be.
</p>
{#if looked}<WorkProgress {work} ofBuild={false} />{/if}
{#if refused}<p role="alert" class="mt-2 text-sm text-error">{refused}</p>{/if}
{#if understood}
  <p role="status" class="mt-3">
    Understood as a {understood.form}: {counted(understood.things.length, 'thing')}, {understood.things.filter(
      (one) => parts[one.key] ?? one.part,
    ).length} of them parts of your catalogue, {understood.things.filter((one) => !one.price).length} without a
    price.
  </p>
  <UnderstoodTable things={understood.things} bind:parts />
  <button class="btn mt-2 btn-primary btn-sm" onclick={() => void keep()}>Read it from now on</button>
{/if}
