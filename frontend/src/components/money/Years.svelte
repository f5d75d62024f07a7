<script lang="ts">
  import type { Money } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { counted } from '../../lib/words'
  import QuantityField from '../QuantityField.svelte'
  import YearLines from './YearLines.svelte'

  /** The build over its years: what it costs to have, against hiring the same hours; a table tells the same. */
  let { years }: { years: Money['over_years'] } = $props()
  const build = $derived(useBuild()())
  /** So many things are named one by one. */
  const FEW = 5
  const LIVES = {
    shots_an_hour: 'Shots an hour',
    shots_a_ball: 'Shots a ball lasts',
    shots_a_tee: 'Shots a tee lasts',
    shots_a_mat: 'Shots a mat lasts',
    shots_a_screen: 'Shots a screen lasts in one place',
    lamp_share: 'A lamp, of its projector',
  }
  const lives = $derived(new Map<string, string>(years.lives.map(({ field, text }) => [field, text])))
  const last = $derived(years.years.at(-1))
  const hired = $derived(years.years.some((year) => year.hired))
  const lines = $derived([
    {
      name: 'your own',
      text: last?.so_far.text ?? '',
      from: years.years[0]?.so_far_share ?? 0,
      shares: years.years.map((year) => year.so_far_share),
    },
    ...(hired
      ? [
          {
            name: 'a hired bay',
            text: last?.hired?.text ?? '',
            from: 0,
            shares: years.years.map((year) => year.hired_share ?? 0),
          },
        ]
      : []),
  ])
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
    <YearLines {lines} caption="What your own bay has cost by the end of each year, and a hired one." />
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
            {#if hired}<th class="pl-3">Hired, so far</th>{/if}
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
  {#if years.staying}
    <p class="mt-2 max-w-prose text-sm">
      Staying with what is there ({years.staying.parts.length > FEW
        ? counted(years.staying.parts.length, 'thing')
        : years.staying.parts.join(', ')}) comes to {years.staying.total.text} over the same years{years
        .staying.later_year
        ? `, ${years.staying.later_year.text} a later year`
        : ''}{years.staying.an_hour ? `, ${years.staying.an_hour.text} an hour` : ''}, what it would sell for
      taken off.
    </p>
  {/if}
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
