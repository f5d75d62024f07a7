"""The one page of the application."""

from django.contrib.auth.decorators import login_required
from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.views.decorators.csrf import ensure_csrf_cookie


@login_required
@ensure_csrf_cookie
def application(request: HttpRequest) -> HttpResponse:
    """The page that starts the front end; what it shows is decided there by the address."""
    return render(request, "application.html")
