"""Grebe's place in a desktop: files where freedesktop.org's specifications want them, the manual
and the shells' completion as the parser has them."""

from __future__ import annotations

import argparse
import configparser
import json
import runpy
import shutil
import subprocess
import xml.etree.ElementTree as ET
from pathlib import Path

import pytest

from grebe.app.desktop import PLACES, command_here, install, quoted, remove, text_of
from grebe.cli.main import build_parser, main
from grebe.errors import GrebeError
from grebe.formats.project import SUFFIX

ROOT = Path(__file__).parents[1]


def test_the_manual_and_the_completions_are_current() -> None:
    """As `make manual` writes them."""
    made = runpy.run_path(str(ROOT / "tools" / "write_manual.py"))["made"]()
    for name, text in made.items():
        assert text_of(name) == text, f"{name}: run make manual"


def test_every_command_can_say_what_it_does() -> None:
    """All of them, to the last: a percent sign in a help was once the end of it."""

    def each(parser: argparse.ArgumentParser) -> None:
        assert parser.format_help()
        for action in parser._actions:
            if isinstance(action, argparse._SubParsersAction):
                for inner in action.choices.values():
                    each(inner)

    each(build_parser())


def test_all_of_it_is_put_in_place_and_taken_away(tmp_path: Path) -> None:
    share = tmp_path / "share"
    written = install(share, "/opt/my grebe/bin/grebe", tell=False)
    assert sorted(written) == sorted(share / place for place in PLACES.values())
    entry = configparser.RawConfigParser()
    entry.optionxform = str  # type: ignore[assignment,method-assign]
    entry.read(share / "applications/grebe.desktop")
    assert entry["Desktop Entry"]["Exec"] == '"/opt/my grebe/bin/grebe" %f'
    assert entry["Desktop Action demo"]["Exec"] == '"/opt/my grebe/bin/grebe" demo'
    (share / "applications" / "other.desktop").write_text("x")
    assert sorted(remove(share, tell=False)) == sorted(written)
    assert remove(share, tell=False) == ()
    assert (share / "applications" / "other.desktop").exists()


def test_by_the_command(tmp_path: Path, capsys: pytest.CaptureFixture[str]) -> None:
    share = tmp_path / "share"
    assert main(["desktop", "--to", str(share), "--exec", "grebe"]) == 0
    assert "8 files" in capsys.readouterr().out
    assert main(["desktop", "--to", str(share), "--remove"]) == 0
    assert main(["desktop", "--to", str(share), "--remove"]) == 0
    assert "Nothing was there." in capsys.readouterr().out
    (tmp_path / "file").write_text("x")
    assert main(["desktop", "--to", str(tmp_path / "file")]) == 2
    assert "cannot be written" in capsys.readouterr().err
    with pytest.raises(GrebeError):
        install(tmp_path / "file", "grebe")


@pytest.mark.parametrize(
    ("command", "exec_"),
    [("grebe", "grebe"), ("/a b/grebe", '"/a b/grebe"'), ("/a%b/$x", '"/a%%b/\\\\$x"')],
)
def test_a_command_in_a_desktop_entry(command: str, exec_: str) -> None:
    """Quoted, its own marks escaped twice: once for the argument, once for the string (Desktop
    Entry Specification 1.5, The Exec key)."""
    assert quoted(command) == exec_


def test_how_it_is_started_here() -> None:
    assert Path(command_here()).name == "grebe"


def test_the_files_agree_with_each_other_and_with_the_program() -> None:
    """One kind of file, one name of the entry, in all of them."""
    entry = configparser.RawConfigParser()
    entry.read_string(text_of("grebe.desktop"))
    kind = entry["Desktop Entry"]["MimeType"].rstrip(";")
    mime = ET.fromstring(text_of("grebe-mime.xml"))
    space = {"m": "http://www.freedesktop.org/standards/shared-mime-info"}
    (found,) = mime.findall("m:mime-type", space)
    assert found.get("type") == kind
    assert found.find("m:glob", space).get("pattern") == f"*{SUFFIX}"  # type: ignore[union-attr]
    about = ET.fromstring(text_of("grebe.metainfo.xml"))
    assert about.findtext("launchable") == "grebe.desktop"
    assert about.findtext("provides/mediatype") == kind
    for name in ("grebe.svg", "application-x-grebe.svg"):
        assert ET.fromstring(text_of(name)).tag.endswith("svg")
    manifest = json.loads((ROOT / "packaging" / "local.grebe.Grebe.json").read_text())
    assert manifest["id"] == about.findtext("id")
    assert manifest["rename-desktop-file"] == about.findtext("launchable")


@pytest.mark.skipif(shutil.which("desktop-file-validate") is None, reason="no desktop-file-utils")
def test_the_desktops_own_checker_finds_nothing(tmp_path: Path) -> None:
    install(tmp_path, "/usr/bin/grebe", tell=False)
    told = subprocess.run(
        ["desktop-file-validate", str(tmp_path / "applications/grebe.desktop")],
        capture_output=True, text=True, check=False,
    )  # fmt: skip
    assert (told.returncode, told.stdout) == (0, "")


def test_a_package_has_all_of_its_data() -> None:
    """What lies in grebe.data is named in pyproject.toml: a wheel without icons has no arrows."""
    named = (ROOT / "pyproject.toml").read_text()
    data = ROOT / "src" / "grebe" / "data"
    for folder in (p for p in data.iterdir() if p.is_dir() and p.name != "__pycache__"):
        assert f'"{folder.name}/*"' in named, folder.name
