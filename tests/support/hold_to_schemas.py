#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""hold_to_schemas.py SCHEMAS LINES: each file "NAME@anything" in LINES has lines of JSON that have to be as
SCHEMAS/NAME.schema.json says. A property that the schema does not name is told, too: it would be undocumented. A schema
of which there is no line is told."""
import json
import pathlib
import sys

import jsonschema

schemas, lines = map(pathlib.Path, sys.argv[1:3])
wrong = []
seen = {}


def unnamed(value, schema, place, out):
    if isinstance(value, dict):
        named = schema.get("properties", {})
        others = schema.get("additionalProperties")
        for key, one in value.items():
            if key in named:
                unnamed(one, named[key], f"{place}/{key}", out)
            elif isinstance(others, dict):
                unnamed(one, others, f"{place}/{key}", out)
            elif named or others is None and "type" in schema and schema["type"] == "object" and "description" not in schema:
                out.append(f"{place}/{key}")
    elif isinstance(value, list):
        for one in value:
            unnamed(one, schema.get("items", {}), f"{place}/*", out)


for path in sorted(lines.iterdir()):
    name = path.name.split("@")[0]
    schema = json.loads((schemas / f"{name}.schema.json").read_text())
    checker = jsonschema.Draft202012Validator(schema)
    checker.check_schema(schema)
    for number, line in enumerate(path.read_text().splitlines(), 1):
        if not line.startswith("{"):
            continue
        value = json.loads(line)
        seen[name] = seen.get(name, 0) + 1
        for error in checker.iter_errors(value):
            wrong.append(f"{path.name}:{number}: {'/'.join(map(str, error.absolute_path))}: {error.message[:200]}")
        out = []
        unnamed(value, schema, "", out)
        wrong += [f"{path.name}:{number}: not in the schema: {one}" for one in sorted(set(out))]
for path in sorted(schemas.glob("*.schema.json")):
    if path.name.removesuffix(".schema.json") not in seen:
        wrong.append(f"no line was held to {path.name}")
print("\n".join(sorted(set(wrong))))
print(f"{sum(seen.values())} lines, {len(seen)} schemas")
sys.exit(1 if wrong else 0)
