<script lang="ts">
  import Lock from '@lucide/svelte/icons/lock'
  import ChevronDown from '@lucide/svelte/icons/chevron-down'
  import type { Report } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import Mark from '../Mark.svelte'
  import AlternativeList from './AlternativeList.svelte'
  import HungPart from './HungPart.svelte'
  import RouteTable from './RouteTable.svelte'

  interface Props {
    status: Report['slots'][number]
    open: boolean
    toggle: () => void
    /** A part was chosen for this place. */
    chosen: () => void
  }

  let { status, open, toggle, chosen }: Props = $props()
  const build = $derived(useBuild()())
  const part = $derived(build.reply?.parts[status.slot])
  const hung = $derived(build.reply?.build.chain[status.slot])
  const plan = $derived(part?.plans.find((choice) => choice.id === hung?.plan))
</script>

<div
  class="border {open
    ? 'border-primary'
    : part
      ? 'border-base-content'
      : 'border-dashed border-base-content/50'} rounded-sm"
>
  <button
    class="flex w-full cursor-pointer items-center gap-2.5 px-2.5 py-1 text-left hover:bg-base-200"
    aria-expanded={open}
    data-place={status.slot}
    data-field="chain.{status.slot}"
    onclick={toggle}
  >
    {#if part || !status.optional}
      <Mark state={status.state ?? 'unknown'} />
    {:else}
      <span class="mx-[3px] w-2 border-t border-base-content/50" aria-hidden="true"></span>
    {/if}
    <span class="min-w-0 flex-1 leading-tight">
      <span class="block text-xs text-faint">{SLOT_WORDS[status.slot]}</span>
      {#if part}
        <span class="block truncate font-semibold"
          >{part.name}<span class="font-normal text-faint"
            >{` · ${part.maker}`}{plan && part.plans.length > 1 ? ` · plan ${plan.name}` : ''}</span
          ></span
        >
      {:else}
        <span class="block text-primary"
          >{status.optional ? 'None is needed. Choose one all the same' : 'Choose one'}</span
        >
      {/if}
    </span>
    {#if part}
      {#if hung?.locked}<Lock size={14} class="shrink-0" aria-label="locked" />{/if}
      <span class="text-right leading-tight whitespace-nowrap">
        {hung?.owned ? 'owned' : status.up_front}
        {#if status.yearly}<span class="block text-xs text-faint">{status.yearly} a year</span>{/if}
      </span>
    {/if}
    <ChevronDown
      size={16}
      class="shrink-0 text-primary transition-transform motion-reduce:transition-none {open
        ? 'rotate-180'
        : ''}"
    />
  </button>
  {#if open}
    <div class="border-t border-primary/40 px-2.5 py-2">
      {#if part && hung}<HungPart slot={status.slot} {part} {hung} />{/if}
      <RouteTable slot={status.slot} locked={hung?.locked ?? false} />
      <AlternativeList slot={status.slot} locked={hung?.locked ?? false} {chosen} />
    </div>
  {/if}
</div>
