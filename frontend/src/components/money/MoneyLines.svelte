<script lang="ts">
  import type { Money } from '../../api/client'
  import { counted } from '../../lib/words'
  import LineRow from './LineRow.svelte'

  /** Every line, grouped by what it pays for; each opens into what is known of it. */
  let { money }: { money: Money } = $props()
  const groups = $derived(
    money.all_categories
      .map((category) => ({
        category,
        lines: money.lines.filter((line) => line.category === category),
        sum: money.heads.find((head) => head.category === category)?.up_front.text ?? '',
      }))
      .filter(({ lines }) => lines.length > 0),
  )
</script>

{#each groups as { category, lines, sum } (category)}
  <section class="mb-4" aria-label={category}>
    <h2 class="flex items-baseline justify-between border-b border-base-content text-base">
      <span class="first-letter:uppercase">{category}</span><span class="tabular-nums">{sum}</span>
    </h2>
    <ul class="divide-y divide-base-300">
      {#each lines as line (line.key)}<LineRow {line} />{/each}
    </ul>
  </section>
{:else}
  <p class="py-3 text-faint">Nothing is chosen yet in what is counted, so nothing costs anything.</p>
{/each}
{#if money.left_out.length > 0}
  <details class="mb-4">
    <summary class="cursor-pointer py-1 font-display font-semibold"
      >{counted(money.left_out.length, 'line')} outside the total</summary
    >
    <ul class="divide-y divide-base-300">
      {#each money.left_out as line (line.key)}<LineRow {line} />{/each}
    </ul>
  </details>
{/if}
{#if money.later.length > 0}
  <details class="mb-4" open>
    <summary class="cursor-pointer py-1 font-display font-semibold">For later: {money.later.length}</summary>
    <ul class="divide-y divide-base-300">
      {#each money.later as line (line.key)}<LineRow {line} />{/each}
    </ul>
  </details>
{/if}
