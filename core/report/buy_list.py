"""What to buy, and when: by stage, what is safe to buy first, with a running total against the money that comes in."""

from collections.abc import Callable, Iterable, Iterator, Mapping
from datetime import date
from typing import NamedTuple

from core.checks import GRAPH
from core.checks.limits import State
from core.model.brief import Stage
from core.model.build import Build, Slot
from core.model.ledger import Funding
from core.money.line import Line, Payment
from core.quantities import Money, Sentence, say
from core.report.report import Report

ORDER = (
    Slot.MONITOR,
    Slot.ENCLOSURE,
    Slot.SCREEN,
    Slot.FLOOR,
    Slot.MAT,
    Slot.TITLE,
    Slot.MACHINE,
    Slot.DISPLAY,
)
"""What decides about others comes before them: a projector after the screen that it must fill, a computer after the
software that it must run (trade)."""
FREE = frozenset({Payment.OWNED, Payment.GIFT, Payment.SAMPLE, Payment.BARTER, Payment.FREE, Payment.BUNDLED})
MOST_REASONS = 3
NOWHERE_SEEN: Mapping[str, str] = {}


class ToBuy(NamedTuple):
    """One line that is to be bought, or was."""

    line: Line
    stage: Stage | None
    """The stage that needs it first; `None` for what no stage needs."""
    held: tuple[Sentence, ...]
    """What is to be checked first; none where it is safe to buy."""
    running: Money
    """What all up to it come to, as far as prices are known."""
    covered_by: str
    """What of the money that comes in pays for it; empty while none is entered, or none reaches."""
    shop: str
    """Who was paid, or quoted it; empty where nobody says."""
    seen_at: str = ""
    """Where the offer that was taken was seen."""

    @property
    def amount(self) -> Money | None:
        """What is to be paid, or was: of a subscription its first year, which is in no running total."""
        return self.line.fees_in(0) if self.line.is_fee else self.line.up_front

    @property
    def is_paid(self) -> bool:
        """It was bought."""
        return self.line.payment is Payment.PAID


def buy_list(build: Build, report: Report, addresses: Mapping[str, str] = NOWHERE_SEEN) -> tuple[ToBuy, ...]:
    """Every line that costs money, what is paid last; building works and decoration stand among them.

    With the `addresses` at which offers were seen, by offer.
    """
    stages = {slot: number for number, stage in enumerate(report.stages) for slot in stage.slots}
    held = dict(_held(report))
    guessed = say("Measure the room first: what is guessed of it decides") if build.room.guessed else None

    def reasons(line: Line) -> tuple[Sentence, ...]:
        if line.payment is Payment.PAID or line.slot is None:
            return ()
        rests_on_room = guessed is not None and line.slot is not Slot.TITLE
        return ((guessed,) if rests_on_room and guessed else ()) + held.get(line.slot, ())

    lines = [line for line in (*report.costs.lines, *report.costs.works) if _costs_something(line)]

    def place(line: Line) -> tuple[bool, int, bool, int, bool, str]:
        stage = stages.get(line.slot, len(report.stages)) if line.slot else len(report.stages)
        order = ORDER.index(line.slot) if line.slot else len(ORDER)
        return (line.payment is Payment.PAID, stage, bool(reasons(line)), order, bool(line.beside), line.label)

    ordered = sorted(lines, key=place)
    return tuple(_with_running(ordered, reasons, stages, report, build, addresses))


def _costs_something(line: Line) -> bool:
    amount = line.yearly if line.is_fee else line.up_front
    return line.payment not in FREE and (amount is None or amount.minor > 0)


def _held(report: Report) -> Iterator[tuple[Slot, tuple[Sentence, ...]]]:
    """For each place why nothing is bought for it yet: what is blocked or not known there, or on its links."""
    open_ones = [v for v in report.verdicts if v.state in (State.BLOCKED, State.UNKNOWN)]
    for slot in Slot:
        found = [verdict for verdict in open_ones if slot in GRAPH[verdict.id].place.slots]
        blocked_first = sorted(found, key=lambda verdict: verdict.state is not State.BLOCKED)
        if blocked_first:
            yield slot, tuple(report.told(verdict).headline for verdict in blocked_first[:MOST_REASONS])


def _with_running(
    lines: Iterable[Line],
    reasons: Callable[[Line], tuple[Sentence, ...]],
    stages: Mapping[Slot, int],
    report: Report,
    build: Build,
    addresses: Mapping[str, str],
) -> Iterator[ToBuy]:
    currency = build.brief.currency
    running = Money(0, currency)
    for line in lines:
        running += line.up_front or Money(0, currency)
        number = stages.get(line.slot) if line.slot else None
        entry = next((own for own in build.ledger.own if own.id == line.beside), build.ledger.of(line.key))
        yield ToBuy(
            line,
            None if number is None else report.stages[number].stage,
            reasons(line),
            running,
            _covered(running, build.ledger.funding),
            (entry.paid_to or entry.quote_from) if entry else "",
            addresses.get(entry.offer or "", "") if entry else "",
        )


def _covered(running: Money, funding: tuple[Funding, ...]) -> str:
    """What has come in by the time that pays for so much: what is there first, then by its day."""
    there = sorted(funding, key=lambda each: (not each.received, each.on or date.max))
    so_far = 0
    for each in there:
        so_far += each.minor
        if running.minor <= so_far:
            if each.received:
                return "what is there"
            return each.name + (f", {each.on.isoformat()}" if each.on else "")
    return ""
