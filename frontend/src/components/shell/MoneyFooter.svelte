<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { panels } from '../../lib/panels.svelte'
  import MoneyLine from '../MoneyLine.svelte'

  const costs = $derived(useBuild()().report?.costs)
</script>

{#if costs}
  <button
    class="flex w-full cursor-pointer flex-col gap-x-8 gap-y-1 border-t border-base-content px-3 py-2 text-left hover:bg-base-200 lg:flex-row"
    onclick={() => (panels.money = true)}
  >
    <span class="sr-only">Money, line by line:</span>
    <MoneyLine name="Up front" budget={costs.up_front} />
    <MoneyLine name="Each year" budget={costs.yearly} />
  </button>
{/if}
