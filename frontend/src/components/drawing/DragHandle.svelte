<script lang="ts">
  import type { ContentChange, Handle, LayoutChange, Point } from '../../api/client'
  import { type Frame, toMetres, toPage } from '../../lib/drawing'
  import { view } from '../../lib/view.svelte'

  type Change = LayoutChange | ContentChange
  interface Props {
    handle: Handle
    frame: Frame
    /** Greatest u and v, in metres. */
    limit: Point
    drag: (change: Change) => void
    drop: (change: Change) => void
    cancel: () => void
  }

  let { handle, frame, limit, drag, drop, cancel }: Props = $props()
  /** One of the room's contents; ball, screen line and projector belong to the layout. */
  const inRoom = $derived(handle.target.includes('/'))
  let held = $state.raw<Point | null>(null)
  let taken: Point | null = null

  const at = $derived(held ?? handle.at)
  const page = $derived(toPage(frame, at))
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

  function kept({ u, v }: Point): Point {
    const inside = (value: number, most: number) => Math.round(Math.min(Math.max(value, 0), most) * 100) / 100
    return {
      u: handle.u_field ? inside(u, limit.u) : handle.at.u,
      v: handle.v_field ? inside(v, limit.v) : handle.at.v,
    }
  }

  function change({ u, v }: Point): Change {
    const from = (value: number, origin: number) => Math.round(Math.max(0, value - origin) * 1000) / 1000
    return {
      ...(handle.u_field && { [handle.u_field]: from(u, handle.u_origin_m) }),
      ...(handle.v_field && { [handle.v_field]: from(v, handle.v_origin_m) }),
    }
  }

  function onpointerdown(event: PointerEvent & { currentTarget: SVGGElement }): void {
    event.currentTarget.setPointerCapture(event.pointerId)
    held = handle.at
    taken = handle.at
  }

  function onpointermove(event: PointerEvent & { currentTarget: SVGGElement }): void {
    if (!held) return
    const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect()
    if (!box) return
    held = kept(toMetres(frame, event.clientX - box.left, event.clientY - box.top))
    drag(change(held))
  }

  function onpointerup(): void {
    if (!held) return
    // The handle itself has followed the preview by now; what counts is where it was taken up.
    const moved = held.u !== taken?.u || held.v !== taken.v
    if (moved) drop(change(held))
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
    const next = kept({ u: at.u + arrow.u * step, v: at.v + arrow.v * step })
    if (next.u === at.u && next.v === at.v) return
    held = next
    drag(change(next))
    // A run of key presses is one edit, made once the keys are still.
    clearTimeout(settle)
    settle = setTimeout(finishKeys, SETTLE_MS)
  }

  function finishKeys(): void {
    clearTimeout(settle)
    if (!held) return
    drop(change(held))
    held = null
  }
</script>

<g
  class="cursor-grab touch-none outline-offset-4 active:cursor-grabbing"
  role="slider"
  tabindex="0"
  aria-label="{handle.label} on the {handle.view}, arrow keys move it"
  aria-valuenow={at.u}
  aria-valuetext="{at.u.toFixed(2)} m from the wall behind the screen"
  {onpointerdown}
  {onpointermove}
  {onpointerup}
  {onpointercancel}
  {onkeydown}
  onblur={finishKeys}
>
  <circle cx={page.x} cy={page.y} r="18" fill="transparent" />
  {#if handle.target === 'ball'}
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
  {:else if handle.target === 'screen'}
    <rect
      x={page.x - 4}
      y={page.y - 13}
      width="8"
      height="26"
      rx="2"
      class="fill-base-100 stroke-primary"
      stroke-width="2.4"
    />
  {:else if handle.target === 'machine'}
    <rect
      x={page.x - 7}
      y={page.y - 5}
      width="14"
      height="10"
      rx="1.5"
      class="fill-base-100 stroke-primary"
      stroke-width="2.4"
    />
    <path d="M{page.x - 4} {page.y}h8" class="stroke-primary" stroke-width="1.6" />
  {:else}
    <path
      d="M{page.x - 8} {page.y - 6}h6l8 3v6l-8 3h-6z"
      class="fill-base-100 stroke-primary"
      stroke-width="2.4"
      transform="rotate(180 {page.x} {page.y})"
    />
  {/if}
</g>
