<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down'
  import type { SmallItem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import Mark from '../Mark.svelte'
  import SmallItemOptions from './SmallItemOptions.svelte'

  let { item, open, toggle }: { item: SmallItem; open: boolean; toggle: () => void } = $props()
  const build = $derived(useBuild()())
  const line = $derived(build.report?.costs.lines.find(({ beside }) => beside === item.id))
  const decided = $derived(
    { buy: item.part_name, own: item.part_name || 'in the house', strike: 'struck off' }[item.choice] ?? '',
  )
</script>

<li>
  <button
    class="flex w-full cursor-pointer items-start gap-2 px-1 py-1 text-left leading-snug hover:bg-base-200"
    aria-expanded={open}
    data-field="small.{item.id}"
    onclick={toggle}
  >
    <span class="mt-1"><Mark state={item.state ?? 'unknown'} size={12} /></span>
    <span class="min-w-0 flex-1 text-sm">
      <span class={item.choice === 'strike' ? 'text-faint line-through' : 'font-semibold'}>{item.title}</span>
      {#if item.amount}<span class="text-faint"> · {item.amount}</span>{/if}
      <span class="block text-[13px] {item.choice === '' ? 'text-primary' : ''}"
        >{decided || 'Choose one'}{item.choice === 'buy' && item.units ? `, ${item.units}` : ''}</span
      >
    </span>
    <span class="text-right text-[13px] whitespace-nowrap">
      {item.choice === 'own' ? 'owned' : (line?.up_front?.text ?? '')}
    </span>
    <ChevronDown
      size={14}
      class="mt-1 shrink-0 text-primary transition-transform motion-reduce:transition-none {open
        ? 'rotate-180'
        : ''}"
    />
  </button>
  {#if open}
    <div class="border-l-3 border-primary py-1 pl-3">
      <p class="text-[13px]">Here because: {item.why}</p>
      {#each item.objections as objection, number (number)}<p
          class="text-[13px] text-{item.state ?? 'unknown'}"
        >
          {objection}
        </p>{/each}
      {#if item.left_over}<p class="text-[13px] text-faint">{item.left_over} are left over.</p>{/if}
      <div class="flex flex-wrap gap-2 py-1">
        {#if item.choice !== 'own'}
          <button
            class="btn btn-outline btn-primary btn-xs"
            onclick={() => void build.decideItem(item.id, `${item.title}: owned`, { choice: 'own' })}
            >I own one</button
          >
        {/if}
        {#if item.choice !== 'strike'}
          <button
            class="btn btn-outline btn-primary btn-xs"
            onclick={() =>
              void build.decideItem(item.id, `${item.title}: struck off`, { choice: 'strike', part: null })}
            >Strike it off</button
          >
        {/if}
        {#if item.choice !== ''}
          <button
            class="btn btn-ghost text-primary btn-xs"
            onclick={() => void build.reopenItem(item.id, item.title)}>Open again</button
          >
        {/if}
      </div>
      <SmallItemOptions {item} />
    </div>
  {/if}
</li>
