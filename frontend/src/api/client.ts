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
export type Content = Schemas['Thing'] | Schemas['Stored'] | Schemas['Opening'] | Schemas['Socket']
export type Rooms = Schemas['RoomsJson']
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
export type CatalogueHistory = Schemas['CatalogueHistory']
export type WhyNot = Schemas['WhyNotJson']
export type PartFilter = NonNullable<
  paths['/api/builds/{build_id}/chain/{slot}']['get']['parameters']['query']
>
export type FoundPart = Schemas['FoundPart']
export type FoundParts = Schemas['FoundParts']
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
export type BuildSummary = Schemas['BuildSummary']
export type Session = Schemas['Session']
export type PartSheet = Schemas['PartSheet']

export type BriefChange = Omit<Schemas['BriefChange'], 'revision'>
export type PlayerChange = Omit<Schemas['PlayerChange'], 'revision'>
export type RoomChange = Omit<Schemas['RoomChange'], 'revision'>
export type LayoutChange = Omit<Schemas['LayoutChange'], 'revision'>
export type ContentChange = Omit<Schemas['ContentChange'], 'revision'>
export type JoistsChange = Omit<Schemas['JoistsChange'], 'revision'>
export type SmallChange = Omit<Schemas['SmallChange'], 'revision'>
export type ExtraChange = Omit<Schemas['ExtraChange'], 'revision'>
export type Decision = Omit<Schemas['Decision'], 'revision'>

export const api = createClient<paths>()

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
  current?: BuildReply
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
    const refusal = (error ?? {}) as { message?: string; errors?: Problem[]; current?: BuildReply }
    return {
      ...(data !== undefined && { data }),
      ...(refusal.current && { current: refusal.current }),
      status: response.status,
      message: refusal.message ?? (response.ok ? '' : `The server answered ${response.status}.`),
      problems: refusal.errors ?? [],
    }
  } catch {
    return { status: 0, message: 'The server did not answer.', problems: [] }
  }
}
