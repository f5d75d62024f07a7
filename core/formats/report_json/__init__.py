"""The report as JSON: the contract between the core and every screen, and what the shell prints.

Every figure carries its value, its unit and its text in the reader's own units, so that nobody else formats.
"""

from core.formats.report_json.alternatives import AlternativeJson, alternative_json
from core.formats.report_json.drawing import SceneJson, scene_json
from core.formats.report_json.report import ReportJson, full_report_text, report_json
from core.formats.report_json.small_items import ServingJson, serving_json
from core.formats.report_json.verdicts import CheckJson, WorkingsJson, checks_json, workings_json
from core.formats.report_json.why_not import WhyNotJson, why_not_json

__all__ = [
    "AlternativeJson",
    "CheckJson",
    "ReportJson",
    "SceneJson",
    "ServingJson",
    "WhyNotJson",
    "WorkingsJson",
    "alternative_json",
    "checks_json",
    "full_report_text",
    "report_json",
    "scene_json",
    "serving_json",
    "why_not_json",
    "workings_json",
]
