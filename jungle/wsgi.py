"""The WSGI application."""

import os

from django.core.wsgi import get_wsgi_application
from django.urls import get_resolver

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "jungle.settings")
application = get_wsgi_application()
# What the first request would wait for, once and before any worker is made: the addresses with the types of the API.
get_resolver().url_patterns  # noqa: B018
