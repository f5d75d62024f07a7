"""Which builds name which parts: rows, written with the edit that names them."""

from collections.abc import Iterable

from jungle.builds.judging import Judged
from jungle.builds.models import BuildPart, StoredBuild


def tie(build: StoredBuild, judged: Judged) -> None:
    """Write which parts `build` names now. Earlier ties stay, so that undoing finds sheets that are gone since."""
    wanted = {(id, plan, judged.digests[id]) for id, plan in judged.document.parts_under_plans}
    rows = build.ties.values_list("part_id", "plan", "sheet_id", "current", "pk")
    held = {(id, plan, digest): (current, pk) for id, plan, digest, current, pk in rows}
    if {key for key, (current, _) in held.items() if current} == wanted:
        return
    past = [pk for key, (current, pk) in held.items() if current and key not in wanted]
    again = [pk for key, (current, pk) in held.items() if not current and key in wanted]
    BuildPart.objects.filter(pk__in=past).update(current=False)
    BuildPart.objects.filter(pk__in=again).update(current=True)
    BuildPart.objects.bulk_create(
        BuildPart(build=build, part_id=id, plan=plan, sheet_id=digest)
        for id, plan, digest in sorted(wanted - held.keys())
    )


def builds_naming(owner_id: int, part_ids: Iterable[str]) -> list[StoredBuild]:
    """The owner's builds that name any of these parts now."""
    wanted = set(part_ids)
    ties = BuildPart.objects.filter(build__owner_id=owner_id, current=True).values_list("build_id", "part_id")
    naming = {build_id for build_id, part_id in ties if part_id in wanted}
    return list(StoredBuild.objects.filter(pk__in=naming))


def names_of_builds_naming(owner_id: int, part_id: str) -> list[str]:
    """The names of the owner's builds that name this part now."""
    ties = BuildPart.objects.filter(build__owner_id=owner_id, current=True, part_id=part_id)
    return sorted(set(ties.values_list("build__name", flat=True)))
