// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/along_rule.h"

#include <algorithm>
#include <array>
#include <string_view>

#include "core/text/text.h"

namespace moorfrost::placing {

namespace {

struct Def {
    const char* key;
    std::vector<std::string_view> endings;
};

const std::array<Def, alongKinds>& defs() {
    static const std::array<Def, alongKinds> all = {{
        {"pictures", {".jpg", ".jpeg", ".png", ".webp", ".gif", ".bmp", ".tif", ".tiff", ".avif", ".heic"}},
        {"booklets", {".pdf", ".djvu", ".epub"}},
        {"cue sheets", {".cue"}},
        {"logs", {".log"}},
        {"texts", {".txt", ".md", ".nfo", ".rtf", ".odt", ".doc", ".docx", ".html", ".htm", ".json", ".xml"}},
        {"playlists", {".m3u", ".m3u8", ".pls", ".xspf"}},
        {"others", {}},
    }};
    return all;
}

constexpr unsigned every = (1U << alongKinds) - 1;

} // namespace

AlongKind alongKindOf(const Path& file) {
    const std::string ending = text::lower(file.extension().native());
    for (size_t i = 0; i < alongKinds; ++i)
        if (const auto& endings = defs()[i].endings; std::ranges::find(endings, ending) != endings.end())
            return static_cast<AlongKind>(i);
    return AlongKind::Other;
}

std::string keyOf(AlongKind kind) {
    return defs()[static_cast<size_t>(kind)].key;
}

void AlongRule::set(AlongKind kind, bool on) {
    const unsigned bit = 1U << static_cast<int>(kind);
    kinds = on ? kinds | bit : kinds & ~bit;
}

std::string AlongRule::text() const {
    std::vector<std::string> some;
    for (int i = 0; i < alongKinds; ++i)
        if (takes(static_cast<AlongKind>(i)))
            some.push_back(keyOf(static_cast<AlongKind>(i)));
    const std::string which = kinds == 0 ? "none" : kinds == every ? "all" : text::join(some, ",");
    return name.empty() ? which : which + "|" + name;
}

AlongRule AlongRule::fromText(std::string_view text) {
    AlongRule out = none();
    const size_t bar = text.find('|');
    if (bar != std::string_view::npos)
        out.name = text.substr(bar + 1);
    for (const std::string& key : text::split(text.substr(0, bar), ",")) {
        const std::string one = text::trim(key);
        if (one == "all")
            out.kinds = every;
        for (int i = 0; i < alongKinds; ++i)
            if (one == keyOf(static_cast<AlongKind>(i)))
                out.set(static_cast<AlongKind>(i), true);
    }
    return out;
}

} // namespace moorfrost::placing
