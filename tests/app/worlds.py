"""People and builds for tests of the application."""

from collections.abc import Iterable, Mapping
from typing import Any

from django.contrib.auth.models import User
from django.test import Client, TestCase, override_settings

from core.formats.build_file import BuildFile
from core.model.parts import Part as SpecSheet
from jungle.builds.models import StoredBuild
from jungle.builds.services.builds import start_build
from jungle.builds.services.editing import On
from jungle.catalogue.adoption import adoption_of
from jungle.catalogue.entries import revision_of, store_states
from jungle.catalogue.models import Entry
from tests.core import worlds
from tests.working import do_queued

SECRET = "a long enough secret"


def person(name: str = "ada", password: str | None = None) -> User:
    """Somebody; making a password takes a while, so only those have one who sign in with it."""
    return User.objects.create_user(name, password=password)


def adopt_parts(owner_id: int, sheets: Iterable[SpecSheet]) -> Mapping[str, str]:
    """Parts in an owner's catalogue, as a build's file brings them; answers under which id each is kept."""
    adoption = adoption_of(owner_id, sheets)
    store_states(owner_id, revision_of(owner_id), adoption.states)
    return adoption.kept_as


def sheets_of(owner: User) -> dict[str, SpecSheet]:
    """All sheets in somebody's catalogue, by part id."""
    return dict(Entry.objects.visible_to(owner.pk).sheets())


def full_build_of(owner: User) -> StoredBuild:
    """The full test build, its parts in the owner's catalogue."""
    adopt_parts(owner.pk, worlds.full_parts().values())
    return start_build(owner, worlds.full_build())


def file_text() -> bytes:
    parts = [part.model_dump() for part in worlds.full_parts().values()]
    return (
        BuildFile.model_validate({"build": worlds.full_build().model_dump(), "parts": parts}).model_dump_json().encode()
    )


def on(build: StoredBuild) -> On:
    """An edit on the build as it is stored now."""
    build.refresh_from_db()
    return On(build.pk, build.revision, build.owner)


@override_settings(LOCAL=False)
class ApiTestCase(TestCase):
    """Somebody is signed in and owns the full test build."""

    def setUp(self) -> None:
        self.owner = person()
        self.build = full_build_of(self.owner)
        self.client.force_login(self.owner)

    def url(self, path: str = "") -> str:
        return f"/api/builds/{self.build.pk}{path}"

    def send(self, method: str, path: str, client: Client | None = None, **body: Any) -> Any:
        """A request to the build's own endpoints on the revision it is at, unless the body names one."""
        self.build.refresh_from_db()
        call = getattr(client or self.client, method)
        return call(self.url(path), {"revision": self.build.revision, **body}, content_type="application/json")

    def work(self) -> None:
        """What a worker does with all that is queued."""
        do_queued()

    def rooms(self) -> Any:
        """What the rooms of the build allow, worked out now."""
        self.assertEqual(self.client.post(self.url("/rooms/compared")).status_code, 202)
        self.work()
        return self.client.get(self.url("/rooms/compared")).json()["rooms"]
