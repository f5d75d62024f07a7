/** A drag on its way: one question at a time, and after it the newest position. */
import type { Outcome, Point, Preview } from '../../api/client'

export interface Position {
  view: 'floor' | 'section' | 'front'
  target: string
  at: Point
  /** In the drawing of the room while it serves for something else. */
  stowed: boolean
}
type Ask = (position: Position, number: number) => Promise<Outcome<Preview>>

export class Drag {
  /** What differs from the build while something is dragged. */
  preview = $state.raw<Preview | null>(null)

  readonly #ask: Ask
  #wanted: Position | null = null
  #asking = false
  #number = 0

  constructor(ask: Ask) {
    this.#ask = ask
  }

  /** Shows what letting go here would do. Only the newest position is asked for once the last is answered. */
  async to(position: Position): Promise<void> {
    this.#wanted = position
    if (this.#asking) return
    this.#asking = true
    while (this.#wanted !== null) {
      const wanted: Position = this.#wanted
      this.#wanted = null
      const number = ++this.#number
      const { data } = await this.#ask(wanted, number)
      if (data?.number === this.#number) this.preview = data
    }
    this.#asking = false
  }

  /** Takes no answer any more that is on its way; what is shown stays until the edit is in. */
  end(): void {
    this.#wanted = null
    this.#number += 1
  }

  /** Leaves things where they were before the drag. */
  stop(): void {
    this.end()
    this.preview = null
  }
}
