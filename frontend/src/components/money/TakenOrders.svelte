<script lang="ts">
  import { api, outcome, type TakenOffers } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import { counted } from '../../lib/words'
  import OrderSteps from './OrderSteps.svelte'

  /** The orders that the offers taken make, shop by shop, and which quotes do not hold any more. */
  const build = $derived(useBuild()())
  const asking = new Resource<TakenOffers>((signal) =>
    outcome(
      api.GET('/api/builds/{build_id}/money/taken', { params: { path: { build_id: build.id } }, signal }),
    ),
  )
  const taken = $derived(asking.data)
  $effect(() => {
    if (build.reply) void asking.load()
    return () => asking.stop()
  })
</script>

{#if taken && (taken.orders.length > 0 || taken.missing)}
  <section class="mt-6" aria-labelledby="taken">
    <h2 id="taken" class="text-xl">Offers taken, shop by shop</h2>
    {#if taken.missing}<p class="text-blocked text-sm">{taken.missing}</p>{/if}
    {#each taken.orders as order (order.shop)}
      <details class="border-b border-base-300">
        <summary class="grid min-h-8 cursor-pointer grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 py-1">
          <span>{order.name}</span>
          <span class="tabular-nums">{order.total.text}</span>
        </summary>
        <div class="pb-2 pl-3"><OrderSteps {order} labelled /></div>
      </details>
    {/each}
    {#if taken.changed.length > 0}
      <div class="mt-2 border-l-3 border-warning pl-3 text-sm">
        <p>
          {counted(taken.changed.length, 'quote')} that you took {taken.changed.length === 1 ? 'does' : 'do'} not
          hold any more:
        </p>
        <ul>
          {#each taken.changed as { line, label, was, now } (line)}
            <li>{label}: {was.text} then, {now ? `${now.text} now` : 'not offered now'}</li>
          {/each}
        </ul>
        <button
          class="btn mt-1 btn-primary btn-xs"
          onclick={() => void build.takeOffers('offers as they are now', {})}
          >Take them as they are now</button
        >
      </div>
    {/if}
  </section>
{/if}
