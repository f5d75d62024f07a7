/** One function for each thing that a person does to a build. */
import {
  api,
  outcome,
  type BriefChange,
  type Category,
  type Club,
  type ContentChange,
  type ContentGroup,
  type Decision,
  type EntryChange,
  type ExtraChange,
  type FundingChange,
  type JoistsChange,
  type LayoutChange,
  type PlayerChange,
  type Problem,
  type Reached,
  type RoomChange,
  type ResaleChange,
  type RunningChange,
  type RouteKind,
  type Slot,
  type SmallChange,
} from '../../api/client'
import type { Position } from './drag.svelte'
import type { Send } from './queue.svelte'

export abstract class Edits {
  abstract readonly id: number

  /** Makes an edit in its turn; answers what was wrong with what was typed. */
  protected abstract edit(what: string, send: Send): Promise<Problem[]>

  changeBrief(what: string, change: BriefChange): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(api.PATCH('/api/builds/{build_id}/brief', { ...this.path, body: { ...told, ...change } })),
    )
  }

  addPlayer(): Promise<Problem[]> {
    return this.edit('a new player', (told) =>
      outcome(api.POST('/api/builds/{build_id}/players', { ...this.path, body: told })),
    )
  }

  changePlayer(player_id: string, what: string, change: PlayerChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id } }
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/players/{player_id}', { params, body: { ...told, ...change } }),
      ),
    )
  }

  removePlayer(player_id: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id } }
    return this.edit('taking a player out', (told) =>
      outcome(api.POST('/api/builds/{build_id}/players/{player_id}/remove', { params, body: told })),
    )
  }

  measureReach(player_id: string, club: Club, what: string, reached: Reached): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id, club } }
    return this.edit(`test swing, ${what}`, (told) =>
      outcome(
        api.PUT('/api/builds/{build_id}/players/{player_id}/reaches/{club}', {
          params,
          body: { ...told, ...reached },
        }),
      ),
    )
  }

  withdrawReach(player_id: string, club: Club, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, player_id, club } }
    return this.edit(`withdrawing the test swing of ${name}`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/players/{player_id}/reaches/{club}/withdraw', {
          params,
          body: told,
        }),
      ),
    )
  }

  measureRoom(what: string, change: RoomChange): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(api.PATCH('/api/builds/{build_id}/room', { ...this.path, body: { ...told, ...change } })),
    )
  }

  move(what: string, change: LayoutChange): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(api.PATCH('/api/builds/{build_id}/layout', { ...this.path, body: { ...told, ...change } })),
    )
  }

  addContent(group: ContentGroup, kind: string, what: string, mode = ''): Promise<Problem[]> {
    const params = { path: { build_id: this.id, group } }
    return this.edit(`adding: ${what}`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/contents/{group}', { params, body: { ...told, kind, mode } })),
    )
  }

  changeContent(subject: string, what: string, change: ContentChange): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/contents/{group}/{content_id}', {
          ...this.content(subject),
          body: { ...told, ...change },
        }),
      ),
    )
  }

  removeContent(subject: string, name: string): Promise<Problem[]> {
    return this.edit(`taking ${name} out`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/contents/{group}/{content_id}/remove', {
          ...this.content(subject),
          body: told,
        }),
      ),
    )
  }

  measureJoists(what: string, change: JoistsChange): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(api.PUT('/api/builds/{build_id}/joists', { ...this.path, body: { ...told, ...change } })),
    )
  }

  forgetJoists(): Promise<Problem[]> {
    return this.edit('joists not known', (told) =>
      outcome(api.POST('/api/builds/{build_id}/joists/forget', { ...this.path, body: told })),
    )
  }

  addRoom(name: string): Promise<Problem[]> {
    return this.edit(`room ${name}`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/rooms', { ...this.path, body: { ...told, name } })),
    )
  }

  /** Builds in another room, or in the chosen one with the screen on another wall. */
  chooseRoom(room_id: string | null, quarters: number, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, room_id: room_id ?? '' } }
    return this.edit(`building in ${name}`, (told) =>
      outcome(
        room_id === null
          ? api.POST('/api/builds/{build_id}/rooms/screen', { ...this.path, body: { ...told, quarters } })
          : api.POST('/api/builds/{build_id}/rooms/{room_id}/choose', {
              params,
              body: { ...told, quarters },
            }),
      ),
    )
  }

  dropRoom(room_id: string, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, room_id } }
    return this.edit(`dropping ${name}`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/rooms/{room_id}/drop', { params, body: told })),
    )
  }

  hang(slot: Slot, part: string, name: string): Promise<Problem[]> {
    return this.edit(`hanging ${name}`, (told) =>
      outcome(
        api.PUT('/api/builds/{build_id}/chain/{slot}', { ...this.place(slot), body: { ...told, part } }),
      ),
    )
  }

  /** Does what was offered about an answer, in these words. */
  pressOffer(check_id: string, subject: string, words: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, check_id }, query: { subject } }
    return this.edit(words, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/verdicts/{check_id}/offers', { params, body: { ...told, words } }),
      ),
    )
  }

  pressSpot(words: string): Promise<Problem[]> {
    return this.edit('putting the ball there', (told) =>
      outcome(api.POST('/api/builds/{build_id}/spots', { ...this.path, body: { ...told, words } })),
    )
  }

  /** Chooses a part that is ruled out, with what admits it; with all that do together where none is named. */
  admit(part_id: string, name: string, words: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, part_id } }
    return this.edit(`what admits ${name}`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/why-not/{part_id}/admit', { params, body: { ...told, words } }),
      ),
    )
  }

  takeRoute(slot: Slot, kind: RouteKind): Promise<Problem[]> {
    const params = { path: { build_id: this.id, slot, kind } }
    return this.edit(`the way ${kind}`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/chain/{slot}/routes/{kind}', { params, body: told })),
    )
  }

  decide(slot: Slot, what: string, change: Decision): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/chain/{slot}', {
          ...this.place(slot),
          body: { ...told, ...change },
        }),
      ),
    )
  }

  takeDown(slot: Slot, name: string): Promise<Problem[]> {
    return this.edit(`taking ${name} down`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/chain/{slot}/take-down', {
          ...this.place(slot),
          body: told,
        }),
      ),
    )
  }

  decideItem(item: string, what: string, change: SmallChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, item } }
    return this.edit(what, (told) =>
      outcome(api.PUT('/api/builds/{build_id}/small-items/{item}', { params, body: { ...told, ...change } })),
    )
  }

  reopenItem(item: string, title: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, item } }
    return this.edit(`${title}, open again`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/small-items/{item}/reopen', { params, body: told })),
    )
  }

  takeCheapest(): Promise<Problem[]> {
    return this.edit('the cheapest small items', (told) =>
      outcome(api.POST('/api/builds/{build_id}/small-items/cheapest', { ...this.path, body: told })),
    )
  }

  addExtra(part: string, name: string): Promise<Problem[]> {
    return this.edit(`adding ${name}`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/extras', { ...this.path, body: { ...told, part } })),
    )
  }

  changeExtra(extra_id: string, what: string, change: ExtraChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, extra_id } }
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/extras/{extra_id}', { params, body: { ...told, ...change } }),
      ),
    )
  }

  enterAmounts(key: string, what: string, change: EntryChange): Promise<Problem[]> {
    const [place = '', of = ''] = key.split('/')
    const params = { path: { build_id: this.id, place, of } }
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/money/lines/{place}/{of}', {
          params,
          body: { ...told, ...change },
        }),
      ),
    )
  }

  takeOffers(what: string, choices: Record<string, string | null>): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(api.POST('/api/builds/{build_id}/money/offers', { ...this.path, body: { ...told, choices } })),
    )
  }

  takeLicences(
    what: string,
    taken: {
      monitor_plan: string | null
      title_plan: string | null
      add_ons: string[]
      further: { extra: string; plan: string | null }[]
    },
  ): Promise<Problem[]> {
    return this.edit(`licences: ${what}`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/money/licences/taken', {
          ...this.path,
          body: { ...told, ...taken },
        }),
      ),
    )
  }

  markPaid(key: string, name: string, paid: boolean): Promise<Problem[]> {
    const [place = '', of = ''] = key.split('/')
    const params = { path: { build_id: this.id, place, of } }
    return this.edit(`${name}, paid or not`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/money/lines/{place}/{of}/paid', { params, body: { ...told, paid } }),
      ),
    )
  }

  addOwnLine(name: string, category: Category): Promise<Problem[]> {
    return this.edit(`a line for ${name}`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/money/own', { ...this.path, body: { ...told, name, category } }),
      ),
    )
  }

  changeOwnLine(line_id: string, what: string, change: EntryChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, line_id } }
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/money/own/{line_id}', { params, body: { ...told, ...change } }),
      ),
    )
  }

  dropOwnLine(line_id: string, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, line_id } }
    return this.edit(`taking ${name} out`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/money/own/{line_id}/drop', { params, body: told })),
    )
  }

  addFunding(name: string, amount: string, sold: boolean): Promise<Problem[]> {
    return this.edit(`money from ${name}`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/money/funding', {
          ...this.path,
          body: { ...told, name, amount, sold },
        }),
      ),
    )
  }

  changeFunding(funding_id: string, what: string, change: FundingChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, funding_id } }
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/money/funding/{funding_id}', {
          params,
          body: { ...told, ...change },
        }),
      ),
    )
  }

  sayRunning(what: string, change: RunningChange): Promise<Problem[]> {
    return this.edit(what, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/money/running', { ...this.path, body: { ...told, ...change } }),
      ),
    )
  }

  sayResale(category: Category, change: ResaleChange): Promise<Problem[]> {
    const params = { path: { build_id: this.id, category } }
    return this.edit(`what ${category} sells for`, (told) =>
      outcome(
        api.PATCH('/api/builds/{build_id}/money/resale/{category}', { params, body: { ...told, ...change } }),
      ),
    )
  }

  dropFunding(funding_id: string, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, funding_id } }
    return this.edit(`taking ${name} out`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/money/funding/{funding_id}/drop', { params, body: told })),
    )
  }

  dropExtra(extra_id: string, name: string): Promise<Problem[]> {
    const params = { path: { build_id: this.id, extra_id } }
    return this.edit(`dropping ${name}`, (told) =>
      outcome(api.POST('/api/builds/{build_id}/extras/{extra_id}/drop', { params, body: told })),
    )
  }

  rename(name: string): Promise<Problem[]> {
    return this.edit(`the name ${name}`, (told) =>
      outcome(api.PATCH('/api/builds/{build_id}', { ...this.path, body: { ...told, name } })),
    )
  }

  /** Lets go of what was dragged: the core says which fields follow, and where they stop. */
  protected letGo(name: string, { view, target, at, stowed }: Position): Promise<Problem[]> {
    return this.edit(`moving ${name}`, (told) =>
      outcome(
        api.POST('/api/builds/{build_id}/drag', {
          ...this.path,
          body: { ...told, view, target, u: at.u, v: at.v, stowed },
        }),
      ),
    )
  }

  protected get path() {
    return { params: { path: { build_id: this.id } } }
  }

  /** The address of one of the room's contents, `things/beam` say. */
  private content(subject: string) {
    const [group, content_id = ''] = subject.split('/')
    return { params: { path: { build_id: this.id, group: group as ContentGroup, content_id } } }
  }

  protected place(slot: Slot) {
    return { params: { path: { build_id: this.id, slot } } }
  }
}
