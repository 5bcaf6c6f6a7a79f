"""The calculators as rows: both faces read them, so both take and say the same."""

from __future__ import annotations

import json
from typing import Any

import pytest

from grebe.cli.main import main
from grebe.core.audio.care import day_level, noise_dose
from grebe.core.calculators.model import Calculator
from grebe.core.calculators.table import CALCULATORS, calculator

EVERY = pytest.mark.parametrize("one", CALCULATORS, ids=lambda c: c.id)


def usual(one: Calculator, **changed: str) -> dict[str, str]:
    """What stands in its fields at first."""
    return {i.key: i.usual for i in one.inputs} | changed


def said(capsys: pytest.CaptureFixture[str], *words: str) -> tuple[int, str, str]:
    try:
        status = main(words)
    except SystemExit as left:
        status = int(left.code or 0)
    out = capsys.readouterr()
    return status, out.out, out.err


def test_there_are_eighteen() -> None:
    assert len({c.id for c in CALCULATORS}) == 18


def test_an_evening_against_the_table_of_niosh() -> None:
    """NIOSH 98-126, table 1-1 (as remembered): each of its times is a whole day; two halves make
    one; the formulas of 1.1.3: a dose of 200 % is 88.0 dBA over eight hours."""
    table = {80: 25 * 60 + 24, 82: 16 * 60, 85: 480, 88: 240, 90: 151, 91: 120, 94: 60, 97: 30,
             100: 15, 103: 7.5, 106: 3.75, 109: 1 + 53 / 60}  # fmt: skip
    for dba, minutes in table.items():
        assert noise_dose([(dba, minutes)]) == pytest.approx(1.0, abs=0.006)
    assert noise_dose([(85, 240), (94, 30)]) == pytest.approx(1.0)
    assert day_level(2.0) == pytest.approx(88.01, abs=0.01)
    assert noise_dose([(79, 600)]) == 0
    answer = calculator("exposure").answer({"levels": "100@15, 97@15"})
    assert answer.values["dose_percent"] == 150
    assert "licensed" in answer.care
    for wrong in ("", "100", "300@5", "a@b", "90@-1", "90@2000"):
        with pytest.raises(ValueError, match="dBA@minutes"):
            calculator("exposure").answer({"levels": wrong})


@EVERY
def test_each_answers_what_stands_there_at_first(one: Calculator) -> None:
    """A sentence, and a table whose rows are as wide as its head."""
    answer = one.answer(usual(one))
    assert answer.sentence
    assert {len(row) for row in answer.rows} <= {len(answer.head)}
    assert one.asks.endswith("?")


@EVERY
def test_the_command_says_the_same(one: Calculator, capsys: pytest.CaptureFixture[str]) -> None:
    """Its example, as JSON and in words."""
    words = one.example.split()[1:]
    texts = usual(one)
    texts |= {words[n].removeprefix("--"): words[n + 1] for n in range(0, len(words), 2)}
    wanted = one.answer(texts)
    status, out, _ = said(capsys, "calc", one.id, *words, "--json")
    assert (status, json.loads(out)) == (0, json.loads(json.dumps(wanted.values)))
    _, out, _ = said(capsys, "calc", one.id, *words)
    assert wanted.sentence in out


@pytest.mark.parametrize(
    ("name", "key", "text"),
    [
        ("delay", "bpm", "19.9"), ("delay", "bpm", "400.1"), ("delay", "min-ms", "0"),
        ("tempo", "seconds", "0"), ("tempo", "bars", "0"), ("loop", "rate", "0"),
        ("loop", "rate", "1000001"), ("loop", "rate", "44.1"), ("ramp", "bars", "inf"),
        ("drift", "limit-ms", "nan"), ("position", "bar", "0"), ("position", "bar", "1.5"),
        ("swing", "percent", "76"), ("swing", "ppqn", "100"), ("swing", "step", "1/17"),
        ("realign", "lanes", "0@1/16"), ("euclid", "steps", "0"), ("register", "taps", "x"),
        ("pulses", "from", "0"), ("wire", "notes", "1001"), ("notemap", "from", "base"),
        ("hearing", "level", "39"), ("tap", "times", "a,b"), ("key", "notes", "d"),
    ],
)  # fmt: skip
def test_what_one_face_refuses_the_other_does(
    name: str, key: str, text: str, capsys: pytest.CaptureFixture[str]
) -> None:
    """With the same words; a command's status is 2."""
    one = calculator(name)
    with pytest.raises(ValueError, match=".") as refused:
        one.answer(usual(one, **{key: text}))
    options: list[Any] = []
    for field in one.inputs:
        if field.key != "running-status":
            options += [f"--{field.key}", text if field.key == key else field.usual]
    status, _, err = said(capsys, "calc", name, *options)
    assert status == 2
    assert str(refused.value) in err


@pytest.mark.parametrize(
    ("name", "changed"),
    [
        ("delay", {"min-ms": "500", "max-ms": "100"}), ("position", {"bar": "2000"}),
        ("position", {"beat": "9"}), ("euclid", {"hits": "9"}), ("tap", {"times": "0,1"}),
        ("register", {"taps": "40"}), ("key", {"notes": "200"}),
    ],
)  # fmt: skip
def test_what_does_not_go_together_is_refused(name: str, changed: dict[str, str]) -> None:
    one = calculator(name)
    with pytest.raises(ValueError, match="."):
        one.answer(usual(one, **changed))
