"""What goes in and out of the endpoints, the report aside."""

from datetime import date, datetime
from typing import Annotated

from ninja import Schema
from pydantic import ConfigDict, Field

from core.checks.limits import State
from core.drawing import View
from core.drawing.dragging import Drag
from core.formats.report_json import AlternativeJson, ReportJson, SceneJson, ServingJson
from core.formats.report_json.difference import ReportChange
from core.formats.report_json.offers import OfferJson
from core.formats.report_json.paths import PathJson
from core.formats.report_json.routes import RouteJson
from core.formats.report_json.sheets import ListRowJson, PackRowJson, SheetFactJson
from core.model.brief import Brief, Player, Stage
from core.model.build import Build, Extra, HungPart, Slot, SmallDecision
from core.model.filters import Sense
from core.model.ledger import Category, Entry, Funding, Ledger, OwnLine, Resale
from core.model.modes import KeptClear, Mode
from core.model.moves import LayoutMove
from core.model.parts import Billing
from core.model.reaches import MeasuredReach
from core.model.record import Identifier, Name
from core.model.room import Room
from core.model.things import Circuit, Joists, Opening, Socket, Stored, Thing
from core.quantities import UnitSystem
from jungle.api.changes import Change, Revision, fields_of

NewName = Name


class AskedCondition(Schema):
    """Something that the household asks for; one that is new has no id yet."""

    model_config = ConfigDict(extra="forbid")

    id: Identifier | None = None
    text: NewName
    met: bool = False


@fields_of(Brief, leave_out=("players",))
class BriefChange(Change):
    """Answers to questions of the brief."""

    conditions: Annotated[list[AskedCondition], Field(max_length=40)] = []


@fields_of(Player, leave_out=("id", "measured_reaches"))
class PlayerChange(Change):
    """What is known of a player."""


@fields_of(MeasuredReach, leave_out=("club", "dated"))
class TestSwing(Change):
    """What a slow test swing showed, in each direction that was measured; one that is given empty is withdrawn."""


@fields_of(Room, leave_out=("guessed", "things", "openings", "sockets", "joists", "stored"))
class RoomChange(Change):
    """Measurements of the room."""


@fields_of(LayoutMove)
class LayoutChange(Change):
    """Where things are moved; a field set to nothing is proposed again."""


class NewContent(Change):
    """What to put into the room."""

    kind: Annotated[str, Field(max_length=40)]
    mode: Annotated[str, Field(max_length=80)] = ""
    """Of a zone that is kept clear: in which use of the room."""


@fields_of(Thing, Stored, Opening, Socket, Circuit, Mode, KeptClear, leave_out=("id", "kind", "mode"))
class ContentChange(Change):
    """What was measured of something in the room, or decided about it."""


@fields_of(Joists)
class JoistsChange(Change):
    """How the joists run."""


class NewRoom(Change):
    """Another room to consider."""

    name: NewName


class ScreenWall(Change):
    """The wall that the screen shall hang on, by quarters of a turn to the right from where it hangs."""

    quarters: Annotated[int, Field(ge=0, le=3)] = 0


class Press(Change):
    """Which offer is pressed, by its words as they were shown; empty for all that were told together."""

    words: Annotated[str, Field(max_length=1000)] = ""


class Hang(Change):
    """Which part to hang."""

    part: Annotated[str, Field(max_length=80)]


@fields_of(HungPart, leave_out=("part",))
class Decision(Change):
    """What was decided about a part."""


@fields_of(SmallDecision)
class SmallChange(Change):
    """What was decided about a small item."""


class NewExtra(Change):
    """A part to add beside the chain."""

    part: Annotated[str, Field(max_length=80)]


@fields_of(Extra, leave_out=("id", "part"))
class ExtraChange(Change):
    """What was decided about an extra."""


@fields_of(Entry, leave_out=("offer",))
class EntryChange(Change):
    """What is known of the money of a line; an amount that is given empty is not known any more."""


class Ticked(Change):
    """Whether a line is paid."""

    paid: bool


class NewOwnLine(Change):
    """A line of one's own to add."""

    name: NewName
    category: Category


@fields_of(OwnLine, leave_out=("id", "offer"))
class OwnLineChange(Change):
    """What is known of a line of one's own."""


class NewFunding(Change):
    """Money that comes in to pay for it."""

    name: NewName
    amount: Annotated[str, Field(max_length=40)]
    sold: bool = False
    """Something is sold for it; else it was put aside."""


@fields_of(Funding, leave_out=("id",))
class FundingChange(Change):
    """What is known of money that comes in."""


@fields_of(Ledger, leave_out=("entries", "own", "funding", "resale"))
class RunningChange(Change):
    """What electricity and a hired bay cost, how many balls are struck in an hour, and how long things last."""


@fields_of(Resale)
class ResaleChange(Change):
    """What things of a category sell for."""


class MoneyScope(Schema):
    """Which categories to count; none given is the usual: all but building works and decoration."""

    categories: Annotated[list[Category], Field(max_length=len(Category))] = []


class Rename(Change):
    """The build's new name."""

    name: NewName


class NewBuild(Schema):
    """A build to begin."""

    name: NewName


class Preferences(Schema):
    """How a person reads and types quantities."""

    units: UnitSystem


class Session(Schema):
    """Who is signed in, and how."""

    user: str
    local: bool
    units: UnitSystem
    currencies: list[str]
    steers: dict[str, list[str]]
    """What each answer of the brief steers, by its field."""
    alerts: dict[int, int]
    """How many alerts nobody has put away yet, by build."""


class BuildSummary(Schema):
    """A build in the list."""

    id: int
    name: str
    revision: int
    changed_at: datetime
    as_of: date | None
    """The day on which what follows was worked out; nothing where it never was."""
    stage: Stage
    state: State
    blocked: int
    questions: int
    up_front: str
    unreadable: str
    """Why it cannot be shown; empty for one that can."""


class BuildNamed(Schema):
    """A build, as others name it."""

    id: int
    name: str


class GrowsFrom(Schema):
    """Which build another is the next step of; none for the first of its path."""

    model_config = ConfigDict(extra="forbid")

    build_id: Annotated[int, Field(strict=True, ge=1, le=2**62)] | None


class PathTold(Schema):
    """The builds of a path, and what it comes to."""

    builds: list[BuildNamed]
    path: PathJson | None
    problem: str
    """Why it cannot be added up; empty where it can."""


class Paths(Schema):
    """All paths that begin where a build's own does."""

    grows_from: BuildNamed | None
    may_grow_from: list[BuildNamed]
    paths: list[PathTold]
    cut_short: bool
    """There are more than are told."""


class PlanChoice(Schema):
    """A plan that a part can be licensed under."""

    id: str
    name: str
    billing: Billing
    price: str


class PartSheet(Schema):
    """A part that hangs on the chain."""

    part: str
    maker: str
    name: str
    kind: str
    note: str
    price: str
    plans: list[PlanChoice]


class BuildReply(Schema):
    """A build and the report on it. `texts` holds every quantity of the build, by path, as the reader types it."""

    id: int
    revision: int
    undo: str | None
    redo: str | None
    units: UnitSystem
    build: Build
    texts: dict[str, str]
    parts: dict[Slot, PartSheet]
    beside: dict[str, PartSheet]
    """The parts of extras and small items, by id."""
    report: ReportJson


class Preview(Schema):
    """What differs from the build at `revision` while something is dragged; `number` is the one the request named."""

    number: int
    revision: int
    texts: dict[str, str]
    report: ReportChange


class Dragged(Change):
    """What is dragged, and where the pointer is, in metres of the drawing."""

    view: View
    target: Annotated[str, Field(max_length=120)]
    u: Annotated[float, Field(ge=-1000, le=1000, allow_inf_nan=False)]
    v: Annotated[float, Field(ge=-1000, le=1000, allow_inf_nan=False)]
    stowed: bool = False
    """In the drawing of the room while it serves for something else."""

    @property
    def drag(self) -> Drag:
        """As the core has it."""
        return Drag(self.view, self.target, self.u, self.v)


class DraggedPreview(Dragged):
    """A drag on its way. `number` tells replies apart."""

    number: Annotated[int, Field(ge=0, le=2**31)] = 0


class PartFilter(Schema):
    """Which parts to list; an empty field asks for nothing. Prices as a person types them."""

    text: Annotated[str, Field(max_length=120)] = ""
    kind: Annotated[str, Field(max_length=40)] = ""
    least: Annotated[str, Field(max_length=40)] = ""
    most: Annotated[str, Field(max_length=40)] = ""
    usable: bool = False
    """Only those that nothing rules out."""


class PlaceFilter(PartFilter):
    """Which parts for a place to list: by a fact that decides there as well, its value as a person types it."""

    fact: Annotated[str, Field(max_length=40)] = ""
    value: Annotated[str, Field(max_length=40)] = ""


class FilterFact(Schema):
    """A fact that parts for a place are found by: at least, at most, or one of a few words."""

    field: str
    words: str
    sense: Sense
    choices: list[str]


class WantedParts(PartFilter):
    """Which parts of the catalogue to list."""

    own: bool = False
    """Only those that one wrote or changed."""
    build: Annotated[int, Field(ge=0)] = 0
    """The build that `fits` and `works` speak of."""
    fits: bool = False
    """Only what fits its room."""
    works: bool = False
    """Only what works with what hangs there."""


class FoundPart(Schema):
    """A part of the catalogue in short."""

    part: str
    kind: str
    slot: str
    maker: str
    name: str
    note: str
    price: str
    origin: str
    changed: bool
    """Its owner has changed a fact of it."""
    disputed: int
    """Facts of which two sources say different things."""


class FoundParts(Schema):
    """The parts that were found; only so many are listed."""

    parts: list[FoundPart]
    found: int
    all: int
    unjudged: int
    """Parts that may fit or work as well, but are too many to be judged at once."""


class PartDetail(Schema):
    """A part with all its facts, and the builds that have it."""

    part: FoundPart
    revision: int
    """An edit of the part names the revision that it was made on."""
    price_typed: str
    facts: list[SheetFactJson]
    rows: dict[str, list[dict[str, str]]]
    """Lists of records by field, each row as it is typed."""
    builds: list[str]


FactName = Annotated[str, Field(max_length=60)]
FactText = Annotated[str, Field(max_length=200)]


class CatalogueHistory(Schema):
    """What undo would take back in the catalogue, and what redo would make again; empty where there is nothing."""

    undo: str
    redo: str
    revision: int
    """Going along the history names the revision that it was seen at."""


class NamedParts(Schema):
    """Parts that facts of other parts refer to, by place: id and name of each."""

    monitor: list[tuple[str, str]]
    title: list[tuple[str, str]]


class TypedForm(Schema):
    """A form as a person types it, by field; an empty text clears one."""

    model_config = ConfigDict(extra="forbid")

    facts: dict[FactName, Annotated[str, Field(max_length=500)]]
    rows: dict[FactName, Annotated[list[dict[FactName, FactText]], Field(max_length=60)]] = {}
    """Lists of records, whole, each row by field: plans, links, needs."""


class PartFacts(TypedForm):
    """Facts of a part."""

    build: Annotated[int, Field(ge=0)] = 0
    """The build that is open: bare amounts are in its currency."""


class ForBuilds(Schema):
    """What happens to builds that would lose a part or a plan by a change of the catalogue."""

    model_config = ConfigDict(extra="forbid")

    bring_along: bool = False
    """They go on without it, each by an edit of its own; otherwise nothing is changed."""


class CatalogueStep(ForBuilds):
    """A change of the catalogue as it was at `revision`."""

    revision: Revision


class PartChange(PartFacts, CatalogueStep):
    """Other facts for a part as it was at `revision`."""


class NewPart(PartFacts):
    """A part of one's own."""

    kind: Annotated[str, Field(max_length=40)]


class Cited(Schema):
    """Where a fact was read, when, and what another source states, of a part as it was at `revision`."""

    model_config = ConfigDict(extra="forbid")

    revision: Revision
    source: NewName = "not said"
    seen: date | None = None
    other: Annotated[str, Field(max_length=80)] | None = None
    """As it is typed, in the fact's own unit or the reader's; empty takes it away."""
    other_source: Annotated[str, Field(max_length=120)] = ""


class PackPreview(Schema):
    """What a parts pack would do."""

    name: str
    revision: int
    rows: list[PackRowJson]


class PackTaken(Schema):
    """How many parts of a pack were taken, kept as they were, or added beside."""

    take: int
    keep: int
    both: int


class ListPreview(Schema):
    """What a price list would do: its heading, which column is taken for what, and every row."""

    heading: list[str]
    revision: int
    mapping: dict[str, int]
    rows: list[ListRowJson]


class AskedFact(Schema):
    """A fact that a report does not state, and how to get it."""

    field: str
    how: str


class MachineRead(Schema):
    """What a computer's report says, by field as it is typed, and what has to be asked."""

    told_by: str
    facts: dict[str, str]
    asked: list[AskedFact]


class ListTaken(Schema):
    """How many prices a list changed, and how many parts it added."""

    prices: int
    added: int


class Alternatives(Schema):
    """Every candidate for a place that the filter lets through; `all` counts them without it."""

    revision: int
    slot: Slot
    candidates: list[AlternativeJson]
    all: int
    unweighed: int
    """Parts that the filter lets through and that were left out, being further from today's price."""
    kinds: list[str]
    """Kinds of part that could hang here."""
    facts: list[FilterFact]
    """What they may be found by."""


class Routes(Schema):
    """Ways to come by what a place needs; `unknown` says why there are none yet."""

    routes: list[RouteJson]
    unknown: str


class Offers(Schema):
    """What may be done: each carried out and judged, or said where a person has to do it."""

    offers: list[OfferJson]


class ScenePreview(Schema):
    """The drawing with another part in a place; nothing is stored."""

    part: str
    name: str
    scene: SceneJson


class SmallOptions(Schema):
    """What could serve for a small item."""

    item: str
    options: list[ServingJson]


class Problem(Schema):
    """One thing wrong with what was sent."""

    field: str
    value: str
    accepted: str


class Problems(Schema):
    """Why a request was refused."""

    message: str
    errors: list[Problem]


class Stale(Schema):
    """The build has changed since it was seen; here it is as it is now."""

    message: str
    current: BuildReply


class StalePart(Schema):
    """The part has changed since it was seen; here it is as it is now."""

    message: str
    current: PartDetail


class LossJson(Schema):
    """What a build would lose by a change of the catalogue."""

    build: str
    what: list[str]


class InUse(Schema):
    """Builds would lose what they name. Nothing was changed; they may be brought along."""

    message: str
    builds: list[LossJson]


class Unreadable(Schema):
    """A build that cannot be shown as it is stored; it can be undone and deleted."""

    message: str
    id: int
    name: str
    revision: int
