<script lang="ts">
  import { onDestroy } from 'svelte'
  import ShopForm from '../components/shops/ShopForm.svelte'
  import ShopPanel from '../components/shops/ShopPanel.svelte'
  import ShopsImport from '../components/shops/ShopsImport.svelte'
  import { shops } from '../lib/shops.svelte'
  import { counted } from '../lib/words'

  /** Where things can be bought: every shop with its terms, and what it offers. */
  type Task = 'new' | 'file'
  const TASKS: Record<Task, string> = { new: 'Enter a shop', file: 'Take in shops or offers' }
  let task = $state<Task | null>(null)
  const list = $derived(shops.list)

  void shops.load()
  void shops.loadForms()
  onDestroy(() => {
    shops.open = null
  })
</script>

<div class="mx-auto max-w-6xl p-4" aria-busy={shops.loading}>
  <div class="flex flex-wrap items-baseline justify-between gap-x-4 gap-y-2">
    <h2 class="text-2xl">Shops</h2>
    <div class="flex flex-wrap gap-2">
      {#each Object.entries(TASKS) as [name, words] (name)}
        <button
          class="btn btn-outline btn-primary btn-sm"
          aria-expanded={task === name}
          onclick={() => (task = task === name ? null : (name as Task))}>{words}</button
        >
      {/each}
      <a class="btn btn-outline btn-primary btn-sm" href="/api/shops/file" download>All of it (JSON)</a>
      <a class="btn btn-outline btn-primary btn-sm" href="/api/shops/shops.csv" download>Shops (CSV)</a>
      <a class="btn btn-outline btn-primary btn-sm" href="/api/shops/offers.csv" download>Offers (CSV)</a>
    </div>
  </div>
  {#if shops.problem || shops.message}
    <p role="alert" class="mt-2 text-error">{shops.problem || shops.message}</p>
  {/if}
  {#if task === 'new' && shops.forms}
    <section class="mt-3 border border-primary p-4" aria-labelledby="new-shop">
      <h3 id="new-shop" class="mb-2 text-lg">A shop</h3>
      <ShopForm
        fields={shops.forms.shop}
        draft="new shop"
        start={shops.forms.new_shop}
        words="Enter it"
        commit={(facts, rows) => shops.add(facts, rows)}
        done={() => (task = null)}
      />
    </section>
  {:else if task === 'file'}
    <ShopsImport done={() => (task = null)} />
  {/if}
  {#if list && (list.undo || list.redo)}
    <p class="mt-2 flex flex-wrap gap-x-2">
      {#if list.undo}<button class="btn btn-ghost text-primary btn-xs" onclick={() => void shops.undo()}
          >Undo: {list.undo}</button
        >{/if}
      {#if list.redo}<button class="btn btn-ghost text-primary btn-xs" onclick={() => void shops.redo()}
          >Redo: {list.redo}</button
        >{/if}
    </p>
  {/if}
  {#if !list}
    <p role="status" class="my-6 text-faint">{shops.loading ? 'Fetching the shops' : ''}</p>
  {:else if list.shops.length === 0}
    <p class="my-6 max-w-prose">
      No shop is known yet. Enter one with what it takes for delivery, or take in a file; then every line of a
      build shows what it comes to there, delivered.
    </p>
  {:else}
    <p class="mt-2 text-sm text-faint">
      {counted(list.shops.length, 'shop')}, {counted(list.offers, 'offer')}.
    </p>
    <ul class="mt-2 divide-y divide-base-300 border-y border-base-300">
      {#each list.shops as shop (shop.id)}
        <li>
          <button
            class="grid w-full cursor-pointer gap-x-6 px-1 py-2.5 text-left hover:bg-base-200 sm:grid-cols-[14rem_minmax(0,1fr)_6rem]"
            onclick={() => void shops.show(shop.id)}
          >
            <span
              ><span class="font-display text-base font-semibold">{shop.name}</span>
              <span class="block text-xs text-faint">{shop.country} · {shop.currency}</span></span
            >
            <span class="text-sm">{shop.terms.join(' · ')}</span>
            <span class="text-sm text-faint sm:text-right">{counted(shop.offers, 'offer')}</span>
          </button>
        </li>
      {/each}
    </ul>
  {/if}
</div>
{#if shops.open}<ShopPanel detail={shops.open.detail} close={() => (shops.open = null)} />{/if}
