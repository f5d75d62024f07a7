<script lang="ts">
  import type { BuildReply } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { session } from '../../lib/session.svelte'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'
  import { TAX_WORDS, VALUATION_WORDS } from '../../lib/brief'
  import ExchangeRates from './ExchangeRates.svelte'
  import Steers from './Steers.svelte'

  let { brief }: { brief: BuildReply['build']['brief'] } = $props()
  const build = $derived(useBuild()())
  const codes = $derived(session.session?.currencies ?? [brief.currency])
  const currencies = $derived(Object.fromEntries(codes.map((code) => [code, code])))
  /** A currency that was asked for while nobody has said what it costs: amounts are converted, never relabelled. */
  let wanted = $state('')

  async function changeCurrency(currency: string): Promise<void> {
    const problems = await build.changeBrief(`currency ${currency}`, { currency })
    wanted = problems.length > 0 ? currency : ''
  }

  const years = Object.fromEntries(
    [1, 2, 3, 4, 5, 6, 8, 10, 15, 20].map((count) => [String(count), `${count} year${count > 1 ? 's' : ''}`]),
  )
</script>

<div class="leading-9">
  <p>
    Up front at most
    <QuantityField
      label="Up-front cap"
      field="brief.up_front_cap_minor"
      text={build.texts['brief.up_front_cap_minor'] ?? ''}
      hint="no cap"
      commit={(typed) => build.changeBrief(`up-front cap ${typed}`, { up_front_cap_minor: typed })}
    />
    in
    <Choice
      label="Currency"
      value={brief.currency}
      options={currencies}
      choose={(currency) => void changeCurrency(currency)}
    />; we keep back
    <QuantityField
      label="Contingency share"
      text={build.texts['brief.contingency_share'] ?? ''}
      width="4rem"
      commit={(typed) => build.changeBrief(`contingency ${typed}`, { contingency_share: typed })}
    />
    of the parts for what goes wrong.
  </p>
  <p>
    Each year at most
    <QuantityField
      label="Yearly cap"
      field="brief.yearly_cap_minor"
      text={build.texts['brief.yearly_cap_minor'] ?? ''}
      hint="no cap"
      commit={(typed) => build.changeBrief(`yearly cap ${typed}`, { yearly_cap_minor: typed })}
    />
    in fees, counted over
    <Choice
      label="Horizon"
      value={String(brief.horizon_years)}
      options={years}
      choose={(count) => void build.changeBrief(`horizon ${count} years`, { horizon_years: Number(count) })}
    />; fees are taken to rise by
    <QuantityField
      label="Rise of fees a year"
      text={build.texts['brief.fee_rise_share'] ?? ''}
      width="4rem"
      commit={(typed) => build.changeBrief(`fees rise ${typed} a year`, { fee_rise_share: typed })}
    />
    a year where a plan does not say. Tax of
    <QuantityField
      label="Tax share"
      text={build.texts['brief.tax_share'] ?? ''}
      width="4rem"
      commit={(typed) => build.changeBrief(`tax ${typed}`, { tax_share: typed })}
    />
    is added to prices that come without; tax
    <Choice
      label="Tax treatment"
      value={brief.tax_treatment}
      options={TAX_WORDS}
      choose={(tax_treatment) => void build.changeBrief(`tax ${TAX_WORDS[tax_treatment]}`, { tax_treatment })}
    />.
  </p>
  <p>
    Gifts and things we own
    <Choice
      label="Valuation"
      value={brief.valuation}
      options={VALUATION_WORDS}
      choose={(valuation) =>
        void build.changeBrief(`owned things ${VALUATION_WORDS[valuation]}`, { valuation })}
    />.
  </p>
  <p>
    A licensed electrician asks
    <QuantityField
      label="Fee for an outlet"
      field="brief.outlet_minor"
      text={build.texts['brief.outlet_minor'] ?? ''}
      hint="not asked yet"
      commit={(typed) => build.changeBrief(`an outlet ${typed}`, { outlet_minor: typed })}
    />
    for one more outlet.
  </p>
  <ExchangeRates {brief} {wanted} />
  <Steers
    fields={[
      'up_front_cap_minor',
      'yearly_cap_minor',
      'currency',
      'contingency_share',
      'horizon_years',
      'fee_rise_share',
      'tax_share',
      'tax_treatment',
      'valuation',
      'exchange_rates',
    ]}
  />
</div>
