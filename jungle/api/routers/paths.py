"""Paths: builds that grow from one another, beside buying the last of them at once."""

from typing import Any

from ninja import Router

from core.formats.report_json.paths import path_json
from core.quantities import UnitSystem
from jungle.api.replies import answer_for, show
from jungle.api.requests import SignedIn
from jungle.api.schemas import BuildNamed, BuildReply, GrowsFrom, Paths, PathTold, Problems, Unreadable
from jungle.builds.models import StoredBuild
from jungle.builds.services import builds, paths
from jungle.builds.services.paths import Way
from jungle.builds.services.people import units_of

router = Router(tags=["paths"])


@router.get("/{int:build_id}/paths", response={200: Paths, 404: Problems})
def read_paths(request: SignedIn, build_id: int) -> Any:
    """Every path that begins where the build's own does, and which build it grows from."""
    return _told(request, build_id)


@router.put("/{int:build_id}/grows-from", response={200: Paths, 404: Problems, 422: Problems})
def set_grows_from(request: SignedIn, build_id: int, body: GrowsFrom) -> Any:
    """Say which build it is the next step of; none for the first."""
    paths.set_grows_from(build_id, request.user, body.build_id)
    return _told(request, build_id)


@router.post("/{int:build_id}/grow", response={201: BuildReply, 404: Problems, 422: Unreadable})
def grow(request: SignedIn, build_id: int) -> Any:
    """The next step of a build: a copy that grows from it."""
    return show(request, builds.grow_build(build_id, request.user, answer_for(request)), 201)


def _told(request: SignedIn, build_id: int) -> Paths:
    family, units = paths.family_of(build_id, request.user), units_of(request.user)
    return Paths(
        grows_from=_named(family.grows_from) if family.grows_from else None,
        may_grow_from=[_named(build) for build in family.may_grow_from],
        paths=[_way(way, units) for way in family.ways],
        cut_short=family.cut_short,
    )


def _way(way: Way, units: UnitSystem) -> PathTold:
    path = path_json(way.path, units) if way.path else None
    return PathTold(builds=[_named(build) for build in way.builds], path=path, problem=way.problem)


def _named(build: StoredBuild) -> BuildNamed:
    return BuildNamed(id=build.pk, name=build.name)
