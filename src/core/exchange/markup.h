// SPDX-License-Identifier: GPL-3.0-or-later
// Text in pages. Any thread.
#pragma once

#include <string>
#include <string_view>

namespace moorfrost::exchange {

/// Fit to stand between tags and in quoted attributes; control characters that pages may not have are left
/// out.
std::string escapedMarkup(std::string_view text);
/// A page somewhere, or an address of mail, and nothing that a reader could be tricked with: what a link
/// may lead to; "" for other texts.
std::string linkTarget(std::string_view text);

} // namespace moorfrost::exchange
