// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/ripper.h"

#include <algorithm>
#include <chrono>
#include <csignal>
#include <cstdio>
#include <thread>

#include <nlohmann/json.hpp>
#include <poll.h>
#include <unistd.h>

#include "core/base/child_process.h"
#include "core/disc/drives.h"
#include "core/disc/offset.h"
#include "core/files/disk.h"
#include "core/text/text.h"

namespace moorfrost::disc {

namespace {

using Json = nlohmann::json;
using namespace std::chrono_literals;

constexpr const char* program = "moorfrost-ripper";

Error unexpected() {
    return {ErrorKind::Io, {}, "The process that reads the disc has ended unexpectedly."};
}
Error stopped() {
    return {ErrorKind::Cancelled, {}, "Stopped."};
}

/// A line is a word and what it says.
std::pair<std::string, std::string> parted(const std::string& line) {
    const size_t at = line.find(' ');
    return at == std::string::npos ? std::pair(line, std::string())
                                   : std::pair(line.substr(0, at), line.substr(at + 1));
}

std::string errorText(const Error& e) {
    return Json{static_cast<int>(e.kind), e.message}.dump(-1, ' ', false, Json::error_handler_t::replace);
}
Error errorFrom(const std::string& text) {
    const Json j = Json::parse(text, nullptr, false);
    if (!j.is_array() || j.size() != 2 || !j[0].is_number_integer() || !j[1].is_string())
        return unexpected();
    const int kind = j[0].get<int>();
    const bool known = kind >= 0 && kind <= static_cast<int>(ErrorKind::CutShort);
    return {known ? static_cast<ErrorKind>(kind) : ErrorKind::Io, {}, j[1].get<std::string>()};
}

/// Asks, and takes lines until `take` says that it was the last one. Stop closes the input, which ends the
/// process in its own time: what it was doing comes to an end in order.
Status talk(const std::string& question, std::stop_token stop,
            const std::function<bool(const std::string& word, const std::string& rest)>& take) {
    ChildProcess process;
    if (Status begun = process.start(program, {}); !begun)
        return begun;
    if (Status said = process.say(question); !said)
        return said;
    bool closed = false;
    auto patience = std::chrono::steady_clock::time_point::max();
    for (;;) {
        if (stop.stop_requested() && !closed) {
            process.closeInput();
            closed = true;
            patience = std::chrono::steady_clock::now() + 20s;
        }
        if (std::chrono::steady_clock::now() > patience)
            return stopped(); // the drive hangs: the process goes with it
        const ChildProcess::Heard heard = process.line(100ms);
        if (heard.ended)
            return closed ? stopped() : unexpected();
        if (!heard.line)
            continue;
        const auto [word, rest] = parted(*heard.line);
        if (word == "error")
            return errorFrom(rest);
        if (take(word, rest))
            return Done{};
    }
}

/// The one answer to a question.
Result<std::string> answerTo(const std::string& question, std::stop_token stop) {
    std::string out;
    Status asked = talk(question, stop, [&](const std::string& word, const std::string& rest) {
        out = rest;
        return word == "answer";
    });
    if (!asked)
        return asked.error();
    return out;
}

} // namespace

std::vector<DriveName> drivesThere(std::stop_token stop) {
    std::vector<DriveName> out;
    auto answer = answerTo("drives", stop);
    const Json list = answer ? Json::parse(*answer, nullptr, false) : Json();
    if (list.is_array())
        for (const Json& d : list)
            out.push_back({text::fromHex(d.value("device", "")), d.value("name", "")});
    return out;
}

Result<DriveLook> lookAtDrive(const Path& drive, std::stop_token stop) {
    auto answer = answerTo("look " + text::hex(drive.native()), stop);
    if (!answer)
        return answer.error();
    return lookFromText(*answer);
}

Status ejectDrive(const Path& drive, std::stop_token stop) {
    auto answer = answerTo("eject " + text::hex(drive.native()), stop);
    if (!answer)
        return answer.error();
    return Done{};
}

Result<std::optional<int>> offsetOfDrive(const Path& drive, const Toc& toc, const reference::Medium& known,
                                         std::stop_token stop) {
    Json readings = Json::array();
    for (const reference::DiscReading& r : known.readings)
        readings.push_back({r.track, r.crc});
    const DriveLook look{{}, toc, {}};
    auto answer = answerTo("offset " + Json{{"drive", text::hex(drive.native())},
                                            {"look", toText(look)},
                                            {"readings", std::move(readings)}}
                                           .dump(),
                           stop);
    if (!answer)
        return answer.error();
    return *answer == "none" ? std::optional<int>() : std::optional(std::atoi(answer->c_str()));
}

RipReport ripInProcess(const Path& drive, const RipPlan& plan, std::stop_token stop,
                       const std::function<void(const RipProgress&)>& progress,
                       const std::function<void(const TrackReport&)>& ended) {
    RipReport out;
    out.format = plan.format;
    out.verified = plan.reading.verify;
    out.offset = plan.offset;
    Status talked = talk("rip " + text::hex(drive.native()) + " " + toText(plan), stop,
                         [&](const std::string& word, const std::string& rest) {
                             if (word == "at") {
                                 RipProgress p;
                                 if (std::sscanf(rest.c_str(), "%zu %d %zu %zu", &p.track, &p.done,
                                                 &p.doubtful, &p.bad) == 4 &&
                                     p.track < plan.tracks.size())
                                     progress(p);
                             } else if (word == "look") {
                                 if (auto look = lookFromText(rest)) {
                                     out.drive = look->name;
                                     out.toc = look->toc;
                                 }
                             } else if (word == "track") {
                                 if (auto track = trackFromText(rest)) {
                                     out.tracks.push_back(*track);
                                     if (ended)
                                         ended(*track);
                                 }
                             } else if (word == "done") {
                                 const Json j = Json::parse(rest, nullptr, false);
                                 out.complete = j.is_object() && j.value("complete", false);
                                 out.ended = j.is_object() ? j.value("ended", "") : unexpected().message;
                                 return true;
                             }
                             return false;
                         });
    if (!talked) {
        out.ended = talked.error().message;
        // One was read, the one before it may have been on its way to its name.
        for (size_t i = out.tracks.size(); i < std::min(out.tracks.size() + 2, plan.tracks.size()); ++i)
            removeUnfinished(plan.tracks[i]);
    }
    return out;
}

namespace {

/// Tells when its input has come to an end: who asked is gone, or wants it to stop.
class Watch {
public:
    explicit Watch(int in)
        : thread_([this, in](std::stop_token own) {
              while (!own.stop_requested()) {
                  pollfd wait{in, POLLIN, 0};
                  char byte = 0;
                  if (::poll(&wait, 1, 100) > 0 && ::read(in, &byte, 1) <= 0) {
                      source_.request_stop();
                      return;
                  }
              }
          }) {}
    std::stop_token token() const { return source_.get_token(); }

private:
    std::stop_source source_;
    std::jthread thread_;
};

std::string lineFrom(int in) {
    std::string out;
    for (char c = 0; ::read(in, &c, 1) == 1 && c != '\n';)
        out += c;
    return out;
}

class Talk {
public:
    explicit Talk(int out) : out_(out) {}
    void say(const std::string& word, const std::string& rest) {
        // Where nobody listens any more, the watch says so, too.
        ::dprintf(out_, "%s %s\n", word.c_str(), rest.c_str());
    }

private:
    int out_;
};

Status ripFor(const std::string& asked, std::stop_token stop, Talk& talk) {
    const auto [drivePath, planText] = parted(asked);
    auto plan = planFromText(planText);
    if (!plan)
        return plan.error();
    auto drive = openDrive(text::fromHex(drivePath));
    if (!drive)
        return drive.error();
    auto toc = (*drive)->toc();
    if (!toc)
        return toc.error();
    talk.say("look", toText(DriveLook{(*drive)->name(), *toc, {}}));
    using Clock = std::chrono::steady_clock;
    auto last = Clock::now() - 1s;
    size_t track = 0;
    const RipReport report = rip(
        **drive, *plan, stop,
        [&](const RipProgress& p) {
            if (p.track == track && Clock::now() - last < 60ms)
                return;
            track = p.track;
            last = Clock::now();
            talk.say("at", std::to_string(p.track) + " " + std::to_string(p.done) + " " +
                               std::to_string(p.doubtful) + " " + std::to_string(p.bad));
        },
        [&](const TrackReport& t) { talk.say("track", toText(t)); });
    talk.say("done", Json{{"complete", report.complete}, {"ended", report.ended}}.dump(
                         -1, ' ', false, Json::error_handler_t::replace));
    return Done{};
}

Result<std::string> answerFor(const std::string& word, const std::string& rest, std::stop_token stop) {
    if (word == "drives") {
        Json list = Json::array();
        for (const DriveName& d : drivesOfMachine())
            list.push_back({{"device", text::hex(d.device.native())}, {"name", d.name}});
        return list.dump(-1, ' ', false, Json::error_handler_t::replace);
    }
    if (word == "offset") {
        const Json j = Json::parse(rest, nullptr, false);
        auto look = lookFromText(j.value("look", ""));
        auto drive = openDrive(text::fromHex(j.value("drive", "")));
        if (!look || !drive)
            return look ? drive.error() : look.error();
        reference::Medium known;
        for (const Json& r : j.value("readings", Json::array()))
            known.readings.push_back({r.at(0).get<int>(), r.at(1).get<uint32_t>(), 1});
        auto found = findOffset(**drive, look->toc, known, stop);
        if (!found)
            return found.error();
        return *found ? std::to_string(**found) : std::string("none");
    }
    auto drive = openDrive(text::fromHex(rest));
    if (!drive)
        return drive.error();
    if (word == "eject") {
        Status open = (*drive)->eject();
        return open ? Result<std::string>(std::string()) : open.error();
    }
    auto toc = (*drive)->toc();
    if (!toc)
        return toc.error();
    auto said = (*drive)->text(); // a drive that cannot read it is no trouble
    return toText(DriveLook{(*drive)->name(), std::move(*toc), said ? std::move(*said) : CdText{}});
}

} // namespace

int serveRips(int in, int out) {
    ::signal(SIGPIPE, SIG_IGN);
    const auto [word, rest] = parted(lineFrom(in));
    Watch watch(in);
    Talk talk(out);
    if (word == "rip") {
        if (Status ripped = ripFor(rest, watch.token(), talk); !ripped)
            talk.say("error", errorText(ripped.error()));
        return 0;
    }
    auto answer = answerFor(word, rest, watch.token());
    talk.say(answer ? "answer" : "error", answer ? *answer : errorText(answer.error()));
    return 0;
}

} // namespace moorfrost::disc
