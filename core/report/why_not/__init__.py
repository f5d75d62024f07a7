"""Why a part does not work here, and the smallest change that would admit it."""

from core.report.why_not.asking import Admission, WhyNot, why_not
from core.report.why_not.changes import Trouble

__all__ = ["Admission", "Trouble", "WhyNot", "why_not"]
