"""The application that keeps builds."""

from django.apps import AppConfig


class PlansConfig(AppConfig):
    """Greets whoever signs in."""

    name = "jungle.plans"

    def ready(self) -> None:
        """Connect what happens when somebody signs in."""
        from jungle.plans.services import welcome  # noqa: F401
