"""What is held of licences, against the least set that unlocks as much."""

from dataclasses import dataclass
from typing import Annotated

from core.checks.evaluation import Evaluation
from core.checks.figures import in_a_row, stated_input
from core.checks.licence_sets import (
    UNLOCKED_BY,
    Licences,
    parts_in,
    under_licences,
    weigh_licences,
)
from core.checks.limits import ENDLESS, at_most
from core.checks.places import between
from core.checks.prices import LicenceCosts
from core.checks.readings import Given
from core.checks.register import REGISTER, check
from core.checks.verdict import Answer, Basis, Input, find_out, press
from core.model.acts import Act
from core.model.brief import Brief
from core.model.build import Slot
from core.model.facts import FactAt, Missing, MissingFact
from core.quantities import Money, say

MOST_WEIGHED = 120
"""Sets that are weighed while somebody waits for an answer."""
WEIGHED = FactAt("money", "licences")
"""Where sets are weighed with all that the catalogue has of add-ons."""

TOO_MANY = Missing("Whether another set of licences costs less", "There are more than can be weighed at once.", WEIGHED)


@dataclass(frozen=True, eq=False)
class WeighedLicences:
    """The sets that can be made of what is held, and what taking the least of them makes of a build."""

    licences: Licences
    take_the_least: Act


@REGISTER.derive_by_asking(
    UNLOCKED_BY, (LicenceCosts, Annotated[Brief, "courses_wanted", "currency", "horizon_years", "purposes"])
)
def weighed_licences(now: Evaluation) -> WeighedLicences | None:
    """Every plan of every monitor and title that is held, with any of the add-ons that are."""
    given = now.given
    assert isinstance(given, Given)
    licences, parts = weigh_licences(now, (), MOST_WEIGHED), parts_in(given)
    if licences is None:
        return None
    return WeighedLicences(licences, lambda build: under_licences(build, parts, licences.for_the_same.choice))


@check("title.licences", title="Least set of licences", place=between(Slot.MONITOR, Slot.TITLE))
def least_licences(brief: Annotated[Brief, "currency", "yearly_cap_minor"], weighed: WeighedLicences) -> Answer:
    """No set of plans for what is held, with any of the add-ons that are, unlocks as much for less over the years.

    Each set is made in the build and judged by the checks that read licences. A dearer one than the least is tight, and
    blocked where its fees alone are over the yearly cap and the least keeps it. It is not known while a price, or any
    other fact that decides, is missing. What the catalogue has of packages, packs and connectors besides is weighed in
    the Money view.
    """
    licences = weighed.licences
    held, least = licences.held, licences.for_the_same
    horizon, least_horizon = _over_the_years(licences)
    limits = [at_most(horizon.minor, least_horizon.minor, least_horizon.minor, horizon.currency, tolerated=ENDLESS)]
    less, years = horizon - least_horizon, licences.in_years
    cap = brief.yearly_cap_minor
    if less.minor and cap is not None and held.yearly and least.yearly and least.yearly.minor <= cap:
        limits.append(at_most(held.yearly.minor, cap, cap, horizon.currency))
    both = (("Held", held), ("Least", least))
    nobody_asked = held.adds_to(least)
    return Answer(
        tuple(limits),
        headline=lambda: licences.headline if less.minor else say("Nothing that unlocks as much costs less"),
        formula="plans and add-ons over the years of the brief, against the cheapest set that leaves no more locked",
        inputs=lambda: (
            stated_input("Held", in_a_row(held.names)),
            Input(f"Held, in {years}", horizon, Basis.SPEC),
            stated_input("Least", in_a_row(least.names)),
            Input(f"Least, in {years}", least_horizon, Basis.SPEC),
            *(Input(f"{name}, a year", each.yearly, Basis.SPEC) for name, each in both if each.yearly),
            *((stated_input("Beyond what is wanted", in_a_row(nobody_asked)),) if nobody_asked else ()),
            stated_input("Sets made and judged", str(len(licences.sets))),
        ),
        cures=lambda: (
            press(
                weighed.take_the_least,
                "Take {names}: {less} less over {years}.",
                names=least.in_words,
                less=less,
                years=years,
            ),
            find_out(WEIGHED, "Weigh the packages, packs and connectors of the catalogue with them."),
        ),
    )


def _over_the_years(licences: Licences) -> tuple[Money, Money]:
    """What the held set and the least that serves as well cost over the years.

    Raises `MissingFact` where the held one has no price, or what it unlocks is not known; and where nothing is known to
    be cheaper and something may be.
    """
    held, least = licences.held, licences.for_the_same
    for missing in (held.missing, *held.open):
        if missing is not None:
            raise MissingFact(*missing)
    assert held.horizon is not None
    assert least.horizon is not None
    if least.horizon.minor == held.horizon.minor:
        for other in licences.may_serve:
            for missing in (other.missing, *other.open):
                if missing is not None and other.at_least.minor < held.horizon.minor:
                    raise MissingFact(*missing)
        if licences.cut_short:
            raise MissingFact(*TOO_MANY)
    return held.horizon, least.horizon
