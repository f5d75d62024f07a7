<script lang="ts">
  import type { Prices } from '../../api/client'
  import type { Watches } from '../../lib/watches.svelte'
  import { counted, MONTHS } from '../../lib/words'
  import LineDetail from './LineDetail.svelte'
  import SeenLog from './SeenLog.svelte'
  import SmallHistory from './SmallHistory.svelte'

  type Line = Prices['lines'][number]

  /** One thing that is still to be bought: its history, where today stands, and what to do, with the numbers behind it. */
  interface Props {
    line: Line
    buildId: number
    countWeeks: boolean
    watches: Watches
    changed: () => void
  }
  let { line, buildId, countWeeks, watches, changed }: Props = $props()
  let logOpen = $state(false)
  let detailOpen = $state(false)
  const watch = $derived(watches.of('line', line.line))
  const told = $derived(line.advice)
  const standing = $derived(line.standing)
  const WORDS: Record<string, string> = { buy: 'Buy', wait: 'Wait', nothing: 'Not known' }

  const figures = $derived(
    [
      ['Today', told.today?.text],
      ['Buy at', told.buy_at?.text],
      ['Whoever waits is expected to pay', told.expected?.text],
      ['Waiting is worth', told.saves?.text],
      ['Waiting risks', told.risks?.text],
      ['The usual sale comes to', told.best?.text],
      ['Odds of one in time', told.best_odds?.text],
      ['Turns to buy on', told.turns_on],
      ['Usual, of 365 days', standing?.usual.text],
      ['Lowest, of 365 days', standing?.lowest.text],
      ['Four days of five between', standing && `${standing.low.text} and ${standing.high.text}`],
      ['Regular', standing?.regular.text],
      ['Cheaper than today', standing?.cheaper && `${standing.cheaper.text} of the days`],
      ['Sales', standing && sales(standing)],
      ['Used or ex-display, today', line.used?.text],
      ['Needed', line.needed_by],
      [
        'Rests on',
        line.leans_on
          ? `habits of ${line.leans_on} others of its kind`
          : `${counted(line.observations, 'observation')} in ${counted(told.weeks_known, 'week')}, of ${counted(line.offers, 'offer')}`,
      ],
    ].filter(([, value]) => value),
  )

  function sales(found: NonNullable<Line['standing']>): string {
    if (!found.sales) return 'none seen'
    const months = found.sale_months.map((month) => MONTHS[month - 1]).join(', ')
    const long = found.usual_sale_days ? ` for ${counted(found.usual_sale_days, 'day')}` : ''
    return `${counted(found.sales, 'sale')}, ${found.usual_depth?.text ?? ''} off${long} as a rule, in ${months}`
  }
</script>

<li class="border-t border-base-300 py-3">
  <div class="grid gap-x-6 gap-y-1 sm:grid-cols-[minmax(0,1fr)_14rem]">
    <div>
      <h3 class="font-semibold">
        {line.label}{#if line.quantity > 1}<span class="ml-1 font-normal text-faint"
            >× {line.quantity}, all of them</span
          >{/if}
      </h3>
      <p>
        <span class="mr-1 border border-current px-1 text-xs font-semibold"
          >{WORDS[told.say] ?? told.say}</span
        >
        {line.headline}.{#if line.leans_on}<span class="text-sm text-faint">
            Its own history is too short: told from {line.leans_on} others of its kind.</span
          >{/if}
        {#if watch}<span class="text-sm text-primary">Watched for {watch.target} or less.</span>{/if}
      </p>
    </div>
    {#if told.today || standing}
      <div>
        <SmallHistory weekly={line.weekly} usual={standing?.usual.value ?? null} />
        {#if standing}
          <p class="text-xs text-faint tabular-nums">
            usual {standing.usual.text}, lowest {standing.lowest.text}
          </p>
        {/if}
      </div>
    {/if}
  </div>
  <details class="mt-1" bind:open={detailOpen}>
    <summary class="min-h-8 cursor-pointer text-sm text-primary"
      >{line.offers > 0 ? 'History, offers, numbers and watch' : 'Offers and watch'}<span class="sr-only"
        >: {line.label}</span
      ></summary
    >
    {#if detailOpen}
      <LineDetail {buildId} line={line.line} label={line.label} {countWeeks} {watches} />
      <h4 class="mt-3 font-semibold">The numbers</h4>
      <dl class="grid gap-x-6 text-sm sm:grid-cols-2">
        {#each figures as [name, value] (name)}
          <div class="flex justify-between gap-3 border-t border-base-300 py-1">
            <dt class="text-faint">{name}</dt>
            <dd class="text-right tabular-nums">{value}</dd>
          </div>
        {/each}
      </dl>
      {#if line.offers > 0}
        <details class="mt-2" bind:open={logOpen}>
          <summary class="min-h-8 cursor-pointer text-sm text-primary"
            >What was seen<span class="sr-only">: {line.label}</span></summary
          >
          {#if logOpen}<SeenLog {buildId} part={line.part} label={line.label} {changed} />{/if}
        </details>
      {/if}
    {/if}
  </details>
</li>
