<script lang="ts">
  import type { Money } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { counted, STAGE_WORDS } from '../../lib/words'
  import Choice from '../Choice.svelte'

  type ToBuy = Money['to_buy'][number]

  /** What to buy, and when: what is safe first, with a running total; ticked when it is paid. */
  let { toBuy }: { toBuy: ToBuy[] } = $props()
  const build = $derived(useBuild()())
  let by = $state<'stage' | 'shop'>('stage')
  const linked = (address: string): boolean => /^https?:\/\//.test(address)
  const first = $derived(toBuy.find(({ paid, held }) => !paid && held.length === 0))
  const groups = $derived(
    [...new Set(toBuy.map(headingOf))].map((heading) => ({
      heading,
      lines: toBuy.filter((each) => headingOf(each) === heading),
    })),
  )

  function headingOf({ paid, stage, from_shop }: ToBuy): string {
    if (paid) return 'Paid'
    if (by === 'shop') return from_shop ? `From ${from_shop}` : 'No shop chosen yet'
    return stage ? `For ${STAGE_WORDS[stage]}` : 'Beside the stages'
  }

  function* details({ quantity, from_shop, covered_by, ordered, seen_at }: ToBuy): Generator<string> {
    if (quantity !== '1') yield quantity
    if (ordered) yield 'ordered'
    if (from_shop && by === 'stage') yield from_shop
    if (seen_at && !linked(seen_at)) yield `seen at ${seen_at}`
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
    <div class="flex flex-wrap items-baseline justify-between gap-x-4">
      <p class="text-xs text-faint">
        Prices and quotes with tax; delivery of what was taken at a shop is a line of its own.
      </p>
      <Choice
        label="In order of"
        value={by}
        options={{ stage: 'by stage', shop: 'by shop' }}
        choose={(chosen) => {
          by = chosen
        }}
      />
    </div>
    {#each groups as { heading, lines } (heading)}
      <h3 class="mt-2 flex justify-between border-b border-base-content text-sm font-semibold">
        {heading}{#if by === 'shop'}<span class="font-normal text-faint">{counted(lines.length, 'line')}</span
          >{/if}
      </h3>
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
              {#if linked(each.seen_at)}<a
                  class="text-xs"
                  href={each.seen_at}
                  target="_blank"
                  rel="noopener noreferrer">where it was seen</a
                >{/if}
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
