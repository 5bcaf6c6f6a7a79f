"""What the Sync station's sheet says of a check: what to do, how far it is, what came out."""

from __future__ import annotations

from grebe.app.actions.keymap import told
from grebe.app.live.session import Session
from grebe.app.live.sound_check import Result, heed_of, what_to_do
from grebe.core.rig.model import Device
from grebe.core.sync.explain import drift_words, noticed_ms, offset_words
from grebe.core.sync.measured import NATURE_WORDS, Measured
from grebe.protocols.link.messages import Status
from grebe.ui.widgets.formatting import late_text
from grebe.ui.widgets.sheet import SheetLine, Tone, head, note, row
from grebe.words import counted, tr

TONES: dict[str, Tone] = {
    "good": "good", "adjust": "look", "drifting": "wrong", "unusable": "wrong",
}  # fmt: skip


def check_lines(session: Session, device: Device) -> list[SheetLine]:
    """The device's part of the sheet."""
    check = session.checking.check
    gap = SheetLine("", kind="gap")
    if device.id in check.devices:
        bars = tr(
            "{bars_heard:.0f} of {bars}",
            bars_heard=check.bars_heard,
            bars=counted(check.bars, "bar"),
        )
        return [gap, head(tr("Listening")), row(tr("So far"), bars), note(tr("Esc gives up."))]
    result = check.results.get(device.id)
    if result is None:
        words = what_to_do(session.project.rig, device, heed_of(device))
        return [
            gap,
            head(tr("Check it")),
            note(words),
            note(
                tr(
                    "{check} checks it, {check_all} all boxes.",
                    check=told("check"),
                    check_all=told("check_all"),
                )
            ),
        ]
    return [gap, head(tr("Checked")), *_result_lines(result)]


def _result_lines(result: Result) -> list[SheetLine]:
    found = result.measured
    lines = [note(found.sentence, TONES[found.verdict])]
    if result.set_ms is not None:
        lines.append(note(tr("Enter sets it to {set_ms:+.1f} ms.", set_ms=result.set_ms), "yours"))
    lines.append(row(tr("Sure"), f"{found.confidence * 100:.0f} %"))
    lines += figure_lines(found, result.before)
    if found.offset_ms is not None and found.verdict == "adjust":
        lines.append(
            note(tr("That is {offset_words}.", offset_words=offset_words(found.offset_ms)))
        )
    if found.drift_ms_per_min is not None and found.verdict == "drifting":
        lines.append(note(drift_words(found.drift_ms_per_min)))
    beat_ms = 60e3 / result.bpm if result.bpm else 500.0
    lines.append(
        note(
            tr(
                "At this tempo {noticed_ms:.0f} ms between steps are noticed.",
                noticed_ms=noticed_ms(beat_ms / 4),
            )
        )
    )
    lines.append(
        note(
            tr(
                "{at:%H:%M}, {bpm:.2f} BPM, by its {heed}.",
                at=result.at,
                bpm=result.bpm,
                heed=result.heed,
            )
        )
    )
    return lines


def figure_lines(found: Measured, before: Measured | None) -> list[SheetLine]:
    """Offset, drift, waver and what was missed; with the check before, both."""
    if found.offset_ms is None or found.jitter_ms is None:
        return []
    low, high = found.offset_low_ms, found.offset_high_ms
    lines = [
        row(tr("Offset"), _both(found.offset_ms, before.offset_ms if before else None, "+.2f"))
    ]
    if low is not None and high is not None:
        lines.append(row("95 %", tr("{low:+.2f} to {high:+.2f} ms", low=low, high=high)))
    earlier = before.jitter_ms.p95 if before is not None and before.jitter_ms is not None else None
    lines.append(row(tr("Waver p95"), _both(found.jitter_ms.p95, earlier, ".2f")))
    pattern = NATURE_WORDS[found.nature]
    if pattern:
        lines.append(row(tr("Pattern"), pattern))
    drift = round(found.drift_ms_per_min or 0.0, 1) + 0.0  # no minus before nothing
    lines.append(row(tr("Drift"), tr("{drift:+.1f} ms a minute", drift=drift)))
    if found.swing_percent is not None:
        lines.append(row(tr("Swing"), f"{found.swing_percent:.0f} %"))
    if found.missed or found.extra:
        lines.append(
            row(tr("Missed"), tr("{missed}, {extra} extra", missed=found.missed, extra=found.extra))
        )
    return lines


def _both(now: float, before: float | None, form: str) -> str:
    if before is None:
        return f"{now:{form}} ms"
    return tr("{now} ms, was {before}", now=f"{now:{form}}", before=f"{before:{form}}")


def heard_lines(session: Session, status: Status) -> list[SheetLine]:
    """What is heard of the one that leads."""
    name = session.project.rig.name_of(status.follows)
    lines = [row(tr("Follows"), name)]
    if status.hearing == "none":
        return [*lines, note(tr("Nothing is heard of {name}'s clock.", name=name), "look")]
    lines += [
        row(tr("Its tempo"), f"{status.heard_bpm:.2f} BPM"),
        row(
            tr("It wavers"), tr("{heard_jitter_ms:.2f} ms", heard_jitter_ms=status.heard_jitter_ms)
        ),
    ]
    if status.hearing == "held":
        lines.append(note(tr("Lost: its last tempo is held."), "wrong"))
    elif status.running:
        lines.append(row(tr("Off by"), late_text(status.heard_off_ms)))
    return lines
