"""Calculators of times, speeds and levels."""

from __future__ import annotations

import math

from grebe.core.audio.care import day_level, hearing_minutes, noise_dose, repitch_semitones
from grebe.core.calculators.model import Answer
from grebe.core.sync.explain import drift
from grebe.core.time.delay import delay_table, halved_bpm, note_ms
from grebe.core.time.loop_length import LOOP_BARS, loop_length
from grebe.core.time.meter import Meter
from grebe.core.time.position import (
    MAX_SONG_POSITION,
    clocks_to,
    song_position,
    song_position_bytes,
    tick_of,
)
from grebe.core.time.swing import swing
from grebe.core.time.tap import tap_tempo
from grebe.core.time.tempo import ramp_seconds
from grebe.core.time.ticks import SIXTEENTH_TICKS, TICKS_PER_QUARTER
from grebe.words import tr

HEARING_CARE = tr(
    "Levels add up over a day, and a meter at the ear is what counts. Where "
    "rules are stricter, they hold; wear protection, and ask a licensed "
    "person."
)
LEFT_OUT = tr(" out of range")
"""Behind a figure that does not fit."""


def delay(bpm: float, min_ms: float, max_ms: float) -> Answer:
    """Echo times of a tempo, and which of them a unit can take."""
    if min_ms > max_ms:
        raise ValueError(f"from {min_ms:g} ms is over to {max_ms:g} ms")
    notes = delay_table(bpm, min_ms, max_ms)
    half = halved_bpm(bpm, min_ms, max_ms)
    values = {
        "bpm": bpm,
        "notes": [{"note": r.note, "ms": round(r.ms, 6), "fits": r.fits} for r in notes],
        "halved_bpm": half,
    }
    sentence = tr("A quarter at {bpm:g} BPM is {note_ms:.3f} ms.", bpm=bpm, note_ms=note_ms(bpm))
    if half is not None:
        sentence += tr(" The unit cannot take it: set it to {half:g} BPM.", half=half)
    groups = [notes[n : n + 3] for n in range(0, len(notes), 3)]
    rows = tuple(
        (group[0].note, *(f"{r.ms:.3f}{'' if r.fits else LEFT_OUT}" for r in group))
        for group in groups
    )
    return Answer(
        values, sentence, ("note", tr("straight, ms"), tr("dotted, ms"), tr("triplet, ms")), rows
    )


def tempo(seconds: float, bars: float, meter: Meter) -> Answer:
    """Tempo from a length: so many bars in so many seconds."""
    quarters = meter.bar_ticks / TICKS_PER_QUARTER
    found = bars * quarters * 60 / seconds
    rows = tuple((f"{n}", f"{n * quarters * 60 / seconds:.3f}") for n in LOOP_BARS)
    sentence = tr(
        "{bars:g} bars of {meter} in {seconds:g} s are {found:.3f} BPM.",
        bars=bars,
        meter=meter,
        seconds=seconds,
        found=found,
    )
    return Answer(
        {"bpm": round(found, 6)}, sentence, (tr("if it is so many bars"), tr("BPM")), rows
    )


def loop(bpm: float, bars: float, meter: Meter, rate: int) -> Answer:
    """Length of a loop in samples, and how far a whole number of them drifts."""
    found = loop_length(bpm, bars, meter.bar_ticks, rate)
    values = {
        "seconds": round(found.seconds, 9),
        "samples": round(found.samples, 6),
        "nearest": found.nearest,
        "drift_ms_per_hour": round(found.drift_ms_per_hour, 6),
    }
    rows = tuple(
        (f"{n}", f"{one.seconds:.6f}", f"{one.samples:.3f}", f"{one.nearest}",
         f"{one.drift_ms_per_hour:+.3f}")
        for n in LOOP_BARS
        for one in [loop_length(bpm, n, meter.bar_ticks, rate)]
    )  # fmt: skip
    sentence = tr(
        "{bars:g} bars at {bpm:g} BPM are {seconds:.6f} s, {samples:.3f} "
        "samples; cut to {nearest} they drift {drift_ms_per_hour:+.3f} ms an "
        "hour.",
        bars=bars,
        bpm=bpm,
        seconds=found.seconds,
        samples=found.samples,
        nearest=found.nearest,
        drift_ms_per_hour=found.drift_ms_per_hour,
    )
    head = ("bars", "seconds", "samples", "cut to", tr("drift, ms an hour"))
    return Answer(values, sentence, head, rows)


def repitch(start: float, to: float) -> Answer:
    """What resampling from one tempo to another does to the pitch."""
    ratio, semitones = to / start, repitch_semitones(start, to)
    values = {
        "ratio": round(ratio, 9),
        "semitones": round(semitones, 6),
        "cents": round(semitones * 100, 4),
    }
    rows = tuple(
        (f"{start * 2 ** (n / 12):.3f}", f"{n:+d}") for n in (-12, -7, -5, -3, -2, -1, 1, 2, 3, 5)
    )
    sentence = tr(
        "From {start:g} to {to:g} BPM by speed alone: {semitones:+.3f} "
        "semitones, {ratio:.4f} times as fast.",
        start=start,
        to=to,
        semitones=semitones,
        ratio=ratio,
    )
    return Answer(values, sentence, (tr("tempo of a whole semitone, BPM"), "semitones"), rows)


def ramp(start: float, to: float, bars: float, meter: Meter) -> Answer:
    """How long a tempo ramp lasts, linear in beats."""
    quarters = meter.bar_ticks / TICKS_PER_QUARTER
    seconds = ramp_seconds(start, to, bars * quarters)
    rows = tuple(
        (f"{n}", f"{ramp_seconds(start, to, n * quarters):.3f}") for n in (1, 2, 4, 8, 16, 32)
    )
    sentence = tr(
        "From {start:g} to {to:g} BPM over {bars:g} bars takes {seconds:.3f} s.",
        start=start,
        to=to,
        bars=bars,
        seconds=seconds,
    )
    return Answer({"seconds": round(seconds, 6)}, sentence, ("bars", "seconds"), rows)


def drifting(bpm_a: float, bpm_b: float, limit_ms: float) -> Answer:
    """How fast two sources part that run free, and when they are so far apart."""
    found = drift(bpm_a, bpm_b, limit_ms)
    apart = math.isfinite(found.seconds_to_limit)
    values = {
        "ms_per_minute": round(found.ms_per_minute, 6),
        "seconds_to_limit": round(found.seconds_to_limit, 6) if apart else None,
        "beats_to_limit": round(found.beats_to_limit, 6) if apart else None,
    }
    if not apart:
        return Answer(values, tr("They do not part: the tempi are the same."))
    rows = tuple(
        (f"{ms:g}", f"{one.seconds_to_limit:.1f}", f"{one.beats_to_limit:.1f}")
        for ms in (1.0, 2.0, 6.0, 10.0, 20.0, 50.0)
        for one in [drift(bpm_a, bpm_b, ms)]
    )
    sentence = tr(
        "They part by {ms_per_minute:.2f} ms a minute: {limit_ms:g} ms after "
        "{seconds_to_limit:.1f} s.",
        ms_per_minute=found.ms_per_minute,
        limit_ms=limit_ms,
        seconds_to_limit=found.seconds_to_limit,
    )
    return Answer(values, sentence, (tr("apart, ms"), tr("after, s"), tr("beats of A")), rows)


def position(bar: int, beat: int, meter: Meter, bpm: float) -> Answer:
    """Song position of a place: sixteenths, bytes, clocks, seconds."""
    tick = tick_of(bar, beat, meter)
    if tick > MAX_SONG_POSITION * SIXTEENTH_TICKS:
        raise ValueError(
            f"bar {bar}: song position counts to {MAX_SONG_POSITION} sixteenths, 14 bits; "
            "that is bar 1024 in 4/4"
        )
    sixteenths, seconds = song_position(tick), tick / TICKS_PER_QUARTER * 60 / bpm
    data = song_position_bytes(sixteenths).hex(" ").upper()
    values = {
        "song_position": sixteenths,
        "bytes": data,
        "clocks": clocks_to(tick),
        "seconds": round(seconds, 6),
    }
    sentence = tr(
        "Bar {bar}, beat {beat} is song position {sixteenths}, {seconds:.3f} s in.",
        bar=bar,
        beat=beat,
        sixteenths=sixteenths,
        seconds=seconds,
    )
    return Answer(values, sentence, ("bytes", "clocks"), ((data, f"{clocks_to(tick)}"),))


def tap(times: list[float]) -> Answer:
    """Tempo from tap times in seconds, with its 95 % interval."""
    fit = tap_tempo(times)
    high = round(fit.high, 6) if math.isfinite(fit.high) else None
    values = {"bpm": round(fit.bpm, 6), "low": round(fit.low, 6), "high": high}
    sentence = tr(
        "{bpm:.2f} BPM, 95 % between {low:.2f} and {high:.2f}.",
        bpm=fit.bpm,
        low=fit.low,
        high=fit.high,
    )
    return Answer(values, sentence)


def swinging(percent: float, bpm: float, step: int, ppqn: int) -> Answer:
    """How late second steps fall at a swing in percent; 50 % is straight."""
    found = swing(percent, bpm, step, ppqn)
    values = {
        "late_ms": round(found.late_ms, 6),
        "late_ticks": round(found.late_ticks, 6),
        "ratio": round(found.ratio, 6),
    }
    rows = tuple(
        (f"{n}", f"{one.late_ms:.2f}", f"{one.late_ticks:.2f}")
        for n in (50, 54, 58, 62, 66, 70, 75)
        for one in [swing(n, bpm, step, ppqn)]
    )
    sentence = tr(
        "Second steps fall {late_ms:.2f} ms late, {late_ticks:.2f} ticks of "
        "{ppqn}; first to second as {ratio:.3f} to 1.",
        late_ms=found.late_ms,
        late_ticks=found.late_ticks,
        ppqn=ppqn,
        ratio=found.ratio,
    )
    return Answer(
        values, sentence, (tr("swing, %"), tr("late, ms"), tr("ticks of {ppqn}", ppqn=ppqn)), rows
    )


def exposure(levels: list[tuple[float, float]]) -> Answer:
    """What several levels in a day come to, by NIOSH 98-126."""
    dose = noise_dose(levels)
    same = day_level(dose)
    rows = tuple(
        (f"{dba:g}", f"{minutes:g}", f"{hearing_minutes(dba):.4g}",
         f"{100 * noise_dose([(dba, minutes)]):.1f} %")
        for dba, minutes in levels
    )  # fmt: skip
    sentence = (
        tr("That is {dose:.0f} % of what a day may have (NIOSH 98-126), as {same:.1f} dBA over "
           "eight hours.", dose=100 * dose, same=same)
        if dose > 0
        else tr("Nothing of that is 80 dBA or more, from where it counts.")
    )  # fmt: skip
    head = ("dBA", tr("minutes"), tr("may be, minutes"), tr("of the day"))
    values = {"dose_percent": round(100 * dose, 4), "day_dba": round(same, 4) if dose > 0 else None}
    return Answer(values, sentence, head, rows, HEARING_CARE)


def hearing(level: float) -> Answer:
    """Minutes a day at a sound level, by NIOSH 98-126."""
    minutes = hearing_minutes(level)
    rows = tuple((f"{n}", f"{hearing_minutes(n):.4g}") for n in range(85, 116, 3))
    sentence = tr(
        "{level:g} dBA can be borne for {minutes:.4g} minutes a day (NIOSH 98-126).",
        level=level,
        minutes=minutes,
    )
    head = ("dBA", tr("minutes a day"))
    return Answer({"minutes": round(minutes, 6)}, sentence, head, rows, HEARING_CARE)
