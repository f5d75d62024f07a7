<script lang="ts">
  import { useBuild } from '../../lib/build.svelte'
  import { p } from '../../router'
  import MatLies from '../MatLies.svelte'
  import FloorZone from './FloorZone.svelte'

  /** What is laid on the floor, from below to above, and where. */
  const build = $derived(useBuild()())
  const covering = $derived(build.reply?.parts.floor)
  const extras = $derived((build.reply?.build.extras ?? []).map((extra, index) => ({ extra, index })))
  const layers = $derived(extras.filter(({ extra }) => extra.laid))
  /** How much is bought of a layer, as its line of the money says. */
  const bought = $derived(
    Object.fromEntries((build.report?.costs.lines ?? []).map((line) => [line.id, line.quantity])),
  )
</script>

<div class="mt-4 mb-1 flex flex-wrap items-baseline justify-between gap-2">
  <h2 class="text-lg">Floor</h2>
  <a class="text-sm" href={p('/builds/:id/catalogue', { params: { id: String(build.id) } })}
    >Add a layer from the catalogue</a
  >
</div>
<div class="flex items-baseline justify-between gap-3"><span>The mat lies</span><MatLies /></div>
{#if covering}
  <details class="border-t border-base-300 py-1">
    <summary class="min-h-[28px] cursor-pointer leading-[28px]"
      ><strong>{covering.name}</strong>{bought.floor ? `, ${bought.floor}` : ''}</summary
    >
    <FloorZone
      name={covering.name}
      path="layout"
      fixed={build.reply?.build.layout.floor_fixed ?? null}
      change={(what, values) => build.move(`${covering.name}: ${what}`, values)}
    />
  </details>
{/if}
{#each layers as { extra, index } (extra.id)}
  {@const name = build.reply?.beside[extra.part]?.name ?? extra.part}
  <details class="border-t border-base-300 py-1" open>
    <summary class="min-h-[28px] cursor-pointer leading-[28px]"
      ><strong>{name}</strong>{bought[extra.id] ? `, ${bought[extra.id]}` : ''}, over it</summary
    >
    <FloorZone
      {name}
      path="extras.{index}"
      fixed={extra.floor_fixed ?? null}
      change={(what, values) => build.changeExtra(extra.id, `${name}: ${what}`, values)}
    />
    <button
      class="btn mt-1 btn-ghost text-primary btn-xs"
      aria-label="Take up {name}"
      onclick={() => void build.dropExtra(extra.id, name)}>Take it up</button
    >
  </details>
{:else}
  {#if !covering}<p class="py-1 text-sm text-faint">Bare: nothing is laid on it.</p>{/if}
{/each}
