<script lang="ts">
  import type { Money } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** The build over its years: what it costs to have, against hiring the same hours; a table tells the same. */
  let { years }: { years: Money['over_years'] } = $props()
  const build = $derived(useBuild()())
  const LIVES = {
    shots_an_hour: 'Shots an hour',
    shots_a_ball: 'Shots a ball lasts',
    shots_a_tee: 'Shots a tee lasts',
    shots_a_mat: 'Shots a mat lasts',
    shots_a_screen: 'Shots a screen lasts in one place',
    lamp_share: 'A lamp, of its projector',
  }
  const lives = $derived(new Map<string, string>(years.lives.map(({ field, text }) => [field, text])))
  /** As wide as there is room for, so that what is written stays as large as elsewhere. */
  let room = $state(620)
  const WIDE = $derived(Math.max(300, Math.min(room, 760)))
  const HIGH = 190
  const LEFT = 8
  const BASE = 160
  const TOP = 16
  const LABELS = 100

  interface Spot {
    x: number
    y: number
  }

  const spot = (number: number, share: number): Spot => ({
    x: LEFT + ((number + 1) / years.years.length) * (WIDE - LEFT - LABELS),
    y: BASE - share * (BASE - TOP),
  })
  const path = (spots: Spot[]): string => spots.map(({ x, y }, at) => `${at ? 'L' : 'M'}${x} ${y}`).join('')
  const own = $derived([
    { x: LEFT, y: spot(0, years.years[0]?.so_far_share ?? 0).y },
    ...years.years.map((year, number) => spot(number, year.so_far_share)),
  ])
  const hired = $derived(
    years.years.some((year) => year.hired)
      ? [{ x: LEFT, y: BASE }, ...years.years.map((year, number) => spot(number, year.hired_share ?? 0))]
      : [],
  )
  const last = $derived(years.years.at(-1))
  const ends = $derived.by(() => {
    const mine = own.at(-1)?.y ?? BASE
    const theirs = hired.at(-1)?.y
    // Two names at one height push each other apart.
    const near = theirs !== undefined && Math.abs(theirs - mine) < 30
    const up = theirs !== undefined && mine <= theirs
    return {
      own: near ? mine + (up ? -15 : 15) : mine,
      hired: near ? theirs + (up ? 15 : -15) : (theirs ?? BASE),
    }
  })
</script>

{#snippet priceOf(
  label: string,
  field: 'kilowatt_hour_minor' | 'hire_hour_minor' | keyof typeof LIVES,
  hint: string,
)}
  <QuantityField
    {label}
    showLabel
    {hint}
    width="6rem"
    text={build.texts[`ledger.${field}`] ?? ''}
    commit={(typed) => build.sayRunning(label.toLowerCase(), { [field]: typed })}
  />
{/snippet}

<section class="mt-8" aria-labelledby="years">
  <h2 id="years" class="text-xl">Over {years.years.length} years</h2>
  <p class="mt-1 max-w-prose text-sm">
    {years.total.text} in all, with {years.resale.text} from selling it in the end.
    {#if years.beats_hiring}{years.beats_hiring}{/if}
  </p>
  <div class="mt-2 flex flex-wrap gap-x-6 gap-y-2">
    {@render priceOf('A kilowatt-hour costs', 'kilowatt_hour_minor', 'not said')}
    {@render priceOf('An hour in a hired bay', 'hire_hour_minor', 'not said')}
    {@render priceOf('Shots an hour', 'shots_an_hour', lives.get('shots_an_hour') ?? '')}
  </div>
  {#if years.asked.length > 0}
    <p class="mt-2 text-sm text-faint">Nobody has said, and it is in no sum: {years.asked.join(', ')}.</p>
  {/if}
  {#if years.years.some(({ so_far, hired: other }) => so_far.value || other?.value)}
    <figure class="mt-3" bind:clientWidth={room}>
      <svg viewBox="0 0 {WIDE} {HIGH}" width={WIDE} height={HIGH} aria-hidden="true">
        <line x1={LEFT} y1={BASE} x2={WIDE - LABELS} y2={BASE} stroke="currentColor" stroke-opacity="0.5" />
        {#each years.years.keys() as number (number)}
          {@const { x } = spot(number, 0)}
          <line x1={x} y1={BASE} x2={x} y2={BASE + 4} stroke="currentColor" stroke-opacity="0.5" />
          <text {x} y={BASE + 18} text-anchor="middle" class="fill-current text-[12px]"
            >{WIDE < 480 ? '' : 'year '}{number + 1}</text
          >
        {/each}
        <path d={path(own)} fill="none" stroke="currentColor" stroke-width="2" />
        {#each own.slice(1) as { x, y } (x)}<circle cx={x} cy={y} r="3" class="fill-current" />{/each}
        <text x={WIDE - LABELS + 8} y={ends.own - 2} class="fill-current text-[12px] font-semibold"
          >your own</text
        >
        <text x={WIDE - LABELS + 8} y={ends.own + 12} class="fill-current text-[12px]"
          >{last?.so_far.text ?? ''}</text
        >
        {#if hired.length > 0}
          <path
            d={path(hired)}
            fill="none"
            stroke="currentColor"
            stroke-width="2"
            stroke-dasharray="6 4"
            class="text-primary"
          />
          {#each hired.slice(1) as { x, y } (x)}<rect
              x={x - 3}
              y={y - 3}
              width="6"
              height="6"
              class="fill-primary"
            />{/each}
          <text x={WIDE - LABELS + 8} y={ends.hired - 2} class="fill-primary text-[12px] font-semibold"
            >a hired bay</text
          >
          <text x={WIDE - LABELS + 8} y={ends.hired + 12} class="fill-primary text-[12px]"
            >{last?.hired?.text ?? ''}</text
          >
        {/if}
      </svg>
      <figcaption class="sr-only">
        What your own bay has cost by the end of each year, and a hired one.
      </figcaption>
    </figure>
    <div class="overflow-x-auto">
      <table class="mt-1 w-full max-w-3xl text-right text-sm tabular-nums">
        <thead class="text-xs text-faint">
          <tr class="border-b border-base-content">
            <th class="py-1 text-left">Year</th>
            <th class="pl-3">Up front</th>
            <th class="pl-3">Fees</th>
            <th class="pl-3">Used up</th>
            <th class="pl-3">Electricity</th>
            <th class="pl-3">Together</th>
            <th class="pl-3">So far</th>
            {#if hired.length > 0}<th class="pl-3">Hired, so far</th>{/if}
          </tr>
        </thead>
        <tbody>
          {#each years.years as year, number (number)}
            <tr class="border-b border-base-300">
              <td class="py-1 text-left">{number + 1}</td>
              <td class="pl-3">{year.up_front.text}</td>
              <td class="pl-3">{year.fees.text}</td>
              <td class="pl-3">{year.used_up.text}</td>
              <td class="pl-3">{year.electricity.text}</td>
              <td class="pl-3">{year.total.text}</td>
              <td class="pl-3">{year.so_far.text}</td>
              {#if year.hired}<td class="pl-3">{year.hired.text}</td>{/if}
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  <dl class="mt-2 flex flex-wrap gap-x-8 gap-y-1 text-sm">
    {#if years.later_year}<div class="flex gap-2">
        <dt class="text-faint">A later year</dt>
        <dd>{years.later_year.text}</dd>
      </div>{/if}
    <div class="flex gap-2">
      <dt class="text-faint">A month of all of it</dt>
      <dd>{years.a_month.text}</dd>
    </div>
    {#if years.an_hour}<div class="flex gap-2">
        <dt class="text-faint">An hour played</dt>
        <dd>{years.an_hour.text}</dd>
      </div>{/if}
  </dl>
  <details class="mt-2 text-sm">
    <summary class="min-h-8 cursor-pointer text-faint"
      >What is used up, at {lives.get('shots_an_hour')} shots an hour, and what things sell for</summary
    >
    <ul>
      {#each years.used_up as item (item.name)}<li>
          {item.name}: {item.cost.text}, lasts {item.lasts}
        </li>{/each}
    </ul>
    <p class="mt-2 max-w-prose text-faint">
      Empty fields follow a builder's rules of thumb, shown in them; they are not their makers' words. Type
      what you know better.
    </p>
    <div class="mt-1 flex flex-wrap gap-x-6 gap-y-2">
      {#each Object.entries(LIVES) as [field, label] (field)}
        {#if field !== 'shots_an_hour'}
          {@render priceOf(label, field as keyof typeof LIVES, lives.get(field) ?? '')}
        {/if}
      {/each}
    </div>
    {#if years.resale_rates.length > 0}
      <table class="mt-3">
        <caption class="text-left text-faint">What sells for so much of its price when new</caption>
        <thead>
          <tr class="text-left text-xs text-faint"
            ><th scope="col" class="pr-6">category</th><th scope="col" class="pr-6">after a year</th><th
              scope="col">of that, each year later</th
            ></tr
          >
        </thead>
        <tbody>
          {#each years.resale_rates as rate (rate.category)}
            <tr>
              <th scope="row" class="pr-6 text-left font-normal">{rate.category}</th>
              {#each [['first_share', rate.first, 'after a year'], ['later_share', rate.later, 'each year later']] as const as [field, hint, when] (field)}
                <td class="pr-6">
                  <QuantityField
                    label="{rate.category}, {when}"
                    {hint}
                    width="5rem"
                    text={build.texts[`ledger.resale.${rate.category}.${field}`] ?? ''}
                    commit={(typed) => build.sayResale(rate.category, { [field]: typed })}
                  />
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  </details>
</section>
