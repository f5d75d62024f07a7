"""What a change of a build does to everything else: verdicts that come out otherwise, and money."""

from dataclasses import dataclass

from core.checks.budget import CAPS
from core.checks.evaluation import Evaluation
from core.checks.limits import State
from core.checks.verdict import Told, Verdict
from core.quantities import Money
from core.report.evaluation_of import known_costs


@dataclass(frozen=True)
class Consequence:
    """A build after a change beside what it was."""

    better: tuple[Told, ...]
    """Verdicts that come out better, worst before first."""
    worse: tuple[Told, ...]
    """Verdicts that come out worse or are new and not clear, worst first."""
    up_front_change: Money
    yearly_change: Money


def consequence(now: Evaluation, there: Evaluation) -> Consequence:
    """What is otherwise `there`."""
    before = {key: verdict.state.rank for key, verdict in now.by_key.items()}
    ranked = [(verdict, before.get(verdict.key, State.CLEAR.rank)) for verdict in there.verdicts]
    worse = sorted((v for v, was in ranked if v.state.rank > was), key=lambda v: -v.state.rank)
    better = sorted(((v, was) for v, was in ranked if v.state.rank < was), key=lambda pair: -pair[1])
    costs, costs_now = known_costs(there), known_costs(now)
    return Consequence(
        better=tuple(there.told(verdict) for verdict, _ in better),
        worse=tuple(there.told(verdict) for verdict in worse),
        up_front_change=costs.up_front - costs_now.up_front,
        yearly_change=costs.yearly - costs_now.yearly,
    )


def ruled_out(there: Evaluation, before: Evaluation) -> tuple[Verdict, ...]:
    """What is blocked now and was not before, caps aside: what something costs is told beside it."""
    was = before.by_key
    return tuple(
        verdict
        for verdict in there.verdicts
        if verdict.state is State.BLOCKED
        and verdict.id not in CAPS
        and (verdict.key not in was or was[verdict.key].state is not State.BLOCKED)
    )
