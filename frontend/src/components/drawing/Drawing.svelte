<script lang="ts">
  import type { Dimension, Handle, Point, Problem, Scene } from '../../api/client'
  import { drawDimension, layOut, zoomed } from '../../lib/drawing'
  import { gestures } from '../../lib/gestures'
  import { keyOf, labelsOf, leader } from '../../lib/labels'
  import { view } from '../../lib/view.svelte'
  import DimensionLine from './DimensionLine.svelte'
  import DimensionTag from './DimensionTag.svelte'
  import DragHandle from './DragHandle.svelte'
  import SceneShape from './SceneShape.svelte'
  import Walls from './Walls.svelte'

  interface Props {
    scene: Scene
    /** A drag on its way, in metres of the drawing. */
    drag: (handle: Handle, at: Point) => void
    drop: (handle: Handle, at: Point) => void
    cancel: () => void
    /** Something typed on a dimension line. */
    type: (dimension: Dimension, typed: string) => Promise<Problem[]>
  }

  let { scene, drag, drop, cancel, type }: Props = $props()
  let width = $state(0)
  let height = $state(0)

  const sheet = $derived(zoomed(layOut(scene, Math.max(width, 300), Math.max(height, 320)), view.zoom))
  const shapes = $derived(
    scene.shapes.filter(
      (shape) =>
        !view.hidden.has(shape.layer) && !(shape.layer === 'swings' && view.hiddenPlayers.has(shape.subject)),
    ),
  )
  const drawn = $derived(
    scene.dimensions
      .filter(({ subject, field }) =>
        subject === '' ? !view.hidden.has('dimensions') || field === view.measuring : subject === view.chosen,
      )
      .map((dimension) => drawDimension(sheet[dimension.view], dimension)),
  )
  const handles = $derived(
    scene.handles.filter(({ target }) => !target.includes('/') || !view.hidden.has('obstructions')),
  )
  const labels = $derived(labelsOf(sheet, shapes, drawn, handles))
  const figures = $derived(new Map(labels.figures.map(({ key, at }) => [key, at])))
</script>

<div
  class="relative h-full min-h-80 w-full overflow-hidden"
  style:touch-action={view.zoom.scale > 1 ? 'none' : 'pan-x pan-y'}
  bind:clientWidth={width}
  bind:clientHeight={height}
  {@attach gestures}
>
  {#if width > 0}
    <svg
      class="absolute inset-0 select-none"
      {width}
      height={sheet.height}
      role="group"
      aria-label="Floor plan and side section of the room, to scale"
    >
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" class="stroke-base-content" stroke-width="1" opacity="0.55" />
        </pattern>
        <pattern id="clash" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <line x1="0" y1="0" x2="0" y2="5" class="stroke-error" stroke-width="2.4" />
        </pattern>
      </defs>
      {#if labels.titled[0]}<text
          x={sheet.floor.x}
          y={sheet.floorTitle}
          class="fill-faint font-display text-[11px]"
          >{scene.width_m === 0
            ? 'TOWARD THE SCREEN · from the ball'
            : 'FLOOR PLAN · target to the left'}</text
        >{/if}
      {#if labels.titled[1]}<text
          x={sheet.section.x}
          y={sheet.sectionTitle}
          class="fill-faint font-display text-[11px]"
        >
          SECTION · from the side
        </text>{/if}
      {#each shapes.filter((shape) => shape.meaning === 'room') as room (room.view)}
        <Walls frame={sheet[room.view]} {room} />
      {/each}
      {#each shapes as shape, index (index)}
        <SceneShape {shape} frame={sheet[shape.view]} chosen={shape.subject === view.chosen} />
      {/each}
      {#each labels.names as name (name.key)}
        {@const line = leader(name)}
        {#if line}
          <path
            d="M{line.from.x} {line.from.y}L{line.to.x} {line.to.y}"
            class="stroke-base-content"
            stroke-width="0.6"
          />
        {/if}
        <text
          x={name.at.x}
          y={name.at.y}
          text-anchor="middle"
          dominant-baseline="central"
          class="fill-base-content text-[11px]">{name.text}</text
        >
      {/each}
      {#each drawn as line (keyOf(line))}
        <DimensionLine {line} strong={line.dimension.field === view.measuring} />
      {/each}
      {#each handles as handle (handle.view + handle.target)}
        <DragHandle
          {handle}
          frame={sheet[handle.view]}
          limit={{ u: scene.length_m, v: handle.view === 'floor' ? scene.width_m : scene.height_m }}
          drag={(at) => drag(handle, at)}
          drop={(at) => drop(handle, at)}
          {cancel}
        />
      {/each}
    </svg>
    {#each drawn as line (keyOf(line))}
      {@const at = figures.get(keyOf(line))}
      {#if at}<DimensionTag {line} {at} commit={(typed) => type(line.dimension, typed)} />{/if}
    {/each}
  {/if}
</div>
