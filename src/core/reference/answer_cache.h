// SPDX-License-Identifier: GPL-3.0-or-later
// Answers of a reference that are kept on disk, so that it is asked less and can be done without for a while.
// A folder of files of bounded size; the longest unused go first. A cache that cannot be read or written is
// done without. Any thread, several programs.
#pragma once

#include <cstdint>
#include <mutex>
#include <optional>
#include <string>

#include "core/base/result.h"

namespace moorfrost::reference {

class AnswerCache {
public:
    explicit AnswerCache(Path folder, uint64_t limit = 200u << 20)
        : folder_(std::move(folder)), limit_(limit) {}

    struct Answer {
        std::string tag; // the entity tag it came with, "" for none
        std::string body;
        int64_t when = 0; // seconds since 1970
    };
    std::optional<Answer> find(const std::string& address) const;
    void keep(const std::string& address, const std::string& tag, const std::string& body);
    uint64_t bytes() const;
    void clear();

private:
    Path fileOf(const std::string& address) const;
    void shrink();

    Path folder_;
    uint64_t limit_;
    std::mutex mutex_;   // guards the following
    uint64_t since_ = 0; // bytes that were kept since it was last looked at how many there are
    bool looked_ = false;
};

} // namespace moorfrost::reference
