<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { p } from '../../router'
  import MoneyLine from '../MoneyLine.svelte'

  const build = $derived(useBuild()())
  const costs = $derived(build.report?.costs)
</script>

{#if costs}
  <a
    href={p('/builds/:id/money', { params: { id: String(build.id) } })}
    class="flex w-full gap-x-4 border-t border-base-content px-3 py-1.5 text-base-content no-underline hover:bg-base-200 lg:gap-x-8 lg:py-2"
  >
    <span class="sr-only">Money, line by line:</span>
    <MoneyLine name="Up front" budget={costs.up_front} />
    <MoneyLine name="Each year" budget={costs.yearly} />
  </a>
{/if}
