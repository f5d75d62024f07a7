"""Verdicts in words, kept for as long as what they read is the very same: an edit changes what some of them read."""

from collections import deque
from collections.abc import Sequence
from typing import NamedTuple

from core.checks.verdict import Verdict
from core.formats.report_json.verdicts import VerdictJson, verdict_json
from core.quantities import UnitSystem
from core.report.report import Report

MOST_KEPT = 2
"""Of one check about one player: of the build that is edited, and of one beside it."""

MOST_TOLD = 1_500
"""Of all checks and players together; beyond that they are forgotten, and it begins anew."""


class _Telling(NamedTuple):
    read: tuple[object, ...]
    """What the check read, kept so that nothing else can take its identity."""
    doubts: Sequence[str]
    told: VerdictJson


class Tellings:
    """What verdicts were told as, by check, player and system of units."""

    def __init__(self) -> None:
        self._kept: dict[tuple[str, str, UnitSystem], deque[_Telling]] = {}

    def told(self, report: Report, verdict: Verdict, system: UnitSystem, doubts: Sequence[str]) -> VerdictJson:
        """`verdict` of `report` in words; as it was told, where all that its check reads is the very same object.

        Words may tell more of a record than an answer comes from, so equal facts of another record do not do.
        """
        read = report.evaluation.read_by(verdict)
        if read is None:
            return verdict_json(report.told(verdict), system, doubts)
        if len(self._kept) > MOST_TOLD:
            self._kept.clear()
        kept = self._kept.setdefault((verdict.id, verdict.subject_id, system), deque(maxlen=MOST_KEPT))
        for telling in tuple(kept):
            if telling.doubts == doubts and all(one is other for one, other in zip(telling.read, read, strict=True)):
                return telling.told
        told = verdict_json(report.told(verdict), system, doubts)
        kept.appendleft(_Telling(read, doubts, told))
        return told


TELLINGS = Tellings()
