"""Words for people, in the language of this process: English in the code, others in files.

``GREBE_LANGUAGE`` chooses; a process that is started takes it over. Names of things that a
performer keeps are not translated.
"""

from __future__ import annotations

import os
from functools import cache

VARIABLE = "GREBE_LANGUAGE"
LANGUAGES = {"en": "English", "de": "Deutsch"}
"""By code; each in its own words."""


def tr(text: str, /, **values: object) -> str:
    """A text in the language of this process, with values in place of the names in braces.

    Where one English word has two meanings, what follows "##" says which, to the translator alone.
    """
    made = _words(language()).get(text) or text.partition("##")[0]
    return made.format(**values) if values else made


def counted(number: int, word: str, plural: str = "") -> str:
    """1 bar, 2 bars; without a plural of its own a word has an s."""
    return f"{number} {tr(word if number == 1 else plural or word + 's')}"


@cache
def language() -> str:
    """The code of the language, from when it is first asked for on; English where another is
    wanted that is not there."""
    wanted = os.environ.get(VARIABLE, "en")
    return wanted if wanted in LANGUAGES else "en"


@cache
def _words(code: str) -> dict[str, str]:
    """Translations by the English text; none for English."""
    return {} if code == "en" else read_words(code)


def read_words(code: str) -> dict[str, str]:
    """What a language's file holds, by the English text: Qt's own format for translations (TS)."""
    import xml.etree.ElementTree as ET  # noqa: PLC0415 - English has no file to read
    from importlib.resources import files  # noqa: PLC0415

    data = (files("grebe.data") / "words" / f"grebe_{code}.ts").read_bytes()
    found: dict[str, str] = {}
    for message in ET.fromstring(data).iter("message"):  # noqa: S314 - it ships with Grebe
        source, target = message.findtext("source"), message.find("translation")
        if source and target is not None and target.text and target.get("type") is None:
            found[source] = target.text
    return found
