"""Dragging on the drawing: what it would do while it goes on, and the edit that it ends with."""

from core.contents.changes import ContentGroup
from core.drawing.dragging import Drag, fields_dragged
from core.model.build import Build
from core.quantities import UnitSystem
from jungle.builds.models import StoredBuild
from jungle.builds.services.contents import change_content, content_changed
from jungle.builds.services.editing import On, find_build
from jungle.builds.services.room import design_moved, move


def drag(on: On, drag: Drag, *, stowed: bool) -> StoredBuild:
    """Move what is dragged, in the drawing while people play or while the room is stowed. Raises `NoHandle`."""
    changes = _changes(find_build(on.build_id, on.actor), drag, stowed=stowed)
    group, _, id = drag.target.partition("/")
    return change_content(on, ContentGroup(group), id, changes) if id else move(on, changes)


def design_dragged(build: StoredBuild, drag: Drag, units: UnitSystem, *, stowed: bool) -> Build:
    """The design of `build` with something dragged; nothing is stored. Raises `NoHandle`."""
    changes = _changes(build, drag, stowed=stowed)
    group, _, id = drag.target.partition("/")
    if id:
        return content_changed(build.design, ContentGroup(group), id, changes, units)
    return design_moved(build.design, changes, units)


def _changes(build: StoredBuild, drag: Drag, *, stowed: bool) -> dict[str, float]:
    report = build.judged.report
    return fields_dragged(report.stowed if stowed and report.stowed else report.scene, drag)
