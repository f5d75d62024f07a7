"""manage.py read_prices: read all sources now, and say what came of each."""

from django.core.management.base import BaseCommand

from jungle.builds.services.welcome import local_owner
from jungle.market.models import ReadingState
from jungle.market.rounds import begin_round
from jungle.worker.rounds import read_and_watch


class Command(BaseCommand):
    """One round for the local owner; one that a worker left is gone on with."""

    help = __doc__

    def handle(self, *args: object, **options: object) -> None:
        begun = begin_round(local_owner().pk)
        read_and_watch(begun, self._told)
        for reading in begun.readings.select_related("source"):
            told = reading.words if reading.state != ReadingState.WAITING else "not read"
            self.stdout.write(f"{reading.source.shop}: {told}")

    def _told(self, share_done: float, words: str) -> bool:
        self.stdout.write(f"{share_done:4.0%} {words}")
        return True
