"""What the log comes to: against SciPy where there are figures, and silent where there are few."""

from __future__ import annotations

import numpy as np
import pytest
import scipy
from msgspec import structs

from grebe.core.document import Project
from grebe.core.findings import find
from grebe.core.findings.past import Past
from grebe.core.log.learning import learning, share_of
from grebe.core.log.model import (
    BoxCheck,
    Event,
    LoggedRun,
    PlayedStretch,
    TryRow,
    evening,
)
from grebe.core.log.over_time import GearChange, history, mean_of, slope_of
from grebe.core.log.tonight import how_it_went, to_mend
from tests import build
from tests.app.test_set_play import two_songs

DAY_S = 86_400.0
AT = 1_790_000_000.0


def check(day: int, own_ms: float, *, bpm: float = 120.0, set_ms: float = 0.0, cable: str = "midi",
          box: str = "Bass") -> BoxCheck:  # fmt: skip
    return BoxCheck(at=AT + day * DAY_S, zone_min=60, box=box, bpm=bpm, cable=cable,
                    offset_set_ms=set_ms, offset_ms=own_ms + set_ms)  # fmt: skip


def tried(day: int, verdict: str, off_ms: float | None = 40.0, what: str = "press mute") -> TryRow:
    return TryRow(at=AT + day * DAY_S, zone_min=60, project="Test", song="Song", before="a",
                  after="b", kind="move", what=what, verdict=verdict,  # type: ignore[arg-type]
                  off_ms=off_ms if verdict == "late" else None)  # fmt: skip


# A box over time


def test_figures_are_scipys() -> None:
    """Mean with Student's interval, slope with Theil and Sen's: the same as SciPy called here."""
    rng = np.random.default_rng(3)
    days, values = list(range(12)), list(rng.normal(4, 1, 12))
    mean = mean_of(values)
    assert mean is not None
    low, high = scipy.stats.t.interval(0.95, 11, loc=np.mean(values), scale=scipy.stats.sem(values))
    assert mean == pytest.approx((np.mean(values), low, high))
    slope = slope_of(days, values)
    theirs = scipy.stats.theilslopes(values, days, alpha=0.95)
    assert slope == pytest.approx((theirs.slope, theirs.low_slope, theirs.high_slope))
    share = share_of(5, 8)
    found = scipy.stats.binomtest(5, 8).proportion_ci(0.95, method="wilson")
    assert share == pytest.approx((5 / 8, found.low, found.high))


def test_its_own_lateness_is_without_what_was_set() -> None:
    rows = [check(day, 6.0, set_ms=-float(day)) for day in range(5)]
    found = history(rows)
    assert found.own == pytest.approx((6.0, 6.0, 6.0))
    assert "+6.0 ms late" in found.sentences[0]


def test_a_slope_with_tempo_is_said_and_chance_is_not() -> None:
    rng = np.random.default_rng(5)
    tempi = [90.0, 100, 110, 120, 130, 140, 150, 160]
    drifting = [check(d, 0.1 * bpm + rng.normal(0, 0.2), bpm=bpm) for d, bpm in enumerate(tempi)]
    found = history(drifting)
    assert found.by_bpm is not None
    assert found.by_bpm.low < 0.1 < found.by_bpm.high
    assert any("for each BPM faster" in words for words in found.sentences)
    claims = 0
    for seed in range(60):
        rng = np.random.default_rng(seed)
        rows = [check(d, rng.normal(5, 1), bpm=bpm) for d, bpm in enumerate(tempi)]
        slope = history(rows).by_bpm
        claims += bool(slope is not None and slope.sign)
    assert (
        claims <= 8
    )  # 95 % intervals: three of sixty are expected, eight would be one in a hundred


def test_a_slope_with_warmth_where_it_was_noted() -> None:
    """Of the evenings that it was noted of, and only from four."""
    rows = [check(d, 0.5 * warm) for d, warm in enumerate((18.0, 22.0, 30.0, 26.0, 35.0))]
    warmth = {evening(r.at, r.zone_min): 2 * (r.own_ms or 0) for r in rows}
    found = history(rows, (), warmth)
    assert found.by_warmth == pytest.approx((0.5, 0.5, 0.5))
    assert any("for each degree warmer" in words for words in found.sentences)
    few = dict(list(warmth.items())[:3])
    assert history(rows, (), few).by_warmth is None
    assert history(rows).by_warmth is None


def test_nothing_is_claimed_from_two_points() -> None:
    assert mean_of([1.0, 2.0]) is None
    assert slope_of([1.0, 2.0, 3.0], [1.0, 2.0, 3.0]) is None
    assert slope_of([1.0] * 6, list(range(6))) is None
    found = history([check(0, 9.0), check(1, 9.0)])
    assert found.own is None
    assert "too few" in found.sentences[0]
    assert history([]).own is None


def test_another_firmware_begins_anew_and_a_probe_is_shown_beside() -> None:
    """What the performer noted of it is a change; what a probe found is no check."""
    rows = [check(d, 12.0) for d in range(8)]
    other = GearChange(rows[4].at, "firmware: 2.1")
    found = history(rows, [other])
    assert found.changes == (other,)
    assert found.own == pytest.approx((12.0, 12.0, 12.0))
    probed = structs.replace(check(9, 50.0), kind="probe")
    with_probe = history([*rows, probed])
    assert with_probe.own == pytest.approx((12.0, 12.0, 12.0))
    assert with_probe.rows[-1] is probed


def test_another_cable_begins_anew() -> None:
    """What was measured before it no longer counts; when it was is known."""
    rows = [*(check(d, 12.0) for d in range(4)), *(check(d, 3.0, cable="din") for d in range(4, 8))]
    found = history(rows[::-1])
    assert found.own == pytest.approx((3.0, 3.0, 3.0))
    (change,) = found.changes
    assert change.at == rows[4].at
    assert "din, was midi" in change.words


# A transition over rehearsals


def test_a_learning_curve_and_whether_it_is_ready() -> None:
    assert learning([tried(0, "late"), tried(0, "good")]).ready is None
    bad = learning([tried(d, "late") for d in range(6)])
    assert bad.ready is False
    assert "not ready" in bad.sentence
    better = learning(
        [*(tried(0, "late") for _ in range(6)), *(tried(d, "good") for d in range(1, 9))]
    )
    assert better.ready is True
    assert [(day.good, day.tries) for day in better.days[:2]] == [(0, 6), (1, 1)]
    unsure = learning([tried(d, "good" if d % 2 else "late") for d in range(8)])
    assert unsure.ready is None
    assert "Not sure yet" in unsure.sentence


# Tonight


def test_three_things_to_mend_the_worst_first() -> None:
    def event(kind: str, what: str, verdict: str = "", off: float | None = None) -> Event:
        return Event(at_s=1, kind=kind, what=what, verdict=verdict, off_ms=off, song="Song",  # type: ignore[arg-type]
                     scene="b", box="Bass" if kind == "fault" else "")  # fmt: skip

    run = LoggedRun(
        began=AT, zone_min=60, project="Test", running="Song", songs=("Song",), played_s=300,
        stretches=(PlayedStretch(song="Song", scene="a", at_s=0, planned_s=100, played_s=200),
                   PlayedStretch(song="Song", scene="b", at_s=200, planned_s=100, played_s=100)),
        events=(event("fault", "Bass was gone"), event("move", "mute", "late", 45.0),
                event("move", "mute", "late", 20.0), event("move", "echo", "good", 0.0)),
    )  # fmt: skip
    drifted = BoxCheck(at=AT, zone_min=60, kind="run", box="Keys", bpm=120, offset_ms=1.0,
                       drift_ms_min=7.0)  # fmt: skip
    words = [row.words for row in to_mend(run, [drifted])]
    assert words[0] == "Bass was gone (1 time)"
    assert set(words[1:]) == {
        "Song, into b: mute came 45 ms too late (2 times).", "Keys drifted by +7.0 ms a minute.",
    }  # fmt: skip
    assert how_it_went(run) == (
        "5:00 played, 3:20 written; 1 song; 1 of 3 launches and moves in time; 1 fault."
    )
    quiet = LoggedRun(began=AT, zone_min=60, project="Test", played_s=10,
                stretches=run.stretches[1:])  # fmt: skip
    assert to_mend(quiet) == ()


# What becomes a finding


def codes(project: Project, past: Past) -> list[tuple[str, str]]:
    found = find(project, past=past).open
    return [(f.code, f.subject) for f in found if f.code.startswith("past.")]


def test_a_change_that_keeps_coming_late() -> None:
    """Three of the last five warn, once is told; not one that went well the last time, not one that
    the song has no longer."""
    project = two_songs()
    late = tuple(tried(day, "late") for day in range(4))
    (found,) = [f for f in find(project, past=Past(tries=late)).open if f.code == "past.change"]
    assert found.kind == "scene"
    assert "press mute came 40 ms late in 4 of the last 4" in found.message
    assert "2026-09-" in found.why
    assert found.severity == "warn"
    once = [f for f in find(project, past=Past(tries=late[:1])).open if f.code == "past.change"]
    assert [(f.severity, "1 of the last 1" in f.message) for f in once] == [("note", True)]
    assert not codes(project, Past(tries=(*late, tried(9, "good"))))
    elsewhere = tuple(structs.replace(row, after="nowhere") for row in late)
    assert not codes(project, Past(tries=elsewhere))


def test_a_box_that_is_late_as_it_is_set() -> None:
    """By what was measured before, counting the offset that is set now; mended, it is quiet."""
    project = build.two_boxes()
    rows = tuple(check(day, 9.0 + 0.1 * (day % 2)) for day in range(6))
    past = Past(checks=rows)
    (found,) = [f for f in find(project, past=past).open if f.code == "past.late"]
    assert found.subject == "bass"
    assert found.cure is not None
    mended = found.cure.applied(project)
    assert mended.rig.device("bass").offset_ms == pytest.approx(-9.0, abs=0.1)
    assert not codes(mended, past)
    assert not codes(project, Past(checks=rows[:2]))
    steep = Past(checks=tuple(
        check(d, 0.05 * (bpm - 120), bpm=bpm) for d, bpm in enumerate((80, 100, 120, 140, 160))
    ))  # fmt: skip
    assert codes(project, steep) == [("past.tempo", "bass")]


def test_a_box_that_drifted() -> None:
    """The last time is told, again and again warns; one that held the last time is quiet."""
    project = build.two_boxes()
    drifted = [structs.replace(check(d, 0.0), kind="run", drift_ms_min=6.0)
               for d in range(3)]  # fmt: skip
    held = structs.replace(check(9, 0.0), kind="run", drift_ms_min=0.1)
    for rows, said in ((drifted[:1], "note"), (drifted, "warn")):
        (found,) = [f for f in find(project, past=Past(checks=tuple(rows))).open
                    if f.code == "past.drift"]  # fmt: skip
        assert found.severity == said
    assert not codes(project, Past(checks=(*drifted, held)))


def test_a_set_that_takes_longer_than_written() -> None:
    """Surely, and by more than a fiftieth."""
    project = two_songs()
    name = project.sets[0].name
    runs = tuple((name, 1900.0 + 10 * n, 1800.0, 738_900 + n) for n in range(4))
    assert codes(project, Past(runs=runs)) == [("past.longer", project.sets[0].id)]
    assert not codes(project, Past(runs=runs[:2]))
    assert not codes(project, Past(runs=tuple((name, w + 5, w, d) for _, _, w, d in runs)))


def test_a_fault_on_two_of_three_evenings() -> None:
    project = build.two_boxes()
    twice = Past(faults=(("Bass", "Bass was gone", 2, 3, 738_964),))
    (found,) = [f for f in find(project, past=twice).open if f.code == "past.fault"]
    assert found.message == "Bass was gone on 2 of the last 3 evenings."
    for others in (("Bass", "Bass was gone", 1, 3, 1), ("Bass", "Bass was gone", 2, 2, 1),
                   ("Nobody", "x", 3, 3, 1)):  # fmt: skip
        assert not codes(project, Past(faults=(others,)))
