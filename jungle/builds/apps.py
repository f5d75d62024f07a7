"""The application that keeps builds."""

from django.apps import AppConfig


class BuildsConfig(AppConfig):
    """Greets whoever signs in."""

    name = "jungle.builds"
    label = "plans"
    """What its tables have been called since the first release; people's databases know them by it."""

    def ready(self) -> None:
        """Connect what happens when somebody signs in."""
        from jungle.builds.services import welcome  # noqa: F401
