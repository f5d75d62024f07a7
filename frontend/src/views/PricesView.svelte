<script lang="ts">
  import { api, outcome, type Prices } from '../api/client'
  import LinePrices from '../components/prices/LinePrices.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { counted } from '../lib/words'
  import { p } from '../router'

  /** What is still to be bought: what is usual of each price, where today stands, and whether to buy or to wait. */
  const build = $derived(useBuild()())
  const asking = new Resource<Prices, [number]>((signal, build_id) =>
    outcome(api.GET('/api/builds/{build_id}/prices', { params: { path: { build_id } }, signal })),
  )
  const prices = $derived(asking.data)
  const now = $derived(prices?.lines.filter(({ advice }) => advice.say === 'buy').length ?? 0)
  const later = $derived(prices?.lines.filter(({ advice }) => advice.say === 'wait').length ?? 0)

  $effect(() => {
    if (build.reply) void asking.load(build.id)
    return () => asking.stop()
  })
</script>

<article class="max-w-3xl p-4 lg:px-6" aria-busy={asking.loading}>
  <h1 class="text-2xl">Prices over time</h1>
  {#if asking.message}
    <p role="alert" class="my-2 flex items-center gap-3">
      {asking.message}<button class="btn btn-primary btn-xs" onclick={() => void asking.load(build.id)}
        >Try again</button
      >
    </p>
  {/if}
  {#if !prices}
    <p role="status" class="my-6 text-faint">{asking.loading ? 'Looking at what was seen of prices' : ''}</p>
  {:else if prices.lines.length === 0}
    <p class="my-4">
      Nothing is still to be bought.
      <a class="link" href={p('/builds/:id/parts', { params: { id: String(build.id) } })}>Choose parts</a>,
      and what they cost over time is shown here.
    </p>
  {:else}
    <p class="mt-1 max-w-prose">
      {counted(prices.lines.length, 'thing')} still to be bought: {now} to buy now, {later} to wait for, by {prices.needed_by}.
    </p>
    <p class="max-w-prose text-sm text-faint">
      The cheapest new one at the till, a year and a half up to today; dashed is what is usual. Delivery is
      counted in the Money view.
    </p>
    <ul class="mt-3">
      {#each prices.lines as line (line.line)}<LinePrices
          {line}
          buildId={build.id}
          changed={() => void asking.load(build.id)}
        />{/each}
    </ul>
  {/if}
</article>
