"""Other answers to the questions of the brief: those that ask for less than what was answered."""

from collections.abc import Iterator

from core.checks.weights import is_wanted
from core.model.brief import MUST, Brief, Purpose, Stage
from core.model.household import Looks, Noise, Subscriptions
from core.money.costs import Costs
from core.quantities import Money, Sentence, say

Answered = tuple[str, Sentence, object]
"""A field of the brief, what is changed in words, and its new value."""
STAGES = {
    Stage.NET: "a net",
    Stage.TABLET: "a net or screen with a tablet",
    Stage.PROJECTED: "a projected picture",
}
NOISES = {Noise.DAMPED: "Let it be damped, not quiet.", Noise.ANY: "Put up with any noise."}


def less_asked(brief: Brief, costs: Costs) -> Iterator[Answered]:
    """Every answer that is tried, by what is least to give up; `costs` are those of the build as it would be."""
    if not brief.may_drill:
        yield "may_drill", say("Get leave to drill."), True
    if brief.subscriptions is not Subscriptions.FINE:
        yield "subscriptions", say("Accept fees that come again."), Subscriptions.FINE
    louder = list(Noise)[: list(Noise).index(brief.noise)]
    for noise in reversed(louder):
        yield "noise", say(NOISES[noise]), noise
    yield from _caps(brief, costs)
    for stage in Stage:
        if stage is not brief.stage:
            yield "stage", say("Build {stage} instead.", stage=STAGES[stage]), stage
    yield from _of_purposes(brief)
    if brief.visitors:
        yield "visitors", say("Play without visitors."), False
    if brief.looks is not Looks.PLAIN:
        yield "looks", say("Let it look plain."), Looks.PLAIN
    if brief.packed_away:
        yield "packed_away", say("Let the bay stay up."), False
    yield from _shorter_clubs(brief)


def _of_purposes(brief: Brief) -> Iterator[Answered]:
    for purpose in (purpose for purpose in Purpose if brief.must(purpose)):
        wish = {**brief.purposes, purpose: MUST - 1}
        yield "purposes", say("Let {purpose} be a wish, not a must.", purpose=purpose.words), wish
    for purpose in (purpose for purpose in Purpose if is_wanted(brief, purpose)):
        rest = {**brief.purposes, purpose: 0}
        yield "purposes", say("Do without {purpose}.", purpose=purpose.words), rest


def _caps(brief: Brief, costs: Costs) -> Iterator[Answered]:
    needs = costs.counted + costs.contingency
    if brief.up_front_cap is not None and brief.up_front_cap.minor < needs.minor:
        yield "up_front_cap_minor", say("Raise the cap to {cap}.", cap=needs), needs.minor
    if brief.yearly_cap is not None and brief.yearly_cap.minor < costs.yearly.minor:
        fees = Money(costs.yearly.minor, costs.yearly.currency)
        yield "yearly_cap_minor", say("Raise the yearly cap to {fees}.", fees=fees), fees.minor


def _shorter_clubs(brief: Brief) -> Iterator[Answered]:
    for player in brief.players:
        for club in player.longest_club.and_shorter()[1:]:
            shorter = player.model_copy(update={"longest_club": club})
            players = tuple(shorter if other.id == player.id else other for other in brief.players)
            words = say("Let {who} swing a {club} at the longest.", who=player.name, club=club.value)
            yield "players", words, players
