"""Licences with all add-ons of a catalogue, and what other monitors or software cost with the least of theirs."""

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from core.checks.evaluation import Evaluation
from core.checks.licence_sets import (
    Licences,
    LicenceSet,
    answers,
    under_licences,
    weigh_licences,
    with_locked,
)
from core.checks.verdict import Told
from core.model.build import Build, Slot
from core.model.chain import ADD_ONS
from core.model.parts import Part
from core.model.progress import Progress, tell_progress, unwatched
from core.quantities import Money
from core.report.alternatives import build_with
from core.report.consequence import ruled_out
from core.report.evaluation_of import evaluation_of, known_costs

MOST_SETS = 600


class PricedPart(NamedTuple):
    """Another monitor or other software, with the licences that reach as much of what is wanted as any of it can."""

    part: Part
    least: LicenceSet
    """Told with all that it leaves open of what licences answer."""
    rules_out: tuple[Told, ...]
    """What is blocked with it and was not before."""
    device: Money | None
    total: Money | None
    """Part and licences over the brief's years; `None` where a price is not known."""

    @property
    def dearness(self) -> tuple[bool, int, bool, int]:
        """What works first, then least left locked, then cheapest, unknown last."""
        minor = self.total.minor if self.total else 0
        return bool(self.rules_out), len(self.least.locked), self.total is None, minor


def licences_for(
    build: Build,
    parts: Mapping[str, Part],
    now: Evaluation | None = None,
    progress: Progress = unwatched,
) -> Licences | None:
    """Every set for the monitors and software of `build`, with any of the add-ons among `parts`; `None` where it has
    neither. Raises `Stopped`."""
    add_ons = (part for part in parts.values() if isinstance(part, ADD_ONS))
    now = now or evaluation_of(build, parts)
    return weigh_licences(now, add_ons, MOST_SETS, progress)


def others_with_licences(
    build: Build,
    parts: Mapping[str, Part],
    slot: Slot,
    others: Sequence[Part],
    progress: Progress = unwatched,
) -> tuple[PricedPart, ...]:
    """What each of `others` costs in `slot` with its least set; what works first, then what leaves the least locked,
    then the cheapest. Raises `Stopped`."""
    now = evaluation_of(build, parts)
    found = []
    for number, part in enumerate(others):
        tell_progress(progress, number / len(others), f"licences with {part.name}")
        with_it = build_with(build, parts, slot, part, now)
        licences = licences_for(with_it, parts)
        assert licences is not None
        there = evaluation_of(under_licences(with_it, parts, licences.least.choice), parts, before=now)
        device, licence = _device(there, part), licences.least.horizon
        answered = {verdict.key for verdict in answers(there)}
        blocked = tuple(there.told(verdict) for verdict in ruled_out(there, now) if verdict.key not in answered)
        total = device + licence if device and licence else None
        found.append(PricedPart(part, with_locked(licences.least, there), blocked, device, total))
    return tuple(sorted(found, key=lambda each: each.dearness))


def _device(found: Evaluation, part: Part) -> Money | None:
    lines = (line for line in known_costs(found).lines if line.part == part.id and not line.licence and not line.beside)
    return next((line.up_front for line in lines), None)
