// SPDX-License-Identifier: GPL-3.0-or-later
#include "standin/server.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cstdlib>
#include <fstream>
#include <map>
#include <mutex>
#include <set>
#include <thread>

#include <fmt/format.h>
#include <httplib.h>

#include "core/base/bytes_hash.h"
#include "core/reference/catalogue.h"
#include "core/reference/hearing_json.h"
#include "core/reference/release_json.h"
#include "core/sound/index.h"

namespace moorfrost::standin {

namespace {

using namespace std::chrono_literals;
using reference::Question;
using reference::Release;

/// What a question is answered with: enough to compare, not all there is.
Release summary(const Release& whole) {
    Release r = whole;
    r.notes.clear();
    r.links.clear();
    r.roles.clear();
    r.pictures.clear();
    for (reference::Medium& m : r.media)
        for (reference::Track& t : m.tracks)
            t.roles.clear();
    return r;
}

void answer(httplib::Response& response, int status, const std::string& json) {
    response.status = status;
    response.set_content(json, "application/json; charset=utf-8");
}

void refuse(httplib::Response& response, int status, const char* kind, const char* message) {
    answer(response, status, reference::errorAnswer(kind, message));
}

std::vector<std::string> values(const httplib::Request& request, const char* key) {
    std::vector<std::string> out;
    for (size_t i = 0; i < request.get_param_value_count(key) && i < 200; ++i)
        out.push_back(request.get_param_value(key, i));
    return out;
}

std::vector<int64_t> numbers(const std::string& list) {
    std::vector<int64_t> out;
    for (size_t at = 0; at < list.size() && out.size() < 1000;) {
        char* end = nullptr;
        out.push_back(std::strtoll(list.c_str() + at, &end, 10));
        at = static_cast<size_t>(end - list.c_str());
        while (at < list.size() && list[at] != ',')
            ++at;
        ++at;
    }
    return out;
}

Question questionOf(const httplib::Request& request) {
    auto text = [&](const char* key) { return request.get_param_value(key).substr(0, 4000); };
    Question q;
    q.words = text("words");
    q.artist = text("artist");
    q.album = text("album");
    q.tracks = values(request, "track");
    q.label = text("label");
    q.catalogueNumber = text("catalogue_number");
    q.barcode = text("barcode");
    q.year = std::atoi(text("year").c_str());
    q.isrcs = values(request, "isrc");
    q.lengthsMs = numbers(text("lengths"));
    q.discTable = numbers(text("disc_table"));
    if (const int limit = std::atoi(text("limit").c_str()); limit > 0)
        q.limit = static_cast<size_t>(std::min(limit, 100));
    q.from = static_cast<size_t>(std::clamp(std::atoi(text("from").c_str()), 0, 1000));
    return q;
}

} // namespace

Wrong wrongFrom(std::string_view word) {
    constexpr std::string_view words[] = {"", "json", "types", "huge", "hostile", "slow", "bomb"};
    const auto at = std::ranges::find(words, word);
    return at == std::end(words) ? Wrong::No : static_cast<Wrong>(at - std::begin(words));
}

struct Server::Impl {
    reference::Catalogue catalogue;
    std::shared_ptr<const sound::SoundIndex> sounds;       // of the recordings; nullptr: none are known
    std::vector<std::string> recordings;                   // their numbers in the catalogue
    std::map<std::string, std::vector<size_t>> releasesOf; // by recording
    Path pictures;
    httplib::Server http;
    std::mutex mutex; // guards the following
    Manners manners;
    size_t asked = 0;
    std::chrono::steady_clock::time_point second = std::chrono::steady_clock::now();
    int inSecond = 0;

    explicit Impl(reference::Catalogue c) : catalogue(std::move(c)) {}

    Manners now() {
        std::lock_guard lock(mutex);
        return manners;
    }

    /// False if the request is refused.
    bool admit(httplib::Response& response) {
        int delay = 0;
        {
            std::lock_guard lock(mutex);
            ++asked;
            const auto t = std::chrono::steady_clock::now();
            if (t - second >= 1s) {
                second = t;
                inSecond = 0;
            }
            if (manners.perSecond > 0 && ++inSecond > manners.perSecond) {
                response.set_header("Retry-After", "1");
                refuse(response, 429, "too many", "There were too many questions in this second.");
                return false;
            }
            if (manners.failEvery > 0 && asked % static_cast<size_t>(manners.failEvery) == 0) {
                refuse(response, 503, "busy", "The reference is busy.");
                return false;
            }
            if (manners.dieAfter > 0 && asked > static_cast<size_t>(manners.dieAfter))
                std::_Exit(3);
            delay = manners.delayMs;
        }
        std::this_thread::sleep_for(std::chrono::milliseconds(delay));
        return true;
    }

    /// What is told is spoilt as asked for. True: it was.
    bool spoil(httplib::Response& response) {
        const Wrong wrong = now().wrong;
        if (wrong == Wrong::Json)
            answer(response, 200, R"({"total":1,"releases":[{"id":"broken", "title": )");
        else if (wrong == Wrong::Types)
            answer(response, 200, R"({"total":1,"id":7,"releases":[{"id":"a","title":17,"media":"none"}]})");
        else if (wrong == Wrong::Huge)
            response.set_content_provider(1u << 30, "application/json",
                                          [](size_t, size_t length, httplib::DataSink& sink) {
                                              const std::string block(std::min<size_t>(length, 65536), ' ');
                                              return sink.write(block.data(), block.size());
                                          });
        else if (wrong == Wrong::Slow)
            response.set_content_provider(100000, "application/json",
                                          [](size_t, size_t, httplib::DataSink& sink) {
                                              std::this_thread::sleep_for(200ms);
                                              return sink.write(" ", 1);
                                          });
        else
            return false;
        return true;
    }

    reference::Heard heard(const std::vector<sound::Fingerprint>& asked) const {
        constexpr size_t mostReleases = 60;
        reference::Heard out;
        std::set<size_t> releases;
        for (const sound::Fingerprint& f : asked) {
            out.sounds.emplace_back();
            for (const sound::Hit& h : sounds ? sounds->find(f.items) : std::vector<sound::Hit>()) {
                const std::string& recording = recordings.at(static_cast<size_t>(h.id));
                out.sounds.back().push_back({recording, h.overlap.z,
                                             static_cast<double>(h.overlap.offset) * sound::secondsPerItem,
                                             static_cast<double>(h.overlap.items) * sound::secondsPerItem});
                if (const auto on = releasesOf.find(recording); on != releasesOf.end())
                    for (size_t r : on->second)
                        if (releases.size() < mostReleases)
                            releases.insert(r);
            }
        }
        for (size_t r : releases)
            out.releases.push_back(summary(catalogue.releases()[r]));
        return out;
    }

    void set() {
        http.set_payload_max_length(reference::maxAnswerBytes);
        http.Get("/v1/", [this](const httplib::Request&, httplib::Response& response) {
            if (admit(response) && !spoil(response))
                answer(response, 200, toJson(reference::About{"Cairn", 1, catalogue.releases().size()}));
        });
        http.Get("/v1/releases", [this](const httplib::Request& request, httplib::Response& response) {
            if (!admit(response) || spoil(response))
                return;
            const Question q = questionOf(request);
            if (q.isEmpty())
                return refuse(response, 400, "no question", "Nothing was asked for.");
            const auto all = catalogue.ask(q);
            reference::Page page;
            page.total = all.size();
            for (size_t i = q.from; i < std::min(all.size(), q.from + q.limit); ++i)
                page.releases.push_back(summary(catalogue.releases()[all[i].release]));
            if (q.from + q.limit < all.size())
                page.next = q.from + q.limit;
            if (now().wrong == Wrong::Hostile)
                for (Release& r : page.releases) {
                    r.title = "<b>../../" + r.title + "</b>\x07\xE2\x80\xAE\n" + r.title;
                    for (auto& n : r.credit.names)
                        n.name = "=cmd|" + n.name + "\x1b[31m";
                }
            answer(response, 200, toJson(page));
        });
        http.Get(R"(/v1/releases/([A-Za-z0-9_-]+))",
                 [this](const httplib::Request& request, httplib::Response& response) {
                     if (!admit(response) || spoil(response))
                         return;
                     const Release* release = catalogue.find(request.matches[1].str());
                     if (!release)
                         return refuse(response, 404, "not found", "There is no such release.");
                     const std::string json = toJson(*release);
                     BytesHash hash;
                     hash.add(json);
                     const std::string tag = '"' + hash.text() + '"';
                     response.set_header("ETag", tag);
                     if (request.get_header_value("If-None-Match") == tag) {
                         response.status = 304;
                         return;
                     }
                     answer(response, 200, json);
                 });
        http.Post("/v1/sounds", [this](const httplib::Request& request, httplib::Response& response) {
            if (!admit(response) || spoil(response))
                return;
            const auto asked = reference::soundsFromJson(request.body);
            if (!asked)
                return refuse(response, 400, "no question", asked.error().message.c_str());
            answer(response, 200, toJson(heard(*asked)));
        });
        http.Get(R"(/v1/pictures/([A-Za-z0-9_-]+))", [this](const httplib::Request& request,
                                                            httplib::Response& response) {
            if (!admit(response) || spoil(response))
                return;
            std::ifstream in(pictures / request.matches[1].str(), std::ios::binary);
            if (!in)
                return refuse(response, 404, "not found", "There is no such picture.");
            std::string bytes{std::istreambuf_iterator<char>(in), {}};
            if (now().wrong == Wrong::Bomb) // a header that promises 20,000 by 20,000 points
                bytes =
                    std::string("\x89PNG\r\n\x1a\n\0\0\0\x0dIHDR\0\0\x4e\x20\0\0\x4e\x20\x08\x06\0\0\0", 29);
            response.set_content(bytes, "image/jpeg");
        });
        http.set_error_handler([](const httplib::Request&, httplib::Response& response) {
            if (response.body.empty() && response.status >= 400)
                refuse(response, response.status, "not found", "There is nothing at this address.");
        });
    }
};

Server::Server(std::unique_ptr<Impl> impl) : impl_(std::move(impl)) {}

Server::~Server() {
    stop();
}

Result<std::unique_ptr<Server>> Server::open(const Path& folder, const Manners& manners) {
    auto catalogue = reference::Catalogue::read(folder / "cairn.jsonl");
    if (!catalogue)
        return catalogue.error();
    auto impl = std::make_unique<Impl>(std::move(*catalogue));
    impl->pictures = folder / "pictures";
    for (size_t i = 0; i < impl->catalogue.releases().size(); ++i)
        for (const reference::Medium& m : impl->catalogue.releases()[i].media)
            for (const reference::Track& t : m.tracks)
                if (!t.recording.empty())
                    impl->releasesOf[t.recording].push_back(i);
    // "cairn.sounds" tells recordings by their places in "cairn.recordings".
    std::ifstream numbers(folder / "cairn.recordings");
    for (std::string line; std::getline(numbers, line);)
        impl->recordings.push_back(line);
    impl->sounds = sound::SoundIndex::open(folder / "cairn.sounds", reference::soundsRevision);
    if (impl->sounds && impl->sounds->size() > 0 &&
        (impl->sounds->ids().front() < 0 ||
         impl->sounds->ids().back() >= static_cast<int64_t>(impl->recordings.size())))
        impl->sounds = nullptr; // the one does not belong to the other
    impl->manners = manners;
    impl->set();
    return std::unique_ptr<Server>(new Server(std::move(impl)));
}

Result<int> Server::listen(int port) {
    // Without this two of them could share a port.
    impl_->http.set_socket_options([](socket_t) {});
    if (port == 0) {
        const int free = impl_->http.bind_to_any_port("127.0.0.1");
        if (free > 0)
            return free;
    } else if (impl_->http.bind_to_port("127.0.0.1", port)) {
        return port;
    }
    return Error{
        ErrorKind::Exists, {}, fmt::format("Port {} is taken by another program. Choose another one.", port)};
}

void Server::serve() {
    impl_->http.listen_after_bind();
}

void Server::stop() {
    impl_->http.stop();
}

size_t Server::asked() const {
    std::lock_guard lock(impl_->mutex);
    return impl_->asked;
}

void Server::setManners(const Manners& manners) {
    std::lock_guard lock(impl_->mutex);
    impl_->manners = manners;
}

} // namespace moorfrost::standin
