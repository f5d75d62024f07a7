"""One chain of upgrades for every stored document: in the database, in its history, and in files.

Each step takes a document of one version to the next. A step is never changed once released: documents of every past
version are kept as tests.
"""

from collections.abc import Callable, Mapping
from typing import Any, Literal, get_args

Version = Literal[5]
"""What is written today."""
CURRENT: int = get_args(Version)[0]
Document = dict[str, Any]


class UnknownVersion(ValueError):
    """A document of a version that this program does not know: it was written by a newer one, or is none of ours."""

    def __init__(self, version: object) -> None:
        super().__init__(f"version {version!r} is not known; versions 1 to {CURRENT} are read")


def upgraded_build(build: Document, version: object) -> Document:
    """A build as `CURRENT` has it. Raises `UnknownVersion`."""
    return _upgraded(build, version, _BUILD_STEPS)


def upgraded_part(part: Document, version: object) -> Document:
    """A spec sheet as `CURRENT` has it. Raises `UnknownVersion`."""
    return _upgraded(part, version, _PART_STEPS)


def _upgraded(document: Document, version: object, steps: Mapping[int, Callable[[Document], Document]]) -> Document:
    if isinstance(version, bool) or not isinstance(version, int) or not 1 <= version <= CURRENT:
        raise UnknownVersion(version)
    for number in range(version, CURRENT):
        document = steps[number](document)
    return document


def _subscriptions_of_three_answers(build: Document) -> Document:
    """Before there were three answers, `no_subscriptions` said whether one would rather pay once."""
    brief = build.get("brief")
    if not isinstance(brief, dict) or "no_subscriptions" not in brief:
        return build
    wish = "rather_not" if brief["no_subscriptions"] else "fine"
    rest = {name: answer for name, answer in brief.items() if name != "no_subscriptions"}
    return {**build, "brief": {"subscriptions": wish, **rest}}


def _nothing_more_in_the_rooms(build: Document) -> Document:
    """Before somebody could say that a room has no windows, say, what was not entered counted as not there."""
    candidates = build.get("candidates")
    looked = {"room": _looked_through(build.get("room", {}))}
    if isinstance(candidates, list):
        looked["candidates"] = [
            {**each, "room": _looked_through(each.get("room", {}))} if isinstance(each, dict) else each
            for each in candidates
        ]
    return {**build, **looked}


def _looked_through(room: Any) -> Any:
    everything = ["things", "openings", "sockets", "joists"]
    return {**room, "none_of": everything} if isinstance(room, dict) else room


def _mats_let_in(build: Document) -> Document:
    """Before anybody was asked, every mat counted as let into the floor covering, and the light as dim."""
    layout, candidates = build.get("layout"), build.get("candidates")
    asked = {"layout": {**layout, "mat_lies": "let_in"} if isinstance(layout, dict) else {"mat_lies": "let_in"}}
    rooms: Document = {"room": _dim(build.get("room", {}))}
    if isinstance(candidates, list):
        rooms["candidates"] = [
            {**each, "room": _dim(each.get("room", {}))} if isinstance(each, dict) else each for each in candidates
        ]
    return {**build, **asked, **rooms}


def _dim(room: Any) -> Any:
    return {"light": "dim", **room} if isinstance(room, dict) else room


def _silent_of_disturbance(part: Document) -> Document:
    """An empty list of what a monitor dislikes was what was written where its maker said nothing."""
    return {name: value for name, value in part.items() if name != "dislikes" or value}


def _as_it_was(part: Document) -> Document:
    """Nothing about parts changed with that version."""
    return part


def _turf_off_the_roll(part: Document) -> Document:
    """A covering off the roll is turf, unless somebody says carpet."""
    return {**part, "kind": "turf"} if part.get("kind") == "floor_roll" else part


def _quotes_in_a_ledger(build: Document) -> Document:
    """A quote stood beside the part: on the chain for all of its line, beside the chain for one of them."""
    entries: Document = {}

    def without_quote(place: str, record: Any, *, for_each: bool) -> Any:
        if not isinstance(record, dict) or "quote_minor" not in record:
            return record
        rest = {name: value for name, value in record.items() if name != "quote_minor"}
        if record["quote_minor"] is not None and record.get("part"):
            entries[f"{place}/{record['part']}"] = {"quote_minor": record["quote_minor"], "quote_for_each": for_each}
        return rest

    def each(field: str, *, for_each: bool) -> Document:
        records = build.get(field)
        if not isinstance(records, dict):
            return {}
        return {field: {id: without_quote(id, record, for_each=for_each) for id, record in records.items()}}

    extras = build.get("extras")
    beside: Document = {}
    if isinstance(extras, list):
        named = [(extra.get("id") if isinstance(extra, dict) else "", extra) for extra in extras]
        beside = {"extras": [without_quote(f"{id}", extra, for_each=True) for id, extra in named]}
    told = {**build, **each("chain", for_each=False), **beside, **each("small_items", for_each=True)}
    return {**told, "ledger": {"entries": entries}} if entries else told


_BUILD_STEPS = {
    1: _subscriptions_of_three_answers,
    2: _nothing_more_in_the_rooms,
    3: _mats_let_in,
    4: _quotes_in_a_ledger,
}
_PART_STEPS = {1: _turf_off_the_roll, 2: _as_it_was, 3: _silent_of_disturbance, 4: _as_it_was}
