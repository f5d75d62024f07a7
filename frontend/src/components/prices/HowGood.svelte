<script lang="ts">
  import { api, outcome, type BackTestJob } from '../../api/client'
  import { Work } from '../../lib/work.svelte'
  import { counted } from '../../lib/words'
  import WorkProgress from '../WorkProgress.svelte'

  /** How good the advice is: tried on what was really asked, and on simulated markets. */
  let { buildId }: { buildId: number } = $props()
  const params = $derived({ path: { build_id: buildId } })
  const work = $derived.by(() => {
    const asked = { params }
    return new Work<BackTestJob>((signal) =>
      outcome(api.GET('/api/builds/{build_id}/prices-tested', { ...asked, signal })),
    )
  })
  const tested = $derived(work.told?.tested)

  $effect(() => {
    const looked = work
    void looked.look()
    return () => looked.stop()
  })

  function begin(): void {
    void work.begin(outcome(api.POST('/api/builds/{build_id}/prices-tested', { params })))
  }
</script>

{#snippet table(caption: string, rows: NonNullable<typeof tested>['own'])}
  <div class="overflow-x-auto">
    <table class="mt-3 w-full max-w-2xl text-sm [&_:is(td,th):not(:first-child)]:pl-3">
      <caption class="text-left font-semibold">{caption}</caption>
      <thead class="text-right text-xs text-faint">
        <tr
          ><th class="py-1 text-left font-normal">Rule</th><th class="font-normal">over hindsight</th><th
            class="font-normal">at worst</th
          ><th class="font-normal">bought in the last week</th><th class="font-normal">dearer than at once</th
          ></tr
        >
      </thead>
      <tbody class="text-right tabular-nums">
        {#each rows as row (row.rule)}
          <tr class="border-t border-base-300"
            ><td class="py-1 text-left {row.rule === 'the advice' ? 'font-semibold' : ''}">{row.rule}</td><td
              >{row.over_hindsight}</td
            ><td>{row.at_worst}</td><td>{row.late}</td><td>{row.dearer}</td></tr
          >
        {/each}
      </tbody>
    </table>
  </div>
{/snippet}

<section class="mt-8" aria-labelledby="how-good">
  <h2 id="how-good" class="text-xl">How good is this advice?</h2>
  <p class="max-w-prose text-sm text-faint">
    Each rule buys when it says so, at the latest when the thing is needed; hindsight buys on the cheapest
    day.
  </p>
  {#if tested}
    {#if tested.own.length > 0}
      {@render table(
        `What was really asked: ${counted(tested.own_trials, 'question')} in the past, ${counted(tested.own_weeks, 'week')} each`,
        tested.own,
      )}
    {:else}
      <p class="mt-2 text-sm">Too little was seen so far to try it on your own history.</p>
    {/if}
    {@render table(
      `Simulated: ${counted(tested.simulated_trials, 'market')} that it was not fitted on`,
      tested.simulated,
    )}
  {/if}
  {#if tested && tested.by_habit.length > 0}
    <div class="overflow-x-auto">
      <table class="mt-3 w-full max-w-2xl text-sm [&_:is(td,th):not(:first-child)]:pl-3">
        <caption class="text-left font-semibold"
          >Where it wins and where it loses: over hindsight, by the habit of the market</caption
        >
        <thead class="text-right text-xs text-faint">
          <tr
            ><th class="py-1 text-left font-normal">Market</th
            >{#each tested.by_habit[0]?.paid ?? [] as { rule } (rule)}<th class="font-normal">{rule}</th
              >{/each}</tr
          >
        </thead>
        <tbody class="text-right tabular-nums">
          {#each tested.by_habit as { habit, paid } (habit)}
            <tr class="border-t border-base-300"
              ><td class="py-1 text-left">{habit}</td>{#each paid as { rule, over_hindsight } (rule)}<td
                  >{over_hindsight}</td
                >{/each}</tr
            >
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  <button class="btn mt-2 btn-outline btn-primary btn-xs" disabled={work.isOpen} onclick={begin}
    >{tested ? 'Try it again' : 'Try it'}</button
  >
  <WorkProgress {work} ofBuild={false} />
</section>
