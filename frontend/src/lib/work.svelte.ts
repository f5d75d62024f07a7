/** Long work for a build: asked for, looked at while it is done, and there again after a reload. */
import { api, outcome, type JobNow, type Outcome } from '../api/client'
import { Resource } from './resource.svelte'

/** Soon at first: much of it takes no longer. */
const LOOKS_AFTER_MS = [150, 250, 400, 700]

interface Told {
  job: JobNow | null
}

export class Work<T extends Told> {
  readonly #looking: Resource<T>
  message = $state('')
  #timer: ReturnType<typeof setTimeout> | undefined
  #looks = 0

  constructor(look: (signal: AbortSignal) => Promise<Outcome<T>>) {
    this.#looking = new Resource<T>(look)
  }

  get told(): T | null {
    return this.#looking.data
  }

  get job(): JobNow | null {
    return this.told?.job ?? null
  }

  get isOpen(): boolean {
    return this.job !== null && (this.job.state === 'waiting' || this.job.state === 'running')
  }

  /** Looks how far it is, and again for as long as it is worked on. */
  async look(): Promise<void> {
    clearTimeout(this.#timer)
    await this.#looking.load()
    this.message = this.#looking.message
    if (!this.isOpen) return
    const waits = LOOKS_AFTER_MS[Math.min(this.#looks++, LOOKS_AFTER_MS.length - 1)]
    this.#timer = setTimeout(() => void this.look(), waits)
  }

  /** Has it begun by what was `sent`, and looks on. */
  async begin(sent: Promise<Outcome<T>>): Promise<void> {
    const made = await sent
    this.#looks = 0
    this.message = made.data ? '' : (made.problems[0]?.accepted ?? made.message)
    if (made.data) await this.look()
  }

  async cancel(): Promise<void> {
    if (!this.job) return
    await outcome(api.POST('/api/jobs/{job_id}/cancel', { params: { path: { job_id: this.job.id } } }))
    await this.look()
  }

  stop(): void {
    clearTimeout(this.#timer)
    this.#looking.stop()
  }
}
