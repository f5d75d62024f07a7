"""Routes to what hangs in a place, as JSON."""

from dataclasses import dataclass

from core.formats.report_json.figures import FigureJson, figure_json
from core.model.brief import Brief
from core.model.household import Skill
from core.quantities import Money, Sentence, UnitSystem, say
from core.report.routes import Elsewhere, Route, RouteKind


@dataclass(frozen=True, slots=True)
class RouteLineJson:
    """Something that a route buys."""

    part: str
    name: str
    units: int
    cost: str
    why: str


@dataclass(frozen=True, slots=True)
class RouteJson:
    """One way to come by something; `lacking` are skills that the household has not."""

    kind: RouteKind
    money: FigureJson
    hours: str
    skills: list[Skill]
    lacking: list[Skill]
    bought: list[RouteLineJson]
    elsewhere: list[str]
    """What costs more or less in other places then."""
    lacks: list[str]
    against: list[str]
    """What it would rule out."""
    caution: str
    press: bool
    """There is something to take."""


def route_json(route: Route, brief: Brief, system: UnitSystem) -> RouteJson:
    """`route` for the household of `brief`, read in `system`."""
    return RouteJson(
        kind=route.kind,
        money=figure_json(route.money, system),
        hours=f"about {route.hours:g} h" if route.hours else "",
        skills=list(route.skills),
        lacking=list(route.lacking(brief.skills)),
        bought=[
            RouteLineJson(
                part=bought.part.id,
                name=f"{bought.part.name}, {bought.part.maker}",
                units=bought.line.quantity,
                cost=bought.line.up_front.text() if bought.line.up_front is not None else "price not known",
                why=bought.why.text(system) if bought.why else "",
            )
            for bought in route.purchases
        ],
        elsewhere=[_told(line).text(system) for line in route.elsewhere],
        lacks=list(route.lacks),
        against=[told.headline.text(system) for told in route.against],
        caution=route.caution,
        press=route.build is not None,
    )


def _told(line: Elsewhere) -> Sentence:
    amount = Money(abs(line.more.minor), line.more.currency)
    return say(
        "{label}: {amount} {more}", label=line.label, amount=amount, more="more" if line.more.minor > 0 else "less"
    )
