"""One handler for each class of error; routers hold none."""

import json

from django.http import HttpRequest, HttpResponse, RawPostDataException
from ninja import NinjaAPI
from ninja.errors import ValidationError

from core.formats.errors import BadFile
from core.model.candidates import NoSuchRoom
from core.model.chain import UnknownPart
from core.model.contents import NotInRoom
from core.model.typed import FieldErrors
from jungle.api.replies import build_reply, send
from jungle.api.requests import SignedIn
from jungle.api.schemas import Problem, Problems, Stale
from jungle.catalogue.history import ChangedSince, NothingToUndo, PartInUse
from jungle.catalogue.sheets import NoSuchPart
from jungle.plans.services.editing import Locked, NothingThere, StaleRevision
from jungle.plans.services.people import units_of

SHOWN_VALUE = 120


def register_errors(api: NinjaAPI) -> None:
    """Tell `api` how each error of the core and the services is answered."""

    @api.exception_handler(FieldErrors)
    def field_errors(request: HttpRequest, error: FieldErrors) -> HttpResponse:
        found = [_problem(field, value, accepted) for field, value, accepted in error.errors]
        return _refused("Some values were not accepted.", found)

    @api.exception_handler(ValidationError)
    def invalid_request(request: HttpRequest, error: ValidationError) -> HttpResponse:
        found = [
            _problem(".".join(map(str, place)), _value_at(request, place), problem["msg"])
            for problem in error.errors
            for place in [_in_body(problem["loc"])]
        ]
        return _refused("Some values were not accepted.", found)

    @api.exception_handler(BadFile)
    def bad_file(request: HttpRequest, error: BadFile) -> HttpResponse:
        found = [_problem(problem.place, problem.value, problem.problem) for problem in error.errors]
        return _refused("The file could not be read; nothing was stored.", found)

    @api.exception_handler(UnknownPart)
    def unknown_part(request: HttpRequest, error: UnknownPart) -> HttpResponse:
        return _refused("Some values were not accepted.", [_problem(error.place, "", error.problem)])

    @api.exception_handler(NotInRoom)
    @api.exception_handler(NoSuchRoom)
    @api.exception_handler(NoSuchPart)
    @api.exception_handler(NothingToUndo)
    @api.exception_handler(NothingThere)
    def nothing_there(request: HttpRequest, error: LookupError) -> HttpResponse:
        return send(Problems(message=str(error), errors=[]), 404)

    @api.exception_handler(ChangedSince)
    @api.exception_handler(PartInUse)
    @api.exception_handler(Locked)
    def not_now(request: HttpRequest, error: Exception) -> HttpResponse:
        return _refused(str(error), [])

    @api.exception_handler(StaleRevision)
    def stale(request: SignedIn, error: StaleRevision) -> HttpResponse:
        reply = Stale.model_construct(
            message="This build was changed in another window.",
            current=build_reply(error.build, units_of(request.user)),
        )
        return send(reply, 409)


def _in_body(place: tuple[str | int, ...]) -> tuple[str | int, ...]:
    return place[2:] if len(place) > 2 and place[0] == "body" else place[1:]


def _value_at(request: HttpRequest, place: tuple[str | int, ...]) -> object:
    """What was sent at `place` of the body; nothing where it was not there, or the body is no JSON."""
    try:
        value = json.loads(request.body)
        for step in place:
            value = value[step]
    except (ValueError, LookupError, TypeError, RawPostDataException):
        return ""
    return value


def _problem(field: str, value: object, accepted: str) -> Problem:
    shown = value if isinstance(value, str) else repr(value)
    return Problem(field=field, value=shown[:SHOWN_VALUE], accepted=accepted)


def _refused(message: str, errors: list[Problem]) -> HttpResponse:
    return send(Problems(message=message, errors=errors), 422)
