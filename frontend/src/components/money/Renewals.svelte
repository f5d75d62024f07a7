<script lang="ts">
  import type { Money } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'

  /** When fees come again, and until when they can be stopped; and fees of what is gone. */
  let { renewals, wasted }: { renewals: Money['renewals']; wasted: string[] } = $props()
  const build = $derived(useBuild()())
</script>

<section class="mt-8" aria-labelledby="renewals">
  <div class="flex flex-wrap items-baseline justify-between gap-x-4">
    <h2 id="renewals" class="text-xl">Fees that come again</h2>
    {#if renewals.some(({ next }) => next)}
      <a
        class="inline-flex min-h-8 items-center text-sm"
        href="/api/builds/{build.id}/money/renewals.ics"
        download>For a calendar (iCalendar)</a
      >
    {/if}
  </div>
  {#if renewals.length === 0}
    <p class="text-sm text-faint">Nothing in this build is paid again and again.</p>
  {:else}
    <ul class="divide-y divide-base-300 text-sm">
      {#each renewals as each (each.key)}
        <li class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 py-1.5">
          <span
            >{each.label}
            <span class="block text-xs text-faint"
              >{each.next
                ? `${each.every}, next on ${each.next}${each.cancel_by ? `; stop it by ${each.cancel_by}` : '; how long before it must be stopped is not said'}`
                : `${each.every}, from the day on which it is ticked as paid`}</span
            ></span
          >
          <span class="text-right tabular-nums">{each.amount?.text ?? 'not known'}</span>
        </li>
      {/each}
    </ul>
  {/if}
  {#if wasted.length > 0}
    <p class="border-blocked mt-2 border-l-3 pl-2 text-sm">
      Paid for, and nothing is under it any more: {wasted.join(', ')}. Stop it if it still runs.
    </p>
  {/if}
</section>
