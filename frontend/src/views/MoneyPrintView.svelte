<script lang="ts">
  import { api, outcome, type Money } from '../api/client'
  import { useBuild } from '../lib/build.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { STAGE_WORDS } from '../lib/words'

  /** The money of a build on paper, for the household: what it comes to, what is in it, what is bought when. */
  const build = $derived(useBuild()())
  const asking = new Resource<Money, [number]>((signal, build_id) =>
    outcome(
      api.GET('/api/builds/{build_id}/money', {
        params: { path: { build_id }, query: { categories: [] } },
        signal,
      }),
    ),
  )
  const money = $derived(asking.data)
  const today = new Date().toISOString().slice(0, 10)
  $effect(() => {
    if (build.reply) void asking.load(build.id)
    return () => asking.stop()
  })
</script>

<article class="mx-auto max-w-3xl p-4 text-sm print:max-w-none print:p-0" aria-busy={asking.loading}>
  {#if asking.message}<p role="alert">{asking.message}</p>{/if}
  {#if !money}
    <p role="status" class="text-faint">{asking.loading ? 'Adding it up' : ''}</p>
  {:else}
    <header class="flex items-baseline justify-between gap-4">
      <h1 class="text-2xl">{build.reply?.build.name}: the money</h1>
      <button class="no-print btn btn-primary btn-sm" onclick={() => window.print()}>Print this page</button>
    </header>
    <p class="text-faint">As of {today}. {money.scope_words}</p>
    <p class="mt-2 text-lg font-semibold">{money.headline}</p>
    <dl class="grid grid-cols-[1fr_auto] gap-x-6">
      {#each [['My cash', money.totals.cash.text], ['Paid so far', money.paid.text], ['Kept back', money.contingency.text], ['Cap', money.cap?.text ?? 'none set'], ['Fees each year', money.yearly.text], ['What pays for it', money.funded.text]] as const as [words, amount] (words)}
        <dt class="border-b border-base-300 py-0.5">{words}</dt>
        <dd class="border-b border-base-300 py-0.5 text-right tabular-nums">{amount}</dd>
      {/each}
    </dl>
    {#if money.unpriced.length > 0}
      <p class="mt-2">Without a price, in no total: {money.unpriced.join(', ')}.</p>
    {/if}
    <h2 class="mt-4 text-lg">What is in it</h2>
    <table class="w-full">
      <thead class="text-left text-xs text-faint">
        <tr
          ><th class="font-normal">Line</th><th class="font-normal">Counts as</th><th
            class="text-right font-normal">Amount</th
          ></tr
        >
      </thead>
      <tbody>
        {#each money.lines as line (line.key)}
          <tr class="break-inside-avoid border-t border-base-300">
            <td class="py-0.5 pr-3">{line.label}{line.quantity === '1' ? '' : ` · ${line.quantity}`}</td>
            <td class="py-0.5 pr-3 text-faint">{line.payment}</td>
            <td class="py-0.5 text-right tabular-nums"
              >{line.fees_a_year > 0 && line.yearly
                ? `${line.yearly.text} a year`
                : (line.up_front?.text ?? 'not known')}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
    <h2 class="mt-4 text-lg">What to buy, and when</h2>
    <ol>
      {#each money.to_buy as each (each.key)}
        <li
          class="grid break-inside-avoid grid-cols-[1rem_minmax(0,1fr)_auto_auto] gap-x-3 border-t border-base-300 py-0.5"
        >
          <span aria-hidden="true">{each.paid ? '✓' : '□'}</span>
          <span
            >{each.label}
            <span class="text-faint"
              >{[each.paid ? 'paid' : '', each.stage ? STAGE_WORDS[each.stage] : '', each.from_shop]
                .filter(Boolean)
                .join(' · ')}</span
            >
            {#each each.held as reason (reason)}<span class="block text-xs">Check first: {reason}</span
              >{/each}</span
          >
          <span class="text-right tabular-nums"
            >{each.amount?.text ?? 'no price'}{each.a_year ? ' a year' : ''}</span
          >
          <span class="text-right text-faint tabular-nums">{each.running.text} so far</span>
        </li>
      {/each}
    </ol>
    {#if money.renewals.length > 0}
      <h2 class="mt-4 text-lg">Fees that come again</h2>
      <ul>
        {#each money.renewals as each (each.key)}
          <li class="border-t border-base-300 py-0.5">
            {each.label}, {each.amount?.text ?? 'not known'}
            {each.every}{each.next ? `, next on ${each.next}` : ''}{each.cancel_by
              ? `; stop it by ${each.cancel_by}`
              : ''}
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
</article>
