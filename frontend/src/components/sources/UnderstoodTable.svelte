<script lang="ts">
  import type { Understood } from '../../api/client'
  import { catalogue } from '../../lib/catalogue.svelte'
  import { shops } from '../../lib/shops.svelte'

  /** What a source says and what each thing is taken to be; that can be corrected before anything is kept. */
  interface Props {
    things: Understood['things']
    /** What is otherwise than it was recognised, by the shop's number; nothing for no part. */
    parts?: Record<string, string | null>
    fixed?: boolean
  }
  let { things, parts = $bindable({}), fixed = false }: Props = $props()
  const SHOWN = 60
  let all = $state(false)
  const partsKnown = $derived((catalogue.named.part ?? []).map(([id = '', name = '']) => [id, name] as const))
  const names = $derived(new Map(partsKnown))
  /** What is not recognised stands first: it is what somebody has to look at. */
  const sorted = $derived(
    [...things].sort((one, other) => Number(one.part !== '') - Number(other.part !== '')),
  )
  const shown = $derived(all ? sorted : sorted.slice(0, SHOWN))

  void shops.loadForms()
</script>

<div class="mt-2 max-h-96 overflow-auto">
  <table class="w-full text-sm">
    <thead class="text-left text-xs text-faint">
      <tr>
        <th class="py-1 pr-3 font-normal">The shop says</th>
        <th class="py-1 pr-3 text-right font-normal">Price</th>
        <th class="py-1 font-normal">Taken to be</th>
      </tr>
    </thead>
    <tbody>
      {#each shown as one (one.key + one.condition)}
        <tr class="border-t border-base-300 align-top">
          <td class="py-1 pr-3"
            >{one.called || one.key}<span class="block text-xs text-faint"
              >{one.condition}{one.in_stock ? '' : ', sold out'}</span
            ></td
          >
          <td class="py-1 pr-3 text-right tabular-nums"
            >{one.price}{#if one.problem}<span class="block text-xs text-warning">{one.problem}</span
              >{/if}</td
          >
          <td class="py-1">
            {#if fixed}
              {names.get(one.part) ?? (one.part || 'not recognised')}
            {:else}
              <select
                class="blank max-w-52"
                aria-label="Taken to be: {one.called || one.key}"
                value={parts[one.key] === undefined ? one.part : (parts[one.key] ?? '')}
                onchange={(event) => (parts = { ...parts, [one.key]: event.currentTarget.value || null })}
              >
                <option value="">no part</option>
                {#each partsKnown as [id, name] (id)}<option value={id}>{name}</option>{/each}
              </select>
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
{#if sorted.length > SHOWN && !all}
  <button class="btn mt-1 btn-ghost text-primary btn-xs" onclick={() => (all = true)}
    >Show all {sorted.length}</button
  >
{/if}
