<script lang="ts">
  import type { Money } from '../../api/client'

  /** The money as one measured line up to its cap, in the scope that is chosen; each stretch says what it is. */
  let { money }: { money: Money } = $props()
  const FILLS: Record<string, string> = {
    paid: 'bg-base-content',
    ordered: 'bg-base-content/85',
    planned: 'bg-base-content/70',
    'at list prices': 'bg-base-content/70',
    'kept back': 'bg-base-content/30',
    free: '',
  }
</script>

<div class="mt-3">
  <div class="relative h-6 border-x border-b border-base-content/60" aria-hidden="true">
    {#each money.stretches as { words, begins, share } (words)}
      <span
        class="absolute inset-y-0 {FILLS[words] ?? ''}"
        style:left="{begins * 100}%"
        style:width="{share * 100}%"
      ></span>
    {/each}
    {#if money.cap_share < 1}
      <span class="absolute -top-1.5 -bottom-1 w-0.5 bg-error" style:left="{money.cap_share * 100}%"></span>
    {/if}
    {#each [0.25, 0.5, 0.75] as tick (tick)}
      <span class="absolute -bottom-1 h-1 w-px bg-base-content/40" style:left="{tick * 100}%"></span>
    {/each}
  </div>
  <ul class="mt-1.5 flex flex-wrap gap-x-5 gap-y-1 text-sm">
    {#each money.stretches as { words, amount } (words)}
      <li class="flex items-center gap-1.5">
        <span
          class="inline-block size-3 border border-base-content/60 {FILLS[words] ?? ''}"
          aria-hidden="true"
        ></span>
        {words}
        <strong class="tabular-nums">{amount.text}</strong>
      </li>
    {/each}
    <li class="ml-auto text-faint">
      {money.cap ? `cap ${money.cap.text}` : 'no cap set'} · {money.yearly.text} a year
    </li>
  </ul>
</div>
