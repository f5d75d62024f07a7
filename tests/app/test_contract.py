"""The published contract against the running API: no input finds a server error, replies are of their type."""

from typing import Any

import schemathesis
from django.core.signals import request_finished, request_started
from django.db import close_old_connections
from django.test import override_settings
from hypothesis import HealthCheck, Phase, given, settings

from jungle.api.api import api
from jungle.wsgi import application
from tests.app.worlds import ApiTestCase
from tests.core.random_builds import seeds

EXAMPLES = len(seeds(4))


@override_settings(LOCAL=False)
class ContractTests(ApiTestCase):
    def setUp(self) -> None:
        super().setUp()
        # The test's own transaction must outlive each request, as it does under Django's test client.
        for signal in (request_started, request_finished):
            signal.disconnect(close_old_connections)
            self.addCleanup(signal.connect, close_old_connections)

    def test_every_endpoint_keeps_its_word(self) -> None:
        schema = schemathesis.openapi.from_dict(api.get_openapi_schema())
        session = self.client.cookies["sessionid"].value
        token = "t" * 32
        headers, cookies = {"X-CSRFToken": token}, {"sessionid": session, "csrftoken": token}
        operations: Any = schema.get_all_operations()
        for found in operations:
            operation = found.ok()
            with self.subTest(operation.label):

                @settings(
                    max_examples=EXAMPLES,
                    deadline=None,
                    database=None,
                    phases=[Phase.explicit, Phase.generate],
                    suppress_health_check=list(HealthCheck),
                )
                @given(case=operation.as_strategy())
                def answers(case: Any) -> None:
                    if "build_id" in case.path_parameters:
                        case.path_parameters["build_id"] = self.build.pk
                    reply = case.call(app=application, headers=headers, cookies=cookies)
                    self.assertLess(reply.status_code, 500, repr(reply.content[:1500]))

                answers()
