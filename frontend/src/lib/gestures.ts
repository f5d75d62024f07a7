/** Looking nearer: wheel and two fingers zoom about the point they are at, a drag on empty ground pans. */
import { view } from './view.svelte'

const WHEEL_PER_PIXEL = 0.0016

interface Finger {
  x: number
  y: number
}

/** Attachment for the drawing. The whole drawing leaves wheel and finger to the page, so that it still scrolls. */
export function gestures(node: HTMLElement): () => void {
  const fingers = new Map<number, Finger>()

  function at(event: PointerEvent | WheelEvent): Finger {
    const box = node.getBoundingClientRect()
    return { x: event.clientX - box.left, y: event.clientY - box.top }
  }

  function onwheel(event: WheelEvent): void {
    if (!event.ctrlKey && !event.metaKey && view.zoom.scale === 1 && event.deltaY > 0) return
    event.preventDefault()
    const { x, y } = at(event)
    view.zoomAt(Math.exp(-event.deltaY * WHEEL_PER_PIXEL), x, y)
  }

  function onpointerdown(event: PointerEvent): void {
    const onHandle = (event.target as Element).closest('[role="slider"], input')
    if (!onHandle) fingers.set(event.pointerId, at(event))
  }

  function onpointermove(event: PointerEvent): void {
    const before = fingers.get(event.pointerId)
    if (!before) return
    const now = at(event)
    const other = [...fingers].find(([id]) => id !== event.pointerId)?.[1]
    if (other) {
      const spread = Math.hypot(now.x - other.x, now.y - other.y)
      const was = Math.hypot(before.x - other.x, before.y - other.y)
      if (was > 0) view.zoomAt(spread / was, (now.x + other.x) / 2, (now.y + other.y) / 2)
    } else {
      view.pan(now.x - before.x, now.y - before.y)
    }
    fingers.set(event.pointerId, now)
  }

  function onpointerend(event: PointerEvent): void {
    fingers.delete(event.pointerId)
  }

  /** Two fingers are the drawing's: the page must not take them for scrolling. */
  function ontouch(event: TouchEvent): void {
    if (event.touches.length > 1) event.preventDefault()
  }

  node.addEventListener('touchstart', ontouch, { passive: false })
  node.addEventListener('touchmove', ontouch, { passive: false })
  node.addEventListener('wheel', onwheel, { passive: false })
  node.addEventListener('pointerdown', onpointerdown)
  node.addEventListener('pointermove', onpointermove)
  node.addEventListener('pointerup', onpointerend)
  node.addEventListener('pointercancel', onpointerend)
  node.addEventListener('pointerleave', onpointerend)
  return () => {
    node.removeEventListener('touchstart', ontouch)
    node.removeEventListener('touchmove', ontouch)
    node.removeEventListener('wheel', onwheel)
    node.removeEventListener('pointerdown', onpointerdown)
    node.removeEventListener('pointermove', onpointermove)
    node.removeEventListener('pointerup', onpointerend)
    node.removeEventListener('pointercancel', onpointerend)
    node.removeEventListener('pointerleave', onpointerend)
  }
}
