"""manage.py load_demo: put the sample world into the local owner's hands; what is there already stays."""

from argparse import ArgumentParser
from pathlib import Path

from django.core.management.base import BaseCommand
from django.db import transaction

from jungle.builds.models import StoredBuild
from jungle.builds.services.builds import import_build
from jungle.builds.services.parts import adopt_samples
from jungle.builds.services.welcome import local_owner
from jungle.market.adoption import adopt_sample_shops, forget_market

BUILDS = Path(__file__).resolve().parents[2] / "builds"


class Command(BaseCommand):
    """Loads parts and builds once; with `--afresh`, deletes the owner's own builds and parts first."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("--afresh", action="store_true", help="delete all builds and parts of the owner first")
        parser.add_argument("--yes", action="store_true", help="do not ask before deleting")

    @transaction.atomic
    def handle(self, *args: object, afresh: bool, yes: bool, **options: object) -> None:
        owner = local_owner()
        if afresh:
            if not yes and input("Delete all builds and parts and load the sample world? [y/N] ").lower() != "y":
                self.stdout.write("Nothing was changed.")
                return
            StoredBuild.objects.visible_to(owner.pk).delete()
            owner.entries.all().delete()
            owner.catalogue_edits.all().delete()
            forget_market(owner)
        adopt_samples(owner)
        adopt_sample_shops(owner)
        if not StoredBuild.objects.visible_to(owner.pk).exists():
            for file in sorted(BUILDS.glob("*.json")):
                import_build(owner, file.read_bytes())
        self.stdout.write("The sample world is loaded.")
