"""One's own history of prices, taken in from a table."""

from collections.abc import Mapping
from typing import Any

from core.formats.errors import BadFile, FileError
from core.model.progress import Progress
from jungle.market.price_history import columns_of, kept, read_history, take_history
from jungle.worker.models import Job


def work_out(job: Job, report: Progress) -> Mapping[str, Any]:
    """What became of the table; it is put away once it was taken in. Raises `BadFile`, `Stopped`."""
    file = kept(job.wishes["file"])
    if not file.exists():
        raise BadFile([FileError("file", "", "is not there any more; choose it again")])
    table = read_history(file.read_bytes())
    taken = take_history(job.owner_id, table, columns_of(table, job.wishes["columns"]), report)
    file.unlink(missing_ok=True)
    return taken.told
