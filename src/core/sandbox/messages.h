// SPDX-License-Identifier: GPL-3.0-or-later
// What is said between the program and its reading processes: requests and answers as bytes (base/wire).
#pragma once

#include <optional>

#include "core/audio/decode_check.h"
#include "core/audio/sound_traits.h"
#include "core/base/wire.h"
#include "core/measure/spectrogram.h"
#include "core/pictures/recode.h"
#include "core/sound/fingerprint.h"
#include "core/tags/packed.h"
#include "core/tags/tag_io.h"

namespace moorfrost::sandbox {

enum class Ask : uint8_t {
    Read,
    Edit,
    Pictures,
    Peaks,
    Decode,
    Traits,
    Play,
    Cover,
    Picture,
    Fingerprint,
    Fit,
    Samples,
    Measure,
    Spectrogram
};

using tags::put;
using tags::takeFields;
using tags::takeTagFile;

void put(WireWriter& out, const Error& error);
void put(WireWriter& out, const tags::Picture& picture);
/// Without the original: whoever takes it opens the file anew, and must find `state` unchanged.
void put(WireWriter& out, const tags::PreparedEdit& edit);

void put(WireWriter& out, const audio::DecodeCheck& check);
void put(WireWriter& out, const audio::SoundTraits& traits);
void put(WireWriter& out, const pictures::Square& square);
void put(WireWriter& out, const pictures::Fitted& picture);
void put(WireWriter& out, const std::vector<sound::Fingerprint>& fingerprints);

/// In place of an answer: still at it, and what for a number goes with that.
std::string goingOn(double done);
/// The same, with the shape of a sound as far as it is drawn.
std::string drawnSoFar(double done, const std::vector<float>& shape);
std::optional<std::pair<double, std::vector<float>>> takeDrawn(std::string_view message);
std::optional<double> stillGoing(std::string_view answer);
/// In place of an answer: some samples, and more will come.
std::string soundMessage(const std::vector<int16_t>& samples);
std::optional<std::vector<int16_t>> takeSound(std::string_view message);

/// In place of an answer: what will be drawn, then some columns of it, and more will come.
std::string spectrogramMessage(const measure::SpectrogramFrame& frame);
std::string spectrogramMessage(const measure::SpectrogramPart& part);
std::optional<measure::SpectrogramFrame> takeSpectrogramFrame(std::string_view message);
/// With so many levels for each column of the wave.
std::optional<measure::SpectrogramPart> takeSpectrogramPart(std::string_view message);

Error takeError(WireReader& in);
tags::Picture takePicture(WireReader& in);
audio::DecodeCheck takeDecodeCheck(WireReader& in);
audio::SoundTraits takeSoundTraits(WireReader& in);
pictures::Square takeSquare(WireReader& in);
pictures::Fitted takeFitted(WireReader& in);
std::vector<sound::Fingerprint> takeFingerprints(WireReader& in);
tags::PreparedEdit takeEdit(WireReader& in);

/// A value or an error, as an answer.
template<class T>
std::string answerOf(const Result<T>& result) {
    WireWriter out;
    out.number(result ? 1 : 0);
    if (result)
        put(out, *result);
    else
        put(out, result.error());
    return out.bytes();
}

/// nullopt where the answer makes no sense.
template<class T, class Take>
std::optional<Result<T>> resultFrom(std::string_view answer, Take&& take) {
    WireReader in(answer);
    std::optional<Result<T>> result;
    if (in.number() == 1)
        result = take(in);
    else
        result = takeError(in);
    if (!in.ok())
        return std::nullopt;
    return result;
}

} // namespace moorfrost::sandbox
