"""Random, accepted edits of builds, rooms, catalogue and packs, in any order, by one person over HTTP.

Whatever is accepted has to be shown, undone and deleted afterwards: `Wanderer.open_everything` looks at all of it.
"""

import json
from collections.abc import Callable
from random import Random
from typing import Any

from django.contrib.auth.models import User
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client

from core.contents.changes import KINDS_BY_GROUP
from core.formats.build_file import read_build_file
from core.model.brief import SpeedBand, Stage
from core.model.build import Slot
from core.model.forms import FieldKind
from core.model.parts import KINDS
from core.model.parts.sheets import sheet_fields
from core.model.room import CeilingShape
from core.quantities import Unit
from jungle.builds.models import StoredBuild
from jungle.catalogue.entries import revision_of
from jungle.catalogue.models import Entry

NAMES = ("Shed", "Vårt garage", "ガレージ", "Ada & Bo <b>", "x" * 120, "'; --", "👩‍🚀 bay")
JSON = "application/json"


class Wanderer:
    """Goes wherever chance leads; answers what it did last, for whoever has to find out."""

    def __init__(self, owner: User, seed: int) -> None:
        self.owner, self.chance = owner, Random(seed)
        self.client = Client()
        self.client.force_login(owner)
        self.did: list[str] = []

    def step(self) -> Any:
        """One edit, accepted or refused; the reply."""
        edits = (
            self.measure, self.measure, self.move, self.answer, self.player, self.content, self.content, self.joists,
            self.rooms, self.hang, self.hang, self.decide, self.extra, self.small_item, self.history, self.history,
            self.whole_build, self.own_part, self.facts, self.facts, self.plans, self.take_out, self.pack,
            self.price_list, self.catalogue_history,
        )  # fmt: skip
        return self.chance.choice(edits)()

    def open_everything(self) -> list[str]:
        """What could not be shown."""
        wrong = []
        listed = self.client.get("/api/builds").json()
        wrong += [f"list: {build['unreadable']}" for build in listed if build["unreadable"]]
        for build in listed:
            path = f"/api/builds/{build['id']}"
            opened = self.client.get(path)
            if opened.status_code != 200:
                wrong.append(f"{path}: {opened.status_code} {opened.content[:200]!r}")
                continue
            verdict = self.chance.choice(opened.json()["report"]["verdicts"])
            verdict_path = f"/verdicts/{verdict['id']}?subject={verdict['subject_id']}"
            slot = self.chance.choice(list(Slot))
            for shown in (
                f"{path}/rooms/compared",
                f"{path}/drawing.svg",
                f"{path}/file",
                verdict_path,
                f"{path}/chain/{slot}",
            ):
                reply = self.client.get(shown)
                if reply.status_code != 200:
                    wrong.append(f"{path}{shown}: {reply.status_code} {reply.content[:200]!r}")
            read_build_file(self.client.get(f"{path}/file").content)
        for part in self._some_parts(2):
            reply = self.client.get(f"/api/catalogue/parts/{part}")
            if reply.status_code != 200:
                wrong.append(f"part {part}: {reply.status_code}")
        if self.client.get("/api/catalogue/parts").status_code != 200:
            wrong.append("the catalogue")
        return wrong

    def measure(self) -> Any:
        fields: dict[str, Callable[[], object]] = {
            "width_m": self._far,
            "length_m": self._far,
            "ceiling_m": lambda: round(self.chance.uniform(0.8, 8), 3),
            "ridge_m": lambda: round(self.chance.uniform(0.8, 9), 3),
            "ceiling_shape": lambda: self.chance.choice(list(CeilingShape)),
            "wall_foam_m": lambda: round(self.chance.uniform(0, 0.5), 3),
            "breaker_a": lambda: self.chance.choice([10, 16, None]),
            "mains_v": lambda: self.chance.choice([230, 120, None]),
            "name": lambda: self.chance.choice(NAMES),
        }
        return self._edit("patch", "/room", {field: fields[field]() for field in self._some(fields, 3)})

    def move(self) -> Any:
        fields = (
            "ball_x_m",
            "ball_y_m",
            "screen_y_m",
            "lens_distance_m",
            "lens_height_m",
            "behind_ball_m",
            "machine_x_m",
        )
        return self._edit("patch", "/layout", {field: self._far() for field in self._some(fields, 2)})

    def answer(self) -> Any:
        fields: dict[str, Callable[[], object]] = {
            "stage": lambda: self.chance.choice(list(Stage)),
            "currency": lambda: self.chance.choice(["EUR", "USD", "JPY"]),
            "up_front_cap_minor": lambda: self.chance.choice(["5000", "1", None]),
            "horizon_years": lambda: self.chance.randint(1, 30),
            "hours_a_week": lambda: self.chance.choice([0, 3, 100, None]),
            "visitors": lambda: self.chance.random() < 0.5,
            "purposes": lambda: {"full_rounds": self.chance.randint(0, 5), "films": self.chance.randint(0, 5)},
        }
        return self._edit("patch", "/brief", {field: fields[field]() for field in self._some(fields, 2)})

    def player(self) -> Any:
        build = self._build()
        players = build.design.brief.players if build else ()
        if players and self.chance.random() < 0.4:
            return self._edit("post", f"/players/{self.chance.choice(players).id}/remove", {}, build)
        fields = {
            "name": self.chance.choice(NAMES),
            "height_m": round(self.chance.uniform(0.9, 2.3), 2),
            "handedness": self.chance.choice(["left", "right"]),
            "speed_band": self.chance.choice(list(SpeedBand)),
        }
        if players and self.chance.random() < 0.5:
            return self._edit("patch", f"/players/{self.chance.choice(players).id}", fields, build)
        return self._edit("post", "/players", fields, build)

    def content(self) -> Any:
        build = self._build()
        group = self.chance.choice(list(KINDS_BY_GROUP))
        held = getattr(build.design.room, group.value) if build else ()
        if not held or self.chance.random() < 0.4:
            return self._edit("post", f"/contents/{group}", {"kind": self.chance.choice(KINDS_BY_GROUP[group])}, build)
        path = f"/contents/{group}/{self.chance.choice(held).id}"
        if self.chance.random() < 0.2:
            return self._edit("post", f"{path}/remove", {}, build)
        fields = [
            field for field in ("x_m", "y_m", "along_m", "width_m", "height_m") if field in type(held[0]).model_fields
        ]
        return self._edit("patch", path, {field: self._far() for field in self._some(fields, 2)}, build)

    def joists(self) -> Any:
        if self.chance.random() < 0.2:
            return self._edit("post", "/joists/forget", {})
        along, spacing = self.chance.random() < 0.5, round(self.chance.uniform(0.1, 3), 2)
        return self._edit(
            "put", "/joists", {"along": along, "first_m": round(self.chance.uniform(0, 5), 2), "spacing_m": spacing}
        )

    def rooms(self) -> Any:
        build, quarters = self._build(), self.chance.randint(0, 3)
        candidates = build.design.candidates if build else ()
        what = self.chance.random()
        if what < 0.4 or not candidates:
            if what < 0.2:
                return self._edit("post", "/rooms", {"name": self.chance.choice(NAMES)}, build)
            return self._edit("post", "/rooms/screen", {"quarters": quarters}, build)
        path = f"/rooms/{self.chance.choice(candidates).id}"
        if what < 0.8:
            return self._edit("post", f"{path}/choose", {"quarters": quarters}, build)
        return self._edit("post", f"{path}/drop", {}, build)

    def hang(self) -> Any:
        slot = self.chance.choice(list(Slot))
        if self.chance.random() < 0.2:
            return self._edit("post", f"/chain/{slot}/take-down", {})
        ids = list(Entry.objects.visible_to(self.owner.pk).of_slots(slot).values_list("part_id", flat=True))
        return self._edit("put", f"/chain/{slot}", {"part": self.chance.choice(ids)}) if ids else None

    def decide(self) -> Any:
        build = self._build()
        if build is None or not build.design.chain:
            return None
        slot, hung = self.chance.choice(sorted(build.design.chain.items()))
        plans = [plan.id for plan in getattr(Entry.objects.get(owner=self.owner, part_id=hung.part).spec, "plans", ())]
        fields = {
            "plan": self.chance.choice([*plans, None]),
            "owned": self.chance.random() < 0.3,
        }
        return self._edit("patch", f"/chain/{slot}", {field: fields[field] for field in self._some(fields, 2)}, build)

    def money(self) -> Any:
        build = self._build()
        keys = sorted(build.design.line_keys) if build else []
        if not keys:
            return None
        fields = {
            "quote_minor": "12.50",
            "likely_minor": self.chance.choice(["10", "900", ""]),
            "high_minor": self.chance.choice(["20", ""]),
            "paid_minor": self.chance.choice(["7", ""]),
            "came_as": self.chance.choice(["gift", None]),
            "later": self.chance.random() < 0.5,
        }
        key = self.chance.choice(keys)
        return self._edit("patch", f"/money/lines/{key}", {f: fields[f] for f in self._some(fields, 2)}, build)

    def extra(self) -> Any:
        build = self._build()
        extras = build.design.extras if build else ()
        if extras and self.chance.random() < 0.5:
            path = f"/extras/{self.chance.choice(extras).id}"
            if self.chance.random() < 0.5:
                return self._edit("post", f"{path}/drop", {}, build)
            return self._edit("patch", path, {"quantity": self.chance.choice([1, 3, 10_000])}, build)
        return self._edit("post", "/extras", {"part": self.chance.choice(self._some_parts(1))}, build)

    def small_item(self) -> Any:
        build = self._build()
        if self.chance.random() < 0.5 or build is None or not build.design.small_items:
            return self._edit("post", "/small-items/cheapest", {}, build)
        item = self.chance.choice(sorted(build.design.small_items))
        return self._edit("put", f"/small-items/{item}", {"choice": self.chance.choice(["own", "strike"])}, build)

    def history(self) -> Any:
        return self._edit("post", self.chance.choice(["/undo", "/undo", "/redo"]), {})

    def whole_build(self) -> Any:
        builds = list(StoredBuild.objects.visible_to(self.owner.pk))
        if len(builds) > 3:
            self.did.append("deleted")
            return self.client.delete(f"/api/builds/{self.chance.choice(builds).pk}")
        if builds and self.chance.random() < 0.6:
            self.did.append("copied by its file")
            written = self.client.get(f"/api/builds/{self.chance.choice(builds).pk}/file").content
            return self.client.post("/api/builds/import", {"file": SimpleUploadedFile("build.json", written)})
        self.did.append("begun")
        return self.client.post("/api/builds", {"name": self.chance.choice(NAMES)}, JSON)

    def own_part(self) -> Any:
        kind = self.chance.choice(list(KINDS))
        facts = {"maker": self.chance.choice(NAMES), "name": self.chance.choice(NAMES), **self._facts(kind, 6)}
        return self._catalogue("post", "/parts", kind=kind, facts=facts)

    def facts(self) -> Any:
        entry = self._entry()
        facts = self._facts(entry.sheet.kind, 3)
        return self._catalogue(
            "patch",
            f"/parts/{entry.part_id}",
            revision=entry.revision,
            facts=facts,
            bring_along=self.chance.random() < 0.5,
        )

    def plans(self) -> Any:
        """The plans out of a title or a monitor, or others in."""
        with_plans = Entry.objects.visible_to(self.owner.pk).filter(sheet__slot__in=("title", "monitor"))
        entry = self.chance.choice(list(with_plans))
        rows = [{"name": self.chance.choice(NAMES)} for _ in range(self.chance.randint(0, 2))]
        return self._catalogue(
            "patch",
            f"/parts/{entry.part_id}",
            revision=entry.revision,
            facts={},
            rows={"plans": rows},
            bring_along=self.chance.random() < 0.5,
        )

    def take_out(self) -> Any:
        entry, along = self._entry(), self.chance.choice(["true", "false"])
        self.did.append(f"out: {entry.part_id} {along}")
        return self.client.delete(f"/api/catalogue/parts/{entry.part_id}?bring_along={along}")

    def pack(self) -> Any:
        """Parts that are here, some with another fact, some another kind under the same id."""
        parts = []
        for id in self._some_parts(3):
            part = Entry.objects.get(owner=self.owner, part_id=id).spec.model_dump(mode="json", exclude_none=True)
            if self.chance.random() < 0.3:
                part = {"kind": self.chance.choice(["lamp", "mat", "title"]), "id": id, "maker": "M", "name": "Other"}
            elif self.chance.random() < 0.5:
                part["note"] = self.chance.choice(NAMES)
            parts.append(part)
        text = json.dumps({"format": "jungle-parts", "version": 2, "name": "Pack", "parts": parts})
        choices = {part["id"]: self.chance.choice(["take", "keep", "both"]) for part in parts}
        self.did.append(f"pack {choices}")
        form = {
            "file": SimpleUploadedFile("pack.json", text.encode()),
            "choices": json.dumps(choices),
            "bring_along": self.chance.choice(["true", "false"]),
        }
        return self.client.post("/api/catalogue/pack", form)

    def price_list(self) -> Any:
        rows = "".join(f"{id},{self.chance.randint(1, 9999)}\n" for id in self._some_parts(3))
        self.did.append("price list")
        form = {"file": SimpleUploadedFile("list.csv", f"id,price\n{rows}".encode())}
        return self.client.post("/api/catalogue/list", form)

    def catalogue_history(self) -> Any:
        way, along = self.chance.choice(["/undo", "/undo", "/redo"]), self.chance.random() < 0.5
        return self._catalogue("post", way, revision=revision_of(self.owner.pk), bring_along=along)

    def _facts(self, kind: str, most: int) -> dict[str, str]:
        asked = [field for field in sheet_fields(kind) if field.typed_as is not FieldKind.RECORDS]
        return {
            field.name: self._typed(field) for field in self._some(asked, most) if field.name not in ("maker", "name")
        }

    def _typed(self, field: Any) -> str:
        """Something that the field may take, at the edges of what that is, or nothing at all."""
        if self.chance.random() < 0.2:
            return ""
        if field.typed_as in (FieldKind.CHOICE, FieldKind.CHOICES) and field.options:
            return str(self.chance.choice(field.options)[0])
        if field.typed_as is FieldKind.YES_NO:
            return self.chance.choice(["yes", "no"])
        if field.unit is Unit.METRE:
            return self.chance.choice(["0.0001", "0.05", "2.5", "99", "0"])
        return self.chance.choice(["0", "1", "2", "16", "1080", "99"])

    def _far(self) -> float:
        return self.chance.choice([0.0, 0.5, 3.2, 4.9, 12.0, 55.0, 60.0, round(self.chance.uniform(-3, 9), 3)])

    def _some(self, among: Any, most: int) -> list[Any]:
        among = list(among)
        return self.chance.sample(among, min(len(among), self.chance.randint(1, most)))

    def _some_parts(self, number: int) -> list[str]:
        ids = list(Entry.objects.visible_to(self.owner.pk).values_list("part_id", flat=True))
        return self.chance.sample(ids, min(number, len(ids)))

    def _entry(self) -> Entry:
        """Half of the time one that a build names."""
        entries = Entry.objects.visible_to(self.owner.pk).select_related("sheet")
        build = self._build()
        named = list(entries.named(*build.design.parts_named)) if build else []
        return self.chance.choice(named if named and self.chance.random() < 0.5 else list(entries))

    def _build(self) -> StoredBuild | None:
        builds = list(StoredBuild.objects.visible_to(self.owner.pk))
        return self.chance.choice(builds) if builds else None

    def _edit(self, method: str, path: str, body: dict[str, Any], build: StoredBuild | None = None) -> Any:
        build = build or self._build()
        if build is None:
            return None
        self.did.append(f"{method} {build.pk}{path} {body}")
        sent = {"revision": build.revision, **body}
        return getattr(self.client, method)(f"/api/builds/{build.pk}{path}", sent, content_type=JSON)

    def _catalogue(self, method: str, path: str, **body: Any) -> Any:
        self.did.append(f"{method} catalogue{path} {body}")
        return getattr(self.client, method)(f"/api/catalogue{path}", body, content_type=JSON)
