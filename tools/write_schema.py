"""Writes docs/project.schema.json, the published JSON Schema of the project file."""

from __future__ import annotations

import json
from pathlib import Path

from grebe.formats.project import json_schema

PATH = Path(__file__).parents[1] / "docs" / "project.schema.json"

if __name__ == "__main__":
    PATH.write_text(json.dumps(json_schema(), indent=1) + "\n")
