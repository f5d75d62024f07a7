"""Ways to come by what hangs in a place: ready-made, thrifty by hand, fine by hand; each with money, hours, skills."""

from core.report.routes.compared import routes_to
from core.report.routes.route import Elsewhere, Route, RouteKind

__all__ = ["Elsewhere", "Route", "RouteKind", "routes_to"]
