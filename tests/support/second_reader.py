# SPDX-License-Identifier: GPL-3.0-or-later
# What another library (mutagen) reads from sound files: one JSON object a line. Paths as arguments, or one a line
# on standard input after "-"; with "--fields" only the fields.
import json
import os
import sys

sys.path.insert(0, os.path.join(os.path.dirname(os.path.abspath(__file__)), "corpus"))
import mutagen
from field_names import fields_of, pictures_of


def read(path):
    try:
        file = mutagen.File(path)
        if file is None:
            return {"error": "not recognised"}
        info = file.info
        return {"fields": fields_of(file.tags), "kind": type(file).__name__,
                "length": getattr(info, "length", 0) or 0, "sample_rate": getattr(info, "sample_rate", 0) or 0,
                "channels": getattr(info, "channels", 0) or 0, "pictures": pictures_of(file)}
    except Exception as e:
        return {"error": type(e).__name__ + ": " + str(e)}


only_fields = "--fields" in sys.argv
paths = [a for a in sys.argv[1:] if a != "--fields"]
if paths == ["-"]:
    paths = [line.rstrip("\n") for line in sys.stdin]
for path in paths:
    answer = read(path)
    print(json.dumps(answer.get("fields", {}) if only_fields else answer), flush=True)
