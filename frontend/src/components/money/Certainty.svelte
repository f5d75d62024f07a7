<script lang="ts">
  import type { Money } from '../../api/client'

  /** How certain the total is: the odds of the cap, and which guess moves it the most. */
  let { money }: { money: Money } = $props()
</script>

<section aria-labelledby="certainty">
  <h2 id="certainty" class="mb-1 text-base">How certain it is</h2>
  {#if money.odds}
    <p class="text-sm">
      {#if money.odds.under_cap !== null}
        The odds of staying under the cap are <strong>{money.odds.under_cap_text}</strong>.
      {:else if money.unpriced.length > 0}
        Nobody can say what the odds are while a line has no price.
      {/if}
      Every other time it comes to no more than {money.odds.likely.text}, nine times in ten to no more than
      {money.odds.nine_in_ten.text}.
    </p>
    <ul class="mt-2 text-sm" aria-label="What each guess can move the total by">
      {#each money.swings as swing (swing.key)}
        <li class="py-1">
          <span class="flex justify-between gap-2"
            ><span class="min-w-0">{swing.label}</span><span class="whitespace-nowrap tabular-nums"
              >{swing.low.text} to {swing.high.text}</span
            ></span
          >
          <span class="relative mt-0.5 block h-2 border-b border-base-300" aria-hidden="true">
            <span
              class="absolute inset-y-0 bg-base-content/60"
              style:left="{swing.low_share * 100}%"
              style:width="{(swing.high_share - swing.low_share) * 100}%"
            ></span>
            <span class="absolute -inset-y-0.5 w-0.5 bg-primary" style:left="{swing.likely_share * 100}%"
            ></span>
          </span>
        </li>
      {/each}
    </ul>
    {#if money.under_yearly_cap}
      <p class="mt-1 text-sm">
        The odds that the fees of a year stay under their cap are <strong>{money.under_yearly_cap}</strong>.
      </p>
    {/if}
    <p class="mt-1 text-sm text-faint">Firm up first: {money.firm_up_first.join(', ')}.</p>
  {:else}
    {#if money.under_yearly_cap}
      <p class="text-sm">
        The odds that the fees of a year stay under their cap are <strong>{money.under_yearly_cap}</strong>.
      </p>
    {/if}
    <p class="text-sm text-faint">
      Every line counts with a price, a quote or what was paid. Guess what a line may cost at least and at
      most, and the odds of the cap appear here.
    </p>
  {/if}
</section>
