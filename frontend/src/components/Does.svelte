<script lang="ts">
  import type { Consequence, State } from '../api/client'
  import { STATE_WORDS } from '../lib/words'
  import Mark from './Mark.svelte'

  interface Props {
    does: Consequence
    /** How the answer that is looked at comes out then. */
    state?: State | null
  }

  /** What a press will do: to the answer that is looked at, to everything else, and to the money. */
  let { does, state }: Props = $props()
  const MOST_NAMED = 3
  const money = $derived(
    [
      does.up_front_change.value ? `${does.up_front_change.text} up front` : '',
      does.yearly_change.value ? `${does.yearly_change.text} a year` : '',
    ].filter(Boolean),
  )

  function named(reasons: Consequence['worse']): string {
    const titles = [...new Set(reasons.map(({ title }) => title.toLowerCase()))]
    const rest = titles.length - MOST_NAMED
    return titles.slice(0, MOST_NAMED).join(', ') + (rest > 0 ? ` and ${rest} more` : '')
  }
</script>

<span class="block text-[13px] leading-snug text-faint">
  {#if state}<span class="text-{state} whitespace-nowrap"
      ><Mark {state} size={10} /> {STATE_WORDS[state]} then</span
    > ·{/if}
  {money.join(', ') || 'no change of money'}
  {#if does.better.length > 0}<span class="block">Better: {named(does.better)}</span>{/if}
  {#if does.worse.length > 0}
    <span class="block text-{does.worse[0]?.state}">Worse: {named(does.worse)}</span>
  {/if}
</span>
