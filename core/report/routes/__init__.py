"""Ways to come by what hangs in a place: ready-made, thrifty by hand, fine by hand; each with money, hours, skills."""

from core.report.routes.route import Route, RouteKind
from core.report.routes.ways import routes_to

__all__ = ["Route", "RouteKind", "routes_to"]
