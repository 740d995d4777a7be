// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sandbox/messages.h"

#include <cstring>

#include <algorithm>

namespace moorfrost::sandbox {

void put(WireWriter& out, const Error& error) {
    out.number(static_cast<uint64_t>(error.kind)).text(error.path.native()).text(error.message);
}

Error takeError(WireReader& in) {
    Error e;
    e.kind = static_cast<ErrorKind>(std::min<uint64_t>(in.number(), uint64_t(ErrorKind::CutShort)));
    e.path = in.text();
    e.message = in.text();
    return e;
}

void put(WireWriter& out, const tags::Picture& picture) {
    put(out, picture.info);
    out.text(picture.data);
}

tags::Picture takePicture(WireReader& in) {
    tags::Picture p;
    p.info = tags::takePictureInfo(in);
    p.data = in.text();
    return p;
}

void put(WireWriter& out, const tags::PreparedEdit& edit) {
    out.number(edit.recipe.extents.size());
    for (const Extent& e : edit.recipe.extents)
        out.number(e.fresh).number(e.offset).number(e.length);
    out.text(edit.recipe.fresh).number(static_cast<uint64_t>(edit.how));
    out.number(static_cast<uint64_t>(edit.format)).number(edit.ofDamaged ? 1 : 0);
    put(out, edit.before);
    put(out, edit.after);
    out.texts(edit.notes);
    out.number(edit.original->size()).number(static_cast<uint64_t>(edit.original->modifiedNs()));
}

void put(WireWriter& out, const audio::DecodeCheck& check) {
    out.real(check.seconds).real(check.expected).number(check.badPackets);
    out.number(static_cast<uint64_t>(check.sum));
}

namespace {
/// Each number of the traits, in one order for both ways.
template<class Traits, class Each>
void eachTrait(Traits& t, Each each) {
    for (auto* value : {&t.seconds, &t.level, &t.spread, &t.pauses, &t.lowFrames, &t.syllables, &t.regularity,
                        &t.pureTones, &t.oneTone, &t.toneHertz, &t.flatness})
        each(*value);
}
} // namespace

void put(WireWriter& out, const audio::SoundTraits& traits) {
    eachTrait(traits, [&](double value) { out.real(value); });
}

audio::SoundTraits takeSoundTraits(WireReader& in) {
    audio::SoundTraits traits;
    eachTrait(traits, [&](double& value) { value = in.real(); });
    return traits;
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
// Where an answer has 1 or, with an error, 0:
constexpr uint64_t notYet = 2, samplesCome = 3, pictureBegins = 4, columnsCome = 5;
} // namespace

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

std::string drawnSoFar(double done, const std::vector<float>& shape) {
    WireWriter out;
    out.number(notYet).real(done).number(shape.size());
    for (const float v : shape)
        out.real(static_cast<double>(v));
    return out.bytes();
}

std::optional<std::pair<double, std::vector<float>>> takeDrawn(std::string_view message) {
    WireReader in(message);
    if (in.number() != notYet)
        return std::nullopt;
    std::pair<double, std::vector<float>> out{in.real(), {}};
    out.second.resize(in.count());
    for (float& v : out.second)
        v = static_cast<float>(in.real());
    return in.ok() ? std::optional(std::move(out)) : std::nullopt;
}

std::string spectrogramMessage(const measure::SpectrogramFrame& f) {
    return WireWriter()
        .number(pictureBegins)
        .real(f.from)
        .real(f.to)
        .real(f.lowest)
        .real(f.highest)
        .number(static_cast<uint64_t>(f.columns))
        .number(static_cast<uint64_t>(f.rows))
        .number(static_cast<uint64_t>(f.rate))
        .real(f.seconds)
        .bytes();
}

std::string spectrogramMessage(const measure::SpectrogramPart& part) {
    WireWriter out;
    out.number(columnsCome).number(static_cast<uint64_t>(part.first));
    out.text({reinterpret_cast<const char*>(part.levels.data()), part.levels.size()})
        .number(part.wave.size());
    for (const auto& [low, high] : part.wave)
        out.real(static_cast<double>(low)).real(static_cast<double>(high));
    return out.bytes();
}

std::optional<measure::SpectrogramFrame> takeSpectrogramFrame(std::string_view message) {
    WireReader in(message);
    if (in.number() != pictureBegins)
        return std::nullopt;
    measure::SpectrogramFrame f;
    f.from = in.real();
    f.to = in.real();
    f.lowest = in.real();
    f.highest = in.real();
    f.columns = in.whole();
    f.rows = in.whole();
    f.rate = in.whole();
    f.seconds = in.real();
    const bool sense = f.columns > 0 && f.columns <= measure::SpectrogramRequest::mostColumns && f.rows > 0 &&
                       f.rows <= measure::SpectrogramRequest::mostRows && f.to > f.from &&
                       f.highest > f.lowest;
    return in.ok() && sense ? std::optional(f) : std::nullopt;
}

std::optional<measure::SpectrogramPart> takeSpectrogramPart(std::string_view message) {
    WireReader in(message);
    if (in.number() != columnsCome)
        return std::nullopt;
    measure::SpectrogramPart part;
    part.first = in.whole();
    const std::string_view levels = in.view();
    part.levels.assign(levels.begin(), levels.end());
    for (size_t n = in.count(); n > 0 && in.ok(); --n) {
        const auto low = static_cast<float>(in.real());
        part.wave.push_back({low, static_cast<float>(in.real())});
    }
    const bool sense = part.first >= 0 && !part.wave.empty() && part.levels.size() % part.wave.size() == 0;
    return in.ok() && sense ? std::optional(std::move(part)) : std::nullopt;
}

std::string soundMessage(const std::vector<int16_t>& samples) {
    const auto* bytes = reinterpret_cast<const char*>(samples.data()); // both ends are one machine
    return WireWriter().number(samplesCome).text({bytes, samples.size() * sizeof(int16_t)}).bytes();
}

std::optional<std::vector<int16_t>> takeSound(std::string_view message) {
    WireReader in(message);
    if (in.number() != samplesCome)
        return std::nullopt;
    const std::string_view bytes = in.view();
    std::vector<int16_t> samples(bytes.size() / sizeof(int16_t));
    std::copy_n(bytes.data(), samples.size() * sizeof(int16_t), reinterpret_cast<char*>(samples.data()));
    return in.ok() ? std::optional(std::move(samples)) : std::nullopt;
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
    edit.ofDamaged = in.number() != 0;
    edit.before = takeFields(in);
    edit.after = takeFields(in);
    edit.notes = in.texts();
    return edit;
}

void put(WireWriter& out, const pictures::Square& square) {
    out.number(static_cast<uint64_t>(square.side)).number(square.hasAlpha ? 1 : 0).text(square.pixels);
}

void put(WireWriter& out, const pictures::Fitted& picture) {
    out.number(static_cast<uint64_t>(picture.width))
        .number(static_cast<uint64_t>(picture.height))
        .number(static_cast<uint64_t>(picture.quality))
        .text(picture.jpeg);
}

pictures::Fitted takeFitted(WireReader& in) {
    pictures::Fitted out;
    out.width = in.whole();
    out.height = in.whole();
    out.quality = in.whole();
    out.jpeg = in.text();
    return out;
}

void put(WireWriter& out, const std::vector<sound::Fingerprint>& fingerprints) {
    out.number(fingerprints.size());
    for (const sound::Fingerprint& f : fingerprints)
        out.real(f.seconds).text(
            {reinterpret_cast<const char*>(f.items.data()), f.items.size() * sizeof(uint32_t)});
}

std::vector<sound::Fingerprint> takeFingerprints(WireReader& in) {
    std::vector<sound::Fingerprint> out(in.count());
    for (sound::Fingerprint& f : out) {
        f.seconds = in.real();
        const std::string bytes = in.text();
        f.items.resize(bytes.size() / sizeof(uint32_t));
        std::memcpy(f.items.data(), bytes.data(), f.items.size() * sizeof(uint32_t));
    }
    return out;
}

pictures::Square takeSquare(WireReader& in) {
    pictures::Square out;
    const uint64_t side = in.number();
    out.hasAlpha = in.number() != 0;
    out.pixels = in.text();
    // Whoever paints it goes by its size.
    if (side > 0 && side <= 4096 && out.pixels.size() == side * side * 4)
        out.side = static_cast<int>(side);
    else
        out.pixels.clear();
    return out;
}

} // namespace moorfrost::sandbox
