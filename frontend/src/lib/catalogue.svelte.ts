/** The catalogue on screen: what is looked for, what was found, and the part that is open. */
import {
  api,
  type CatalogueHistory,
  type Cited,
  type FoundParts,
  outcome,
  type PartDetail,
  type Problem,
  type SheetField,
  type SheetKind,
  type WantedParts,
} from '../api/client'
import { steps } from './steps'

export type Facts = Record<string, string>
/** Lists of records by field, each row by its own fields. */
export type Rows = Record<string, Facts[]>

/** What the filter calls what is asked for. */
const ASKED: Record<string, string> = { least: 'Price from', most: 'Price up to' }

class Catalogue {
  wanted = $state.raw<WantedParts>({})
  found = $state.raw<FoundParts | null>(null)
  kinds = $state.raw<SheetKind[]>([])
  /** Parts that facts of other parts may name, by place: id and name of each. */
  named = $state.raw<Record<string, string[][]>>({})
  open = $state.raw<PartDetail | null>(null)
  /** What undo would take back in the catalogue, and redo make again. */
  history = $state.raw<CatalogueHistory>({ undo: '', redo: '' })
  problem = $state('')
  /** Why the last question was not answered. */
  refusal = $state('')
  #newest = 0

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

  async find(wanted: WantedParts): Promise<void> {
    this.wanted = wanted
    const asked = ++this.#newest
    const { data, message, problems } = await outcome(
      api.GET('/api/catalogue/parts', { params: { query: wanted } }),
    )
    if (asked !== this.#newest) return
    const [first] = problems
    this.refusal = data
      ? ''
      : first
        ? `${ASKED[first.field] ?? first.field}, ${first.value}: ${first.accepted}`
        : message
    if (data) this.found = data
  }

  async loadKinds(): Promise<void> {
    void this.#loadNamed()
    void this.loadHistory()
    if (this.kinds.length > 0) return
    const { data } = await outcome(api.GET('/api/catalogue/kinds'))
    if (data) this.kinds = data
  }

  async #loadNamed(): Promise<void> {
    const { data } = await outcome(api.GET('/api/catalogue/named'))
    if (data) this.named = { ...data }
  }

  async show(part_id: string): Promise<void> {
    const { data, message } = await outcome(
      api.GET('/api/catalogue/parts/{part_id}', { params: { path: { part_id } } }),
    )
    this.problem = data ? '' : message
    if (data) this.open = data
  }

  async loadHistory(): Promise<void> {
    const { data } = await outcome(api.GET('/api/catalogue/history'))
    if (data) this.history = data
  }

  /** After an edit of the catalogue: everything that may show it is asked for again. */
  async edited(): Promise<void> {
    steps.did('catalogue')
    await this.#renew()
  }

  async undo(): Promise<void> {
    await this.#stepped(await outcome(api.POST('/api/catalogue/undo')))
  }

  async redo(): Promise<void> {
    await this.#stepped(await outcome(api.POST('/api/catalogue/redo')))
  }

  async #stepped({ data, message }: { data?: CatalogueHistory; message: string }): Promise<void> {
    this.problem = data ? '' : message
    if (!data) return
    await this.#renew()
    if (!this.open) return
    const params = { path: { part_id: this.open.part.part } }
    const there = await outcome(api.GET('/api/catalogue/parts/{part_id}', { params }))
    this.open = there.data ?? null
  }

  async #renew(): Promise<void> {
    await Promise.all([this.find(this.wanted), this.#loadNamed(), this.loadHistory()])
  }

  async add(kind: string, facts: Facts, rows: Rows = {}): Promise<Problem[]> {
    const made = await outcome(
      api.POST('/api/catalogue/parts', { body: { kind, facts, rows, currency: 'EUR' } }),
    )
    return this.#took(made.data, made.problems, made.message)
  }

  async change(part_id: string, facts: Facts, rows: Rows = {}): Promise<Problem[]> {
    const params = { path: { part_id } }
    const made = await outcome(
      api.PATCH('/api/catalogue/parts/{part_id}', { params, body: { facts, rows, currency: 'EUR' } }),
    )
    return this.#took(made.data, made.problems, made.message)
  }

  async cite(part_id: string, field: string, body: Cited): Promise<Problem[]> {
    const params = { path: { part_id, field } }
    const made = await outcome(api.PUT('/api/catalogue/parts/{part_id}/sources/{field}', { params, body }))
    return this.#took(made.data, made.problems, made.message)
  }

  async restore(part_id: string): Promise<void> {
    const params = { path: { part_id } }
    const made = await outcome(api.POST('/api/catalogue/parts/{part_id}/restore', { params }))
    await this.#took(made.data, made.problems, made.message)
  }

  async remove(part_id: string): Promise<boolean> {
    const params = { path: { part_id } }
    const made = await outcome(api.DELETE('/api/catalogue/parts/{part_id}', { params }))
    this.problem = made.status === 204 ? '' : made.message
    if (made.status !== 204) return false
    this.open = null
    await this.edited()
    return true
  }

  async #took(data: PartDetail | undefined, problems: Problem[], message: string): Promise<Problem[]> {
    this.problem = data || problems.length > 0 ? '' : message
    if (!data) return problems
    this.open = data
    await this.edited()
    return []
  }
}

export const catalogue = new Catalogue()
