"""What the sheet says of a scene: what changes coming in, the hands it takes, its mutes."""

from __future__ import annotations

from grebe.app.editors.scene_editor import SceneEditor
from grebe.core.rig.model import Device
from grebe.core.songs.changes import SAME_ECHO_MS, SceneChange, echo_ms, relief_words
from grebe.core.songs.hands import Schedule
from grebe.core.songs.model import Scene
from grebe.core.time.delay import note_ms
from grebe.core.time.loop_length import loop_length
from grebe.core.time.ticks import TICKS_PER_QUARTER, note_value_ticks
from grebe.ui.widgets.formatting import length_text
from grebe.ui.widgets.sheet import SheetLine, Tone, big, head, note, row
from grebe.words import counted, tr

RATE = 48_000
ECHO_VALUES = ("1/2", "1/4.", "1/4", "1/4t", "1/8.", "1/8", "1/8t", "1/16")
LIMBS = {"hand": (tr("left hand"), tr("right hand")), "foot": (tr("foot"), tr("other foot"))}


def scene_lines(editor: SceneEditor, scene: Scene, index: int) -> list[SheetLine]:
    """The sheet's lines for the scene in hand."""
    bpm = editor.hand.bpm_of(scene)
    bars = scene.bars * scene.times
    seconds = bars * scene.meter.bar_ticks / TICKS_PER_QUARTER * 60 / bpm
    passage = editor.hand.passage(index)
    lines = [
        head(scene.name),
        note(
            tr(
                "scene {value}, {times} times {bars}, {length_text} at {bpm:g} BPM, {follow}",
                value=index + 1,
                times=scene.times,
                bars=counted(scene.bars, "bar"),
                length_text=length_text(seconds),
                bpm=bpm,
                follow=_follow(editor, scene),
            )
        ),
        *_here(editor, scene),
    ]
    hands = _hands(editor, passage.hands)
    changes = [head(tr("What changes coming in")), *_changes(editor, passage.changes)]
    lines += [*changes, *hands] if passage.hands.fits else [*hands, *changes]
    lines += _also_after(editor, scene, index)
    lines += _mutes(editor, scene)
    return lines


def _follow(editor: SceneEditor, scene: Scene) -> str:
    then = scene.then
    names = {s.id: s.name for s in editor.hand.project.scenes}
    if then.kind == "jump":
        often = tr("always") if then.jumps == 0 else tr("{jumps} times", jumps=then.jumps)
        return tr("then to {get}, {often}", get=names.get(then.to, tr("nowhere")), often=often)
    return {
        "next": tr("then the next"),
        "back": tr("then back to where it came from"),
        "stay": tr("then itself, until launched"),
    }[then.kind]


def _here(editor: SceneEditor, scene: Scene) -> list[SheetLine]:
    """What the device in hand does in it, and the numbers of its voices."""
    device = editor.hand.device
    if device is None:
        return []
    part = scene.part(device.id)
    names = {p.id: p.name for p in editor.hand.patterns}
    chain = ", ".join(names.get(p, p) for p in part.chain) or tr("nothing plays")
    lines = [head(tr("{device} here", device=device.name)), note(chain, "ink")]
    if device.spec.loop_tracks:
        playing = part.tracks or ()
        rows = [f"{n} {tr('plays') if n in playing else tr('rests')}"
                for n in range(1, min(9, device.spec.loop_tracks) + 1)]  # fmt: skip
        lines.append(note(tr("Tracks: ") + ", ".join(rows)))
        long = loop_length(editor.hand.bpm_of(scene), scene.bars, scene.meter.bar_ticks, RATE)
        lines.append(
            note(
                tr(
                    "A loop of its {bars} is {seconds:.3f} s, {nearest} samples at {value} kHz.",
                    bars=counted(scene.bars, "bar"),
                    seconds=long.seconds,
                    nearest=long.nearest,
                    value=RATE // 1000,
                )
            )
        )
    elif device.spec.echo_ms or part.echo is not None:
        lines += _echo_times(device, editor.hand.bpm_of(scene), part.echo)
    elif editor.hand.voices:
        rows = [f"{n} {v.name}{tr(' (silent)') if v.id in part.silent_voices else ''}"
                for n, v in enumerate(editor.hand.voices[:9], start=1)]  # fmt: skip
        lines.append(note(tr("Voices: ") + ", ".join(rows)))
    return lines


def _echo_times(device: Device, bpm: float, chosen: str | None) -> list[SheetLine]:
    """Note values as the unit can take them at the scene's tempo."""
    lines = [note(tr("Echo time: ") + (chosen or tr("left as it is")), "ink")]
    for value in ECHO_VALUES:
        exact = note_ms(bpm, note_value_ticks(value) / TICKS_PER_QUARTER)
        fitted = echo_ms(device, value, bpm)
        words = tr("out of its range") if fitted is None else tr("{fitted:.0f} ms", fitted=fitted)
        if fitted is not None and abs(fitted - exact) > SAME_ECHO_MS:
            words += tr(" (half or double)")
        lines.append(row(value, words, "ink" if value == chosen else "muted"))
    return lines


def _changes(editor: SceneEditor, found: tuple[SceneChange, ...]) -> list[SheetLine]:
    if not found:
        return [note(tr("Nothing: everything carries on."))]
    lines: list[SheetLine] = []
    for change in found:
        name = editor.hand.project.rig.name_of(change.device)
        before = f"{change.before} \u2192 " if change.before else ""
        tone: Tone = "yours" if change.by == "hand" else "ink"
        lines.append(row(name, f"{before}{change.after}", tone))
        if change.by == "hand" or change.sent:
            lines.append(note(f"{change.how}; {_window(change)}", tone if tone == "yours" else
                              "muted"))  # fmt: skip
    return lines


def _window(change: SceneChange) -> str:
    """When it can be told or made, in words."""
    opens, latest = change.opens_ms / 1000, change.latest_ms
    if change.by == "grebe":
        if not latest:
            return tr("at the boundary")
        return tr("at the latest {latest:.1f} ms before", latest=latest)
    until = (
        tr("until the boundary")
        if latest == 0
        else (
            tr("until {latest:.0f} ms before", latest=latest)
            if latest > 0
            else tr("until {value:.0f} ms after", value=-latest)
        )
    )
    return tr("from {opens:.1f} s before {until}", opens=opens, until=until)


def _hands(editor: SceneEditor, hands: Schedule) -> list[SheetLine]:
    if not hands.placed and not hands.relieve:
        return [head(tr("Your hands")), note(tr("Free."))]
    lines = [head(tr("Your hands"))]
    for placed in hands.placed:
        limb = LIMBS[placed.move.limb][placed.limb]
        name = editor.hand.project.rig.name_of(placed.move.device)
        end = -(placed.begins + placed.move.seconds)
        when = tr("{value:.1f} to {max:.1f} s before", value=-placed.begins, max=max(0.0, end))
        lines.append(note(f"{limb}: {name}, {placed.move.words}, {when}", "yours"))
    if hands.relieve:
        lines.append(big(tr("Too much at once"), "wrong"))
        name_of = editor.hand.project.rig.name_of
        lines += [
            note(f"{name_of(m.device)}, {m.words}: {relief_words(m.relief)}.", "wrong")
            for m in hands.relieve
        ]
    elif hands.spare_s <= 0.5:
        lines.append(note(tr("Tight: {spare_s:.1f} s to spare.", spare_s=hands.spare_s), "look"))
    else:
        lines.append(note(tr("{spare_s:.1f} s to spare.", spare_s=hands.spare_s), "good"))
    return lines


def _also_after(editor: SceneEditor, scene: Scene, index: int) -> list[SheetLine]:
    """Other scenes it follows in the song, where the hands have it harder."""
    scenes = editor.hand.scenes
    left = scenes[index - 1].id if index else ""
    lines: list[SheetLine] = []
    for before in editor.hand.comes_after():
        if before.id == left:
            continue
        passage = editor.hand.book.passage(
            editor.hand.project, before, scene, editor.hand.bpm_of(scene), editor.session.song
        )
        moves = len(passage.hands.placed) + len(passage.hands.relieve)
        if not moves:
            continue
        fits = "" if passage.hands.fits else tr(", too many")
        words = tr(
            "In the song also after {before}: {moves} by hand{fits}.",
            before=before.name,
            moves=counted(moves, "move"),
            fits=fits,
        )
        lines.append(note(words, "muted" if passage.hands.fits else "wrong"))
    return lines


def _mutes(editor: SceneEditor, scene: Scene) -> list[SheetLine]:
    if scene.mutes == "left":
        return [head(tr("Mutes left alone")), note(tr("They stay as they stand when it comes in.")),
                _hand_mutes(scene)]  # fmt: skip
    lines = [head(tr("Mutes saved in it"))]
    for part in scene.parts:
        silent = [tr("all of it")] if part.muted else []
        if part.silent_voices:
            own = editor.hand.project.patterns_of.get(part.device, [])
            names = {v.id: v.name for p in own for v in p.content.voices}
            silent += [names.get(v, v) for v in part.silent_voices]
        if silent:
            lines.append(row(editor.hand.project.rig.name_of(part.device), ", ".join(silent)))
    if len(lines) == 1:
        lines.append(note(tr("None.")))
    return [*lines, _hand_mutes(scene)]


def _hand_mutes(scene: Scene) -> SheetLine:
    kept = tr("are kept") if scene.hand_mutes == "keep" else tr("are dropped, and that is said")
    return note(tr("Mutes by hand {kept} at its end.", kept=kept))
