<script lang="ts">
  import type { BuildReply, PartSheet, Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import Choice from '../Choice.svelte'
  import MatLies from '../MatLies.svelte'
  import QuantityField from '../QuantityField.svelte'
  import VerdictRow from '../VerdictRow.svelte'

  interface Props {
    slot: Slot
    part: PartSheet
    hung: BuildReply['build']['chain'][Slot]
  }

  let { slot, part, hung }: Props = $props()
  const build = $derived(useBuild()())
  const plans = $derived(
    Object.fromEntries(part.plans.map((plan) => [plan.id, `${plan.name}, ${plan.price}`])),
  )
  const SIGNAL_WORDS = { '': 'not tested', good: 'tested, good', weak: 'tested, weak' } as const
  /** Worst first: the one that decides stands there, the rest behind an opening. */
  const touching = $derived(
    (build.report?.verdicts ?? [])
      .filter((verdict) => verdict.slots.includes(slot))
      .sort((a, b) => b.rank - a.rank),
  )
  const [deciding, others] = $derived([touching[0], touching.slice(1)])
  const replacement = $derived(
    build.report?.costs.lines.find((line) => line.slot === slot)?.replacement_value?.text ?? '',
  )
</script>

{#if deciding}
  <VerdictRow verdict={deciding} advice={deciding.state !== 'clear'} titled />
  {#if others.length > 0}
    <details class="mb-1 text-sm">
      <summary class="min-h-[26px] cursor-pointer leading-[26px] text-primary"
        >{others.length} more {others.length === 1 ? 'answer' : 'answers'} about it</summary
      >
      {#each others as verdict (verdict.id + verdict.subject_id)}
        <VerdictRow {verdict} titled />
      {/each}
    </details>
  {/if}
{/if}
<p class="text-sm">
  {KIND_WORDS[part.kind]} · list price {part.price}{#if part.note}<br /><span class="text-faint"
      >{part.note}</span
    >{/if}
</p>
<div class="my-2 flex flex-wrap items-end gap-x-4 gap-y-2">
  {#if part.plans.length > 0}
    <Choice
      label="Plan"
      showLabel
      value={hung.plan ?? ''}
      options={plans}
      choose={(plan) => void build.decide(slot, `plan ${plans[plan] ?? ''}`, { plan })}
    />
  {/if}
  {#if hung.owned}
    <QuantityField
      label="Worth, to buy again"
      showLabel
      text={build.texts[`chain.${slot}.replacement_value_minor`] ?? ''}
      hint={replacement}
      commit={(typed) => build.decide(slot, `worth ${typed}`, { replacement_value_minor: typed })}
    />
  {:else}
    <QuantityField
      label="Price quoted to you"
      showLabel
      text={build.texts[`ledger.entries.${slot}/${hung.part}.quote_minor`] ?? ''}
      hint="none yet"
      commit={(typed) => build.enterAmounts(`${slot}/${hung.part}`, `quote ${typed}`, { quote_minor: typed })}
    />
  {/if}
  <label class="flex min-h-7 items-center gap-2">
    <input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      checked={hung.owned}
      onchange={(event) => void build.decide(slot, 'owned or not', { owned: event.currentTarget.checked })}
    />
    I own it
  </label>
  <label class="flex min-h-7 items-center gap-2">
    <input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      checked={hung.locked}
      onchange={(event) =>
        void build.decide(slot, `${part.name}, locked or not`, { locked: event.currentTarget.checked })}
    />
    Locked: it stays while others change
  </label>
  {#if slot === 'monitor'}
    <Choice
      label="Signal where it stands"
      showLabel
      value={hung.signal ?? ''}
      options={SIGNAL_WORDS}
      choose={(signal) =>
        void build.decide(slot, `signal: ${SIGNAL_WORDS[signal]}`, { signal: signal === '' ? null : signal })}
    />
  {/if}
  {#if slot === 'mat'}
    <MatLies showLabel />
  {/if}
  {#if slot === 'display'}
    <QuantityField
      label="Its light has run"
      showLabel
      text={build.texts['chain.display.used_hours'] ?? ''}
      hint="0 h"
      commit={(typed) =>
        build.decide(slot, `hours run ${typed}`, { used_hours: typed === '' ? null : typed })}
    />
  {/if}
  {#if slot === 'screen'}
    <QuantityField
      label="A slow test shot came back"
      showLabel
      text={build.texts['chain.screen.bounce_m'] ?? ''}
      hint="not tested"
      commit={(typed) => build.decide(slot, `test shot ${typed}`, { bounce_m: typed })}
    />
  {/if}
  <label class="flex min-h-7 items-center gap-2">
    <input
      type="checkbox"
      class="checkbox checkbox-sm checkbox-primary"
      checked={hung.used}
      onchange={(event) => void build.decide(slot, 'used or new', { used: event.currentTarget.checked })}
    />
    Bought used
  </label>
  {#if hung.used || hung.owned}
    <QuantityField
      label="Was new in the year"
      showLabel
      text={hung.new_in ? String(hung.new_in) : ''}
      hint="not said"
      commit={(typed) =>
        /^\d*$/.test(typed)
          ? build.decide(slot, `new in ${typed}`, { new_in: typed === '' ? null : Number(typed) })
          : Promise.resolve([{ field: 'new_in', value: typed, accepted: 'a year such as 2021' }])}
    />
  {/if}
  {#if hung.used}
    <label class="flex flex-col">
      <span class="text-xs text-faint">Warranty until</span>
      <input
        type="date"
        class="blank"
        value={hung.warranty_until ?? ''}
        onchange={(event) =>
          void build.decide(slot, 'warranty', {
            warranty_until: event.currentTarget.value === '' ? null : event.currentTarget.value,
          })}
      />
    </label>
  {/if}
  {#if !hung.locked}
    <button class="btn btn-outline btn-primary btn-xs" onclick={() => void build.takeDown(slot, part.name)}
      >Take it out</button
    >
  {/if}
</div>
