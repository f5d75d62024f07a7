"""What a monitor is used with and for: its own program, its age, being packed away, slow balls (spec, trade)."""

from typing import Annotated

from core.checks.figures import stated_input
from core.checks.limits import ENDLESS, State, Words, at_most
from core.checks.places import on
from core.checks.readings import Today
from core.checks.register import check
from core.checks.verdict import Answer, Basis, Input
from core.checks.weights import is_wanted, tolerance_of
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import Billing, FloorStanding, LaunchMonitor, Machine, MonitorPlan, Title, link_to
from core.model.parts.systems import runs_on
from core.model.room import Layout
from core.model.things import BayPart
from core.quantities import Unit, say

OLD_YEARS = 4
"""Makers stop updating an edition about so long after it came out (trade)."""
SLOW_PUTT_M_S = 1.5
"""A putt of 2 m on a medium green: v = √(2 · 0.55 m/s² · 2 m) (physics; stimp 10 ft slows a ball by 0.55 m/s²)."""
SLOW_CHIP_M_S = 8.0
"""A short chip (trade)."""


@check("monitor.platform", title="Program of the monitor's maker", place=on(Slot.MONITOR))
def platform(
    monitor: Annotated[LaunchMonitor, "id", "platforms"],
    machine: Annotated[Machine, "platform"],
    title: Annotated[Title, "monitor_links"] | None,
) -> Answer:
    """The maker's own program runs on the machine. Where no software listens natively, shots are seen in it alone.

    With one it is needed for settings and updates alone: a phone does for those.
    """
    has = known(machine, "platform")
    offers = known(monitor, "platforms")
    link = link_to(title, monitor) if title is not None else None
    native = link is not None and link.via == "native"
    runs = runs_on(has, offers)
    state = State.CLEAR if runs else State.TIGHT if native else State.BLOCKED
    return Answer(
        Words(state, has, " or ".join(offers) or "nothing"),
        headline=lambda: (
            say("Its program runs on {has}", has=has)
            if runs
            else say("Its program runs on {offers}; this is {has}", offers=", ".join(offers) or "nothing", has=has)
        ),
        formula="the machine's system among those of the maker's program",
        inputs=lambda: (
            stated_input("Machine", has),
            stated_input("Program", ", ".join(offers) or "nothing"),
            stated_input("Software listens natively", "yes" if native else "no"),
        ),
        cures=lambda: (
            say(
                "Have a phone or tablet with {offers} at hand for settings.",
                offers=" or ".join(offers) or "its program",
            )
            if native
            else say("Choose a machine with {offers}, or software that listens natively.", offers=" or ".join(offers)),
        ),
    )


@check("monitor.edition", title="Age of the monitor's edition", place=on(Slot.MONITOR))
def edition(
    monitor: Annotated[LaunchMonitor, "edition_year", "supported_until"],
    plan: Annotated[MonitorPlan, "billing"] | None,
    today: Today,
) -> Answer:
    """An edition of more than four years may get no updates any more: ask before buying, used above all (trade).

    Where its maker has ended that, the monitor still measures; a plan that is paid for buys nothing lasting.
    """
    year = known(monitor, "edition_year")
    until = monitor.supported_until
    ended = until is not None and until < today.date.year
    paid = plan is not None and plan.billing is not Billing.FREE
    age = at_most(today.date.year - year, OLD_YEARS, unit=Unit.YEAR, tolerated=ENDLESS)
    support = Words(State.BLOCKED if paid else State.TIGHT, f"until {until}", "kept up to date")
    return Answer(
        (age, support) if ended else age,
        headline=lambda: (
            say("Came out in {year}, kept up to date until {until}", year=str(year), until=str(until))
            if ended
            else say("Came out in {year}", year=str(year))
        ),
        formula="4 years − age of the edition, and whether its maker still keeps it up to date",
        inputs=lambda: (
            stated_input("Edition", str(year)),
            stated_input("Kept up to date until", str(until) if until else "no end told"),
            stated_input("Plan", plan.name if plan else "none"),
            Input("Today", today.date.isoformat(), Basis.MEASURED),
        ),
        cures=lambda: (
            (say("Pay for no plan of it, or choose an edition that is kept up to date."),)
            if ended
            else (say("Ask {maker} how long it will be kept up to date.", maker=monitor.maker),)
        ),
        basis=Basis.TRADE,
    )


@check("monitor.portable", title="Monitor that is packed away", place=on(Slot.MONITOR))
def portable(
    brief: Annotated[Brief, "packed_away"],
    layout: Annotated[Layout, "stays_up"],
    monitor: Annotated[FloorStanding, "portable"],
) -> Answer:
    """A bay that is packed away after play wants a monitor that is made to be carried, or one that may stay.

    One that is made to stay, and stays while the rest is packed away, is in the way: tight. To put it away after
    every play is what it is not made for.
    """
    carried = known(monitor, "portable")
    stays = BayPart.MONITOR in layout.stays_up
    put_away = State.TIGHT if stays else State.BLOCKED
    return Answer(
        Words(
            put_away if brief.packed_away and not carried else State.CLEAR,
            "carried" if carried else "stays",
            "carried" if brief.packed_away else "either",
        ),
        headline=lambda: (
            say("{monitor} is made to be carried", monitor=monitor.name)
            if carried
            else say("{monitor} is made to stay where it stands", monitor=monitor.name)
        ),
        formula="what the maker says, where the bay is packed away, and whether the monitor stays",
        inputs=lambda: (
            stated_input("Made to be carried", "yes" if carried else "no"),
            Input("Packed away after play", "yes" if brief.packed_away else "no", Basis.MEASURED),
            Input("Stays where it is", "yes" if stays else "no", Basis.MEASURED),
        ),
        cures=lambda: (
            (say("Choose one that is made to be carried."),)
            if stays
            else (say("Choose one that is made to be carried, or let it stay where it is."),)
        ),
    )


@check("monitor.slow_balls", title="Slow balls that it reads", place=on(Slot.MONITOR))
def slow_balls(brief: Annotated[Brief, "purposes"], monitor: Annotated[LaunchMonitor, "ball_speed_min_m_s"]) -> Answer:
    """The slowest ball it reads is slower than a short putt, where putts are wanted, or than a chip.

    A putt of 2 m on a medium green leaves at 1.5 m/s: v = √(2·a·s), a = 0.55 m/s² for a stimp of 10 ft. Where
    putting is a must (weight 5), one that misses putts is ruled out.
    """
    putts = is_wanted(brief, Purpose.PUTTING)
    limit = at_most(
        known(monitor, "ball_speed_min_m_s"),
        SLOW_PUTT_M_S if putts else SLOW_CHIP_M_S,
        unit=Unit.METRE_PER_SECOND,
        tolerated=tolerance_of(brief, Purpose.PUTTING),
    )
    return Answer(
        limit,
        headline=lambda: say("Reads balls from {slowest} on", slowest=limit.has),
        formula="speed of a short putt or chip − slowest ball it reads",
        inputs=lambda: (
            Input("Slowest ball", limit.has, Basis.SPEC),
            Input("Short putt" if putts else "Short chip", limit.wants, Basis.TRADE),
        ),
        cures=lambda: (say("Choose one that reads slower balls, or putt on another surface."),),
    )
