// SPDX-License-Identifier: GPL-3.0-or-later
// Lists of SHA-256 sums of whole files, in the form that sha256sum and other programs write and check: the
// sum, two spaces, the name relative to the list; a line whose name has a backslash or a line break begins
// with a backslash and has them escaped.
#pragma once

#include <functional>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::files {

struct Checksum {
    std::string sum; // 64 hex digits, lower case
    Path path;       // as in the list
};

/// `read` is told of the bytes that were read; an error of the kind Cancelled after a stop.
Result<std::string> sha256Of(const Path& path, std::stop_token stop,
                             const std::function<void(uint64_t)>& read);

std::string checksumsText(const std::vector<Checksum>& list);
/// An error names the first line that is none.
Result<std::vector<Checksum>> checksumsFrom(std::string_view text);

} // namespace moorfrost::files
