<script lang="ts">
  import { tick } from 'svelte'
  import type { Slot } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import { view } from '../../lib/view.svelte'
  import { SLOT_WORDS } from '../../lib/words'
  import ChainLink from './ChainLink.svelte'
  import ChainSlot from './ChainSlot.svelte'

  const build = $derived(useBuild()())
  const slots = $derived(build.report?.slots ?? [])
  let list = $state<HTMLOListElement>()
  let said = $state('')

  function placeIn(slot: Slot): HTMLElement | null | undefined {
    return list?.querySelector<HTMLElement>(`[data-place="${slot}"]`)
  }

  /** A place that is opened begins at the top: what could be chosen for it has the room below. */
  async function toggle(slot: Slot): Promise<void> {
    view.place = view.place === slot ? '' : slot
    if (!view.place) return
    await tick()
    placeIn(view.place)?.scrollIntoView({ block: 'start' })
  }

  /** Once a part is chosen the work goes on at the next place that is open; where none is, at the place itself. */
  async function goOn(slot: Slot): Promise<void> {
    await tick()
    const at = slots.findIndex((status) => status.slot === slot)
    const after = [...slots.slice(at + 1), ...slots.slice(0, at)]
    const next = after.find((status) => status.state === null && !status.optional)
    view.place = next?.slot ?? slot
    said = next ? `Next: ${SLOT_WORDS[next.slot].toLowerCase()}.` : 'Every place that is needed has its part.'
    await tick()
    const place = placeIn(view.place)
    place?.scrollIntoView({ block: 'start' })
    place?.focus()
  }
</script>

<h2 class="sr-only">The chain of parts</h2>
<p class="sr-only" role="status">{said}</p>
<ol bind:this={list}>
  {#each slots as status (status.slot)}
    {@const link = build.report?.links.find((link) => link.upper === status.slot)}
    <li>
      <ChainSlot
        {status}
        open={view.place === status.slot}
        toggle={() => void toggle(status.slot)}
        chosen={() => void goOn(status.slot)}
      />
      {#if link}<ChainLink {link} />{/if}
    </li>
  {/each}
</ol>
