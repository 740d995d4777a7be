// SPDX-License-Identifier: GPL-3.0-or-later
// A reference that is reached over HTTP, as docs/reference-protocol.md has it. It is asked again after a
// moment where it fails or says that it is too much; what it told before is kept on disk and serves where it
// cannot be reached. Answers are bounded in size and time. Only addresses of this machine are asked.
#pragma once

#include <atomic>
#include <chrono>
#include <functional>
#include <memory>

#include "core/reference/answer_cache.h"
#include "core/reference/reference.h"

namespace moorfrost::reference {

/// "http://127.0.0.1:4711" taken apart; an Error (Invalid) says what is wrong with it.
struct Address {
    std::string host;
    int port = 0;
};
Result<Address> addressFrom(const std::string& text);

struct HttpLimits {
    std::chrono::milliseconds connect{2000};
    std::chrono::milliseconds whole{10000}; // one answer, all of it
    int attempts = 4;
    std::chrono::milliseconds firstPause{150}; // before it is asked again; doubled each time
    std::chrono::milliseconds longestPause{3000};
    std::chrono::seconds fresh{24 * 3600}; // answers that old are not asked for again
};

class HttpReference final : public Reference {
public:
    /// `address` is asked for before each call: where the reference is started first it may wait. `cache`
    /// may be nullptr.
    HttpReference(std::string key, std::string name, std::function<Result<std::string>()> address,
                  std::shared_ptr<AnswerCache> cache, HttpLimits limits = {});

    std::string key() const override { return key_; }
    std::string name() const override { return name_; }
    Result<std::vector<Release>> find(const Question& question, std::stop_token stop) override;
    Result<Release> fetch(const std::string& id, std::stop_token stop) override;
    /// In questions of at most maxSounds.
    Result<Heard> hear(const std::vector<sound::Fingerprint>& sounds, std::stop_token stop) override;
    Result<std::string> picture(const std::string& id, int pixels, std::stop_token stop) override;

    /// The last answer came from what is kept, because the reference could not be reached.
    bool isOffline() const { return offline_; }

private:
    /// `posted`: what is sent along; "": nothing is, it is asked for with GET.
    Result<std::string> ask(const std::string& target, size_t most, std::stop_token stop,
                            const std::string& posted = {});

    std::string key_, name_;
    std::function<Result<std::string>()> address_;
    std::shared_ptr<AnswerCache> cache_;
    HttpLimits limits_;
    std::atomic<bool> offline_ = false;
};

/// The target of a question: "/v1/releases?artist=...".
std::string targetOf(const Question& question);

} // namespace moorfrost::reference
