"""The one page of the application, and what is shown in its place when something is wrong."""

import logging
import sys

from django.conf import settings
from django.contrib.auth.views import redirect_to_login
from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.shortcuts import render
from django.views.decorators.csrf import ensure_csrf_cookie

from jungle.trouble import trouble_of
from jungle.web.client import from_this_machine
from jungle.web.trace import request_id

log = logging.getLogger(__name__)
NOT_HERE = (
    "Jungle is in local mode: it serves one person, straight on the machine that it runs on. To use it from other "
    "machines, through a proxy, or by several people, set it up for that; docs/serving.md says how."
)


@ensure_csrf_cookie
def application(request: HttpRequest) -> HttpResponse:
    """The page that starts the front end; what it shows is decided there by the address.

    It holds nothing of anybody's. In local mode it is shown even to a link from another site, whose requests for data
    are not taken for the owner's.
    """
    if settings.LOCAL:
        if not from_this_machine(request):
            return render(request, "trouble.html", {"title": "Not from here", "words": NOT_HERE}, status=403)
    elif not request.user.is_authenticated:
        return redirect_to_login(request.get_full_path())
    return render(request, "application.html")


def failed(request: HttpRequest) -> HttpResponse:
    """What is answered when something fails before a page or an endpoint is reached, or within a page.

    In words where the place where things are stored is to blame; the log knows everything else by the same id.
    """
    error = sys.exc_info()[1]
    trouble = trouble_of(error) if isinstance(error, DatabaseError) else None
    if trouble is None:
        log.error("%s %s failed", request.method, request.path, exc_info=True)
        return _told(request, f"Something went wrong here. It is in the log as {request_id()}.", 500)
    log.error("%s %s: %s", request.method, request.path, error)
    return _told(request, trouble.words, 503 if trouble.passing else 507)


def _told(request: HttpRequest, words: str, status: int) -> HttpResponse:
    if request.path.startswith("/api/"):
        return JsonResponse({"message": words, "errors": []}, status=status)
    return render(request, "trouble.html", {"title": "That did not work", "words": words}, status=status)
