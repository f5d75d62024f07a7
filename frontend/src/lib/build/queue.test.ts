import { describe, expect, it, vi } from 'vitest'
import type { BuildReply, Outcome } from '../../api/client'
import { EditQueue, type Told } from './queue.svelte'

const LOST: Outcome<BuildReply> = { status: 0, message: 'The server did not answer.', problems: [] }
const made = (revision: number): Outcome<BuildReply> => ({
  data: { revision } as BuildReply,
  status: 200,
  message: '',
  problems: [],
})

/** A build as the queue knows it, that counts what is done to it. */
function build() {
  return {
    revision: 0,
    taken: [] as (string | null)[],
    loads: 0,
    refusals: [] as (string | null)[],
    take(reply: BuildReply, what: string | null) {
      this.revision = reply.revision
      this.taken.push(what)
    },
    load() {
      this.loads += 1
      return Promise.resolve()
    },
    refused(message: string | null) {
      this.refusals.push(message)
    },
  }
}

describe('edits in their turn', () => {
  it('makes each on the revision that the one before it left', async () => {
    const edited = build()
    const queue = new EditQueue(edited)
    const sent: number[] = []
    const send = ({ revision }: Told) => {
      sent.push(revision)
      return Promise.resolve(made(revision + 1))
    }
    await Promise.all([queue.add('one', send), queue.add('two', send), queue.add('three', send)])
    expect(sent).toEqual([0, 1, 2])
    expect(edited.taken).toEqual(['one', 'two', 'three'])
    expect(queue.pending).toBe(0)
  })

  it('sends an edit whose answer was lost again, under the same key', async () => {
    vi.useFakeTimers()
    const queue = new EditQueue(build())
    const keys: string[] = []
    const answers = [LOST, { ...LOST, status: 503 }, made(1)]
    const add = queue.add('a wider room', ({ key }) => {
      keys.push(key)
      return Promise.resolve(answers.shift() ?? LOST)
    })
    await queue.lost()
    expect(queue.waiting).toEqual(['a wider room'])
    await vi.advanceTimersByTimeAsync(7000)
    await add
    expect(new Set(keys).size).toBe(1)
    expect(keys).toHaveLength(3)
    expect(queue.waiting).toEqual([])
    const other: string[] = []
    await queue.add('another', ({ key }) => {
      other.push(key)
      return Promise.resolve(made(2))
    })
    expect(other[0]).not.toBe(keys[0])
    vi.useRealTimers()
  })

  it('gives up what waits when it is dropped, and looks at the build as it is', async () => {
    const edited = build()
    const queue = new EditQueue(edited)
    const first = queue.add('one', () => Promise.resolve(LOST))
    await queue.lost()
    const second = queue.add('two', () => Promise.resolve(LOST))
    expect(queue.waiting).toEqual(['one', 'two'])
    queue.drop()
    expect(await first).toEqual([])
    expect(await second).toEqual([])
    expect(edited.loads).toBe(1)
    expect(queue.waiting).toEqual([])
  })

  it('holds an edit that somebody else was faster than, and makes it on their revision', async () => {
    const edited = build()
    const queue = new EditQueue(edited)
    const answers = [
      { status: 409, message: 'Changed.', problems: [], current: { revision: 5 } as BuildReply },
      made(6),
    ]
    const seen: number[] = []
    const send = ({ revision }: Told) => {
      seen.push(revision)
      return Promise.resolve(answers.shift() ?? LOST)
    }
    await queue.add('moving the ball', send)
    expect(queue.held?.what).toBe('moving the ball')
    expect(edited.taken).toEqual([null])
    await queue.held?.retry()
    expect(seen).toEqual([0, 5])
    expect(queue.held).toBeNull()
  })

  it('answers what was wrong with what was typed, and says so nowhere else', async () => {
    const edited = build()
    const problem = { field: 'width_m', value: 'wide', accepted: 'a length' }
    const found = await new EditQueue(edited).add('a width', () =>
      Promise.resolve({ status: 422, message: 'Not accepted.', problems: [problem] }),
    )
    expect(found).toEqual([problem])
    expect(edited.refusals).toEqual([null])
  })
})
