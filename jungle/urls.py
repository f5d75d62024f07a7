"""Addresses: the API, sign-in, and the application's one page for everything else."""

from django.contrib.auth.views import LoginView, LogoutView
from django.urls import path, re_path

from jungle.api.api import api
from jungle.plans.views import application

urlpatterns = [
    path("api/", api.urls),
    path("sign-in", LoginView.as_view(), name="login"),
    path("sign-out", LogoutView.as_view(), name="logout"),
    re_path(r"^(?!api/|static/).*$", application, name="application"),
]
