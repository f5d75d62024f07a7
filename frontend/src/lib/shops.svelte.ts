/** Shops and what they offer: the list on screen, and the shop that is open. */
import {
  api,
  outcome,
  type Outcome,
  type Problem,
  type ShopDetail,
  type ShopForms,
  type ShopsList,
} from '../api/client'
import type { Facts, Rows } from './catalogue.svelte'
import { catalogue } from './catalogue.svelte'
import { Resource } from './resource.svelte'
import { steps } from './steps'

class Shops {
  readonly #listing = new Resource<ShopsList>((signal) => outcome(api.GET('/api/shops', { signal })))
  readonly #opening = new Resource<ShopDetail, [string]>((signal, shop_id) =>
    outcome(api.GET('/api/shops/{shop_id}', { params: { path: { shop_id } }, signal })),
  )
  forms = $state.raw<ShopForms | null>(null)
  open = $state.raw<ShopDetail | null>(null)
  problem = $state('')

  get list(): ShopsList | null {
    return this.#listing.data
  }

  get message(): string {
    return this.#listing.message
  }

  get loading(): boolean {
    return this.#listing.loading
  }

  load(): Promise<void> {
    return this.#listing.load()
  }

  /** What the forms ask, and which parts an offer may be of. */
  async loadForms(): Promise<void> {
    const [forms, parts] = await Promise.all([
      outcome(api.GET('/api/shops/forms')),
      outcome(api.GET('/api/shops/parts')),
    ])
    if (forms.data) this.forms = forms.data
    if (parts.data) catalogue.named = { ...catalogue.named, part: parts.data as string[][] }
  }

  async show(shop_id: string): Promise<void> {
    this.#opening.clear()
    await this.#opening.load(shop_id)
    if (this.#opening.loading) return
    this.problem = this.#opening.message
    this.open = this.#opening.data
  }

  add(facts: Facts, rows: Rows): Promise<Problem[]> {
    const body = { facts, rows, revision: this.#revision }
    return this.#make(outcome(api.POST('/api/shops', { body })), true)
  }

  change(shop_id: string, facts: Facts, rows: Rows): Promise<Problem[]> {
    const params = { path: { shop_id } }
    const body = { facts, rows, revision: this.#revision }
    return this.#make(outcome(api.PATCH('/api/shops/{shop_id}', { params, body })), true)
  }

  async drop(shop_id: string): Promise<void> {
    const params = { path: { shop_id }, query: { revision: this.#revision } }
    const problems = await this.#make(outcome(api.DELETE('/api/shops/{shop_id}', { params })), false)
    if (problems.length === 0 && !this.problem) this.open = null
  }

  addOffer(shop_id: string, facts: Facts): Promise<Problem[]> {
    const params = { path: { shop_id } }
    const body = { facts, rows: {}, revision: this.#revision }
    return this.#make(outcome(api.POST('/api/shops/{shop_id}/offers', { params, body })), true)
  }

  changeOffer(shop_id: string, offer_id: string, facts: Facts): Promise<Problem[]> {
    const params = { path: { shop_id, offer_id } }
    const body = { facts, rows: {}, revision: this.#revision }
    return this.#make(outcome(api.PATCH('/api/shops/{shop_id}/offers/{offer_id}', { params, body })), true)
  }

  async dropOffer(shop_id: string, offer_id: string): Promise<void> {
    const params = { path: { shop_id, offer_id }, query: { revision: this.#revision } }
    await this.#make(outcome(api.DELETE('/api/shops/{shop_id}/offers/{offer_id}', { params })), false)
    await this.show(shop_id)
  }

  async undo(): Promise<void> {
    await this.#step(outcome(api.POST('/api/shops/undo', { body: { revision: this.#revision } })))
  }

  async redo(): Promise<void> {
    await this.#step(outcome(api.POST('/api/shops/redo', { body: { revision: this.#revision } })))
  }

  /** After something was taken in. */
  async taken(): Promise<void> {
    steps.did('shops')
    await this.load()
  }

  get #revision(): number {
    return this.list?.revision ?? 0
  }

  async #step(made: Promise<Outcome<ShopsList>>): Promise<void> {
    const { status, message } = await made
    this.problem = status === 200 ? '' : message
    await this.load()
    if (this.open) await this.show(this.open.detail.shop.id)
  }

  async #make(sent: Promise<Outcome<ShopDetail | undefined>>, opens: boolean): Promise<Problem[]> {
    const made = await sent
    const refused = made.status === 0 || made.status >= 400
    this.problem = refused && made.problems.length === 0 ? made.message : ''
    if (!refused) {
      steps.did('shops')
      if (opens && made.data) this.open = made.data
    }
    if (!refused || made.status === 409) await this.load()
    return made.problems
  }
}

export const shops = new Shops()
