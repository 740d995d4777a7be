// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/file_pair.h"

#include <cmath>

#include "core/audio/essence.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::placing {

namespace {

constexpr double apart = 0.2; // seconds: what coders add

FilePair::Side sideOf(const Path& path, std::string& essence) {
    FilePair::Side out;
    out.path = path;
    std::error_code error;
    out.size = std::filesystem::file_size(path, error);
    auto source = FileSource::open(path);
    if (error || !source) {
        out.size = 0;
        out.error = "The file cannot be read.";
        return out;
    }
    const auto tags = sandbox::ParserPool::shared().readTags(path);
    if (!tags) {
        out.error = tags.error().message;
        return out;
    }
    out.format = tags->format;
    out.facts = tags->facts;
    if (const auto sound = audio::essenceOf(**source, tags->format))
        essence = sound->hash;
    return out;
}

} // namespace

FilePair pairOf(const Path& one, const Path& other, std::stop_token stop) {
    FilePair out;
    std::string a, b;
    out.one = sideOf(one, a);
    if (stop.stop_requested())
        return out;
    out.other = sideOf(other, b);
    if (!out.one.error.empty() || !out.other.error.empty())
        return out;
    const double seconds = std::abs(out.one.facts.duration - out.other.facts.duration);
    const bool sameFormat = out.one.format == out.other.format;
    if (sameFormat && !a.empty() && a == b)
        out.sound = FilePair::Sound::Identical;
    else if (seconds > apart)
        out.sound = FilePair::Sound::Otherwise;
    else
        out.sound = sameFormat ? FilePair::Sound::OtherBytes : FilePair::Sound::AsLong;
    return out;
}

std::string sentenceOf(FilePair::Sound sound) {
    switch (sound) {
    case FilePair::Sound::Identical:
        return "The sound is the same, byte for byte.";
    case FilePair::Sound::AsLong:
        return "As long, kept in another format.";
    case FilePair::Sound::OtherBytes:
        return "The sound differs, though it is as long.";
    case FilePair::Sound::Otherwise:
        return "The sound differs: they are not as long.";
    case FilePair::Sound::Unknown:
        break;
    }
    return "The sound cannot be compared.";
}

} // namespace moorfrost::placing
