# SPDX-License-Identifier: GPL-3.0-or-later
# Tags down to their bytes, for the test that an edit changes nothing but what was edited. Independent of Moorfrost:
# written from the specifications of the formats, with mutagen where that gives the bytes.
#   raw_tags.py plain FOLDER                    the sounds that the others are made of
#   raw_tags.py make FOLDER PLAIN SEED COUNT   files with odd tags, made of the plain sounds in PLAIN
#   raw_tags.py compare                        lines "field<TAB>before<TAB>after" on standard input; a line of JSON for
#                                              each, with what is otherwise beside the field
import json
import os
import random
import struct
import sys
import zlib

sys.path.insert(0, os.path.dirname(os.path.abspath(__file__)))
from build import ape_tag, chunk, id3v1, id3v2, m4a_with, sounds, with_chunks

u16 = lambda s: b"\1" + s.encode("utf-16")
l1 = lambda s: b"\0" + s.encode("latin-1")
u8 = lambda s: b"\3" + s.encode()
PNG = bytes.fromhex("89504e470d0a1a0a0000000d4948445200000001000000010806000000")
JPG = bytes.fromhex("ffd8ffe000104a46494600010100000100010000ffc0000b080001000101011100")


# ---------------------------------------------------------------- making

def id3_frames(rnd, version):
    text = u8 if version == 4 else u16
    lists = [(b"TIPL", text("producer\0Wren-Low\0arranger\0Odran Fell") if version == 4 else None),
             (b"TMCL", text("cello\0Isla Varnholt\0Vocals\0Åse-Linn Brække") if version == 4 else None),
             (b"IPLS", None if version == 4 else l1("Cello\0Isla Varnholt\0mixing desk\0Wren-Low"))]
    pool = [
        (b"COMM", l1("eng\0first words")[0:1] + b"eng\0first words"), (b"COMM", b"\0deu\0erste Worte"),
        (b"COMM", b"\0engiTunNORM\0 000003E8"), (b"COMM", b"\0engTape notes\0reel 7"), (b"COMM", b"\0XXXTape notes\0again"),
        (b"USLT", b"\0eng\0First line"), (b"USLT", b"\0deu\0Erste Zeile"), (b"USLT", b"\0engchorus\0la la"),
        (b"WOAR", b"https://example.org/a"), (b"WOAR", b"https://example.org/b"), (b"WXXX", b"\0shop\0https://example.org/s"),
        (b"WXXX", b"\0\0https://example.org/plain"), (b"WCOP", b"https://example.org/c"),
        (b"TIT1", l1("Harbour songs")), (b"GRP1", l1("Other group")), (b"TPE2", l1("The Hollow Ferry")),
        (b"TXXX", b"\0ALBUMARTIST\0The Hollow Ferry"), (b"TKEY", l1("Dm")), (b"TXXX", b"\0INITIALKEY\0Dm"),
        (b"TPUB", l1("Gannet Row")), (b"TXXX", b"\0LABEL\0Gannet Row"), (b"TXXX", b"\0Reel Number\0" + b"7b"),
        (b"TXXX", u16("Künstler") + b"\0\0" + "Åse-Linn".encode("utf-16")), (b"TXXX", b"\0twice\0a"), (b"TXXX", b"\0twice\0b"),
        (b"TXXX", b"\0ENCODED_BY\0somebody"), (b"TXXX", b"\0CATALOGUE_NUMBER\0GR 98-011"), (b"TXXX", b"\0CARRIER\0Cassette"),
        (b"TCON", l1("(17)")), (b"TCON", l1("(80)Harbour folk")), (b"TPE1", l1("Kestrel & Rook\0Wren-Low")),
        (b"TALB", u16("Lanterns")), (b"TRCK", l1("03/12")), (b"TPOS", l1("1")), (b"TENC", l1("archive")),
        (b"TCOM", u16("Isla Varnholt")), (b"TXXX", b"\0COMMENT\0one more"), (b"TXXX", b"\0PERFORMER\0Somebody"),
        (b"PRIV", b"owner\0" + bytes(range(40))), (b"PRIV", b"owner\0again"), (b"UFID", b"example.org\0abc"),
        (b"POPM", b"me@example.org\0\x80\0\0\0\5"), (b"PCNT", b"\0\0\0\7"), (b"GEOB", b"\0text/plain\0f.txt\0\0body"),
        (b"MCDI", b"\0\1\2\3"), (b"XQQQ", b"\1\2\3"), (b"RVAD", bytes([3, 16, 0, 9, 0, 9])), (b"TSIZ", l1("9000")),
        (b"TLEN", l1("2500")), (b"TSSE", l1("encoder")), (b"TFLT", l1("MPG/3")), (b"TALB", b""), (b"TA\x91B", l1("Lost")),
        (b"APIC", b"\0image/png\0\3front\0" + PNG), (b"APIC", b"\0image/jpeg\0\4" + b"back\0" + JPG),
        (b"SYLT", b"\0eng\2\1\0line\0\0\0\0\1"), (b"TSOP", l1("Hollow Ferry, The")), (b"TLAN", l1("eng")),
        (b"ETCO", b"\2\1\0\0\0\1"), (b"TOPE", l1("Somebody else")), (b"TIT3", l1("a subtitle"))]
    if version == 3:
        pool += [(b"TYER", l1("98")), (b"TYER", l1("1998")), (b"TDAT", l1("0510")), (b"TIME", l1("2015")), (b"TORY", l1("1986")),
                 (b"TRDA", l1("June")), (b"TDRC", l1("1998-10")), (b"TBPM", l1("96"), 0x0020)]
        pool[-1] = (b"TBPM", b"\5" + l1("96"), 0x0020)  # in a group
    if version == 4:
        packed = zlib.compress(b"\3BOX\0twelve")
        pool += [(b"TDRC", l1("1998-10-05")), (b"TDOR", l1("1986")), (b"TMOO", l1("Quiet")),
                 (b"TXXX", struct.pack(">I", 11) + packed, 0x0009), (b"TDRL", l1("2011"))]
    chosen = [(b"TIT2", text("Old title"))] + rnd.sample(pool, rnd.randrange(4, 16))
    chosen += [f for f in lists if f[1] and rnd.random() < 0.5]
    rnd.shuffle(chosen)
    seen, out = set(), []
    for f in chosen:  # several of a kind only where that happens
        if f[0] in (b"TYER", b"TCON", b"TALB") and f[0] in seen:
            continue
        seen.add(f[0])
        out.append(f)
    return out


def id3_22(rnd):
    pool = [(b"COM", b"\0eng\0first words"), (b"COM", b"\0deu\0erste Worte"), (b"ULT", b"\0eng\0First line"), (b"TP1", l1("Kestrel & Rook")),
            (b"TAL", l1("Lanterns")), (b"TYE", l1("2021")), (b"TRK", l1("2/9")), (b"PIC", b"\0PNG\3front\0" + PNG), (b"XYZ", b"\1\2"),
            (b"TXX", b"\0Reel Number\0" + b"7b"), (b"CNT", b"\0\0\0\1"), (b"UFI", b"example.org\0abc"), (b"TPB", l1("Gannet Row"))]
    return [(b"TT2", l1("Old title"))] + rnd.sample(pool, rnd.randrange(3, 9))


def id3_tag(rnd):
    version = rnd.choice([2, 3, 3, 3, 4, 4, 4])
    frames = id3_22(rnd) if version == 2 else id3_frames(rnd, version)
    flags = 0x80 if version < 4 and rnd.random() < 0.2 else 0
    return id3v2(frames, version, flags, rnd.choice([0, 0, 40, 600]))


def comment_entries(rnd):
    pool = [b"ARTIST=The Hollow Ferry", b"Artist=Wren-Low", "KÜNSTLER=Åse-Linn".encode(), b"A~B=c", b"no sign of equals", b"EMPTY=",
            b"=no name", b"ALBUM=\xc5land", b"METADATA_BLOCK_PICTURE=not base64 !!", b"METADATA_BLOCK_PICTURE=AAAA", b"COVERART=AAAA",
            b"TRACKNUMBER=3/12", b"TRACKNUMBER=3", b"TRACKTOTAL=12", b"TOTALTRACKS=12", b"ENCODED_BY=somebody", b"CATALOGUE_NUMBER=GR 98-011",
            b"CARRIER=Cassette", b"ORGANIZATION=Gannet Row", b"LABEL=Gannet Row", b"comment=first", b"COMMENT=second", b"DESCRIPTION=third",
            b"date=1998", b"YEAR=1998", b"GENRE=Folk", b"GENRE=Folk", b"reel number=7b", b"PERFORMER=Isla Varnholt (cello)", b"LYRICS=a\nb",
            b"PRODUCER=Wren-Low", b"COMPOSER=Isla Varnholt", b"WEBSITE=https://example.org", b"GROUPING=g", b"KEY=Dm", b"DISC=1"]
    out = [b"TITLE=Old title"] + rnd.sample(pool, rnd.randrange(4, 16))
    rnd.shuffle(out)
    return out


def comment_block(rnd):
    pairs = comment_entries(rnd)
    return struct.pack("<I", 6) + b"vendor" + struct.pack("<I", len(pairs)) + b"".join(struct.pack("<I", len(p)) + p for p in pairs)


def flac_odd(rnd, flac):
    block = lambda kind, data, last=False: bytes([kind | (0x80 if last else 0)]) + len(data).to_bytes(3, "big") + data
    at, info = 4, b""
    while True:
        kind, n = flac[at], int.from_bytes(flac[at + 1:at + 4], "big")
        if kind & 0x7F == 0:
            info = flac[at + 4:at + 4 + n]
        at += 4 + n
        if kind & 0x80:
            break
    picture = lambda t, d: struct.pack(">II", t, 9) + b"image/png" + struct.pack(">I", 0) + struct.pack(">IIII", 1, 1, 24, 0) + struct.pack(">I", len(d)) + d
    blocks = [block(4, comment_block(rnd))]
    for extra in ((2, b"abcdwhat"), (6, picture(3, PNG)), (6, b"broken"), (9, b"new"), (5, b"cue sheet?"), (1, b"\0" * 50)):
        if rnd.random() < 0.5:
            blocks.insert(rnd.randrange(len(blocks) + 1), block(*extra))
    out = b"fLaC" + block(0, info) + b"".join(blocks) + block(1, b"\0" * rnd.choice([0, 30, 900]), True) + flac[at:]
    if rnd.random() < 0.3:
        out = id3_tag(rnd) + out
    if rnd.random() < 0.3:
        out += id3v1("Old title", "The Hollow Ferry", "Night Post EP", "1998", "from tape")
    return out


def ogg_crc(data):
    crc = 0
    for b in data:
        crc ^= b << 24
        for _ in range(8):
            crc = (crc << 1 ^ 0x04C11DB7 if crc & 0x80000000 else crc << 1) & 0xFFFFFFFF
    return crc


def ogg_pages(data):
    at, out = 0, []
    while at < len(data):
        n = data[at + 26]
        lacing = data[at + 27:at + 27 + n]
        size = 27 + n + sum(lacing)
        out.append((data[at:at + 27], lacing, data[at + 27 + n:at + size]))
        at += size
    return out


def ogg_packet1(data):
    packet, out = 0, b""
    for _, lacing, body in ogg_pages(data):
        at = 0
        for n in lacing:
            if packet == 1:
                out += body[at:at + n]
            at += n
            if n < 255:
                packet += 1
                if packet == 2:
                    return out
    return out


def ogg_odd(rnd, data):
    """The comment packet of mutagen's or the encoder's file, made anew in pages of its own."""
    pages = ogg_pages(data)
    head = ogg_packet1(data)
    packets, packet, done = [], b"", False  # all packets up to where the headers end
    used = 1
    for _, lacing, body in pages[1:]:
        used += 1
        at = 0
        for n in lacing:
            packet += body[at:at + n]
            at += n
            if n < 255:
                packets.append(packet)
                packet = b""
        if not packet:
            break
    start = b"\x03vorbis" if head.startswith(b"\x03vorbis") else b"OpusTags" if head.startswith(b"OpusTags") else b""
    packets[0] = start + comment_block(rnd) + (b"\1" if start != b"OpusTags" else rnd.choice([b"", b"", b"\1kept" * 5]))
    out, sequence = b"".join(h + l + b for h, l, b in pages[:1]), 1
    lacing = b"".join(b"\xff" * (len(p) // 255) + bytes([len(p) % 255]) for p in packets)
    body = b"".join(packets)
    serial = pages[0][0][14:18]
    while lacing:
        l, lacing = lacing[:255], lacing[255:]
        b, body = body[:sum(l)], body[sum(l):]
        ends = any(n < 255 for n in l)
        flags = 1 if out and sequence > 1 and carried else 0
        carried = l[-1] == 255
        h = b"OggS\0" + bytes([flags]) + (b"\0" * 8 if ends else b"\xff" * 8) + serial + struct.pack("<I", sequence) + b"\0" * 4 + bytes([len(l)])
        page = h + l + b
        out += page[:22] + struct.pack("<I", ogg_crc(page)) + page[26:]
        sequence += 1
    for h, l, b in pages[used:]:
        page = h[:18] + struct.pack("<I", sequence) + b"\0" * 4 + h[26:] + l + b
        out += page[:22] + struct.pack("<I", ogg_crc(page)) + page[26:]
        sequence += 1
    return out


def mp4_items(rnd):
    box = lambda id, data: struct.pack(">I", len(data) + 8) + id + data
    data = lambda kind, value: box(b"data", struct.pack(">II", kind, 0) + value)
    free = lambda name, *values: box(b"----", box(b"mean", b"\0\0\0\0com.apple.iTunes") + box(b"name", b"\0\0\0\0" + name) + b"".join(values))
    pool = [box(b"\xa9ART", data(1, b"The Hollow Ferry")), box(b"\xa9ART", data(1, b"Wren-Low")), free(b"LABEL", data(1, b"Gannet Row")),
            free(b"LABEL", data(1, b"Fellside")), free(b"Reel Number", data(1, b"7b")), free(b"BLOB", data(0, b"\xff\xfe\x01")), free(b"EMPTY"),
            box(b"gssd", data(1, b"what")), box(b"zzzz", box(b"what", b"1234")), box(b"gnre", data(0, b"\0\x12")), box(b"\xa9alb", data(1, b"Lanterns")),
            box(b"trkn", data(0, b"\0\0\0\3\0\x0c\0\0")), box(b"disk", data(0, b"\0\0\0\1\0\2")), box(b"tmpo", data(21, b"\0\x60")),
            box(b"cpil", data(21, b"\1")), box(b"covr", data(14, PNG) + data(13, JPG)), box(b"free", b"\0" * 12), box(b"\xa9cmt", data(1, b"first") + data(1, b"second")),
            box(b"\xa9day", data(1, b"1998")), box(b"hdvd", data(21, b"\0")), box(b"\xa9grp", data(1, b"g")), free(b"iTunSMPB", data(1, b" 0 0 0")),
            box(b"aART", data(2, "Хор".encode("utf-16-be"))), box(b"\xa9lyr", data(1, b"a\nb")), free(b"ENCODED_BY", data(1, b"x"))]
    chosen = [box(b"\xa9nam", data(1, b"Old title"))] + rnd.sample(pool, rnd.randrange(4, 14))
    rnd.shuffle(chosen)
    return b"".join(chosen)


def ape_odd(rnd):
    pool = [(b"Artist", b"The Hollow Ferry\0Wren-Low", 0), (b"Album", b"Lanterns", 0), (b"Date", b"1998", 0), (b"Year", b"1998", 0), (b"Track", b"3/12", 0),
            (b"TOTALTRACKS", b"12", 0), (b"Comment", b"first", 0), (b"Label", b"Gannet Row", 0), (b"reel number", b"7b", 0), (b"Blob", b"\1\2\3", 2),
            (b"Link", b"https://example.org", 4), (b"Cover Art (Front)", b"f.png\0" + PNG, 2), (b"ENCODED_BY", b"x", 0), (b"Genre", b"Folk", 0),
            (b"Album Artist", b"The Hollow Ferry", 0), (b"ALBUMARTIST", b"The Hollow Ferry", 0), (b"Latin", b"\xc5land", 0), (b"Producer", b"Wren-Low", 0)]
    return ape_tag([(b"Title", b"Old title", 0)] + rnd.sample(pool, rnd.randrange(3, 12)), rnd.random() < 0.8)


def info_items(rnd, names):
    return b"INFO" + b"".join(chunk(n, v) for n, v in names)


def wav_odd(rnd, wav):
    pool = [(b"IART", b"The Hollow Ferry\0"), (b"IART", b"Wren-Low\0"), (b"IZZZ", b"what\0"), (b"ISFT", b"recorder\0"), (b"ICMT", b"first\0"),
            (b"ICRD", b"1998\0"), (b"IGNR", b"Folk\0"), (b"IPRD", b"Lanterns"), (b"IENG", b"Odran Fell\0"), (b"IPRT", b"3\0")]
    lists = [chunk(b"LIST", info_items(rnd, [(b"INAM", b"Old title\0")] + rnd.sample(pool, rnd.randrange(2, 8))))]
    if rnd.random() < 0.5:
        lists.append(chunk(b"LIST", info_items(rnd, rnd.sample(pool, 2))))
    parts = lists + [chunk(b"cue ", b"\0\0\0\0"), chunk(b"bext", b"Night Post".ljust(602, b"\0"))]
    if rnd.random() < 0.7:
        parts.append(chunk(rnd.choice([b"id3 ", b"ID3 "]), id3_tag(rnd)))
    rnd.shuffle(parts)
    cut = rnd.randrange(len(parts) + 1)
    return with_chunks(wav, b"".join(parts[:cut]), b"".join(parts[cut:]))


def rf64(rnd, wav, name):
    """The same as a file with lengths of 64 bits (EBU Tech 3306, ITU-R BS.2088)."""
    at = wav.index(b"data")
    length = struct.unpack("<I", wav[at + 4:at + 8])[0]
    rest = wav[12:at] + b"data\xff\xff\xff\xff" + wav[at + 8:]
    ds64 = struct.pack("<QQQI", 4 + 36 + len(rest), length, length // 4, 0)
    return name + b"\xff\xff\xff\xffWAVE" + chunk(b"ds64", ds64) + rest


def aiff_odd(rnd, aiff):
    big = lambda id, data: id + struct.pack(">I", len(data)) + data + (b"\0" if len(data) & 1 else b"")
    parts = [p for p in (big(b"NAME", b"Old title"), big(b"AUTH", b"The Hollow Ferry"), big(b"ANNO", b"first note"), big(b"ANNO", b"second"),
                         big(b"(c) ", b"1998"), big(b"MARK", b"\0\0"), big(b"APPL", b"what"), big(b"ID3 ", id3_tag(rnd))) if rnd.random() < 0.6]
    rnd.shuffle(parts)
    out = aiff + b"".join(parts)
    return out[:4] + struct.pack(">I", len(out) - 8) + out[8:]


def asf_odd(rnd, path):
    from mutagen.asf import ASF, ASFByteArrayAttribute, ASFBoolAttribute, ASFDWordAttribute, ASFQWordAttribute, ASFUnicodeAttribute, ASFWordAttribute
    f = ASF(path)
    f.tags.clear()
    pool = [("Author", ["The Hollow Ferry"]), ("WM/AlbumTitle", ["Lanterns"]), ("WM/Publisher", ["Gannet Row", "Fellside"]), ("WM/TrackNumber", ["3/12"]),
            ("WM/Track", [ASFDWordAttribute(2)]), ("Reel Number", ["7b"]), ("Blob", [ASFByteArrayAttribute(b"\1\2\3")]), ("Yes", [ASFBoolAttribute(True)]),
            ("Large", [ASFQWordAttribute(1 << 40)]), ("Small", [ASFWordAttribute(3)]), ("WM/Genre", ["Folk", "Choral"]), ("Copyright", ["1998"]),
            ("WM/Composer", [ASFUnicodeAttribute("Isla Varnholt", stream=1)]), ("WM/Lyrics", [ASFUnicodeAttribute("a", language=0)]),
            ("WM/Picture", [ASFByteArrayAttribute(b"\3" + struct.pack("<I", len(PNG)) + "image/png\0".encode("utf-16-le") + b"\0\0" + PNG)])]
    f["Title"] = ["Old title"]
    for name, values in rnd.sample(pool, rnd.randrange(3, 10)):
        f[name] = values
    f.save()


def make(folder, plain, seed, count):
    os.makedirs(folder, exist_ok=True)
    read = lambda n: open(os.path.join(plain, n), "rb").read()
    mp3, flac, oga, ogg, opus, spx, m4a, front, wav, aiff, wv, tta, mpc = (read(n) for n in (
        "ffmpeg.mp3", "flac.flac", "flac-in-ogg.oga", "oggenc.ogg", "opusenc.opus", "speexenc.spx", "aac.m4a", "front.m4a", "sox.wav", "sox.aiff",
        "wavpack.wv", "ffmpeg.tta", "mpcenc.mpc"))
    for i in range(count):
        rnd = random.Random(seed * 1000003 + i)
        kind = i % 13
        if kind in (0, 1):
            name = "mp3"
            data = (id3_tag(rnd) if rnd.random() < 0.9 else b"") + mp3
            v1 = id3v1(b"Old title", "The Hollow Ferry", "Night Post EP", "1998", "from tape") if rnd.random() < 0.5 else b""
            ape = ape_odd(rnd) if rnd.random() < 0.4 else b""
            data += v1 + ape if rnd.random() < 0.3 else ape + v1
        elif kind in (2, 3):
            name, data = "flac", flac_odd(rnd, flac)
        elif kind == 4:
            name, data = "ogg", ogg_odd(rnd, ogg)
        elif kind == 5:
            name, data = "opus", ogg_odd(rnd, opus)
        elif kind == 6:
            name, data = "spx", ogg_odd(rnd, spx)
        elif kind == 7:
            name, data = "m4a", m4a_with(m4a, mp4_items(rnd))
        elif kind == 8:
            name, data = "wav", wav_odd(rnd, wav)
            if rnd.random() < 0.3:
                data = rf64(rnd, data, rnd.choice([b"RF64", b"BW64"]))
        elif kind == 9:
            name, data = "aiff", aiff_odd(rnd, aiff)
        elif kind == 10:
            name, data = rnd.choice([("wv", wv), ("mpc", mpc)])
            data += ape_odd(rnd) + (id3v1("Old title", "The Hollow Ferry") if rnd.random() < 0.4 else b"")
        elif kind == 11:
            name, data = "tta", id3_tag(rnd) + tta
        else:
            name, data = "wma", read("ffmpeg.wma")
        path = os.path.join(folder, f"{i:04d}.{name}")
        open(path, "wb").write(data)
        if name == "wma":
            asf_odd(rnd, path)


# ---------------------------------------------------------------- reading

MODERN = {b"COM": b"COMM", b"ULT": b"USLT", b"TP1": b"TPE1", b"TEN": b"TENC", b"TKE": b"TKEY", b"TMT": b"TMED", b"TP2": b"TPE2", b"TT1": b"TIT1", b"TAL": b"TALB", b"TYE": b"TYER", b"TRK": b"TRCK", b"TXX": b"TXXX", b"TPB": b"TPUB", b"TT2": b"TIT2",
          b"PIC": b"APIC", b"CNT": b"PCNT", b"UFI": b"UFID", b"TCO": b"TCON", b"TCM": b"TCOM", b"IPL": b"IPLS", b"WAR": b"WOAR", b"TDA": b"TDAT", b"TIM": b"TIME"}
# What may change with a field: frames, and names in formats that name freely.
FRAMES = {"title": ["TIT2"], "artist": ["TPE1"], "album": ["TALB"], "album_artist": ["TPE2"], "track": ["TRCK"], "tracks": ["TRCK"], "date": ["TDRC", "TYER", "TDAT", "TIME"],
          "genre": ["TCON"], "comment": ["COMM"], "lyrics": ["USLT"], "label": ["TPUB"], "grouping": ["TIT1", "GRP1"], "performer": ["TMCL", "TIPL", "IPLS"],
          "producer": ["TIPL", "IPLS", "TMCL"], "website": ["WOAR", "WXXX"], "encoded_by": ["TENC"], "key": ["TKEY"], "composer": ["TCOM"], "reel number": [], "mood": ["TMOO"],
          "catalogue_number": [], "carrier": ["TMED"]}
NAMES = {"album_artist": ["ALBUMARTIST", "ALBUM ARTIST", "ALBUM_ARTIST"], "track": ["TRACKNUMBER", "TRACK"], "tracks": ["TRACKTOTAL", "TOTALTRACKS", "TRACKS"],
         "date": ["DATE", "YEAR"], "comment": ["COMMENT", "DESCRIPTION"], "lyrics": ["LYRICS", "UNSYNCEDLYRICS"], "label": ["LABEL", "ORGANIZATION"],
         "website": ["WEBSITE", "URL", "ARTISTWEBPAGE"], "encoded_by": ["ENCODEDBY", "ENCODED-BY", "ENCODED_BY"], "key": ["INITIALKEY", "KEY"],
         "catalogue_number": ["CATALOGNUMBER", "CATALOGUENUMBER", "LABELNO", "CATALOGUE_NUMBER"], "carrier": ["MEDIA", "CARRIER"]}
ATOMS = {"title": "\xa9nam", "artist": "\xa9ART", "album": "\xa9alb", "album_artist": "aART", "track": "trkn", "tracks": "trkn", "date": "\xa9day", "genre": "\xa9gen gnre",
         "comment": "\xa9cmt", "lyrics": "\xa9lyr", "grouping": "\xa9grp", "encoded_by": "\xa9too", "composer": "\xa9wrt"}
INFO = {"title": "INAM", "artist": "IART", "album": "IPRD", "date": "ICRD", "genre": "IGNR", "comment": "ICMT", "track": "IPRT", "tracks": "IPRT", "composer": "IMUS",
        "encoded_by": "ITCH"}
TEXTS = {"title": "NAME", "artist": "AUTH", "comment": "ANNO"}
WMA = {"title": "Title", "artist": "Author", "album": "WM/AlbumTitle", "album_artist": "WM/AlbumArtist", "track": "WM/TrackNumber", "tracks": "WM/TrackNumber", "date": "WM/Year",
       "genre": "WM/Genre", "comment": "Description", "lyrics": "WM/Lyrics", "label": "WM/Publisher", "grouping": "WM/ContentGroupDescription", "producer": "WM/Producer",
       "website": "WM/AuthorURL", "encoded_by": "WM/EncodedBy", "key": "WM/InitialKey", "composer": "WM/Composer", "mood": "WM/Mood", "catalogue_number": "WM/CatalogNo",
       "carrier": "WM/Media"}


def names_of(field):
    return NAMES.get(field, [field.upper()]) + ([] if field in NAMES else [])


def synch(data):
    return data.replace(b"\xff\0", b"\xff")


def id3_parts(data, field, out, where):
    """Frames with their flags and contents, without those of the field."""
    version, flags = data[3], data[5]
    size = data[6] << 21 | data[7] << 14 | data[8] << 7 | data[9]
    body = data[10:10 + size]
    if flags & 0x80 and version < 4:
        body = synch(body)
    at, head = 0, 6 if version == 2 else 10
    while at + head <= len(body) and body[at]:
        id = body[at:at + (3 if version == 2 else 4)]
        n = body[at + len(id):at + 2 * len(id)]
        length = n[0] << 21 | n[1] << 14 | n[2] << 7 | n[3] if version == 4 else int.from_bytes(n, "big")
        content = body[at + head:at + head + length]
        fflags = body[at + 8:at + 10] if version > 2 else b"\0\0"
        at += head + length
        modern = MODERN.get(id, id)
        mine = modern.decode("latin-1") in FRAMES[field]
        if modern == b"COMM" and field == "comment" or modern == b"USLT" and field == "lyrics":
            mine = words(content) in ("", None)
        if modern == b"WXXX":
            mine = mine and content[1:2] == b"\0"
        if modern == b"TXXX":
            plain = content
            if fflags[1] & 8 and version == 4:
                plain = zlib.decompress(content[4:])
            wide = plain[:1] in (b"\1", b"\2")
            name = plain[1:].decode("utf-16", "ignore").split("\0")[0] if wide else plain[1:].split(b"\0")[0].decode("latin-1")
            mine = name.upper() in names_of(field) or (field == "performer" and name.upper() == "PERFORMER")
        if not mine:
            out.append((where, modern.decode("latin-1"), fflags.hex(), content.hex()))
    rest = body[at:].rstrip(b"\0")
    if rest:
        out.append((where, "rest", rest.hex()))
    return 10 + size


def words(content):
    text = content[4:]
    if content[:1] in (b"\1", b"\2"):
        for i in range(0, len(text) - 1, 2):
            if text[i:i + 2] == b"\0\0":
                return text[:i].decode("utf-16", "ignore").strip("\ufeff")
        return None
    return text.split(b"\0")[0].decode("latin-1") if b"\0" in text else None


JOINT = set()  # files in which "3/12" says both a number and a total


def comment_parts(b, field, out):
    n = struct.unpack("<I", b[:4])[0]
    out.append(("vendor", b[4:4 + n].hex()))
    at = 8 + n
    for _ in range(struct.unpack("<I", b[4 + n:8 + n])[0]):
        size = struct.unpack("<I", b[at:at + 4])[0]
        entry = b[at + 4:at + 4 + size]
        at += 4 + size
        name = entry.split(b"=")[0].decode("utf-8", "replace").upper() if b"=" in entry else None
        pair = field in ("track", "tracks") and JOINT and name in names_of("track") + names_of("tracks")
        if name not in names_of(field) and not pair:
            out.append(("comment", entry.hex()))
    return b[at:]


def old_parts(data, field, out):
    ranges = {"title": (3, 33), "artist": (33, 63), "album": (63, 93), "date": (93, 97), "comment": (97, 125), "track": (125, 127), "genre": (127, 128)}
    for name, (a, b) in ranges.items():
        if name != field and not (field == "tracks" and name == "track"):
            out.append(("ID3v1", name, data[a:b].hex()))


def end_parts(data, field, out, ape=True):
    end = len(data)
    for _ in range(2):
        if data[end - 128:end - 125] == b"TAG":
            old_parts(data[end - 128:end], field, out)
            end -= 128
        if ape and data[end - 32:end - 24] == b"APETAGEX":
            size, count, flags = struct.unpack("<III", data[end - 20:end - 8])
            at = end - size
            for _ in range(count):
                length, iflags = struct.unpack("<II", data[at:at + 8])
                zero = data.index(b"\0", at + 8)
                key = data[at + 8:zero].decode("latin-1")
                value = data[zero + 1:zero + 1 + length]
                if key.upper() not in names_of(field) + (["TRACK"] if field == "tracks" else []):
                    out.append(("APE", key, iflags, value.hex()))
                at = zero + 1 + length
            end -= size + (32 if flags & 0x80000000 else 0)
    return end


def boxes(data, at, end):
    while at + 8 <= end:
        n = struct.unpack(">I", data[at:at + 4])[0]
        n = n or end - at
        yield data[at + 4:at + 8], at + 8, at + n
        at += n


def mp4_parts(data, field, out, at=0, end=None, path=""):
    for id, a, b in boxes(data, at, len(data) if end is None else end):
        name = path + "/" + id.decode("latin-1")
        if id in (b"moov", b"udta", b"trak", b"mdia", b"minf", b"stbl"):
            mp4_parts(data, field, out, a, b, name)
        elif id == b"meta":
            mp4_parts(data, field, out, a + 4, b, name)
        elif id == b"ilst":
            for item, x, y in boxes(data, a, b):
                if item == b"free":
                    continue
                key = item.decode("latin-1")
                mine = key in ATOMS.get(field, "").split()
                if item == b"----":
                    free = [data[p + 4:q] for i, p, q in boxes(data, x, y) if i == b"name"]
                    mine = bool(free) and free[0].decode("latin-1").upper() in names_of(field)
                if not mine:
                    out.append(("item", key, data[x:y].hex()))
        elif id not in (b"free", b"mdat", b"stco", b"co64"):
            out.append((name, data[a:b].hex()))


def riff_parts(data, field, out, order):
    at = 12
    while at + 8 <= len(data):
        id, n = data[at:at + 4], struct.unpack(order + "I", data[at + 4:at + 8])[0]
        if n == 0xFFFFFFFF:
            n = struct.unpack("<Q", data[28:36])[0]
        content = data[at + 8:at + 8 + n]
        at += 8 + n + (n & 1)
        if id == b"LIST" and content[:4] == b"INFO":
            p, items = 4, []
            while p + 8 <= len(content):
                key, m = content[p:p + 4].decode("latin-1"), struct.unpack("<I", content[p + 4:p + 8])[0]
                if key != INFO.get(field):
                    items.append((key, content[p + 8:p + 8 + m].hex()))
                p += 8 + m + (m & 1)
            out.append(("INFO", items))
        elif id in (b"ID3 ", b"id3 "):
            id3_parts(content, field, out, "id3 chunk")
        elif order == ">" and id.decode("latin-1") == TEXTS.get(field):
            continue
        elif id not in (b"JUNK", b"data", b"SSND", b"ds64"):
            out.append((id.decode("latin-1"), content.hex()))


def asf_parts(path, field, out):
    from mutagen.asf import ASF
    for name, value in ASF(path).tags:
        if name not in (WMA.get(field), *names_of(field)) and name.upper() not in names_of(field):
            out.append(("attribute", name, value.TYPE, value.language, value.stream, value._render().hex()))


def parts(path, field):
    data = open(path, "rb").read()
    out = []
    ending = path.rsplit(".", 1)[1]
    if ending in ("mp3", "tta", "flac") and data[:3] == b"ID3":
        data = data[id3_parts(data, field, out, "front"):].lstrip(b"\0") if ending != "mp3" else data[id3_parts(data, field, out, "front"):]
    if ending in ("mp3", "wv", "mpc"):
        end_parts(data, field, out)
    elif ending == "flac":
        at = 4
        first = True
        while True:
            kind, n = data[at] & 0x7F, int.from_bytes(data[at + 1:at + 4], "big")
            content = data[at + 4:at + 4 + n]
            if kind == 4 and first:
                comment_parts(content, field, out)
                first = False
            elif kind != 1:
                out.append(("block", kind, content.hex()))
            at += 4 + n
            if data[at - 4 - n] & 0x80:
                break
        end_parts(data, field, out, False)
    elif ending in ("ogg", "opus", "spx"):
        packet = ogg_packet1(data)
        start = 7 if ending == "ogg" else 8 if ending == "opus" else 0
        rest = comment_parts(packet[start:], field, out)
        if ending == "opus" and rest[:1] and rest[0] & 1:
            out.append(("behind the comments", rest.hex()))
    elif ending == "m4a":
        mp4_parts(data, field, out)
    elif ending == "wav":
        riff_parts(data, field, out, "<")
    elif ending == "aiff":
        riff_parts(data, field, out, ">")
    elif ending == "wma":
        asf_parts(path, field, out)
    return out


def problems(field, before, after):
    JOINT.clear()
    if b"TRACKNUMBER=3/12" in open(before, "rb").read():
        JOINT.add(before)
    a, b = parts(before, field), parts(after, field)
    # Parts that move to the end of a file keep their order among their own kind; what is new is no harm.
    wrong = []
    if before.endswith((".wav", ".aiff")):
        a, b = sorted(map(repr, a)), sorted(map(repr, b))
        if any(p.startswith(("('INFO'", "('id3 chunk'")) for p in b) and not any(p.startswith(("('INFO'", "('id3 chunk'")) for p in a):
            b = [p for p in b if not p.startswith(("('INFO'", "('id3 chunk'"))]
        had_id3 = any(p.startswith("('id3 chunk'") for p in a)
        had_info = any(p.startswith("('INFO'") for p in a)
        b = [p for p in b if (had_id3 or not p.startswith("('id3 chunk'")) and (had_info or not p.startswith("('INFO'"))]
    if before.endswith((".mp3", ".tta")) and not any(p[0] == "front" for p in a):
        b = [p for p in b if p[0] != "front"]
    if a != b:
        gone = [p for p in a if p not in b]
        came = [p for p in b if p not in a]
        wrong.append({"gone": [str(p)[:200] for p in gone][:4], "came": [str(p)[:200] for p in came][:4], "order": not gone and not came})
    return wrong


if __name__ == "__main__":
    if sys.argv[1] == "plain":
        os.makedirs(sys.argv[2], exist_ok=True)
        sounds(sys.argv[2], 1.2)
    elif sys.argv[1] == "make":
        make(sys.argv[2], sys.argv[3], int(sys.argv[4]), int(sys.argv[5]))
    else:
        for line in sys.stdin:
            field, before, after = line.rstrip("\n").split("\t")
            try:
                print(json.dumps(problems(field, before, after)), flush=True)
            except Exception as e:
                print(json.dumps([{"error": type(e).__name__ + ": " + str(e)}]), flush=True)
