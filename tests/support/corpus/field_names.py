# SPDX-License-Identifier: GPL-3.0-or-later
# The fields as other programs name them in each tag format, and reading them with mutagen. Written from the
# specifications of the formats, not from Moorfrost's own tables: the tests compare the two.
import base64

import mutagen
from mutagen.id3 import ID3

# field: ID3v2.4 frame, MP4 atom, ASF attribute; Vorbis and APE names follow below
ID3_FRAMES = {
    "title": "TIT2", "artist": "TPE1", "album": "TALB", "album_artist": "TPE2", "track": "TRCK", "disc": "TPOS",
    "date": "TDRC", "original_date": "TDOR", "genre": "TCON", "composer": "TCOM", "lyricist": "TEXT",
    "conductor": "TPE3", "remixer": "TPE4", "label": "TPUB", "isrc": "TSRC", "language": "TLAN", "carrier": "TMED",
    "compilation": "TCMP", "grouping": "TIT1", "mood": "TMOO", "tempo": "TBPM", "key": "TKEY", "copyright": "TCOP",
    "encoded_by": "TENC", "title_sort": "TSOT", "artist_sort": "TSOP", "album_sort": "TSOA",
    "album_artist_sort": "TSO2", "composer_sort": "TSOC"}
ID3_TEXTS = {  # TXXX with this description
    "publisher": "PUBLISHER", "catalogue_number": "CATALOGNUMBER", "barcode": "BARCODE", "iswc": "ISWC",
    "script": "SCRIPT", "country": "RELEASECOUNTRY", "website": "WEBSITE",
    "replaygain_track_gain": "REPLAYGAIN_TRACK_GAIN", "replaygain_track_peak": "REPLAYGAIN_TRACK_PEAK",
    "replaygain_album_gain": "REPLAYGAIN_ALBUM_GAIN", "replaygain_album_peak": "REPLAYGAIN_ALBUM_PEAK",
    "archive box": "ARCHIVE BOX"}
MP4_ATOMS = {
    "title": "\xa9nam", "artist": "\xa9ART", "album": "\xa9alb", "album_artist": "aART", "date": "\xa9day",
    "genre": "\xa9gen", "composer": "\xa9wrt", "comment": "\xa9cmt", "grouping": "\xa9grp", "lyrics": "\xa9lyr",
    "encoded_by": "\xa9too", "copyright": "cprt", "title_sort": "sonm", "artist_sort": "soar",
    "album_sort": "soal", "album_artist_sort": "soaa", "composer_sort": "soco"}
FREE = "----:com.apple.iTunes:"
ASF_NAMES = {
    "title": "Title", "artist": "Author", "copyright": "Copyright", "comment": "Description",
    "album": "WM/AlbumTitle", "album_artist": "WM/AlbumArtist", "date": "WM/Year",
    "original_date": "WM/OriginalReleaseTime", "genre": "WM/Genre", "composer": "WM/Composer",
    "lyricist": "WM/Writer", "conductor": "WM/Conductor", "remixer": "WM/ModifiedBy", "producer": "WM/Producer",
    "engineer": "WM/Engineer", "label": "WM/Publisher", "catalogue_number": "WM/CatalogNo",
    "barcode": "WM/Barcode", "isrc": "WM/ISRC", "language": "WM/Language", "script": "WM/Script",
    "carrier": "WM/Media", "compilation": "WM/IsCompilation", "grouping": "WM/ContentGroupDescription",
    "mood": "WM/Mood", "tempo": "WM/BeatsPerMinute", "key": "WM/InitialKey", "lyrics": "WM/Lyrics",
    "encoded_by": "WM/EncodedBy", "website": "WM/AuthorURL", "title_sort": "WM/TitleSortOrder",
    "artist_sort": "WM/ArtistSortOrder", "album_sort": "WM/AlbumSortOrder",
    "album_artist_sort": "WM/AlbumArtistSortOrder", "composer_sort": "WM/ComposerSortOrder"}
COMMENTS = {  # Vorbis comments, and APE and free MP4 and ASF names where nothing else is said
    "title": "TITLE", "artist": "ARTIST", "album": "ALBUM", "album_artist": "ALBUMARTIST", "track": "TRACKNUMBER",
    "tracks": "TRACKTOTAL", "disc": "DISCNUMBER", "discs": "DISCTOTAL", "date": "DATE",
    "original_date": "ORIGINALDATE", "genre": "GENRE", "composer": "COMPOSER", "lyricist": "LYRICIST",
    "conductor": "CONDUCTOR", "performer": "PERFORMER", "remixer": "REMIXER", "producer": "PRODUCER",
    "engineer": "ENGINEER", "publisher": "PUBLISHER", "label": "LABEL", "catalogue_number": "CATALOGNUMBER",
    "barcode": "BARCODE", "isrc": "ISRC", "iswc": "ISWC", "language": "LANGUAGE", "script": "SCRIPT",
    "country": "RELEASECOUNTRY", "carrier": "MEDIA", "compilation": "COMPILATION", "grouping": "GROUPING",
    "mood": "MOOD", "tempo": "BPM", "key": "INITIALKEY", "lyrics": "LYRICS", "comment": "COMMENT",
    "copyright": "COPYRIGHT", "encoded_by": "ENCODEDBY", "website": "WEBSITE", "title_sort": "TITLESORT",
    "artist_sort": "ARTISTSORT", "album_sort": "ALBUMSORT", "album_artist_sort": "ALBUMARTISTSORT",
    "composer_sort": "COMPOSERSORT", "replaygain_track_gain": "REPLAYGAIN_TRACK_GAIN",
    "replaygain_track_peak": "REPLAYGAIN_TRACK_PEAK", "replaygain_album_gain": "REPLAYGAIN_ALBUM_GAIN",
    "replaygain_album_peak": "REPLAYGAIN_ALBUM_PEAK", "archive box": "ARCHIVE BOX"}
APE_NAMES = dict(COMMENTS, album_artist="Album Artist", track="Track", disc="Disc", date="Year", remixer="MixArtist")


def split_pair(out, number, total):
    if number in out and "/" in out[number][0]:
        a, b = out[number][0].split("/", 1)
        out[number] = [a]
        out[total] = [b]


def from_id3(tags):
    out = {}
    for field, frame in ID3_FRAMES.items():
        frames = tags.getall(frame)
        texts = [t for f in frames for t in (f.genres if frame == "TCON" else [str(x) for x in f.text])]
        if texts:
            out[field] = texts
    for field, desc in ID3_TEXTS.items():
        texts = [str(t) for f in tags.getall("TXXX") if f.desc.upper() == desc for t in f.text]
        if texts:
            out[field] = texts
    for frame, field in (("COMM", "comment"), ("USLT", "lyrics")):
        for f in tags.getall(frame):
            if not f.desc:
                out.setdefault(field, []).extend(f.text if isinstance(f.text, list) else [f.text])
    for frame in ("TIPL", "TMCL"):
        for f in tags.getall(frame):
            for role, name in f.people:
                if role.lower() in ("producer", "engineer") and frame == "TIPL":
                    out.setdefault(role.lower(), []).append(name)
                else:  # also musicians in the one list of people of ID3v2.3
                    out.setdefault("performer", []).append(f"{name} ({role.lower()})")
    split_pair(out, "track", "tracks")
    split_pair(out, "disc", "discs")
    return out


def from_mp4(tags):
    out = {}
    text = lambda v: bytes(v).decode("utf-8", "replace") if isinstance(v, bytes) else str(v)
    for field, atom in MP4_ATOMS.items():
        if atom in tags:
            out[field] = [text(v) for v in tags[atom]]
    for number, total, atom in (("track", "tracks", "trkn"), ("disc", "discs", "disk")):
        if tags.get(atom):
            a, b = tags[atom][0]
            if a:
                out[number] = [str(a)]
            if b:
                out[total] = [str(b)]
    if tags.get("tmpo"):
        out["tempo"] = [str(tags["tmpo"][0])]
    if tags.get("cpil"):
        out["compilation"] = ["1"]
    for name in tags:
        if name.startswith("----:"):
            key = name.split(":")[-1].upper()
            for field, comment in COMMENTS.items():
                if key == comment:
                    out.setdefault(field, [text(v) for v in tags[name]])
    return out


def from_asf(tags):
    out = {}
    for field in COMMENTS:
        for name in (ASF_NAMES.get(field), COMMENTS[field]):
            if name and name in tags:
                out.setdefault(field, [str(v) for v in tags[name] if str(v)])
                break
    for name, field in (("WM/TrackNumber", "track"), ("WM/PartOfSet", "disc")):
        if name in tags:
            out[field] = [str(v) for v in tags[name]]
    split_pair(out, "track", "tracks")
    split_pair(out, "disc", "discs")
    return {k: v for k, v in out.items() if v}


def from_names(tags, names):
    out = {}
    for field, name in names.items():
        try:
            values = [str(v) for v in tags[name]] if name in tags else []
        except Exception:
            values = []
        if values:
            out[field] = values
    split_pair(out, "track", "tracks")
    split_pair(out, "disc", "discs")
    return out


def fields_of(tags):
    if tags is None:
        return {}
    if isinstance(tags, ID3):
        return from_id3(tags)
    kind = type(tags).__name__
    if kind == "MP4Tags":
        return from_mp4(tags)
    if kind == "APEv2":
        return from_names(tags, APE_NAMES)
    if kind == "ASFTags":
        return from_asf(tags)
    return from_names(tags, COMMENTS)


def pictures_of(file):
    """Of each picture its type number, description, MIME type and length."""
    out = []
    tags = file.tags
    for p in getattr(file, "pictures", []):
        out.append([p.type, p.desc, p.mime, len(p.data)])
    if isinstance(tags, ID3):
        out += [[int(p.type), p.desc, p.mime, len(p.data)] for p in tags.getall("APIC")]
    elif tags is not None and type(tags).__name__ == "MP4Tags":
        out += [[3, "", {13: "image/jpeg", 14: "image/png"}.get(p.imageformat, ""), len(p)] for p in tags.get("covr", [])]
    elif tags is not None and "VComment" in [c.__name__ for c in type(tags).__mro__]:
        for text in tags.get("metadata_block_picture", []):
            p = mutagen.flac.Picture(base64.b64decode(text))
            out.append([p.type, p.desc, p.mime, len(p.data)])
    elif type(tags).__name__ == "ASFTags":
        for value in tags.get("WM/Picture", []):
            data = value.value
            length = int.from_bytes(data[1:5], "little")
            texts = []
            at = 5
            for _ in range(2):
                end = at
                while data[end:end + 2] != b"\0\0":
                    end += 2
                texts.append(data[at:end].decode("utf-16-le"))
                at = end + 2
            out.append([data[0], texts[1], texts[0], len(data[at:at + length])])
    elif type(tags).__name__ == "APEv2":
        names = ["other", "png icon", "icon", "front", "back", "leaflet", "media", "lead artist", "artist"]
        for key, value in tags.items():
            if key.lower().startswith("cover art ("):
                name, _, data = value.value.partition(b"\0")
                out.append([names.index(key.lower()[11:-1]), name.decode("utf-8"), "", len(data)])
    return out
