"""Where a request comes from, as far as that can be trusted."""

from collections.abc import Callable
from ipaddress import ip_address

from django.conf import settings
from django.http import HttpRequest, HttpResponse

FORWARDED = (
    "HTTP_FORWARDED",
    "HTTP_X_FORWARDED_FOR",
    "HTTP_X_FORWARDED_HOST",
    "HTTP_X_FORWARDED_PROTO",
    "HTTP_X_FORWARDED_SERVER",
    "HTTP_X_REAL_IP",
    "HTTP_VIA",
)
UNIX_SOCKET = "unix"
"""How a connection over a unix socket is called: it has no address."""


def peer(request: HttpRequest) -> str:
    """The address at the other end of the connection, which may be a proxy's."""
    return request.META.get("REMOTE_ADDR") or UNIX_SOCKET


def client_address(request: HttpRequest) -> str:
    """The address of whoever asks: told by the proxies that `JUNGLE_TRUSTED_PROXIES` names, else the other end's.

    Each proxy adds the address that it was asked from to the right of `X-Forwarded-For`, so the first one from the
    right that is no trusted proxy's is the client's; what stands left of it anybody may have made up.
    """
    address = peer(request)
    hops = [hop.strip() for hop in request.META.get("HTTP_X_FORWARDED_FOR", "").split(",") if hop.strip()]
    while address in settings.TRUSTED_PROXIES and hops:
        address = hops.pop()
    return address if address == UNIX_SOCKET or _is_address(address) else peer(request)


def is_forwarded(request: HttpRequest) -> bool:
    """It came through a proxy: one says so, or speaks as no browser does."""
    return any(header in request.META for header in FORWARDED) or request.META.get("SERVER_PROTOCOL") == "HTTP/1.0"


def from_this_machine(request: HttpRequest) -> bool:
    """Straight from this machine, by no proxy."""
    address = peer(request)
    here = address == UNIX_SOCKET or (_is_address(address) and ip_address(address).is_loopback)
    return here and not is_forwarded(request)


def from_another_site(request: HttpRequest) -> bool:
    """Another site's page asks for it, by what the browser says."""
    return request.META.get("HTTP_SEC_FETCH_SITE", "none") not in ("same-origin", "none")


def _is_address(text: str) -> bool:
    try:
        ip_address(text)
    except ValueError:
        return False
    return True


def address_for_limits(request: HttpRequest) -> str:
    """The client's address as sign-in limits count it; a unix socket's has to look like one too."""
    address = client_address(request)
    return "0.0.0.0" if address == UNIX_SOCKET else address


def behind_unknown_proxy(request: HttpRequest) -> bool:
    """It came through a proxy of this machine or house that `JUNGLE_TRUSTED_PROXIES` does not name.

    Everybody would then have the proxy's address, and one stranger's wrong guesses would lock everybody out.
    """
    address = peer(request)
    near = address == UNIX_SOCKET or (_is_address(address) and ip_address(address).is_private)
    return near and address not in settings.TRUSTED_PROXIES and "HTTP_X_FORWARDED_FOR" in request.META


class TrustedProxyMiddleware:
    """Believes nobody but the trusted proxies about whether the connection is encrypted."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if not settings.LOCAL and peer(request) not in settings.TRUSTED_PROXIES:
            request.META.pop("HTTP_X_FORWARDED_PROTO", None)
        return self.get_response(request)
