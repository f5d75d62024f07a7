"""How requests are read: once, and within bounds."""

from typing import Any

from django.http import HttpRequest
from ninja import NinjaAPI
from ninja.errors import ValidationError, ValidationErrorContext
from ninja.parser import Parser

from core.formats.errors import MOST_ERRORS
from core.formats.reading import read_json


class BoundedParser(Parser):
    """Bodies as any other JSON from outside."""

    def parse_body(self, request: HttpRequest) -> Any:
        """What the body holds. Raises `BadFile`."""
        return read_json(request.body)


class BoundedAPI(NinjaAPI):
    """An API that tells a few errors, however many there are."""

    def validation_error_from_error_contexts(
        self, error_contexts: list[ValidationErrorContext[Any]]
    ) -> ValidationError:
        """The first errors with their place and what stands there."""
        found = [
            {"loc": (context.model.__ninja_param_source__, *error["loc"]), "msg": error["msg"], "input": error["input"]}
            for context in error_contexts
            for error in context.pydantic_validation_error.errors(include_url=False, include_context=False)
        ]
        return ValidationError(found[:MOST_ERRORS])
