// SPDX-License-Identifier: GPL-3.0-or-later
// Bytes as letters and back (RFC 4648, with padding). Any thread.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace moorfrost {

std::string toBase64(std::string_view bytes);
/// nullopt where another letter is in it; what follows the padding is left out.
std::optional<std::string> fromBase64(std::string_view text);

} // namespace moorfrost
