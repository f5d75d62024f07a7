"""Addresses: the API, sign-in, health, and the application's one page for everything else."""

from django.contrib.auth.views import LogoutView, PasswordChangeView
from django.urls import path, re_path

from jungle.api.api import api
from jungle.web.health import health
from jungle.web.pages import application
from jungle.web.sign_in import SignIn

handler500 = "jungle.web.pages.failed"
urlpatterns = [
    path("api/", api.urls),
    path("sign-in", SignIn.as_view(), name="login"),
    path("sign-out", LogoutView.as_view(), name="logout"),
    path(
        "password",
        PasswordChangeView.as_view(template_name="registration/password.html", success_url="/"),
        name="password_change",
    ),
    path("healthz", health, name="health"),
    re_path(r"^(?!api/|static/).*$", application, name="application"),
]
