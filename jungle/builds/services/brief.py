"""The brief: purposes, money, and the players."""

from collections.abc import Mapping

from django.utils import timezone

from core.model.acts import in_brief
from core.model.brief import Player
from core.model.build import Build
from core.model.clubs import Club
from core.model.free_ids import free_id
from core.model.reaches import MeasuredReach
from core.model.typed import FieldErrors, with_changes
from core.money.currency import AMOUNTS, NoRate, in_currency_of
from core.quantities.money import DECIMALS_BY_CURRENCY
from jungle.builds.models import StoredBuild
from jungle.builds.services.editing import NothingThere, On, edit, field_words
from jungle.builds.services.people import units_of


def change_brief(on: On, changes: Mapping[str, object]) -> StoredBuild:
    """Answer questions of the brief; texts are read in the actor's units."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        currency = str(changes.get("currency") or build.brief.currency)
        answers = {**changes, **_conditions(changes)}
        build = _in_currency(build, currency, answers)
        return build.model_copy(update={"brief": with_changes(build.brief, answers, units, currency)})

    return edit(on, f"Brief: {field_words(changes)}", change)


def _in_currency(build: Build, currency: str, answers: Mapping[str, object]) -> Build:
    """Amounts never just take another sign: they are converted, or the change is refused.

    What is answered anew in the same edit comes in the new currency.
    """
    if currency not in DECIMALS_BY_CURRENCY:
        return build
    anew = {field: None for field in AMOUNTS if field in answers}
    try:
        return in_currency_of(in_brief(**anew)(build), currency)
    except NoRate as missing:
        raise FieldErrors([("currency", currency, str(missing))]) from missing


def _conditions(changes: Mapping[str, object]) -> dict[str, object]:
    """The conditions among the answers, each with an id: those that are new have none yet."""
    asked = changes.get("conditions")
    if not isinstance(asked, list):
        return {}
    taken = [str(one["id"]) for one in asked if one.get("id")]
    numbered = []
    for one in asked:
        id = one.get("id") or free_id("condition", taken)
        taken.append(id)
        numbered.append({**one, "id": id})
    return {"conditions": numbered}


def add_player(on: On, changes: Mapping[str, object]) -> StoredBuild:
    """Add a player; what is not given takes usual values."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        number = 1 + max((_number(player.id) for player in build.brief.players), default=0)
        fresh = Player(id=f"player-{number}", name=f"Player {number}", height_m=1.78)
        return _with_players(build, (*build.brief.players, with_changes(fresh, changes, units, build.brief.currency)))

    return edit(on, "Player added", change)


def change_player(on: On, player_id: str, changes: Mapping[str, object]) -> StoredBuild:
    """Change what is known of a player."""
    units = units_of(on.actor)

    def change(build: Build) -> Build:
        _require(build, player_id)
        return _with_players(
            build,
            tuple(
                with_changes(player, changes, units, build.brief.currency) if player.id == player_id else player
                for player in build.brief.players
            ),
        )

    return edit(on, f"Player: {field_words(changes)}", change)


def measure_reach(on: On, player_id: str, club: Club, reached: Mapping[str, object]) -> StoredBuild:
    """Enter what the slow test swing showed, dated today; what it showed in other directions before stays.

    A direction that is given empty is withdrawn, and with the last one the swing.
    """
    units, today = units_of(on.actor), timezone.localdate().isoformat()

    def change(build: Build) -> Build:
        before = _require(build, player_id).measured_reach(club) or MeasuredReach(club=club)
        dated = before.model_copy(update={"dated": today})
        reach = with_changes(dated, reached, units, build.brief.currency)
        return _with_reach(build, player_id, club, reach if reach.measured else None)

    return edit(on, f"Test swing: {club}", change)


def withdraw_reach(on: On, player_id: str, club: Club) -> StoredBuild:
    """Take a test swing back: the estimate stands again."""

    def change(build: Build) -> Build:
        if _require(build, player_id).measured_reach(club) is None:
            raise NothingThere(f"No test swing with the {club} was entered.")
        return _with_reach(build, player_id, club, None)

    return edit(on, f"Test swing withdrawn: {club}", change)


def remove_player(on: On, player_id: str) -> StoredBuild:
    """Take a player out of the brief."""

    def change(build: Build) -> Build:
        _require(build, player_id)
        return _with_players(build, tuple(player for player in build.brief.players if player.id != player_id))

    return edit(on, "Player removed", change)


def _require(build: Build, player_id: str) -> Player:
    player = next((player for player in build.brief.players if player.id == player_id), None)
    if player is None:
        raise NothingThere(f"There is no player {player_id}.")
    return player


def _with_reach(build: Build, player_id: str, club: Club, reach: MeasuredReach | None) -> Build:
    player = _require(build, player_id)
    others = tuple(known for known in player.measured_reaches if known.club is not club)
    measured = player.model_copy(update={"measured_reaches": others if reach is None else (*others, reach)})
    return _with_players(build, tuple(measured if p.id == player_id else p for p in build.brief.players))


def _with_players(build: Build, players: tuple[Player, ...]) -> Build:
    return build.model_copy(update={"brief": build.brief.model_copy(update={"players": players})})


def _number(id: str) -> int:
    digits = id.rpartition("-")[2]
    return int(digits) if digits.isdigit() else 0
