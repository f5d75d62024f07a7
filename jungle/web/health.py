"""Whether this server can do its work: asked by whoever watches it."""

import shutil
from collections.abc import Callable

from django.conf import settings
from django.contrib.sessions.models import Session
from django.db import DatabaseError, connection
from django.db.migrations.executor import MigrationExecutor
from django.http import HttpRequest, JsonResponse
from django.utils import timezone

from jungle.trouble import trouble_of

LEAST_FREE_BYTES = 100 * 1024 * 1024
FINE = "ok"
PROBE = "health"
"""A session that nobody has, and that has ended."""


def health(request: HttpRequest) -> JsonResponse:
    """200 and `ok` for each of them, or 503 and what is wrong in words."""
    told = {name: _told(look) for name, look in LOOKS.items()}
    well = all(words == FINE for words in told.values())
    return JsonResponse({"well": well, **told}, status=200 if well else 503)


def _writable() -> str:
    """Writes a row for good: one that is taken back again would not notice a full disk."""
    Session.objects.update_or_create(session_key=PROBE, defaults={"session_data": "", "expire_date": timezone.now()})
    return FINE


def _migrated() -> str:
    executor = MigrationExecutor(connection)
    missing = executor.migration_plan(executor.loader.graph.leaf_nodes())
    return f"{len(missing)} migrations are missing; run 'manage.py migrate'" if missing else FINE


def _roomy() -> str:
    free = shutil.disk_usage(settings.DATA_DIR).free
    return FINE if free >= LEAST_FREE_BYTES else f"only {free // 1024 // 1024} MB are free"


LOOKS: dict[str, Callable[[], str]] = {"database": _writable, "migrations": _migrated, "space": _roomy}


def _told(look: Callable[[], str]) -> str:
    try:
        return look()
    except DatabaseError as error:
        trouble = trouble_of(error)
        return trouble.words if trouble else str(error)
