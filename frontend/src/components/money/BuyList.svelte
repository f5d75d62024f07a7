<script lang="ts">
  import type { Money } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { STAGE_WORDS } from '../../lib/words'

  type ToBuy = Money['to_buy'][number]

  /** What to buy, and when: what is safe first, with a running total; ticked when it is paid. */
  let { toBuy }: { toBuy: ToBuy[] } = $props()
  const build = $derived(useBuild()())
  const first = $derived(toBuy.find(({ paid, held }) => !paid && held.length === 0))
  const groups = $derived(
    [...new Set(toBuy.map(headingOf))].map((heading) => ({
      heading,
      lines: toBuy.filter((each) => headingOf(each) === heading),
    })),
  )

  function headingOf({ paid, stage }: ToBuy): string {
    if (paid) return 'Paid'
    return stage ? `For ${STAGE_WORDS[stage]}` : 'Beside the stages'
  }

  function* details({ quantity, from_shop, covered_by }: ToBuy): Generator<string> {
    if (quantity !== '1') yield quantity
    if (from_shop) yield from_shop
    if (covered_by) yield `paid for by ${covered_by}`
  }
</script>

<section class="mt-8" aria-labelledby="to-buy">
  <div class="flex flex-wrap items-baseline justify-between gap-x-4">
    <h2 id="to-buy" class="text-xl">What to buy, and when</h2>
    {#if toBuy.length > 0}
      <a
        class="inline-flex min-h-8 items-center text-sm"
        href="/api/builds/{build.id}/money/buy-list.csv"
        download>As a table (CSV)</a
      >
    {/if}
  </div>
  {#if toBuy.length === 0}
    <p class="text-sm text-faint">Nothing is to be bought: nothing is chosen that costs anything.</p>
  {:else}
    <p class="mt-1 text-sm">
      {#if first}
        First: <strong>{first.label}</strong>{first.amount ? `, ${first.amount.text}` : ', no price yet'}.
      {:else if toBuy.every(({ paid }) => paid)}
        All of it is paid.
      {:else}
        Nothing is safe to buy before what is open has been checked.
      {/if}
    </p>
    {#each groups as { heading, lines } (heading)}
      <h3 class="mt-2 border-b border-base-content text-sm font-semibold">{heading}</h3>
      <ol class="divide-y divide-base-300">
        {#each lines as each (each.key)}
          <li class="grid grid-cols-[auto_minmax(0,1fr)_auto] items-start gap-x-3 py-1.5 text-sm">
            <input
              type="checkbox"
              class="checkbox mt-0.5 checkbox-sm checkbox-primary"
              aria-label="{each.label} is paid"
              checked={each.paid}
              disabled={!each.paid && !each.amount}
              onchange={(event) => void build.markPaid(each.key, each.label, event.currentTarget.checked)}
            />
            <span class="min-w-0"
              ><span class={each.paid ? 'text-faint line-through' : ''}>{each.label}</span>
              <span class="text-xs text-faint">{[...details(each)].join(' · ')}</span>
              {#each each.held as reason (reason)}
                <span class="text-blocked block text-xs">Check first: {reason}</span>
              {/each}
            </span>
            <span class="text-right whitespace-nowrap tabular-nums"
              >{each.amount?.text ?? 'no price'}{each.a_year ? ' a year' : ''}
              <span class="block text-xs text-faint">{each.running.text} so far</span></span
            >
          </li>
        {/each}
      </ol>
    {/each}
  {/if}
</section>
