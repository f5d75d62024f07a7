"""Watches on prices, and the alerts that they give."""
