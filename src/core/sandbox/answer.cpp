// SPDX-License-Identifier: GPL-3.0-or-later
// What a reading process does with a request.
#include <algorithm>
#include <new>

#include "core/audio/decoder.h"
#include "core/measure/sound_report.h"
#include "core/sandbox/messages.h"
#include "core/sandbox/worker.h"

namespace moorfrost::sandbox {

namespace {

constexpr size_t mostBytes = 32u << 20; // of a picture that is decoded

/// The front cover of a file as a square, else its first picture.
Result<pictures::Square> coverOf(const Path& path, int side) {
    auto all = tags::readPictures(path);
    if (!all)
        return all.error();
    if (all->empty())
        return Error{ErrorKind::NotFound, path, "The file has no picture."};
    auto front = std::find_if(all->begin(), all->end(),
                              [](const tags::Picture& p) { return p.info.type == "front cover"; });
    const tags::Picture& best = front == all->end() ? all->front() : *front;
    if (best.data.size() > mostBytes)
        return Error{ErrorKind::Unsupported, path, "The picture has more than 32 MB."};
    return pictures::squareOf(best.data, side);
}

/// What `make` makes of the picture with this checksum in a file of sound; 0: the file is a picture itself.
template<class Make>
auto withPicture(const Path& path, uint64_t hash, const Make& make) -> decltype(make(std::string_view())) {
    const Error tooLarge{ErrorKind::Unsupported, path, "The picture has more than 32 MB."};
    if (hash == 0) {
        auto source = FileSource::open(path);
        if (!source)
            return source.error();
        if ((*source)->size() > mostBytes)
            return tooLarge;
        return make((*source)->bytes(0, static_cast<size_t>((*source)->size())));
    }
    auto all = tags::readPictures(path);
    if (!all)
        return all.error();
    const auto it = std::ranges::find_if(*all, [&](const tags::Picture& p) { return p.info.hash == hash; });
    if (it == all->end())
        return Error{ErrorKind::NotFound, path, "The file has no such picture any more."};
    if (it->data.size() > mostBytes)
        return tooLarge;
    return make(it->data);
}

void answerOne(Ask ask, WireReader& in, const Answers& send) {
    switch (ask) {
    case Ask::Read:
        for (const std::string& path : in.texts())
            send(answerOf(tags::readTags(path)));
        return;
    case Ask::Edit:
        for (size_t n = in.count(); n > 0; --n) {
            Path path = in.text();
            const tags::Fields changes = takeFields(in);
            const tags::Damage damage = in.number() == 1 ? tags::Damage::Allow : tags::Damage::Refuse;
            const Path pictures = in.text();
            send(answerOf(tags::makeEdit(path, changes, damage, pictures)));
        }
        return;
    case Ask::Pictures: {
        auto pictures = tags::readPictures(in.text());
        WireWriter out;
        out.number(pictures ? 1 : 0);
        if (pictures) {
            out.number(pictures->size());
            for (const tags::Picture& p : *pictures)
                put(out, p);
        } else {
            put(out, pictures.error());
        }
        send(out.bytes());
        return;
    }
    case Ask::Peaks: {
        Path path = in.text();
        auto peaks =
            audio::peaksOf(path, in.number(), {}, [&](double seconds, const std::vector<float>& shape) {
                send(drawnSoFar(seconds, shape));
            });
        WireWriter out;
        out.number(peaks ? 1 : 0);
        if (peaks) {
            out.number(peaks->size());
            for (float v : *peaks)
                out.real(v);
        } else {
            put(out, peaks.error());
        }
        send(out.bytes());
        return;
    }
    case Ask::Fingerprint: {
        const Path path = in.text();
        const double most = in.real();
        std::vector<double> speeds(in.count());
        for (double& s : speeds)
            s = in.real();
        send(answerOf(
            sound::fingerprintsOf(path, speeds, most, {}, [&](double seconds) { send(goingOn(seconds)); })));
        return;
    }
    case Ask::Traits:
        send(answerOf(
            audio::soundTraitsOf(Path(in.text()), {}, [&](double seconds) { send(goingOn(seconds)); })));
        return;
    case Ask::Cover: {
        const Path path = in.text();
        send(answerOf(coverOf(path, in.whole())));
        return;
    }
    case Ask::Picture: {
        const Path path = in.text();
        const int side = in.whole();
        send(answerOf(withPicture(path, in.number(),
                                  [&](std::string_view data) { return pictures::squareOf(data, side); })));
        return;
    }
    case Ask::Fit: {
        const Path path = in.text();
        const uint64_t hash = in.number();
        pictures::FitRule rule;
        rule.side = in.whole();
        rule.bytes = in.number();
        rule.quality = in.whole();
        send(answerOf(
            withPicture(path, hash, [&](std::string_view data) { return pictures::fit(data, rule); })));
        return;
    }
    case Ask::Play: {
        Path path = in.text();
        const int rate = in.whole(), channels = in.whole();
        const double from = in.real();
        auto decoder = audio::Decoder::open(path, rate, channels);
        if (decoder && from > 0)
            (*decoder)->seek(from);
        while (decoder) {
            std::vector<int16_t> samples = (*decoder)->next();
            if (samples.empty())
                break;
            send(soundMessage(samples));
        }
        WireWriter out;
        out.number(decoder ? 1 : 0);
        if (!decoder)
            put(out, decoder.error());
        send(out.bytes());
        return;
    }
    case Ask::Samples: {
        const Path path = in.text();
        const uint64_t first = in.number();
        const uint64_t frames = in.number();
        constexpr uint64_t most = 1 << 20; // in one answer
        const auto samples = frames > most ? Result<std::vector<int16_t>>(Error{
                                                 ErrorKind::Invalid, path, "Too much is asked for at once."})
                                           : audio::samplesOf(path, first, static_cast<size_t>(frames));
        if (samples)
            send(soundMessage(*samples));
        WireWriter out;
        out.number(samples ? 1 : 0);
        if (!samples)
            put(out, samples.error());
        send(out.bytes());
        return;
    }
    case Ask::Measure: {
        const Path path = in.text();
        auto report = measure::measureSound(path, {}, [&](double seconds) { send(goingOn(seconds)); });
        WireWriter out;
        out.number(report ? 1 : 0);
        if (report)
            out.text(report->json());
        else
            put(out, report.error());
        send(out.bytes());
        return;
    }
    case Ask::Spectrogram: {
        const Path path = in.text();
        measure::SpectrogramRequest request;
        request.from = in.real();
        request.to = in.real();
        request.lowest = in.real();
        request.highest = in.real();
        request.columns = in.whole();
        request.rows = in.whole();
        const Status drawn = measure::drawSpectrogram(
            path, request, [&](const measure::SpectrogramFrame& frame) { send(spectrogramMessage(frame)); },
            [&](measure::SpectrogramPart&& part) { send(spectrogramMessage(part)); });
        WireWriter out;
        out.number(drawn ? 1 : 0);
        if (!drawn)
            put(out, drawn.error());
        send(out.bytes());
        return;
    }
    case Ask::Decode:
        send(answerOf(audio::checkDecoding(in.text(), [&](double seconds) {
            send(goingOn(seconds));
            return true;
        })));
        return;
    }
}

} // namespace

void answerRequest(std::string_view request, const Answers& send) {
    WireReader in(request);
    auto ask = static_cast<Ask>(in.number());
    try {
        answerOne(ask, in, send);
    } catch (const std::bad_alloc&) {
        // The memory may be in pieces now: a new process is better than this one.
        std::_Exit(outOfMemory);
    }
}

} // namespace moorfrost::sandbox
