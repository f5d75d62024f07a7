"""manage.py add_person NAME: somebody who may sign in; asks for their password twice."""

from argparse import ArgumentParser
from getpass import getpass

from django.contrib.auth.models import User
from django.contrib.auth.password_validation import validate_password
from django.contrib.auth.validators import UnicodeUsernameValidator
from django.core.exceptions import ValidationError
from django.core.management.base import BaseCommand, CommandError
from django.db import transaction

MOST_OF_A_NAME = 150


class Command(BaseCommand):
    """Adds a person, or with `--new-password` gives one who is there another password."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        parser.add_argument("name")
        parser.add_argument("--new-password", action="store_true", help="the person is there already")

    def handle(self, *args: object, name: str, new_password: bool, **options: object) -> None:
        person = User.objects.filter(username=name).first()
        if person is not None and not new_password:
            raise CommandError(f"There is a person called '{name}' already; --new-password changes the password.")
        if person is None and new_password:
            raise CommandError(f"There is no person called '{name}'.")
        person = person or self._named(name)
        password = getpass(f"Password for {name}: ")
        if password != getpass("Once more: "):
            raise CommandError("The two are not the same; nothing was changed.")
        try:
            validate_password(password, person)
        except ValidationError as error:
            raise CommandError(" ".join(error.messages)) from error
        with transaction.atomic():
            person.set_password(password)
            person.save()
        self.stdout.write(f"{name} can sign in.")

    def _named(self, name: str) -> User:
        try:
            UnicodeUsernameValidator()(name)
        except ValidationError as error:
            raise CommandError(" ".join(error.messages)) from error
        if not name or len(name) > MOST_OF_A_NAME:
            raise CommandError(f"A name of 1 to {MOST_OF_A_NAME} characters is accepted.")
        return User(username=name)
