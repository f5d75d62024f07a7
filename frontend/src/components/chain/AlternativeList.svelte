<script lang="ts">
  import { untrack } from 'svelte'
  import {
    api,
    type Alternative,
    type Alternatives,
    outcome,
    type PlaceFilter,
    type Slot,
  } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import AlternativeFilter from './AlternativeFilter.svelte'
  import AlternativeRow from './AlternativeRow.svelte'

  interface Props {
    slot: Slot
    locked: boolean
    /** One of them was chosen. */
    chosen: () => void
  }

  let { slot, locked, chosen }: Props = $props()
  const build = $derived(useBuild()())
  let filter = $state.raw<PlaceFilter>({})
  const weighed = new Resource<Alternatives, [number, Slot, PlaceFilter]>(
    (signal, build_id, place, query) => {
      const params = { path: { build_id, slot: place }, query }
      return outcome(api.GET('/api/builds/{build_id}/chain/{slot}', { params, signal }))
    },
  )
  const found = $derived(weighed.data)
  const problem = $derived(weighed.message || (weighed.problems.length > 0 ? weighed.problem : ''))

  // What each would do depends on the whole build, so it is asked again after every edit.
  $effect(() => {
    if (build.reply)
      void weighed.load(
        build.reply.id,
        slot,
        untrack(() => filter),
      )
  })
  function change(wanted: PlaceFilter): void {
    filter = wanted
    weighed.soon(build.id, slot, wanted)
  }
  async function hang({ part, name }: Alternative): Promise<void> {
    const problems = await build.hang(slot, part, name)
    if (problems.length === 0) chosen()
  }

  $effect(() => () => {
    weighed.stop()
    build.stopConsidering()
  })
</script>

<h3 class="mt-1 text-sm">What could be chosen here</h3>
{#if found}
  <AlternativeFilter
    {filter}
    kinds={found.kinds}
    facts={found.facts}
    {problem}
    shown={found.candidates.length}
    all={found.all}
    {change}
  />
  {#if found.unweighed > 0}
    <p class="text-xs text-faint">
      {found.unweighed} more are further from the price of what is chosen now: ask for words, kind or price.
    </p>
  {/if}
{/if}
{#if problem}
  <p role="alert" class="py-2 text-sm text-error">{problem}</p>
  <button class="btn btn-sm" onclick={() => void weighed.load(build.id, slot, filter)}>Try again</button>
{:else if !found}
  <p role="status" class="py-3 text-sm text-faint">Weighing every {SLOT_WORDS[slot].toLowerCase()}</p>
{:else}
  <ul class="divide-y divide-base-300">
    {#each found.candidates as candidate (candidate.part)}
      <AlternativeRow
        {candidate}
        {locked}
        hang={() => void hang(candidate)}
        consider={() => build.consider(slot, candidate.part)}
        leave={() => build.stopConsidering()}
      />
    {:else}
      <li class="py-2 text-sm text-faint">
        {found.all > 0 ? 'None is like that. Ask for less.' : 'The catalogue has no part for this place.'}
      </li>
    {/each}
  </ul>
{/if}
