"""One report for one build: verdicts, drawing, money and open questions."""

from core.report.evaluate import evaluate
from core.report.report import LinkStatus, OpenQuestion, Report, SlotStatus

__all__ = ["LinkStatus", "OpenQuestion", "Report", "SlotStatus", "evaluate"]
