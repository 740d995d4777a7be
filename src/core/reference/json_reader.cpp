// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/json_reader.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::reference {

Error wrongAnswer(const std::string& what) {
    return {ErrorKind::Damaged, {}, "The answer cannot be used: " + what + "."};
}

std::string cleanedText(const std::string& text, size_t limit, bool lines) {
    std::string out;
    const std::string normal = text::nfc(text);
    out.reserve(normal.size());
    for (size_t i = 0; i < normal.size(); ++i) {
        const auto c = static_cast<unsigned char>(normal[i]);
        const bool control =
            c < 0x20 || c == 0x7F ||
            (c == 0xC2 && i + 1 < normal.size() && static_cast<unsigned char>(normal[i + 1]) < 0xA0);
        // Marks that turn the direction of what follows would let a name pretend to be another.
        const bool turns = c == 0xE2 && i + 2 < normal.size() &&
                           ((static_cast<unsigned char>(normal[i + 1]) == 0x80 &&
                             static_cast<unsigned char>(normal[i + 2]) >= 0xAA &&
                             static_cast<unsigned char>(normal[i + 2]) <= 0xAE) ||
                            (static_cast<unsigned char>(normal[i + 1]) == 0x81 &&
                             static_cast<unsigned char>(normal[i + 2]) >= 0xA6 &&
                             static_cast<unsigned char>(normal[i + 2]) <= 0xA9));
        if (turns) {
            i += 2;
        } else if (!control) {
            out += normal[i];
        } else if (c == 0xC2) {
            ++i;
        } else if (lines && c == '\n') {
            out += '\n';
        } else if (!out.empty() && out.back() != ' ') {
            out += ' ';
        }
    }
    return text::trim(text::clipBytes(out, limit));
}

/// Depth is bounded: the parser itself goes on as deep as the text does.
Result<Json> parsedAnswer(std::string_view json) {
    if (json.size() > maxAnswerBytes)
        return wrongAnswer(fmt::format("it is larger than {} MB", maxAnswerBytes >> 20));
    int depth = 0, deepest = 0;
    bool inText = false;
    for (size_t i = 0; i < json.size(); ++i) {
        const char c = json[i];
        if (inText) {
            if (c == '\\')
                ++i;
            else if (c == '"')
                inText = false;
        } else if (c == '"') {
            inText = true;
        } else if (c == '{' || c == '[') {
            deepest = std::max(deepest, ++depth);
        } else if (c == '}' || c == ']') {
            --depth;
        }
    }
    if (deepest > 40)
        return wrongAnswer("its parts are nested too deep");
    Json out = Json::parse(json, nullptr, false);
    if (out.is_discarded() || !out.is_object())
        return wrongAnswer("it is not JSON as it should be");
    return out;
}

std::string writtenAnswer(const Json& j) {
    return j.dump(-1, ' ', false, Json::error_handler_t::replace);
}

} // namespace moorfrost::reference
