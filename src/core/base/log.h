// SPDX-License-Identifier: GPL-3.0-or-later
// A log for support: what the program did and what went wrong, in a file of bounded size in the state folder
// of the user. Until it is opened nothing is logged; a log that cannot be written is done without. Any
// thread.
#pragma once

#include <string>

#include <fmt/format.h>

#include "core/base/result.h"

namespace moorfrost::log {

enum class Level { Debug, Info, Warning, Error };

/// What a line is about.
enum class About { Start, Library, Job, Write, Parser };

/// "moorfrost/log.txt" in the XDG state folder.
Path defaultFile();
/// From now on lines of this level and above go into this file; when it has grown to a megabyte it becomes
/// the old one (a number in its name), of which two are kept. Its folder is made. An Error if that cannot be.
Status open(const Path& file, Level lowest = Level::Info);
/// Writes what waits. Nothing is logged any more.
void close();
bool isOpen();
/// That it goes into; empty where none is open.
Path file();

void write(Level level, About about, const std::string& line);

template<class... Parts>
void debug(About about, fmt::format_string<Parts...> text, Parts&&... parts) {
    if (isOpen())
        write(Level::Debug, about, fmt::format(text, std::forward<Parts>(parts)...));
}
template<class... Parts>
void info(About about, fmt::format_string<Parts...> text, Parts&&... parts) {
    if (isOpen())
        write(Level::Info, about, fmt::format(text, std::forward<Parts>(parts)...));
}
template<class... Parts>
void warning(About about, fmt::format_string<Parts...> text, Parts&&... parts) {
    if (isOpen())
        write(Level::Warning, about, fmt::format(text, std::forward<Parts>(parts)...));
}
template<class... Parts>
void error(About about, fmt::format_string<Parts...> text, Parts&&... parts) {
    if (isOpen())
        write(Level::Error, about, fmt::format(text, std::forward<Parts>(parts)...));
}

} // namespace moorfrost::log
