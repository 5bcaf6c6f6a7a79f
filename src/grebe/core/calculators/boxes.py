"""Calculators of patterns, pulses, cables and pads."""

from __future__ import annotations

from collections.abc import Mapping
from fractions import Fraction

from grebe.core.calculators.model import Answer
from grebe.core.patterns.generate import Register, euclid
from grebe.core.patterns.sound import lcm_of
from grebe.core.patterns.wire import burst_ms
from grebe.core.rig.notemap import PadLayout, note_map
from grebe.core.rig.pulses import convert
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.words import tr

_HOW = {
    "pass": tr("Pass the pulses on as they are."),
    "divide": tr("Let one pulse in {n} through: no delay."),
    "multiply": tr("Multiply by {n}: starts a pulse late, and follows tempo changes late."),
    "regenerate": tr("Neither divides the other: make a clock of its own from the tempo."),
}


def realign(lanes: list[Fraction], meter: Meter, bpm: float) -> Answer:
    """When lanes of other lengths or steps begin together again."""
    beats = lcm_of(*lanes)
    bar = Fraction(meter.bar_ticks, TICKS_PER_QUARTER)
    with_barline = lcm_of(beats, bar) / bar
    seconds = float(beats) * 60 / bpm
    values = {
        "beats": _plain(beats),
        "bars": _plain(beats / bar),
        "bars_with_barline": _plain(with_barline),
        "seconds": round(seconds, 6),
    }
    rows = tuple(
        (f"{n}", f"{_plain(lane):g}", f"{beats / lane}") for n, lane in enumerate(lanes, 1)
    )
    sentence = tr(
        "Together again after {plain:g} quarter notes, {seconds:.2f} s; with the "
        "bar line after {plain2:g} bars.",
        plain=_plain(beats),
        seconds=seconds,
        plain2=_plain(with_barline),
    )
    return Answer(values, sentence, ("lane", tr("quarter notes"), tr("times until then")), rows)


def _plain(value: Fraction) -> int | float:
    return int(value) if value.denominator == 1 else float(value)


def euclidean(hits: int, steps: int, rotate: int) -> Answer:
    """So many hits as evenly as can be over so many steps."""
    row = "".join("x" if on else "." for on in euclid(hits, steps, rotate))
    rows = tuple(
        (f"{n}", "".join("x" if on else "." for on in euclid(n, steps, rotate)))
        for n in range(1, min(steps, 16) + 1)
    )
    return Answer({"steps": row}, row, ("hits", "steps"), rows)


def register(taps: list[int], seed: int) -> Answer:
    """After how many steps a shift register with these taps comes round."""
    period = Register(taps, seed).period()
    return Answer({"period": period}, tr("It comes round after {period} steps.", period=period))


def key(notes: list[int]) -> Answer:
    """The key of some notes: all 24, best first."""
    if not all(0 <= n <= 127 for n in notes):
        raise ValueError(f"notes go from 0 to 127 (got {notes})")
    weights: dict[int, float] = {}
    for note in notes:
        weights[note] = weights.get(note, 0.0) + 1.0
    return key_of_weights(weights)


def key_of_weights(weights: Mapping[int, float]) -> Answer:
    """The same of notes by how long they sound. ValueError without any."""
    from grebe.core.patterns.keys import rank_keys  # noqa: PLC0415 - NumPy, only where it is needed

    if not weights:
        raise ValueError("there are no notes to find a key of")
    ranking = rank_keys(weights)
    values = {"ranking": [{"key": row.key, "score": round(row.score, 6)} for row in ranking]}
    best, second = ranking[0], ranking[1]
    rows = tuple((row.key, f"{row.score:.3f}") for row in ranking[:12])
    sentence = tr(
        "{key} ({score:.2f}), then {key2} ({score2:.2f}).",
        key=best.key,
        score=best.score,
        key2=second.key,
        score2=second.score,
    )
    return Answer(values, sentence, ("key", "score"), rows)


def pulses(start: Fraction, to: Fraction, bpm: float) -> Answer:
    """What turns one pulse rate into another."""
    found = convert(start, to, bpm)
    values = {
        "ratio": f"{found.ratio.numerator}/{found.ratio.denominator}",
        "action": found.action,
        "factor": found.factor,
        "from_hz": round(found.from_hz, 6),
        "to_hz": round(found.to_hz, 6),
    }
    how = _HOW[found.action].format(n=found.factor)
    return Answer(
        values,
        tr(
            "{how} {from_hz:g} Hz in, {to_hz:g} Hz out.",
            how=how,
            from_hz=found.from_hz,
            to_hz=found.to_hz,
        ),
    )


def wire(notes: int, running_status: bool) -> Answer:
    """How long a MIDI cable takes for notes that fall together."""
    first, last = burst_ms(notes, running_status=running_status)
    values = {
        "first_ms": round(first, 3),
        "last_ms": round(last, 3),
        "spread_ms": round(last - first, 3),
    }
    rows = tuple(
        (f"{n}", f"{burst_ms(n, running_status=running_status)[1]:.2f}") for n in (1, 2, 4, 8, 16)
    )
    sentence = tr(
        "The first note is through after {first:.2f} ms, the last after "
        "{last:.2f} ms: they land {value:.2f} ms apart.",
        first=first,
        last=last,
        value=last - first,
    )
    return Answer(values, sentence, ("notes", tr("last through after, ms")), rows)


def notemap(start: PadLayout, to: PadLayout) -> Answer:
    """From one box's pads to another's, by where they lie."""
    found = note_map(start, to)
    values = {"offset": found.offset, "pairs": [list(pair) for pair in found.pairs]}
    rows = tuple((f"{p.from_note}", f"{p.to_note}") for p in found.pairs)
    sentence = tr("No one transposition does it: see the table.")
    if found.offset is not None:
        sentence = tr("Transpose by {offset:+d}.", offset=found.offset)
    return Answer(values, sentence, (tr("from note"), tr("to note")), rows)
