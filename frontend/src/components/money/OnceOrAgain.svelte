<script lang="ts">
  import type { Money } from '../../api/client'
  import { counted } from '../../lib/words'

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
