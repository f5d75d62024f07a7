<script lang="ts">
  import type { SheetField } from '../../api/client'

  /** What reads a fact, told when asked; that nothing does is said at once. */
  let { field }: { field: SheetField } = $props()
</script>

{#if field.read_by.length > 0}
  <details class="text-xs text-faint">
    <summary class="min-h-[24px] cursor-pointer leading-[24px]"
      >Read by {field.read_by.length}<span class="sr-only"> for {field.label}</span></summary
    >
    {field.read_by.join(', ')}
  </details>
{:else if field.typed_as !== 'text'}
  <p class="text-xs text-faint">No check reads it.</p>
{/if}
