/** The build on screen: the newest reply, edits in their turn, and drags on their way. */
import { createContext } from 'svelte'
import {
  api,
  outcome,
  type BriefChange,
  type BuildReply,
  type Club,
  type ContentChange,
  type ContentGroup,
  type Decision,
  type JoistsChange,
  type LayoutChange,
  type Outcome,
  type PlayerChange,
  type Preview,
  type Problem,
  type Report,
  type ExtraChange,
  type RoomChange,
  type ScenePreview,
  type SmallChange,
  type Slot,
  type Verdict,
} from '../api/client'
import { steps } from './steps'

const RETRY_MS = 3000
/** Others are storing just now: nothing was stored, and it is sent again as without a connection. */
const BUSY = 503
const UNDO = 'undo'
const REDO = 'redo'

type Send = (revision: number) => Promise<Outcome<BuildReply>>

/** An edit that was not made: what it was, and how to make it after all. */
export interface HeldEdit {
  message: string
  what: string
  retry: () => Promise<Problem[]>
}

export class BuildState {
  readonly id: number
  reply = $state.raw<BuildReply | null>(null)
  preview = $state.raw<Preview | null>(null)
  /** The drawing with a part that is only looked at. */
  considered = $state.raw<ScenePreview | null>(null)
  held = $state.raw<HeldEdit | null>(null)
  problem = $state<string | null>(null)
  missing = $state(false)
  /** The revision of a build that is there but cannot be shown. */
  unreadable = $state.raw<number | null>(null)
  pending = $state(0)
  /** What waits for the connection, in the order in which it is made once that is back. */
  waiting = $state.raw<string[]>([])

  report: Report | undefined = $derived(this.preview?.report ?? this.reply?.report)
  texts: Record<string, string> = $derived(this.preview?.texts ?? this.reply?.texts ?? {})

  #queue: Promise<unknown> = Promise.resolve()
  #drag: { target: string; change: LayoutChange | ContentChange } | null = null
  #dragging = false
  #dragNumber = 0
  #wish = 0
  #onLost: (() => void)[] = []
  #dropped = false
  #wake: (() => void) | undefined

  constructor(id: number) {
    this.id = id
  }

  async load(): Promise<void> {
    const found = await outcome(
      api.GET('/api/builds/{build_id}', { params: { path: { build_id: this.id } } }),
    )
    this.missing = found.status === 404
    this.unreadable = found.revision ?? null
    if (found.data) this.#take(found.data)
    else if (!this.missing) this.problem = found.message
  }

  /** Looks whether another window has changed the build, and shows it as it is. */
  async refresh(): Promise<void> {
    if (this.pending === 0 && !this.held) await this.load()
  }

  changeBrief(what: string, change: BriefChange): Promise<Problem[]> {
    return this.#edit(what, (revision) =>
      outcome(api.PATCH('/api/builds/{build_id}/brief', { ...this.#path, body: { revision, ...change } })),
    )
  }

  addPlayer(): Promise<Problem[]> {
    return this.#edit('a new player', (revision) =>
      outcome(api.POST('/api/builds/{build_id}/players', { ...this.#path, body: { revision } })),
    )
  }

  changePlayer(player_id: string, what: string, change: PlayerChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id } }
    return this.#edit(what, (revision) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/players/{player_id}', { params, body: { revision, ...change } }),
      ),
    )
  }

  removePlayer(player_id: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id } }
    return this.#edit('taking a player out', (revision) =>
      outcome(api.POST('/api/builds/{build_id}/players/{player_id}/remove', { params, body: { revision } })),
    )
  }

  measureReach(player_id: string, club: Club, what: string, height_m: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id, club } }
    return this.#edit(`test swing, ${what}`, (revision) =>
      outcome(
        api.PUT('/api/builds/{build_id}/players/{player_id}/reaches/{club}', {
          params,
          body: { revision, height_m },
        }),
      ),
    )
  }

  withdrawReach(player_id: string, club: Club, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id, club } }
    return this.#edit(`withdrawing the test swing of ${name}`, (revision) =>
      outcome(
        api.POST('/api/builds/{build_id}/players/{player_id}/reaches/{club}/withdraw', {
          params,
          body: { revision },
        }),
      ),
    )
  }

  measureRoom(what: string, change: RoomChange): Promise<Problem[]> {
    return this.#edit(what, (revision) =>
      outcome(api.PATCH('/api/builds/{build_id}/room', { ...this.#path, body: { revision, ...change } })),
    )
  }

  move(what: string, change: LayoutChange): Promise<Problem[]> {
    this.#forgetDrag()
    return this.#edit(what, (revision) =>
      outcome(api.PATCH('/api/builds/{build_id}/layout', { ...this.#path, body: { revision, ...change } })),
    )
  }

  addContent(group: ContentGroup, kind: string, what: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, group } }
    return this.#edit(`adding: ${what}`, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/contents/{group}', { params, body: { revision, kind } })),
    )
  }

  changeContent(subject: string, what: string, change: ContentChange): Promise<Problem[]> {
    this.#forgetDrag()
    return this.#edit(what, (revision) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/contents/{group}/{content_id}', {
          ...this.#content(subject),
          body: { revision, ...change },
        }),
      ),
    )
  }

  removeContent(subject: string, name: string): Promise<Problem[]> {
    return this.#edit(`taking ${name} out`, (revision) =>
      outcome(
        api.POST('/api/builds/{build_id}/contents/{group}/{content_id}/remove', {
          ...this.#content(subject),
          body: { revision },
        }),
      ),
    )
  }

  measureJoists(what: string, change: JoistsChange): Promise<Problem[]> {
    return this.#edit(what, (revision) =>
      outcome(api.PUT('/api/builds/{build_id}/joists', { ...this.#path, body: { revision, ...change } })),
    )
  }

  forgetJoists(): Promise<Problem[]> {
    return this.#edit('joists not known', (revision) =>
      outcome(api.POST('/api/builds/{build_id}/joists/forget', { ...this.#path, body: { revision } })),
    )
  }

  addRoom(name: string): Promise<Problem[]> {
    return this.#edit(`room ${name}`, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/rooms', { ...this.#path, body: { revision, name } })),
    )
  }

  /** Builds in another room, or in the chosen one with the screen on another wall. */
  chooseRoom(room_id: string | null, quarters: number, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, room_id: room_id ?? '' } }
    return this.#edit(`building in ${name}`, (revision) =>
      outcome(
        room_id === null
          ? api.POST('/api/builds/{build_id}/rooms/screen', { ...this.#path, body: { revision, quarters } })
          : api.POST('/api/builds/{build_id}/rooms/{room_id}/choose', {
              params,
              body: { revision, quarters },
            }),
      ),
    )
  }

  dropRoom(room_id: string, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, room_id } }
    return this.#edit(`dropping ${name}`, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/rooms/{room_id}/drop', { params, body: { revision } })),
    )
  }

  hang(slot: Slot, part: string, name: string): Promise<Problem[]> {
    return this.#edit(`hanging ${name}`, (revision) =>
      outcome(
        api.PUT('/api/builds/{build_id}/chain/{slot}', { ...this.#place(slot), body: { revision, part } }),
      ),
    )
  }

  decide(slot: Slot, what: string, change: Decision): Promise<Problem[]> {
    return this.#edit(what, (revision) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/chain/{slot}', {
          ...this.#place(slot),
          body: { revision, ...change },
        }),
      ),
    )
  }

  takeDown(slot: Slot, name: string): Promise<Problem[]> {
    return this.#edit(`taking ${name} down`, (revision) =>
      outcome(
        api.POST('/api/builds/{build_id}/chain/{slot}/take-down', {
          ...this.#place(slot),
          body: { revision },
        }),
      ),
    )
  }

  decideItem(item: string, what: string, change: SmallChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, item } }
    return this.#edit(what, (revision) =>
      outcome(
        api.PUT('/api/builds/{build_id}/small-items/{item}', { params, body: { revision, ...change } }),
      ),
    )
  }

  reopenItem(item: string, title: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, item } }
    return this.#edit(`${title}, open again`, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/small-items/{item}/reopen', { params, body: { revision } })),
    )
  }

  takeCheapest(): Promise<Problem[]> {
    return this.#edit('the cheapest small items', (revision) =>
      outcome(api.POST('/api/builds/{build_id}/small-items/cheapest', { ...this.#path, body: { revision } })),
    )
  }

  addExtra(part: string, name: string): Promise<Problem[]> {
    return this.#edit(`adding ${name}`, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/extras', { ...this.#path, body: { revision, part } })),
    )
  }

  changeExtra(extra_id: string, what: string, change: ExtraChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, extra_id } }
    return this.#edit(what, (revision) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/extras/{extra_id}', { params, body: { revision, ...change } }),
      ),
    )
  }

  dropExtra(extra_id: string, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, extra_id } }
    return this.#edit(`dropping ${name}`, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/extras/{extra_id}/drop', { params, body: { revision } })),
    )
  }

  /** Shows the drawing with `part` in `slot`, before it is picked. Only the newest wish is shown. */
  async consider(slot: Slot, part: string): Promise<void> {
    const wish = ++this.#wish
    const params = { path: { build_id: this.id, slot, part_id: part } }
    const { data } = await outcome(
      api.GET('/api/builds/{build_id}/chain/{slot}/drawing/{part_id}', { params }),
    )
    if (wish === this.#wish && data) this.considered = data
  }

  stopConsidering(): void {
    this.#wish += 1
    this.considered = null
  }

  rename(name: string): Promise<Problem[]> {
    return this.#edit(`the name ${name}`, (revision) =>
      outcome(api.PATCH('/api/builds/{build_id}', { ...this.#path, body: { revision, name } })),
    )
  }

  undo(): Promise<Problem[]> {
    if (!this.reply?.undo && this.unreadable === null) return Promise.resolve([])
    return this.#edit(UNDO, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/undo', { ...this.#path, body: { revision } })),
    )
  }

  redo(): Promise<Problem[]> {
    if (!this.reply?.redo) return Promise.resolve([])
    return this.#edit(REDO, (revision) =>
      outcome(api.POST('/api/builds/{build_id}/redo', { ...this.#path, body: { revision } })),
    )
  }

  /** Shows what a drag would do. One request is under way at a time; only the newest position follows it. */
  async dragTo(target: string, change: LayoutChange | ContentChange): Promise<void> {
    this.#drag = { target, change }
    if (this.#dragging) return
    this.#dragging = true
    while (this.#drag !== null) {
      const { target, change } = this.#drag
      const body = { revision: this.reply?.revision ?? 0, number: ++this.#dragNumber, ...change }
      this.#drag = null
      const { data } = await outcome(
        target.includes('/')
          ? api.POST('/api/builds/{build_id}/contents/{group}/{content_id}/preview', {
              ...this.#content(target),
              body,
            })
          : api.POST('/api/builds/{build_id}/preview', { ...this.#path, body }),
      )
      if (data?.number === this.#dragNumber) this.preview = data
    }
    this.#dragging = false
  }

  /** Leaves things where they were before the drag. */
  stopDrag(): void {
    this.#forgetDrag()
    this.preview = null
  }

  /** The verdict of check `id` about the player of `subjectId`. */
  verdict(id: string, subjectId = ''): Verdict | undefined {
    return this.report?.verdicts.find((verdict) => verdict.id === id && verdict.subject_id === subjectId)
  }

  #forgetDrag(): void {
    this.#drag = null
    this.#dragNumber += 1
  }

  get #path() {
    return { params: { path: { build_id: this.id } } }
  }

  /** The address of one of the room's contents, `things/beam` say. */
  #content(subject: string) {
    const [group, content_id = ''] = subject.split('/')
    return { params: { path: { build_id: this.id, group: group as ContentGroup, content_id } } }
  }

  #place(slot: Slot) {
    return { params: { path: { build_id: this.id, slot } } }
  }

  /** Settles as soon as an edit has found that there is no connection: whoever typed it may go on. */
  connectionLost(): Promise<void> {
    return new Promise((settle) => this.#onLost.push(settle))
  }

  /** Gives up what waits for the connection. */
  dropWaiting(): void {
    this.#dropped = true
    this.#wake?.()
  }

  /** Makes edits one after the other, each on the revision that the one before it left. */
  #edit(what: string, send: Send): Promise<Problem[]> {
    this.pending += 1
    const lost = this.waiting.length > 0
    if (lost) this.waiting = [...this.waiting, what]
    const made = this.#queue.then(() => this.#make(what, send))
    this.#queue = made.finally(() => (this.pending -= 1))
    if (lost) this.#tellLost()
    return made
  }

  #tellLost(): void {
    for (const settle of this.#onLost.splice(0)) settle()
  }

  /** Sends until an answer comes. Without a connection the edit waits, and those after it wait behind it. */
  async #answered(what: string, send: Send): Promise<Outcome<BuildReply> | null> {
    for (;;) {
      if (this.#dropped) return null
      const found = await send(this.reply?.revision ?? this.unreadable ?? 0)
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
        await this.load()
      }
      return []
    }
    const { data, current, status, message, problems } = found
    if (data) {
      if (what !== UNDO && what !== REDO && data.revision !== this.reply?.revision) steps.did('build')
      this.#take(data)
      this.held = null
      return []
    }
    this.preview = null
    if (problems.length > 0) return problems
    if (current) this.#take(current)
    if (status === 409) {
      this.held = { message, what, retry: () => this.#edit(what, send) }
    } else {
      this.problem = message
    }
    return []
  }

  #take(reply: BuildReply): void {
    this.reply = reply
    this.stopConsidering()
    this.preview = null
    this.problem = null
    this.unreadable = null
  }
}

export const [useBuild, provideBuild] = createContext<() => BuildState>()
