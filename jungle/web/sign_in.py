"""Signing in: how many wrong guesses are taken, and from whom."""

from axes.handlers.database import AxesDatabaseHandler
from django.conf import settings
from django.contrib.auth.views import LoginView
from django.db.models import Sum
from django.http import HttpRequest
from django.http.response import HttpResponseBase
from django.shortcuts import render

from jungle.web.client import behind_unknown_proxy

MOST_OF_AN_ADDRESS = 40
"""Wrong guesses in an hour from one address, over all names: more than a household mistypes."""


class SignInLimits(AxesDatabaseHandler):  # type: ignore[misc]
    """Counts wrong guesses of one name from one address, and all of one address.

    A name alone is never locked: otherwise a stranger's guesses would lock out whom they are about.
    """

    def get_failures(self, request: HttpRequest, credentials: dict[str, str] | None = None) -> int:
        """How many count against this attempt."""
        by_name, by_address = (
            attempts.aggregate(all=Sum("failures_since_start"))["all"] or 0
            for attempts in self.get_user_attempts(request, credentials)
        )
        return settings.AXES_FAILURE_LIMIT if by_address >= MOST_OF_AN_ADDRESS else by_name


class SignIn(LoginView):
    """The sign-in page, which says so where a proxy stands before it that it was not told of."""

    def dispatch(self, request: HttpRequest, *args: object, **kwargs: object) -> HttpResponseBase:
        """Refuses where wrong guesses could not be told apart by address."""
        if behind_unknown_proxy(request):
            return render(request, "trouble.html", {"title": "Not set up yet", "words": UNKNOWN_PROXY}, status=503)
        return super().dispatch(request, *args, **kwargs)


UNKNOWN_PROXY = (
    "This server stands behind a proxy that it was not told of. Whoever runs it has to name the proxy's address in "
    "JUNGLE_TRUSTED_PROXIES; docs/serving.md says how."
)
