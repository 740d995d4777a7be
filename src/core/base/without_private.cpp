// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/without_private.h"

namespace moorfrost {

namespace {

std::string ofLine(std::string_view line) {
    std::string out;
    for (size_t i = 0; i < line.size(); ++i) {
        const char c = line[i];
        if (line.substr(i).starts_with(" named ") || line.substr(i).starts_with(" the name "))
            return out + " [name]"; // of a file, as it is told in sentences: it may have any words in it
        if (c == '"') {
            out += "\"[...]\"";
            const size_t end = line.find('"', i + 1);
            if (end == std::string_view::npos)
                return out;
            i = end;
        } else if (c == '/' &&
                   (i == 0 || line[i - 1] == ' ' || line[i - 1] == '(' || line[i - 1] == '\'' ||
                    line[i - 1] == '=' || line[i - 1] == ':') &&
                   !(i > 0 && line[i - 1] == ':' && line.substr(i).starts_with("//127.0.0.1"))) {
            return out + "[place]";
        } else {
            out += c;
        }
    }
    return out;
}

} // namespace

std::string withoutPrivate(std::string_view text) {
    std::string out;
    while (!text.empty()) {
        const size_t end = text.find('\n');
        out += ofLine(text.substr(0, end));
        if (end == std::string_view::npos)
            break;
        out += '\n';
        text.remove_prefix(end + 1);
    }
    return out;
}

} // namespace moorfrost
