// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/mend.h"

#include <algorithm>
#include <array>
#include <optional>

#include "core/audio/parts.h"
#include "core/base/numbers.h"
#include "core/tags/refit.h"
#include "core/text/text.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

constexpr uint64_t mostTag = 16u << 20; // bytes of a tag or comment that are looked at here

/// Walks over the frames of the ID3v2 tag at `from`, also past damaged ones.
class FrameWalk {
public:
    FrameWalk(const ByteSource& stream, uint64_t from, uint64_t end, int version)
        : stream_(stream), end_(end), version_(version), at_(from + 10) {}

    struct Frame {
        uint64_t at = 0, bytes = 0; // with its header
        bool empty = false, damaged = false;
    };
    std::optional<Frame> next() {
        Frame f{at_, 0, false, false};
        std::array<char, 10> bytes;
        const std::string_view h(bytes.data(), stream_.read(at_, bytes.data(), headerLength()));
        if (at_ + headerLength() > end_ || h.size() < headerLength() || h[0] == 0)
            return std::nullopt;
        f.damaged = !isFrameId(h.substr(0, idLength()));
        std::string_view size = h.substr(idLength(), idLength());
        uint64_t n = version_ == 4 ? synchSafe(size) : bigEndian(size);
        // Some programs write the sizes of version 2.4 as in 2.3.
        if (version_ == 4 && !mayEnd(at_ + headerLength() + n) &&
            mayEnd(at_ + headerLength() + bigEndian(size)))
            n = bigEndian(size);
        f.bytes = headerLength() + n;
        f.empty = n == 0;
        if (at_ + f.bytes > end_ || (f.damaged && !mayEnd(at_ + f.bytes)))
            return std::nullopt;
        at_ += f.bytes;
        return f;
    }
    /// Where the walk has come to.
    uint64_t at() const { return at_; }

private:
    size_t idLength() const { return version_ == 2 ? 3 : 4; }
    size_t headerLength() const { return version_ == 2 ? 6 : 10; }
    static bool isFrameId(std::string_view id) {
        return std::all_of(id.begin(), id.end(),
                           [](char c) { return (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9'); });
    }
    /// Whether another frame, padding or the end of the tag is there.
    bool mayEnd(uint64_t at) const {
        if (at + headerLength() >= end_)
            return at <= end_;
        std::array<char, 4> bytes;
        const std::string_view id(bytes.data(), stream_.read(at, bytes.data(), idLength()));
        return id.size() == idLength() && (id[0] == 0 || isFrameId(id));
    }

    const ByteSource& stream_;
    uint64_t end_;
    int version_;
    uint64_t at_;
};

void mendTag(OverlayStream& stream, uint64_t from, MendedFrames& out) {
    uint64_t length = audio::id3v2Length(stream, from), end = from + length;
    std::string head = stream.bytes(from, 10);
    if (length < 10 || length > mostTag || head[3] < 2 || head[3] > 4 || head[5] != 0)
        return; // a tag that is coded as a whole is left to TagLib
    FrameWalk walk(stream, from, end, head[3]);
    std::vector<FrameWalk::Frame> gone;
    while (auto frame = walk.next()) {
        out.empty += frame->empty && !frame->damaged;
        if (frame->damaged)
            out.damaged.emplace_back("damaged ID3v2 frame");
        if (frame->empty || frame->damaged)
            gone.push_back(*frame);
    }
    // Behind the frames there should be nothing but zeros.
    for (uint64_t at = walk.at(); at < end;) {
        std::string rest = stream.bytes(at, static_cast<size_t>(std::min<uint64_t>(4096, end - at)));
        if (rest.empty())
            break;
        if (rest.find_first_not_of('\0') != std::string::npos) {
            out.damaged.push_back(std::to_string(end - at) + " bytes at the end of the ID3v2 tag");
            break;
        }
        at += rest.size();
    }
    if (gone.empty())
        return;
    // What follows moves up; the tag keeps its length.
    uint64_t bytes = 0;
    for (const FrameWalk::Frame& f : gone) {
        stream.replaceRange(f.at - bytes, f.bytes, {});
        bytes += f.bytes;
    }
    stream.replaceRange(walk.at() - bytes, 0, std::string(static_cast<size_t>(bytes), '\0'));
}

} // namespace

MendedFrames mendFrames(OverlayStream& stream, Format format) {
    MendedFrames out;
    if (format != Format::Wav && format != Format::Aiff) {
        mendTag(stream, 0, out);
        return out;
    }
    for (const audio::Part& chunk : audio::chunksOf(stream, format))
        if ((chunk.id == "ID3 " || chunk.id == "id3 ") &&
            audio::id3v2Length(stream, chunk.content) <= chunk.length())
            mendTag(stream, chunk.content, out);
    return out;
}

void endLastChunk(OverlayStream& stream, Format format) {
    if (format != Format::Wav && format != Format::Aiff)
        return;
    const bool aiff = format == Format::Aiff;
    for (uint64_t at = 12; at + 8 <= stream.size();) {
        auto chunk = audio::chunkAt(stream, at, aiff);
        if (!chunk)
            return;
        if (chunk->id == std::string(4, '\0') && chunk->length() == 0) { // room that was never used
            stream.truncate(static_cast<long>(at));
            return;
        }
        if (chunk->end > stream.size()) {
            auto there = static_cast<uint32_t>(stream.size() - chunk->content);
            stream.replaceRange(at + 4, 4, aiff ? asBigEndian(there, 4) : asLittleEndian(there));
            return;
        }
        at = chunk->nextChunk();
    }
}

namespace {

std::string flacComment(const ByteSource& s) {
    uint64_t at = audio::id3v2Length(s, 0) + 4;
    for (int blocks = 0; blocks < 4096; ++blocks) {
        std::string h = s.bytes(at, 4);
        if (h.size() < 4)
            return {};
        uint64_t n = bigEndian(std::string_view(h).substr(1));
        if ((h[0] & 0x7F) == 4)
            return s.bytes(at + 4, static_cast<size_t>(n));
        if (h[0] & 0x80)
            return {};
        at += 4 + n;
    }
    return {};
}

} // namespace

std::vector<RawComment> badComments(const ByteSource& source, Format format) {
    std::string bytes;
    if (format == Format::Flac)
        bytes = flacComment(source);
    else if (format == Format::OggVorbis || format == Format::Opus || format == Format::Speex)
        bytes = oggComment(source, mostTag);
    std::string_view rest = bytes;
    if (format == Format::OggVorbis || format == Format::Opus) // "\x03vorbis", "OpusTags"
        rest.remove_prefix(std::min<size_t>(rest.size(), format == Format::Opus ? 8 : 7));
    auto take = [&](size_t n) {
        std::string_view part = rest.substr(0, n);
        rest.remove_prefix(part.size());
        return part;
    };
    auto number = [&] { return littleEndian(take(4)); };
    take(number()); // the vendor
    std::vector<RawComment> out;
    for (uint32_t left = number(); left > 0 && rest.size() >= 4; --left) {
        std::string_view entry = take(number());
        size_t equals = entry.find('=');
        bool picture = entry.starts_with("METADATA_BLOCK_PICTURE=");
        if (picture ||
            (equals != std::string_view::npos && equals > 0 && text::isUtf8(entry.substr(equals + 1))))
            continue;
        RawComment comment;
        if (equals != std::string_view::npos) {
            comment.name = entry.substr(0, equals);
            for (char& c : comment.name)
                c = c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c;
            entry.remove_prefix(equals + 1);
        }
        comment.value = entry;
        out.push_back(std::move(comment));
    }
    return out;
}

} // namespace moorfrost::tags
