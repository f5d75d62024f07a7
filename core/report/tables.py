"""Tables of checks over what a catalogue has for some places of a build."""

from collections.abc import Iterable, Mapping

from core.checks import GRAPH
from core.checks.readings import given_readings
from core.checks.table import Candidate, Tabulation
from core.model.build import Build, HungPart, Slot, hung_anew, slot_for
from core.model.chain import plans_of
from core.model.parts import Part


def candidates_of(parts: Mapping[str, Part], slot: Slot) -> tuple[Candidate, ...]:
    """What may hang in `slot`: every part of that place, under each of its plans."""
    here = (part for part in parts.values() if slot_for(part) is slot)
    return tuple(Candidate(part, plan) for part in here for plan in plans_of(part) or (None,))


def tabulation_of(build: Build, parts: Mapping[str, Part], slots: Iterable[Slot]) -> Tabulation:
    """Tables over all candidates among `parts` for `slots`; all else is as in `build`.

    What hangs there is hung anew: what was decided or tested of another part is not held against it. Raises
    `UnknownPart` as `evaluate` does, and `LookupError` for a place that no part is for.
    """
    candidates = {slot: candidates_of(parts, slot) for slot in slots}
    if empty := [slot for slot, found in candidates.items() if not found]:
        raise LookupError(f"there is no part for {empty[0]}")
    first = {slot: _hung(found[0]) for slot, found in candidates.items()}
    with_first = build.model_copy(update={"chain": {**build.chain, **first}})
    return Tabulation(GRAPH, given_readings(with_first, parts), build.brief.players, candidates)


def _hung(candidate: Candidate) -> HungPart:
    return hung_anew(candidate.part.id, candidate.plan.id if candidate.plan else None)
