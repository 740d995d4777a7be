// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/guard/messages.h"

#include <algorithm>

namespace moorfrost::guard {

using tags::Difference;
using tags::Fields;
using tags::PictureInfo;
using tags::TagFile;

void put(WireWriter& out, const Error& error) {
    out.number(static_cast<uint64_t>(error.kind)).text(error.path.native()).text(error.message);
}

Error takeError(WireReader& in) {
    Error e;
    e.kind = static_cast<ErrorKind>(std::min<uint64_t>(in.number(), uint64_t(ErrorKind::Cancelled)));
    e.path = in.text();
    e.message = in.text();
    return e;
}

void put(WireWriter& out, const Fields& fields) {
    out.number(fields.size());
    for (const auto& [key, values] : fields)
        out.text(key).texts(values);
}

Fields takeFields(WireReader& in) {
    Fields fields;
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        std::string key = in.text();
        fields.emplace_hint(fields.end(), std::move(key), in.texts());
    }
    return fields;
}

namespace {

void put(WireWriter& out, const PictureInfo& p) {
    out.text(p.type).text(p.mime).text(p.description);
    out.number(static_cast<uint64_t>(p.width)).number(static_cast<uint64_t>(p.height)).number(p.bytes);
}

PictureInfo takePictureInfo(WireReader& in) {
    PictureInfo p;
    p.type = in.text();
    p.mime = in.text();
    p.description = in.text();
    p.width = in.whole();
    p.height = in.whole();
    p.bytes = in.number();
    return p;
}

} // namespace

void put(WireWriter& out, const tags::Picture& picture) {
    put(out, picture.info);
    out.text(picture.data);
}

tags::Picture takePicture(WireReader& in) {
    tags::Picture p;
    p.info = takePictureInfo(in);
    p.data = in.text();
    return p;
}

void put(WireWriter& out, const TagFile& f) {
    out.number(static_cast<uint64_t>(f.format));
    out.text(f.facts.codec).real(f.facts.duration).number(static_cast<uint64_t>(f.facts.sampleRate));
    out.number(static_cast<uint64_t>(f.facts.channels)).number(static_cast<uint64_t>(f.facts.bitDepth));
    out.number(static_cast<uint64_t>(f.facts.bitrate)).number(static_cast<uint64_t>(f.facts.rateKind));
    out.text(f.facts.encoder).number(f.facts.gapless.known);
    out.number(f.facts.gapless.delay).number(f.facts.gapless.padding).number(f.facts.size);
    out.number(f.facts.remarks.size());
    for (const auto& [name, value] : f.facts.remarks)
        out.text(name).text(value);
    put(out, f.fields);
    out.number(f.pictures.size());
    for (const PictureInfo& p : f.pictures)
        put(out, p);
    out.texts(f.tags).number(f.differences.size());
    for (const Difference& d : f.differences)
        out.text(d.key).text(d.tag).texts(d.values);
    out.texts(f.unknown).number(f.damaged).text(f.readOnly).texts(f.notes);
}

TagFile takeTagFile(WireReader& in) {
    TagFile f;
    f.format = static_cast<audio::Format>(std::min<uint64_t>(in.number(), uint64_t(audio::lastFormat)));
    f.facts.codec = in.text();
    f.facts.duration = in.real();
    f.facts.sampleRate = in.whole();
    f.facts.channels = in.whole();
    f.facts.bitDepth = in.whole();
    f.facts.bitrate = in.whole();
    f.facts.rateKind = static_cast<tags::RateKind>(std::min<uint64_t>(in.number(), 2));
    f.facts.encoder = in.text();
    f.facts.gapless.known = in.number() != 0;
    f.facts.gapless.delay = static_cast<uint32_t>(in.number());
    f.facts.gapless.padding = static_cast<uint32_t>(in.number());
    f.facts.size = in.number();
    f.facts.remarks.resize(in.count());
    for (auto& [name, value] : f.facts.remarks) {
        name = in.text();
        value = in.text();
    }
    f.fields = takeFields(in);
    f.pictures.resize(in.count());
    for (PictureInfo& p : f.pictures)
        p = takePictureInfo(in);
    f.tags = in.texts();
    f.differences.resize(in.count());
    for (Difference& d : f.differences) {
        d.key = in.text();
        d.tag = in.text();
        d.values = in.texts();
    }
    f.unknown = in.texts();
    f.damaged = in.number() != 0;
    f.readOnly = in.text();
    f.notes = in.texts();
    return f;
}

void put(WireWriter& out, const tags::PreparedEdit& edit) {
    out.number(edit.recipe.extents.size());
    for (const Extent& e : edit.recipe.extents)
        out.number(e.fresh).number(e.offset).number(e.length);
    out.text(edit.recipe.fresh).number(static_cast<uint64_t>(edit.how));
    out.number(static_cast<uint64_t>(edit.format));
    put(out, edit.before);
    put(out, edit.after);
    out.texts(edit.notes);
    out.number(edit.original->size()).number(static_cast<uint64_t>(edit.original->modifiedNs()));
}

void put(WireWriter& out, const audio::DecodeCheck& check) {
    out.real(check.seconds).real(check.expected).number(check.badPackets);
    out.number(static_cast<uint64_t>(check.sum));
}

audio::DecodeCheck takeDecodeCheck(WireReader& in) {
    audio::DecodeCheck check;
    check.seconds = in.real();
    check.expected = in.real();
    check.badPackets = in.number();
    check.sum = static_cast<audio::SampleSum>(std::min<uint64_t>(in.number(), 2));
    return check;
}

namespace {
constexpr uint64_t notYet = 2; // where an answer has 1 or, with an error, 0
}

std::string goingOn(double done) {
    return WireWriter().number(notYet).real(done).bytes();
}

std::optional<double> stillGoing(std::string_view answer) {
    WireReader in(answer);
    if (in.number() != notYet)
        return std::nullopt;
    double done = in.real();
    return in.ok() ? std::optional(done) : std::nullopt;
}

tags::PreparedEdit takeEdit(WireReader& in) {
    tags::PreparedEdit edit;
    edit.recipe.extents.resize(in.count());
    for (Extent& e : edit.recipe.extents) {
        e.fresh = in.number() != 0;
        e.offset = in.number();
        e.length = in.number();
    }
    edit.recipe.fresh = in.text();
    edit.how = static_cast<CommitClass>(std::min<uint64_t>(in.number(), uint64_t(CommitClass::Rewrite)));
    edit.format = static_cast<audio::Format>(std::min<uint64_t>(in.number(), uint64_t(audio::lastFormat)));
    edit.before = takeFields(in);
    edit.after = takeFields(in);
    edit.notes = in.texts();
    return edit;
}

} // namespace moorfrost::guard
