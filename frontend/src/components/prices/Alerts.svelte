<script lang="ts">
  import type { Watches } from '../../lib/watches.svelte'

  /** What came to its target and nobody has put away. */
  let { watches }: { watches: Watches } = $props()
  const alerts = $derived(watches.told?.alerts ?? [])
</script>

{#if alerts.length > 0}
  <section class="mt-3 border-l-4 border-primary pl-3" aria-labelledby="alerts">
    <h2 id="alerts" class="text-lg">Came to their targets</h2>
    <ul>
      {#each alerts as alert (alert.id)}
        <li class="flex flex-wrap items-start justify-between gap-x-4 gap-y-1 py-1.5">
          <div class="max-w-prose">
            <p>
              <strong>{alert.label}</strong>: {alert.figure}, at {alert.target} or less as you wished{alert.before
                ? `; before it was ${alert.before}`
                : ''}.
            </p>
            <p class="text-sm text-faint">
              {alert.words}. {alert.effect ? `${alert.effect}.` : ''}
              {alert.at.slice(0, 10)}{alert.mailed ? ', sent by mail as well' : ''}.
            </p>
          </div>
          <button
            class="btn min-h-8 btn-outline btn-xs"
            aria-label="Put away: {alert.label}"
            onclick={() => void watches.putAway(alert.id)}>Put away</button
          >
        </li>
      {/each}
    </ul>
  </section>
{/if}
