<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { view } from '../../lib/view.svelte'
  import { counted } from '../../lib/words'
  import SmallItemRow from './SmallItemRow.svelte'

  /** What follows from the parts: why it is there, how much of it, and what was decided. */
  const build = $derived(useBuild()())
  const items = $derived(build.report?.small_items ?? [])
  const open = $derived(items.filter((item) => item.choice === ''))
</script>

<div class="mt-4 mb-1 flex flex-wrap items-baseline justify-between gap-2">
  <h2 class="text-base">Small items</h2>
  {#if open.length > 0}
    <button class="btn btn-outline btn-primary btn-xs" onclick={() => void build.takeCheapest()}
      >Take the cheapest that serve</button
    >
  {/if}
</div>
<p class="text-sm text-faint">
  {#if items.length === 0}
    They follow from the parts: choose some, and what is easily forgotten appears here.
  {:else}
    {counted(items.length, 'item')}
    {items.length === 1 ? 'follows' : 'follow'} from the parts, {open.length} still open.
  {/if}
</p>
<ul class="divide-y divide-base-300">
  {#each items as item (item.id)}
    <SmallItemRow
      {item}
      open={view.item === item.id}
      toggle={() => (view.item = view.item === item.id ? '' : item.id)}
    />
  {/each}
</ul>
