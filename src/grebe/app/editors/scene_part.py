"""Edits of what one device does in a scene."""

from __future__ import annotations

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.editors.scene_form import ECHOES
from grebe.app.editors.scene_hand import SceneHand
from grebe.errors import EditError
from grebe.words import tr


class PartEdits:
    """What keys do to the part under the cursor."""

    def __init__(self, hand: SceneHand) -> None:
        self.hand = hand

    def _pattern(self, by: int) -> None:
        part, ids = self.hand.part, ["", *(p.id for p in self.hand.patterns)]
        if part is None:
            return
        if len(ids) == 1:
            raise EditError(
                tr(
                    "{box} has no patterns yet",
                    box=self.hand.project.rig.name_of(self.hand.device_id),
                )
            )
        here = part.chain[-1] if part.chain else ""
        at = ids.index(here) if here in ids else 0
        new = ids[(at + by) % len(ids)]
        chain = (*part.chain[:-1], new) if new else part.chain[:-1]
        self.hand.change_part(tr("Pattern"), "scene-pattern", chain=chain)

    @does("one_after")
    def pattern_after(self) -> None:
        """Its next pattern, or silence."""
        self._pattern(1)

    @does("one_before")
    def pattern_before(self) -> None:
        """The pattern before, or silence."""
        self._pattern(-1)

    @does("chain_longer")
    def chain_longer(self) -> None:
        """The last of its chain once more."""
        part = self.hand.part
        if part is None or not part.chain:
            raise EditError(
                tr(
                    "nothing plays there yet: {one_after} chooses a pattern",
                    one_after=told("one_after"),
                )
            )
        self.hand.change_part(tr("Longer chain"), chain=(*part.chain, part.chain[-1]))

    @does("chain_shorter")
    def chain_shorter(self) -> None:
        """Without the last of its chain."""
        if self.hand.part is not None:
            self.hand.change_part(tr("Shorter chain"), chain=self.hand.part.chain[:-1])

    @does("remove")
    def silent(self) -> None:
        """Silent here: nothing plays."""
        part = self.hand.part
        if part is not None:
            self.hand.change_part(tr("Silent"), chain=(), muted=False, silent_voices=())

    @does("as_before")
    def as_before(self) -> None:
        """As in the scene before: carry on."""
        scenes = self.hand.scenes
        at = next((i for i, s in enumerate(scenes) if s.id == self.hand.scene_id), 0)
        if at == 0:
            raise EditError(tr("there is no scene before"))
        before = scenes[at - 1].part(self.hand.device_id)
        fields = {f: getattr(before, f) for f in before.__struct_fields__ if f != "device"}
        self.hand.change_part(tr("As before"), **fields)

    @does("mute_it")
    def mute(self) -> None:
        """Muted here, or sounding."""
        part = self.hand.part
        if part is not None:
            self.hand.change_part(tr("Mute"), muted=not part.muted)

    def number(self, number: int) -> None:
        """A voice silent or sounding here; of a looper a track that plays or not."""
        part, device = self.hand.part, self.hand.device
        if part is None or device is None:
            return
        if device.spec.loop_tracks:
            if number > device.spec.loop_tracks:
                raise EditError(
                    tr(
                        "{device} has {loop_tracks} tracks",
                        device=device.name,
                        loop_tracks=device.spec.loop_tracks,
                    )
                )
            tracks = set(part.tracks or ()) ^ {number}
            self.hand.change_part(tr("Loop tracks"), tracks=tuple(sorted(tracks)))
            return
        voices = self.hand.voices
        if number > len(voices):
            raise EditError(tr("there is no voice {number} there", number=number))
        voice = voices[number - 1].id
        silent = [v for v in part.silent_voices if v != voice]
        if voice not in part.silent_voices:
            silent.append(voice)
        self.hand.change_part(tr("Silent voice"), silent_voices=tuple(silent))

    @does("echo")
    def echo(self) -> None:
        """The next echo time."""
        part = self.hand.part
        if part is not None:
            at = ECHOES.index(part.echo) if part.echo in ECHOES else 0
            self.hand.change_part(tr("Echo time"), echo=ECHOES[(at + 1) % len(ECHOES)])
