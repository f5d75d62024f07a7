"""From what a build gives to everything that can be derived from it, again only where something has changed."""

from collections.abc import Iterable, Iterator, Mapping
from typing import NamedTuple

from core.checks.declared import Derivation, Reads
from core.model.facts import MissingFact

Readings = Mapping[type, object]


class Derived(NamedTuple):
    """All readings of a build, and of these the ones that it gave itself."""

    readings: Readings
    given: Readings


class Deriving:
    """Readings on their way: `given` first, then one derivation after the other.

    With readings from `before`, a derivation that reads nothing that has changed since is not run again, and what comes
    out equal has not changed. With a `draft`, what it holds serves where nothing has changed since. It can be stopped
    at a reading, looked at, and gone on with.
    """

    def __init__(
        self,
        derivations: Iterable[Derivation],
        given: Readings,
        before: "Derived | None" = None,
        draft: "Deriving | None" = None,
    ) -> None:
        self.given = given
        self.changed = _changed(given, before.given if before else {})
        """Types whose reading is not what it was before."""
        self._known = before.readings if before else {}
        self.readings: dict[type, object] = {
            kind: value if kind in self.changed else self._known[kind] for kind, value in given.items()
        }
        self.unknown: set[type] = set()
        """Types that a missing fact stands in for."""
        self._begun = before is None
        self._drafted = draft.readings if draft else {}
        self._redone = _changed(given, draft.given) if draft else set()
        self._left: Iterator[Derivation] = iter(derivations)

    def on(self, until: type | None = None) -> "Deriving":
        """Go on to the reading `until`, or to the end."""
        for derivation in self._left:
            kind = derivation.gives
            if self._begun or not derivation.reads.types.isdisjoint(self.changed):
                value = self._value(derivation)
            else:
                value = self._known.get(kind)
            if self._drafted and value is not self._drafted.get(kind):
                self._redone.add(kind)
            if value is not None:
                self.readings[kind] = value
                if isinstance(value, MissingFact):
                    self.unknown.add(kind)
            if kind is until:
                break
        return self

    def _value(self, derivation: Derivation) -> object:
        """Out of the draft or derived; what it was before, where it has come out the same."""
        kind = derivation.gives
        if kind in self._drafted and derivation.reads.types.isdisjoint(self._redone):
            value = self._drafted[kind]
        else:
            value = self._derive(derivation)
        was = self._known.get(kind)
        if not self._begun and same(value, was):
            return was
        self.changed.add(kind)
        return value

    def _derive(self, derivation: Derivation) -> object:
        try:
            found = arguments(derivation.reads, self.readings, self.unknown, lenient=derivation.lenient)
            return None if found is None else derivation.run(*found)
        except MissingFact as missing:
            return missing


def arguments(
    reads: Reads, readings: Readings, unknown: set[type], *, lenient: bool = False
) -> Iterable[object] | None:
    """The readings in the order of the parameters; `None` where one that must be there is absent.

    Raises the `MissingFact` that stands in for one of them; `unknown` are the types of all such.
    """
    if reads.types.isdisjoint(unknown):
        return map(readings.get, *reads.in_order) if reads.required <= readings.keys() else None
    found: list[object] = []
    missing: MissingFact | None = None
    for _, kind, optional, absent in reads.each:
        value = readings.get(kind, absent)
        if value is None:
            if not optional:
                return None
        elif isinstance(value, MissingFact):
            if lenient and optional:
                value = None
            else:
                missing = missing or value
        found.append(value)
    if missing is not None:
        raise missing
    return found


def same(value: object, other: object) -> bool:
    """`value` is what it was."""
    return value is other or (type(value) is type(other) and value == other)


def _changed(given: Readings, before: Readings) -> set[type]:
    """What is given now and was not the same before, and what was and is not now."""
    changed = set(before.keys() - given.keys())
    last: tuple[object, object] = (None, None)
    for kind, value in given.items():
        was = before.get(kind)
        if was is value:
            continue
        # A part stands under every class that it is one of: the same two are compared once.
        if (was is last[0] and value is last[1]) or not same(was, value):
            changed.add(kind)
            last = was, value
    return changed
