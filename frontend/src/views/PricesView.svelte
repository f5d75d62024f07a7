<script lang="ts">
  import { untrack } from 'svelte'
  import { api, outcome, type Prices } from '../api/client'
  import Alerts from '../components/prices/Alerts.svelte'
  import AroundBuying from '../components/prices/AroundBuying.svelte'
  import HowGood from '../components/prices/HowGood.svelte'
  import LinePrices from '../components/prices/LinePrices.svelte'
  import WiderWatches from '../components/prices/WiderWatches.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { session } from '../lib/session.svelte'
  import { shops } from '../lib/shops.svelte'
  import { Watches } from '../lib/watches.svelte'
  import { counted } from '../lib/words'
  import { p } from '../router'

  /** What is still to be bought: what is usual of each price, where today stands, and whether to buy or to wait. */
  const build = $derived(useBuild()())
  const asking = new Resource<Prices, [number, boolean]>((signal, build_id, count_weeks) =>
    outcome(
      api.GET('/api/builds/{build_id}/prices', {
        params: { path: { build_id }, query: { count_weeks } },
        signal,
      }),
    ),
  )
  let countWeeks = $state(false)
  const prices = $derived(asking.data)
  const now = $derived(prices?.lines.filter(({ advice }) => advice.say === 'buy').length ?? 0)
  const later = $derived(prices?.lines.filter(({ advice }) => advice.say === 'wait').length ?? 0)
  const watches = $derived(new Watches(build.id))
  const id = $derived(String(build.id))

  void shops.load()

  $effect(() => {
    if (build.reply) void asking.load(build.id, countWeeks)
    return () => asking.stop()
  })
  /** What came to its target is counted beside the step too. */
  const alerts = $derived(watches.told?.alerts.length)
  $effect(() => {
    if (alerts !== undefined) void untrack(() => session.load())
  })
  $effect(() => {
    const looked = watches
    void looked.work.look()
    return () => looked.work.stop()
  })
</script>

<article class="max-w-3xl p-4 lg:px-6" aria-busy={asking.loading}>
  <div class="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-1">
    <h1 class="text-2xl">Prices over time</h1>
    <p class="flex flex-wrap gap-x-4 text-sm">
      <a class="link" href={p('/builds/:id/prices/sources', { params: { id } })}>Sources and rounds</a>
      <a class="link" href="/api/builds/{build.id}/prices-calendar" download>Calendar (iCalendar)</a>
    </p>
  </div>
  {#if asking.message}
    <p role="alert" class="my-2 flex items-center gap-3">
      {asking.message}<button
        class="btn btn-primary btn-xs"
        onclick={() => void asking.load(build.id, countWeeks)}>Try again</button
      >
    </p>
  {/if}
  <Alerts {watches} />
  {#if !prices}
    <p role="status" class="my-6 text-faint">{asking.loading ? 'Looking at what was seen of prices' : ''}</p>
  {:else if prices.lines.length === 0}
    <p class="my-4">
      Nothing is still to be bought.
      <a class="link" href={p('/builds/:id/parts', { params: { id } })}>Choose parts</a>, and what they cost
      over time is shown here.
    </p>
  {:else}
    <p class="mt-1 max-w-prose">
      {counted(prices.lines.length, 'thing')} still to be bought: {now} to buy now, {later} to wait for, by {prices.needed_by}.
    </p>
    <p class="max-w-prose text-sm text-faint">
      New ones, all that is needed, delivered by the shop that is cheapest; a year and a half up to today,
      dashed is what is usual. Usual and lowest are of the last 365 days. Codes are left out.
    </p>
    {#if prices.week_costs}
      <label class="mt-2 flex max-w-prose items-start gap-2 text-sm">
        <input type="checkbox" class="checkbox mt-0.5 checkbox-sm" bind:checked={countWeeks} />
        <span
          >Count {prices.week_costs.text} for each week without play: of what is missing last, a hired bay costs
          that much meanwhile.</span
        >
      </label>
    {/if}
    <ul class="mt-3">
      {#each prices.lines as line (line.line)}<LinePrices
          {line}
          buildId={build.id}
          {countWeeks}
          {watches}
          changed={() => void asking.load(build.id, countWeeks)}
        />{/each}
    </ul>
  {/if}
  {#if prices && prices.old.length > 0}
    <section class="mt-8" aria-labelledby="old-prices">
      <h2 id="old-prices" class="text-xl">Old prices that it counts on</h2>
      <p class="max-w-prose text-sm text-faint">Ask again before you rely on them.</p>
      <ul class="mt-1 divide-y divide-base-300 border-y border-base-300 text-sm">
        {#each prices.old as old (old.line)}
          <li class="flex flex-wrap justify-between gap-x-4 py-1.5">
            <span
              >{old.label}: {old.amount},
              <span class="text-warning">{counted(old.days_ago, 'day')} ago</span>{old.told_by
                ? `, ${old.told_by}`
                : ''}</span
            ><span class="text-faint">{old.why}. {old.decides}.</span>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
  {#if prices}
    <WiderWatches {watches} />
    <AroundBuying buildId={build.id} />
    {#if prices.lines.length > 0}<HowGood buildId={build.id} />{/if}
  {/if}
</article>
