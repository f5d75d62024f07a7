"""What a browser is told to keep other sites from."""

from collections.abc import Callable

from django.http import HttpRequest, HttpResponse


class SameOriginMiddleware:
    """Other sites' pages may load nothing from here, not even a picture."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        reply = self.get_response(request)
        reply["Cross-Origin-Resource-Policy"] = "same-origin"
        return reply
