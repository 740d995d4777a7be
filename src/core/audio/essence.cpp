// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audio/essence.h"

#include <algorithm>
#include <cstring>
#include <memory>

#include <optional>
#include <vector>

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/sha.h>
}

#include "core/audio/cut_short.h"
#include "core/audio/ogg.h"
#include "core/audio/sound_parts.h"
#include "core/base/bytes_hash.h"
#include "core/text/text.h"

namespace moorfrost::audio {

namespace {

class Hasher {
public:
    void add(const char* data, size_t n) {
        hash_.add({data, n});
        bytes_ += n;
    }
    /// False if the source ends before the range does.
    bool addRange(const ByteSource& source, uint64_t from, uint64_t to) {
        buffer_.resize(1u << 18);
        while (from < to) {
            size_t n = source.read(from, buffer_.data(),
                                   static_cast<size_t>(std::min<uint64_t>(buffer_.size(), to - from)));
            if (n == 0)
                return false;
            add(buffer_.data(), n);
            from += n;
        }
        return true;
    }
    Essence result() const { return {hash_.text(), bytes_}; }

private:
    BytesHash hash_;
    uint64_t bytes_ = 0;
    std::string buffer_;
};

bool isOgg(Format format) {
    return format == Format::OggVorbis || format == Format::Opus || format == Format::Speex ||
           format == Format::OggFlac;
}

using Ranges = std::vector<std::pair<uint64_t, uint64_t>>;

void append(Ranges& ranges, uint64_t from, uint64_t to) {
    if (from == to)
        return;
    if (!ranges.empty() && ranges.back().second == from)
        ranges.back().second = to;
    else
        ranges.emplace_back(from, to);
}

/// Where bytes of the changed file come from; asked in rising order.
class Origins {
public:
    explicit Origins(const Recipe& recipe) : recipe_(recipe) {}
    /// The end of the run that `at` lies in (0 behind the last), and its place in the original if it has one.
    std::pair<uint64_t, std::optional<uint64_t>> of(uint64_t at) {
        while (i_ < recipe_.extents.size() && start_ + recipe_.extents[i_].length <= at)
            start_ += recipe_.extents[i_++].length;
        if (i_ == recipe_.extents.size())
            return {0, std::nullopt};
        const Extent& e = recipe_.extents[i_];
        return {start_ + e.length, e.fresh ? std::nullopt : std::optional(e.offset + (at - start_))};
    }

private:
    const Recipe& recipe_;
    size_t i_ = 0;
    uint64_t start_ = 0;
};

} // namespace

Status sameEssence(const ByteSource& original, const Recipe& recipe, Format format) {
    RecipeSource changed(original, recipe);
    Ranges before, after;
    auto into = [](Ranges& ranges) {
        return [&ranges](uint64_t a, uint64_t b) {
            append(ranges, a, b);
            return true;
        };
    };
    uint64_t until = UINT64_MAX;
    if (isOgg(format) && recipe.size() == original.size()) {
        // Pages behind the last fresh byte are the original's own.
        uint64_t at = 0, last = 0;
        bool inPlace = true;
        for (const Extent& e : recipe.extents) {
            inPlace = inPlace && (e.fresh || e.offset == at);
            at += e.length;
            last = e.fresh ? at : last;
        }
        if (inPlace)
            until = last;
    }
    auto walkBoth = [&](const ByteSource& s, Ranges& ranges) {
        return isOgg(format) ? walkOgg(s, into(ranges), until) : walkSound(s, format, into(ranges));
    };
    if (Status walked = walkBoth(original, before); !walked)
        return walked;
    if (Status walked = walkBoth(changed, after); !walked)
        return walked;
    const Error differs{
        ErrorKind::Damaged, {}, "This change would alter the sound itself, so it was refused."};
    Origins origins(recipe);
    size_t i = 0, k = 0;
    uint64_t a = before.empty() ? 0 : before[0].first, b = after.empty() ? 0 : after[0].first;
    while (i < before.size() && k < after.size()) {
        auto [end, origin] = origins.of(b);
        uint64_t n = end > b ? std::min({before[i].second - a, after[k].second - b, end - b}) : 0;
        if (n == 0 || b + n > changed.size() || a + n > original.size())
            return differs;
        for (uint64_t done = 0; origin != a && done < n;) { // not shown by its place: read and compare
            auto part = static_cast<size_t>(std::min<uint64_t>(n - done, 1u << 18));
            std::string x = original.bytes(a + done, part);
            if (x.size() != part || x != changed.bytes(b + done, part))
                return differs;
            done += part;
        }
        a += n;
        b += n;
        if (a == before[i].second && ++i < before.size())
            a = before[i].first;
        if (b == after[k].second && ++k < after.size())
            b = after[k].first;
    }
    return i == before.size() && k == after.size() ? Status(Done{}) : Status(differs);
}

Result<std::string> essenceSha256(const ByteSource& source, Format format) {
    std::unique_ptr<AVSHA, void (*)(void*)> sha(av_sha_alloc(), &av_free);
    av_sha_init(sha.get(), 256);
    std::string buffer(1u << 18, '\0');
    Status walked = walkSound(source, format, [&](uint64_t from, uint64_t to) {
        while (from < to) {
            size_t n = source.read(from, buffer.data(),
                                   static_cast<size_t>(std::min<uint64_t>(buffer.size(), to - from)));
            if (n == 0)
                return false;
            av_sha_update(sha.get(), reinterpret_cast<const uint8_t*>(buffer.data()), n);
            from += n;
        }
        return true;
    });
    if (!walked)
        return walked.error();
    std::string digest(32, '\0');
    av_sha_final(sha.get(), reinterpret_cast<uint8_t*>(digest.data()));
    return text::hex(digest);
}

Result<Essence> essenceOf(const ByteSource& source, Format format) {
    Hasher hasher;
    Status walked =
        walkSound(source, format, [&](uint64_t a, uint64_t b) { return hasher.addRange(source, a, b); });
    if (!walked)
        return walked.error();
    return hasher.result();
}

std::string whyCutShort(const ByteSource& source, Format format, bool thorough) {
    if (isOgg(format)) { // walking every page would read the whole file: the last page tells
        const auto page = lastOggPage(source);
        if (!page || page->end > source.size())
            return "The file is cut short in the middle of a page.";
        return page->marked ? "" : "The file is cut short: its last page is missing.";
    }
    Ranges parts;
    Status walked = walkSound(source, format, [&](uint64_t from, uint64_t to) {
        parts.emplace_back(from, to);
        return to <= source.size();
    });
    if (walked && format == Format::Flac && parts.size() == 2)
        return whyFlacCutShort(source, parts[0].first, parts[1].first, parts[1].second, thorough);
    if (walked && format == Format::Mp3)
        return whyMp3CutShort(source, parts[0].first, parts[0].second);
    return walked || walked.error().kind == ErrorKind::Unsupported ? std::string() : walked.error().message;
}

std::string contentHash(const ByteSource& source) {
    Hasher hasher;
    hasher.addRange(source, 0, source.size());
    return hasher.result().hash;
}

ContentHashes contentHashes(const ByteSource& original, const Recipe& recipe) {
    uint64_t at = 0;
    bool rises = true;
    for (const Extent& e : recipe.extents)
        if (!e.fresh) {
            rises = rises && e.offset >= at;
            at = e.offset + e.length;
        }
    if (!rises)
        return {contentHash(original), contentHash(RecipeSource(original, recipe))};
    Hasher before, after;
    at = 0;
    std::string buffer(1u << 18, '\0');
    for (const Extent& e : recipe.extents) {
        if (e.fresh) {
            after.add(recipe.fresh.data() + e.offset, static_cast<size_t>(e.length));
            continue;
        }
        before.addRange(original, at, e.offset);
        for (at = e.offset; at < e.offset + e.length;) {
            const size_t n = original.read(
                at, buffer.data(),
                static_cast<size_t>(std::min<uint64_t>(buffer.size(), e.offset + e.length - at)));
            if (n ==
                0) // shorter than it was: neither is what was meant, which is found out when it is written
                return {before.result().hash, after.result().hash};
            before.add(buffer.data(), n);
            after.add(buffer.data(), n);
            at += n;
        }
    }
    before.addRange(original, at, original.size());
    return {before.result().hash, after.result().hash};
}

std::string bytesHash(std::string_view bytes) {
    BytesHash hash;
    hash.add(bytes);
    return hash.text();
}

} // namespace moorfrost::audio
