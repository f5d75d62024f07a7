/** The catalogue on screen: what is looked for, what was found, and the part that is open. */
import {
  api,
  type CatalogueHistory,
  type Cited,
  type FoundParts,
  type Loss,
  outcome,
  type Outcome,
  type PartDetail,
  type Problem,
  type SheetField,
  type SheetKind,
  type WantedParts,
} from '../api/client'
import { Resource } from './resource.svelte'
import { steps } from './steps'

export type Facts = Record<string, string>
/** Lists of records by field, each row by its own fields. */
export type Rows = Record<string, Facts[]>

/** What builds would lose by a change of the catalogue, and how to make it all the same. */
export interface InUse {
  losses: Loss[]
  goOn: () => Promise<Problem[]>
}

interface Step {
  revision: number
  bring_along: boolean
}

/** What the filter calls what is asked for. */
const ASKED: Record<string, string> = { least: 'Price from', most: 'Price up to' }

class Catalogue {
  wanted = $state.raw<WantedParts>({})
  readonly #finding = new Resource<FoundParts, [WantedParts]>((signal, query) =>
    outcome(api.GET('/api/catalogue/parts', { params: { query }, signal })),
  )
  readonly #opening = new Resource<PartDetail, [string]>((signal, part_id) =>
    outcome(api.GET('/api/catalogue/parts/{part_id}', { params: { path: { part_id } }, signal })),
  )
  readonly #naming = new Resource<Record<string, string[][]>>((signal) =>
    outcome(api.GET('/api/catalogue/named', { signal })),
  )
  readonly #remembering = new Resource<CatalogueHistory>((signal) =>
    outcome(api.GET('/api/catalogue/history', { signal })),
  )
  readonly #describing = new Resource<SheetKind[]>((signal) =>
    outcome(api.GET('/api/catalogue/kinds', { signal })),
  )
  kinds = $state.raw<SheetKind[]>([])
  /** Parts that facts of other parts may name, by place: id and name of each. */
  named = $state.raw<Record<string, string[][]>>({})
  open = $state.raw<PartDetail | null>(null)
  /** A fact of the open part that somebody was sent to enter. */
  asked = $state('')
  /** What undo would take back in the catalogue, and redo make again. */
  history = $state.raw<CatalogueHistory>({ undo: '', redo: '', revision: 0 })
  /** A change that builds would lose by, and how to make it all the same. */
  inUse = $state.raw<InUse | null>(null)
  problem = $state('')

  sheetOf(kind: string): SheetKind | undefined {
    return this.kinds.find((sheet) => sheet.kind === kind)
  }

  /** What is typed for a fact as it is read: options in words, other parts by their names. */
  wordsOf(field: SheetField, typed: string): string {
    const offered = field.refers_to ? (this.named[field.refers_to] ?? []) : field.options
    if (offered.length === 0) return typed
    const words = new Map(offered.map(([option = '', name = option]) => [option, name]))
    return typed
      .split(', ')
      .map((word) => words.get(word) ?? word)
      .join(', ')
  }

  get found(): FoundParts | null {
    return this.#finding.data
  }

  /** Why the last question was not answered. */
  get refusal(): string {
    const [first] = this.#finding.problems
    return first
      ? `${ASKED[first.field] ?? first.field}, ${first.value}: ${first.accepted}`
      : this.#finding.message
  }

  find(wanted: WantedParts): Promise<void> {
    this.wanted = wanted
    return this.#finding.load(wanted)
  }

  /** As `find`, once whoever types has stopped for a moment. */
  findSoon(wanted: WantedParts): void {
    this.wanted = wanted
    this.#finding.soon(wanted)
  }

  async loadKinds(): Promise<void> {
    void this.#loadNamed()
    void this.loadHistory()
    if (this.kinds.length > 0) return
    await this.#describing.load()
    if (this.#describing.data) this.kinds = this.#describing.data
  }

  async #loadNamed(): Promise<void> {
    await this.#naming.load()
    if (this.#naming.data) this.named = { ...this.#naming.data }
  }

  /** Opens a part, or looks at the open one again; with `quietly` what was said before still stands. */
  async show(part_id: string, quietly = false): Promise<void> {
    this.#opening.clear()
    await this.#opening.load(part_id)
    // A part that was opened meanwhile has broken this one off.
    if (this.#opening.loading) return
    const { data, message, status } = this.#opening
    if (!quietly) this.problem = data || status === 404 ? '' : message
    this.open = data ?? (status === 404 ? null : this.open)
  }

  async loadHistory(): Promise<void> {
    await this.#remembering.load()
    if (this.#remembering.data) this.history = this.#remembering.data
  }

  /** After an edit of the catalogue: everything that may show it is asked for again. */
  async edited(): Promise<void> {
    steps.did('catalogue')
    await this.#renew()
  }

  async undo(): Promise<void> {
    await this.#step((body) => outcome(api.POST('/api/catalogue/undo', { body })))
  }

  async redo(): Promise<void> {
    await this.#step((body) => outcome(api.POST('/api/catalogue/redo', { body })))
  }

  #step(send: (body: Step) => Promise<Outcome<CatalogueHistory>>): Promise<Problem[]> {
    return this.#make(
      (bring_along) => send({ revision: this.history.revision, bring_along }),
      async () => {
        await this.#renew()
        if (this.open) await this.show(this.open.part.part)
      },
    )
  }

  /** Makes a change of the catalogue. Where builds would lose by it, it waits for a word of whoever wants it. */
  async #make<T>(
    send: (bring_along: boolean) => Promise<Outcome<T>>,
    took: (data: T | undefined) => Promise<void>,
    bring_along = false,
  ): Promise<Problem[]> {
    const made = await send(bring_along)
    this.inUse = null
    if (made.losses) {
      this.inUse = { losses: made.losses, goOn: () => this.#make(send, took, true) }
      return []
    }
    const refused = made.status === 0 || made.status >= 400
    if (made.status === 409) await this.#lookAgain()
    this.problem = refused && made.problems.length === 0 ? made.message : ''
    if (!refused) await took(made.data)
    return made.problems
  }

  /** After a change that was made on what is not so any more. */
  async #lookAgain(): Promise<void> {
    await this.#renew()
    if (this.open) await this.show(this.open.part.part, true)
  }

  async #renew(): Promise<void> {
    await Promise.all([this.find(this.wanted), this.#loadNamed(), this.loadHistory()])
  }

  async add(kind: string, facts: Facts, rows: Rows = {}): Promise<Problem[]> {
    const made = await outcome(
      api.POST('/api/catalogue/parts', { body: { kind, facts, rows, build: this.#build } }),
    )
    this.problem = made.data || made.problems.length > 0 ? '' : made.message
    if (made.data) await this.#took(made.data)
    return made.problems
  }

  change(part_id: string, facts: Facts, rows: Rows = {}): Promise<Problem[]> {
    const params = { path: { part_id } }
    return this.#make(
      (bring_along) => {
        const body = { facts, rows, build: this.#build, revision: this.#revision, bring_along }
        return outcome(api.PATCH('/api/catalogue/parts/{part_id}', { params, body }))
      },
      (detail) => this.#took(detail),
    )
  }

  cite(part_id: string, field: string, cited: Omit<Cited, 'revision'>): Promise<Problem[]> {
    const params = { path: { part_id, field } }
    return this.#make(
      () => {
        const body = { ...cited, revision: this.#revision }
        return outcome(api.PUT('/api/catalogue/parts/{part_id}/sources/{field}', { params, body }))
      },
      (detail) => this.#took(detail),
    )
  }

  restore(part_id: string): Promise<Problem[]> {
    const params = { path: { part_id } }
    return this.#make(
      (bring_along) => {
        const body = { revision: this.#revision, bring_along }
        return outcome(api.POST('/api/catalogue/parts/{part_id}/restore', { params, body }))
      },
      (detail) => this.#took(detail),
    )
  }

  remove(part_id: string): Promise<Problem[]> {
    return this.#make(
      (bring_along) => {
        const params = { path: { part_id }, query: { bring_along } }
        return outcome(api.DELETE('/api/catalogue/parts/{part_id}', { params }))
      },
      async () => {
        this.open = null
        await this.edited()
      },
    )
  }

  /** Takes in what `send` sends, a pack or a list, and then does what follows from that. */
  take<T>(send: (bring_along: boolean) => Promise<Outcome<T>>, then: () => void): Promise<Problem[]> {
    return this.#make(send, async () => {
      await this.edited()
      then()
    })
  }

  /** The build that is open: bare amounts are in its currency. */
  get #build(): number {
    return this.wanted.build ?? 0
  }

  /** The revision of the part that is open. */
  get #revision(): number {
    return this.open?.revision ?? 0
  }

  async #took(detail: PartDetail | undefined): Promise<void> {
    if (detail) this.open = detail
    await this.edited()
  }
}

export const catalogue = new Catalogue()
