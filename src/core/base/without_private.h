// SPDX-License-Identifier: GPL-3.0-or-later
// Lines of a log as they can be shown to strangers. Any thread.
#pragma once

#include <string>
#include <string_view>

namespace moorfrost {

/// Without places of files and without what stands in double quotes (titles, names): "[place]" and "[...]"
/// stand for them, and "[name]" for all behind "named" or "the name". A place begins at a "/" at the
/// beginning of a word and goes to the end of the line, or of the quotes, because names have spaces.
/// Addresses of this machine itself (http://127.0.0.1:...) stay.
std::string withoutPrivate(std::string_view text);

} // namespace moorfrost
