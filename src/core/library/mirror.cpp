// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/mirror.h"

#include <algorithm>

#include "core/library/records.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

std::string useLine(const Use& use) {
    std::string out = use.what;
    for (const std::string& part : {use.where, use.date, use.note})
        if (!part.empty())
            out += " \u00B7 " + part;
    return out;
}

} // namespace

const std::vector<std::string>& mirrorable() {
    static const std::vector<std::string> all = {ratingField, noteField, playoutField, useField, kindField};
    return all;
}

std::vector<MirrorRule> mirrorRulesFrom(const std::vector<std::string>& texts) {
    std::vector<MirrorRule> out;
    for (const std::string& text : texts) {
        const size_t equals = text.find('=');
        if (equals == std::string::npos || equals + 1 == text.size())
            continue;
        MirrorRule rule{text.substr(0, equals), text.substr(equals + 1)};
        const bool known = std::ranges::find(mirrorable(), rule.kept) != mirrorable().end();
        const bool twice = std::ranges::any_of(
            out, [&](const MirrorRule& r) { return r.kept == rule.kept || r.field == rule.field; });
        if (known && !twice)
            out.push_back(std::move(rule));
    }
    return out;
}

std::vector<std::string> mirrorTexts(const std::vector<MirrorRule>& rules) {
    std::vector<std::string> out;
    for (const MirrorRule& rule : rules)
        if (!rule.field.empty())
            out.push_back(rule.kept + "=" + rule.field);
    return out;
}

tags::Fields mirrored(const std::vector<MirrorRule>& rules, const KeptOfRecording& kept) {
    tags::Fields out;
    for (const MirrorRule& rule : rules) {
        const auto it = kept.find(rule.kept);
        if (it == kept.end() || it->second.empty())
            continue;
        std::vector<std::string>& values = out[rule.field];
        if (rule.kept == useField)
            for (const Use& use : usesFrom(it->second))
                values.push_back(useLine(use));
        else
            values = it->second;
    }
    return out;
}

} // namespace moorfrost::library
