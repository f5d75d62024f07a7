<script lang="ts">
  import type { Dimension, LayoutChange, Problem, Scene } from '../../api/client'
  import { drawDimension, layOut, placeNames } from '../../lib/drawing'
  import DimensionLine from './DimensionLine.svelte'
  import DimensionTag from './DimensionTag.svelte'
  import DragHandle from './DragHandle.svelte'
  import SceneShape from './SceneShape.svelte'
  import Walls from './Walls.svelte'

  interface Props {
    scene: Scene
    /** A drag on its way, in the layout's own fields. */
    drag: (change: LayoutChange) => void
    drop: (what: string, change: LayoutChange) => void
    cancel: () => void
    /** Something typed on a dimension line. */
    type: (dimension: Dimension, typed: string) => Promise<Problem[]>
  }

  let { scene, drag, drop, cancel, type }: Props = $props()
  let width = $state(0)
  let height = $state(0)

  const sheet = $derived(layOut(scene, Math.max(width, 300), Math.max(height, 320)))
  const names = $derived([
    ...placeNames(sheet.plan, 'plan', scene.shapes),
    ...placeNames(sheet.section, 'section', scene.shapes),
  ])
  const drawn = $derived(scene.dimensions.map((dimension) => drawDimension(sheet[dimension.view], dimension)))
</script>

<div
  class="relative h-full min-h-80 w-full overflow-hidden"
  bind:clientWidth={width}
  bind:clientHeight={height}
>
  {#if width > 0}
    <svg
      class="absolute inset-0 select-none"
      {width}
      height={sheet.height}
      role="group"
      aria-label="Plan and side section of the room, to scale"
    >
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" class="stroke-base-content" stroke-width="1" opacity="0.55" />
        </pattern>
      </defs>
      <text x={sheet.plan.x} y="14" class="fill-faint font-display text-[11px]"
        >PLAN · target to the left</text
      >
      <text
        x={sheet.section.x}
        y={sheet.section.y - scene.height_m * sheet.pxPerM - 14}
        class="fill-faint font-display text-[11px]"
      >
        SECTION · from the side
      </text>
      {#each scene.shapes.filter((shape) => shape.meaning === 'room') as room (room.view)}
        <Walls frame={sheet[room.view]} {room} />
      {/each}
      {#each scene.shapes as shape, index (index)}
        <SceneShape {shape} frame={sheet[shape.view]} order={index} />
      {/each}
      {#each names as name, index (index)}
        <path
          d="M{name.fromX} {name.fromY}L{name.x - 3} {name.y - 4}"
          class="stroke-base-content"
          stroke-width="0.6"
        />
        <text x={name.x} y={name.y} class="fill-base-content text-[11px]">{name.text}</text>
      {/each}
      {#each drawn as line (line.dimension.view + line.dimension.label)}
        <DimensionLine {line} />
      {/each}
      {#each scene.handles as handle (handle.view + handle.target)}
        <DragHandle
          {handle}
          frame={sheet[handle.view]}
          limit={{ u: scene.length_m, v: handle.view === 'plan' ? scene.width_m : scene.height_m }}
          {drag}
          drop={(change) => drop(handle.label.toLowerCase(), change)}
          {cancel}
        />
      {/each}
    </svg>
    {#each drawn as line (line.dimension.view + line.dimension.label)}
      <DimensionTag {line} commit={(typed) => type(line.dimension, typed)} />
    {/each}
  {/if}
</div>
