"""Long work: asked for, done once, cancelled, taken up again after its worker was killed."""

from typing import Any
from unittest.mock import patch

from django.core.management import CommandError, call_command
from django_tasks.base import TaskResultStatus
from django_tasks_db.models import DBTaskResult

from core.model.build import Slot
from core.model.progress import Progress
from jungle.worker import jobs
from jungle.worker.alone import alone, somebody_works
from jungle.worker.models import Job, JobKind, JobState
from tests.app.worlds import ApiTestCase, adopt_parts, person
from tests.core import worlds


class JobTestCase(ApiTestCase):
    BASKETS = "/money/baskets"

    def ask(self, **limits: Any) -> Any:
        reply = self.client.post(self.url(self.BASKETS), limits, content_type="application/json")
        self.assertEqual(reply.status_code, 202, reply.content)
        return reply.json()["job"]

    def told(self) -> Any:
        return self.client.get(self.url(self.BASKETS)).json()


class BasketJobTests(JobTestCase):
    def test_baskets_are_worked_out_for_the_state_that_they_name(self) -> None:
        self.send("patch", "/brief", horizon_years=6)
        self.assertEqual(self.told(), {"job": None, "baskets": None})
        job = self.ask(most_shops=2)
        self.assertEqual((job["state"], job["nobody_works"]), ("waiting", True))
        self.work()
        told = self.told()
        self.build.refresh_from_db()
        self.assertEqual((told["job"]["state"], told["job"]["revision"]), ("done", self.build.revision))
        self.assertEqual(told["baskets"]["baskets"], [], "none of the sample shops has the parts of the test build")
        self.assertIn("Maker Lamp", told["baskets"]["without"])

    def test_limits_that_cannot_be_are_refused(self) -> None:
        for limits in ({"most_shops": 0}, {"most_shops": "two"}, {"here_by": "soon"}, {"colour": "red"}):
            reply = self.client.post(self.url(self.BASKETS), limits, content_type="application/json")
            self.assertEqual(reply.status_code, 422, limits)
        self.assertEqual(Job.objects.count(), 0)

    def test_asked_anew_what_was_asked_before_is_cancelled(self) -> None:
        first = self.ask()
        self.ask(new_only=True)
        self.work()
        states = dict(Job.objects.values_list("pk", "state"))
        self.assertEqual(sorted(states.values()), ["cancelled", "done"])
        self.assertEqual(Job.objects.get(pk=first["id"]).state, "cancelled")


class LicenceJobTests(JobTestCase):
    def test_a_set_is_found_and_taken_in_one_edit(self) -> None:
        reply = self.client.post(self.url("/money/licences"))
        self.assertEqual(reply.status_code, 202, reply.content)
        self.work()
        told = self.client.get(self.url("/money/licences")).json()
        self.assertEqual(told["job"]["state"], "done", told)
        sets = told["licences"]["sets"]
        wanted = next(each for each in sets if each["monitor_plan"] == "full")
        before = self.client.get(self.url("/money")).json()["yearly"]["text"]
        taken = self.send("post", "/money/licences/taken", **{
            field: wanted[field] for field in ("monitor_plan", "title_plan", "add_ons")})  # fmt: skip
        self.assertEqual(taken.status_code, 200, taken.content)
        self.assertNotEqual(self.client.get(self.url("/money")).json()["yearly"]["text"], before)
        self.build.refresh_from_db()
        self.assertEqual(self.build.design.chain[Slot.MONITOR].plan, "full")

    def test_further_software_is_decided_with_them(self) -> None:
        """Two plans of software beside the chain that nobody asks anything of: the cheaper one is in the least set."""
        plans = [{"id": id, "name": id.title(), "billing": "yearly", "price": {"minor": minor}, "courses": 1}
                 for id, minor in (("little", 10_00), ("lots", 90_00))]  # fmt: skip
        second = worlds.title(id="second", name="Second", plans=plans)
        adopt_parts(self.owner.pk, [second])
        (extra,) = self.send("post", "/extras", part="second").json()["build"]["extras"]
        self.send("patch", f"/extras/{extra['id']}", plan="lots")
        self.client.post(self.url("/money/licences"))
        self.work()
        least = self.client.get(self.url("/money/licences")).json()["licences"]["sets"][0]
        self.assertEqual(least["further"], [{"extra": extra["id"], "plan": "little"}])
        taken = {field: least[field] for field in ("monitor_plan", "title_plan", "add_ons", "further")}
        self.assertEqual(self.send("post", "/money/licences/taken", **taken).status_code, 200)
        self.build.refresh_from_db()
        self.assertEqual([one.plan for one in self.build.design.extras], ["little"])
        gone = {**taken, "further": [{"extra": extra["id"], "plan": "gone"}]}
        self.assertEqual(self.send("post", "/money/licences/taken", **gone).status_code, 404)

    def test_an_answer_that_was_told_in_another_way_is_none(self) -> None:
        self.client.post(self.url("/money/licences"))
        self.work()
        Job.objects.update(result='{"sets": "of an earlier version"}')
        self.assertIsNone(self.client.get(self.url("/money/licences")).json()["licences"])

    def test_what_is_gone_is_refused(self) -> None:
        for body in ({"monitor_plan": "gone"}, {"monitor_plan": "base", "title_plan": "monthly", "add_ons": ["gone"]}):
            self.assertEqual(self.send("post", "/money/licences/taken", **body).status_code, 404)


class WorkTests(JobTestCase):
    def test_what_was_cancelled_is_not_begun(self) -> None:
        job = self.ask()
        reply = self.client.post(f"/api/jobs/{job['id']}/cancel")
        self.assertEqual(reply.json()["state"], "cancelled")
        self.work()
        self.assertEqual(Job.objects.get().attempts, 0)

    def test_what_is_cancelled_at_work_stops_and_leaves_no_result(self) -> None:
        self.ask()
        heard: list[bool] = []

        def slow(job: Job, report: Progress) -> dict[str, Any]:
            heard.append(report(0.1, "begun"))
            jobs.cancel(self.owner, str(job.pk))
            with patch.object(jobs, "TOLD_EVERY_S", -1):
                heard.append(report(0.2, "on"))
            return {"result": "too late"}

        with patch.dict(jobs.WORKS, {JobKind.BASKETS: lambda: slow}):
            self.work()
        self.assertEqual(heard, [True, False])
        job = Job.objects.get()
        self.assertEqual((job.state, job.result), ("cancelled", ""))

    def test_nothing_is_done_twice(self) -> None:
        job = self.ask()
        done: list[str] = []

        def once(job: Job, report: Progress) -> dict[str, Any]:
            done.append(str(job.pk))
            # The queue hands it to somebody else at the same time.
            jobs.do.call(str(job.pk))
            return {}

        with patch.dict(jobs.WORKS, {JobKind.BASKETS: lambda: once}):
            self.work()
            jobs.do.call(job["id"])
        self.assertEqual(done, [job["id"]])

    def test_one_that_fails_says_so_and_shows_nothing_of_why(self) -> None:
        self.ask()

        def broken(job: Job, report: Progress) -> dict[str, Any]:
            raise RuntimeError("secret")

        with patch.dict(jobs.WORKS, {JobKind.BASKETS: lambda: broken}), self.assertLogs("jungle.worker.jobs"):
            self.work()
        told = self.told()["job"]
        self.assertEqual(told["state"], "failed")
        self.assertNotIn("secret", told["words"])

    def test_a_job_belongs_to_who_asked(self) -> None:
        job = self.ask()
        self.client.force_login(person("eve"))
        self.assertEqual(self.client.post(f"/api/jobs/{job['id']}/cancel").status_code, 404)
        self.assertEqual(self.client.get(self.url(self.BASKETS)).status_code, 404)
        self.assertEqual(Job.objects.get().state, "waiting")


class RecoveryTests(JobTestCase):
    def left_by_a_killed_worker(self, attempts: int) -> Job:
        """As the database is when a worker was killed amid a job."""
        self.ask()
        DBTaskResult.objects.update(status=TaskResultStatus.RUNNING)
        Job.objects.update(state=JobState.RUNNING, attempts=attempts, share_done=0.4)
        return Job.objects.get()

    def test_it_is_taken_up_again_and_done_once(self) -> None:
        self.left_by_a_killed_worker(attempts=1)
        self.work()
        self.assertEqual(Job.objects.get().state, "running", "nobody takes it before it is recovered")
        self.assertEqual(jobs.recover(), 1)
        self.assertEqual(jobs.recover(), 0)
        self.work()
        job = Job.objects.get()
        self.assertEqual((job.state, job.attempts), ("done", 2))

    def test_what_kills_its_workers_is_given_up(self) -> None:
        self.left_by_a_killed_worker(attempts=jobs.MOST_ATTEMPTS)
        jobs.recover()
        job = Job.objects.get()
        self.assertEqual(job.state, "failed")
        self.assertIn("each time its worker ended", job.words)

    def test_one_worker_at_a_time(self) -> None:
        self.assertFalse(somebody_works())
        with alone():
            self.assertTrue(somebody_works())
            with patch("jungle.worker.management.commands.work.PATIENCE_S", 0), self.assertRaises(CommandError):
                call_command("work")
        self.assertFalse(somebody_works())
