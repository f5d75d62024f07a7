/** Edits in their turn: one after the other, waiting for the connection, and held where somebody was faster. */
import type { BuildReply, Outcome, Problem } from '../../api/client'

const RETRY_MS = 3000
/** Others are storing just now: nothing was stored, and it is sent again as without a connection. */
const BUSY = 503
const CONFLICT = 409

/** What an edit says of itself: the revision it is made on, and a key that it keeps when it is sent again. */
export interface Told {
  revision: number
  key: string
}
export type Send = (told: Told) => Promise<Outcome<BuildReply>>

/** An edit that was not made: what it was, and how to make it after all. */
export interface HeldEdit {
  message: string
  what: string
  retry: () => Promise<Problem[]>
}

/** What a queue knows of the build that it edits. */
export interface Edited {
  readonly revision: number
  /** The build as an edit, or somebody else's, has left it. */
  take: (reply: BuildReply, what: string | null) => void
  /** Asks for the build as it is. */
  load: () => Promise<void>
  refused: (message: string | null) => void
}

export class EditQueue {
  pending = $state(0)
  held = $state.raw<HeldEdit | null>(null)
  /** What waits for the connection, in the order in which it is made once that is back. */
  waiting = $state.raw<string[]>([])

  readonly #build: Edited
  #last: Promise<unknown> = Promise.resolve()
  #onLost: (() => void)[] = []
  #dropped = false
  #wake: (() => void) | undefined

  constructor(build: Edited) {
    this.#build = build
  }

  /** Makes edits one after the other, each on the revision that the one before it left. */
  add(what: string, send: Send): Promise<Problem[]> {
    this.pending += 1
    const lost = this.waiting.length > 0
    if (lost) this.waiting = [...this.waiting, what]
    const made = this.#last.then(() => this.#make(what, send))
    this.#last = made.finally(() => (this.pending -= 1))
    if (lost) this.#tellLost()
    return made
  }

  /** Settles as soon as an edit has found that there is no connection: whoever typed it may go on. */
  lost(): Promise<void> {
    return new Promise((settle) => this.#onLost.push(settle))
  }

  /** Gives up what waits for the connection. */
  drop(): void {
    this.#dropped = true
    this.#wake?.()
  }

  /** Makes the held edit no more. */
  letGo(): void {
    this.held = null
  }

  #tellLost(): void {
    for (const settle of this.#onLost.splice(0)) settle()
  }

  /** Sends until an answer comes. Without a connection the edit waits, and those after it wait behind it. */
  async #answered(what: string, send: Send): Promise<Outcome<BuildReply> | null> {
    // An edit whose answer is lost is sent again under the same key, and so is never made twice.
    const key = crypto.randomUUID()
    for (;;) {
      if (this.#dropped) return null
      const found = await send({ revision: this.#build.revision, key })
      if (found.status !== 0 && found.status !== BUSY) {
        this.waiting = this.waiting.slice(1)
        return found
      }
      if (this.waiting.length === 0) this.waiting = [what]
      this.#tellLost()
      await this.#pause()
    }
  }

  /** Until the browser is back on line, or a while has passed. */
  #pause(): Promise<void> {
    return new Promise((settle) => {
      const timer = setTimeout(go, RETRY_MS)
      function go(): void {
        clearTimeout(timer)
        window.removeEventListener('online', go)
        settle()
      }
      this.#wake = go
      window.addEventListener('online', go)
    })
  }

  async #make(what: string, send: Send): Promise<Problem[]> {
    const found = await this.#answered(what, send)
    if (!found) {
      this.waiting = this.waiting.slice(1)
      if (this.waiting.length === 0) {
        this.#dropped = false
        await this.#build.load()
      }
      return []
    }
    const { data, current, status, message, problems } = found
    if (data) {
      this.#build.take(data, what)
      this.held = null
      return []
    }
    this.#build.refused(null)
    if (problems.length > 0) return problems
    if (current) this.#build.take(current, null)
    if (status === CONFLICT) this.held = { message, what, retry: () => this.add(what, send) }
    else this.#build.refused(message)
    return []
  }
}
