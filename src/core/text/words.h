// SPDX-License-Identifier: GPL-3.0-or-later
// The words of a text, as they are searched for.
#pragma once

#include <functional>
#include <string_view>

namespace moorfrost::text {

/// Of folded text (text/text): cut at whatever is neither letter, digit nor mark.
void eachWord(std::string_view folded, const std::function<void(std::string_view)>& each);

} // namespace moorfrost::text
