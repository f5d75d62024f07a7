"""The least set of licences for a build, and for the monitors and the software that cost about as much."""

from collections.abc import Mapping
from dataclasses import asdict
from typing import Any

from core.formats.report_json.licences import licences_json
from core.model.build import Slot
from core.model.progress import Progress
from core.report.licences import licences_for, others_with_licences
from jungle.builds.services.licences import others_for, parts_for_licences
from jungle.builds.services.people import units_of
from jungle.worker.models import Job

SHARES = (0.2, 0.6, 0.2)
"""Of the whole: the sets for what hangs, those for other monitors, and those for other software."""


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """Sets of licences, and other monitors and other software with theirs. Raises `Stopped`."""
    build = job.of_build.design
    Job.objects.filter(pk=job.pk).update(revision=job.of_build.revision)
    monitors = others_for(job.owner, build, Slot.MONITOR)
    titles = others_for(job.owner, build, Slot.TITLE)
    parts = parts_for_licences(job.owner, build)
    everything = {**{part.id: part for part in (*monitors, *titles)}, **parts}
    own, with_monitors, with_titles = (_part_of(report, number) for number in range(len(SHARES)))
    found = licences_for(build, everything, progress=own)
    if found is None:
        return {}
    others = others_with_licences(build, everything, Slot.MONITOR, monitors, with_monitors)
    software = others_with_licences(build, everything, Slot.TITLE, titles, with_titles)
    return asdict(licences_json(found, others, software, units_of(job.owner)))


def _part_of(report: Progress, number: int) -> Progress:
    return lambda share, words: report(sum(SHARES[:number]) + SHARES[number] * share, words)
