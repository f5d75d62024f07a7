<script lang="ts">
  import { session } from '../../lib/session.svelte'

  /** What the answers of a sentence steer, told by the core. */
  let { fields }: { fields: string[] } = $props()
  const steered = $derived([...new Set(fields.flatMap((field) => session.session?.steers[field] ?? []))])
</script>

{#if steered.length > 0}
  <span class="block text-xs leading-snug text-faint">Steers: {steered.join('; ')}.</span>
{/if}
