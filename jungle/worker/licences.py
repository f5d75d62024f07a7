"""The least set of licences for a build, and for the monitors that cost about as much."""

from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from core.formats.report_json.licences import licences_json
from core.report.licences import Stopped as SearchStopped
from core.report.licences import licences_for, monitors_with_licences
from jungle.builds.services.licences import other_monitors, parts_for_licences
from jungle.builds.services.people import units_of
from jungle.worker.jobs import Report, Stopped
from jungle.worker.models import Job

OWN_SHARE = 0.3
"""Of the whole: the sets for what hangs, before those for other monitors."""


def work_out(job: Job, report: Report) -> Mapping[str, Any]:
    """Sets of licences, and other monitors with theirs. Raises `Stopped`."""
    build = job.build.design
    Job.objects.filter(pk=job.pk).update(revision=job.build.revision)
    parts = parts_for_licences(job.owner, build)
    monitors = other_monitors(job.owner, build)
    everything = {**{monitor.id: monitor for monitor in monitors}, **parts}
    try:
        found = licences_for(build, everything, progress=lambda share, words: report(OWN_SHARE * share, words))
        if found is None:
            return {}
        others = monitors_with_licences(
            build, everything, monitors, lambda share, words: report(OWN_SHARE + (1 - OWN_SHARE) * share, words)
        )
    except SearchStopped as stopped:
        raise Stopped from stopped
    return asdict(licences_json(found, others, everything, units_of(job.owner)))
