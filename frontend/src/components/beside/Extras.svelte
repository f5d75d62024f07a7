<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { KIND_WORDS } from '../../lib/kinds'
  import { p } from '../../router'
  import Choice from '../Choice.svelte'
  import QuantityField from '../QuantityField.svelte'

  /** Parts beside the chain that somebody chose by wish. */
  const build = $derived(useBuild()())
  const extras = $derived(build.reply?.build.extras ?? [])
</script>

<div class="mt-4 mb-1 flex flex-wrap items-baseline justify-between gap-2">
  <h2 class="text-base">Extras</h2>
  <a class="text-sm" href={p('/builds/:id/catalogue', { params: { id: String(build.id) } })}
    >Add one from the catalogue</a
  >
</div>
<ul class="divide-y divide-base-300">
  {#each extras as extra, index (extra.id)}
    {@const part = build.reply?.beside[extra.part]}
    {@const line = build.report?.costs.lines.find(({ beside }) => beside === extra.id)}
    {@const licence = build.report?.costs.lines.find(({ id }) => id === `${extra.id}:plan`)}
    {@const name = part?.name ?? extra.part}
    <li class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 py-1.5 text-sm">
      <div class="min-w-0">
        <strong>{name}</strong>
        <span class="text-faint">{part?.maker} · {KIND_WORDS[part?.kind ?? ''] ?? ''}</span>
        {#if part?.note}<p class="text-[13px] text-faint">{part.note}</p>{/if}
        <div class="flex flex-wrap items-end gap-x-3 gap-y-1">
          {#if extra.laid}
            <span>{line ? line.quantity : ''}, laid on the floor</span>
          {:else}
            <QuantityField
              label="How many: {name}"
              text={build.texts[`extras.${index}.quantity`] ?? ''}
              width="3rem"
              commit={(typed) => build.changeExtra(extra.id, `${typed} of ${name}`, { quantity: typed })}
            />
          {/if}
          {#if part && part.plans.length > 0}
            {@const plans = Object.fromEntries(
              part.plans.map((plan) => [plan.id, `${plan.name}, ${plan.price}`]),
            )}
            <Choice
              label="Plan of {name}"
              value={extra.plan ?? ''}
              options={extra.plan ? plans : { '': 'no plan chosen', ...plans }}
              choose={(plan) =>
                void build.changeExtra(extra.id, `plan ${plans[plan] ?? ''}`, { plan: plan || null })}
            />
          {/if}
          <QuantityField
            label="Price quoted to you for {name}"
            text={build.texts[`ledger.entries.${extra.id}/${extra.part}.quote_minor`] ?? ''}
            hint="quote"
            commit={(typed) =>
              build.enterAmounts(`${extra.id}/${extra.part}`, `quote ${typed}`, {
                quote_minor: typed,
                quote_for_each: true,
              })}
          />
          <label class="flex min-h-7 items-center gap-2">
            <input
              type="checkbox"
              class="checkbox checkbox-sm checkbox-primary"
              checked={extra.owned}
              onchange={(event) =>
                void build.changeExtra(extra.id, `${name}, owned or not`, {
                  owned: event.currentTarget.checked,
                })}
            />
            I own it
          </label>
          <button
            class="btn btn-ghost text-primary btn-xs"
            aria-label="Drop {name}"
            onclick={() => void build.dropExtra(extra.id, name)}>Drop</button
          >
        </div>
      </div>
      <span class="text-right whitespace-nowrap">
        {extra.owned ? 'owned' : (line?.up_front?.text ?? 'price not known')}
        {#if licence}<br />{licence.yearly?.text ?? 'plan not known'} a year{/if}
      </span>
    </li>
  {:else}
    <li class="py-1 text-sm text-faint">None: a heater, a camera, a second display could stand here.</li>
  {/each}
</ul>
