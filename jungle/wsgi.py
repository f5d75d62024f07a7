"""The WSGI application."""

import linecache
import os

from django.core.wsgi import get_wsgi_application
from django.urls import get_resolver

from core.checks.fact_reads import facts_by_check

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "jungle.settings")
application = get_wsgi_application()
# What the first request would wait for, once and before any worker is made: the addresses with the types of the API,
# and what is found in the source of the checks.
get_resolver().url_patterns  # noqa: B018
facts_by_check()
linecache.clearcache()
