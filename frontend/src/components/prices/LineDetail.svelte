<script lang="ts">
  import { api, outcome, type LineDetail } from '../../api/client'
  import { Resource } from '../../lib/resource.svelte'
  import type { Watches } from '../../lib/watches.svelte'
  import { counted } from '../../lib/words'
  import PriceChart from './PriceChart.svelte'
  import WatchForm from './WatchForm.svelte'

  /** One line, opened: its whole history, what every shop asks now, and its watch. */
  interface Props {
    buildId: number
    line: string
    label: string
    countWeeks: boolean
    watches: Watches
  }
  let { buildId, line, label, countWeeks, watches }: Props = $props()
  const asking = new Resource<LineDetail, [string, boolean]>((signal, key, count_weeks) => {
    const [place = '', of = ''] = key.split('/')
    const path = { build_id: buildId, place, of }
    const params = { path, query: { count_weeks } }
    return outcome(api.GET('/api/builds/{build_id}/prices/lines/{place}/{of}', { params, signal }))
  })
  const detail = $derived(asking.data)
  const watch = $derived(watches.of('line', line))
  const target = $derived(watch ? { minor: watch.target_minor, text: watch.target } : null)

  $effect(() => {
    void asking.load(line, countWeeks)
    return () => asking.stop()
  })
</script>

{#if asking.message}<p role="alert" class="text-sm text-error">{asking.message}</p>{/if}
{#if !detail}
  <p role="status" class="text-sm text-faint">{asking.loading ? 'Looking at its history' : ''}</p>
{:else}
  <PriceChart chart={detail.chart} {label} {target} />
  <h4 class="mt-3 font-semibold">Delivered now</h4>
  {#if detail.offers.length === 0}
    <p class="text-sm text-faint">No shop offers it today.</p>
  {:else}
    <ul class="divide-y divide-base-300 text-sm">
      {#each detail.offers as offer, number (number)}
        <li class="flex flex-wrap justify-between gap-x-4 py-1">
          <span
            >{offer.shop}, {offer.sold_as},
            <span class={offer.is_old ? 'text-warning' : 'text-faint'}
              >seen {offer.seen_days_ago === 0
                ? 'today'
                : `${counted(offer.seen_days_ago, 'day')} ago`}{offer.is_old
                ? ': ask before you rely on it'
                : ''}</span
            >{#if offer.codes.length > 0 || offer.exchanged}<span class="block text-xs text-faint"
                >{[...offer.codes.map((code) => `with the code ${code}`), offer.exchanged]
                  .filter((words) => words !== '')
                  .join('; ')}</span
              >{/if}</span
          >
          <span class="tabular-nums">{offer.total || offer.missing}</span>
        </li>
      {/each}
    </ul>
  {/if}
  <h4 class="mt-3 font-semibold">A watch</h4>
  <WatchForm {watches} kind="line" subject={line} {label} />
{/if}
