"""What remote surfaces are told by OSC and what they can ask for: every address in one place."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import NamedTuple, get_args

from grebe.app.live.reading import Reading
from grebe.app.live.stage_model import StageModel
from grebe.core.player.commands import Begin, Halt, Launch, Mute, Solo, Steer, Swap, SwapAt
from grebe.core.player.controls import LEARNABLE, MOST_MUTES, TURNED
from grebe.core.rig.model import PEERS_ID
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.core.units import MAX_BPM, MIN_BPM
from grebe.protocols.link.messages import Do, ToEngine
from grebe.protocols.link.session import Propose

Argument = bool | int | float | str
ROOT = "/grebe"


class OscTold(NamedTuple):
    """An address that is told."""

    address: str
    arguments: str
    meaning: str
    steady: bool = False
    """Told at a steady rate while something plays; else when it changes."""


class OscRequest(NamedTuple):
    """An address that something is asked by."""

    address: str
    arguments: str
    meaning: str


TOLD: tuple[OscTold, ...] = (
    OscTold("/grebe/running", "int", "1 while something plays."),
    OscTold("/grebe/tempo", "float", "Tempo in BPM."),
    OscTold("/grebe/song", "text", "Name of the song in hand."),
    OscTold("/grebe/scene", "text int", "What plays: its name, and its number in the song from 1."),
    OscTold("/grebe/next", "text int", "What comes next, and 1 where somebody launched it."),
    OscTold("/grebe/held", "int", "1 while the section is held."),
    OscTold("/grebe/mute/N", "int text", "1 while number N is muted, and its name."),
    OscTold("/grebe/solo/N", "int text", "1 while number N sounds alone, and its name."),
    OscTold("/grebe/plays/BOX[/TRACK]", "text text",
         "The pattern that a box or track plays, and why it is silent where it is."),
    OscTold("/grebe/track/N", "text", "State of loop track N."),
    OscTold("/grebe/peers", "int", "Other computers in the session."),
    OscTold("/grebe/move", "text float",
         "The next move by hand, and seconds until it is best made.", True),
    OscTold("/grebe/position", "int int float",
         "Bar of the section, beat of the bar, from 1, and how far into the beat, 0 to 1.", True),
    OscTold("/grebe/countdown", "int int float",
         "Whole bars, beats and seconds until what comes next.", True),
)  # fmt: skip
ASKED: tuple[OscRequest, ...] = (
    OscRequest("/grebe/subscribe", "[int]",
          "Be told for 60 s, at the port named or the one asked from; ask again to go on."),
    OscRequest("/grebe/unsubscribe", "[int]", "Be told no longer."),
    OscRequest("/grebe/ask", "", "Be told everything once."),
    OscRequest("/grebe/run", "int", "1 runs from the top, 0 stops."),
    OscRequest("/grebe/tempo", "float", "Another tempo: of the session, or of what plays."),
    OscRequest("/grebe/launch", "text [text]",
          'A section by its name, at "bar", "section_end", "beat", "quarter_beat" or "now".'),
    OscRequest("/grebe/launch", "int [text]", "The same by its number in the song, from 1."),
    OscRequest("/grebe/mute/N", "int", "1 mutes number N, 0 lets it sound."),
    OscRequest("/grebe/solo/N", "int", "1: number N alone; 0: no longer."),
    OscRequest("/grebe/mute/BOX[/TRACK][/VOICE]", "int",
          "The same of a box, track or voice by id."),
    OscRequest("/grebe/solo/BOX[/TRACK][/VOICE]", "int", "The same of what sounds alone."),
    OscRequest("/grebe/swap/BOX[/TRACK]", "text [text]",
          'Another pattern by its name, "end" of its pattern, on the next "bar" or "now"; "" gives '
          "back the scene's."),
    OscRequest("/grebe/do/ACTION", "[int]",
          "Any action that can be learnt on Stage; 0 lets go of those that are held."),
)  # fmt: skip
ACTIONS = tuple(named.id for named in LEARNABLE if named.id not in TURNED)
LAUNCH_AT = ("bar", "section_end", "beat", "quarter_beat", "now")


class OscModel:
    """One performance as addresses and values, and the other way."""

    def __init__(self, session: Reading) -> None:
        self.session = session
        self._stage = StageModel(session)

    # What is told

    def changing(self) -> dict[str, tuple[Argument, ...]]:
        """What is told when it changes."""
        session, status = self.session, self.session.status
        if status is None:
            return {}
        out: dict[str, tuple[Argument, ...]] = {
            "/grebe/running": (int(status.running),),
            "/grebe/tempo": (float(round(session.position.now().bpm, 2)),),
            "/grebe/song": (session.song.name if session.song is not None else "",),
            "/grebe/held": (int(status.held),),
            "/grebe/peers": (len(status.peers.rows) if status.peers is not None else 0,),
        }
        sections = self._sections()
        names = [name for _, name in sections]
        ids = [section for section, _ in sections]
        here = ids.index(status.section) if status.section in ids and status.running else -1
        out["/grebe/scene"] = (names[here], here + 1) if here >= 0 else ("", 0)
        following = names[ids.index(status.next_section)] if status.next_section in ids else ""
        out["/grebe/next"] = (following if status.running else "", int(status.launched))
        for n, device in enumerate(session.project.players[:MOST_MUTES], start=1):
            out[f"/grebe/mute/{n}"] = (int((device.id, "") in status.mutes), device.name)
            out[f"/grebe/solo/{n}"] = (int((device.id, "") in status.solos), device.name)
        patterns = session.project.patterns_by_id
        for line in status.lines:
            plays = patterns[line.pattern].name if line.pattern in patterns else ""
            out[f"/grebe/plays/{line.line}"] = (plays, line.because)
        for track in status.tracks:
            out[f"/grebe/track/{track.number}"] = (track.state,)
        return out

    def steady(self) -> dict[str, tuple[Argument, ...]]:
        """What is told at a steady rate while something plays."""
        session, layout, status = self.session, self.session.derived.layout(), self.session.status
        now = self._stage.now(layout) if layout is not None else None
        if now is None or status is None:
            return {}
        meter = now.span.scene.meter
        inside = max(0.0, session.position.tick_now() - status.section_tick)
        into = inside % meter.beat_ticks / meter.beat_ticks
        beats = int(now.to_go_ticks // meter.beat_ticks)
        out: dict[str, tuple[Argument, ...]] = {
            "/grebe/position": (now.bar, now.beat, into),
            "/grebe/countdown": (beats // now.beats, beats % now.beats, now.to_go_s),
        }
        moves = self._stage.to_do(now)
        if moves:
            left = (moves[0].begins - session.position.tick_now()) / TICKS_PER_QUARTER
            out["/grebe/move"] = (moves[0].words, left * 60 / max(1.0, status.bpm))
        return out

    def _sections(self) -> list[tuple[str, str]]:
        layout = self.session.derived.layout()
        return [(s.section.id, s.scene.name) for s in layout.spans] if layout is not None else []

    # What is asked for

    def askable(self) -> list[str]:
        """Addresses that a pattern can mean: of what there is, by id. What acts by itself, such as
        panic, is not done by a pattern."""
        project = self.session.project
        lines = [player.id for player in project.players]
        voices = {f"{line}/{v.id}" for line in lines
                  for p in project.patterns_of.get(line, []) for v in p.content.voices}  # fmt: skip
        silenced = [*lines, *sorted(voices)]
        return [
            *(f"{ROOT}/{head}" for head in ("run", "tempo", "launch")),
            *(f"{ROOT}/{head}/{what}" for head in ("mute", "solo") for what in silenced),
            *(f"{ROOT}/swap/{line}" for line in lines),
        ]

    def asked(self, address: str, arguments: tuple[Argument, ...]) -> Iterator[ToEngine]:
        """What a message asks of the engine. ValueError where it cannot be understood."""
        parts = address.removeprefix(ROOT + "/").split("/")
        head, rest = parts[0], parts[1:]
        plain: dict[str, Callable[[tuple[Argument, ...]], Iterator[ToEngine]]] = {
            "run": self._run,
            "tempo": self._tempo,
            "launch": self._launch,
        }
        if head in plain and not rest:
            yield from plain[head](arguments)
        elif head == "do" and len(rest) == 1 and rest[0] in ACTIONS:
            yield Do(action=rest[0], down=not arguments or _on(arguments))
        elif head in ("mute", "solo") and 1 <= len(rest) <= 3:
            device, voice = self._addressed(rest)
            asks = Mute if head == "mute" else Solo
            yield asks(device=device, voice=voice, on=_on(arguments))
        elif head == "swap" and 1 <= len(rest) <= 2:
            yield self._swap("/".join(rest), arguments)
        else:
            raise ValueError(f"nothing is asked by {address}")

    def _addressed(self, rest: list[str]) -> tuple[str, str]:
        """(line, voice or "") by number, or by ids. ValueError where there is none."""
        project = self.session.project
        if len(rest) == 1 and rest[0].isdecimal():
            players = project.players
            if not 1 <= int(rest[0]) <= len(players):
                raise ValueError(f"there is no number {rest[0]}")
            return players[int(rest[0]) - 1].id, ""
        whole = "/".join(rest)
        if project.rig.find(whole) is not None:
            return whole, ""
        line, voice = "/".join(rest[:-1]), rest[-1]
        voices = (v.id for p in project.patterns_of.get(line, []) for v in p.content.voices)
        if line and project.rig.find(line) is not None and voice in voices:
            return line, voice
        raise ValueError(f"there is no box, track or voice {whole}")

    def _swap(self, line: str, arguments: tuple[Argument, ...]) -> Swap:
        project = self.session.project
        wanted = arguments[0] if arguments else ""
        at = arguments[1] if len(arguments) > 1 else "end"
        if at not in get_args(SwapAt):
            raise ValueError(f"{at} is no moment to change at")
        if project.rig.find(line) is None:
            raise ValueError(f"there is no box or track {line}")
        mine = {p.name.lower(): p.id for p in project.patterns_of.get(line, [])}
        pattern = mine.get(str(wanted).lower(), "")
        if wanted and not pattern:
            raise ValueError(f"{line} has no pattern {wanted}")
        return Swap(device=line, pattern=pattern, at=at)  # type: ignore[arg-type]

    def _run(self, arguments: tuple[Argument, ...]) -> Iterator[ToEngine]:
        yield Begin() if _on(arguments) else Halt()

    def _tempo(self, arguments: tuple[Argument, ...]) -> Iterator[ToEngine]:
        bpm = float(arguments[0]) if arguments and not isinstance(arguments[0], str) else 0.0
        if not MIN_BPM <= bpm <= MAX_BPM:
            raise ValueError(f"a tempo goes from {MIN_BPM:g} to {MAX_BPM:g}")
        status = self.session.status
        in_session = status is not None and status.follows == PEERS_ID
        yield Propose(bpm=bpm) if in_session else Steer(bpm=bpm)

    def _launch(self, arguments: tuple[Argument, ...]) -> Iterator[ToEngine]:
        sections = self._sections()
        wanted = arguments[0] if arguments else ""
        at = arguments[1] if len(arguments) > 1 else "bar"
        if at not in LAUNCH_AT:
            raise ValueError(f"{at} is no moment to come in at")
        if isinstance(wanted, str):
            found = next((i for i, name in sections if name.lower() == wanted.lower()), None)
        else:
            number = int(wanted)
            found = sections[number - 1][0] if 1 <= number <= len(sections) else None
        if found is None:
            raise ValueError(f"there is no section {wanted}")
        yield Launch(section=self.session.selection.known_as(found), at=at)  # type: ignore[arg-type]


def _on(arguments: tuple[Argument, ...]) -> bool:
    """Whether the first argument says yes. ValueError where it is none."""
    if not arguments or isinstance(arguments[0], str):
        raise ValueError("1 or 0 is wanted")
    return bool(arguments[0])


def address_list() -> str:
    """All addresses as a table in Markdown, for the help and docs/osc.md."""
    lines = ["| told | arguments | what |", "|---|---|---|"]
    lines += [
        f"| `{t.address}` | {t.arguments} | {t.meaning}{' Steadily.' * t.steady} |" for t in TOLD
    ]
    lines += ["", "| asked by | arguments | what |", "|---|---|---|"]
    lines += [f"| `{a.address}` | {a.arguments or 'none'} | {a.meaning} |" for a in ASKED]
    lines += ["", "Actions: " + ", ".join(f"`{a}`" for a in ACTIONS) + "."]
    return "\n".join(lines) + "\n"
