"""Every calculator: one row each, read by the command and by the Tools station."""

from __future__ import annotations

from grebe.core.calculators import boxes, times
from grebe.core.calculators.model import (
    BARS,
    BPM,
    METER,
    Calculator,
    Input,
    bpm,
    lanes,
    levels,
    number,
    one_of,
    pads,
    pulse_rate,
    seconds_list,
    step_ticks,
    whole,
    whole_list,
    yes_or_no,
)
from grebe.words import tr

_ms = number("milliseconds go", 0.01, 600_000)

CALCULATORS: tuple[Calculator, ...] = (
    Calculator(
        "delay",
        tr("Echo times"),
        tr("What is a note in milliseconds, and can the unit do it?"),
        "delay --bpm 140 --min-ms 20 --max-ms 800",
        (
            BPM,
            Input("min-ms", tr("Unit from, ms"), _ms, "1", optional=True),
            Input("max-ms", tr("Unit to, ms"), _ms, "60000", optional=True),
        ),
        times.delay,
        tells_table=True,
    ),
    Calculator(
        "tempo",
        tr("Tempo of a length"),
        tr("How fast is a loop of so many seconds?"),
        "tempo --seconds 7.619 --bars 4 --meter 4/4",
        (
            Input("seconds", tr("Seconds"), number("seconds go", 0.001, 1_000_000), "7.619"),
            BARS,
            METER,
        ),
        times.tempo,
    ),
    Calculator(
        "loop",
        tr("Loop length"),
        tr("How many samples is it, and does it drift?"),
        "loop --bpm 126 --bars 4 --meter 4/4 --rate 48000",
        (
            BPM,
            BARS,
            METER,
            Input(
                "rate",
                tr("Samples a second"),
                whole(tr("samples a second go"), 1, 1_000_000),
                "48000",
                optional=True,
            ),
        ),
        times.loop,
    ),
    Calculator(
        "repitch",
        tr("Speed and pitch"),
        tr("What does another tempo do to the pitch?"),
        "repitch --from 140 --to 126",
        (Input("from", tr("From, BPM"), bpm, "140"), Input("to", tr("To, BPM"), bpm, "126")),
        times.repitch,
    ),
    Calculator(
        "ramp",
        tr("Tempo ramp"),
        tr("How long does it take to get there?"),
        "ramp --from 120 --to 140 --bars 8 --meter 4/4",
        (
            Input("from", tr("From, BPM"), bpm, "120"),
            Input("to", tr("To, BPM"), bpm, "140"),
            BARS._replace(usual="8"),
            METER,
        ),
        times.ramp,
    ),
    Calculator(
        "tap",
        tr("Tempo of taps"),
        tr("How fast was that, and how sure is it?"),
        "tap --times 0,0.476,0.953,1.428",
        (Input("times", tr("Times, s"), seconds_list, "0,0.476,0.953,1.428"),),
        times.tap,
    ),
    Calculator(
        "drift",
        tr("Drift"),
        tr("How soon do two that run free part?"),
        "drift --bpm-a 120 --bpm-b 120.05 --limit-ms 20",
        (
            Input("bpm-a", "A, BPM", bpm, "120"),
            Input("bpm-b", "B, BPM", bpm, "120.05"),
            Input(
                "limit-ms",
                tr("Apart, ms"),
                number("milliseconds go", 0.001, 1_000_000),
                "20",
                optional=True,
            ),
        ),
        times.drifting,
    ),
    Calculator(
        "position",
        tr("Song position"),
        tr("What is sent for a bar and beat?"),
        "position --bar 33 --beat 1 --meter 4/4 --bpm 126",
        (
            Input("bar", tr("Bar"), whole("bar counts", 1, 100_000), "33"),
            Input("beat", tr("Beat"), whole("beat counts", 1, 64), "1", optional=True),
            METER,
            BPM,
        ),
        times.position,
    ),
    Calculator(
        "swing",
        tr("Swing"),
        tr("How late do second steps fall?"),
        "swing --percent 56 --bpm 126 --step 1/16 --ppqn 96",
        (
            Input("percent", tr("Swing, %"), number("swing goes", 50, 75), "56"),
            BPM,
            Input("step", tr("Step"), step_ticks, "1/16", optional=True),
            Input(
                "ppqn",
                tr("Ticks a quarter"),
                one_of(tr("ticks a quarter note are"), (24, 48, 96, 192, 384, 480, 960)),
                "96",
                optional=True,
            ),
        ),
        times.swinging,
    ),
    Calculator(
        "realign",
        tr("Lanes together"),
        tr("When do lanes of other lengths begin together again?"),
        "realign --lanes 16@1/16,14@1/16,7@1/8t --meter 4/4 --bpm 126",
        (
            Input("lanes", tr("Lanes"), lanes, "16@1/16,14@1/16,7@1/8t", hint="STEPS@RATE,…"),
            METER,
            BPM,
        ),
        boxes.realign,
    ),
    Calculator(
        "euclid",
        tr("Even hits"),
        tr("How do so many hits lie most evenly?"),
        "euclid --hits 5 --steps 8",
        (
            Input("hits", tr("Hits"), whole("hits go", 0, 256), "5"),
            Input("steps", tr("Steps"), whole("steps go", 1, 256), "8"),
            Input(
                "rotate",
                tr("Steps later"),
                whole(tr("steps later go"), -256, 256),
                "0",
                optional=True,
            ),
        ),
        boxes.euclidean,
    ),
    Calculator(
        "register",
        tr("Shift register"),
        tr("After how many steps does it come round?"),
        "register --taps 8,6,5,4",
        (
            Input("taps", tr("Taps"), whole_list, "8,6,5,4"),
            Input(
                "seed", tr("Begins with"), whole(tr("a seed goes"), 1, 2**31), "1", optional=True
            ),
        ),
        boxes.register,
    ),
    Calculator(
        "key",
        tr("Key"),
        tr("Which key are these notes in?"),
        "key --notes 62,64,65,69",
        (Input("notes", tr("Notes"), whole_list, "62,64,65,69"),),
        boxes.key,
    ),
    Calculator(
        "pulses",
        tr("Pulse rates"),
        tr("What turns one pulse rate into another?"),
        "pulses --from 48 --to 24 --bpm 120",
        (
            Input("from", tr("From, a quarter"), pulse_rate, "48", hint=tr("PPQN")),
            Input("to", tr("To, a quarter"), pulse_rate, "24", hint=tr("PPQN")),
            BPM,
        ),
        boxes.pulses,
    ),
    Calculator(
        "wire",
        tr("MIDI wire"),
        tr("How far apart do notes land that fall together?"),
        "wire --notes 4",
        (
            Input("notes", tr("Notes"), whole("notes go", 1, 1000), "4"),
            Input("running-status", tr("Running status"), yes_or_no, "no", optional=True),
        ),
        boxes.wire,
    ),
    Calculator(
        "notemap",
        tr("Pads"),
        tr("Which note of one box is which of another, by where its pad lies?"),
        "notemap --from base=36,rows=4,cols=4,order=up --to base=60,rows=4,cols=4,order=down",
        (
            Input("from", tr("From"), pads, "base=36,rows=4,cols=4,order=up", hint=tr("PADS")),
            Input("to", tr("To"), pads, "base=60,rows=4,cols=4,order=down", hint=tr("PADS")),
        ),
        boxes.notemap,
        tells_table=True,
    ),
    Calculator(
        "exposure",
        tr("Exposure of a set"),
        tr("What do the levels of an evening come to?"),
        "exposure --levels 96@42,101@6",
        (Input("levels", tr("Levels, dBA@minutes"), levels, "96@42,101@6"),),
        times.exposure,
        tells_table=True,
    ),
    Calculator(
        "hearing",
        tr("Hearing"),
        tr("How long can a level be borne?"),
        "hearing --level 100",
        (Input("level", tr("Level, dBA"), number(tr("dBA goes"), 40, 194), "100"),),
        times.hearing,
    ),
)


def calculator(name: str) -> Calculator:
    """A calculator by its name. KeyError where there is none."""
    return next(c for c in CALCULATORS if c.id == name)
