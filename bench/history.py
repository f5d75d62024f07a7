"""python -m bench.history EDITS: stores so many edits of the demo build, and says how long and how large.

Each edit is stored as any other; only the report is not made anew for each of them, which would take an hour.
"""

import json
import os
import statistics
import sys
import time
from pathlib import Path
from unittest.mock import patch

EDGE = 1000
UNDONE = 100


def main(edits: int) -> None:
    """All of it, on a database of its own."""
    os.environ["DJANGO_SETTINGS_MODULE"] = "jungle.settings"
    import django

    django.setup()
    from django.core.management import call_command
    from django.db import connection

    from jungle.builds import judging
    from jungle.builds.models import StoredBuild
    from jungle.builds.services import editing, room
    from jungle.builds.services.editing import On

    call_command("migrate", verbosity=0)
    call_command("load_demo", stdout=sys.stderr)
    build = StoredBuild.objects.order_by("pk").first()
    assert build is not None
    report = build.judged.report
    on, times = On(build.pk, build.revision, build.owner), []
    with patch.object(judging, "evaluate", return_value=report):
        for number in range(edits):
            begun = time.perf_counter()
            changes = {"ball_x_m": 2 + number % 997 / 1000} if number % 2 else {"ball_y_m": 3 + number % 499 / 1000}
            build = room.move(on, changes)
            times.append(time.perf_counter() - begun)
            on = On(build.pk, build.revision, build.owner)
        undone = []
        for _ in range(UNDONE):
            begun = time.perf_counter()
            build = editing.undo(On(build.pk, build.revision, build.owner))
            undone.append(time.perf_counter() - begun)
    connection.cursor().execute("PRAGMA wal_checkpoint(TRUNCATE)")
    told = {
        "size_mb": Path(str(connection.settings_dict["NAME"])).stat().st_size / 1e6,
        "first_ms": statistics.median(times[:EDGE]) * 1000,
        "last_ms": statistics.median(times[-EDGE:]) * 1000,
        "undo_ms": statistics.median(undone) * 1000,
    }
    print(json.dumps(told))


if __name__ == "__main__":
    main(int(sys.argv[1]))
