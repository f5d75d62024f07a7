<script lang="ts">
  import Download from '@lucide/svelte/icons/download'
  import Maximize from '@lucide/svelte/icons/maximize'
  import Minus from '@lucide/svelte/icons/minus'
  import Plus from '@lucide/svelte/icons/plus'
  import Printer from '@lucide/svelte/icons/printer'
  import type { Layer } from '../../api/client'
  import { useBuild } from '../../lib/build.svelte'
  import DrawingKey from './DrawingKey.svelte'
  import { isTyping } from '../../lib/keys'
  import { p } from '../../router'
  import { preferences } from '../../lib/preferences.svelte'
  import { type LayoutName, view } from '../../lib/view.svelte'

  /** What the drawing shows: which layout, which layers, how near; and taking it away on paper or as a file. */
  let { centre }: { centre: () => { x: number; y: number } } = $props()
  const build = $derived(useBuild()())
  const players = $derived(build.reply?.build.brief.players ?? [])
  const LAYERS: Partial<Record<Layer, string>> = {
    dimensions: 'dimensions',
    obstructions: 'things in the room',
    swings: 'swings',
    hitting: 'where the ball may lie',
    bay: 'bay',
    cables: 'machine and cables',
  }
  const layouts = $derived<[LayoutName, string][]>([
    ['playing', 'playing'],
    ...(build.report?.stowed ? ([['stowed', 'stowed']] as [LayoutName, string][]) : []),
    ...(build.reply?.build.room.modes ?? []).map(({ id, name }): [LayoutName, string] => [id, name]),
  ])
  const address = $derived(`/api/builds/${build.id}/drawing`)

  let sheet = $state('')

  /** Puts the drawing on a page of its own, at a stated scale, and prints that once it is there. */
  function print(): void {
    const source = `${address}.svg?layout=${view.layout}&revision=${build.reply?.revision ?? 0}`
    if (sheet === source) window.print()
    else sheet = source
  }

  const PAN_PX = 60
  const PANS: Record<string, [number, number]> = {
    ArrowLeft: [PAN_PX, 0],
    ArrowRight: [-PAN_PX, 0],
    ArrowUp: [0, PAN_PX],
    ArrowDown: [0, -PAN_PX],
  }

  /** + and − look nearer and from further off, 0 at the whole; arrows pan while nothing is marked that they move. */
  function onkeydown(event: KeyboardEvent): void {
    if ((event.ctrlKey || event.metaKey) && event.key === 'p') {
      event.preventDefault()
      print()
      return
    }
    const onHandle = event.target instanceof Element && event.target.closest('[role="slider"]')
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
    const pan = PANS[event.key]
    if (pan && view.zoom.scale > 1 && !onHandle) view.pan(...pan)
    else if (!preferences.singleKeys) return
    else if (event.key === '+') zoom('nearer')
    else if (event.key === '-') zoom('further')
    else if (event.key === '0') view.whole()
    else return
    event.preventDefault()
  }

  function turnAndPrint(page: HTMLImageElement): void {
    page.classList.toggle('standing', page.naturalHeight > page.naturalWidth)
    window.print()
  }

  function zoom(way: 'nearer' | 'further'): void {
    const { x, y } = centre()
    view[way](x, y)
  }
</script>

<svelte:window {onkeydown} />
{#if sheet}
  <img
    class="print-sheet"
    src={sheet}
    alt=""
    onload={(event) => turnAndPrint(event.currentTarget as HTMLImageElement)}
  />
{/if}
<div class="flex flex-wrap items-center gap-x-3 gap-y-1 px-2 pt-1 text-sm print:hidden">
  {#if layouts.length > 1}
    <div class="flex" role="group" aria-label="Layout">
      {#each layouts as [name, words] (name)}
        <button
          class="min-h-[26px] border border-primary px-2 not-first:border-l-0 first:rounded-l last:rounded-r {view.layout ===
          name
            ? 'bg-primary text-primary-content'
            : 'text-primary'}"
          aria-pressed={view.layout === name}
          onclick={() => (view.layout = name)}>{words}</button
        >
      {/each}
    </div>
  {/if}
  <button
    class="min-h-[26px] rounded border border-primary px-2 {view.facing === 'front'
      ? 'bg-primary text-primary-content'
      : 'text-primary'}"
    aria-pressed={view.facing === 'front'}
    onclick={() => {
      view.whole()
      view.facing = view.facing === 'front' ? 'plan' : 'front'
    }}>toward the screen</button
  >
  <details class="relative">
    <summary class="min-h-[26px] cursor-pointer leading-[26px] text-primary">Layers</summary>
    <fieldset class="absolute top-full left-0 z-30 w-56 border bg-base-100 p-2 max-sm:static">
      <legend class="sr-only">Layers of the drawing</legend>
      {#each Object.entries(LAYERS) as [layer, words] (layer)}
        <label class="flex min-h-[28px] items-center gap-2">
          <input
            type="checkbox"
            class="checkbox checkbox-sm checkbox-primary"
            checked={!view.hidden.has(layer as Layer)}
            onchange={() => view.toggle(layer as Layer)}
          />{words}
        </label>
      {/each}
      {#each players as { id, name } (id)}
        <label class="flex min-h-[28px] items-center gap-2 pl-5">
          <input
            type="checkbox"
            class="checkbox checkbox-sm checkbox-primary"
            checked={!view.hiddenPlayers.has(id)}
            onchange={() => view.togglePlayer(id)}
          />{name}’s swing
        </label>
      {/each}
    </fieldset>
  </details>
  <DrawingKey />
  <div class="ml-auto flex items-center" role="group" aria-label="Look nearer">
    <button
      class="grid size-[28px] cursor-pointer place-content-center hover:bg-base-200"
      aria-label="Further away"
      onclick={() => zoom('further')}><Minus size={15} /></button
    >
    <button
      class="grid size-[28px] cursor-pointer place-content-center hover:bg-base-200"
      aria-label="Nearer"
      onclick={() => zoom('nearer')}><Plus size={15} /></button
    >
    <button
      class="grid size-[28px] cursor-pointer place-content-center hover:bg-base-200"
      aria-label="The whole drawing"
      onclick={() => view.whole()}><Maximize size={15} /></button
    >
  </div>
  <details class="relative">
    <summary class="flex min-h-[26px] cursor-pointer items-center gap-1 text-primary"
      ><Download size={15} aria-hidden="true" />Save or print</summary
    >
    <div class="absolute top-full right-0 z-30 grid w-60 gap-1 border bg-base-100 p-2 max-sm:static">
      <button class="btn justify-start btn-ghost btn-sm" onclick={print}
        ><Printer size={15} aria-hidden="true" />Print on one page</button
      >
      <a
        class="btn justify-start btn-ghost btn-sm"
        href={p('/builds/:id/print', { params: { id: String(build.id) } })}
        ><Printer size={15} aria-hidden="true" />Print with the verdicts</a
      >
      <a class="btn justify-start btn-ghost btn-sm" href="{address}.svg?layout={view.layout}" download
        >Save as SVG, to scale</a
      >
      <a class="btn justify-start btn-ghost btn-sm" href="{address}.dxf?layout={view.layout}" download
        >Save as DXF, in metres</a
      >
    </div>
  </details>
</div>
