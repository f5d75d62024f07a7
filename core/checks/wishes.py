"""What the household allows and what it would rather not have: drilling in its home, fees that come again."""

from collections.abc import Iterator
from contextlib import suppress
from typing import Annotated

from core.checks.figures import stated_input
from core.checks.limits import State, Words
from core.checks.places import on
from core.checks.register import check
from core.checks.verdict import Answer, Basis, Input, find_out
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import FactAt, MissingFact, known
from core.model.household import Subscriptions
from core.model.parts import (
    Billing,
    LaunchMonitor,
    MonitorPlan,
    OverheadCamera,
    Part,
    Plan,
    Projector,
    Title,
    TitlePlan,
)
from core.money.amounts import in_currency
from core.money.licences import fee_of
from core.money.once import break_even_years
from core.money.price_book import price_book_of
from core.quantities import Money, Sentence, say

SUBSCRIPTIONS = (Billing.MONTHLY, Billing.YEARLY)
STATE_BY_WISH = {
    Subscriptions.FINE: State.CLEAR,
    Subscriptions.RATHER_NOT: State.TIGHT,
    Subscriptions.NEVER: State.BLOCKED,
}


@check("display.drilling", title="Hung without drilling", place=on(Slot.DISPLAY))
def projector_mount(brief: Annotated[Brief, "may_drill", "rented"], projector: Annotated[Projector, "name"]) -> Answer:
    """A projector hangs from the ceiling by fixings in its structure, which a home without drilling rules out.

    In a rented home it is tight even where it is allowed: holes are made good on leaving.
    Overhead fixings go into a joist or a spreader plate, never into board alone: people stand below.
    """
    return _drilled(brief, projector.name)


@check("monitor.drilling", title="Hung without drilling", place=on(Slot.MONITOR))
def monitor_mount(brief: Annotated[Brief, "may_drill", "rented"], monitor: Annotated[OverheadCamera, "name"]) -> Answer:
    """An overhead camera hangs from the ceiling by fixings in its structure, as a projector does."""
    return _drilled(brief, monitor.name)


def _drilled(brief: Brief, name: str) -> Answer:
    allowed = known(brief, "may_drill")
    state = State.BLOCKED if not allowed else State.TIGHT if brief.rented else State.CLEAR
    words = {
        State.CLEAR: "{name} hangs from the ceiling",
        State.TIGHT: "{name} leaves holes in a rented ceiling",
        State.BLOCKED: "{name} hangs from the ceiling, and nothing may be drilled",
    }
    return Answer(
        Words(state, "drilling allowed" if allowed else "no drilling", "fixings in the ceiling"),
        headline=lambda: say(words[state], name=name),
        formula="what the home allows against how it is mounted",
        inputs=lambda: (
            Input("Drilling", "allowed" if allowed else "not allowed", Basis.MEASURED),
            Input("Home", "rented" if brief.rented else "owned", Basis.MEASURED),
        ),
        cures=lambda: (
            (say("Agree in writing on what is made good when you leave."),)
            if state is State.TIGHT
            else (
                find_out(
                    FactAt("brief", "may_drill"), "Ask the owner of the home; fixings can be made good afterwards."
                ),
                say("Choose one that stands on the floor, or the stage with net or tablet."),
            )
        ),
        basis=Basis.PHYSICS,
    )


@check("title.subscription", title="Licence of the software", place=on(Slot.TITLE))
def title_subscription(
    brief: Annotated[Brief, "subscriptions"], title: Annotated[Title, "plans"], plan: Annotated[TitlePlan, "billing"]
) -> Answer:
    """Whoever would rather not subscribe is told, with the years after which a licence paid once is cheaper.

    break-even = price once / yearly fee. 'Rather not' is a wish and never rules software out; 'never' does.
    """
    return _subscribed(brief, title, plan, title.plans)


@check("monitor.subscription", title="Plan of the monitor", place=on(Slot.MONITOR))
def monitor_subscription(
    brief: Annotated[Brief, "subscriptions"],
    monitor: Annotated[LaunchMonitor, "plans"],
    plan: Annotated[MonitorPlan, "billing"],
) -> Answer:
    """The same for the plan of the launch monitor's maker."""
    return _subscribed(brief, monitor, plan, monitor.plans)


def _subscribed(brief: Brief, part: Part, plan: Plan, plans: tuple[Plan, ...]) -> Answer:
    subscription = plan.billing in SUBSCRIPTIONS
    wish = known(brief, "subscriptions") if subscription else brief.subscriptions
    any_will_do = wish in (None, Subscriptions.FINE)
    return Answer(
        Words(
            STATE_BY_WISH[wish] if subscription and wish else State.CLEAR,
            plan.billing.value,
            "any licence" if any_will_do else "no subscription",
        ),
        headline=lambda: (
            say("Plan {plan} is a subscription", plan=plan.name) if subscription else say("No subscription")
        ),
        formula="kind of licence against the wish; break-even = price once / yearly fee",
        inputs=lambda: (
            *(stated_input(f"Plan {other.name}", _told(other)) for other in plans),
            *(
                Input(f"Break-even with {other.name}", f"{years:.1f} years", Basis.PHYSICS)
                for other, _, years in _paid_once(brief, part, plan, plans)
            ),
        ),
        cures=lambda: tuple(_ways_out(brief, part, plan, plans)),
    )


def _ways_out(brief: Brief, part: Part, plan: Plan, plans: tuple[Plan, ...]) -> list[Sentence]:
    found = [say("Plan {other} is free.", other=other.name) for other in plans if other.billing is Billing.FREE]
    pays = "{other}, {once} once, pays after {years} years."
    found += [
        say(pays, other=other.name, once=once, years=f"{years:.1f}")
        for other, once, years in _paid_once(brief, part, plan, plans)
    ]
    return found or [say("It has no other licence; other software or another monitor may.")]


def _paid_once(brief: Brief, part: Part, plan: Plan, plans: tuple[Plan, ...]) -> Iterator[tuple[Plan, Money, float]]:
    """Licences paid once beside a plan that is paid again: what each costs, and after how many years it pays."""
    book = price_book_of([part])
    for other in plans:
        if other.billing is Billing.ONCE and plan.billing in SUBSCRIPTIONS:
            with suppress(MissingFact):
                fee = fee_of(part, plan, brief, book)
                once = in_currency(book.plan_price(part, other), brief)
                if fee and fee.usual.minor:
                    yield other, once, break_even_years(once, fee)


def _told(plan: Plan) -> str:
    return f"{plan.billing}, {plan.price.money.text()}" if plan.price else plan.billing.value
