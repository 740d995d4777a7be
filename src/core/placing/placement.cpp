// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/placement.h"

#include <algorithm>
#include <array>

#include "core/text/text.h"

namespace moorfrost::placing {

namespace {

constexpr std::array<std::pair<OnClash, const char*>, 5> choices = {{{OnClash::Ask, "ask"},
                                                                     {OnClash::Suffix, "suffix"},
                                                                     {OnClash::Skip, "skip"},
                                                                     {OnClash::KeepBetter, "keep-better"},
                                                                     {OnClash::Replace, "replace"}}};

} // namespace

std::string keyOf(OnClash choice) {
    return std::ranges::find(choices, choice, &std::pair<OnClash, const char*>::first)->second;
}

std::optional<OnClash> onClashFromKey(std::string_view key) {
    for (const auto& [choice, name] : choices)
        if (key == name)
            return choice;
    return std::nullopt;
}

Quality qualityOf(const tags::Facts& facts) {
    return {facts.bitDepth > 0, facts.bitDepth, facts.sampleRate, facts.bitrate};
}

std::map<std::string, std::string> factsOf(const Path& path, const tags::TagFile& file) {
    auto number = [](int n) { return n > 0 ? std::to_string(n) : std::string(); };
    return {{"format", audio::formatName(file.format)},
            {"codec", file.facts.codec},
            {"sample rate", number(file.facts.sampleRate)},
            {"bit depth", number(file.facts.bitDepth)},
            {"name", text::escapeBytes(path.stem().native())},
            {"folder", text::escapeBytes(path.parent_path().filename().native())}};
}

bool isWrong(MarkKind kind) {
    return kind == MarkKind::Clash || kind == MarkKind::Taken || kind == MarkKind::Blocked;
}

bool Placement::blocked() const {
    return std::ranges::any_of(marks, [](const Mark& m) { return isWrong(m.kind); });
}

const Mark* Placement::mark(MarkKind kind) const {
    const auto it = std::ranges::find(marks, kind, &Mark::kind);
    return it == marks.end() ? nullptr : &*it;
}

} // namespace moorfrost::placing
