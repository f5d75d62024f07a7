"""The request as an endpoint gets it: somebody is signed in, or it would not have come this far."""

from django.contrib.auth.models import User
from django.http import HttpRequest


class SignedIn(HttpRequest):
    """A request of a person who is signed in."""

    user: User
