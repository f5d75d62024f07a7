<script lang="ts">
  import type { WatchNow } from '../../api/client'
  import { shops } from '../../lib/shops.svelte'
  import type { Watches } from '../../lib/watches.svelte'

  /** Waits for a price: up to which, until when, in which condition and from which shops. */
  interface Props {
    watches: Watches
    kind: WatchNow['kind']
    subject: string
    label: string
    /** Conditions and shops decide what is found; not so of a fee, or of a whole build. */
    narrows?: boolean
  }
  let { watches, kind, subject, label, narrows = true }: Props = $props()
  const CONDITIONS = ['new', 'refurbished', 'ex-display', 'used'] as const
  const known = $derived(watches.of(kind, subject))
  let target = $state('')
  let neededBy = $state('')
  let soldAs = $state<(typeof CONDITIONS)[number][]>([])
  let from = $state<string[]>([])
  let wrong = $state('')
  let changing = $state(false)

  async function set(event: SubmitEvent): Promise<void> {
    event.preventDefault()
    wrong = await watches.set({
      kind,
      subject,
      target,
      needed_by: neededBy || null,
      sold_as: soldAs,
      shops: from,
    })
    if (wrong) return
    target = ''
    changing = false
  }

  /** What stands is there to be changed. */
  function change(watch: WatchNow): void {
    target = watch.target
    neededBy = watch.needed_by
    soldAs = watch.sold_as
    from = watch.shops
    changing = true
  }
</script>

{#if known && !changing}
  <p class="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
    <span
      >Watched for <strong>{known.target}</strong> or less{known.needed_by
        ? `, by ${known.needed_by}`
        : ''}{known.allows ? `, ${known.allows}` : ''}.
      {#if known.figure}Now {known.figure}: {known.words}.{:else if known.words}{known.words}.{:else}It is
        looked at as soon as the worker comes to it.{/if}</span
    >
    <button class="btn min-h-8 btn-outline btn-xs" aria-label="Change: {label}" onclick={() => change(known)}
      >Change</button
    >
    <button
      class="btn min-h-8 btn-outline btn-xs"
      aria-label="Watch no more: {label}"
      onclick={() => void watches.drop(known)}>Watch no more</button
    >
  </p>
{:else}
  <form class="flex flex-wrap items-end gap-x-4 gap-y-2 text-sm" onsubmit={(event) => void set(event)}>
    <label
      ><span class="block text-xs text-faint">Tell me at or under</span><input
        class="blank w-28"
        bind:value={target}
        maxlength="40"
        aria-label="Tell me at or under: {label}"
      /></label
    >
    <label
      ><span class="block text-xs text-faint">Needed by, if not with the build</span><input
        class="blank w-40"
        type="date"
        bind:value={neededBy}
        aria-label="Needed by, if not with the build: {label}"
      /></label
    >
    {#if narrows}
      <details>
        <summary class="min-h-8 cursor-pointer text-primary"
          >Conditions and shops{soldAs.length + from.length ? ` (${soldAs.length + from.length})` : ''}<span
            class="sr-only">: {label}</span
          ></summary
        >
        <fieldset class="mt-1 flex flex-wrap gap-x-3 gap-y-1">
          <legend class="text-xs text-faint">Only in these conditions; in any, where none is ticked</legend>
          {#each CONDITIONS as condition (condition)}
            <label class="flex items-center gap-1"
              ><input
                type="checkbox"
                class="checkbox checkbox-sm"
                value={condition}
                bind:group={soldAs}
              />{condition}</label
            >
          {/each}
        </fieldset>
        <fieldset class="mt-1 flex flex-wrap gap-x-3 gap-y-1">
          <legend class="text-xs text-faint">Only from these shops; from any, where none is ticked</legend>
          {#each shops.list?.shops ?? [] as shop (shop.id)}
            <label class="flex items-center gap-1"
              ><input
                type="checkbox"
                class="checkbox checkbox-sm"
                value={shop.id}
                bind:group={from}
              />{shop.name}</label
            >
          {/each}
        </fieldset>
      </details>
    {/if}
    <button class="btn btn-primary btn-xs" disabled={target.trim() === ''}
      >Watch it<span class="sr-only">: {label}</span></button
    >
    {#if changing}<button class="btn btn-outline btn-xs" type="button" onclick={() => (changing = false)}
        >Leave it<span class="sr-only">: {label}</span></button
      >{/if}
    {#if wrong}<p role="alert" class="w-full text-error">{wrong}</p>{/if}
  </form>
{/if}
