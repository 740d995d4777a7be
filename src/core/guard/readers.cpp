// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/guard/readers.h"

#include <cstdlib>
#include <deque>

#include <unistd.h>

#include "core/guard/messages.h"

namespace moorfrost::guard {

namespace {

constexpr size_t requestSize = 12; // files
constexpr size_t mostIdle = 8;

Path readerProgram() {
    if (const char* named = std::getenv("MOORFROST_READER"); named && *named)
        return named;
    std::error_code error;
    Path folder = std::filesystem::read_symlink("/proc/self/exe", error).parent_path();
    for (int up = 0; up < 4 && folder.has_relative_path(); ++up, folder = folder.parent_path())
        if (Path program = folder / "libexec/moorfrost-reader"; std::filesystem::exists(program, error))
            return program;
    return "moorfrost-reader";
}

Error senseless(const Path& path) {
    return {ErrorKind::Damaged, path,
            "Reading this file led to an answer that makes no sense, so the file is left alone."};
}

} // namespace

Readers& Readers::shared() {
    static Readers readers(readerProgram());
    return readers;
}

Result<Readers::Lease> Readers::lease() {
    {
        std::lock_guard lock(mutex_);
        if (owner_ != ::getpid()) {
            idle_.clear();
            owner_ = ::getpid();
        }
        if (!idle_.empty()) {
            Lease worker = std::move(idle_.back());
            idle_.pop_back();
            return worker;
        }
    }
    return Worker::start(program_);
}

void Readers::giveBack(Lease worker) {
    std::lock_guard lock(mutex_);
    if (idle_.size() < mostIdle)
        idle_.push_back(std::move(worker));
}

Error Readers::whyNone(Worker& worker, Worker::Outcome outcome, const Path& path) {
    if (outcome == Worker::Outcome::Stopped)
        return {ErrorKind::Cancelled, path, "Stopped."};
    ++lost_;
    if (outcome == Worker::Outcome::TooLong)
        return {ErrorKind::Damaged, path,
                "Reading this file took too long, so it was given up. The file may be damaged, or made to do "
                "harm; it is left alone."};
    return {ErrorKind::Damaged, path,
            "What reads files for Moorfrost " + worker.whatHappened() +
                " on this file. The file may be damaged, or made to do harm; it is left alone."};
}

void Readers::readEach(const Take& take, std::stop_token stop,
                       const std::function<void(size_t, Result<tags::TagFile>)>& each) {
    using Item = std::pair<size_t, Path>;
    std::deque<Item> asked; // and not answered yet
    std::deque<Item> alone; // after trouble, to be asked one by one, to find the one that makes it
    // Of many together each gets less time: what is only slow gets its full time when it is alone.
    const Limits together{limits_.computing / 4, limits_.waiting};
    std::optional<Item> first = take(true); // no process for nothing
    if (!first)
        return;
    auto request = [&](Worker& worker) {
        WireWriter message;
        message.number(static_cast<uint64_t>(Ask::Read));
        std::vector<std::string> names;
        auto ask = [&](Item&& item) {
            names.push_back(item.second.native());
            asked.push_back(std::move(item));
        };
        if (!alone.empty()) {
            ask(std::move(alone.front()));
            alone.pop_front();
        } else {
            if (first)
                ask(std::move(*std::exchange(first, std::nullopt)));
            for (size_t i = names.size(); i < requestSize; ++i)
                if (auto item = take(asked.empty()))
                    ask(std::move(*item));
        }
        return names.empty() || worker.send(message.texts(names).bytes());
    };
    while (!stop.stop_requested()) {
        auto worker = lease();
        if (!worker) { // no file can be read
            if (first)
                asked.push_back(std::move(*first));
            while (auto item = take(true))
                asked.push_back(std::move(*item));
            asked.insert(asked.end(), alone.begin(), alone.end());
            for (const auto& [number, path] : asked)
                each(number, Error{worker.error().kind, path, worker.error().message});
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
            auto [number, path] = std::move(asked.front());
            asked.pop_front();
            auto result = resultFrom<tags::TagFile>(answer, takeTagFile);
            each(number, result ? std::move(*result) : Result<tags::TagFile>(senseless(path)));
        }
        if (outcome == Worker::Outcome::Stopped)
            return;
        if (single && asked.size() == 1) {
            each(asked.front().first, whyNone(**worker, outcome, asked.front().second));
        } else {
            // Answers are sent together: the first of those that are missing need not be the culprit.
            alone.insert(alone.begin(), asked.begin(), asked.end());
        }
        asked.clear();
    }
}

Result<std::string> Readers::ask(const Path& path, const std::string& request, std::stop_token stop,
                                 const std::function<void(double)>& going) {
    auto worker = lease();
    if (!worker)
        return worker.error();
    auto outcome = (*worker)->send(request) ? Worker::Outcome::Answer : Worker::Outcome::Died;
    std::string answer;
    while (outcome == Worker::Outcome::Answer) {
        outcome = (*worker)->receive(answer, limits_, stop);
        auto done = outcome == Worker::Outcome::Answer ? stillGoing(answer) : std::nullopt;
        if (!done)
            break;
        if (going)
            going(*done);
        if (stop.stop_requested())
            outcome = Worker::Outcome::Stopped;
    }
    if (outcome != Worker::Outcome::Answer)
        return whyNone(**worker, outcome, path);
    giveBack(std::move(*worker));
    return answer;
}

Result<tags::TagFile> Readers::readTags(const Path& path) {
    Result<tags::TagFile> out = senseless(path);
    bool taken = false;
    auto take = [&](bool) {
        return std::exchange(taken, true) ? std::nullopt : std::optional(std::pair(size_t{0}, path));
    };
    readEach(take, {}, [&](size_t, Result<tags::TagFile> r) { out = std::move(r); });
    return out;
}

Result<std::vector<tags::Picture>> Readers::readPictures(const Path& path) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Pictures)).text(path.native());
    auto answer = ask(path, request.bytes(), {});
    if (!answer)
        return answer.error();
    auto result = resultFrom<std::vector<tags::Picture>>(*answer, [](WireReader& in) {
        std::vector<tags::Picture> list(in.count());
        for (tags::Picture& p : list)
            p = takePicture(in);
        return list;
    });
    return result ? *result : senseless(path);
}

Result<tags::PreparedEdit> Readers::prepareEdit(const Path& path, const tags::Fields& changes) {
    auto source = FileSource::open(path);
    if (!source)
        return source.error();
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Edit)).text(path.native());
    put(request, changes);
    auto answer = ask(path, request.bytes(), {});
    if (!answer)
        return answer.error();
    uint64_t size = 0, modified = 0;
    auto result = resultFrom<tags::PreparedEdit>(*answer, [&](WireReader& in) {
        tags::PreparedEdit edit = takeEdit(in);
        size = in.number();
        modified = in.number();
        return edit;
    });
    if (!result)
        return senseless(path);
    if (!*result)
        return result->error();
    if (size != (*source)->size() || modified != static_cast<uint64_t>((*source)->modifiedNs()))
        return Error{ErrorKind::Changed, path,
                     "The file was changed by something else at this moment. Read it again, then decide."};
    tags::PreparedEdit edit = std::move(**result);
    edit.original = *source;
    if (Status fine = tags::confirm(edit); !fine)
        return Error{fine.error().kind, path, fine.error().message};
    return edit;
}

Result<audio::DecodeCheck> Readers::checkDecoding(const Path& path, std::stop_token stop,
                                                  const std::function<void(double)>& going) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Decode)).text(path.native());
    auto answer = ask(path, request.bytes(), stop, going);
    if (!answer)
        return answer.error();
    auto result = resultFrom<audio::DecodeCheck>(*answer, takeDecodeCheck);
    return result ? *result : senseless(path);
}

Result<std::vector<float>> Readers::peaksOf(const Path& path, size_t count, std::stop_token stop) {
    WireWriter request;
    request.number(static_cast<uint64_t>(Ask::Peaks)).text(path.native()).number(count);
    auto answer = ask(path, request.bytes(), stop);
    if (!answer)
        return answer.error();
    auto result = resultFrom<std::vector<float>>(*answer, [](WireReader& in) {
        std::vector<float> list(in.count());
        for (float& v : list)
            v = static_cast<float>(in.real());
        return list;
    });
    return result ? *result : senseless(path);
}

} // namespace moorfrost::guard
