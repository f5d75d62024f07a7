<script lang="ts">
  import { api, outcome, type Routes, type Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { Resource } from '../../lib/resource.svelte'

  /** Ready-made, thrifty by hand, fine by hand: money, hours and skills side by side. */
  let { slot, locked }: { slot: Slot; locked: boolean } = $props()
  const build = $derived(useBuild()())
  const asking = new Resource<Routes, [number, Slot]>((signal, build_id, place) => {
    const params = { path: { build_id, slot: place } }
    return outcome(api.GET('/api/builds/{build_id}/chain/{slot}/routes', { params, signal }))
  })
  const found = $derived(asking.data)
  let open = $state<boolean>(false)
  // Every route is a build of its own, carried out and judged: only for somebody who looks.
  $effect(() => {
    if (open && build.reply) void asking.load(build.reply.id, slot)
    return () => asking.stop()
  })
  const hasRoutes = $derived(build.report?.slots.find((status) => status.slot === slot)?.routes ?? false)
</script>

{#if hasRoutes}
  <details class="border-t border-base-300 py-1 text-sm" bind:open>
    <summary class="min-h-[26px] cursor-pointer leading-[26px] font-semibold">Bought or made</summary>
    {#if asking.message}<p role="alert" class="text-error">{asking.message}</p>
    {:else if !found}<p role="status" class="text-faint">Carrying out every way</p>{/if}
    {#if found?.unknown}<p class="text-faint">{found.unknown}</p>{/if}
    {#each found?.routes ?? [] as route (route.kind)}
      <section class="border-t border-base-300 py-1.5">
        <h4 class="flex items-baseline justify-between gap-3 font-semibold">
          <span class="first-letter:uppercase">{route.kind}</span>
          <span class="font-normal whitespace-nowrap"
            >{[route.money.text, route.hours].filter(Boolean).join(' · ')}</span
          >
        </h4>
        {#if route.skills.length > 0}
          <p class="text-[13px] {route.lacking.length > 0 ? 'text-warning' : 'text-faint'}">
            Asks for {route.skills.join(', ')}{route.lacking.length > 0
              ? `; ${route.lacking.join(', ')} is not among your skills`
              : ''}
          </p>
        {/if}
        <ul class="text-[13px]">
          {#each route.bought as line (line.part)}
            <li class="flex justify-between gap-3">
              <span>{line.units} × {line.name} <span class="text-faint">{line.why}</span></span>
              <span class="whitespace-nowrap">{line.cost}</span>
            </li>
          {/each}
        </ul>
        {#if route.elsewhere.length > 0}
          <p class="text-[13px] text-faint">Elsewhere {route.elsewhere.join('; ')}</p>
        {/if}
        {#if route.against.length > 0}
          <p class="text-[13px] text-error">Ruled out here: {route.against.join('; ')}</p>
        {/if}
        {#if route.lacks.length > 0}
          <p class="text-[13px] text-warning">Not in the catalogue, and left out: {route.lacks.join(', ')}</p>
        {/if}
        <p class="text-xs text-faint">{route.caution}</p>
        {#if route.press && !locked}
          <button
            class="btn mt-1 btn-outline btn-primary btn-xs"
            aria-label="Take this way: {route.kind}"
            onclick={() => void build.takeRoute(slot, route.kind)}>Take this way</button
          >
        {/if}
      </section>
    {/each}
  </details>
{/if}
