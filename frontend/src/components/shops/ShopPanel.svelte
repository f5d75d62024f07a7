<script lang="ts">
  import type { ShopDetail } from '../../api/client'
  import { shops } from '../../lib/shops.svelte'
  import { counted } from '../../lib/words'
  import Panel from '../Panel.svelte'
  import ShopForm from './ShopForm.svelte'
  import ShopOffers from './ShopOffers.svelte'

  /** A shop: its terms in words, what it offers, and its terms as a form. */
  let { detail, close }: { detail: ShopDetail['detail']; close: () => void } = $props()
  const shop = $derived(detail.shop)
</script>

<Panel title={shop.name} {close}>
  {#if shops.problem}<p role="alert" class="text-error">{shops.problem}</p>{/if}
  <p class="text-sm text-faint">{shop.country} · {shop.currency}</p>
  <ul class="list-disc pl-5 text-sm">
    {#each shop.terms as words, number (number)}<li>{words}</li>{/each}
  </ul>
  <ShopOffers {detail} />
  {#if shops.forms}
    <details class="border-t border-base-300 pt-2">
      <summary class="min-h-8 cursor-pointer text-primary">Change its terms</summary>
      <ShopForm
        fields={shops.forms.shop}
        draft="shop {shop.id}"
        start={detail.typed}
        startRows={detail.rows}
        words="Keep the terms"
        commit={(facts, rows) => shops.change(shop.id, facts, rows)}
      />
    </details>
  {/if}
  <button class="btn self-start btn-outline btn-sm" onclick={() => void shops.drop(shop.id)}
    >Take {shop.name} out{shop.offers ? `, with ${counted(shop.offers, 'offer')}` : ''}</button
  >
</Panel>
