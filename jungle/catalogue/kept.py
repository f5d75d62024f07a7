"""Spec sheets that were read before, by their content: no sheet ever changes, so one that was read serves again."""

import logging
from collections import OrderedDict
from collections.abc import Callable, Iterable, Mapping
from itertools import islice
from threading import Lock

from core.formats.stored import read_stored_sheet
from core.model.parts import Part as SpecSheet

SHEETS_KEPT = 40_000
"""Some three kilobytes each: a catalogue of twenty thousand parts stays whole, twice."""
ASKED_AT_ONCE = 500
"""So many values every database takes in one question."""

log = logging.getLogger(__name__)
_kept: OrderedDict[str, SpecSheet] = OrderedDict()
_lock = Lock()


def sheets_by_digest(
    digests: Iterable[str], documents_of: Callable[[list[str]], Iterable[tuple[str, str, int]]]
) -> Mapping[str, SpecSheet]:
    """The sheets of `digests`, asking `documents_of` for digest, document and version of those not read before.

    One that cannot be read is left out, and logged.
    """
    wanted = dict.fromkeys(digests)
    with _lock:
        found = {digest: sheet for digest in wanted if (sheet := _kept.get(digest)) is not None}
        for digest in found:
            _kept.move_to_end(digest)
    missing = iter([digest for digest in wanted if digest not in found])
    while some := list(islice(missing, ASKED_AT_ONCE)):
        for digest, document, version in documents_of(some):
            try:
                found[digest] = read_stored_sheet(document, version)
            except ValueError:
                log.exception("The sheet %s cannot be read", digest)
        _keep({digest: found[digest] for digest in some if digest in found})
    return found


def _keep(sheets: Mapping[str, SpecSheet]) -> None:
    with _lock:
        _kept.update(sheets)
        while len(_kept) > SHEETS_KEPT:
            _kept.popitem(last=False)
