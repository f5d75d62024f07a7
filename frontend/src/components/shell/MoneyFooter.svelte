<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { panels } from '../../lib/panels.svelte'
  import MoneyLine from '../MoneyLine.svelte'

  const costs = $derived(useBuild()().report?.costs)
</script>

{#if costs}
  <button
    class="flex w-full cursor-pointer gap-x-4 border-t border-base-content px-3 py-1.5 text-left hover:bg-base-200 lg:gap-x-8 lg:py-2"
    onclick={() => (panels.money = true)}
  >
    <span class="sr-only">Money, line by line:</span>
    <MoneyLine name="Up front" budget={costs.up_front} />
    <MoneyLine name="Each year" budget={costs.yearly} />
  </button>
{/if}
