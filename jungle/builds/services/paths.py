"""Paths: builds of one person that grow from one another, and what each way to the last of them costs."""

from collections.abc import Iterator, Mapping
from itertools import islice
from typing import NamedTuple

from django.contrib.auth.models import User
from django.utils import timezone

from core.model.typed import FieldErrors
from core.money.paths import Path, Step, path_of
from jungle.builds.models import StoredBuild, UnreadableBuild
from jungle.builds.services.editing import NothingThere, find_build

MOST_PATHS = 12
"""Of one family; a person weighs two or three."""
MOST_STEPS = 12
"""Of one path; each of them is judged."""


class Way(NamedTuple):
    """The builds of a path in their order, and what it comes to."""

    builds: tuple[StoredBuild, ...]
    path: Path | None
    problem: str
    """Why it cannot be added up; empty where it can."""


class Family(NamedTuple):
    """All paths that begin where a build's own does, and where in them it stands."""

    grows_from: StoredBuild | None
    may_grow_from: tuple[StoredBuild, ...]
    """Every other build of the person that does not grow from this one."""
    ways: tuple[Way, ...]
    cut_short: bool


def family_of(build_id: int, actor: User) -> Family:
    """All paths that have their first step in common with that of a build. Raises `NothingThere`."""
    build = find_build(build_id, actor)
    builds = {each.pk: each for each in StoredBuild.objects.visible_to(actor.pk)}
    build = builds[build.pk]
    root = list(_back(build, builds))[-1]
    rows = list(islice(_rows(root, builds), MOST_PATHS + 1))
    return Family(
        builds.get(build.grows_from_id or 0),
        tuple(each for each in builds.values() if build not in _back(each, builds)),
        tuple(_way(row) for row in rows[:MOST_PATHS]),
        len(rows) > MOST_PATHS,
    )


def set_grows_from(build_id: int, actor: User, other_id: int | None) -> None:
    """Say which build a build is the next step of, or that it is the first of its path.

    Raises `NothingThere`, and `FieldErrors` for a build that grows from this one itself.
    """
    build = find_build(build_id, actor)
    builds = {each.pk: each for each in StoredBuild.objects.visible_to(actor.pk)}
    if other_id is not None:
        other = builds.get(other_id)
        if other is None:
            raise NothingThere(f"There is no build {other_id}.")
        if build in _back(other, builds):
            raise FieldErrors([("grows_from", other.name, "a build that does not grow from this one")])
    StoredBuild.objects.filter(pk=build.pk).update(grows_from=other_id)


def _back(build: StoredBuild, builds: Mapping[int, StoredBuild]) -> Iterator[StoredBuild]:
    """`build`, what it grows from, and so on; builds that were deleted end it."""
    seen: set[int] = set()
    at: StoredBuild | None = build
    while at is not None and at.pk not in seen:
        seen.add(at.pk)
        yield at
        at = builds.get(at.grows_from_id or 0)


def _rows(root: StoredBuild, builds: Mapping[int, StoredBuild]) -> Iterator[tuple[StoredBuild, ...]]:
    """Every way from `root` to a build that none grows from, in the order in which they were begun."""
    grown: dict[int, list[StoredBuild]] = {}
    for build in sorted(builds.values(), key=lambda each: each.pk, reverse=True):
        grown.setdefault(build.grows_from_id or 0, []).append(build)
    waiting: list[tuple[StoredBuild, ...]] = [(root,)]
    while waiting:
        row = waiting.pop()
        onward = [(*row, each) for each in grown.get(row[-1].pk, ()) if each not in row]
        waiting += onward
        if not onward:
            yield row


def _way(row: tuple[StoredBuild, ...]) -> Way:
    if len(row) > MOST_STEPS:
        return Way(row, None, f"A path of {len(row)} steps is not added up; up to {MOST_STEPS} are.")
    try:
        designs = [build.design for build in row]
        steps = [_step(build) for build in row]
    except UnreadableBuild as error:
        return Way(row, None, f"{error.build.name} cannot be shown: {error}")
    currencies = {design.brief.currency for design in designs}
    if len(currencies) > 1:
        named = ", ".join(f"{design.name} in {design.brief.currency}" for design in designs)
        return Way(
            row, None, f"They are reckoned in different currencies ({named}): choose one for all in their briefs."
        )
    last = designs[-1]
    return Way(
        row, path_of(steps, last.brief.horizon_years, timezone.localdate(), last.brief.currency, last.ledger), ""
    )


def _step(build: StoredBuild) -> Step:
    """Dated by the day on which it was called finished, else by when it is to be playable."""
    design = build.design
    return Step(design.name, design.ledger.finished_on or design.brief.playable_by, build.judged.report.costs.lines)
