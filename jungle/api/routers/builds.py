"""Builds as wholes, their history, and their files."""

from typing import Annotated, Any

from ninja import File, Query, Router, Status
from ninja.files import UploadedFile

from core.checks.limits import State
from core.formats.build_file import write_build_file
from core.formats.report_json import WorkingsJson, workings_json
from core.model.brief import Stage
from core.model.placing import begun
from core.report.evaluation_of import evaluation_of
from core.report.other_values import with_other_values
from jungle.api.changes import Change
from jungle.api.files import file_of
from jungle.api.replies import answer_for, edit_on, show
from jungle.api.requests import SignedIn
from jungle.api.schemas import BuildReply, BuildSummary, NewBuild, Problems, Rename, Stale, Unreadable
from jungle.builds.services import builds, editing
from jungle.builds.services.builds import ListedBuild
from jungle.builds.services.editing import NothingThere
from jungle.builds.services.people import units_of

router = Router(tags=["builds"])
Subject = Annotated[str, Query(max_length=120)]
NEVER_JUDGED: dict[str, Any] = {
    "day": None,
    "stage": Stage.PROJECTED,
    "state": State.UNKNOWN,
    "blocked": 0,
    "questions": 0,
    "up_front": "",
}
EDIT_REPLIES: dict[int, Any] = {200: BuildReply, 404: Problems, 409: Stale, 422: Problems | Unreadable}


@router.get("", response=list[BuildSummary])
def list_builds(request: SignedIn) -> Any:
    """All builds of the person signed in, the one changed last first."""
    return [_summary(listed) for listed in builds.list_builds(request.user)]


@router.post("", response={201: BuildReply, 422: Problems})
def start_build(request: SignedIn, body: NewBuild) -> Any:
    """Begin a build with first guesses."""
    build = builds.start_build(request.user, begun(body.name), answer=answer_for(request))
    return show(request, build, 201)


@router.post("/import", response={201: BuildReply, 422: Problems})
def import_build(request: SignedIn, file: File[UploadedFile]) -> Any:
    """Read a build file as a new build."""
    build = builds.import_build(request.user, file.read(), answer_for(request))
    return show(request, build, 201)


@router.get("/{int:build_id}", response={200: BuildReply, 404: Problems, 422: Unreadable})
def read_build(request: SignedIn, build_id: int) -> Any:
    """A build and its report."""
    return show(request, editing.find_build(build_id, request.user))


@router.patch("/{int:build_id}", response=EDIT_REPLIES)
def rename_build(request: SignedIn, build_id: int, body: Rename) -> Any:
    """Rename a build."""
    build = builds.rename_build(edit_on(request, build_id, body), body.name)
    return show(request, build)


@router.post("/{int:build_id}/copy", response={201: BuildReply, 404: Problems, 422: Unreadable})
def copy_build(request: SignedIn, build_id: int) -> Any:
    """The build as it is now again, beside it, with a history of its own."""
    return show(request, builds.copy_build(build_id, request.user, answer_for(request)), 201)


@router.delete("/{int:build_id}", response={204: None, 404: Problems})
def delete_build(request: SignedIn, build_id: int) -> Any:
    """Delete a build; it can be brought back."""
    builds.delete_build(build_id, request.user)
    return Status(204, None)


@router.post("/{int:build_id}/restore", response={204: None, 404: Problems})
def restore_build(request: SignedIn, build_id: int) -> Any:
    """Bring a deleted build back, with its history."""
    builds.restore_build(build_id, request.user)
    return Status(204, None)


@router.get("/{int:build_id}/verdicts/{check_id}", response={200: WorkingsJson, 404: Problems, 422: Problems})
def read_workings(request: SignedIn, build_id: int, check_id: str, subject: Subject = "") -> Any:
    """How a verdict came about; `subject` is the id of the player it speaks of, where it speaks of one."""
    build = editing.find_build(build_id, request.user)
    design, parts, today = build.design, build.judged.sheets, build.judged.day
    found = evaluation_of(design, parts, today=today)
    verdict = found.by_key.get((check_id, subject))
    if verdict is not None:
        others = with_other_values(design, parts, verdict, today)
        return workings_json(found.told(verdict), units_of(request.user), others)
    raise NothingThere(f"This build has no answer of check '{check_id}'.")


@router.get("/{int:build_id}/file", response={200: Any, 404: Problems})
def write_build(request: SignedIn, build_id: int) -> Any:
    """The build as a build file."""
    build = editing.find_build(build_id, request.user)
    return file_of(build, write_build_file(builds.build_file(build)), "application/json", ".json")


@router.post("/{int:build_id}/undo", response=EDIT_REPLIES)
def undo(request: SignedIn, build_id: int, body: Change) -> Any:
    """Take the last edit back."""
    build = editing.undo(edit_on(request, build_id, body))
    return show(request, build)


@router.post("/{int:build_id}/redo", response=EDIT_REPLIES)
def redo(request: SignedIn, build_id: int, body: Change) -> Any:
    """Make the edit again that was taken back last."""
    build = editing.redo(edit_on(request, build_id, body))
    return show(request, build)


def _summary(listed: ListedBuild) -> BuildSummary:
    build = listed.build
    summary = build.summary or NEVER_JUDGED
    return BuildSummary(
        id=build.pk,
        name=build.name,
        revision=build.revision,
        changed_at=build.changed_at,
        as_of=summary["day"],
        stage=summary["stage"],
        state=summary["state"],
        blocked=summary["blocked"],
        questions=summary["questions"],
        up_front=summary["up_front"],
        unreadable=listed.unreadable,
    )
