/** What somebody waits for on a build, and what came to its target. */
import { api, outcome, type WatchesNow, type WatchNow } from '../api/client'
import { session } from './session.svelte'
import { Work } from './work.svelte'

export interface WatchWanted {
  kind: WatchNow['kind']
  subject: string
  target: string
  needed_by: string | null
  sold_as: ('new' | 'refurbished' | 'ex-display' | 'used')[]
  shops: string[]
}

export class Watches {
  readonly #build: number
  readonly work: Work<WatchesNow>
  refused = $state('')

  constructor(build: number) {
    this.#build = build
    const params = { path: { build_id: build } }
    this.work = new Work<WatchesNow>((signal) =>
      outcome(api.GET('/api/builds/{build_id}/watches', { params, signal })),
    )
  }

  get told(): WatchesNow | null {
    return this.work.told
  }

  of(kind: WatchNow['kind'], subject: string): WatchNow | null {
    return this.told?.watches.find((watch) => watch.kind === kind && watch.subject === subject) ?? null
  }

  /** Waits for it; answers what is wrong, or nothing. */
  async set(wanted: WatchWanted): Promise<string> {
    const params = { path: { build_id: this.#build } }
    const made = await outcome(api.POST('/api/builds/{build_id}/watches', { params, body: wanted }))
    if (!made.data) return made.problems[0]?.accepted ?? made.message
    await this.work.look()
    return ''
  }

  async drop(watch: WatchNow): Promise<void> {
    const params = { path: { watch_id: watch.id } }
    await this.#sent(outcome(api.DELETE('/api/prices/watches/{watch_id}', { params })))
  }

  async putAway(alert_id: number): Promise<void> {
    const params = { path: { alert_id } }
    await this.#sent(outcome(api.POST('/api/prices/alerts/{alert_id}/seen', { params })))
  }

  async lookAgain(): Promise<void> {
    const params = { path: { build_id: this.#build } }
    await this.work.begin(outcome(api.POST('/api/builds/{build_id}/watches/look', { params })))
  }

  async #sent(asked: Promise<{ message: string; status: number }>): Promise<void> {
    const made = await asked
    this.refused = made.status >= 400 || made.status === 0 ? made.message : ''
    await this.work.look()
    void session.load()
  }
}
