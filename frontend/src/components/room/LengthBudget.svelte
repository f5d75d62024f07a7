<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import Mark from '../Mark.svelte'

  /** How the length of the room is shared out at least: one row of figures, and what asks for each. */
  const build = $derived(useBuild()())
  const length = $derived(build.report?.length)
</script>

{#if length}
  <h2 class="mt-3 mb-1 text-lg">Where the length goes, at least</h2>
  <dl class="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
    {#each length.stretches as { words, text, asked_by } (words)}
      <dt>{words} <span class="text-faint">for {asked_by}</span></dt>
      <dd class="text-right tabular-nums">{text}</dd>
    {/each}
    <dt class="border-t border-base-300 pt-0.5">Of {length.room}</dt>
    <dd class="border-t border-base-300 pt-0.5 text-right font-semibold tabular-nums">
      <Mark state={length.state} size={10} />
      {length.left}
    </dd>
  </dl>
{/if}
