"""The API: one router for each view of the product."""

from ninja.security import django_auth

from jungle.api.errors import register_errors
from jungle.api.parser import BoundedAPI, BoundedParser
from jungle.api.routers import (
    brief,
    builds,
    catalogue,
    contents,
    drawings,
    jobs,
    money,
    offers,
    parts,
    paths,
    price_history,
    prices,
    room,
    rooms,
    session,
    shopping,
    shops,
    sources,
    watches,
)

api = BoundedAPI(parser=BoundedParser(), title="Jungle", version="1", auth=django_auth, docs_url=None, openapi_url=None)
register_errors(api)
api.add_router("/session", session.router)
api.add_router("/builds", builds.router)
api.add_router("/builds", brief.router)
api.add_router("/builds", room.router)
api.add_router("/builds", contents.router)
api.add_router("/builds", rooms.router)
api.add_router("/builds", drawings.router)
api.add_router("/builds", parts.router)
api.add_router("/builds", money.router)
api.add_router("/builds", paths.router)
api.add_router("/builds", prices.router)
api.add_router("/prices/seen", prices.seen)
api.add_router("/prices/sources", sources.router)
api.add_router("/builds", watches.router)
api.add_router("/prices", watches.told)
api.add_router("/prices/history", price_history.router)
api.add_router("/builds", shopping.router)
api.add_router("/builds", offers.router)
api.add_router("/catalogue", catalogue.router)
api.add_router("/shops", shops.router)
api.add_router("", jobs.router)
