"""The WSGI application."""

import os

from django.core.wsgi import get_wsgi_application

from core.checks.fact_reads import facts_by_check

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "jungle.settings")
application = get_wsgi_application()
# Found in the source of the checks, which takes a second: once, before any worker is made.
facts_by_check()
