# SPDX-License-Identifier: GPL-3.0-or-later
# What another library (mutagen) reads from sound files: one JSON object a line, a list of values for each field.
import json
import sys

import mutagen
from mutagen.id3 import ID3

ID3_FRAMES = {"title": "TIT2", "artist": "TPE1", "album": "TALB", "album_artist": "TPE2", "date": "TDRC",
              "genre": "TCON", "composer": "TCOM", "track": "TRCK", "isrc": "TSRC"}
MP4_ATOMS = {"title": "\xa9nam", "artist": "\xa9ART", "album": "\xa9alb", "album_artist": "aART",
             "date": "\xa9day", "genre": "\xa9gen", "composer": "\xa9wrt",
             "isrc": "----:com.apple.iTunes:ISRC"}
COMMENTS = {"title": "title", "artist": "artist", "album": "album", "album_artist": "albumartist", "date": "date",
            "genre": "genre", "composer": "composer", "isrc": "isrc"}
APE_ITEMS = {"title": "Title", "artist": "Artist", "album": "Album", "album_artist": "Album Artist", "date": "Year",
             "genre": "Genre", "composer": "Composer", "isrc": "ISRC"}


def values(tags):
    out = {}
    if tags is None:
        return out
    if isinstance(tags, ID3):
        for field, frame in ID3_FRAMES.items():
            texts = [str(t) for f in tags.getall(frame) for t in f.text]
            if texts:
                out[field] = texts
    elif type(tags).__name__ == "MP4Tags":
        for field, atom in MP4_ATOMS.items():
            if atom in tags:
                out[field] = [bytes(v).decode() if isinstance(v, bytes) else str(v) for v in tags[atom]]
    elif type(tags).__name__ == "APEv2":
        for field, item in APE_ITEMS.items():
            if item in tags:
                out[field] = list(tags[item])
    else:
        for field, key in COMMENTS.items():
            if key in tags:
                out[field] = list(tags[key])
    return out


for path in sys.argv[1:]:
    print(json.dumps(values(mutagen.File(path).tags)))
