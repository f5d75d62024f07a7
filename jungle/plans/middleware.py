"""Local mode: the one owner is signed in by itself, on loopback connections only."""

from collections.abc import Callable
from ipaddress import ip_address

from django.conf import settings
from django.contrib.auth import login
from django.http import HttpRequest, HttpResponse

from jungle.plans.services.people import ensure_owner


class LocalOwnerMiddleware:
    """Signs the owner in where the local mode is on and the connection comes from this machine."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if settings.LOCAL and not request.user.is_authenticated and _from_this_machine(request):
            login(request, ensure_owner(), backend="django.contrib.auth.backends.ModelBackend")
        return self.get_response(request)


def _from_this_machine(request: HttpRequest) -> bool:
    return ip_address(request.META["REMOTE_ADDR"]).is_loopback
