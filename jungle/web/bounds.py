"""How much a request may bring, looked at before any of it is read."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse, JsonResponse

MEGABYTE = 1024 * 1024
MOST_OF_A_BODY = MEGABYTE // 2
FORM_AROUND_A_FILE = 64 * 1024
"""Field names, boundaries, and the choices that come with a file."""
MOST_BY_PATH = {
    "/api/builds/import": 2 * MEGABYTE,
    "/api/catalogue/pack": 10 * MEGABYTE,
    "/api/catalogue/pack/preview": 10 * MEGABYTE,
    "/api/catalogue/list": 10 * MEGABYTE,
    "/api/catalogue/list/preview": 10 * MEGABYTE,
    "/api/prices/history": 25 * MEGABYTE,
    "/api/prices/history/preview": 25 * MEGABYTE,
    "/api/prices/history/page": 8 * MEGABYTE,
    "/api/catalogue/machine-report": 5 * MEGABYTE,
}


class BoundsMiddleware:
    """Refuses what is too large by what it says of its own length; without one, nothing is read at all."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        most = MOST_BY_PATH.get(request.path)
        allowed = MOST_OF_A_BODY if most is None else most + FORM_AROUND_A_FILE
        if _length(request) > allowed:
            told = f"{MOST_OF_A_BODY // 1024} kB" if most is None else f"{most // MEGABYTE} MB"
            return JsonResponse(
                {"message": f"That is too large: at most {told} are read here.", "errors": []}, status=413
            )
        return self.get_response(request)


def _length(request: HttpRequest) -> int:
    told = request.META.get("CONTENT_LENGTH") or "0"
    return int(told) if told.isdecimal() else 0
