"""What a monitor is used with and for: its own program, its age, being packed away, slow balls (spec, trade)."""

from core.checks.figures import counted, stated, worded
from core.checks.household import Today
from core.checks.places import on
from core.checks.register import check
from core.checks.verdict import Basis, Input, State, Verdict
from core.checks.weights import lacking, wanted
from core.model.brief import Brief, Purpose
from core.model.build import Slot
from core.model.facts import known
from core.model.parts import Billing, FloorStanding, LaunchMonitor, Machine, MonitorPlan, Title, link_to
from core.model.room import Layout
from core.model.things import BayPart
from core.quantities import Quantity, Unit, say

OLD_YEARS = 4
"""Makers stop updating an edition about so long after it came out (trade)."""
SLOW_PUTT_M_S = 1.5
"""A putt of 2 m on a medium green: v = √(2 · 0.55 m/s² · 2 m) (physics; stimp 10 ft slows a ball by 0.55 m/s²)."""
SLOW_CHIP_M_S = 8.0
"""A short chip (trade)."""


@check("monitor.platform", title="Program of the monitor's maker", place=on(Slot.MONITOR))
def platform(monitor: LaunchMonitor, machine: Machine, title: Title | None) -> Verdict:
    """The maker's own program runs on the machine. Where no title listens natively, shots are seen in it alone.

    With one it is needed for settings and updates alone: a phone does for those.
    """
    has = known(machine.platform, machine, "operating system")
    offers = known(monitor.platforms, monitor, "list of the program's systems")
    link = link_to(title, monitor) if title is not None else None
    native = link is not None and link.via == "native"
    runs = has in offers
    state = State.CLEAR if runs else State.TIGHT if native else State.BLOCKED
    return worded(
        state,
        say("Its program runs on {has}", has=has)
        if runs
        else say("Its program runs on {offers}; this is {has}", offers=", ".join(offers) or "nothing", has=has),
        has=has,
        wants=" or ".join(offers) or "nothing",
        formula="the machine's system among those of the maker's program",
        inputs=lambda: (
            stated("Machine", has),
            stated("Program", ", ".join(offers) or "nothing"),
            stated("Title listens natively", "yes" if native else "no"),
        ),
        cures=(
            say(
                "Have a phone or tablet with {offers} at hand for settings.",
                offers=" or ".join(offers) or "its program",
            )
            if native
            else say("Choose a machine with {offers}, or a title that listens natively.", offers=" or ".join(offers)),
        ),
    )


@check("monitor.edition", title="Age of the monitor's edition", place=on(Slot.MONITOR))
def edition(monitor: LaunchMonitor, plan: MonitorPlan | None, today: Today) -> Verdict:
    """An edition of more than four years may get no updates any more: ask before buying, used above all (trade).

    Where its maker has ended that, the monitor still measures; a plan that is paid for buys nothing lasting.
    """
    year = known(monitor.edition_year, monitor, "year of its edition")
    age = today.date.year - year
    until = monitor.supported_until
    ended = until is not None and until < today.date.year
    paid = plan is not None and plan.billing is not Billing.FREE
    aged = State.TIGHT if ended or age > OLD_YEARS else State.CLEAR
    return counted(
        State.BLOCKED if ended and paid else aged,
        say("Came out in {year}, kept up to date until {until}", year=str(year), until=str(until))
        if ended
        else say("Came out in {year}", year=str(year)),
        Unit.YEAR,
        has=age,
        needs=OLD_YEARS,
        formula="4 years − age of the edition",
        inputs=lambda: (
            stated("Edition", str(year)),
            stated("Kept up to date until", str(until) if until else "no end told"),
            stated("Plan", plan.name if plan else "none"),
            Input("Today", today.date.isoformat(), Basis.MEASURED),
        ),
        cures=(say("Pay for no plan of it, or choose an edition that is kept up to date."),)
        if ended
        else (say("Ask {maker} how long it will be kept up to date.", maker=monitor.maker),),
        basis=Basis.TRADE,
        at_most=True,
    )


@check("monitor.portable", title="Monitor that is packed away", place=on(Slot.MONITOR))
def portable(brief: Brief, layout: Layout, monitor: FloorStanding) -> Verdict:
    """A bay that is packed away after play wants a monitor that is made to be carried, or one that may stay.

    One that is made to stay, and stays while the rest is packed away, is in the way: tight. To put it away after
    every play is what it is not made for.
    """
    carried = known(monitor.portable, monitor, "being carried")
    stays = BayPart.MONITOR in layout.stays_up
    put_away = State.TIGHT if stays else State.BLOCKED
    return worded(
        put_away if brief.packed_away and not carried else State.CLEAR,
        say("{monitor} is made to be carried", monitor=monitor.name)
        if carried
        else say("{monitor} is made to stay where it stands", monitor=monitor.name),
        has="carried" if carried else "stays",
        wants="carried" if brief.packed_away else "either",
        formula="what the maker says, where the bay is packed away, and whether the monitor stays",
        inputs=lambda: (
            stated("Made to be carried", "yes" if carried else "no"),
            Input("Packed away after play", "yes" if brief.packed_away else "no", Basis.MEASURED),
            Input("Stays where it is", "yes" if stays else "no", Basis.MEASURED),
        ),
        cures=(say("Choose one that is made to be carried."),)
        if stays
        else (say("Choose one that is made to be carried, or let it stay where it is."),),
    )


@check("monitor.slow_balls", title="Slow balls that it reads", place=on(Slot.MONITOR))
def slow_balls(brief: Brief, monitor: LaunchMonitor) -> Verdict:
    """The slowest ball it reads is slower than a short putt, where putts are wanted, or than a chip.

    A putt of 2 m on a medium green leaves at 1.5 m/s: v = √(2·a·s), a = 0.55 m/s² for a stimp of 10 ft. Where
    putting is a must (weight 5), one that misses putts is ruled out.
    """
    slowest = known(monitor.ball_speed_min_m_s, monitor, "slowest ball it reads")
    putts = wanted(brief, Purpose.PUTTING)
    needs = SLOW_PUTT_M_S if putts else SLOW_CHIP_M_S
    return counted(
        State.CLEAR if slowest <= needs else lacking(brief, Purpose.PUTTING),
        say("Reads balls from {slowest} on", slowest=_speed(slowest)),
        Unit.METRE_PER_SECOND,
        has=slowest,
        needs=needs,
        formula="speed of a short putt or chip − slowest ball it reads",
        inputs=lambda: (
            stated("Slowest ball", _speed(slowest)),
            Input("Short putt" if putts else "Short chip", _speed(needs), Basis.TRADE),
        ),
        cures=(say("Choose one that reads slower balls, or putt on another surface."),),
        at_most=True,
    )


def _speed(value: float) -> Quantity:
    return Quantity(value, Unit.METRE_PER_SECOND)
