<script lang="ts">
  import type { ShopDetail } from '../../api/client'
  import { shops } from '../../lib/shops.svelte'
  import { counted } from '../../lib/words'
  import ShopForm from './ShopForm.svelte'

  /** What a shop offers, found by words; each opens into what is known of it. */
  let { detail }: { detail: ShopDetail['detail'] } = $props()
  const SHOWN = 40
  const shop = $derived(detail.shop)
  let words = $state('')
  let open = $state('')
  let adding = $state(false)
  const wanted = $derived(words.toLowerCase().split(' ').filter(Boolean))
  const found = $derived(
    detail.offers.filter((offer) =>
      wanted.every((word) =>
        [offer.name, offer.part, ...offer.facts].some((told) => told.toLowerCase().includes(word)),
      ),
    ),
  )
</script>

<section aria-labelledby="offers-of">
  <div class="flex items-baseline justify-between gap-3">
    <h3 id="offers-of" class="text-lg">What it offers</h3>
    <button
      class="btn btn-outline btn-primary btn-xs"
      aria-expanded={adding}
      onclick={() => (adding = !adding)}>Add an offer</button
    >
  </div>
  {#if adding && shops.forms}
    <ShopForm
      fields={shops.forms.offer}
      draft="offer of {shop.id}"
      start={shops.forms.new_offer}
      words="Add it"
      commit={(facts) => shops.addOffer(shop.id, facts)}
      done={() => (adding = false)}
    />
  {/if}
  {#if detail.offers.length === 0}
    <p class="text-sm text-faint">Nothing yet. Add an offer, or take in a table of them.</p>
  {:else}
    <label class="mt-1 flex flex-col text-xs text-faint"
      >Find among {counted(detail.offers.length, 'offer')}
      <input
        class="blank text-base text-base-content"
        type="search"
        maxlength="80"
        bind:value={words}
      /></label
    >
    <ul class="divide-y divide-base-300">
      {#each found.slice(0, SHOWN) as offer (offer.id)}
        <li>
          <button
            class="grid min-h-8 w-full cursor-pointer grid-cols-[minmax(0,1fr)_auto] gap-x-3 py-1 text-left text-sm hover:bg-base-200"
            aria-expanded={open === offer.id}
            onclick={() => (open = open === offer.id ? '' : offer.id)}
          >
            <span class="min-w-0"
              >{offer.name}
              <span class="block text-xs text-faint"
                >{offer.is_over ? 'not to be had · ' : ''}{offer.known
                  ? ''
                  : 'not in the catalogue · '}{offer.facts.join(' · ')} · seen {offer.seen}</span
              ></span
            >
            <span class="text-right whitespace-nowrap tabular-nums"
              >{offer.price}{#if offer.regular}<span class="block text-xs text-faint line-through"
                  ><span class="sr-only">else </span>{offer.regular}</span
                >{/if}</span
            >
          </button>
          {#if open === offer.id && shops.forms}
            <div class="border-l-3 border-primary pl-3">
              <ShopForm
                fields={shops.forms.offer}
                draft="offer {offer.id}"
                start={offer.typed}
                words="Keep the offer"
                commit={(facts) => shops.changeOffer(shop.id, offer.id, facts)}
              />
              <button
                class="btn my-2 btn-ghost text-primary btn-xs"
                onclick={() => void shops.dropOffer(shop.id, offer.id)}>Take this offer out</button
              >
            </div>
          {/if}
        </li>
      {/each}
    </ul>
    {#if found.length > SHOWN}
      <p class="text-sm text-faint">{found.length - SHOWN} more: find them by words.</p>
    {:else if found.length === 0}
      <p class="text-sm text-faint">None of its offers has all of these words.</p>
    {/if}
  {/if}
</section>
