# Two commands for everybody: make demo, make test.

VENV := .venv
BIN := $(VENV)/bin
RUNS := $(VENV)/.runs
TESTS := $(VENV)/.tests

PREFIX ?= $(HOME)/.local
DESTDIR ?=

.PHONY: demo test long check lint types ready unit alone collected timed others lab lock clean schema manual words install uninstall deb fresh

demo: $(RUNS)
	@$(BIN)/grebe demo

# What runs beside tests that judge time has what they leave of the processors, and hardly more. (Not
# SCHED_IDLE: what has that may stand still for seconds, and sessions of computers part meanwhile.)
BESIDE_TIMED := nice -n 19

test: $(TESTS) lint ready
	@$(MAKE) --no-print-directory unit BESIDE=types

# All that is drawn is tried, not a third of it.
long: export GREBE_LONG := 1
long: test

$(RUNS): requirements.lock pyproject.toml tools/setup.sh
	@tools/setup.sh $(VENV) run
	@touch $@

$(TESTS): requirements-test.lock pyproject.toml tools/setup.sh
	@tools/setup.sh $(VENV) test
	@touch $@ $(RUNS)

check: lint types

lint: $(TESTS)
	$(BIN)/ruff check .
	$(BIN)/ruff format --check .

types: $(TESTS)
	$(BESIDE_TIMED) $(BIN)/mypy

# Compiled once, whatever the shell says: else each worker, and each process that a test starts,
# compiles all of Grebe again, which is half of the time that all of it takes.
# The last lines say what was skipped or wanted more than one try, and why.
unexport PYTHONDONTWRITEBYTECODE
# Two of the calls are given only the files that have something for them.
ALONE = $(shell grep -rl "mark[.]alone" tests --include="test_*.py")
TIMED = $(shell grep -rlE "mark[.](jack|real_time)" tests --include="test_*.py")
ready: $(TESTS)
	$(BIN)/python -m compileall -q -j 0 src

unit: export GREBE_NOT_JUDGED := $(CURDIR)/$(VENV)/not-judged
unit: export QT_QPA_PLATFORM := offscreen
unit: $(TESTS)
	@rm -f $(GREBE_NOT_JUDGED)
	@$(MAKE) --no-print-directory -j 3 -O timed others $(BESIDE)
	@sort -u $(GREBE_NOT_JUDGED) 2>/dev/null; [ -s $(GREBE_NOT_JUDGED) ] || echo "Everything was judged, at the first try."

alone:
	$(BIN)/python -m pytest -m alone $(ALONE) # no other test runs beside these
# In one process, which leaves them compiled for the workers.
collected:
	$(BESIDE_TIMED) $(BIN)/python -m pytest --collect-only -q >/dev/null

# Tests that judge time wait for a clock more than half of it; the others run in that, and the types.
timed: alone collected
	$(BIN)/python -m pytest -n 3 --dist worksteal -m "(jack or real_time) and not alone" $(TIMED)
others: alone collected
	$(BESIDE_TIMED) $(BIN)/python -m pytest -n 3 --dist worksteal -m "not jack and not real_time and not alone"

# Against PipeWire, the kernel's sequencer and sound cards; makes what it needs, as root on Debian 12.
lab: $(TESTS)
	@tools/lab/run.sh $(VENV)

fresh:
	@tools/fresh.sh

schema: $(TESTS)
	$(BIN)/python tools/write_schema.py

manual: $(TESTS)
	$(BIN)/python tools/write_manual.py

# The texts that translators have: src/grebe/data/words, for Qt Linguist.
words: $(TESTS)
	$(BIN)/python tools/write_words.py

# Into $(PREFIX): a Python environment of its own, the command, and the desktop's files.
install:
	@tools/install.sh "$(DESTDIR)" "$(PREFIX)"

uninstall:
	@tools/install.sh --remove "$(DESTDIR)" "$(PREFIX)"

deb:
	@tools/deb.sh build

lock: $(TESTS)
	@tools/lock.sh $(VENV)

clean:
	rm -rf $(VENV) build .mypy_cache .ruff_cache .hypothesis
