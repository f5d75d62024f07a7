<script lang="ts">
  import type { CostLine, EntryChange, Problem } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { CAME_AS } from '../../lib/money'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'
  import LineOffers from './LineOffers.svelte'
  import DayField from './DayField.svelte'

  /** One line: what counts of it, and opened what was guessed, quoted and paid, side by side. */
  let { line }: { line: CostLine } = $props()
  const build = $derived(useBuild()())
  let open = $state(false)
  const ledger = $derived(build.reply?.build.ledger)
  const place = $derived(
    ledger?.own.findIndex(({ id }) => id === line.beside && line.key.endsWith('/own')) ?? -1,
  )
  const own = $derived(place >= 0 ? ledger?.own[place] : undefined)
  const entry = $derived(own ?? ledger?.entries[line.key])
  const path = $derived(own ? `ledger.own.${place}` : `ledger.entries.${line.key}`)
  const amount = $derived(
    line.fees_a_year > 0 && line.yearly
      ? `${line.yearly.text} a year`
      : (line.up_front?.text ?? line.yearly?.text ?? 'not known'),
  )

  function enter(what: string, change: EntryChange): Promise<Problem[]> {
    return own
      ? build.changeOwnLine(own.id, `${line.label}: ${what}`, change)
      : build.enterAmounts(line.key, `${line.label}: ${what}`, change)
  }

  const said = (field: string): string => build.texts[`${path}.${field}`] ?? ''
</script>

{#snippet amountOf(
  label: string,
  field: 'low_minor' | 'likely_minor' | 'high_minor' | 'quote_minor' | 'paid_minor',
)}
  <QuantityField
    {label}
    showLabel
    text={said(field)}
    width="5.5rem"
    commit={(typed) => enter(label.toLowerCase(), { [field]: typed })}
  />
{/snippet}

{#snippet wordOf(label: string, field: 'guessed_by' | 'quote_from' | 'paid_to')}
  <label class="flex flex-col"
    ><span class="text-xs text-faint">{label}</span><input
      class="blank w-28"
      maxlength="120"
      value={entry?.[field] ?? ''}
      onchange={(event) => void enter(label.toLowerCase(), { [field]: event.currentTarget.value.trim() })}
    /></label
  >
{/snippet}

{#snippet tickOf(label: string, field: 'quote_for_each' | 'receipt_seen' | 'nice' | 'later')}
  <label class="flex min-h-8 items-center gap-2"
    ><input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      checked={entry?.[field] ?? false}
      onchange={(event) => void enter(label, { [field]: event.currentTarget.checked })}
    />
    {label}</label
  >
{/snippet}

<li>
  <details bind:open>
    <summary
      class="grid min-h-8 cursor-pointer grid-cols-[minmax(0,1fr)_auto] items-center gap-x-3 py-1 text-sm"
    >
      <span class="min-w-0"
        >{line.label}
        <span class="text-xs text-faint"
          >{line.payment}{line.quantity === '1' ? '' : ` · ${line.quantity}`}{line.each
            ? ` at ${line.each.text}`
            : ''}{line.left_over ? ` · ${line.left_over} left over` : ''}{line.replacement_value
            ? ` · worth ${line.replacement_value.text}`
            : ''}{line.ordered ? ' · ordered' : ''}{line.nice ? ' · nice to have' : ''}</span
        >
        {#if line.missing}<span class="text-blocked block text-xs">{line.missing} is not known</span>{/if}
      </span>
      <span class="text-right whitespace-nowrap tabular-nums">{amount}</span>
    </summary>
    <div class="grid gap-2 border-l-3 border-base-300 py-1 pb-3 pl-3 text-sm">
      {#if open && line.may_be_bought}<LineOffers {line} />{/if}
      {#if line.fees_a_year > 0}
        <p class="text-xs text-faint">
          Paid {line.fees_a_year === 1 ? 'once' : `${line.fees_a_year} times`} a year: amounts here are of one payment.
          {#if line.begins}For this one {line.begins}.{/if}
        </p>
      {/if}
      <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
        <span class="w-16 font-semibold">Guessed</span>
        {@render amountOf('At least', 'low_minor')}
        {@render amountOf('Likely', 'likely_minor')}
        {@render amountOf('At most', 'high_minor')}
        {@render wordOf('By whom', 'guessed_by')}
        <DayField
          label="On"
          day={entry?.guessed_on}
          commit={(day) => enter('guessed on', { guessed_on: day })}
        />
      </div>
      <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
        <span class="w-16 font-semibold">Quoted</span>
        {@render amountOf('Price quoted', 'quote_minor')}
        {@render tickOf('for each', 'quote_for_each')}
        {@render wordOf('By shop', 'quote_from')}
        <DayField
          label="On"
          day={entry?.quoted_on}
          commit={(day) => enter('quoted on', { quoted_on: day })}
        />
        <DayField
          label="Good until"
          day={entry?.quote_until}
          commit={(day) => enter('quote until', { quote_until: day })}
        />
      </div>
      <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
        <span class="w-16 font-semibold">Paid</span>
        <DayField
          label="Ordered on"
          day={entry?.ordered_on}
          commit={(day) => enter('ordered on', { ordered_on: day })}
        />
        {@render amountOf('Amount paid', 'paid_minor')}
        {@render wordOf('To shop', 'paid_to')}
        <DayField label="On" day={entry?.paid_on} commit={(day) => enter('paid on', { paid_on: day })} />
        {@render tickOf('receipt seen', 'receipt_seen')}
        {#if line.fees_a_year > 0}
          <QuantityField
            label="Stop it so many days before it comes again"
            showLabel
            text={said('notice_days')}
            width="4rem"
            commit={(typed) => enter('days to stop it', { notice_days: typed })}
          />
        {/if}
      </div>
      <div class="flex flex-wrap items-end gap-x-4 gap-y-1">
        <Choice
          label="It comes as"
          showLabel
          value={entry?.came_as ?? ''}
          options={CAME_AS}
          choose={(chosen) => void enter('comes as', { came_as: chosen || null })}
        />
        {@render tickOf('nice to have', 'nice')}
        {@render tickOf('for later', 'later')}
        {#if own}
          <button
            class="btn min-h-8 btn-ghost text-primary btn-xs"
            aria-label="Take out {line.label}"
            onclick={() => void build.dropOwnLine(own.id, line.label)}>Take out</button
          >
        {/if}
      </div>
    </div>
  </details>
</li>
