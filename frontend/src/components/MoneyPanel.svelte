<script lang="ts">
  import type { Report } from '../api/client'
  import { panels } from '../lib/panels.svelte'
  import { SLOT_WORDS } from '../lib/words'
  import Panel from './Panel.svelte'

  let { costs, close }: { costs: Report['costs']; close: () => void } = $props()

  function why(id: string): void {
    close()
    panels.ask(id)
  }
</script>

<Panel title="Money, line by line" {close}>
  <table class="w-full text-sm">
    <thead>
      <tr class="border-b border-base-content text-left">
        <th class="py-1">Line</th>
        <th class="py-1 text-right">Up front</th>
        <th class="py-1 text-right">Each year</th>
      </tr>
    </thead>
    <tbody>
      {#each costs.lines as line (line.id)}
        <tr class="border-b border-base-300 align-top">
          <td class="py-1.5 pr-2">
            {line.label}
            <span class="block text-xs text-faint">
              {line.beside
                ? line.slot
                  ? `with the ${SLOT_WORDS[line.slot].toLowerCase()}`
                  : 'extra'
                : line.slot
                  ? SLOT_WORDS[line.slot]
                  : ''} · {line.payment}{line.quantity === '1' ? '' : ` · ${line.quantity}`}
              {#if line.replacement_value}· worth {line.replacement_value.text}{/if}
              {#if line.missing}· <span class="text-blocked">{line.missing} is not known</span>{/if}
            </span>
          </td>
          <td class="py-1.5 text-right whitespace-nowrap">{line.up_front?.text ?? 'not known'}</td>
          <td class="py-1.5 text-right whitespace-nowrap">{line.yearly?.text ?? 'not known'}</td>
        </tr>
      {:else}
        <tr><td colspan="3" class="py-3 text-faint">Nothing is chosen yet, so nothing costs anything.</td></tr
        >
      {/each}
    </tbody>
    <tfoot>
      <tr class="border-t border-base-content font-semibold">
        <td class="py-1.5">Planned</td>
        <td class="py-1.5 text-right">{costs.up_front.total.text}</td>
        <td class="py-1.5 text-right">{costs.yearly.total.text}</td>
      </tr>
      {#if costs.up_front.contingency}
        <tr>
          <td class="py-1">
            Contingency kept back <span class="block text-xs text-faint">{costs.contingency_workings}</span>
          </td>
          <td class="py-1 text-right">{costs.up_front.contingency.text}</td>
          <td></td>
        </tr>
      {/if}
      {#if costs.up_front.cap || costs.yearly.cap}
        <tr>
          <td class="py-1">Cap</td>
          <td class="py-1 text-right">{costs.up_front.cap?.text ?? 'none'}</td>
          <td class="py-1 text-right">{costs.yearly.cap?.text ?? 'none'}</td>
        </tr>
      {/if}
    </tfoot>
  </table>
  {#if costs.works.length > 0}
    <table class="w-full text-sm">
      <caption class="text-left font-semibold">Building works, outside the total</caption>
      <tbody>
        {#each costs.works as line (line.id)}
          <tr class="border-b border-base-300 align-top">
            <td class="py-1.5 pr-2"
              >{line.label}{line.quantity === '1' ? '' : `, ${line.quantity}`}
              {#if line.missing}<span class="text-blocked block text-xs">{line.missing} is not known</span
                >{/if}
            </td>
            <td class="py-1.5 text-right whitespace-nowrap">{line.up_front?.text ?? 'not known'}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <dl class="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
    <dt>
      Over {costs.horizon_years} years
      <span class="block text-xs text-faint">{costs.horizon_workings}</span>
    </dt>
    <dd class="text-right font-semibold">{costs.horizon.text}</dd>
    <dt>
      What the same build costs a newcomer
      <span class="block text-xs text-faint">{costs.newcomer_workings}</span>
    </dt>
    <dd class="text-right">{costs.newcomer.text}</dd>
  </dl>
  <p class="text-sm text-faint">
    {costs.scope}{costs.unpriced ? ' Lines without a price are left out of the sums.' : ''}
  </p>
  <p class="flex gap-2">
    <button class="btn btn-outline btn-primary btn-sm" onclick={() => why('money.up_front')}
      >Why this up-front answer</button
    >
    <button class="btn btn-outline btn-primary btn-sm" onclick={() => why('money.yearly')}
      >Why this yearly answer</button
    >
  </p>
</Panel>
