"""python -m bench: every figure that docs/performance.md keeps, each beside its aim."""

import gzip
import json
import statistics
import sys
from pathlib import Path
from random import Random

from playwright.sync_api import sync_playwright

from bench.catalogue import facts_in, find_everything, grown, largest_place, sample_parts
from bench.clock import seconds, times_of
from bench.ground import bench_bulk, bench_history, bench_large, bench_many_builds
from bench.money import bench_money
from bench.server import DEMO_NAME, ROOT, Client, demo, processes
from bench.table import tell, tell_times
from core.checks import GRAPH, MEMO
from core.formats.build_file import read_build_file
from core.formats.parts_pack import PartsPack, write_parts_pack
from core.geometry import hitting_region, keep_out, swing_disc
from core.geometry.ball_rules import BallRoom, swing_rules
from core.geometry.boxes import Box
from core.geometry.ceiling import ceiling_of
from core.geometry.swing_clearance import clearances
from core.model.brief import Handedness
from core.model.build import Slot, slot_for
from core.model.clubs import Club
from core.model.found import listing_of
from core.model.parts import Part
from core.report import evaluate
from core.report.alternatives import alternatives
from core.report.shortlist import prices_of, swapped_first, weighed_first
from core.report.tables import tabulation_of
from core.report.why_not import why_not
from jungle.processes import keep_what_is_loaded
from tests.browser.chromium import DESK, EXECUTABLE, FLAGS

EVALUATIONS = 400
REQUESTS = 200
VISITS = 7
ROUNDS = 60
LARGE = 3000
TABLED_PLACES = 3
BUILD = ROOT / "jungle" / "demo" / "builds" / "boat-shed.json"
DIST = ROOT / "frontend" / "dist"


def bench_core() -> None:
    """Evaluating the full demo build, with and without the discs kept from before; collector set as the server's."""
    keep_what_is_loaded()
    file = read_build_file(BUILD.read_text())
    warm = times_of(lambda _: evaluate(file.build, file.parts_by_id), EVALUATIONS)
    tell("evaluate a full build in the core, median", f"{warm.median_ms:.2f} ms{warm.note}", "5 ms")

    def cold(_: int) -> None:
        swing_disc._disc.cache_clear()
        MEMO.forget()
        evaluate(file.build, file.parts_by_id)

    afresh = times_of(cold, EVALUATIONS // 4)
    tell("the same with nothing remembered", f"{afresh.median_ms:.2f} ms{afresh.note}", "–")


def bench_geometry() -> None:
    """Swing clearances and the hitting region against a ridged roof and twenty boxes, nothing kept from before."""
    file = read_build_file(BUILD.read_text())
    players = tuple(
        file.build.brief.players[0].model_copy(
            update={
                "id": f"player-{number}",
                "height_m": 1.5 + 0.15 * number,
                "handedness": list(Handedness)[number % 2],
            }
        )
        for number in range(4)
    )
    numbers = Random(20)
    boxes = []
    for _ in range(20):
        low = (numbers.uniform(0, 4.4), numbers.uniform(0, 7), numbers.uniform(1.5, 2.8))
        x, y, z = (at + numbers.uniform(0.05, 1.0) for at in low)
        boxes.append(Box(low, (x, y, z)))
    ceiling, ball = ceiling_of(file.build.room), (2.3, 3.5, 0.04)
    place = BallRoom(file.build.room.width_m, file.build.room.length_m, ceiling, 0.04)
    swings = [(swing_disc.swing_disc(player, club), ball) for player in players for club in Club]

    def all_clearances(_: int) -> None:
        clearances(swings, boxes)
        for disc, at in swings:
            ceiling.clearance_m(disc, at)

    def whole_region(_: int) -> None:
        keep_out.keep_outs.cache_clear()
        hitting_region.clear_floor.cache_clear()
        discs = tuple(swing_disc.swing_disc(player, player.longest_club) for player in players)
        rules = tuple(rule for disc in discs for rule in swing_rules(disc, place))
        hitting_region.clear_floor(place.width_m, place.length_m, rules, discs, place.surface_m, tuple(boxes))

    for what, work, aim in (
        ("swing clearance: ridged roof and 20 boxes, 4 players × 8 clubs", all_clearances, "30 ms"),
        ("hitting region: 4 players, 20 boxes, columns of 25 mm", whole_region, "300 ms"),
    ):
        tell_times(what, times_of(work, ROUNDS), aim)


def bench_catalogue() -> None:
    """Forty candidates for the largest place against a full build, and a catalogue of three thousand parts."""
    file = read_build_file(BUILD.read_text())
    sample = sample_parts()
    slot = largest_place(sample)

    def only_the_build() -> None:
        MEMO.forget()
        evaluate(file.build, file.parts_by_id)

    for place in Slot:
        forty = grown(sample, 40, place)

        def weigh(_: int, forty: dict[str, Part] = forty, place: Slot = place) -> None:
            alternatives(file.build, forty, place)

        aim = "120 ms" if place in (Slot.FLOOR, Slot.MAT, Slot.ENCLOSURE) else "60 ms"
        again, first = times_of(weigh, ROUNDS // 2), times_of(weigh, ROUNDS // 10, only_the_build)
        tell(
            f"40 alternatives for the {place} in the core, median, and the first time",
            f"{again.median_ms:.0f} ms{again.note}, {first.median_ms:.0f} ms{first.note}",
            aim,
        )
    large = grown(sample, LARGE)
    lines = tuple(listing_of(part) for part in large.values())

    def nearest(_: int) -> None:
        """As the page asks: the candidates nearest in price, weighed against the build."""
        hung = {id: large[id] for id in file.build.parts_named}
        chosen = weighed_first(lines, slot, prices_of(file.build, hung))
        alternatives(file.build, {**hung, **{id: large[id] for id in chosen}}, slot)

    works = (("three finds", lambda _: find_everything(lines)), (f"alternatives for the {slot}", nearest))
    for what, work in works:
        there = f"{what} in {len(large):,} parts with {facts_in(large):,} facts in the core"
        tell_times(there, times_of(work, ROUNDS), "300 ms")


def bench_why_not() -> None:
    """Some parts asked why they do not hang here, of the sample and of three thousand, each with the swaps tried."""
    file, sample = read_build_file(BUILD.read_text()), sample_parts()
    hanging = [part for part in sample.values() if slot_for(part)]
    for catalogue, asked, aim in (
        (sample, hanging[::4], "300 ms p95"),
        (grown(sample, LARGE), hanging[::9], "1 s p95"),
    ):
        prices = prices_of(file.build, catalogue)
        swapped = swapped_first(map(listing_of, catalogue.values()), prices)
        tried = {id: part for id, part in catalogue.items() if id in swapped or id in file.build.parts_named}

        def ask(number: int, tried: dict[str, Part] = tried, asked: list[Part] = asked) -> None:
            part = asked[number % len(asked)]
            why_not(file.build, {**tried, part.id: part}, part)

        times = times_of(ask, 3 * len(asked))
        tell_times(f"why-not, of {len(asked)} parts among {len(catalogue):,} in the core", times, aim)


def bench_tables() -> None:
    """Every check of at most three places over all that the sample has for them, each table from nothing."""
    file, sample = read_build_file(BUILD.read_text()), sample_parts()
    times, cells = {}, 0
    for check in GRAPH.checks:
        places = GRAPH.places_of(check.id)
        if 0 < len(places) <= TABLED_PLACES:
            tables = tabulation_of(file.build, sample, places)
            times[check.id] = seconds(lambda tables=tables, id=check.id: tables.table(id))  # type: ignore[misc]
            cells += tables.table(check.id).combinations
    slowest = max(times, key=lambda id: times[id])
    tell(f"the largest of {len(times)} tables, {slowest}", f"{times[slowest]:.2f} s", "2 s")
    tell(f"all of them, {cells:,} combinations", f"{sum(times.values()):.2f} s", "60 s")


def bench_first_answer(port: int, build_id: int) -> None:
    """What the first request of a process takes, which has nothing in its memory."""
    tell(
        "first answer of a process, a full build",
        f"{seconds(lambda: Client(port).call('GET', f'/api/builds/{build_id}')):.2f} s",
        "1 s",
    )


def bench_http(client: Client, build_id: int) -> None:
    """Edits, drags and alternatives through the running server."""
    build = client.call("GET", f"/api/builds/{build_id}")
    revision = [int(build["revision"])]

    def edit(number: int) -> None:
        change = {"revision": revision[0], "width_m": 4.6 + number % 7 / 100}
        revision[0] = client.call("PATCH", f"/api/builds/{build_id}/room", change)["revision"]

    def drag(number: int) -> None:
        at = {"view": "floor", "target": "ball", "u": 3.5 + number % 40 / 100, "v": 2.0 + number % 60 / 100}
        client.call("POST", f"/api/builds/{build_id}/drag/preview", {"revision": revision[0], "number": number, **at})
        largest[0] = max(largest[0], client.received)

    largest = [0]
    for what, work, aim in (
        ("edit to report through HTTP", edit, "40 ms"),
        ("drag to what differs through HTTP", drag, "30 ms p95"),
        (
            "alternatives of a place through HTTP",
            lambda _: client.call("GET", f"/api/builds/{build_id}/chain/display"),
            "250 ms p95",
        ),
        (
            "drawing with another part through HTTP",
            lambda _: client.call("GET", f"/api/builds/{build_id}/chain/display/drawing/brightmere-square"),
            "–",
        ),
        (
            "finding in the sample catalogue through HTTP",
            lambda _: client.call("GET", "/api/catalogue/parts?text=screen"),
            "–",
        ),
    ):
        tell_times(what, times_of(work, REQUESTS), aim)
    tell("largest answer to a drag", f"{largest[0] / 1000:.1f} kB", "30 kB")


def bench_large_catalogue(client: Client, build_id: int) -> None:
    """Finding and alternatives through the running server, with three thousand parts in the owner's catalogue."""
    sample = sample_parts()
    large = grown(sample, LARGE)
    new = tuple(part for id, part in large.items() if id not in sample)
    client.upload("/api/catalogue/pack", write_parts_pack(PartsPack(name="Large", parts=new)))
    for what, path in (
        ("finding by words", "/api/catalogue/parts?text=screen"),
        ("finding all that works with what is hung", f"/api/catalogue/parts?works=true&build={build_id}"),
        (
            "finding projectors that work with what is hung",
            f"/api/catalogue/parts?kind=projector&works=true&build={build_id}",
        ),
        *((f"alternatives for the {slot}", f"/api/builds/{build_id}/chain/{slot}") for slot in Slot),
    ):
        first = seconds(lambda path=path: client.call("GET", path))  # type: ignore[misc]
        times = times_of(lambda _, path=path: client.call("GET", path), ROUNDS)  # type: ignore[misc]
        tell(
            f"{what} in {len(large):,} parts through HTTP, first / median / p95",
            f"{first * 1000:.0f} / {times.median_ms:.0f} / {times.p95_ms:.0f} ms{times.note}",
            "300 ms",
        )


def bench_memory(first: int) -> None:
    """Resident memory of all processes of the demo, shared pages counted once to each half-share (PSS)."""
    for what, running, aim in (
        ("resident memory of what answers", "gunicorn", "250 MB (180 MB PSS)"),
        ("resident memory of the worker, with nothing to do", "work", "in a process of its own"),
    ):
        at_work = [first] if running == "gunicorn" else []
        resident, proportional = _memory_kb(at_work + processes(first, running))
        tell(what, f"{resident / 1024:.0f} MB ({proportional / 1024:.0f} MB PSS)", aim)


def _memory_kb(processes: list[int]) -> tuple[int, int]:
    resident = proportional = 0
    for pid in processes:
        for line in Path(f"/proc/{pid}/smaps_rollup").read_text().splitlines():
            if line.startswith("Rss:"):
                resident += int(line.split()[1])
            elif line.startswith("Pss:"):
                proportional += int(line.split()[1])
    return resident, proportional


def bench_script() -> None:
    """Script on first load: the entry and all that it imports, gzipped."""
    manifest = json.loads((DIST / "manifest.json").read_text())
    wanted, seen = ["src/main.ts"], set()
    while wanted:
        key = wanted.pop()
        if key not in seen:
            seen.add(key)
            wanted += manifest[key].get("imports", [])
    size = sum(len(gzip.compress((DIST / manifest[key]["file"]).read_bytes(), 9)) for key in seen)
    tell("script on first load, gzipped", f"{size / 1000:.1f} kB", "120 kB")


def bench_first_view(port: int, build_id: int) -> None:
    """From the address to a drawing whose handles can be taken, in a browser with an empty cache."""
    times = []
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=EXECUTABLE, args=FLAGS)
        for _ in range(VISITS):
            page = browser.new_context(viewport=DESK).new_page()  # type: ignore[arg-type]

            def visit(page=page) -> None:  # type: ignore[no-untyped-def]
                page.goto(f"http://127.0.0.1:{port}/builds/{build_id}/parts")
                page.get_by_role("slider").first.wait_for()

            times.append(seconds(visit))
        browser.close()
    tell("first view of the demo usable, median", f"{statistics.median(times):.2f} s", "1.5 s")


def bench_core_alone() -> None:
    """Everything that needs no server."""
    bench_core()
    bench_geometry()
    bench_money()
    bench_catalogue()
    bench_why_not()
    bench_tables()


def main() -> None:
    """All of it; with the word `core`, what needs no server."""
    print("† the clock was never full meanwhile: a figure of all repeats\n")
    print("| measured | figure | aim |\n|---|---|---|")
    bench_core_alone()
    if sys.argv[1:] == ["core"]:
        return
    bench_script()
    with demo() as (port, first, data):
        client = Client(port)
        build_id = client.build_named(DEMO_NAME)
        bench_first_answer(port, build_id)
        bench_http(client, build_id)
        bench_memory(first)
        bench_large_catalogue(client, build_id)
        bench_first_view(port, build_id)
        bench_bulk(port, tell)
        bench_many_builds(port, tell)
        bench_large(port, tell)
        bench_history(data, tell)


if __name__ == "__main__":
    main()
