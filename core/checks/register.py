"""The one register that the checks of the job are in."""

from core.checks.registry import Registry

REGISTRY = Registry()
check = REGISTRY.check
derive = REGISTRY.derive
