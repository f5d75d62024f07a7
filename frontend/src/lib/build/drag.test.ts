import { describe, expect, it } from 'vitest'
import type { Outcome, Preview } from '../../api/client'
import { Drag, type Position } from './drag.svelte'

const at = (u: number): Position => ({ view: 'floor', target: 'ball', at: { u, v: 2 }, stowed: false })

/** A server that answers when it is told to. */
function server() {
  const open: { position: Position; number: number; answer: () => void }[] = []
  const ask = (position: Position, number: number): Promise<Outcome<Preview>> =>
    new Promise((settle) => {
      const data = { number, revision: 0, texts: { u: String(position.at.u) } } as unknown as Preview
      open.push({ position, number, answer: () => settle({ data, status: 200, message: '', problems: [] }) })
    })
  return { open, ask }
}
const settled = () => new Promise((settle) => setTimeout(settle, 0))

describe('a drag on its way', () => {
  it('asks one question at a time, and then the newest position', async () => {
    const { open, ask } = server()
    const drag = new Drag(ask)
    void drag.to(at(1))
    void drag.to(at(2))
    void drag.to(at(3))
    expect(open.map(({ position }) => position.at.u)).toEqual([1])
    open[0]?.answer()
    await settled()
    expect(open.map(({ position }) => position.at.u)).toEqual([1, 3])
    expect(drag.preview?.texts).toEqual({ u: '1' })
    open[1]?.answer()
    await settled()
    expect(drag.preview?.texts).toEqual({ u: '3' })
  })

  it('takes no answer that comes after it was let go', async () => {
    const { open, ask } = server()
    const drag = new Drag(ask)
    void drag.to(at(1))
    open[0]?.answer()
    await settled()
    void drag.to(at(2))
    drag.end()
    open[1]?.answer()
    await settled()
    expect(drag.preview?.texts).toEqual({ u: '1' })
    drag.stop()
    expect(drag.preview).toBeNull()
  })
})
