"""Local mode: one owner, on this machine, who needs no password and leaves no session."""

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.utils.functional import SimpleLazyObject

from jungle.builds.services.welcome import local_owner
from jungle.web.client import from_another_site, from_this_machine


class LocalOwnerMiddleware:
    """Takes whoever asks from this machine for the owner, where the local mode is on.

    Nobody is taken for the owner whose request came through a proxy, from another machine, or from another site's page.
    """

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if settings.LOCAL and from_this_machine(request) and not from_another_site(request):
            request.user = SimpleLazyObject(local_owner)  # type: ignore[assignment]
        return self.get_response(request)
