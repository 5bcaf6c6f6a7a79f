"""Profile files: round trips, the performer's own, and what is refused."""

from __future__ import annotations

import json
from pathlib import Path

import msgspec
import pytest

from grebe.core.rig.spec import Profile
from grebe.errors import ProfileError
from grebe.formats.profiles import (
    own_profiles,
    parse_profile,
    profile_bytes,
    profile_schema,
    read_profile,
    shipped_profiles,
    write_profile,
)

DOCS = Path(__file__).parents[2] / "docs"


@pytest.mark.parametrize("profile", shipped_profiles(), ids=lambda p: p.id)
def test_round_trip(profile: Profile) -> None:
    assert parse_profile(profile_bytes(profile), "x") == profile


def test_the_performers_own(tmp_path: Path) -> None:
    """Saved and found again; one that cannot be read is left out, and said."""
    profile = msgspec.structs.replace(shipped_profiles()[0], id="mine", name="Mine")
    path = write_profile(tmp_path / "profiles", profile)
    assert read_profile(path) == profile
    (path.parent / "broken.json").write_text("{")
    good, bad = own_profiles(path.parent)
    assert good == (profile,)
    assert len(bad) == 1
    assert "broken.json" in bad[0]
    assert own_profiles(tmp_path / "nowhere") == ((), ())


def changed(**fields: object) -> bytes:
    tree = json.loads(profile_bytes(shipped_profiles()[0]))
    return json.dumps({**tree, **fields}).encode()


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"", "is not a device profile"),
        (b"[]", "field `format` should be 'grebe-profile'"),
        (changed(format="other"), "field `format`"),
        (changed(schema=7), "field `schema` should be 1 (got 7)"),
        (changed(channel=17), "field `channel`"),
        (changed(spec={"jacks": [{"id": "a", "name": "A", "kind": "steam"}]}), "jacks[0].kind"),
        (changed(spec={"starts_all": True, "obeys": {"start": False, "resume": False}}),
         "field `spec.starts_all`: Start starts all of it"),
    ],
)  # fmt: skip
def test_what_is_refused(data: bytes, words: str) -> None:
    """With the file, the field, and what to do."""
    with pytest.raises(ProfileError) as caught:
        parse_profile(data, "mine.json")
    assert words in str(caught.value)
    assert "mine.json" in str(caught.value)


def test_one_that_contradicts_itself_is_not_saved(tmp_path: Path) -> None:
    """Nothing is written."""
    broken = msgspec.structs.replace(
        shipped_profiles()[0],
        mute_controller=119,
        spec=msgspec.structs.replace(
            next(p for p in shipped_profiles() if p.id == "merganser").spec
        ),
    )
    with pytest.raises(ProfileError, match="mute_controller"):
        write_profile(tmp_path, broken)
    assert list(tmp_path.iterdir()) == []


def test_the_published_schema_is_the_code() -> None:
    """docs/profile.schema.json is what `make schema` writes."""
    assert json.loads((DOCS / "profile.schema.json").read_text()) == json.loads(
        json.dumps(profile_schema())
    )
