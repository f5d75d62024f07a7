"""The one register that the checks of the job are in."""

from core.checks.registry import Registry

REGISTRY = Registry()
check = REGISTRY.check
derive = REGISTRY.derive
derive_from_known = REGISTRY.derive_from_known
