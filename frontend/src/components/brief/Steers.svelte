<script lang="ts">
  import { session } from '../../lib/session.svelte'

  /** What the answers of a sentence steer, told by the core; of many the first few, and the rest when asked. */
  let { fields }: { fields: string[] } = $props()
  const MOST_AT_ONCE = 6
  const steered = $derived([...new Set(fields.flatMap((field) => session.session?.steers[field] ?? []))])
  const first = $derived(steered.slice(0, steered.length > MOST_AT_ONCE + 1 ? MOST_AT_ONCE : steered.length))
  const rest = $derived(steered.slice(first.length))
</script>

{#if rest.length > 0}
  <details class="text-xs leading-snug text-faint">
    <summary class="min-h-[24px] cursor-pointer">Steers: {first.join('; ')} and {rest.length} more</summary>
    {rest.join('; ')}.
  </details>
{:else if first.length > 0}
  <span class="block text-xs leading-snug text-faint">Steers: {first.join('; ')}.</span>
{/if}
