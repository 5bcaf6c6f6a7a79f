"""An arrangement for when a box or a cable is gone: who leads, what is plugged where, who takes
its part, checked by the same findings as any rig."""

from __future__ import annotations

from collections.abc import Sequence

import msgspec

from grebe.core.document import Project, add_pattern, let_lead, with_rig, with_scene
from grebe.core.findings import Finding, blocking_on_stage
from grebe.core.patterns.model import Content, Pattern, Voice
from grebe.core.rig.edits import best_cable
from grebe.core.rig.flow import ways
from grebe.core.rig.formatting import listed
from grebe.core.rig.lines import box_of
from grebe.core.rig.model import GREBE_ID, Cable, Device, Rig
from grebe.core.rig.propose import proposals
from grebe.core.rig.spec import PITCHED_KINDS, STRUCK_KINDS, Kind
from grebe.core.rig.tree import tree_of
from grebe.core.rig.wiring import MIDI_MEDIA, Wiring
from grebe.core.songs.model import Scene
from grebe.core.songs.scenes import set_part
from grebe.core.units import Value
from grebe.core.whatif.losses import Gone, project_without, without
from grebe.words import tr


class Fallback(Value, frozen=True, kw_only=True):
    """How it could go on."""

    project: Project
    """The whole document so arranged. The box itself stays in it, silent: it may come back."""
    moves: tuple[str, ...]
    """What is done, in sentences: by Grebe, and with plugs by hand."""
    faults: tuple[Finding, ...]
    """What blocks in it and did not before."""


Blocking = frozenset[tuple[str, str]]
"""(code, subject) of what blocks."""


def blocking(project: Project) -> Blocking:
    """What blocks in a project as it stands."""
    return frozenset((f.code, f.subject) for f in blocking_on_stage(project))


def fallback(project: Project, gone: Gone, before: Blocking | None = None) -> Fallback:
    """The arrangement proposed; `before`: what blocks in the project anyway, where that is known.
    EditError where there is no such box or cable."""
    made = _Arranged(project, gone)
    made.lead()
    made.plug()
    if gone.box:
        made.hand_over()
    before = blocking(project) if before is None else before
    left = project_without(made.project, gone) if gone.box else made.project
    faults = tuple(f for f in blocking_on_stage(left) if (f.code, f.subject) not in before)
    return Fallback(project=made.project, moves=tuple(made.moves), faults=faults)


class _Arranged:
    """The document as it becomes, move by move."""

    def __init__(self, project: Project, gone: Gone) -> None:
        self.project = project
        self.moves: list[str] = []
        self._gone = gone
        self._old = project.rig
        wiring = Wiring(project.rig)
        self._clocked, self._reached = set(tree_of(wiring).locked), set(ways(wiring))
        """Boxes that had a clock, and those that had Grebe's messages."""
        if not gone.box:
            self.project = with_rig(project, without(project.rig, gone))

    @property
    def _left(self) -> Rig:
        """The rig as it is now, without what is gone."""
        return without(self.project.rig, self._gone) if self._gone.box else self.project.rig

    def lead(self) -> None:
        """The leader to the next best, where it goes."""
        gone = self._gone.box and self._old.leader == self._gone.box
        still = tree_of(Wiring(self._left)).hops
        cut = self._old.leader not in (None, GREBE_ID) and (
            GREBE_ID in tree_of(Wiring(self._old)).hops and GREBE_ID not in still
        )
        if not gone and not cut:
            return
        leader = proposals(self._left)[0].leader if gone else GREBE_ID
        self.project = let_lead(self.project, leader)
        self.moves.append(tr("{name} leads.", name=self._old.name_of(leader)))

    def plug(self) -> None:
        """What was fed through it is fed from before it."""
        lost = self._lost()
        for device_id in lost:
            for cable in self._ways_round(device_id):
                self._run(cable)
                if device_id not in self._lost():
                    break
        self.moves += [
            tr("{name} stays without what it got over it.", name=self._old.name_of(device_id))
            for device_id in self._lost()
        ]

    def _lost(self) -> list[str]:
        """Boxes that had a clock, or Grebe's messages, and have not."""
        left = self._left
        wiring = Wiring(left)
        unclocked = self._clocked - set(tree_of(wiring).locked)
        unreached = self._reached - set(ways(wiring))
        return [
            d.id for d in left.devices
            if (d.id in unclocked and d.id != left.leader) or (d.id in unreached and _is_told(d))
        ]  # fmt: skip

    def _ways_round(self, device_id: str) -> list[Cable]:
        """Cables that could feed a box instead: past the one that is gone, else from Grebe."""
        rig, out = self._old, list[Cable]()
        if self._gone.box:
            for last in rig.cables:
                if (last.source, last.target) != (self._gone.box, device_id):
                    continue
                out += [
                    msgspec.structs.replace(
                        first, target=device_id, target_jack=last.target_jack,
                        accepts=last.accepts, expects=last.expects,
                    )
                    for first in rig.cables
                    if first.target == self._gone.box and first.medium == last.medium
                    and first.source != device_id and last.gives != "own"
                ]  # fmt: skip
        own = best_cable(self._left, GREBE_ID, device_id)
        return [*out, own] if own.medium in MIDI_MEDIA else out

    def _run(self, cable: Cable) -> None:
        rig = self.project.rig
        taken = {(cable.target, cable.target_jack)} if cable.target_jack else set()
        kept = tuple(
            c for c in rig.cables
            if (c.target, c.target_jack) not in taken or c.medium != cable.medium
        )  # fmt: skip
        self.project = with_rig(self.project, msgspec.structs.replace(rig, cables=(*kept, cable)))
        wiring = Wiring(self.project.rig)
        out, into = wiring.source_jack(cable), wiring.target_jack(cable)
        self.moves.append(
            tr(
                "Plug {source}'s {output} into {target}'s {input}.",
                source=rig.name_of(cable.source),
                output=out.name if out is not None else tr("output"),
                target=rig.name_of(cable.target),
                input=into.name if into is not None else tr("input"),
            )
        )

    # Its part

    def hand_over(self) -> None:
        """What it played to another that can play it, scene by scene, else to nobody."""
        rig = self._old
        given: dict[tuple[str, str], list[str]] = {}
        silent: dict[str, list[str]] = {}
        left = self._left
        reached = ways(Wiring(left))
        able = [d for box in left.devices for d in box.lines
                if d.plays == "grebe" and d.spec.obeys.notes and not box.tracks
                and box.id in reached]  # fmt: skip
        for scene in self.project.scenes:
            for part in scene.parts:
                if box_of(part.device) != self._gone.box or not (part.chain or part.tracks):
                    continue
                other = self._substitute(scene, part.device, able) if part.chain else None
                if other is None:
                    silent.setdefault(part.device, []).append(scene.name)
                    self._edit(scene.id, part.device, ())
                    continue
                given.setdefault((part.device, other.id), []).append(scene.name)
                chain = tuple(self._copied(p, other) for p in part.chain)
                self._edit(scene.id, part.device, ())
                self._edit(scene.id, other.id, chain)
        for (line, other_id), scenes in given.items():
            self.moves.append(
                tr("{other} plays what {line} played in {scenes}.", other=rig.name_of(other_id),
                   line=rig.name_of(line), scenes=few(scenes))
            )  # fmt: skip
        for line, scenes in silent.items():
            self.moves.append(
                tr("Nobody plays what {line} played in {scenes}.", line=rig.name_of(line),
                   scenes=few(scenes))
            )  # fmt: skip

    def _edit(self, scene_id: str, line: str, chain: tuple[str, ...]) -> None:
        def edited(scene: Scene) -> Scene:
            return set_part(scene, line, chain=chain, tracks=None, silent_voices=(), fill="")

        self.project = with_scene(self.project, scene_id, edited)

    def _substitute(self, scene: Scene, line: str, able: list[Device]) -> Device | None:
        """Of the boxes that Grebe plays note by note one that is free in the scene: the likest."""
        playing = self.project.scene(scene.id)
        kind = self._old.line(line).kind
        free = [d for d in able if not playing.part(d.id).chain and _alike(kind, d.kind)]
        return min(free, key=lambda d: d.kind != kind, default=None)

    def _copied(self, pattern_id: str, other: Device) -> str:
        """The pattern as the other box plays it; the one that was copied for it before."""
        pattern = self.project.pattern(pattern_id)
        content = _on(pattern.content, other)
        for known in self.project.patterns_of.get(other.id, ()):
            if known.content == content:
                return known.id
        name = tr("{pattern} for {gone}", pattern=pattern.name,
                  gone=self._old.name_of(self._gone.box))  # fmt: skip
        self.project, new = add_pattern(
            self.project, name=name, device=other.id, content=content,
            variation_of=_root(pattern, other),
        )  # fmt: skip
        return new


def few(names: Sequence[str], shown: int = 4) -> str:
    """Some of them by name, and how many more there are."""
    if len(names) <= shown + 1:
        return listed(list(names))
    return tr("{names} and {more} more", names=", ".join(names[:shown]), more=len(names) - shown)


def _root(pattern: Pattern, other: Device) -> str | None:
    return pattern.id if pattern.device == other.id else None


def _is_told(device: Device) -> bool:
    return device.plays == "grebe" or any(line.obeys_program for line in device.lines)


def _alike(one: Kind, other: Kind) -> bool:
    """Whether a box can stand in for one of this kind: struck for struck, tones for tones."""
    return one == other or any(
        one in kinds and other in kinds for kinds in (STRUCK_KINDS, PITCHED_KINDS)
    )


def _on(content: Content, other: Device) -> Content:
    """What a box plays of another's pattern: its own sounds of the same names, else the same
    notes where it has them."""
    by_name = {v.name.casefold(): v.note for v in other.spec.voices}
    notes = {v.note for v in other.spec.voices}
    voices: list[Voice] = []
    for voice in content.voices:
        note = by_name.get(voice.name.casefold(), voice.note)
        if not notes or note in notes:
            voices.append(msgspec.structs.replace(voice, note=note, channel=None))
    return msgspec.structs.replace(content, voices=tuple(voices))
