// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/markup.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::exchange {

std::string escapedMarkup(std::string_view text) {
    std::string out;
    for (const char c : text) {
        const auto u = static_cast<unsigned char>(c);
        if (c == '&')
            out += "&amp;";
        else if (c == '<')
            out += "&lt;";
        else if (c == '>')
            out += "&gt;";
        else if (c == '"')
            out += "&quot;";
        else if (c == '\'')
            out += "&#39;";
        else if (u >= 0x20 || c == '\n' || c == '\t')
            out += c;
    }
    return out;
}

std::string linkTarget(std::string_view text) {
    const std::string clean = text::trim(text);
    const bool plain = std::ranges::none_of(clean, [](char c) {
        return static_cast<unsigned char>(c) <= 0x20 || c == '"' || c == '<' || c == '>' || c == '\\';
    });
    if (!plain || clean.empty())
        return {};
    const std::string lower = text::lower(clean);
    if (lower.starts_with("https://") || lower.starts_with("http://"))
        return clean;
    const size_t at = clean.find('@');
    const bool isMail = at != std::string::npos && at > 0 && clean.find('.', at) != std::string::npos &&
                        clean.find('@', at + 1) == std::string::npos && clean.find(':') == std::string::npos;
    return isMail ? "mailto:" + clean : std::string();
}

} // namespace moorfrost::exchange
