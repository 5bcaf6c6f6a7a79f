"""Writes docs/*.schema.json, the published JSON Schemas of project and profile files."""

from __future__ import annotations

import json
from pathlib import Path

from grebe.formats.profiles import profile_schema
from grebe.formats.project import json_schema

DOCS = Path(__file__).parents[1] / "docs"

if __name__ == "__main__":
    for name, schema in (("project", json_schema()), ("profile", profile_schema())):
        (DOCS / f"{name}.schema.json").write_text(json.dumps(schema, indent=1) + "\n")
