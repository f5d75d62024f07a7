# Everything that is done from the shell. `make` alone lists it.
PYTHON := .venv/bin/python
MANAGE := $(PYTHON) manage.py


.DEFAULT_GOAL := help

help: ## list these targets
	@grep -E '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | sed -E 's/:.*## /: /' | column -t -s ':'

.venv/runtime: requirements/runtime.txt requirements/installer.txt
	scripts/ensure-python runtime
	touch $@

.venv/development: requirements/development.txt .venv/runtime
	scripts/ensure-python development
	touch $@

frontend/node_modules/ready: frontend/package-lock.json
	cd frontend && npm ci --silent
	touch $@

frontend/dist/manifest.json: frontend/node_modules/ready $(shell find frontend/src frontend/public -type f) frontend/vite.config.ts
	cd frontend && npm run --silent build -- --logLevel warn

setup: .venv/runtime frontend/dist/manifest.json ## install what is needed to run it, and build the front end

setup-development: setup .venv/development ## install what tests, checks and benches need besides

demo: setup ## start Jungle with the sample world
	scripts/demo

demo-reset: setup ## delete what is there and load the sample world afresh, after asking
	$(MANAGE) migrate --verbosity 0
	$(MANAGE) load_demo --afresh

dev: setup-development ## Django and Vite with hot reload
	scripts/dev

generated: .venv/development frontend/node_modules/ready ## write the OpenAPI file, its TypeScript types, the schemas and the manual of checks
	scripts/generate

browser: ## install the browser that the tests drive
	scripts/ensure-browser

test: setup-development browser ## run all tests
	cd frontend && npm run --silent test
	JUNGLE_JOURNAL_MODE=MEMORY $(MANAGE) test --noinput --parallel 2

lint: setup-development ## lint, types, import contracts, generated files
	scripts/lint

bench: setup-development browser ## measure, and print the figures that docs/performance.md keeps
	$(PYTHON) -m bench

endurance: setup-development ## search for longer: killed workers, random edits in any order, examples never tried
	JUNGLE_SEARCH=1 $(MANAGE) test --noinput --parallel 2 tests.core tests.app.test_contract tests.browser.test_labels
	JUNGLE_JOURNAL_MODE=MEMORY JUNGLE_KILL_ROUNDS=20 $(MANAGE) test --noinput tests.app.test_killed
	JUNGLE_JOURNAL_MODE=MEMORY JUNGLE_WANDERERS=25 JUNGLE_STEPS=120 $(MANAGE) test --noinput tests.app.test_wandering

answers: .venv/development ## record anew what the core answers about some builds; every line of the difference is to be read
	$(PYTHON) -m tests.core.recording

mutations: setup-development ## change rules one by one and see whether a test notices: nine in ten must be caught
	$(PYTHON) -m scripts.mutations

requirements: .venv/development ## pin what the lists of requirements ask for, with hashes
	for list in installer runtime development; do \
	  .venv/bin/uv pip compile --quiet --generate-hashes --no-header --no-annotate requirements/$$list.in --output-file requirements/$$list.txt; \
	done

screenshots: setup-development browser ## take the pictures of each view from the demo data
	$(PYTHON) -m scripts.screenshots

.PHONY: help setup setup-development demo demo-reset dev generated browser test lint bench answers endurance mutations requirements \
        screenshots
