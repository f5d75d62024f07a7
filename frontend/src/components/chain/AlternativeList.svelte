<script lang="ts">
  import { api, type Alternatives, outcome, type PartFilter, type Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import AlternativeFilter from './AlternativeFilter.svelte'
  import AlternativeRow from './AlternativeRow.svelte'

  let { slot, locked }: { slot: Slot; locked: boolean } = $props()
  const build = $derived(useBuild()())
  let found = $state.raw<Alternatives | null>(null)
  let filter = $state.raw<PartFilter>({})
  let problem = $state('')
  let newest = 0

  async function load(id: number, query: PartFilter): Promise<void> {
    const asked = ++newest
    const params = { path: { build_id: id, slot }, query }
    const answer = await outcome(api.GET('/api/builds/{build_id}/chain/{slot}', { params }))
    if (asked !== newest) return
    const [first] = answer.problems
    problem = answer.data ? '' : first ? `${first.value}: ${first.accepted}` : answer.message
    if (answer.data) found = answer.data
  }

  // What each would do depends on the whole build, so it is asked again after every edit.
  $effect(() => {
    if (build.reply) void load(build.reply.id, filter)
  })
  $effect(() => () => {
    build.stopConsidering()
  })
</script>

<h3 class="mt-1 text-sm">What could hang here</h3>
{#if found}
  <AlternativeFilter
    {filter}
    kinds={found.kinds}
    shown={found.candidates.length}
    all={found.all}
    change={(wanted) => {
      filter = wanted
    }}
  />
  {#if found.unweighed > 0}
    <p class="text-xs text-faint">
      {found.unweighed} more are further from the price of what hangs now: ask for words, kind or price.
    </p>
  {/if}
{/if}
{#if problem}
  <p role="alert" class="py-2 text-sm text-error">{problem}</p>
  <button class="btn btn-sm" onclick={() => void load(build.id, filter)}>Try again</button>
{:else if !found}
  <p role="status" class="py-3 text-sm text-faint">Weighing every {SLOT_WORDS[slot].toLowerCase()}</p>
{:else}
  <ul class="divide-y divide-base-300">
    {#each found.candidates as candidate (candidate.part)}
      <AlternativeRow
        {candidate}
        {locked}
        hang={() => void build.hang(slot, candidate.part, candidate.name)}
        consider={() => void build.consider(slot, candidate.part)}
        leave={() => build.stopConsidering()}
      />
    {:else}
      <li class="py-2 text-sm text-faint">
        {found.all > 0 ? 'None is like that. Ask for less.' : 'The catalogue has no part for this place.'}
      </li>
    {/each}
  </ul>
{/if}
