// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/http_reference.h"

#include <algorithm>
#include <condition_variable>
#include <cstdlib>
#include <iterator>
#include <mutex>
#include <set>

#include <fmt/format.h>
#include <httplib.h>

#include "core/base/bytes_hash.h"
#include "core/base/log.h"
#include "core/reference/hearing_json.h"
#include "core/reference/release_json.h"
#include "core/text/text.h"

namespace moorfrost::reference {

namespace {

using namespace std::chrono;

/// As a part of a query (RFC 3986).
std::string escaped(std::string_view text) {
    std::string out;
    for (char c : text) {
        const auto u = static_cast<unsigned char>(c);
        if ((u >= '0' && u <= '9') || (u >= 'a' && u <= 'z') || (u >= 'A' && u <= 'Z') || c == '-' ||
            c == '_' || c == '.' || c == '~')
            out += c;
        else
            out += fmt::format("%{:02X}", u);
    }
    return out;
}

std::string listed(const std::vector<int64_t>& numbers) {
    std::string out;
    for (int64_t n : numbers)
        out += (out.empty() ? "" : ",") + std::to_string(n);
    return out;
}

bool isPlainId(const std::string& id) {
    return !id.empty() && id.size() <= 200 && std::ranges::all_of(id, [](char c) {
        return std::isalnum(static_cast<unsigned char>(c)) || c == '-' || c == '_';
    });
}

/// False if it was asked to stop meanwhile.
bool pauseFor(milliseconds time, const std::stop_token& stop) {
    std::mutex mutex;
    std::condition_variable_any ring;
    std::unique_lock lock(mutex);
    ring.wait_for(lock, stop, time, [] { return false; });
    return !stop.stop_requested();
}

} // namespace

Result<Address> addressFrom(const std::string& text) {
    auto wrong = [&](const std::string& why) {
        return Error{ErrorKind::Invalid,
                     {},
                     fmt::format("{} is no address of a reference: {}", text::forDisplay(text), why)};
    };
    constexpr std::string_view scheme = "http://";
    if (!text.starts_with(scheme))
        return wrong("it must begin with http://.");
    std::string rest = text.substr(scheme.size());
    while (rest.ends_with('/'))
        rest.pop_back();
    const size_t colon = rest.rfind(':');
    Address out{rest.substr(0, colon), 80};
    if (colon != std::string::npos) {
        const std::string port = rest.substr(colon + 1);
        out.port = text::isDigits(port) && port.size() <= 5 ? std::atoi(port.c_str()) : 0;
    }
    if (out.port < 1 || out.port > 65535)
        return wrong("its port is no number from 1 to 65535.");
    if (out.host != "127.0.0.1" && out.host != "localhost")
        return wrong("only this machine can be asked (127.0.0.1 or localhost).");
    return out;
}

std::string targetOf(const Question& q) {
    std::string out = "/v1/releases?limit=" + std::to_string(q.limit);
    auto put = [&](const char* key, const std::string& value) {
        if (!value.empty())
            out += fmt::format("&{}={}", key, escaped(value));
    };
    put("words", q.words);
    put("artist", q.artist);
    put("album", q.album);
    for (const std::string& t : q.tracks)
        put("track", text::clipBytes(t, 120));
    put("label", q.label);
    put("catalogue_number", q.catalogueNumber);
    put("barcode", q.barcode);
    put("year", q.year > 0 ? std::to_string(q.year) : std::string());
    for (const std::string& isrc : q.isrcs)
        put("isrc", isrc);
    put("lengths", listed(q.lengthsMs));
    put("disc_table", listed(q.discTable));
    put("from", q.from > 0 ? std::to_string(q.from) : std::string());
    return out;
}

HttpReference::HttpReference(std::string key, std::string name, std::function<Result<std::string>()> address,
                             std::shared_ptr<AnswerCache> cache, HttpLimits limits)
    : key_(std::move(key)), name_(std::move(name)), address_(std::move(address)), cache_(std::move(cache)),
      limits_(limits) {}

Result<std::string> HttpReference::ask(const std::string& target, size_t most, std::stop_token stop,
                                       const std::string& posted) {
    BytesHash hash;
    hash.add(posted);
    const std::string kept = key_ + target + (posted.empty() ? std::string() : "#" + hash.text());
    const std::optional<AnswerCache::Answer> before = cache_ ? cache_->find(kept) : std::nullopt;
    const int64_t now = duration_cast<seconds>(system_clock::now().time_since_epoch()).count();
    if (before && now - before->when < limits_.fresh.count() && now >= before->when) {
        offline_ = false;
        return before->body;
    }
    auto failed = [&](Error error) -> Result<std::string> {
        if (before) { // old news are better than none
            offline_ = true;
            log::warning(log::About::Job, "{} could not be asked, so what it told before was taken: {}", key_,
                         error.message);
            return before->body;
        }
        error.message = name_ + ": " + error.message;
        return error;
    };
    Error last{ErrorKind::Io, {}, "It cannot be reached."};
    milliseconds pause = limits_.firstPause;
    for (int attempt = 0; attempt < limits_.attempts; ++attempt) {
        if (attempt > 0 && !pauseFor(std::min(pause, limits_.longestPause), stop))
            break;
        pause *= 2;
        if (stop.stop_requested())
            break;
        auto address = address_();
        if (!address)
            return failed(address.error());
        auto place = addressFrom(*address);
        if (!place)
            return failed(place.error());
        httplib::Client client(place->host, place->port);
        client.set_connection_timeout(limits_.connect);
        client.set_read_timeout(limits_.whole);
        client.set_write_timeout(limits_.whole);
        client.set_follow_location(false);
        httplib::Headers headers;
        if (before && !before->tag.empty())
            headers.emplace("If-None-Match", before->tag);
        std::string body;
        int status = 0;
        std::string tag, retryAfter;
        bool tooLarge = false;
        const auto end = steady_clock::now() + limits_.whole;
        httplib::Request request;
        request.method = posted.empty() ? "GET" : "POST";
        request.path = target;
        request.headers = headers;
        if (!posted.empty()) {
            request.body = posted;
            request.set_header("Content-Type", "application/json");
        }
        request.response_handler = [&](const httplib::Response& response) {
            status = response.status;
            tag = response.get_header_value("ETag");
            retryAfter = response.get_header_value("Retry-After");
            return true;
        };
        request.content_receiver = [&](const char* data, size_t length, uint64_t, uint64_t) {
            tooLarge = body.size() + length > most;
            if (tooLarge || stop.stop_requested() || steady_clock::now() > end)
                return false;
            body.append(data, length);
            return true;
        };
        const auto result = client.send(request);
        if (stop.stop_requested())
            break;
        if (tooLarge)
            return failed({ErrorKind::Damaged,
                           {},
                           fmt::format("The answer is larger than {} MB, so it was not taken.", most >> 20)});
        if (!result) {
            last = {ErrorKind::Io,
                    {},
                    steady_clock::now() >= end ? "The answer took too long." : "It cannot be reached."};
            continue;
        }
        offline_ = false;
        if (status == 304 && before) {
            cache_->keep(kept, before->tag, before->body);
            return before->body;
        }
        if (status == 200) {
            if (body.size() > 0 && cache_)
                cache_->keep(kept, tag.size() < 200 ? tag : std::string(), body);
            return body;
        }
        if (status == 404)
            return Error{ErrorKind::NotFound, {}, name_ + " does not have it."};
        std::string why = errorOfAnswer(body);
        last = {ErrorKind::Io, {}, why.empty() ? fmt::format("It answered with the error {}.", status) : why};
        if (status == 429 || status == 503) {
            if (const int wait = std::atoi(retryAfter.c_str()); wait > 0)
                pause = std::clamp(milliseconds(wait * 1000), pause, limits_.longestPause);
            continue;
        }
        if (status < 500)
            return failed(last); // asking again would not help
    }
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    return failed(last);
}

Result<std::vector<Release>> HttpReference::find(const Question& question, std::stop_token stop) {
    auto body = ask(targetOf(question), maxAnswerBytes, stop);
    if (!body)
        return body.error();
    auto page = pageFromJson(*body);
    if (!page)
        return Error{page.error().kind, {}, name_ + ": " + page.error().message};
    return std::move(page->releases);
}

Result<Release> HttpReference::fetch(const std::string& id, std::stop_token stop) {
    if (!isPlainId(id))
        return Error{ErrorKind::Invalid, {}, "This is no number of a release: " + text::forDisplay(id) + "."};
    auto body = ask("/v1/releases/" + id, maxAnswerBytes, stop);
    if (!body)
        return body.error();
    auto release = releaseFromJson(*body);
    if (!release)
        return Error{release.error().kind, {}, name_ + ": " + release.error().message};
    if (release->id != id)
        return Error{ErrorKind::Damaged, {}, name_ + ": The answer is about another release."};
    return std::move(*release);
}

Result<Heard> HttpReference::hear(const std::vector<sound::Fingerprint>& sounds, std::stop_token stop) {
    Heard out;
    std::set<std::string> known;
    for (size_t from = 0; from < sounds.size(); from += maxSounds) {
        std::vector<sound::Fingerprint> some(
            sounds.begin() + static_cast<std::ptrdiff_t>(from),
            sounds.begin() + static_cast<std::ptrdiff_t>(std::min(sounds.size(), from + maxSounds)));
        for (sound::Fingerprint& f : some)
            f.items.resize(std::min(f.items.size(), maxItems));
        auto body = ask("/v1/sounds", maxAnswerBytes, stop, toJson(some));
        if (!body)
            return body.error();
        auto heard = heardFromJson(*body);
        if (!heard)
            return Error{heard.error().kind, {}, name_ + ": " + heard.error().message};
        if (heard->sounds.size() != some.size())
            return Error{ErrorKind::Damaged, {}, name_ + ": The answer is about other sounds."};
        std::ranges::move(heard->sounds, std::back_inserter(out.sounds));
        for (Release& r : heard->releases)
            if (known.insert(r.id).second)
                out.releases.push_back(std::move(r));
    }
    return out;
}

Result<std::string> HttpReference::picture(const std::string& id, int pixels, std::stop_token stop) {
    if (!isPlainId(id))
        return Error{ErrorKind::Invalid, {}, "This is no number of a picture: " + text::forDisplay(id) + "."};
    return ask("/v1/pictures/" + id + (pixels > 0 ? "?size=" + std::to_string(pixels) : std::string()),
               50u << 20, stop);
}

} // namespace moorfrost::reference
