// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sandbox/parser_pool.h"

#include <algorithm>
#include <cstdlib>
#include <deque>
#include <utility>

#include <unistd.h>

#include "core/base/helper_program.h"
#include "core/base/log.h"
#include "core/sandbox/messages.h"
#include "core/text/text.h"

namespace moorfrost::sandbox {

namespace {

/// Files in a request.
constexpr size_t requestSizeOf(Ask ask) {
    return ask == Ask::Edit ? 4 : 24;
}

constexpr size_t mostIdle = 8;

Path readerProgram() {
    if (const char* named = std::getenv("MOORFROST_READER"); named && *named)
        return named;
    return helperProgram("moorfrost-reader");
}

Error senseless(const Path& path) {
    return {ErrorKind::Damaged, path,
            "Reading this file led to an answer that makes no sense, so the file is left alone."};
}

/// `path`: bytes, or a Path; only an error needs it.
template<class T, class Where, class Take>
Result<T> valueFrom(const Where& path, const Result<std::string>& answer, Take&& take) {
    if (!answer)
        return answer.error();
    auto result = resultFrom<T>(*answer, std::forward<Take>(take));
    return result ? std::move(*result) : Result<T>(senseless(path));
}

/// An edit that came from a reading process, once it is shown here to be what it should be.
Result<tags::PreparedEdit> confirmed(const Path& path, const Result<std::string>& answer) {
    uint64_t size = 0, modified = 0;
    auto edit = valueFrom<tags::PreparedEdit>(path, answer, [&](WireReader& in) {
        tags::PreparedEdit taken = takeEdit(in);
        size = in.number();
        modified = in.number();
        return taken;
    });
    if (!edit)
        return edit;
    auto source = FileSource::open(path);
    if (!source)
        return source.error();
    if (size != (*source)->size() || modified != static_cast<uint64_t>((*source)->modifiedNs()))
        return Error{ErrorKind::Changed, path,
                     "The file was changed by something else at this moment. Read it again, then decide."};
    edit->original = std::move(*source);
    if (Status fine = tags::confirm(*edit); !fine)
        return Error{fine.error().kind, path, fine.error().message};
    return edit;
}

ParserPool::Take onlyOne(ParserPool::Question question) {
    return [next = std::optional(std::move(question))](bool) mutable {
        return std::exchange(next, std::nullopt);
    };
}

std::string requestOf(Ask ask, size_t count, const WireWriter& files) {
    WireWriter head;
    head.number(static_cast<uint64_t>(ask)).number(count);
    return head.bytes() + files.bytes();
}

} // namespace

ParserPool& ParserPool::shared() {
    static ParserPool readers(readerProgram());
    return readers;
}

Result<ParserPool::Lease> ParserPool::lease() {
    {
        std::lock_guard lock(mutex_);
        if (owner_ != ::getpid()) {
            idle_.clear();
            owner_ = ::getpid();
        }
        // What works in the background has readers that give way as it does, and nobody waits for those.
        const auto it = std::ranges::find(idle_, Worker::politenessOfThread(), &Worker::politeness);
        if (it != idle_.end()) {
            Lease worker = std::move(*it);
            idle_.erase(it);
            return worker;
        }
    }
    return Worker::start(program_);
}

void ParserPool::giveBack(Lease worker) {
    std::lock_guard lock(mutex_);
    const auto alike = std::ranges::count(idle_, worker->politeness(), &Worker::politeness);
    if (alike < static_cast<std::ptrdiff_t>(mostIdle))
        idle_.push_back(std::move(worker));
}

Error ParserPool::whyNone(Worker& worker, Worker::Outcome outcome, const Path& path) {
    if (outcome == Worker::Outcome::Stopped)
        return {ErrorKind::Cancelled, path, "Stopped."};
    ++lost_;
    log::warning(log::About::Parser, "a reading process was lost on {}", text::forDisplay(path.native()));
    if (outcome == Worker::Outcome::TooLong)
        return {ErrorKind::Damaged, path,
                "Reading this file took too long, so it was given up. The file may be damaged, or made to do "
                "harm; it is left alone."};
    return {ErrorKind::Damaged, path,
            "What reads files for Moorfrost " + worker.whatHappened() +
                " on this file. The file may be damaged, or made to do harm; it is left alone."};
}

void ParserPool::askEach(Ask ask, const Take& take, std::stop_token stop, const Answered& each) {
    const size_t requestSize = requestSizeOf(ask);
    std::deque<Question> asked; // and not answered yet
    std::deque<Question> alone; // after trouble, to be asked one by one, to find the one that makes it
    // Of many together each gets less time: what is only slow gets its full time when it is alone.
    const Limits together{limits_.computing / 4, limits_.waiting};
    std::optional<Question> first = take(true); // no process for nothing
    if (!first)
        return;
    auto request = [&](Worker& worker) {
        WireWriter files;
        size_t count = 0;
        auto add = [&](Question&& question) {
            files.text(question.path);
            if (ask == Ask::Edit) {
                put(files, question.changes);
                files.number(question.damage == tags::Damage::Allow ? 1 : 0).text(question.pictures);
            }
            asked.push_back(std::move(question));
            ++count;
        };
        if (!alone.empty()) {
            add(std::move(alone.front()));
            alone.pop_front();
        } else {
            if (first)
                add(std::move(*std::exchange(first, std::nullopt)));
            while (count < requestSize) {
                auto question = take(asked.empty());
                if (!question)
                    break;
                add(std::move(*question));
            }
        }
        return count == 0 || worker.send(requestOf(ask, count, files));
    };
    while (!stop.stop_requested()) {
        auto worker = lease();
        if (!worker) { // no file can be read
            if (first)
                asked.push_back(std::move(*first));
            while (auto question = take(true))
                asked.push_back(std::move(*question));
            asked.insert(asked.end(), alone.begin(), alone.end());
            for (const Question& question : asked)
                each(question, Error{worker.error().kind, question.path, worker.error().message});
            return;
        }
        bool single = false;
        auto outcome = Worker::Outcome::Answer;
        std::string answer;
        while (outcome == Worker::Outcome::Answer) {
            // The next request is there before the last answer is: nobody waits for the other.
            bool sent = true;
            if (asked.empty() && !alone.empty()) {
                single = true;
                sent = request(**worker);
            } else if (alone.empty() && asked.size() <= requestSize) {
                single = single && !asked.empty();
                sent = request(**worker);
            }
            if (asked.empty()) {
                giveBack(std::move(*worker));
                return;
            }
            outcome =
                sent ? (*worker)->receive(answer, single ? limits_ : together, stop) : Worker::Outcome::Died;
            if (outcome != Worker::Outcome::Answer)
                break;
            each(asked.front(), std::exchange(answer, {}));
            asked.pop_front();
        }
        if (outcome == Worker::Outcome::Stopped)
            return;
        if (single && asked.size() == 1) {
            each(asked.front(), whyNone(**worker, outcome, asked.front().path));
        } else {
            // Answers are sent together: the first of those that are missing need not be the culprit.
            alone.insert(alone.begin(), asked.begin(), asked.end());
        }
        asked.clear();
    }
}

Result<std::string> ParserPool::ask(const Path& path, const std::string& request, std::stop_token stop,
                                    const Before& before) {
    auto worker = lease();
    if (!worker)
        return worker.error();
    auto outcome = (*worker)->send(request) ? Worker::Outcome::Answer : Worker::Outcome::Died;
    std::string answer;
    while (outcome == Worker::Outcome::Answer) {
        outcome = (*worker)->receive(answer, limits_, stop);
        if (outcome != Worker::Outcome::Answer || !before || !before(answer))
            break;
        if (stop.stop_requested())
            outcome = Worker::Outcome::Stopped;
    }
    if (outcome != Worker::Outcome::Answer)
        return whyNone(**worker, outcome, path);
    giveBack(std::move(*worker));
    return answer;
}

void ParserPool::readEach(const Take& take, std::stop_token stop,
                          const std::function<void(size_t, Result<tags::TagFile>)>& each) {
    askEach(Ask::Read, take, stop, [&](const Question& question, Result<std::string> answer) {
        each(question.number, valueFrom<tags::TagFile>(question.path, answer, takeTagFile));
    });
}

void ParserPool::editEach(const Take& take, std::stop_token stop,
                          const std::function<void(size_t, Result<tags::PreparedEdit>)>& each) {
    askEach(Ask::Edit, take, stop, [&](const Question& question, Result<std::string> answer) {
        each(question.number, confirmed(question.path, answer));
    });
}

Result<tags::TagFile> ParserPool::readTags(const Path& path) {
    Result<tags::TagFile> out = senseless(path);
    readEach(onlyOne({0, path, {}}), {}, [&](size_t, Result<tags::TagFile> r) { out = std::move(r); });
    return out;
}

Result<tags::PreparedEdit> ParserPool::prepareEdit(const Path& path, const tags::Fields& changes,
                                                   tags::Damage damage, const Path& pictures) {
    Result<tags::PreparedEdit> out = senseless(path);
    editEach(onlyOne({0, path, changes, damage, pictures.native()}), {},
             [&](size_t, Result<tags::PreparedEdit> r) { out = std::move(r); });
    return out;
}

Result<std::vector<tags::Picture>> ParserPool::readPictures(const Path& path) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Pictures)).text(path.native());
    return valueFrom<std::vector<tags::Picture>>(path, ask(path, request.bytes(), {}), [](WireReader& in) {
        std::vector<tags::Picture> list(in.count());
        for (tags::Picture& p : list)
            p = takePicture(in);
        return list;
    });
}

ParserPool::Before ParserPool::toldOf(const std::function<void(double)>& going) {
    return [going](std::string_view message) {
        auto done = stillGoing(message);
        if (done && going)
            going(*done);
        return done.has_value();
    };
}

Result<pictures::Square> ParserPool::coverOf(const Path& path, int side) {
    return squareFrom(path, Ask::Cover, 0, side);
}

Result<pictures::Square> ParserPool::pictureOf(const Path& path, uint64_t hash, int side) {
    return squareFrom(path, Ask::Picture, hash, side);
}

Result<pictures::Square> ParserPool::squareFrom(const Path& path, Ask what, uint64_t hash, int side) {
    WireWriter request;
    request.number(static_cast<uint64_t>(what))
        .text(path.native())
        .number(static_cast<uint64_t>(side))
        .number(hash);
    auto square = valueFrom<pictures::Square>(path, ask(path, request.bytes(), {}), takeSquare);
    if (square && square->side != side)
        return senseless(path);
    return square;
}

Result<pictures::Fitted> ParserPool::fitPicture(const Path& path, uint64_t hash,
                                                const pictures::FitRule& rule) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Fit)).text(path.native()).number(hash);
    request.number(static_cast<uint64_t>(rule.side)).number(rule.bytes);
    request.number(static_cast<uint64_t>(rule.quality));
    return valueFrom<pictures::Fitted>(path, ask(path, request.bytes(), {}), takeFitted);
}

Result<audio::DecodeCheck> ParserPool::checkDecoding(const Path& path, std::stop_token stop,
                                                     const std::function<void(double)>& going) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Decode)).text(path.native());
    return valueFrom<audio::DecodeCheck>(path, ask(path, request.bytes(), stop, toldOf(going)),
                                         takeDecodeCheck);
}

Status ParserPool::play(const Path& path, int sampleRate, int channels, double from, std::stop_token stop,
                        const std::function<bool(std::vector<int16_t>)>& each) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Play)).text(path.native());
    request.number(static_cast<uint64_t>(sampleRate)).number(static_cast<uint64_t>(channels)).real(from);
    // Whoever has heard enough leaves a process that is still decoding: it is not used again.
    std::stop_source enough;
    std::stop_callback both(stop, [&] { enough.request_stop(); });
    const Before before = [&](std::string_view message) {
        auto samples = takeSound(message);
        if (samples && !each(std::move(*samples)))
            enough.request_stop();
        return samples.has_value();
    };
    auto end = valueFrom<Done>(path, ask(path, request.bytes(), enough.get_token(), before),
                               [](WireReader&) { return Done{}; });
    if (!end)
        return end.error();
    return Done{};
}

Result<std::vector<int16_t>> ParserPool::samplesOf(const Path& path, uint64_t first, size_t frames) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Samples)).text(path.native());
    request.number(first).number(frames);
    std::vector<int16_t> out;
    const Before before = [&](std::string_view message) {
        auto samples = takeSound(message);
        if (samples)
            out.insert(out.end(), samples->begin(), samples->end());
        return samples.has_value();
    };
    auto end =
        valueFrom<Done>(path, ask(path, request.bytes(), {}, before), [](WireReader&) { return Done{}; });
    if (!end)
        return end.error();
    if (out.size() > frames * 2)
        return senseless(path);
    return out;
}

Result<audio::SoundTraits> ParserPool::soundTraitsOf(const Path& path, std::stop_token stop) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Traits)).text(path.native());
    return valueFrom<audio::SoundTraits>(path, ask(path, request.bytes(), stop, toldOf({})), takeSoundTraits);
}

Result<std::vector<sound::Fingerprint>> ParserPool::fingerprintsOf(const Path& path,
                                                                   const std::vector<double>& speeds,
                                                                   double most, std::stop_token stop) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Fingerprint))
        .text(path.native())
        .real(most)
        .number(speeds.size());
    for (double s : speeds)
        request.real(s);
    auto out = valueFrom<std::vector<sound::Fingerprint>>(path, ask(path, request.bytes(), stop, toldOf({})),
                                                          takeFingerprints);
    if (out && out->size() != speeds.size())
        return Error{ErrorKind::Damaged, path, "The answer of the reading process makes no sense."};
    return out;
}

Result<std::vector<float>> ParserPool::peaksOf(const Path& path, size_t count, std::stop_token stop,
                                               const audio::PeaksTold& going) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Peaks)).text(path.native()).number(count);
    const Before before = [&](std::string_view message) {
        auto drawn = takeDrawn(message);
        if (drawn && going)
            going(drawn->first, std::move(drawn->second));
        return drawn.has_value();
    };
    return valueFrom<std::vector<float>>(path, ask(path, request.bytes(), stop, before), [](WireReader& in) {
        std::vector<float> list(in.count());
        for (float& v : list)
            v = static_cast<float>(in.real());
        return list;
    });
}

Result<measure::SoundReport> ParserPool::measureSound(const Path& path, std::stop_token stop,
                                                      const std::function<void(double)>& going) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Measure)).text(path.native());
    auto json = valueFrom<std::string>(path, ask(path, request.bytes(), stop, toldOf(going)),
                                       [](WireReader& in) { return in.text(); });
    if (!json)
        return json.error();
    if (auto report = measure::SoundReport::fromJson(*json))
        return *std::move(report);
    return senseless(path);
}

Status ParserPool::drawSpectrogram(const Path& path, const measure::SpectrogramRequest& wanted,
                                   std::stop_token stop, const measure::SpectrogramBegun& begun,
                                   const measure::SpectrogramDrawn& drawn) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Spectrogram)).text(path.native());
    request.real(wanted.from).real(wanted.to).real(wanted.lowest).real(wanted.highest);
    request.number(static_cast<uint64_t>(wanted.columns)).number(static_cast<uint64_t>(wanted.rows));
    std::optional<measure::SpectrogramFrame> frame;
    const Before before = [&](std::string_view message) {
        if (!frame) {
            frame = takeSpectrogramFrame(message);
            if (frame)
                begun(*frame);
            return frame.has_value();
        }
        auto part = takeSpectrogramPart(message);
        if (!part)
            return false;
        const auto columns = part->wave.size(), rows = static_cast<size_t>(frame->rows);
        if (static_cast<size_t>(part->first) + columns <= static_cast<size_t>(frame->columns) &&
            part->levels.size() == columns * rows)
            drawn(std::move(*part));
        return true;
    };
    auto end =
        valueFrom<Done>(path, ask(path, request.bytes(), stop, before), [](WireReader&) { return Done{}; });
    if (!end)
        return end.error();
    return Done{};
}

} // namespace moorfrost::sandbox
