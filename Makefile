# Two commands for everybody: make demo, make test.

VENV := .venv
BIN := $(VENV)/bin
READY := $(VENV)/.ready

.PHONY: demo test check unit lock clean schema

demo: $(READY)
	@$(BIN)/grebe demo

test: check unit

$(READY): requirements.lock pyproject.toml tools/setup.sh
	@tools/setup.sh $(VENV)
	@touch $(READY)

check: $(READY)
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .
	$(BIN)/mypy

unit: $(READY)
	QT_QPA_PLATFORM=offscreen $(BIN)/python -m pytest -n 3 -m "not jack"
	QT_QPA_PLATFORM=offscreen $(BIN)/python -m pytest -n 2 -m "jack and not alone"
	QT_QPA_PLATFORM=offscreen $(BIN)/python -m pytest -m alone # these want the machine to themselves

schema: $(READY)
	$(BIN)/python tools/write_schema.py

lock: $(READY)
	@echo "# Pinned versions for \`make demo\` and \`make test\`. After a change: make lock" > requirements.lock
	$(BIN)/pip freeze --all --exclude pip --exclude-editable >> requirements.lock

clean:
	rm -rf $(VENV) build .mypy_cache .ruff_cache .hypothesis
