<script lang="ts">
  import { onDestroy } from 'svelte'
  import { api, type BasketsJob, outcome } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { shops } from '../../lib/shops.svelte'
  import { Work } from '../../lib/work.svelte'
  import { counted } from '../../lib/words'
  import DayField from './DayField.svelte'
  import Kits from './Kits.svelte'
  import OrderSteps from './OrderSteps.svelte'
  import WorkProgress from '../WorkProgress.svelte'

  type Basket = NonNullable<BasketsJob['baskets']>['baskets'][number]

  /** Which offer of which shop for each line comes to least in all, delivered; worked out outside the page. */
  const build = $derived(useBuild()())
  const params = $derived({ path: { build_id: build.id } })
  const work = $derived.by(() => {
    const asked = { params }
    return new Work<BasketsJob>((signal) =>
      outcome(api.GET('/api/builds/{build_id}/money/baskets', { ...asked, signal })),
    )
  })
  const found = $derived(work.told?.baskets)
  let most_shops = $state('')
  let new_only = $state(false)
  let here_by = $state<string | null>(null)
  let left_out = $state<string[]>([])
  const known = $derived(shops.list?.shops ?? [])

  void shops.load()
  $effect(() => {
    const looked = work
    void looked.look()
    return () => looked.stop()
  })
  onDestroy(() => work.stop())

  function ask(): void {
    const body = {
      most_shops: most_shops ? Number(most_shops) : null,
      new_only,
      here_by,
      not_shops: left_out,
    }
    void work.begin(outcome(api.POST('/api/builds/{build_id}/money/baskets', { params, body })))
  }

  function leaveOut(id: string, out: boolean): void {
    left_out = out ? [...left_out, id] : left_out.filter((other) => other !== id)
  }

  function take(basket: Basket): void {
    void build.takeOffers(`${basket.title.toLowerCase()}, ${basket.total.text}`, basket.choices)
  }
</script>

<section class="mt-8" aria-labelledby="baskets">
  <h2 id="baskets" class="text-xl">The best basket</h2>
  {#if known.length === 0}
    <p class="text-sm text-faint">No shop is known yet: enter shops and what they offer under Shops.</p>
  {:else}
    <p class="max-w-prose text-sm text-faint">
      Which offer of which of {counted(known.length, 'shop')} for each line comes to least in all: sales, codes,
      bundles, delivery, tax and exchange counted.
    </p>
    <div class="mt-2 flex flex-wrap items-end gap-x-5 gap-y-2 text-sm">
      <label class="flex flex-col"
        ><span class="text-xs text-faint">At most so many shops</span>
        <select class="blank" bind:value={most_shops}>
          <option value="">any number</option>
          {#each known as shop, number (shop.id)}<option value={String(number + 1)}>{number + 1}</option
            >{/each}
        </select></label
      >
      <DayField
        label="Here by"
        day={here_by}
        commit={(day) => {
          here_by = day
          return Promise.resolve([])
        }}
      />
      <label class="flex min-h-8 items-center gap-2"
        ><input type="checkbox" class="checkbox checkbox-sm checkbox-primary" bind:checked={new_only} /> only new</label
      >
      <details class="relative">
        <summary class="min-h-8 cursor-pointer leading-8 text-primary"
          >Leave shops out{left_out.length ? `: ${left_out.length}` : ''}</summary
        >
        <div class="flex flex-wrap gap-x-4">
          {#each known as shop (shop.id)}
            <label class="flex min-h-8 items-center gap-2"
              ><input
                type="checkbox"
                class="checkbox checkbox-sm checkbox-primary"
                checked={left_out.includes(shop.id)}
                onchange={(event) => leaveOut(shop.id, event.currentTarget.checked)}
              />
              {shop.name}</label
            >
          {/each}
        </div>
      </details>
      <button class="btn btn-primary btn-sm" disabled={work.isOpen} onclick={ask}>Work it out</button>
    </div>
  {/if}
  <WorkProgress {work} />
  {#if found}
    {#each found.baskets as basket (basket.title)}
      <section class="mt-3 border-t border-base-content pt-1" aria-label={basket.title}>
        <div class="grid grid-cols-[minmax(0,1fr)_auto_auto] items-center gap-x-3">
          <h3 class="text-base">
            {basket.title}
            <span class="text-xs font-normal text-faint"
              >{counted(basket.orders.length, 'shop')}{basket.more ? ` · ${basket.more.text}` : ''}</span
            >
          </h3>
          <strong class="tabular-nums">{basket.total.text}</strong>
          <button
            class="btn min-h-8 btn-primary btn-xs"
            aria-label="Take it: {basket.title}"
            onclick={() => take(basket)}>Take it</button
          >
        </div>
        {#each basket.orders as order (order.shop)}
          <details class="border-b border-base-300">
            <summary
              class="grid min-h-8 cursor-pointer grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 py-1 text-sm"
            >
              <span
                >{order.name}
                <span class="text-xs text-faint"
                  >{counted(order.bought, 'line')}{order.codes.length
                    ? ` · ${order.codes.join(', ')}`
                    : ''}{order.short_of_free
                    ? ` · ${order.short_of_free.text} short of cheaper delivery`
                    : ''}</span
                ></span
              >
              <span class="tabular-nums">{order.total.text}</span>
            </summary>
            <div class="pb-2 pl-3"><OrderSteps {order} labelled /></div>
          </details>
        {/each}
      </section>
    {/each}
    {#if found.without.length > 0}
      <p class="mt-2 text-sm">
        In none of them, since nobody offers {found.without.length === 1 ? 'it' : 'them'}:
        {found.without.join(', ')}.
      </p>
    {/if}
    {#each found.notes as words (words)}<p class="mt-1 text-sm text-faint">{words}</p>{/each}
    <Kits kits={found.kits} />
  {/if}
</section>
