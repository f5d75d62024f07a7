<script lang="ts">
  import type { LineDetail } from '../../api/client'

  /**
   * A price in steps, with gaps where nobody saw one, sales marked, and the price to buy at in weeks to come. A slider
   * reads it day by day, and a table behind it tells the same.
   */
  interface Props {
    chart: LineDetail['chart']
    label: string
    target: { minor: number; text: string } | null
  }
  let { chart, label, target }: Props = $props()
  const HIGH = 230
  const LEFT = 8
  const RIGHT = 104
  const TOP = 18
  const BASE = 196
  const DAY_MS = 86_400_000
  const NEAR = 13
  /** What the name of a month takes. */
  const MONTH_WIDE = 46
  let room = $state(640)
  const wide = $derived(Math.max(300, Math.min(room, 860)))

  const day = (iso: string): number => Date.parse(iso) / DAY_MS
  const first = $derived(day(chart.first))
  const today = $derived(day(chart.today))
  const end = $derived(Math.max(day(chart.needed_by), today + 14))
  const known = $derived([
    ...chart.spans.map(({ minor }) => minor),
    ...chart.buy_at.map(({ minor }) => minor),
    ...(target ? [target.minor] : []),
  ])
  const lowest = $derived(Math.min(...chart.spans.map(({ minor }) => minor)))
  const highest = $derived(Math.max(...chart.spans.map(({ minor }) => minor)))
  const least = $derived(Math.min(...known))
  const most = $derived(Math.max(...known))
  const x = (at: number): number => LEFT + ((at - first) / Math.max(end - first, 1)) * (wide - LEFT - RIGHT)
  const y = (minor: number): number =>
    most === least ? (TOP + BASE) / 2 : TOP + ((most - minor) / (most - least)) * (BASE - TOP)

  /** Steps: up or down on the day it changed; broken where nobody knows. */
  const steps = $derived.by(() => {
    let path = ''
    let before: number | null = null
    for (const span of chart.spans) {
      const [from, to] = [day(span.first), day(span.last) + 1]
      path += before === from ? `V${y(span.minor)}` : `M${x(from)} ${y(span.minor)}`
      path += `H${x(Math.min(to, today + 1))}`
      before = to
    }
    return path
  })
  const buyAt = $derived(
    chart.buy_at.map(({ day: at, minor }, n) => `${n ? 'L' : 'M'}${x(day(at))} ${y(minor)}`).join(''),
  )
  /** The first day of each third month. */
  const months = $derived.by(() => {
    const found: { at: number; words: string }[] = []
    const begin = new Date(first * DAY_MS)
    for (let month = 0; month < 40; month++) {
      const date = new Date(Date.UTC(begin.getUTCFullYear(), begin.getUTCMonth() + 1 + month, 1))
      const at = date.getTime() / DAY_MS
      if (at > end) break
      if (date.getUTCMonth() % 3 === 0 && x(at) - x(found.at(-1)?.at ?? -Infinity) > MONTH_WIDE)
        found.push({
          at,
          words: date.toLocaleDateString('en', { month: 'short', year: '2-digit', timeZone: 'UTC' }),
        })
    }
    return found
  })
  /** Names at the right end; two at one height push each other apart, the upper one up. */
  const ends = $derived.by(() => {
    const now = chart.spans.at(-1)
    const named: { y: number; words: string }[] = []
    if (now && day(now.last) >= today) named.push({ y: y(now.minor), words: `today ${now.text}` })
    const buy = chart.buy_at.at(-1)
    if (buy) named.push({ y: y(buy.minor), words: `buy at ${buy.text}` })
    if (target) named.push({ y: y(target.minor), words: `target ${target.text}` })
    const low = chart.spans.find(({ minor }) => minor === lowest)
    const high = chart.spans.find(({ minor }) => minor === highest)
    if (low && low.minor !== now?.minor) named.push({ y: y(low.minor), words: `lowest ${low.text}` })
    if (high && high.minor !== now?.minor) named.push({ y: y(high.minor), words: `highest ${high.text}` })
    named.sort((one, other) => one.y - other.y)
    named.forEach((one, n) => {
      const above = named[n - 1]
      if (above && one.y - above.y < NEAR) one.y = above.y + NEAR
    })
    return named
  })

  /** What it cost and when it was sold out, the newest first. */
  const rows = $derived(
    [...chart.spans, ...chart.sold_out.map((one) => ({ ...one, text: 'sold out' }))].sort((one, other) =>
      one.first < other.first ? 1 : -1,
    ),
  )
  const days = $derived(today - first)
  let back = $state(0)
  const read = $derived.by(() => {
    const at = new Date((today - back) * DAY_MS).toISOString().slice(0, 10)
    const span = chart.spans.find((one) => one.first <= at && at <= one.last)
    const sale = chart.sales.find((one) => one.first <= at && at <= one.last)
    const gone = chart.sold_out.some((one) => one.first <= at && at <= one.last)
    const none = gone ? 'sold out' : 'nobody saw its price'
    const said = span ? `${span.text}${sale ? `, a sale of ${sale.depth}` : ''}` : none
    return { at, said, minor: span?.minor ?? null }
  })
</script>

<figure bind:clientWidth={room} class="mt-2">
  {#if chart.spans.length === 0}
    <p class="text-sm text-faint">
      {chart.sold_out.length > 0
        ? 'Whenever somebody looked it was sold out.'
        : 'Nothing was seen of it yet.'}
    </p>
  {:else}
    <svg viewBox="0 0 {wide} {HIGH}" width={wide} height={HIGH} aria-hidden="true">
      {#each chart.sales as sale (sale.first)}
        <rect
          x={x(day(sale.first))}
          y={TOP}
          width={Math.max(2, x(day(sale.last) + 1) - x(day(sale.first)))}
          height={BASE - TOP}
          class="fill-success"
          fill-opacity="0.16"
        />
      {/each}
      {#each chart.sold_out as gone (gone.first)}
        <rect
          x={x(Math.max(day(gone.first), first))}
          y={BASE + 1}
          width={Math.max(2, x(day(gone.last) + 1) - x(Math.max(day(gone.first), first)))}
          height="5"
          class="fill-warning"
        />
      {/each}
      <line
        x1={LEFT}
        y1={BASE + 6}
        x2={wide - RIGHT}
        y2={BASE + 6}
        stroke="currentColor"
        stroke-opacity="0.5"
      />
      {#each months as { at, words } (at)}
        <line x1={x(at)} y1={BASE + 6} x2={x(at)} y2={BASE + 10} stroke="currentColor" stroke-opacity="0.5" />
        {#if x(at) > 24 && x(at) < wide - RIGHT - 4}<text
            x={x(at)}
            y={BASE + 23}
            text-anchor="middle"
            font-size="11"
            fill="currentColor">{words}</text
          >{/if}
      {/each}
      <line
        x1={x(today)}
        y1={TOP - 8}
        x2={x(today)}
        y2={BASE + 6}
        stroke="currentColor"
        stroke-opacity="0.35"
      />
      <line
        x1={x(day(chart.needed_by))}
        y1={TOP - 8}
        x2={x(day(chart.needed_by))}
        y2={BASE + 6}
        class="stroke-warning"
        stroke-width="1.5"
      />
      <text
        x={x(day(chart.needed_by))}
        y={TOP - 8}
        text-anchor="end"
        dx="-4"
        font-size="11"
        class="fill-warning">needed {chart.needed_by}</text
      >
      {#if target}
        <line
          x1={LEFT}
          y1={y(target.minor)}
          x2={wide - RIGHT}
          y2={y(target.minor)}
          class="stroke-primary"
          stroke-dasharray="2 3"
        />
      {/if}
      <path d={steps} fill="none" stroke="currentColor" stroke-width="1.75" />
      <path d={buyAt} fill="none" class="stroke-success" stroke-width="1.75" stroke-dasharray="6 3" />
      {#each ends as { y: at, words } (words)}
        <text x={wide - RIGHT + 5} y={at + 4} font-size="11" fill="currentColor">{words}</text>
      {/each}
      {#if read.minor !== null}
        <circle cx={x(today - back)} cy={y(read.minor)} r="4" class="fill-primary" />
      {/if}
    </svg>
    <label class="flex flex-wrap items-center gap-x-3 text-sm">
      <span class="text-faint">Read a day</span>
      <input
        type="range"
        class="range max-w-64 range-xs"
        min={0}
        max={days}
        value={days - back}
        aria-label="Read a day of {label}"
        aria-valuetext="{read.at}: {read.said}"
        oninput={(event) => (back = days - Number(event.currentTarget.value))}
      />
      <span class="tabular-nums">{read.at}: {read.said}</span>
    </label>
    <figcaption class="mt-1 text-xs text-faint">
      What all of it came to, new and delivered, at the shop that was cheapest on each day; lowest and highest
      are of all days shown. Green: sales. Green and dashed: buy at this price or less, week by week.
      {#if chart.sold_out.length}Bars on the axis: sold out.{/if}
    </figcaption>
    <details class="mt-1">
      <summary class="min-h-8 cursor-pointer text-sm text-primary"
        >As a table<span class="sr-only">: {label}</span></summary
      >
      <div class="max-h-72 overflow-auto">
        <table class="w-full text-sm">
          <thead class="text-left text-xs text-faint">
            <tr
              ><th class="py-1 pr-3 font-normal">From</th><th class="py-1 pr-3 font-normal">To</th><th
                class="py-1 text-right font-normal">Price</th
              ></tr
            >
          </thead>
          <tbody class="tabular-nums">
            {#each [...chart.buy_at].reverse() as { day: at, text } (at)}
              <tr class="border-t border-base-300"
                ><td class="py-0.5 pr-3">{at}</td><td class="pr-3 text-faint">week to come</td><td
                  class="text-right">buy at {text}</td
                ></tr
              >
            {/each}
            {#each rows as span (span.first)}
              <tr class="border-t border-base-300"
                ><td class="py-0.5 pr-3">{span.first}</td><td class="pr-3">{span.last}</td><td
                  class="text-right">{span.text}</td
                ></tr
              >
            {/each}
          </tbody>
        </table>
      </div>
    </details>
  {/if}
</figure>
