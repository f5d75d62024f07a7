<script lang="ts">
  import { api, outcome, type Alternative, type Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import AlternativeRow from './AlternativeRow.svelte'

  let { slot }: { slot: Slot } = $props()
  const build = $derived(useBuild()())
  let candidates = $state.raw<Alternative[] | null>(null)
  let problem = $state('')
  let newest = 0

  async function load(id: number): Promise<void> {
    const asked = ++newest
    const found = await outcome(
      api.GET('/api/builds/{build_id}/chain/{slot}', { params: { path: { build_id: id, slot } } }),
    )
    if (asked !== newest) return
    problem = found.data ? '' : found.message
    if (found.data) candidates = found.data.candidates
  }

  // What each would do depends on the whole build, so it is asked again after every edit.
  $effect(() => {
    if (build.reply) void load(build.reply.id)
  })
</script>

<h3 class="mt-1 text-sm">What could hang here</h3>
{#if problem}
  <p role="alert" class="py-2 text-sm text-error">{problem}</p>
  <button class="btn btn-sm" onclick={() => void load(build.id)}>Try again</button>
{:else if candidates === null}
  <p role="status" class="py-3 text-sm text-faint">Weighing every {SLOT_WORDS[slot].toLowerCase()}</p>
{:else}
  <ul class="divide-y divide-base-300">
    {#each candidates as candidate (candidate.part)}
      <AlternativeRow {candidate} hang={() => void build.hang(slot, candidate.part, candidate.name)} />
    {:else}
      <li class="py-2 text-sm text-faint">The catalogue has no part for this place.</li>
    {/each}
  </ul>
{/if}
