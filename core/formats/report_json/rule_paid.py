"""How good each rule for buying was, as JSON."""

from dataclasses import dataclass

from core.prices.back_test import Paid


@dataclass(frozen=True, slots=True)
class RulePaidJson:
    """What a rule would have paid."""

    rule: str
    over_hindsight: str
    """On average, and where it was worst."""
    at_worst: str
    late: str
    """How often it bought in the last week because it had to."""
    dearer: str
    """How often it paid more than on the first day."""


def rule_paid_json(paid: Paid) -> RulePaidJson:
    """`paid` for any reader."""
    return RulePaidJson(
        rule=paid.rule,
        over_hindsight=f"{paid.mean - 1:.1%}",
        at_worst=f"{paid.worst - 1:.1%}",
        late=f"{paid.late:.0%}",
        dearer=f"{paid.dearer:.0%}",
    )
