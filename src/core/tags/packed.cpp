// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/packed.h"

#include <algorithm>
#include <unordered_map>

namespace moorfrost::tags {

namespace {

constexpr uint64_t form = 2; // 1: pictures have no hash

bool isKnown(uint64_t aForm) {
    return aForm == 1 || aForm == form;
}

// Libraries hold these numbers: new words come at the end, none is ever taken out.
constexpr std::string_view words[] = {
    "title",
    "artist",
    "album",
    "album_artist",
    "track",
    "tracks",
    "disc",
    "discs",
    "date",
    "original_date",
    "genre",
    "composer",
    "lyricist",
    "conductor",
    "performer",
    "remixer",
    "producer",
    "engineer",
    "publisher",
    "label",
    "catalogue_number",
    "barcode",
    "isrc",
    "iswc",
    "language",
    "script",
    "country",
    "carrier",
    "compilation",
    "grouping",
    "mood",
    "tempo",
    "key",
    "lyrics",
    "comment",
    "copyright",
    "encoded_by",
    "website",
    "title_sort",
    "artist_sort",
    "album_sort",
    "album_artist_sort",
    "composer_sort",
    "replaygain_track_gain",
    "replaygain_track_peak",
    "replaygain_album_gain",
    "replaygain_album_peak",
    "front cover",
    "back cover",
    "booklet page",
    "other",
    "image/jpeg",
    "image/png",
    "MP3",
    "FLAC",
    "Ogg Vorbis",
    "Vorbis",
    "Opus",
    "Speex",
    "M4A",
    "AAC",
    "ALAC",
    "WAV",
    "AIFF",
    "PCM",
    "WavPack",
    "Vorbis comment",
    "ID3v1",
    "ID3v2.2",
    "ID3v2.3",
    "ID3v2.4",
    "APE",
    "INFO",
    "MP4",
};

void putWord(WireWriter& out, std::string_view word) {
    static const auto numbers = [] {
        std::unordered_map<std::string_view, uint64_t> map;
        for (std::string_view w : words)
            map.emplace(w, map.size() + 1);
        return map;
    }();
    auto it = numbers.find(word);
    if (it != numbers.end())
        out.number(it->second);
    else
        out.number(0).text(word);
}

std::string_view viewWord(WireReader& in) {
    uint64_t n = in.number();
    if (n == 0)
        return in.view();
    return n <= std::size(words) ? words[n - 1] : std::string_view();
}

std::string takeWord(WireReader& in) {
    return std::string(viewWord(in));
}

RateKind takeRateKind(WireReader& in) {
    return static_cast<RateKind>(std::min<uint64_t>(in.number(), 2));
}

} // namespace

void put(WireWriter& out, const Fields& fields) {
    out.number(fields.size());
    for (const auto& [key, values] : fields) {
        putWord(out, key);
        out.texts(values);
    }
}

Fields takeFields(WireReader& in) {
    Fields fields;
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        std::string key = takeWord(in);
        fields.insert_or_assign(fields.end(), std::move(key), in.texts());
    }
    return fields;
}

void put(WireWriter& out, const PictureInfo& p) {
    putWord(out, p.type);
    putWord(out, p.mime);
    out.text(p.description);
    out.number(static_cast<uint64_t>(p.width))
        .number(static_cast<uint64_t>(p.height))
        .number(p.bytes)
        .number(p.hash);
}

namespace {

PictureInfo takePicture(WireReader& in, uint64_t ofForm) {
    PictureInfo p;
    p.type = takeWord(in);
    p.mime = takeWord(in);
    p.description = in.text();
    p.width = in.whole();
    p.height = in.whole();
    p.bytes = in.number();
    if (ofForm > 1)
        p.hash = in.number();
    return p;
}

} // namespace

PictureInfo takePictureInfo(WireReader& in) {
    return takePicture(in, form);
}

void put(WireWriter& out, const TagFile& f) {
    putWord(out, audio::formatName(f.format));
    putWord(out, f.facts.codec);
    out.real(f.facts.duration).number(static_cast<uint64_t>(f.facts.sampleRate));
    out.number(static_cast<uint64_t>(f.facts.channels)).number(static_cast<uint64_t>(f.facts.bitDepth));
    out.number(static_cast<uint64_t>(f.facts.bitrate)).number(static_cast<uint64_t>(f.facts.rateKind));
    out.number(f.facts.size).number(f.damaged);
    put(out, f.fields);
    out.number(f.pictures.size());
    for (const PictureInfo& p : f.pictures)
        put(out, p);
    out.number(f.tags.size());
    for (const std::string& tag : f.tags)
        putWord(out, tag);
    out.text(f.facts.encoder).number(f.facts.gapless.known);
    if (f.facts.gapless.known)
        out.number(f.facts.gapless.delay).number(f.facts.gapless.padding);
    out.number(f.facts.remarks.size());
    for (const auto& [name, value] : f.facts.remarks)
        out.text(name).text(value);
    out.number(f.differences.size());
    for (const Difference& d : f.differences) {
        putWord(out, d.key);
        putWord(out, d.tag);
        out.texts(d.values);
    }
    out.texts(f.unknown).text(f.readOnly).texts(f.notes);
}

namespace {

TagFile takeFile(WireReader& in, uint64_t ofForm) {
    TagFile f;
    f.format = audio::formatFromName(takeWord(in));
    f.facts.codec = takeWord(in);
    f.facts.duration = in.real();
    f.facts.sampleRate = in.whole();
    f.facts.channels = in.whole();
    f.facts.bitDepth = in.whole();
    f.facts.bitrate = in.whole();
    f.facts.rateKind = takeRateKind(in);
    f.facts.size = in.number();
    f.damaged = in.number() != 0;
    f.fields = takeFields(in);
    f.pictures.resize(in.count());
    for (PictureInfo& p : f.pictures)
        p = takePicture(in, ofForm);
    f.tags.resize(in.count());
    for (std::string& tag : f.tags)
        tag = takeWord(in);
    f.facts.encoder = in.text();
    f.facts.gapless.known = in.number() != 0;
    if (f.facts.gapless.known) {
        f.facts.gapless.delay = static_cast<uint32_t>(in.number());
        f.facts.gapless.padding = static_cast<uint32_t>(in.number());
    }
    f.facts.remarks.resize(in.count());
    for (auto& [name, value] : f.facts.remarks) {
        name = in.text();
        value = in.text();
    }
    f.differences.resize(in.count());
    for (Difference& d : f.differences) {
        d.key = takeWord(in);
        d.tag = takeWord(in);
        d.values = in.texts();
    }
    f.unknown = in.texts();
    f.readOnly = in.text();
    f.notes = in.texts();
    return f;
}

} // namespace

TagFile takeTagFile(WireReader& in) {
    return takeFile(in, form);
}

std::string packed(const TagFile& file) {
    WireWriter out;
    out.number(form);
    put(out, file);
    return out.bytes();
}

bool PackedView::read(std::string_view bytes) {
    fields.clear();
    values.clear();
    differing.clear();
    WireReader in(bytes);
    const uint64_t ofForm = in.number();
    if (!isKnown(ofForm)) {
        *this = {};
        return false;
    }
    format = viewWord(in);
    codec = viewWord(in);
    duration = in.real();
    sampleRate = in.whole();
    channels = in.whole();
    bitDepth = in.whole();
    bitrate = in.whole();
    rateKind = takeRateKind(in);
    in.number(); // size
    damaged = in.number() != 0;
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        Field& f = fields.emplace_back();
        f.key = viewWord(in);
        f.first = values.size();
        f.count = in.count();
        for (size_t i = 0; i < f.count; ++i)
            values.push_back(in.view());
    }
    pictures = in.count();
    for (size_t n = pictures; n > 0 && in.ok(); --n) {
        viewWord(in);
        viewWord(in);
        in.view();
        for (int i = 0; i < (ofForm == 1 ? 3 : 4); ++i)
            in.number();
    }
    for (size_t n = in.count(); n > 0 && in.ok(); --n)
        viewWord(in); // tags
    in.view();        // encoder
    if (in.number() != 0) {
        in.number();
        in.number();
    }
    for (size_t n = in.count() * 2; n > 0 && in.ok(); --n)
        in.view(); // remarks
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        differing.push_back(viewWord(in));
        viewWord(in);
        for (size_t v = in.count(); v > 0 && in.ok(); --v)
            in.view();
    }
    for (size_t n = in.count(); n > 0 && in.ok(); --n)
        in.view(); // not understood
    readOnly = !in.view().empty();
    if (!in.ok())
        *this = {};
    return in.ok();
}

bool isOfToday(std::string_view bytes) {
    return WireReader(bytes).number() == form;
}

bool unpack(std::string_view bytes, TagFile& file) {
    WireReader in(bytes);
    const uint64_t ofForm = in.number();
    if (!isKnown(ofForm))
        return false;
    file = takeFile(in, ofForm);
    if (!in.ok())
        file = {};
    return in.ok();
}

} // namespace moorfrost::tags
