"""Routers, one for each view."""
