<script lang="ts">
  import { api, type BuildReply, outcome, type SampleRates } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** What foreign money costs, for every currency that a part is priced in. */
  interface Props {
    brief: BuildReply['build']['brief']
    /** One that the brief is to be told in: amounts are converted by its rate. */
    wanted?: string
  }

  let { brief, wanted = '' }: Props = $props()
  const build = $derived(useBuild()())
  const kept = $derived(brief.exchange_rates.filter(({ currency }) => currency !== brief.currency))
  const missing = $derived(build.report?.costs.missing_rates ?? [])
  const currencies = $derived([
    ...new Set([...kept.map(({ currency }) => currency), ...missing, ...(wanted ? [wanted] : [])]),
  ])

  const sampling = new Resource<SampleRates>((signal) =>
    outcome(
      api.GET('/api/builds/{build_id}/money/sample-rates', {
        params: { path: { build_id: build.id } },
        signal,
      }),
    ),
  )
  const sampled = $derived(sampling.data?.rates ?? [])
  $effect(() => {
    if (currencies.length > 0 && brief.currency) void sampling.load()
    return () => sampling.stop()
  })

  function setRate(currency: string, rate: string, dated = new Date().toISOString().slice(0, 10)) {
    const others = brief.exchange_rates.filter((known) => known.currency !== currency)
    const exchange_rates =
      rate === '' ? others : [...others, { currency, rate: rate.replace(',', '.'), dated }]
    return build.changeBrief(`rate of ${currency} ${rate}`, { exchange_rates })
  }
</script>

{#each currencies as currency (currency)}
  {@const rate = kept.find((known) => known.currency === currency)}
  {@const sample = sampled.find((known) => known.currency === currency)}
  <p>
    1 {currency} costs
    <QuantityField
      label="Rate from {currency} to {brief.currency}"
      field="brief.rate_{currency}"
      text={rate?.rate ?? ''}
      hint="not known"
      width="5rem"
      commit={(typed) => setRate(currency, typed)}
    />
    {brief.currency}{rate?.dated ? `, as of ${rate.dated}` : ''}.
    {#if sample && sample.rate !== rate?.rate && sample.dated !== rate?.dated}
      <button
        class="btn btn-outline btn-primary btn-xs"
        onclick={() => void setRate(currency, sample.rate, sample.dated)}
        >Take {sample.rate}, of {sample.dated}</button
      >
    {/if}
  </p>
{/each}
{#if currencies.length > 0}
  <p>
    On top of a rate the card or bank takes
    <QuantityField
      label="Fee for an exchange"
      text={build.texts['brief.exchange_fee_share'] ?? ''}
      width="4rem"
      commit={(typed) => build.changeBrief(`exchange fee ${typed}`, { exchange_fee_share: typed })}
    />.
  </p>
{/if}
