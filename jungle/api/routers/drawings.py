"""The drawing as files."""

from typing import Annotated, Any

from ninja import Query, Router

from core.drawing import Scene
from core.formats.drawing_files.svg import drawing_svg
from core.formats.report_json import SceneJson, scene_json
from core.quantities import UnitSystem
from core.report.evaluate import front_scene, mode_scene
from jungle.api.files import file_of
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problems
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, find_build
from jungle.builds.services.people import units_of

router = Router(tags=["drawings"])
LayoutName = Annotated[str, Query(max_length=80)]
"""`playing`, `stowed`, or the id of another use of the room."""


@router.get("/{int:build_id}/drawing.svg", response={200: Any, 404: Problems})
def drawing_as_svg(request: SignedIn, build_id: int, layout: LayoutName = "playing") -> Any:
    """The drawing on one page, at a stated scale."""
    build, units, scene = _drawn(request, build_id, layout)
    text = drawing_svg(scene, f"{build.name}, {layout}", units)
    return file_of(build, text, "image/svg+xml", f"-{layout}.svg")


@router.get("/{int:build_id}/drawing/front", response={200: SceneJson, 404: Problems})
def read_front(request: SignedIn, build_id: int) -> Any:
    """The view toward the screen."""
    build = find_build(build_id, request.user)
    return scene_json(front_scene(build.design, build.judged.report), units_of(request.user))


@router.get("/{int:build_id}/drawing/modes/{mode}", response={200: SceneJson, 404: Problems})
def read_mode(request: SignedIn, build_id: int, mode: str) -> Any:
    """The room in another of its uses."""
    _, units, scene = _drawn(request, build_id, mode)
    return scene_json(scene, units)


@router.get("/{int:build_id}/drawing.dxf", response={200: Any, 404: Problems})
def drawing_as_dxf(request: SignedIn, build_id: int, layout: LayoutName = "playing") -> Any:
    """The drawing in metres, layers by meaning."""
    # Twenty megabytes in each process, for what few ever ask for.
    from core.formats.drawing_files.dxf import drawing_dxf

    build, units, scene = _drawn(request, build_id, layout)
    return file_of(build, drawing_dxf(scene, units), "image/vnd.dxf", f"-{layout}.dxf")


def _drawn(request: SignedIn, build_id: int, layout: str) -> tuple[StoredBuild, UnitSystem, Scene]:
    build = find_build(build_id, request.user)
    report = build.judged.report
    if layout == "playing":
        scene: Scene | None = report.scene
    else:
        scene = report.stowed if layout == "stowed" else mode_scene(build.design, report, layout)
    if scene is None:
        raise NothingThere(f"This room has no layout '{layout}'.")
    return build, units_of(request.user), scene
