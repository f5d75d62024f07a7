<script lang="ts">
  import type { Budget } from '../api/client'
  import { counted } from '../lib/words'
  import Mark from './Mark.svelte'

  /** One measured line of money, laid out up to its cap. */
  let { name, budget }: { name: string; budget: Budget } = $props()
  const over = $derived((budget.left?.value ?? 0) < 0)
</script>

<div class="min-w-0 flex-1">
  <p class="flex flex-wrap items-baseline justify-between gap-x-3 leading-tight">
    <span class="flex items-baseline gap-1.5">
      <Mark state={budget.state} size={11} />
      <span class="text-sm text-faint">{name}</span>
      <strong>{budget.total.text}</strong>
      <span class="text-sm text-faint"
        ><span class="max-sm:hidden">{budget.words}</span>{budget.unpriced
          ? `, ${counted(budget.unpriced, 'line')} without a price`
          : ''}</span
      >
    </span>
    <span class="text-sm text-faint max-sm:text-xs">
      {#if budget.cap}
        {#if budget.contingency}<span class="max-sm:hidden">{budget.contingency.text} kept back · </span>{/if}
        <span class={over ? 'text-blocked' : ''}>{budget.left?.text} left</span> of {budget.cap.text}
      {:else}
        no cap set
      {/if}
    </span>
  </p>
  <div class="relative mt-1 h-3 border-x border-b border-base-content/50 max-sm:h-2" aria-hidden="true">
    <div
      class="absolute inset-y-0 left-0 {over ? 'bg-error' : 'bg-base-content'}"
      style:width="{budget.total_share * 100}%"
    ></div>
    <div
      class="absolute inset-y-0 bg-base-content/25"
      style:left="{budget.total_share * 100}%"
      style:width="{Math.min(budget.contingency_share, 1 - budget.total_share) * 100}%"
    ></div>
    {#if budget.cap_share < 1}
      <div class="absolute -top-1 bottom-0 w-0.5 bg-base-100" style:left="{budget.cap_share * 100}%"></div>
    {/if}
    {#each [0.25, 0.5, 0.75] as tick (tick)}
      <div class="absolute -bottom-1 h-1 w-px bg-base-content/40" style:left="{tick * 100}%"></div>
    {/each}
  </div>
</div>
