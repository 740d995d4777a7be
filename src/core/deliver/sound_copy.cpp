// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sound_copy.h"

#include <algorithm>
#include <cmath>

#include "core/audio/encode.h"
#include "core/files/disk.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::deliver {

namespace {

constexpr int rate = 44100;

/// The loudest sample of each of some parts of a sound whose length is known about.
class Shape {
public:
    Shape(size_t heights, double seconds)
        : heights_(heights),
          perPart_(std::max(1.0, seconds * rate / static_cast<double>(std::max<size_t>(heights, 1)))) {}
    void add(const std::vector<int16_t>& samples) {
        for (size_t i = 0; i + 1 < samples.size(); i += 2, ++at_) {
            const auto part = static_cast<size_t>(static_cast<double>(at_) / perPart_);
            if (part >= parts_.size())
                parts_.resize(part + 1);
            const int loud =
                std::max(std::abs(static_cast<int>(samples[i])), std::abs(static_cast<int>(samples[i + 1])));
            parts_[part] = std::max(parts_[part], static_cast<float>(loud) / 32768.0F);
        }
    }
    std::vector<float> heights() const {
        std::vector<float> out(heights_);
        for (size_t i = 0; i < heights_ && !parts_.empty(); ++i)
            for (size_t p = i * parts_.size() / heights_;
                 p < std::max(i * parts_.size() / heights_ + 1, (i + 1) * parts_.size() / heights_) &&
                 p < parts_.size();
                 ++p)
                out[i] = std::max(out[i], parts_[p]);
        return out;
    }
    double seconds() const { return static_cast<double>(at_) / rate; }

private:
    size_t heights_;
    double perPart_;
    std::vector<float> parts_;
    uint64_t at_ = 0;
};

void louder(std::vector<int16_t>& samples, double gain) {
    const double factor = std::pow(10, gain / 20);
    for (int16_t& sample : samples)
        sample = static_cast<int16_t>(std::clamp(std::lround(sample * factor), -32768L, 32767L));
}

/// Removes what was begun, unless it is whole.
class Unfinished {
public:
    explicit Unfinished(const Path& path) : path_(path) {}
    ~Unfinished() {
        if (!whole_)
            files::removeFile(path_).ignore();
    }
    void keep() { whole_ = true; }

private:
    const Path& path_;
    bool whole_ = false;
};

/// The fields, by the way on which all tags are written.
Status addFields(const SoundCopy& copy) {
    if (copy.fields.empty())
        return Done{};
    auto edit = sandbox::ParserPool::shared().prepareEdit(copy.target, copy.fields, tags::Damage::Refuse,
                                                          copy.pictures);
    if (!edit)
        return edit.error();
    auto file = files::NewFile::create(copy.target, true);
    if (!file)
        return file.error();
    if (Status filled = file->fill(*edit->original, edit->recipe); !filled)
        return filled;
    return file->replaceTarget();
}

} // namespace

Result<MadeSound> makeSoundCopy(const SoundCopy& copy, size_t heights, std::stop_token stop) {
    Unfinished unfinished(copy.target);
    Shape shape(heights, copy.seconds);
    {
        const audio::EncodeFormat* format = audio::encodeFormat(copy.format);
        auto encoder = audio::SoundEncoder::open(copy.target, copy.format,
                                                 copy.bitrate != 0 || !format ? copy.bitrate : format->usual);
        if (!encoder)
            return encoder.error();
        std::optional<Error> failed;
        const Status played = sandbox::ParserPool::shared().play(
            copy.source, rate, 2, 0, stop, [&](std::vector<int16_t> samples) {
                if (copy.gain != 0)
                    louder(samples, copy.gain);
                if (heights > 0)
                    shape.add(samples);
                if (const Status added = (*encoder)->add(samples); !added)
                    failed = added.error();
                return !failed;
            });
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "It was stopped."};
        if (failed)
            return *failed;
        if (!played)
            return played.error();
        if (const Status finished = (*encoder)->finish(); !finished)
            return finished.error();
    }
    if (const Status added = addFields(copy); !added)
        return added.error();
    unfinished.keep();
    MadeSound out;
    out.seconds = heights > 0 ? shape.seconds() : copy.seconds;
    if (heights > 0)
        out.shape = shape.heights();
    std::error_code ignored;
    out.bytes = std::filesystem::file_size(copy.target, ignored);
    return out;
}

} // namespace moorfrost::deliver
