<script lang="ts">
  import { api, outcome, type Category, type Money } from '../api/client'
  import Baskets from '../components/money/Baskets.svelte'
  import BuyList from '../components/money/BuyList.svelte'
  import Certainty from '../components/money/Certainty.svelte'
  import DayField from '../components/money/DayField.svelte'
  import Funding from '../components/money/Funding.svelte'
  import Heads from '../components/money/Heads.svelte'
  import Licences from '../components/money/Licences.svelte'
  import Paths from '../components/money/Paths.svelte'
  import Measured from '../components/money/Measured.svelte'
  import MoneyLines from '../components/money/MoneyLines.svelte'
  import NewLine from '../components/money/NewLine.svelte'
  import TakenOrders from '../components/money/TakenOrders.svelte'
  import Scope from '../components/money/Scope.svelte'
  import Years from '../components/money/Years.svelte'
  import OnceOrAgain from '../components/money/OnceOrAgain.svelte'
  import Renewals from '../components/money/Renewals.svelte'
  import QuantityField from '../components/QuantityField.svelte'
  import VerdictRow from '../components/VerdictRow.svelte'
  import { useBuild } from '../lib/build.svelte'
  import { Resource } from '../lib/resource.svelte'
  import { counted } from '../lib/words'
  import { p } from '../router'

  const build = $derived(useBuild()())
  const costs = $derived(build.report?.costs)
  let scope = $state<Category[]>([])
  const asking = new Resource<Money, [number, Category[]]>((signal, build_id, categories) =>
    outcome(
      api.GET('/api/builds/{build_id}/money', {
        params: { path: { build_id }, query: { categories } },
        signal,
      }),
    ),
  )
  const money = $derived(asking.data)
  const workbook = $derived(
    `/api/builds/${build.id}/money/money.xlsx?${scope.map((category) => `categories=${encodeURIComponent(category)}`).join('&')}`,
  )
  const answers = $derived((build.report?.verdicts ?? []).filter(({ step }) => step === 'money'))

  $effect(() => {
    // Added up anew after every edit, and when the scope is another.
    if (build.reply) void asking.load(build.id, scope)
    return () => asking.stop()
  })
</script>

<article class="p-4 lg:px-6" aria-busy={asking.loading}>
  {#if asking.message}
    <p role="alert" class="my-2 flex items-center gap-3">
      {asking.message}<button class="btn btn-primary btn-xs" onclick={() => void asking.load(build.id, scope)}
        >Try again</button
      >
    </p>
  {/if}
  {#if !money || !costs}
    <p role="status" class="my-6 text-faint">{asking.loading ? 'Adding it up' : ''}</p>
  {:else}
    <h1 class="text-2xl">{money.headline}</h1>
    <Measured {money} />
    <div class="mt-3 flex flex-wrap items-start justify-between gap-x-8 gap-y-2">
      <p class="max-w-prose text-sm text-faint">
        {money.scope_words}
        <a class="inline-flex min-h-8 items-center" href={workbook} download>As a workbook (XLSX)</a>,
        <a
          class="inline-flex min-h-8 items-center"
          href={p('/builds/:id/money/print', { params: { id: String(build.id) } })}>as a page to print</a
        >
      </p>

      <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
        <QuantityField
          label="Cap up front"
          showLabel
          field="brief.up_front_cap_minor"
          text={build.texts['brief.up_front_cap_minor'] ?? ''}
          hint="none set"
          commit={(typed) => build.changeBrief(`up-front cap ${typed}`, { up_front_cap_minor: typed })}
        />
        <QuantityField
          label="Cap each year"
          showLabel
          field="brief.yearly_cap_minor"
          text={build.texts['brief.yearly_cap_minor'] ?? ''}
          hint="none set"
          commit={(typed) => build.changeBrief(`yearly cap ${typed}`, { yearly_cap_minor: typed })}
        />
      </div>
    </div>
    <div class="mt-2 max-w-prose">
      {#each answers as verdict (verdict.id)}<VerdictRow {verdict} advice />{/each}
    </div>

    <div class="mt-5 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_21rem]">
      <div class="min-w-0">
        <MoneyLines {money} />
        <NewLine categories={money.all_categories} />
        <TakenOrders />
        <Baskets />
        <Licences />
        <OnceOrAgain pairs={money.once_or_again} />
        <Renewals renewals={money.renewals} wasted={money.wasted} />
        <BuyList toBuy={money.to_buy} />
        <Years years={money.over_years} />
        <Paths />
      </div>
      <div class="grid content-start gap-6">
        <section aria-labelledby="totals">
          <h2 id="totals" class="mb-1 text-base">One total, three ways of valuing it</h2>
          <dl class="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
            <dt class="border-b border-base-300 py-1">My cash</dt>
            <dd class="border-b border-base-300 py-1 text-right font-semibold tabular-nums">
              {money.totals.cash.text}
            </dd>
            <dt class="border-b border-base-300 py-1">Gifts and samples at list</dt>
            <dd class="border-b border-base-300 py-1 text-right tabular-nums">
              {money.totals.gifts_at_list.text}
            </dd>
            <dt class="border-b border-base-300 py-1">What a newcomer would pay</dt>
            <dd class="border-b border-base-300 py-1 text-right tabular-nums">
              {money.totals.newcomer.text}
            </dd>
            <dt class="py-1 text-faint">Paid so far</dt>
            <dd class="py-1 text-right text-faint tabular-nums">{money.paid.text}</dd>
            <dt class="py-1 text-faint">Kept back</dt>
            <dd class="py-1 text-right text-faint tabular-nums">{money.contingency.text}</dd>
            <dt class="py-1 text-faint">Used of what was kept back</dt>
            <dd class="py-1 text-right text-faint tabular-nums">{money.used.text}</dd>
            {#if money.since_finished}
              <dt class="py-1 text-faint">Since it was playable</dt>
              <dd class="py-1 text-right text-faint tabular-nums">{money.since_finished.text}</dd>
            {/if}
          </dl>
          {#if money.late.length > 0}<p class="text-xs text-faint">
              Added since: {money.late.join(', ')}
            </p>{/if}
          <DayField
            label="Called finished on"
            day={build.reply?.build.ledger.finished_on}
            commit={(day) => build.sayRunning('called finished', { finished_on: day })}
          />
          {#if money.unpriced.length > 0}
            <p class="border-blocked mt-2 border-l-3 pl-2 text-sm">
              {counted(money.unpriced.length, 'line')} without a price, in no total: {money.unpriced.join(
                ', ',
              )}
            </p>
          {/if}
        </section>
        <Scope
          counted={money.categories}
          all={money.all_categories}
          choose={(categories) => {
            scope = categories
          }}
        />
        <Heads heads={money.heads} starving={money.starving} />
        <Certainty {money} />
        <Funding funded={money.funded.text} />
      </div>
    </div>
  {/if}
</article>
