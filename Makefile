# Everything that is done from the shell. `make` alone lists it.
PYTHON := .venv/bin/python
MANAGE := $(PYTHON) manage.py


.DEFAULT_GOAL := help

help: ## list these targets
	@grep -E '^[a-z-]+:.*## ' $(MAKEFILE_LIST) | sed -E 's/:.*## /: /' | column -t -s ':'

.venv/ready: requirements/development.txt
	scripts/ensure-python
	touch $@

frontend/node_modules/ready: frontend/package-lock.json
	cd frontend && npm ci --silent
	touch $@

frontend/dist/manifest.json: frontend/node_modules/ready $(shell find frontend/src frontend/public -type f) frontend/vite.config.ts
	cd frontend && npm run --silent build -- --logLevel warn

setup: .venv/ready frontend/node_modules/ready frontend/dist/manifest.json ## install everything and build the front end

demo: setup ## start Jungle with the sample world
	scripts/demo

demo-reset: setup ## delete what is there and load the sample world afresh, after asking
	$(MANAGE) migrate --verbosity 0
	$(MANAGE) load_demo --afresh

dev: setup ## Django and Vite with hot reload
	scripts/dev

generated: .venv/ready frontend/node_modules/ready ## write the OpenAPI file, its TypeScript types, the schemas and the manual of checks
	scripts/generate

browser: ## install the browser that the tests drive
	scripts/ensure-browser

test: setup browser ## run all tests
	JUNGLE_JOURNAL_MODE=MEMORY $(MANAGE) test --noinput --parallel 2

lint: setup ## lint, types, import contracts, generated files
	scripts/lint

bench: setup browser ## measure, and print the figures that docs/performance.md keeps
	$(PYTHON) -m bench

screenshots: setup browser ## take the pictures of each view from the demo data
	$(PYTHON) -m scripts.screenshots

.PHONY: help setup demo demo-reset dev generated browser test lint bench screenshots
