"""Tells mypy the type of `known(record, "field")`: that of the field, without `None`; an unknown field is an error."""

from collections.abc import Callable

from mypy.nodes import Var
from mypy.plugin import FunctionContext, Plugin
from mypy.typeops import make_simplified_union
from mypy.types import AnyType, Instance, LiteralType, NoneType, Type, TypeOfAny, UnionType, get_proper_type

ASKING = frozenset({"core.model.facts.known", "core.model.facts.known_some"})


class KnownFacts(Plugin):
    """Types the one way to ask a record for a fact."""

    def get_function_hook(self, fullname: str) -> Callable[[FunctionContext], Type] | None:
        """The hook for `known` and `known_some`."""
        return _field_type if fullname in ASKING else None


def _field_type(context: FunctionContext) -> Type:
    record, field = get_proper_type(context.arg_types[0][0]), _text(context.arg_types[1][0])
    records = record.items if isinstance(record, UnionType) else [record]
    if field is None:
        return AnyType(TypeOfAny.explicit)
    found = []
    for each in map(get_proper_type, records):
        known = each.type.get(field) if isinstance(each, Instance) else None
        if known is None or not isinstance(known.node, Var) or known.node.type is None:
            context.api.fail(f'"{each}" has no fact "{field}"', context.context)
            return AnyType(TypeOfAny.from_error)
        found.append(known.node.type)
    stated = get_proper_type(make_simplified_union(found))
    if isinstance(stated, UnionType):
        return make_simplified_union([item for item in stated.items if not isinstance(get_proper_type(item), NoneType)])
    return stated


def _text(argument: Type) -> str | None:
    proper = get_proper_type(argument)
    literal = proper.last_known_value if isinstance(proper, Instance) else proper
    return literal.value if isinstance(literal, LiteralType) and isinstance(literal.value, str) else None


def plugin(version: str) -> type[Plugin]:
    """The plugin, for any version of mypy."""
    return KnownFacts
