<script lang="ts">
  import type { LicencesJob } from '../../api/client'
  import { counted } from '../../lib/words'

  type PricedPart = NonNullable<LicencesJob['licences']>['monitors'][number]
  interface Props {
    parts: PricedPart[]
    years: number
    heading: string
    what: string
    itself: string
  }

  /** Other parts for one place, each with the licences that reach as much of what is wanted as any of it can. */
  let { parts, years, heading, what, itself }: Props = $props()
</script>

{#if parts.length > 0}
  <details class="mt-2">
    <summary class="min-h-8 cursor-pointer text-primary">{heading}</summary>
    <div class="overflow-x-auto">
      <table class="w-full text-sm">
        <thead class="text-left text-xs text-faint">
          <tr>
            <th class="py-1 pr-3 font-normal">{what}</th>
            <th class="py-1 pr-3 text-right font-normal">{itself}</th>
            <th class="py-1 text-right font-normal">In {counted(years, 'year')}</th>
          </tr>
        </thead>
        <tbody>
          {#each parts as each (each.part)}
            <tr class="border-t border-base-300 align-top">
              <td class="py-1.5 pr-3">
                {each.name} <span class="text-xs text-faint">{each.licences.join(', ')}</span>
                {#each each.rules_out as words (words)}<span class="text-blocked block text-xs"
                    >Does not work here: {words}</span
                  >{/each}
                {#each each.locked as words (words)}<span class="text-blocked block text-xs"
                    >Locked: {words}</span
                  >{/each}
              </td>
              <td class="py-1.5 pr-3 text-right tabular-nums">{each.device?.text ?? 'not known'}</td>
              <td class="py-1.5 text-right tabular-nums">{each.total?.text ?? 'not known'}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  </details>
{/if}
