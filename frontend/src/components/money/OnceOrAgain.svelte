<script lang="ts">
  import type { Money } from '../../api/client'
  import { counted } from '../../lib/words'
  import YearLines from './YearLines.svelte'

  /** A licence paid once against one paid again: when it pays, and at which odds of changing the answer turns. */
  let { pairs }: { pairs: Money['once_or_again'] } = $props()
  let step = $state(0)
  const CHEAPER = {
    once: 'the one paid once',
    again: 'the one paid again',
    same: 'neither: both cost the same',
  }
</script>

{#if pairs.length > 0}
  <section class="mt-8" aria-labelledby="once">
    <h2 id="once" class="text-xl">Once, or again and again</h2>
    <label class="mt-1 flex flex-wrap items-center gap-3 text-sm">
      How likely you are to change it in a year: {pairs[0]?.at_odds[step]?.odds}
      <input
        type="range"
        class="range w-48 range-primary range-xs"
        min="0"
        max={(pairs[0]?.at_odds.length ?? 1) - 1}
        bind:value={step}
      />
    </label>
    <ul class="divide-y divide-base-300 text-sm">
      {#each pairs as pair (`${pair.part} ${pair.once}`)}
        {@const at = pair.at_odds[step]}
        <li class="py-1.5">
          <strong>{pair.part}</strong>: plan {pair.once}, {pair.once_costs.text} once, against {pair.again}, {pair
            .a_year.text} a year{pair.begins ? ` (${pair.begins})` : ''}. It pays after {pair.pays_after}.
          {#if at}
            <YearLines
              lines={[
                {
                  name: pair.once,
                  text: at.by_year.at(-1)?.once ?? '',
                  from: at.by_year[0]?.once_share ?? 0,
                  shares: at.by_year.map(({ once_share }) => once_share),
                },
                {
                  name: pair.again,
                  text: at.by_year.at(-1)?.again ?? '',
                  from: 0,
                  shares: at.by_year.map(({ again_share }) => again_share),
                },
              ]}
              caption="What either has cost by the end of each year, at these odds."
            />
            <details>
              <summary class="min-h-8 cursor-pointer text-faint">Year by year</summary>
              <table class="text-right tabular-nums">
                <thead class="text-xs text-faint">
                  <tr class="border-b border-base-content"
                    ><th class="py-1 text-left">Year</th><th class="pl-6">{pair.once}</th><th class="pl-6"
                      >{pair.again}</th
                    ></tr
                  >
                </thead>
                <tbody>
                  {#each at.by_year as year, number (number)}
                    <tr class="border-b border-base-300"
                      ><td class="py-1 text-left">{number + 1}</td><td class="pl-6">{year.once}</td><td
                        class="pl-6">{year.again}</td
                      ></tr
                    >
                  {/each}
                </tbody>
              </table>
            </details>
            <span class="block"
              >Over {counted(pair.years, 'year')} at these odds {at.once.text} against {at.again.text}:
              cheaper is {CHEAPER[at.cheaper as keyof typeof CHEAPER]}.</span
            >
          {/if}
          <span class="block text-xs text-faint"
            >{pair.turns_at ? `The answer turns at ${pair.turns_at} a year.` : 'No odds turn the answer.'} A licence
            paid once is bought again for the next title; a subscription goes on with it.</span
          >
        </li>
      {/each}
    </ul>
  </section>
{/if}
