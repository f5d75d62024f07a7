<script lang="ts">
  import type { Shape } from '../../api/client'
  import { type Frame, path, pointsOf, STYLE_BY_PLAYER, toPage } from '../../lib/drawing'

  interface Props {
    shape: Shape
    frame: Frame
    /** It belongs to what is chosen. */
    chosen?: boolean
  }

  let { shape, frame, chosen = false }: Props = $props()

  const points = $derived(pointsOf(shape))
  const holes = $derived(shape.holes.map((hole) => path(frame, pointsOf({ points: hole }), true)))
  const d = $derived(path(frame, points, shape.closed) + holes.join(''))
  const at = $derived(toPage(frame, points[0] ?? { u: 0, v: 0 }))
  const HEAD = 0.1
</script>

{#if shape.meaning === 'swing-disc'}
  <path
    {d}
    class="fill-base-content/5 stroke-base-content"
    stroke-width="1"
    stroke-dasharray={STYLE_BY_PLAYER[shape.player % STYLE_BY_PLAYER.length]}
  />
{:else if shape.meaning === 'golfer'}
  <circle
    cx={at.x}
    cy={at.y}
    r={Math.max(3, HEAD * frame.pxPerM)}
    class="fill-base-100 stroke-base-content"
    stroke-width="1.2"
  />
{:else if shape.meaning === 'monitor'}
  <rect
    x={at.x - 5}
    y={at.y - 5}
    width="10"
    height="10"
    class="fill-base-content"
    transform="rotate(45 {at.x} {at.y})"
  />
{:else if shape.meaning === 'machine'}
  <rect
    x={at.x - 6}
    y={at.y - 6}
    width="12"
    height="12"
    class="fill-base-100 stroke-base-content"
    stroke-width="1.4"
  />
  <path d="M{at.x - 3} {at.y - 2}h6M{at.x - 3} {at.y + 2}h6" class="stroke-base-content" stroke-width="1" />
{:else if shape.meaning === 'cable'}
  <path
    {d}
    class="stroke-base-content"
    fill="none"
    stroke-width="1.1"
    stroke-dasharray="1 3"
    stroke-linecap="round"
  />
{:else if shape.meaning === 'beam'}
  <path {d} class="fill-warning/15 stroke-warning" stroke-width="0.8" />
{:else if shape.meaning === 'picture'}
  <path {d} class="stroke-warning" fill="none" stroke-width="5" />
{:else if shape.meaning === 'shadow'}
  <path {d} class="stroke-base-content" fill="none" stroke-width="9" />
{:else if shape.meaning === 'screen'}
  <path {d} class="stroke-base-content" fill="none" stroke-width="2.4" />
{:else if shape.meaning === 'hitting-region'}
  <path
    {d}
    fill-rule="evenodd"
    class="fill-primary/10 stroke-primary"
    stroke-width="0.9"
    stroke-dasharray="2 3"
  />
{:else if shape.meaning === 'ridge'}
  <path {d} class="stroke-faint" fill="none" stroke-width="0.8" stroke-dasharray="12 4" />
{:else if shape.meaning === 'screen-line' || shape.meaning === 'target-line'}
  <path {d} class="stroke-base-content" fill="none" stroke-width="0.9" stroke-dasharray="9 3 2 3" />
{:else if shape.meaning === 'enclosure'}
  <path {d} class="fill-base-content/5 stroke-base-content" stroke-width="1" />
{:else if shape.meaning === 'swing-early'}
  <path {d} class="stroke-faint" fill="none" stroke-width="0.8" stroke-dasharray="1 4" />
{:else if shape.meaning === 'nearest'}
  <path
    d="M{at.x - 5} {at.y - 5}L{at.x + 5} {at.y + 5}M{at.x - 5} {at.y + 5}L{at.x + 5} {at.y - 5}"
    class="stroke-base-content"
    stroke-width="1.6"><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'thing' || shape.meaning === 'stored'}
  <path
    {d}
    class={[
      shape.meaning === 'thing' ? 'fill-base-content/25' : 'fill-success/15',
      chosen ? 'stroke-primary' : 'stroke-base-content',
    ]}
    stroke-width={chosen ? 2.2 : 1.1}><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'kept-clear'}
  <path
    {d}
    class={['fill-primary/10', chosen ? 'stroke-primary' : 'stroke-faint']}
    stroke-width={chosen ? 2.2 : 1.1}
    stroke-dasharray="5 4"><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'removed'}
  <path {d} class="stroke-faint" fill="none" stroke-width="0.8" stroke-dasharray="3 3"
    ><title>{shape.label}, to be removed</title></path
  >
{:else if shape.meaning === 'standing'}
  <path {d} class="fill-base-content/10 stroke-base-content" stroke-width="1"
    ><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'conflict'}
  <path {d} fill="url(#clash)" class="stroke-error" stroke-width="1.6"><title>{shape.label}</title></path>
{:else if shape.meaning === 'window' || shape.meaning === 'door'}
  <path {d} class="fill-base-100 stroke-base-content" stroke-width={chosen ? 2.2 : 1.1}
    ><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'window-seen' || shape.meaning === 'door-seen'}
  <path {d} class="stroke-faint" fill="none" stroke-width="0.8" stroke-dasharray="6 3"
    ><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'sweep'}
  <path {d} class="fill-base-content/5 stroke-faint" stroke-width="0.8" stroke-dasharray="4 3" />
{:else if shape.meaning === 'joist'}
  <path {d} class="stroke-faint" fill="none" stroke-width="0.6" stroke-dasharray="1 5" />
{:else if shape.meaning === 'socket'}
  <circle cx={at.x} cy={at.y} r="4" class="fill-base-100 stroke-base-content" stroke-width="1.2"
    ><title>{shape.label}</title></circle
  >
{:else if shape.meaning === 'floor-layer'}
  <path {d} class="fill-base-content/8 stroke-faint" stroke-width="0.9" stroke-dasharray="7 2"
    ><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'mat'}
  <path {d} class="fill-success/20 stroke-success" stroke-width="1" />
{:else if shape.meaning === 'netting'}
  <path
    {d}
    fill="url(#hatch)"
    fill-opacity="0.5"
    class="stroke-base-content"
    stroke-width="0.8"
    stroke-dasharray="2 2"><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'mount' || shape.meaning === 'lamp'}
  <path {d} class="fill-base-content/15 stroke-base-content" stroke-width="0.9"
    ><title>{shape.label}</title></path
  >
{:else if shape.meaning === 'floor' || shape.meaning === 'foam' || shape.meaning === 'lining'}
  <path {d} class="fill-base-content/30" />
{/if}
