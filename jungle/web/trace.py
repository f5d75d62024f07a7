"""Every request has an id, in its reply and in the log, so that what went wrong for somebody can be found again."""

import logging
import time
from collections.abc import Callable
from contextvars import ContextVar
from uuid import uuid4

from django.http import HttpRequest, HttpResponse
from django.utils.functional import LazyObject, empty

ID_LENGTH = 12
SLOW_S = 2.0
HEADER = "X-Request-Id"
log = logging.getLogger("jungle.requests")
_id: ContextVar[str] = ContextVar("request_id", default="-")
_request: ContextVar[HttpRequest | None] = ContextVar("request", default=None)


def request_id() -> str:
    """The id of the request that is being answered; a dash outside of any."""
    return _id.get()


class TraceMiddleware:
    """Gives every request its id, and logs what failed or took long."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        _id.set(uuid4().hex[:ID_LENGTH])
        _request.set(request)
        begun = time.monotonic()
        reply = self.get_response(request)
        took = time.monotonic() - begun
        reply[HEADER] = request_id()
        if reply.status_code >= 500 or took > SLOW_S:
            level = logging.ERROR if reply.status_code >= 500 else logging.WARNING
            log.log(level, "%s %s answered %s in %.2f s", request.method, request.path, reply.status_code, took)
        return reply


class TraceFilter(logging.Filter):
    """Puts the request's id and its person into each line of the log."""

    def filter(self, record: logging.LogRecord) -> bool:
        """Every line passes."""
        record.request_id, record.who = _id.get(), _person(_request.get())
        return True


def _person(request: HttpRequest | None) -> str:
    """Who asks, as far as that is known by now: looking it up amid a failure might fail as well."""
    known = vars(request) if request is not None else {}
    user = known.get("_cached_user") or known.get("user")
    if isinstance(user, LazyObject):
        user = None if user._wrapped is empty else user._wrapped
    return "-" if user is None else str(user.pk or "nobody")
