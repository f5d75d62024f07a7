/** The best baskets of a build: asked for, looked at while they are worked out, and there again after a reload. */
import { api, outcome, type BasketsAsked, type BasketsJob } from '../api/client'
import { Resource } from './resource.svelte'

const LOOKS_EVERY_MS = 700

export class Baskets {
  readonly #build_id: number
  readonly #looking = new Resource<BasketsJob>((signal) =>
    outcome(
      api.GET('/api/builds/{build_id}/money/baskets', {
        params: { path: { build_id: this.#build_id } },
        signal,
      }),
    ),
  )
  message = $state('')
  #timer: ReturnType<typeof setTimeout> | undefined

  constructor(build_id: number) {
    this.#build_id = build_id
  }

  get job(): BasketsJob['job'] {
    return this.#looking.data?.job ?? null
  }

  get found(): BasketsJob['baskets'] {
    return this.#looking.data?.baskets ?? null
  }

  get isOpen(): boolean {
    return this.job !== null && (this.job.state === 'waiting' || this.job.state === 'running')
  }

  /** Looks how far they are, and again for as long as they are worked out. */
  async look(): Promise<void> {
    clearTimeout(this.#timer)
    await this.#looking.load()
    this.message = this.#looking.message
    if (this.isOpen) this.#timer = setTimeout(() => void this.look(), LOOKS_EVERY_MS)
  }

  async ask(asked: BasketsAsked): Promise<void> {
    const params = { path: { build_id: this.#build_id } }
    const made = await outcome(api.POST('/api/builds/{build_id}/money/baskets', { params, body: asked }))
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
