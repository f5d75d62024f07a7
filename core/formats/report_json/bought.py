"""What was bought and its price since, as JSON."""

from collections.abc import Iterable
from dataclasses import dataclass

from core.quantities import Money, UnitSystem
from core.report.after_buying import Bought


@dataclass(frozen=True, slots=True)
class BoughtJson:
    """Something that was paid for, and its price since."""

    line: str
    label: str
    paid: str
    paid_on: str
    headline: str
    now: str
    least: str
    least_on: str
    return_by: str
    """The last day on which the shop takes it back; empty where that is over, or not known."""
    is_worth_sending_back: bool


def bought_json(bought: Iterable[Bought], system: UnitSystem) -> list[BoughtJson]:
    """`bought` for a reader of `system`."""
    return [_bought_json(one, system) for one in bought]


def _bought_json(one: Bought, system: UnitSystem) -> BoughtJson:
    def money(minor: int | None) -> str:
        return "" if minor is None else Money(minor, one.paid.currency).text()

    return BoughtJson(
        line=one.line,
        label=one.label,
        paid=one.paid.text(),
        paid_on=one.paid_on.isoformat(),
        headline=one.headline.text(system),
        now=money(one.now_minor),
        least=money(one.least_minor),
        least_on=one.least_on.isoformat() if one.least_on else "",
        return_by=one.return_by.isoformat() if one.return_by else "",
        is_worth_sending_back=one.is_worth_sending_back,
    )
