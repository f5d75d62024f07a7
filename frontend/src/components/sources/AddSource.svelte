<script lang="ts">
  import { onDestroy } from 'svelte'
  import { api, outcome, type LookJob, type Problem, type SourcesNow } from '../../api/client'
  import { shops } from '../../lib/shops.svelte'
  import { Work } from '../../lib/work.svelte'
  import { counted } from '../../lib/words'
  import FactInput from '../catalogue/FactInput.svelte'
  import WorkProgress from '../WorkProgress.svelte'
  import UnderstoodTable from './UnderstoodTable.svelte'

  /** A source by its address: looked at first, and kept only when it was understood as it is meant. */
  let { added }: { added: (now: SourcesNow) => void } = $props()
  let address = $state('')
  let shop = $state('')
  /** What is known of a shop that is not entered yet. */
  let facts = $state<Record<string, string>>({})
  let isPrivate = $state(false)
  let looked = $state('')
  let wrong = $state<Record<string, string>>({})
  let parts = $state<Record<string, string | null>>({})
  let refused = $state('')
  const work = new Work<LookJob>((signal) => outcome(api.GET('/api/prices/sources/look', { signal })))
  const understood = $derived(
    looked !== '' && work.told?.understood?.address === looked ? work.told.understood : null,
  )
  const listed = $derived(shops.list?.shops ?? [])
  const NEW = 'new'
  const asked = $derived(
    ['name', 'country', 'currency', 'tax_included'].flatMap(
      (name) => shops.forms?.shop.find((field) => field.name === name) ?? [],
    ),
  )
  const told = $derived({ ...shops.forms?.new_shop, ...facts })
  const whose = $derived(
    shop === NEW
      ? { shop: '', new_shop: Object.fromEntries(asked.map(({ name }) => [name, told[name] ?? ''])) }
      : { shop, new_shop: null },
  )
  onDestroy(() => work.stop())

  function wrongFacts(problems: Problem[]): Record<string, string> {
    return Object.fromEntries(problems.map(({ field, accepted }) => [field, `Accepted: ${accepted}`]))
  }

  async function look(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    refused = ''
    parts = {}
    looked = address.trim()
    const body = { address: looked, ...whose, private: isPrivate }
    const made = await outcome(api.POST('/api/prices/sources/look', { body }))
    wrong = wrongFacts(made.problems)
    await work.begin(Promise.resolve(made))
  }

  async function keep(): Promise<void> {
    const body = { address: looked, ...whose, private: isPrivate, parts }
    const made = await outcome(api.POST('/api/prices/sources', { body }))
    wrong = wrongFacts(made.problems)
    refused = made.data ? '' : (made.problems[0]?.accepted ?? made.message)
    if (!made.data) return
    address = ''
    looked = ''
    if (shop === NEW) await shops.taken()
    shop = ''
    facts = {}
    added(made.data)
  }
</script>

<form class="flex flex-wrap items-end gap-x-4 gap-y-2" onsubmit={(event) => void look(event)}>
  <label class="text-sm"
    ><span class="block text-xs text-faint">Shop</span>
    <select class="blank max-w-56" aria-label="Shop" bind:value={shop}>
      <option value="">choose one</option>
      <option value={NEW}>a new shop</option>
      {#each listed as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select></label
  >
  <label class="min-w-64 flex-1 text-sm"
    ><span class="block text-xs text-faint">Address of its feed, or of a page with its prices</span><input
      class="blank w-full"
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
  {#if shop === NEW}
    <fieldset class="w-full sm:pr-[30%]">
      <legend class="text-xs text-faint">The new shop, entered with its address</legend>
      {#each asked as field (field.name)}
        <FactInput
          {field}
          readBy={false}
          value={told[field.name] ?? ''}
          problem={wrong[field.name] ?? ''}
          change={(value) => (facts = { ...facts, [field.name]: value })}
        />
      {/each}
      <p class="mt-1 text-xs text-faint">
        How it brings things is told under Shops; until then it counts as bringing everything for nothing.
      </p>
    </fieldset>
  {/if}
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
