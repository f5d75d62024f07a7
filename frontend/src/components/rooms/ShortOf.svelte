<script lang="ts">
  import type { Rooms } from '../../api/client'

  /** The one measurement that would unlock most, and what each would take. */
  let { bottleneck }: { bottleneck: NonNullable<Rooms['bottleneck']> } = $props()
  const useful = $derived(
    (['width', 'length', 'ceiling'] as const).filter((name) => (bottleneck.unlocks[name] ?? []).length > 0),
  )
  const WORDS = { width: 'More width', length: 'More length', ceiling: 'More height' } as const
</script>

{#if useful.length === 0 && bottleneck.out_of_reach.length === 0}
  <p>Nothing: it allows all that was asked.</p>
{:else}
  {#if bottleneck.tightest}
    <p class="mb-2">
      The bottleneck is the <strong
        >{bottleneck.tightest === 'ceiling' ? 'height' : bottleneck.tightest}</strong
      >.
    </p>
  {/if}
  {#each useful as name (name)}
    <h3 class="mt-2 text-base">{WORDS[name]}</h3>
    <ul class="text-sm">
      {#each bottleneck.unlocks[name] ?? [] as unlock, number (number)}
        <li class="flex justify-between gap-3 border-b border-base-300 py-1">
          <span>{unlock.goal}</span><span class="whitespace-nowrap">+ {unlock.more}</span>
        </li>
      {/each}
    </ul>
  {/each}
  {#if bottleneck.out_of_reach.length > 0}
    <p class="mt-2 text-sm text-faint">
      No single measurement unlocks: {bottleneck.out_of_reach.join(', ')}.
    </p>
  {/if}
{/if}
