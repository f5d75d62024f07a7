<script lang="ts">
  import type { Verdict } from '../api/client'
  import { panels } from '../lib/panels.svelte'
  import Mark from './Mark.svelte'

  interface Props {
    verdict: Verdict
    /** Shows the least change that would help. */
    advice?: boolean
    /** Shows what was checked, for a row that stands alone. */
    titled?: boolean
  }

  let { verdict, advice = false, titled = false }: Props = $props()
  const change = $derived(advice ? verdict.changes[0] : undefined)
</script>

<button
  class="flex w-full cursor-pointer items-start gap-2 px-1 py-1 text-left text-sm leading-snug hover:bg-base-200"
  onclick={() => panels.ask(verdict.id, verdict.subject_id)}
>
  <span class="mt-0.5"><Mark state={verdict.state} /></span>
  <span class="min-w-0 flex-1">
    <span class={titled ? 'block text-xs text-faint' : 'sr-only'}>{verdict.title}{titled ? '' : ': '}</span>
    {verdict.headline}
    {#if verdict.margin && verdict.state !== 'clear' && !verdict.headline.includes(verdict.margin)}
      <span class="text-{verdict.state} whitespace-nowrap">{verdict.margin}</span>
    {/if}
    {#if verdict.doubts.length > 0}<span class="block text-[13px] text-warning"
        >Leans on a doubtful fact: {verdict.doubts[0]}</span
      >{/if}
    {#if change}<span class="block text-[13px] text-faint">{change}</span>{/if}
  </span>
</button>
