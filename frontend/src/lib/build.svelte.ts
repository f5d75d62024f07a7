/** The build on screen: the newest reply, edits in their turn, and what differs while something is dragged. */
import { createContext } from 'svelte'
import {
  api,
  outcome,
  type BuildReply,
  type Problem,
  type Report,
  type ScenePreview,
  type Slot,
  type Verdict,
} from '../api/client'
import { Drag, type Position } from './build/drag.svelte'
import { Edits } from './build/edits'
import { EditQueue, type HeldEdit, type Send } from './build/queue.svelte'
import { changedReport } from './difference'
import { Resource } from './resource.svelte'
import { steps } from './steps'

const UNDO = 'undo'
const REDO = 'redo'

export class BuildState extends Edits {
  readonly id: number
  reply = $state.raw<BuildReply | null>(null)
  problem = $state<string | null>(null)
  missing = $state(false)
  /** The revision of a build that is there but cannot be shown. */
  unreadable = $state.raw<number | null>(null)

  readonly #drag = new Drag(({ view, target, at, stowed }, number) => {
    const body = { revision: this.revision, number, view, target, u: at.u, v: at.v, stowed }
    return outcome(api.POST('/api/builds/{build_id}/drag/preview', { ...this.path, body }))
  })
  readonly #queue: EditQueue
  /** The drawing with a part that is only looked at. */
  readonly #considered = new Resource<ScenePreview, [Slot, string]>((signal, slot, part_id) => {
    const params = { path: { build_id: this.id, slot, part_id } }
    return outcome(api.GET('/api/builds/{build_id}/chain/{slot}/drawing/{part_id}', { params, signal }))
  })

  /** What a drag shows, as long as it was made of the build as it is. */
  #preview = $derived(this.#drag.preview?.revision === this.reply?.revision ? this.#drag.preview : null)
  report: Report | undefined = $derived(
    this.reply && this.#preview ? changedReport(this.reply.report, this.#preview.report) : this.reply?.report,
  )
  texts: Record<string, string> = $derived({ ...this.reply?.texts, ...this.#preview?.texts })

  constructor(id: number) {
    super()
    this.id = id
    this.#queue = new EditQueue(this)
  }

  get considered(): ScenePreview | null {
    return this.#considered.data
  }
  get pending(): number {
    return this.#queue.pending
  }
  get waiting(): string[] {
    return this.#queue.waiting
  }
  get held(): HeldEdit | null {
    return this.#queue.held
  }
  /** The revision that the next edit is made on. */
  get revision(): number {
    return this.reply?.revision ?? this.unreadable ?? 0
  }

  async load(): Promise<void> {
    const found = await outcome(api.GET('/api/builds/{build_id}', this.path))
    this.missing = found.status === 404
    this.unreadable = found.revision ?? null
    if (found.data) this.take(found.data, null)
    else if (!this.missing) this.problem = found.message
  }

  /** Looks whether another window has changed the build, and shows it as it is. */
  async refresh(): Promise<void> {
    if (this.pending === 0 && !this.held) await this.load()
  }

  /** The build as an edit has left it, or `null` for what somebody else made of it. */
  take(reply: BuildReply, what: string | null): void {
    const moved = reply.revision !== this.reply?.revision
    if (what !== null && what !== UNDO && what !== REDO && moved) steps.did('build')
    this.reply = reply
    this.stopConsidering()
    this.#drag.stop()
    this.problem = null
    this.unreadable = null
  }

  /** An edit was not made; with a message, for a reason that no field is to blame for. */
  refused(message: string | null): void {
    this.#drag.stop()
    if (message !== null) this.problem = message
  }

  /** Shows the drawing with `part` in `slot`, before it is picked, once somebody stays with it. */
  consider(slot: Slot, part: string): void {
    this.#considered.soon(slot, part)
  }

  stopConsidering(): void {
    this.#considered.clear()
  }

  undo(): Promise<Problem[]> {
    if (!this.reply?.undo && this.unreadable === null) return Promise.resolve([])
    return this.edit(UNDO, (told) =>
      outcome(api.POST('/api/builds/{build_id}/undo', { ...this.path, body: told })),
    )
  }

  redo(): Promise<Problem[]> {
    if (!this.reply?.redo) return Promise.resolve([])
    return this.edit(REDO, (told) =>
      outcome(api.POST('/api/builds/{build_id}/redo', { ...this.path, body: told })),
    )
  }

  /** Shows what letting go here would do. */
  dragTo(position: Position): void {
    void this.#drag.to(position)
  }

  /** Leaves things where they were before the drag. */
  stopDrag(): void {
    this.#drag.stop()
  }

  /** Moves what was dragged. */
  drop(name: string, position: Position): Promise<Problem[]> {
    this.#drag.end()
    return this.letGo(name, position)
  }

  /** The verdict of check `id` about the player of `subjectId`. */
  verdict(id: string, subjectId = ''): Verdict | undefined {
    return this.report?.verdicts.find((verdict) => verdict.id === id && verdict.subject_id === subjectId)
  }

  /** Settles as soon as an edit has found that there is no connection: whoever typed it may go on. */
  connectionLost(): Promise<void> {
    return this.#queue.lost()
  }

  /** Gives up what waits for the connection. */
  dropWaiting(): void {
    this.#queue.drop()
  }

  /** Makes the edit no more that somebody else was faster than. */
  letHeldGo(): void {
    this.#queue.letGo()
  }

  protected edit(what: string, send: Send): Promise<Problem[]> {
    return this.#queue.add(what, send)
  }
}

export const [useBuild, provideBuild] = createContext<() => BuildState>()
