/** Something that is asked of the server: what came, what went wrong, and whether it is on its way. */
import type { Outcome, Problem } from '../api/client'

/** How long somebody who types, or passes over a list, is waited for before anything is asked. */
export const PATIENCE_MS = 180

/** Why something was refused: in words, and value by value. */
export interface Refused {
  message: string
  problems: Problem[]
}

type Ask<T, A extends unknown[]> = (signal: AbortSignal, ...args: A) => Promise<Outcome<T>>

/** The newest question wins: one that is asked before the last is answered breaks that off. */
export class Resource<T, A extends unknown[] = []> {
  data = $state.raw<T | null>(null)
  /** Why the newest question was not answered. */
  message = $state('')
  problems = $state.raw<Problem[]>([])
  status = $state(0)
  loading = $state(false)

  readonly #ask: Ask<T, A>
  #asked: AbortController | null = null
  #timer: ReturnType<typeof setTimeout> | undefined

  constructor(ask: Ask<T, A>) {
    this.#ask = ask
  }

  /** Asks at once. What was there stays until the answer comes, and where none comes. */
  async load(...args: A): Promise<void> {
    this.stop()
    const asked = new AbortController()
    this.#asked = asked
    this.loading = true
    const found = await this.#ask(asked.signal, ...args)
    if (this.#asked !== asked) return
    this.#asked = null
    this.loading = false
    this.status = found.status
    this.problems = found.problems
    this.message = found.data === undefined ? found.message : ''
    if (found.data !== undefined) this.data = found.data
  }

  /** Asks once nothing else has been wanted for a moment. */
  soon(...args: A): void {
    this.stop()
    this.#timer = setTimeout(() => void this.load(...args), PATIENCE_MS)
  }

  /** Asks no more, and takes no answer that is still on its way. */
  stop(): void {
    clearTimeout(this.#timer)
    this.#asked?.abort()
    this.#asked = null
    this.loading = false
  }

  /** Forgets what came. */
  clear(): void {
    this.stop()
    this.data = null
    this.message = ''
    this.problems = []
  }

  /** Why the newest question was refused; nothing where it was answered. */
  get refusal(): Refused | null {
    return this.message || this.problems.length > 0
      ? { message: this.message, problems: this.problems }
      : null
  }

  /** What went wrong, in one line: a bad value before anything else. */
  get problem(): string {
    const [first] = this.problems
    return first && this.data === null ? `${first.value}: ${first.accepted}` : this.message
  }
}
