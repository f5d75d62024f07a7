<script lang="ts">
  import { api, outcome, type CostLine, type OfferedLines } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import { p } from '../../router'
  import OrderSteps from './OrderSteps.svelte'

  /** What every shop asks for a line, delivered by itself; taking one makes it the line's quote. */
  let { line }: { line: CostLine } = $props()
  const SHOWN = 4
  const build = $derived(useBuild()())
  const asking = new Resource<OfferedLines, [string]>((signal, key) => {
    const [place = '', of = ''] = key.split('/')
    const params = { path: { build_id: build.id, place, of } }
    return outcome(api.GET('/api/builds/{build_id}/money/lines/{place}/{of}/offers', { params, signal }))
  })
  const offers = $derived(asking.data?.offers ?? [])
  let all = $state(false)
  $effect(() => {
    if (build.reply) void asking.load(line.key)
    return () => asking.stop()
  })

  function take(offer: string | null, shop: string): void {
    const words = offer ? `${line.label} from ${shop}` : `${line.label}, offer taken back`
    void build.takeOffers(words, { [line.key]: offer })
  }
</script>

<section aria-label="Offers for {line.label}">
  <h4 class="font-semibold">In shops, delivered by itself</h4>
  {#if asking.message}
    <p class="text-xs text-faint">
      {asking.status === 404 ? 'It is not to be bought any more.' : asking.message}
    </p>
  {:else if !asking.data}
    <p role="status" class="text-xs text-faint">Asking the shops</p>
  {:else if offers.length === 0}
    <p class="text-xs text-faint">
      No shop that you know offers it. <a href={p('/builds/:id/shops', { params: { id: String(build.id) } })}
        >Enter an offer</a
      >, or type a quote.
    </p>
  {:else}
    <ul class="divide-y divide-base-300">
      {#each all ? offers : offers.slice(0, SHOWN) as { offer, shop, order, missing, taken } (offer.id)}
        <li class="py-1">
          <div class="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-3">
            <span class="min-w-0"
              >{shop}
              <span class="block text-xs text-faint">{offer.facts.join(' · ')} · seen {offer.seen}</span
              ></span
            >
            <span class="text-right whitespace-nowrap tabular-nums">{order?.total.text ?? 'not known'}</span>
            <button
              class="btn min-h-8 btn-xs {taken ? 'btn-ghost text-primary' : 'btn-outline btn-primary'}"
              aria-label="{taken ? 'Take back' : 'Take'} the offer of {shop} for {line.label}"
              disabled={!order && !taken}
              onclick={() => take(taken ? null : offer.id, shop)}>{taken ? 'Take back' : 'Take'}</button
            >
          </div>
          {#if missing}<p class="text-blocked text-xs">{missing}</p>{/if}
          {#if order}
            <details>
              <summary class="min-h-6 cursor-pointer text-xs text-primary">Step by step</summary>
              <OrderSteps {order} />
            </details>
          {/if}
        </li>
      {/each}
    </ul>
    {#if offers.length > SHOWN}
      <button class="btn btn-ghost text-primary btn-xs" onclick={() => (all = !all)}
        >{all ? 'Fewer' : `${offers.length - SHOWN} more`}</button
      >
    {/if}
  {/if}
</section>
