import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Outcome } from '../api/client'
import { PATIENCE_MS, Resource } from './resource.svelte'

interface Asked {
  words: string
  signal: AbortSignal
  answer: (outcome: Partial<Outcome<string>>) => Promise<void>
}
function asking() {
  const asked: Asked[] = []
  const resource = new Resource<string, [string]>(
    (signal, words) =>
      new Promise((settle) => {
        asked.push({
          words,
          signal,
          answer: (outcome) => {
            settle({ status: 200, message: '', problems: [], ...outcome })
            return Promise.resolve()
          },
        })
      }),
  )
  return { asked, resource }
}

describe('something that is loaded', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('lets the newest question win, and breaks the older one off', async () => {
    const { asked, resource } = asking()
    const first = resource.load('a')
    const second = resource.load('b')
    expect(asked[0]?.signal.aborted).toBe(true)
    await asked[1]?.answer({ data: 'B' })
    await asked[0]?.answer({ data: 'A' })
    await Promise.all([first, second])
    expect(resource.data).toBe('B')
    expect(resource.loading).toBe(false)
  })

  it('waits until nothing else has been wanted for a moment', async () => {
    const { asked, resource } = asking()
    for (const words of ['s', 'sc', 'scr']) resource.soon(words)
    await vi.advanceTimersByTimeAsync(PATIENCE_MS - 1)
    expect(asked).toHaveLength(0)
    await vi.advanceTimersByTimeAsync(1)
    expect(asked.map(({ words }) => words)).toEqual(['scr'])
  })

  it('keeps what was there where no answer comes, and says why', async () => {
    const { asked, resource } = asking()
    const first = resource.load('a')
    await asked[0]?.answer({ data: 'A' })
    await first
    const second = resource.load('b')
    await asked[1]?.answer({ status: 0, message: 'The server did not answer.' })
    await second
    expect(resource.data).toBe('A')
    expect(resource.message).toBe('The server did not answer.')
  })

  it('takes nothing after it was stopped', async () => {
    const { asked, resource } = asking()
    const first = resource.load('a')
    resource.stop()
    await asked[0]?.answer({ data: 'A' })
    await first
    expect(resource.data).toBeNull()
    resource.soon('b')
    resource.clear()
    await vi.advanceTimersByTimeAsync(PATIENCE_MS * 2)
    expect(asked).toHaveLength(1)
  })
})
