"""Which checks read which facts of which parts, found in the functions themselves: nobody keeps a list by hand.

A check reads a fact where its function, a function that it calls, or a derivation of what it asks for takes the
fact off a part: a parameter typed as a kind of part, or one of those in a parameter typed `Beside[Kind]`.
"""

import ast
import inspect
import textwrap
from collections.abc import Callable, Container, Iterator, Mapping
from functools import cache
from typing import Any, get_args, get_type_hints

from core.checks.declared import Derivation
from core.checks.register import REGISTRY
from core.checks.small_items.register import RULES, SmallItems
from core.model.kit import Beside
from core.model.parts import KINDS, Part
from core.model.record import Record

Fact = tuple[type, str]
"""A kind of part and a field of its sheet."""
OF_EVERY_PART = frozenset({"id", "name", "maker", "note", "kind", "sources"})
"""Read to name a part, not to judge it."""
ASKING = frozenset({"at_least", "at_most", "equals", "includes"})


@cache
def facts_by_check() -> Mapping[str, frozenset[Fact]]:
    """By check id: the facts that it reads, itself or through what is derived."""
    derivations = REGISTRY.derivations
    found = {
        check.id: _facts_of(check.run) | _derived_facts(check.read_types, derivations) for check in REGISTRY.checks
    }
    _tree.cache_clear()  # Ten megabytes of syntax, which nobody asks for again.
    return found


@cache
def checks_reading(kind: type[Record], field: str) -> tuple[str, ...]:
    """Ids of the checks that read `field` of a part of `kind`, in order of id."""
    bases = set(kind.__mro__)
    return tuple(id for id, facts in facts_by_check().items() if any(f == field and k in bases for k, f in facts))


@cache
def items_reading(kind: type[Part], field: str) -> tuple[str, ...]:
    """Titles of the small items whose part is of `kind`, and that ask for `field` of it or are counted by it."""
    rules = [rule for rule in RULES.values() if issubclass(kind, rule.item.kind)]
    return tuple(rule.item.title for rule in rules if field in rule.item.sold_by or field in _asked_facts(rule.run))


@cache
def _asked_facts(run: Callable[..., Any]) -> frozenset[str]:
    """The facts that a rule's asks name: the first argument of `at_least`, `equals` and `includes`."""
    return frozenset(
        str(node.args[0].value)
        for node in ast.walk(_tree(run))
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name) and node.func.id in ASKING
        if node.args and isinstance(node.args[0], ast.Constant)
    )


def _derived_facts(types: frozenset[type], derivations: Mapping[type, Derivation]) -> frozenset[Fact]:
    found: set[Fact] = set()
    seen: set[type] = set()
    waiting = list(types)
    while waiting:
        kind = waiting.pop()
        if kind in seen or kind not in derivations:
            continue
        seen.add(kind)
        derivation = derivations[kind]
        waiting += [read.type for read in derivation.reads.each]
        runs = [rule.run for rule in RULES.values()] if kind is SmallItems else [derivation.run]
        for run in runs:
            found |= _facts_of(run)
    return frozenset(found)


@cache
def _facts_of(function: Callable[..., Any]) -> frozenset[Fact]:
    found: set[Fact] = set()
    for called in _reached(inspect.unwrap(function)):
        found |= _own_facts(called)
    return frozenset(found)


def _reached(function: Callable[..., Any]) -> list[Callable[..., Any]]:
    """`function` and the functions of this project that it calls, directly or not."""
    reached: list[Callable[..., Any]] = []
    waiting = [function]
    while waiting:
        current = waiting.pop()
        if current in reached:
            continue
        reached.append(current)
        waiting += _calls(current)
    return reached


@cache
def _calls(function: Callable[..., Any]) -> tuple[Callable[..., Any], ...]:
    """The functions of this project that `function` itself calls."""
    names = (
        node.func.id
        for node in ast.walk(_tree(function))
        if isinstance(node, ast.Call) and isinstance(node.func, ast.Name)
    )
    called = (inspect.unwrap(function.__globals__.get(name, None) or print) for name in names)
    return tuple(each for each in called if inspect.isfunction(each) and each.__module__.startswith("core."))


@cache
def _own_facts(function: Callable[..., Any]) -> frozenset[Fact]:
    return frozenset(_facts_taken(function))


def _facts_taken(function: Callable[..., Any]) -> Iterator[Fact]:
    tree = _tree(function)
    hints = get_type_hints(function)
    kinds = {name: frozenset(_sheet_kinds(hint)) for name, hint in hints.items()}
    several = {name for name, hint in hints.items() if _is_beside(hint)}
    for target, source in _bindings(tree):
        name = source.id if isinstance(source, ast.Name) else _drawn_from(source, several)
        if name in kinds:
            kinds[target] = kinds[name]
    for node in ast.walk(tree):
        if isinstance(node, ast.Attribute) and isinstance(node.value, ast.Name) and node.attr not in OF_EVERY_PART:
            for kind in kinds.get(node.value.id, ()):
                for stated in (kind,) if node.attr in kind.model_fields else _narrower(kind):
                    if node.attr in stated.model_fields:
                        yield stated, node.attr


def _narrower(kind: Any) -> Iterator[Any]:
    """Kinds that are a kind of `kind`: the function has asked which of them it has."""
    return (part for part in KINDS.values() if issubclass(part, kind))


def _bindings(tree: ast.AST) -> Iterator[tuple[str, ast.expr]]:
    """(name, what it is taken from) for assignments and loops, outer ones first."""
    for node in ast.walk(tree):
        if isinstance(node, ast.Assign) and isinstance(node.targets[0], ast.Name):
            yield node.targets[0].id, node.value
    for node in ast.walk(tree):
        if isinstance(node, ast.For | ast.comprehension) and isinstance(node.target, ast.Name):
            yield node.target.id, node.iter


def _drawn_from(source: ast.expr, several: Container[str]) -> str:
    """The first of the names `several` within `source`; none where there is none."""
    names = (node.id for node in ast.walk(source) if isinstance(node, ast.Name))
    return next((name for name in names if name in several), "")


def _sheet_kinds(hint: Any) -> Iterator[Any]:
    for kind in (hint.kind,) if _is_beside(hint) else (hint, *get_args(hint)):
        if isinstance(kind, type) and issubclass(kind, Record):
            yield kind


def _is_beside(hint: Any) -> bool:
    return isinstance(hint, type) and issubclass(hint, Beside)


@cache
def _tree(function: Callable[..., Any]) -> ast.AST:
    return ast.parse(textwrap.dedent(inspect.getsource(function)))
