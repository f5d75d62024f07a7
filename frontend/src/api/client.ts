/** The typed client of the API, and what every call comes back as. */
import createClient from 'openapi-fetch'
import type { components, paths } from './schema'

type Schemas = components['schemas']
export type BuildReply = Schemas['BuildReply']
export type Report = Schemas['ReportJson']
export type Verdict = Schemas['VerdictJson']
export type Workings = Schemas['WorkingsJson']
export type Fact = Schemas['FactJson']
export type Scene = Schemas['SceneJson']
export type Point = Schemas['PointJson']
export type Shape = Schemas['ShapeJson']
export type Dimension = Schemas['DimensionJson']
export type Handle = Schemas['HandleJson']
export type Layer = Schemas['Layer']
export type ContentGroup = Schemas['ContentGroup']
export type Mode = Schemas['Mode']
export type KeptClear = Schemas['KeptClear']
export type Content =
  | Schemas['Thing']
  | Schemas['Stored']
  | Schemas['Opening']
  | Schemas['Socket']
  | Schemas['Circuit']
  | Mode
  | KeptClear
export type Rooms = Schemas['RoomsJson']
export type PriceLog = Schemas['PriceLog']
export type Prices = Schemas['PricesJson']
export type LineDetail = Schemas['LineDetailJson']
export type WatchesNow = Schemas['WatchesNow']
export type WatchNow = Schemas['WatchNow']
export type SourcesNow = Schemas['SourcesNow']
export type LookJob = Schemas['LookJob']
export type Understood = Schemas['UnderstoodJson']
export type AroundBuying = Schemas['AroundBuying']
export type BackTestJob = Schemas['BackTestJob']
export type HistoryJob = Schemas['HistoryJob']
export type HistoryPreview = Schemas['HistoryPreview']
export type MailboxNow = Schemas['MailboxNow']
export type RoomsJob = Schemas['RoomsJob']
export type Looked = Schemas['Looked']
export type Slot = Schemas['Slot']
export type State = Schemas['State']
export type Step = Schemas['Step']
export type Problem = Schemas['Problem']
export type Alternative = Schemas['AlternativeJson']
export type Alternatives = Schemas['Alternatives']
export type SmallItem = Schemas['SmallItemJson']
export type SmallOption = Schemas['ServingJson']
export type ScenePreview = Schemas['ScenePreview']
export type Routes = Schemas['Routes']
export type SmallOptions = Schemas['SmallOptions']
export type CatalogueHistory = Schemas['CatalogueHistory']
export type WhyNot = Schemas['WhyNotJson']
export type FilterFact = Schemas['FilterFact']
export type PlaceFilter = NonNullable<
  paths['/api/builds/{build_id}/chain/{slot}']['get']['parameters']['query']
>
export type FoundPart = Schemas['FoundPart']
export type FoundParts = Schemas['FoundParts']
export type Loss = Schemas['LossJson']
export type PartDetail = Schemas['PartDetail']
export type SheetKind = Schemas['SheetKindJson']
export type SheetField = Schemas['SheetFieldJson']
export type SheetFact = Schemas['SheetFactJson']
export type Cited = Schemas['Cited']
export type PackPreview = Schemas['PackPreview']
export type ListPreview = Schemas['ListPreview']
export type MachineRead = Schemas['MachineRead']
export type WantedParts = NonNullable<paths['/api/catalogue/parts']['get']['parameters']['query']>
export type Budget = Schemas['BudgetJson']
export type Club = Schemas['Club']
export type Player = Schemas['Player']
export type Preview = Schemas['Preview']
export type ReportChange = Schemas['ReportChange']
export type BuildSummary = Schemas['BuildSummary']
export type Session = Schemas['Session']
export type PartSheet = Schemas['PartSheet']
export type Money = Schemas['MoneyJson']
export type CostLine = Schemas['LineJson']
export type Category = Schemas['Category']
export type CameAs = Schemas['CameAs']
export type ShopsList = Schemas['ShopsList']
export type Shop = Schemas['ShopJson']
export type ShopDetail = Schemas['ShopDetail']
export type ShopForms = Schemas['ShopFormsJson']
export type ShopOffer = Schemas['ShopOfferJson']
export type ShopsPreview = Schemas['ShopsPreview']
export type OfferedLines = Schemas['OfferedLines']
export type Order = Schemas['OrderJson']
export type SampleRates = Schemas['SampleRates']
export type TakenOffers = Schemas['TakenOffers']
export type BasketsJob = Schemas['BasketsJob']
export type BasketsAsked = Schemas['BasketsAsked']
export type LicencesJob = Schemas['LicencesJob']
export type JobNow = Schemas['JobNow']

/** What a change says of itself. */
type Aside = 'revision' | 'key'
export type BriefChange = Omit<Schemas['BriefChange'], Aside>
export type PlayerChange = Omit<Schemas['PlayerChange'], Aside>
export type Reached = Omit<Schemas['TestSwing'], Aside>
export type Consequence = Schemas['ConsequenceJson']
export type Offers = Schemas['Offers']
export type RouteKind = Schemas['RouteKind']
export type RoomChange = Omit<Schemas['RoomChange'], Aside>
export type LayoutChange = Omit<Schemas['LayoutChange'], Aside>
export type ContentChange = Omit<Schemas['ContentChange'], Aside>
export type JoistsChange = Omit<Schemas['JoistsChange'], Aside>
export type SmallChange = Omit<Schemas['SmallChange'], Aside>
export type ExtraChange = Omit<Schemas['ExtraChange'], Aside>
export type EntryChange = Omit<Schemas['EntryChange'], Aside>
export type RunningChange = Omit<Schemas['RunningChange'], Aside>
export type Paths = Schemas['Paths']
export type ResaleChange = Omit<Schemas['ResaleChange'], Aside>
export type FundingChange = Omit<Schemas['FundingChange'], Aside>
export type Decision = Omit<Schemas['Decision'], Aside>

const MOST_ATTEMPTS = 4
const SECOND_MS = 1000

/** Asks again by itself where the server says that others are storing just now, as long as it says to wait. */
async function patient(request: Request): Promise<Response> {
  for (let attempt = 1; ; attempt++) {
    const response = await fetch(request.clone())
    const wait = Number(response.headers.get('Retry-After'))
    if (response.status !== 503 || !wait || attempt === MOST_ATTEMPTS) return response
    await new Promise((settle) => setTimeout(settle, wait * SECOND_MS))
  }
}

export const api = createClient<paths>({ fetch: patient })

/** Django's token, sent back with everything that changes something. */
export function csrfToken(): string {
  return /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? ''
}

api.use({
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRFToken', csrfToken())
  },
})

/** What a call came to: its data, or why it was refused. `status` is 0 when no answer came. */
export interface Outcome<T> {
  data?: T
  status: number
  message: string
  problems: Problem[]
  /** What was to be changed as it is now, where it has changed since it was seen. */
  current?: BuildReply
  /** What builds would lose by a change of the catalogue. */
  losses?: Loss[]
  /** The revision of a build that cannot be shown. */
  revision?: number
}

interface Refusal {
  message?: string
  errors?: Problem[]
  current?: BuildReply
  builds?: Loss[]
  revision?: number
}

interface Reply<T> {
  data?: T
  error?: unknown
  response: Response
}

/** Waits for `call` and never throws: without an answer the outcome says so. */
export async function outcome<T>(call: Promise<Reply<T>>): Promise<Outcome<T>> {
  try {
    const { data, error, response } = await call
    const refusal = (error ?? {}) as Refusal
    return {
      ...(data !== undefined && { data }),
      ...(refusal.current && { current: refusal.current }),
      ...(refusal.builds && { losses: refusal.builds }),
      ...(refusal.revision !== undefined && { revision: refusal.revision }),
      status: response.status,
      message: refusal.message ?? (response.ok ? '' : `The server answered ${response.status}.`),
      problems: refusal.errors ?? [],
    }
  } catch {
    return { status: 0, message: 'The server did not answer.', problems: [] }
  }
}
