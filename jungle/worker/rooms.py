"""What the rooms of a build allow, side by side."""

from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from core.formats.report_json.rooms import rooms_json
from core.model.progress import Progress
from core.quantities import UnitSystem
from core.report.comparison import rooms_of
from jungle.worker.models import Job


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """Every room with its screen on every wall, told in the units that were asked for. Raises `Stopped`."""
    Job.objects.filter(pk=job.pk).update(revision=job.of_build.revision)
    found = rooms_of(job.of_build.design, job.of_build.judged.sheets, report)
    return asdict(rooms_json(found, UnitSystem(job.wishes["units"])))
