"""Writes what others rely on: the OpenAPI file, the JSON Schemas, the manual of checks, the sample builds' sheets."""

import json
import os
from pathlib import Path

import django
from pydantic import BaseModel

from core.formats.build_file import BuildFile
from core.formats.parts_pack import PartsPack, read_parts_pack
from core.formats.report_json import checks_json
from core.formats.shops_file import ShopsFile
from core.model.build import Build

ROOT = Path(__file__).resolve().parent.parent


def write_json(path: str, content: object) -> None:
    """`content` as indented JSON in `path` under the project's root."""
    (ROOT / path).write_text(json.dumps(content, indent=2, ensure_ascii=False) + "\n")


def write_openapi() -> None:
    """The API's own description."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "jungle.settings")
    django.setup()
    from jungle.api.api import api  # needs Django set up

    write_json("frontend/src/api/openapi.json", api.get_openapi_schema())


def write_schema(model: type[BaseModel], name: str) -> None:
    """The JSON Schema of `model`."""
    schema = {"$schema": "https://json-schema.org/draft/2020-12/schema", **model.model_json_schema()}
    write_json(f"docs/formats/{name}", schema)


def write_demo_builds() -> None:
    """The sample builds, with the sheets of the parts that they name as the sample packs hold them now."""
    packs = (ROOT / "jungle" / "demo" / "parts").glob("*.json")
    sheets = {part.id: part for pack in packs for part in read_parts_pack(pack.read_text()).parts}
    for path in sorted((ROOT / "jungle" / "demo" / "builds").glob("*.json")):
        document = json.loads(path.read_text())
        named = sorted(Build.model_validate(document["build"]).parts_named)
        parts = [sheets[id].model_dump(mode="json", exclude_unset=True) for id in named]
        write_json(str(path.relative_to(ROOT)), {**document, "parts": parts})


def write_manual() -> None:
    """One section for each check, from its docstring."""
    sections = [f"## {check.id}: {check.title}\n\n{check.manual}\n" for check in checks_json()]
    intro = "# Checks\n\nWritten from the docstrings in `core/checks/` by `make generated`.\n\n"
    (ROOT / "docs" / "checks.md").write_text(intro + "\n".join(sections))


if __name__ == "__main__":
    (ROOT / "docs" / "formats").mkdir(parents=True, exist_ok=True)
    write_openapi()
    write_schema(BuildFile, "build-file.schema.json")
    write_schema(PartsPack, "parts-pack.schema.json")
    write_schema(ShopsFile, "shops-file.schema.json")
    write_manual()
    write_demo_builds()
