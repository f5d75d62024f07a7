"""The Django project: keeps builds and parts, and serves the core's reports to the screens."""
