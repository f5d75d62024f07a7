<script lang="ts">
  import type { Handle, Point } from '../../api/client'
  import { type Frame, toMetres, toPage } from '../../lib/drawing'
  import { view } from '../../lib/view.svelte'

  interface Props {
    handle: Handle
    frame: Frame
    /** Greatest u and v, in metres. */
    limit: Point
    drag: (at: Point) => void
    drop: (at: Point) => void
    cancel: () => void
  }

  let { handle, frame, limit, drag, drop, cancel }: Props = $props()
  /** One of the room's contents; ball, screen line and projector belong to the layout. */
  const inRoom = $derived(handle.target.includes('/'))
  /** Where the pointer is. The handle stands where the core says that things are. */
  let held = $state.raw<Point | null>(null)

  const page = $derived(toPage(frame, handle.at))
  /** Bars lie across the way that they are moved; the machine is a box. In pixels. */
  const BARS: Record<string, { width: number; height: number }> = {
    screen: { width: 8, height: 26 },
    bay: { width: 26, height: 8 },
    machine: { width: 14, height: 10 },
  }
  const bar = $derived(BARS[handle.target])
  const VIEW_WORDS = { floor: 'floor plan', section: 'section', front: 'view toward the screen' } as const
  const STEP_M = 0.01
  const BIG_STEP_M = 0.1
  const SETTLE_MS = 500
  const ARROWS: Record<string, Point> = {
    ArrowLeft: { u: -1, v: 0 },
    ArrowRight: { u: 1, v: 0 },
    ArrowUp: { u: 0, v: 1 },
    ArrowDown: { u: 0, v: -1 },
  }
  let settle: ReturnType<typeof setTimeout> | undefined
  let moved = false

  function onpointerdown(event: PointerEvent & { currentTarget: SVGGElement }): void {
    event.currentTarget.setPointerCapture(event.pointerId)
    held = handle.at
    moved = false
  }

  function onpointermove(event: PointerEvent & { currentTarget: SVGGElement }): void {
    if (!held) return
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect()
    if (!box) return
    moved = true
    held = toMetres(frame, event.clientX - box.left, event.clientY - box.top)
    drag(held)
  }

  function onpointerup(): void {
    if (!held) return
    if (moved) drop(held)
    else cancel()
    if (!moved && inRoom) view.choose(handle.target)
    held = null
  }

  function onpointercancel(): void {
    held = null
    cancel()
  }

  function onkeydown(event: KeyboardEvent): void {
    if (event.key === 'Escape' && held) {
      clearTimeout(settle)
      onpointercancel()
    }
    if (inRoom && (event.key === 'Enter' || event.key === ' ')) {
      event.preventDefault()
      view.choose(handle.target)
    }
    const arrow = ARROWS[event.key]
    if (!arrow) return
    event.preventDefault()
    const step = event.shiftKey ? BIG_STEP_M : STEP_M
    const at = held ?? handle.at
    held = { u: at.u + arrow.u * step, v: at.v + arrow.v * step }
    drag(held)
    // A run of key presses is one edit, made once the keys are still.
    clearTimeout(settle)
    settle = setTimeout(finishKeys, SETTLE_MS)
  }

  function finishKeys(): void {
    clearTimeout(settle)
    if (!held) return
    drop(held)
    held = null
  }
</script>

<g
  class="cursor-grab touch-none outline-offset-4 active:cursor-grabbing"
  role="slider"
  tabindex="0"
  aria-label="{handle.label} on the {VIEW_WORDS[handle.view]}, arrow keys move it"
  aria-valuemin={0}
  aria-valuemax={handle.along ? limit.u : limit.v}
  aria-valuenow={handle.along ? handle.at.u : handle.at.v}
  aria-valuetext={handle.text}
  {onpointerdown}
  {onpointermove}
  {onpointerup}
  {onpointercancel}
  {onkeydown}
  onblur={finishKeys}
>
  <circle cx={page.x} cy={page.y} r="18" fill="transparent" />
  {#if handle.target === 'ball' || handle.target === 'left-ball'}
    <circle cx={page.x} cy={page.y} r="6" class="fill-base-100 stroke-primary" stroke-width="3" />
  {:else if inRoom}
    <rect
      x={page.x - 4.5}
      y={page.y - 4.5}
      width="9"
      height="9"
      class={view.chosen === handle.target ? 'fill-primary stroke-primary' : 'fill-base-100 stroke-primary'}
      stroke-width="2"
    />
  {:else if bar}
    <rect
      x={page.x - bar.width / 2}
      y={page.y - bar.height / 2}
      width={bar.width}
      height={bar.height}
      rx="2"
      class="fill-base-100 stroke-primary"
      stroke-width="2.4"
    />
    {#if handle.target === 'machine'}
      <path d="M{page.x - 4} {page.y}h8" class="stroke-primary" stroke-width="1.6" />
    {/if}
  {:else}
    <path
      d="M{page.x - 8} {page.y - 6}h6l8 3v6l-8 3h-6z"
      class="fill-base-100 stroke-primary"
      stroke-width="2.4"
      transform="rotate(180 {page.x} {page.y})"
    />
  {/if}
</g>
