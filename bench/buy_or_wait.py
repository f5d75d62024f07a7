"""How good the advice to buy or to wait is, as docs/buy-or-wait.md tells it: `python -m bench.buy_or_wait`."""

from collections.abc import Sequence

from core.prices.back_test import RULES, Trial, outcomes, summed, trials
from core.prices.simulated import Habit

SEED = "kept apart"
MARKETS = 1000
"""None of them was looked at while the rule was made."""


def table(tried: Sequence[Trial]) -> str:
    """Every rule over all of them, and over each habit, as a table in Markdown."""
    lines = ["| markets | rule | mean | worst | late | dearer |", "| --- | --- | --- | --- | --- | --- |"]
    found = list(outcomes(tried))
    of_habit = [(habit.value, [one for one in found if one.habit is habit]) for habit in Habit]
    for words, some in (("all", found), *of_habit):
        for paid in summed(some).values():
            told = f"{paid.mean:.4f} | {paid.worst:.3f} | {paid.late:.0%} | {paid.dearer:.0%}"
            lines.append(f"| {words}, {len(some) // len(RULES)} | {paid.rule} | {told} |")
    return "\n".join(lines)


if __name__ == "__main__":
    print(table(list(trials(SEED, MARKETS))))
