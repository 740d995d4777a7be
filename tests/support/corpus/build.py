# SPDX-License-Identifier: GPL-3.0-or-later
# Makes the corpus of the reading tests in a folder: every format by other programs' encoders, tagged by mutagen or
# by the bytes written here. "good": whole files of every format with every field. "odd": what other programs leave
# behind, with structures and encodings that are allowed or common. "broken": five hundred files that are damaged on
# purpose; always the same ones. Needs ffmpeg, sox, flac, lame, opusenc, oggenc, speexenc, wavpack, mpcenc.
import base64
import os
import random
import shutil
import struct
import subprocess
import sys

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
import mutagen
from mutagen.aiff import AIFF
from mutagen.apev2 import APEv2, APETextValue
from mutagen.asf import ASF
from mutagen.flac import FLAC, Picture
from mutagen.id3 import (APIC, COMM, ID3, PRIV, TCMP, TIPL, TMCL, TXXX, UFID, USLT, Frames)
from mutagen.mp4 import MP4, MP4Cover, MP4FreeForm
from mutagen.wave import WAVE
from field_names import APE_NAMES, ASF_NAMES, COMMENTS, FREE, ID3_FRAMES, ID3_TEXTS, MP4_ATOMS

FIELDS = {
    "title": ["Night Post"], "artist": ["The Hollow Ferry", "Åse-Linn Brække"], "album": ["Night Post EP"],
    "album_artist": ["The Hollow Ferry"], "track": ["3"], "tracks": ["12"], "disc": ["1"], "discs": ["2"],
    "date": ["1998-10-05"], "original_date": ["1986"], "genre": ["Folk", "Chamber"],
    "composer": ["Isla Varnholt", "Odran Fell"], "lyricist": ["Isla Varnholt"], "conductor": ["Odran Fell"],
    "performer": ["Isla Varnholt (cello)", "Odran Fell (flugelhorn)"], "remixer": ["Wren-Low"],
    "producer": ["Wren-Low"], "engineer": ["Odran Fell"], "publisher": ["Gannet Row Songs"],
    "label": ["Gannet Row"], "catalogue_number": ["GR 98-011"], "barcode": ["2000000000114"],
    "isrc": ["ZZGRW9800011"], "iswc": ["T-000.000.001-0"], "language": ["eng"], "script": ["Latn"],
    "country": ["ZZ"], "carrier": ["Cassette"], "compilation": ["1"], "grouping": ["Harbour songs"],
    "mood": ["Quiet"], "tempo": ["96"], "key": ["Dm"], "lyrics": ["First line\nsecond line"],
    "comment": ["Transferred from tape; 灯台うた会, Хор Маяка"], "copyright": ["1998 Gannet Row"],
    "encoded_by": ["Tarnholm Sound Archive"], "website": ["https://example.org/ferry"],
    "title_sort": ["Night Post, The"], "artist_sort": ["Hollow Ferry, The"], "album_sort": ["Night Post EP, The"],
    "album_artist_sort": ["Hollow Ferry, The"], "composer_sort": ["Varnholt, Isla"],
    "replaygain_track_gain": ["-6.20 dB"], "replaygain_track_peak": ["0.988553"],
    "replaygain_album_gain": ["-6.90 dB"], "replaygain_album_peak": ["0.999969"],
    "archive box": ["12"]}


def run(*command, **kw):
    subprocess.run(command, check=True, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, **kw)


def picture(folder):
    png = os.path.join(folder, "front.png")
    jpg = os.path.join(folder, "back.jpg")
    run("ffmpeg", "-y", "-v", "error", "-f", "lavfi", "-i", "color=0x2f6f64:size=60x40", "-frames:v", "1", png)
    run("ffmpeg", "-y", "-v", "error", "-f", "lavfi", "-i", "color=0xb0562f:size=48x48", "-frames:v", "1", jpg)
    return open(png, "rb").read(), open(jpg, "rb").read()


def sounds(folder, seconds):
    """Every format, without tags. Name to path."""
    p = lambda name: os.path.join(folder, name)
    wav = p("tone.wav")
    run("sox", "-n", "-r", "44100", "-b", "16", "-c", "2", wav, "synth", str(seconds), "pluck", "A3", "pluck", "E4", "vol", "0.5")
    wide = p("wide.wav")
    run("sox", "-n", "-r", "96000", "-b", "24", "-c", "1", wide, "synth", str(seconds * 0.6), "sine", "300-900", "vol", "0.4")
    ff = lambda out, *o: run("ffmpeg", "-y", "-v", "error", "-i", wav, "-map_metadata", "-1", *o, p(out))
    run("flac", "-s", "-f", "-5", wav, "-o", p("flac.flac"))
    run("flac", "-s", "-f", "-8", "--no-padding", "--no-seektable", wide, "-o", p("flac-24-96.flac"))
    run("flac", "-s", "-f", "--ogg", wav, "-o", p("flac-in-ogg.oga"))
    run("lame", "--quiet", "-V", "4", wav, p("lame-vbr.mp3"))
    run("lame", "--quiet", "-b", "128", "-m", "m", wav, p("lame-cbr-mono.mp3"))
    run("lame", "--quiet", "-t", "-b", "96", wav, p("lame-no-header.mp3"))
    run("lame", "--quiet", "--resample", "22.05", "-V", "5", wav, p("lame-mpeg2.mp3"))
    ff("ffmpeg.mp3", "-c:a", "libmp3lame", "-q:a", "3", "-id3v2_version", "0")
    run("oggenc", "-Q", "-q", "4", wav, "-o", p("oggenc.ogg"))
    ff("ffmpeg.ogg", "-c:a", "libvorbis")
    run("opusenc", "--quiet", "--bitrate", "64", wav, p("opusenc.opus"))
    ff("ffmpeg.opus", "-c:a", "libopus")
    run("speexenc", "--quiet", "-w", wav, p("speexenc.spx"))
    ff("aac.m4a", "-c:a", "aac", "-b:a", "128k")
    ff("alac.m4a", "-c:a", "alac")
    ff("front.m4a", "-c:a", "aac", "-movflags", "+faststart")
    shutil.copy(wav, p("sox.wav"))
    shutil.copy(wide, p("sox-24-96.wav"))
    ff("float.wav", "-c:a", "pcm_f32le")
    ff("info.wav", "-c:a", "pcm_s16le")
    run("sox", wav, p("sox.aiff"))
    ff("ffmpeg.aiff", "-c:a", "pcm_s24be")
    run("wavpack", "-q", "-y", wav, "-o", p("wavpack.wv"))
    run("wavpack", "-q", "-y", "-b256", wav, "-o", p("wavpack-lossy.wv"))
    run("mpcenc", "--silent", "--overwrite", wav, p("mpcenc.mpc"))
    ff("ffmpeg.tta", "-c:a", "tta")
    ff("ffmpeg.wma", "-c:a", "wmav2", "-b:a", "96k")
    for name in ("tone.wav", "wide.wav"):
        os.remove(p(name))
    # Only FFmpeg reads these.
    source = p("sox.wav")
    for out, options in (("ffmpeg.ac3", ["-c:a", "ac3"]), ("ffmpeg.aac", ["-c:a", "aac", "-f", "adts"]),
                         ("ffmpeg.au", []), ("ffmpeg.caf", []), ("ffmpeg.w64", []),
                         ("ffmpeg.dts", ["-c:a", "dca", "-strict", "-2"]), ("ffmpeg.mka", ["-c:a", "flac"]),
                         ("ffmpeg.eac3", ["-c:a", "eac3"]), ("ffmpeg.voc", []),
                         ("ffmpeg.thd", ["-c:a", "truehd", "-ar", "48000", "-strict", "-2"])):
        run("ffmpeg", "-y", "-v", "error", "-i", source, *options, p(out))
    dsf(p("bytes.dsf"))
    ape(p("bytes.ape"))
    return sorted(os.listdir(folder))


def dsf(path):
    """DSD stream file: 0.1 s of silence, two channels (DSF File Format Specification 1.01)."""
    block, rate, samples = 4096, 2822400, 282240
    blocks = -(-samples // 8 // block)
    data = b"\x69" * (block * blocks * 2)
    fmt = struct.pack("<4sQIIIIIIQII", b"fmt ", 52, 1, 0, 2, 2, rate, 1, samples, block, 0)
    chunk = struct.pack("<4sQ", b"data", 12 + len(data)) + data
    open(path, "wb").write(struct.pack("<4sQQQ", b"DSD ", 28, 28 + len(fmt) + len(chunk), 0) + fmt + chunk)


def ape(path):
    """Monkey's Audio: the headers of version 3.99 and noise in place of the frames."""
    frames, per_frame, last, noise = 2, 73728, 20000, random.Random(7).randbytes(30000)
    head = struct.pack("<HHIIIHHI", 2000, 0, per_frame, last, frames, 16, 2, 44100)
    seek = struct.pack("<II", 52 + 24 + 8, 52 + 24 + 8 + 15000)
    desc = struct.pack("<4sHHIIIIIII16s", b"MAC ", 3990, 0, 52, 24, len(seek), 0, len(noise), 0, 0, b"\0" * 16)
    open(path, "wb").write(desc + head + seek + noise)


def flac_picture(data, mime, kind, text, size):
    p = Picture()
    p.data, p.mime, p.type, p.desc = data, mime, kind, text
    p.width, p.height, p.depth = size[0], size[1], 24
    return p


def id3_frames(tags, fields, version):
    for field, frame in ID3_FRAMES.items():
        if field not in fields:
            continue
        values = list(fields[field])
        if field in ("track", "disc") and field + "s" in fields:
            values = [values[0] + "/" + fields[field + "s"][0]]
        tags.add(Frames[frame](encoding=1 if version == 3 else 3, text=values))
    for field, desc in ID3_TEXTS.items():
        if field in fields:
            tags.add(TXXX(encoding=1 if version == 3 else 3, desc=desc, text=fields[field]))
    if "comment" in fields:
        tags.add(COMM(encoding=1, lang="eng", desc="", text=fields["comment"]))
    if "lyrics" in fields:
        tags.add(USLT(encoding=1, lang="eng", desc="", text=fields["lyrics"][0]))
    people = [[r, v] for r in ("producer", "engineer") for v in fields.get(r, [])]
    if people:
        tags.add(TIPL(encoding=1, people=people))
    played = [v[:-1].split(" (") for v in fields.get("performer", [])]
    if played:
        tags.add(TMCL(encoding=1, people=[[role, name] for name, role in played]))


def give_tags(path, fields, pictures, version=4):
    png, jpg = pictures
    ending = path.rsplit(".", 1)[1]
    if ending in ("mp3", "wav", "aiff", "tta"):
        if ending in ("wav", "aiff"):
            f = WAVE(path) if ending == "wav" else AIFF(path)
            if f.tags is None:
                f.add_tags()
            tags = f.tags
        else:
            try:
                tags = ID3(path)
            except mutagen.id3.ID3NoHeaderError:
                tags = ID3()
        id3_frames(tags, fields, version)
        tags.add(APIC(encoding=3, mime="image/png", type=3, desc="front of the sleeve", data=png))
        tags.add(APIC(encoding=3, mime="image/jpeg", type=4, desc="", data=jpg))
        if version == 3:
            tags.update_to_v23()
        if ending in ("wav", "aiff"):
            f.save(v2_version=version)
        else:
            tags.save(path, v2_version=version, v1=0)
        return
    f = mutagen.File(path)
    if f.tags is None:
        f.add_tags()
    t = f.tags
    kind = type(t).__name__
    if kind == "MP4Tags":
        for field, values in fields.items():
            if field in MP4_ATOMS:
                t[MP4_ATOMS[field]] = values
            elif field not in ("track", "tracks", "disc", "discs", "tempo", "compilation"):
                t[FREE + COMMENTS[field]] = [MP4FreeForm(v.encode()) for v in values]
        if "track" in fields:
            t["trkn"] = [(int(fields["track"][0]), int(fields.get("tracks", ["0"])[0]))]
        if "disc" in fields:
            t["disk"] = [(int(fields["disc"][0]), int(fields.get("discs", ["0"])[0]))]
        if "tempo" in fields:
            t["tmpo"] = [int(fields["tempo"][0])]
        if "compilation" in fields:
            t["cpil"] = True
        t["covr"] = [MP4Cover(png, MP4Cover.FORMAT_PNG), MP4Cover(jpg, MP4Cover.FORMAT_JPEG)]
    elif kind == "APEv2":
        pairs = {n: fields[n][0] + "/" + fields[n + "s"][0] for n in ("track", "disc") if n + "s" in fields}
        for field, values in fields.items():
            if field not in ("tracks", "discs"):
                t[APE_NAMES[field]] = [pairs[field]] if field in pairs else values
        t["Cover Art (Front)"] = mutagen.apev2.APEValue(b"front.png\0" + png, mutagen.apev2.BINARY)
        t["Cover Art (Back)"] = mutagen.apev2.APEValue(b"back.jpg\0" + jpg, mutagen.apev2.BINARY)
    elif kind == "ASFTags":
        for field, values in fields.items():
            if field not in ("track", "tracks", "disc", "discs"):
                t[ASF_NAMES.get(field, COMMENTS[field])] = list(values)
        if "track" in fields:
            t["WM/TrackNumber"] = [fields["track"][0] + "/" + fields["tracks"][0]]
            t["WM/PartOfSet"] = [fields["disc"][0] + "/" + fields["discs"][0]]
    else:
        for field, values in fields.items():
            t[COMMENTS[field]] = values
        front = flac_picture(png, "image/png", 3, "front of the sleeve", (60, 40))
        back = flac_picture(jpg, "image/jpeg", 4, "", (48, 48))
        if isinstance(f, FLAC):
            f.add_picture(front)
            f.add_picture(back)
        else:
            t["metadata_block_picture"] = [base64.b64encode(p.write()).decode() for p in (front, back)]
    f.save()


def id3v1(title, artist, album="", year="", comment="", track=3, genre=80):
    cut = lambda s, n: s if isinstance(s, bytes) else s.encode("latin-1", "replace")
    pad = lambda s, n: cut(s, n)[:n].ljust(n, b"\0")
    return b"TAG" + pad(title, 30) + pad(artist, 30) + pad(album, 30) + pad(year, 4) + pad(comment, 28) + bytes([0, track, genre])


def id3v2(frames, version=3, flags=0, padding=0):
    """A tag from (id, payload) pairs, byte by byte."""
    body = b""
    for frame in frames:
        name, payload = frame[0], frame[1]
        fflags = frame[2] if len(frame) > 2 else 0
        if version == 2:
            body += name + len(payload).to_bytes(3, "big") + payload
        elif version == 3:
            body += name + len(payload).to_bytes(4, "big") + fflags.to_bytes(2, "big") + payload
        else:
            n = len(payload)
            body += name + bytes([n >> 21 & 127, n >> 14 & 127, n >> 7 & 127, n & 127]) + fflags.to_bytes(2, "big") + payload
    body += b"\0" * padding
    if flags & 0x80:
        out = bytearray()
        for i, b in enumerate(body):
            out.append(b)
            if b == 0xFF and (i + 1 == len(body) or body[i + 1] == 0 or body[i + 1] >= 0xE0):
                out.append(0)
        body = bytes(out)
    n = len(body)
    return b"ID3" + bytes([version, 0, flags, n >> 21 & 127, n >> 14 & 127, n >> 7 & 127, n & 127]) + body


def ape_tag(items, header=True):
    body = b"".join(struct.pack("<II", len(v), flags) + k + b"\0" + v for k, v, flags in items)
    part = lambda flag: b"APETAGEX" + struct.pack("<IIII", 2000, len(body) + 32, len(items), flag | (0x80000000 if header else 0)) + b"\0" * 8
    return (part(0x20000000) if header else b"") + body + part(0)


def chunk(name, data):
    return name + struct.pack("<I", len(data)) + data + b"\0" * (len(data) & 1)


def with_chunks(wav, before=b"", after=b""):
    data = wav.index(b"data")
    out = wav[:data] + before + wav[data:] + (b"\0" if len(wav) & 1 else b"") + after
    return out[:4] + struct.pack("<I", len(out) - 8) + out[8:]


def m4a_with(m4a, items):
    """With these items as its tags. The index lies behind the sound, so nothing else moves."""
    at = m4a.rfind(b"moov") - 4
    moov = m4a[at + 8:]
    assert m4a[:at].find(b"mdat") > 0
    udta = moov.find(b"udta") - 4
    kept = moov[:udta] if udta >= 0 else moov
    box = lambda id, data: struct.pack(">I", len(data) + 8) + id + data
    hdlr = box(b"hdlr", b"\0" * 8 + b"mdirappl" + b"\0" * 9)
    return m4a[:at] + box(b"moov", kept + box(b"udta", box(b"meta", b"\0" * 4 + hdlr + box(b"ilst", items))))


def odd(folder, good, pictures):
    """What is allowed, or common, and trips up readers."""
    read = lambda n: open(os.path.join(good, n), "rb").read()
    mp3, flac, wav, aiff, ogg, m4a = (read(n) for n in ("ffmpeg.mp3", "flac.flac", "sox.wav", "sox.aiff", "ffmpeg.ogg", "aac.m4a"))
    t = lambda s: b"\0" + s.encode("latin-1")
    u = lambda s: b"\1" + s.encode("utf-16")
    out = {}
    out["v1 only.mp3"] = mp3 + id3v1("Night Post", "The Hollow Ferry", "Night Post EP", "1998", "from tape")
    out["v2 and v1 that differ.mp3"] = id3v2([(b"TIT2", t("Salt Road")), (b"TPE1", t("Isla Varnholt"))]) + mp3 + id3v1("Salt Raod", "Isla Varnholt", "Salt Road")
    out["v22.mp3"] = id3v2([(b"TT2", t("Lanterns")), (b"TP1", t("Kestrel & Rook")), (b"TAL", t("Lanterns")), (b"TYE", t("2021")), (b"TRK", t("2/9")), (b"ULT", b"\0eng\0First line")], 2) + mp3
    out["v23 date in three.mp3"] = id3v2([(b"TIT2", t("Night Post")), (b"TYER", t("1998")), (b"TDAT", t("0510")), (b"TIME", t("2015"))]) + mp3
    out["v23 unsynchronised.mp3"] = id3v2([(b"TIT2", u("Северный ветер")), (b"TPE1", u("Хор Маяка")), (b"PRIV", b"owner\0" + b"\xff\xe0\xff\x00\xff" * 9)], 3, 0x80) + mp3
    out["v23 unknown frames.mp3"] = id3v2([(b"TIT2", t("Processional")), (b"XHSE", b"\0what is this"), (b"YQQQ", b"\1\2\3"), (b"TPE1", t("Tarnholm Harbour Band"))]) + mp3
    out["v23 frames given up since.mp3"] = id3v2([(b"TIT2", t("Processional")), (b"RVAD", bytes([3, 16, 0, 9, 0, 9])), (b"TSIZ", t("9000")), (b"EQUA", b"\x10\x80\1\0\1"), (b"TPE1", t("Tarnholm Harbour Band"))]) + mp3
    out["damaged frame between.mp3"] = id3v2([(b"TIT2", t("Night Post")), (b"TA\x91B", t("Lost")), (b"TPE1", t("The Hollow Ferry"))]) + mp3
    out["v24 unknown frames.mp3"] = id3v2([(b"TIT2", t("Processional")), (b"ZZZZ", b"\0what is this"), (b"TPE1", t("Tarnholm Harbour Band"))], 4) + mp3
    out["v24 several with zeros.mp3"] = id3v2([(b"TPE1", b"\3The Hollow Ferry\0\xc3\x85se-Linn Br\xc3\xa6kke"), (b"TIT2", b"\3Night Post\0")], 4) + mp3
    out["v24 sizes of v23.mp3"] = id3v2([(b"TIT2", b"\3Night Post"), (b"TPE1", b"\3The Hollow Ferry")], 4) + mp3
    out["v24 footer.mp3"] = (lambda tag: tag[:5] + b"\x10" + tag[6:] + b"3DI" + tag[3:5] + b"\x10" + tag[6:10])(id3v2([(b"TIT2", b"\3Night Post")], 4)) + mp3
    out["v24 compressed.mp3"] = id3v2([(b"TIT2", b"\3Night Post"), (b"TXXX", (lambda d: struct.pack(">I", len(d)) + __import__("zlib").compress(d))(b"\3BOX\0twelve"), 0x0009)], 4) + mp3
    out["empty frame between.mp3"] = id3v2([(b"TIT2", t("Night Post")), (b"TALB", b""), (b"TPE1", t("The Hollow Ferry"))]) + mp3
    out["blank frame between.mp3"] = id3v2([(b"TIT2", t("Night Post")), (b"TALB", b"\0"), (b"TPE1", t("The Hollow Ferry"))]) + mp3
    out["two tags in front.mp3"] = id3v2([(b"TIT2", t("Night Post"))]) + id3v2([(b"TIT2", t("Older")), (b"TPE1", t("The Hollow Ferry"))]) + mp3
    out["genre by number.mp3"] = id3v2([(b"TCON", t("(80)")), (b"TIT2", t("Night Post"))]) + mp3
    out["genre number and text.mp3"] = id3v2([(b"TCON", t("(80)Harbour folk")), (b"TIT2", t("Night Post"))]) + mp3
    out["comments of several kinds.mp3"] = id3v2([(b"COMM", b"\0eng" + b"iTunNORM\0" + b" 000003E8"), (b"COMM", b"\0eng\0plain words"), (b"TIT2", t("Night Post"))]) + mp3
    out["utf16 big endian.mp3"] = id3v2([(b"TIT2", b"\2" + "灯台".encode("utf-16-be")), (b"TPE1", b"\1" + b"\xfe\xff" + "灯台うた会".encode("utf-16-be"))], 4) + mp3
    out["junk before the sound.mp3"] = id3v2([(b"TIT2", t("Night Post"))]) + b"\0" * 300 + mp3
    out["ape behind.mp3"] = mp3 + ape_tag([(b"Title", "Night Post".encode(), 0), (b"Artist", "The Hollow Ferry\0Wren-Low".encode(), 0)])
    out["ape and v1.mp3"] = mp3 + ape_tag([(b"Title", "Night Post (long title that v1 cannot hold)".encode(), 0)]) + id3v1("Night Post (long title that v1 cannot", "The Hollow Ferry")
    out["v1 hidden by ape.mp3"] = mp3 + id3v1("Hidden", "The Hollow Ferry") + ape_tag([(b"Title", b"Shown", 0)])
    out["cp1251 in latin1.mp3"] = id3v2([(b"TIT2", b"\0" + "Северный ветер".encode("cp1251")), (b"TPE1", b"\0" + "Хор Маяка".encode("cp1251"))]) + mp3
    out["shift-jis in latin1.mp3"] = id3v2([(b"TIT2", b"\0" + "灯台のうた".encode("shift_jis")), (b"TPE1", b"\0" + "灯台うた会".encode("shift_jis"))]) + mp3
    out["utf8 in latin1.mp3"] = id3v2([(b"TIT2", b"\0" + "Åse-Linn Brække".encode("utf-8"))]) + mp3
    out["v1 in cp1251.mp3"] = mp3 + id3v1("Северный ветер".encode("cp1251"), "Хор Маяка".encode("cp1251"))
    out["id3 before flac.flac"] = id3v2([(b"TIT2", t("In front")), (b"TPE1", t("The Hollow Ferry"))]) + flac
    out["info before the sound.wav"] = with_chunks(wav, before=chunk(b"LIST", b"INFO" + chunk(b"INAM", b"Night Post\0") + chunk(b"IART", b"The Hollow Ferry\0")))
    out["info and id3 that differ.wav"] = with_chunks(wav, after=chunk(b"LIST", b"INFO" + chunk(b"INAM", b"Night Pots\0")) + chunk(b"id3 ", id3v2([(b"TIT2", t("Night Post"))])))
    out["info in cp1251.wav"] = with_chunks(wav, after=chunk(b"LIST", b"INFO" + chunk(b"INAM", "Северный ветер".encode("cp1251") + b"\0")))
    out["unknown info.wav"] = with_chunks(wav, after=chunk(b"LIST", b"INFO" + chunk(b"INAM", b"Night Post\0") + chunk(b"IZZZ", b"what\0")))
    out["bext and odd chunks.wav"] = with_chunks(wav, before=chunk(b"bext", b"Night Post".ljust(602, b"\0")) + chunk(b"abcd", b"odd"), after=chunk(b"cue ", b"\0\0\0\0"))
    bext = b"Night Post, pier".ljust(256, b"\0") + b"Tarnholm Sound".ljust(32, b"\0") + b"TS-0042".ljust(32, b"\0") + b"1998-10-05" + b"20:15:00" + struct.pack("<QH", 48000 * 3600, 1) + bytes(range(1, 65)) + b"\0" * 190 + b"A=ANALOGUE,M=mono\r\n"
    ixml = b"<?xml version=\"1.0\"?><BWFXML><PROJECT>Ferry &amp; Pier</PROJECT><SCENE>3</SCENE><TAKE>2</TAKE><NOTE></NOTE></BWFXML>"
    out["bext and ixml.wav"] = with_chunks(wav, before=chunk(b"bext", bext), after=chunk(b"iXML", ixml))
    out["damaged frame in a chunk.wav"] = with_chunks(wav, after=chunk(b"id3 ", id3v2([(b"TIT2", t("Night Post")), (b"TA\x91B", t("Lost")), (b"TPE1", t("The Hollow Ferry"))])))
    out["empty frame in a chunk.wav"] = with_chunks(wav, after=chunk(b"id3 ", id3v2([(b"TIT2", t("Night Post")), (b"TALB", b""), (b"TPE1", t("The Hollow Ferry"))])))
    big = lambda id, data: id + struct.pack(">I", len(data)) + data + (b"\0" if len(data) & 1 else b"")
    form = lambda parts: (lambda a: a[:4] + struct.pack(">I", len(a) - 8) + a[8:])(aiff + parts)
    out["text chunks.aiff"] = form(big(b"NAME", b"Night Post") + big(b"AUTH", b"The Hollow Ferry") + big(b"ANNO", b"first note") + big(b"ANNO", b"\x81se-Linn"))
    out["text chunks and id3 that differ.aiff"] = form(big(b"NAME", b"Night Pots") + big(b"(c) ", b"1998 Tarnholm") + big(b"ID3 ", id3v2([(b"TIT2", t("Night Post"))])))
    box = lambda id, data: struct.pack(">I", len(data) + 8) + id + data
    data_of = lambda kind, data: box(b"data", struct.pack(">II", kind, 0) + data)
    out["odd items.m4a"] = m4a_with(m4a, box(b"\xa9nam", data_of(1, b"Night Post")) + box(b"zzzz", box(b"what", b"1234")) + box(b"----", box(b"mean", b"\0\0\0\0com.apple.iTunes") + box(b"name", b"\0\0\0\0EMPTY")))
    comment = lambda pairs: struct.pack("<I", 6) + b"vendor" + struct.pack("<I", len(pairs)) + b"".join(struct.pack("<I", len(p)) + p for p in pairs)
    block = lambda kind, data, last=False: bytes([kind | (0x80 if last else 0)]) + len(data).to_bytes(3, "big") + data
    def flac_with(blocks):
        at, kept = 4, b""
        while True:
            kind, n = flac[at], int.from_bytes(flac[at + 1:at + 4], "big")
            if kind & 0x7f == 0:
                kept = flac[at + 4:at + 4 + n]
            at += 4 + n
            if kind & 0x80:
                break
        return b"fLaC" + block(0, kept) + b"".join(blocks) + block(1, b"\0" * 64, True) + flac[at:]
    out["lower case and no value.flac"] = flac_with([block(4, comment([b"title=Night Post", b"Artist=The Hollow Ferry", b"no sign of equals", b"EMPTY="]))])
    out["latin1 in comments.flac"] = flac_with([block(4, comment([b"TITLE=Night Post", b"ARTIST=\xc5se-Linn Br\xe6kke"]))])
    out["two comment blocks.flac"] = flac_with([block(4, comment([b"TITLE=Night Post"])), block(4, comment([b"TITLE=Second"]))])
    out["unknown blocks.flac"] = flac_with([block(4, comment([b"TITLE=Night Post"])), block(2, b"abcdwhat"), block(9, b"new")])
    out["named wrongly.mp3"] = flac
    out["named wrongly.flac"] = mp3
    out["named wrongly.wav"] = ogg
    out["no ending"] = id3v2([(b"TIT2", t("Night Post"))]) + mp3
    for name, data in out.items():
        open(os.path.join(folder, name), "wb").write(data)


def broken(folder, sources, count=500):
    """Always the same damage, of twelve kinds."""
    files = [(n, open(os.path.join(d, n), "rb").read()) for d in sources for n in sorted(os.listdir(d))]
    rnd = random.Random(20260101)
    for i in range(count):
        name, data = files[i % len(files)]
        data = bytearray(data)
        n = len(data)
        kind = (i + i // len(files)) % 12
        if kind == 0:
            data = data[:rnd.randrange(n)]
        elif kind == 1:
            data = data[:rnd.randrange(min(n, 400))]
        elif kind == 2:
            for _ in range(20):
                data[rnd.randrange(n)] ^= 1 << rnd.randrange(8)
        elif kind == 3:
            for _ in range(8):
                data[rnd.randrange(min(n, 300))] = rnd.randrange(256)
        elif kind == 4:
            at = rnd.randrange(min(n, 4000))
            data[at:at + 64] = bytes(min(64, n - at))
        elif kind == 5:
            at = rnd.randrange(min(n, 2000))
            data[at:at] = rnd.randbytes(rnd.randrange(1, 200))
        elif kind == 6:
            del data[(at := rnd.randrange(min(n, 2000))):at + rnd.randrange(1, 200)]
        elif kind == 7:
            at = rnd.randrange(min(n, 200))
            data[at:at + 4] = b"\xff\xff\xff\xff"
        elif kind == 8:
            at = rnd.randrange(min(n, 200))
            data[at:at + 4] = b"\x7f\xff\xff\xff"
        elif kind == 9:
            data[max(0, n - 200):] = rnd.randbytes(min(n, 200))
        elif kind == 10:
            data = data + data[:rnd.randrange(n)]
        else:
            data = bytearray(rnd.randbytes(40)) + data
        stem, _, ending = name.rpartition(".")
        ending = ending if stem else "mp3"
        open(os.path.join(folder, f"{i:03d} {stem or name} {kind}.{ending}"), "wb").write(data)


def main(out, seconds=2.5, damaged=500):
    good, tagged, odd_folder, broken_folder = (os.path.join(out, n) for n in ("plain", "good", "odd", "broken"))
    for f in (good, tagged, odd_folder, broken_folder):
        os.makedirs(f, exist_ok=True)
    pictures = picture(out)
    names = sounds(good, seconds)
    for name in names:
        source, target = os.path.join(good, name), os.path.join(tagged, name)
        shutil.copy(source, target)
        if name.rsplit(".", 1)[1] not in ("ac3", "aac", "au", "caf", "w64", "dts", "mka", "eac3", "voc", "thd", "dsf"):
            give_tags(target, FIELDS, pictures)
    for name in ("lame-vbr.mp3", "sox.wav", "sox.aiff", "ffmpeg.tta"):
        target = os.path.join(tagged, "v23 " + name)
        shutil.copy(os.path.join(good, name), target)
        give_tags(target, FIELDS, pictures, 3)
    odd(odd_folder, good, pictures)
    broken(broken_folder, (tagged, odd_folder), damaged)


if __name__ == "__main__":
    main(sys.argv[1], *(float(a) for a in sys.argv[2:3]), *(int(a) for a in sys.argv[3:4]))
