"""What goes in and out of the endpoints of prices over time."""

from enum import StrEnum
from typing import Annotated

from ninja import Schema
from pydantic import ConfigDict, StringConstraints

from core.formats.report_json.bought import BoughtJson
from core.formats.report_json.rule_paid import RulePaidJson
from jungle.api.job_schemas import JobNow

Reason = Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=200)]


class Struck(Schema):
    """Why an observation is believed no more."""

    model_config = ConfigDict(extra="forbid")

    reason: Reason


class SeenChange(StrEnum):
    """What somebody does about an observation that is doubted."""

    BRING_BACK = "bring-back"
    CONFIRM = "confirm"


class SeenPrice(Schema):
    """A price as it was seen, from the first look to the last one that found the same."""

    id: int
    shop: str
    sold_as: str
    price: str
    in_stock: bool
    first_seen: str
    last_seen: str
    source: str
    held_back: str
    """Why it is not believed until somebody confirms it."""
    struck: str
    """Why somebody struck it out."""


class PriceLog(Schema):
    """What was seen of one part, the newest first; at most so many."""

    seen: list[SeenPrice]
    most: int


class QuestionNow(Schema):
    """Somebody to ask before a thing is bought, and what was answered."""

    id: str
    whom: str
    what: str
    answer: str
    answered_on: str


class AroundBuying(Schema):
    """What was bought and its price since, and whom to ask before the rest is."""

    bought: list[BoughtJson]
    questions: list[QuestionNow]


class Answered(Schema):
    """What somebody answered; empty to forget it."""

    model_config = ConfigDict(extra="forbid")

    question: Annotated[str, StringConstraints(max_length=40)]
    answer: Annotated[str, StringConstraints(max_length=500)]


class HabitPaid(Schema):
    """How good the rules were on simulated markets of one habit."""

    habit: str
    paid: list[RulePaidJson]


class BackTested(Schema):
    """How good the advice was: over what was really asked, and over simulated markets."""

    lines: int
    own_trials: int
    own_weeks: int
    """How long whoever asked could have waited in each of them."""
    own: list[RulePaidJson]
    simulated_trials: int
    simulated: list[RulePaidJson]
    by_habit: list[HabitPaid]
    """Where it wins and where it loses."""


class BackTestJob(Schema):
    """The back-test that was asked for last, or how far it is."""

    job: JobNow | None
    tested: BackTested | None


class HistoryRow(Schema):
    """One row of a table of prices: what it says, or what is wrong with it."""

    line: int
    says: str
    problem: str


class HistoryPreview(Schema):
    """What a table of prices would do; nothing is stored."""

    heading: list[str]
    columns: dict[str, int]
    """Which column holds what, counted from 0."""
    asked: list[str]
    """Everything that a column may hold."""
    rows: int
    wrong: int
    first: list[HistoryRow]


class HistoryTaken(Schema):
    """What became of a table of prices."""

    rows: int
    new: int
    extended: int
    held_back: int
    wrong: int
    problems: list[HistoryRow]


class HistoryJob(Schema):
    """The table that was taken in last, or how far it is."""

    job: JobNow | None
    taken: HistoryTaken | None
