<script lang="ts">
  import type { Order } from '../../api/client'

  /** What an order comes to, step by step: each line from its list price, then what brings it. */
  let { order, labelled = false }: { order: Order; labelled?: boolean } = $props()
</script>

<table class="w-full text-sm">
  <caption class="sr-only">What {order.name} asks, step by step</caption>
  <tbody>
    {#each order.lines as line (line.key)}
      {#if labelled}
        <tr><th scope="rowgroup" colspan="2" class="pt-1.5 text-left font-semibold">{line.label}</th></tr>
      {/if}
      {#each line.steps as step, number (number)}
        <tr>
          <td class="pr-3 text-faint">{step.words}</td>
          <td class="text-right tabular-nums">{step.amount.text}</td>
        </tr>
      {/each}
      {#if labelled || order.exchanged}
        <tr class="border-b border-base-300">
          <td class="pr-3 text-faint">{order.exchanged || 'comes to'}</td>
          <td class="text-right tabular-nums">{line.at_till.text}</td>
        </tr>
      {/if}
    {/each}
    <tr class="border-t border-base-content font-semibold">
      <td class="pr-3">Delivered{order.reclaimed ? ', without the tax that is reclaimed' : ''}</td>
      <td class="text-right tabular-nums">{order.total.text}</td>
    </tr>
  </tbody>
</table>
{#if order.codes.length > 0}<p class="text-xs text-faint">With {order.codes.join(', ')}.</p>{/if}
{#each order.refused as words (words)}<p class="text-xs text-faint">Not taken: {words}.</p>{/each}
{#each order.pending as words (words)}<p class="text-xs text-faint">{words}</p>{/each}
{#if order.short_of_free}
  <p class="text-xs text-faint">For {order.short_of_free.text} more it would be brought for less.</p>
{/if}
