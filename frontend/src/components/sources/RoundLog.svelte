<script lang="ts">
  import type { SourcesNow } from '../../api/client'

  /** What came of the last rounds, source by source, as a person would say it. */
  let { rounds }: { rounds: SourcesNow['rounds'] } = $props()
  const WORDS: Record<string, string> = { waiting: 'not read', read: 'read', failed: 'failed' }
  const when = (iso: string): string =>
    new Date(iso).toLocaleString('en-GB', { timeZone: 'UTC' }).slice(0, 17)
</script>

{#each rounds as round, number (round.id)}
  {@const failed = round.readings.filter(({ state }) => state === 'failed').length}
  {@const unread = round.readings.filter(({ state }) => state === 'waiting').length}
  <details class="border-t border-base-300 py-1" open={number === 0}>
    <summary class="min-h-8 cursor-pointer text-sm"
      >{when(round.begun_at)} UTC: {round.readings.length - failed - unread} of {round.readings.length} read{failed
        ? `, ${failed} failed`
        : ''}{unread ? `, ${unread} not read` : ''}{round.ended_at ? '' : ', going on'}</summary
    >
    <ul class="text-sm">
      {#each round.readings as reading (reading.address)}
        <li class="grid gap-x-4 py-1 sm:grid-cols-[11rem_minmax(0,1fr)]">
          <span>{reading.shop}</span>
          <span class={reading.state === 'failed' ? 'text-error' : ''}
            ><span class="text-xs font-semibold">{WORDS[reading.state] ?? reading.state}</span>
            {reading.words}
            {#if reading.state === 'read' && reading.new + reading.extended > 0}<span class="text-faint"
                >{reading.new} new, {reading.extended} as before{reading.held_back
                  ? `, ${reading.held_back} held back until somebody confirms them`
                  : ''}.</span
              >{/if}</span
          >
        </li>
      {/each}
    </ul>
  </details>
{/each}
