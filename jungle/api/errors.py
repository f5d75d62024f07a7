"""One handler for each class of error; routers hold none."""

import logging
from collections.abc import Callable

from django.core.exceptions import RequestDataTooBig, SuspiciousOperation
from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse, RawPostDataException, UnreadablePostError
from django.http.multipartparser import MultiPartParserError
from ninja import NinjaAPI
from ninja.errors import HttpError, ValidationError

from core.contents.changes import NotInRoom
from core.drawing.dragging import NoHandle
from core.formats.errors import MOST_ERRORS, BadFile
from core.model.candidates import NoSuchRoom
from core.model.chain import UnknownPart
from core.model.text import plain_words
from core.model.typed import FieldErrors
from jungle.api.replies import build_reply, part_detail, send
from jungle.api.requests import SignedIn
from jungle.api.schemas import InUse, LossJson, Problem, Problems, Stale, StalePart, Unreadable
from jungle.builds.judging import CannotBeShown
from jungle.builds.models import UnreadableBuild
from jungle.builds.services.editing import Busy, Locked, NothingThere, StaleRevision
from jungle.builds.services.parts import PartsInUse, StaleCatalogue
from jungle.builds.services.people import units_of
from jungle.catalogue.history import ChangedSince, NothingToUndo
from jungle.catalogue.sheets import NoSuchPart, StaleEntry
from jungle.market.observing import NoSuchObservation
from jungle.market.services import NoSuchTerm, NothingToStep, StaleMarket
from jungle.market.sources import NoSuchSource
from jungle.trouble import trouble_of
from jungle.watching.watches import NoSuchWatch
from jungle.web.trace import request_id

SHOWN_VALUE = 120
TRY_AGAIN_S = 1
log = logging.getLogger(__name__)


def _field_errors(request: HttpRequest, error: FieldErrors) -> HttpResponse:
    found = [_problem(field, value, accepted) for field, value, accepted in error.errors[:MOST_ERRORS]]
    return _refused("Some values were not accepted.", found)


def _invalid_request(request: HttpRequest, error: ValidationError) -> HttpResponse:
    found = [
        _problem(".".join(map(str, _in_body(problem["loc"]))), problem.get("input", ""), plain_words(problem["msg"]))
        for problem in error.errors
    ]
    return _refused("Some values were not accepted.", found)


def _bad_file(request: HttpRequest, error: BadFile) -> HttpResponse:
    return _refused("The file could not be read; nothing was stored.", _problems(error))


def _bad_body(request: HttpRequest, error: HttpError) -> HttpResponse:
    cause = error.__cause__
    if isinstance(cause, BadFile):
        return _refused("The request could not be read; nothing was stored.", _problems(cause))
    return send(Problems(message=str(error), errors=[]), error.status_code)


def _bad_form(request: HttpRequest, error: Exception) -> HttpResponse:
    status = 413 if isinstance(error, RequestDataTooBig) else 400
    return send(Problems(message="The request is not in the form that is expected here.", errors=[]), status)


def _unknown_part(request: HttpRequest, error: UnknownPart) -> HttpResponse:
    return _refused("Some values were not accepted.", [_problem(error.place, "", error.problem)])


def _nothing_there(request: HttpRequest, error: LookupError) -> HttpResponse:
    return send(Problems(message=str(error), errors=[]), 404)


def _not_now(request: HttpRequest, error: Exception) -> HttpResponse:
    return _refused(str(error), [])


def _in_use(request: HttpRequest, error: PartsInUse) -> HttpResponse:
    losses = [LossJson(build=loss.build, what=list(loss.what)) for loss in error.losses]
    return send(InUse(message=str(error), builds=losses), 409)


def _stale_whole(request: HttpRequest, error: StaleCatalogue | StaleMarket) -> HttpResponse:
    return send(Problems(message=str(error), errors=[]), 409)


def _stale_part(request: SignedIn, error: StaleEntry) -> HttpResponse:
    message = "This part was changed in another window. Here it is as it is now; nothing of it is lost."
    return send(StalePart(message=message, current=part_detail(error.entry, request)), 409)


def _stale(request: SignedIn, error: StaleRevision) -> HttpResponse:
    reply = Stale.model_construct(
        message="This build was changed in another window.",
        current=build_reply(error.build, units_of(request.user)),
    )
    return send(reply, 409)


def _unreadable(request: HttpRequest, error: UnreadableBuild) -> HttpResponse:
    build = error.build
    message = f"{build.name} cannot be shown. {error} Undo its last edit to come back to the state before."
    return send(Unreadable(message=message, id=build.pk, name=build.name, revision=build.revision), 422)


def _busy(request: HttpRequest, error: Busy) -> HttpResponse:
    return _later("Somebody else is changing the same just now. Try again in a moment.")


def _not_stored(request: HttpRequest, error: DatabaseError) -> HttpResponse:
    trouble = trouble_of(error)
    if trouble is None:
        return _unexpected(request, error)
    if trouble.passing:
        return _later(trouble.words)
    log.error("Nothing can be stored: %s", error)
    return send(Problems(message=trouble.words, errors=[]), 507)


def _unexpected(request: HttpRequest, error: Exception) -> HttpResponse:
    log.error("%s %s failed", request.method, request.path, exc_info=error)
    message = f"Something went wrong here, and nothing was stored. It is in the log as {request_id()}."
    return send(Problems(message=message, errors=[]), 500)


def _problems(error: BadFile) -> list[Problem]:
    return [_problem(problem.place, problem.value, problem.problem) for problem in error.errors]


def _later(message: str) -> HttpResponse:
    reply = send(Problems(message=message, errors=[]), 503)
    reply["Retry-After"] = str(TRY_AGAIN_S)
    return reply


def _in_body(place: tuple[str | int, ...]) -> tuple[str | int, ...]:
    return place[2:] if len(place) > 2 and place[0] == "body" else place[1:]


def _problem(field: str, value: object, accepted: str) -> Problem:
    shown = value if isinstance(value, str) else "" if isinstance(value, dict | list) else ascii(value)
    told = shown[:SHOWN_VALUE].encode(errors="backslashreplace").decode()
    return Problem(field=field.encode(errors="backslashreplace").decode()[:SHOWN_VALUE], value=told, accepted=accepted)


def _refused(message: str, errors: list[Problem]) -> HttpResponse:
    return send(Problems(message=message, errors=errors), 422)


HANDLERS: dict[type[Exception], Callable[..., HttpResponse]] = {
    FieldErrors: _field_errors,
    ValidationError: _invalid_request,
    BadFile: _bad_file,
    HttpError: _bad_body,
    RawPostDataException: _bad_form,
    MultiPartParserError: _bad_form,
    UnreadablePostError: _bad_form,
    SuspiciousOperation: _bad_form,
    UnknownPart: _unknown_part,
    NotInRoom: _nothing_there,
    NoHandle: _nothing_there,
    NoSuchRoom: _nothing_there,
    NoSuchPart: _nothing_there,
    NothingToUndo: _nothing_there,
    NothingThere: _nothing_there,
    NoSuchTerm: _nothing_there,
    NoSuchObservation: _nothing_there,
    NoSuchSource: _nothing_there,
    NoSuchWatch: _nothing_there,
    NothingToStep: _nothing_there,
    ChangedSince: _not_now,
    CannotBeShown: _not_now,
    Locked: _not_now,
    PartsInUse: _in_use,
    StaleCatalogue: _stale_whole,
    StaleMarket: _stale_whole,
    StaleEntry: _stale_part,
    StaleRevision: _stale,
    UnreadableBuild: _unreadable,
    Busy: _busy,
    DatabaseError: _not_stored,
    Exception: _unexpected,
}


def register_errors(api: NinjaAPI) -> None:
    """Tell `api` how each error of the core and the services is answered."""
    for error, handler in HANDLERS.items():
        api.add_exception_handler(error, handler)
