"""Geometry and optics of a bay: floats in metres, radians and candela, no units to convert."""
