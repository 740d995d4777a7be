// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/suggest.h"

#include <algorithm>

#include "core/tags/custom_fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// Where the term begins that the cursor stands in.
size_t beginOfTerm(const std::string& query, size_t cursor) {
    size_t from = 0;
    bool quoted = false;
    for (size_t i = 0; i < cursor; ++i) {
        quoted = quoted != (query[i] == '"');
        if (!quoted && (query[i] == ' ' || query[i] == '('))
            from = i + 1;
    }
    return from;
}

std::vector<std::pair<std::string, std::string>> fieldNames(const Searcher& s) {
    std::vector<std::pair<std::string, std::string>> out; // as typed, as shown
    for (const tags::FieldDef& def : tags::fieldTable())
        out.emplace_back(def.key, def.label);
    for (const std::string& key : tags::withDescribed(s.customFields()))
        out.emplace_back(text::replaceAll(text::lower(tags::labelOf(key)), " ", "_"), tags::labelOf(key));
    return out;
}

} // namespace

std::vector<Suggestion> suggest(const Searcher& searcher, const std::string& query, size_t cursor,
                                size_t most) {
    cursor = std::min(cursor, query.size());
    const size_t from = beginOfTerm(query, cursor);
    const std::string typed = query.substr(from, cursor - from);
    std::vector<Suggestion> out;
    const size_t colon = typed.find(':');
    if (colon == std::string::npos) {
        const std::string begun = text::fold(typed);
        if (begun.size() < 2)
            return out;
        auto names = fieldNames(searcher);
        for (const char* name :
             {"year",  "decade", "length", "added",  "size",    "rate", "bitrate",   "format",
              "codec", "kind",   "rating", "note",   "playout", "used", "last_used", "bookmark",
              "unmet", "lacks",  "file",   "folder", "missing", "has",  "differs",   "is"})
            names.emplace_back(name, name);
        for (const auto& [name, shown] : names)
            if (out.size() < most &&
                (text::fold(name).starts_with(begun) || text::fold(shown).starts_with(begun)))
                out.push_back({name + ":", shown, 0, from, cursor});
        return out;
    }
    auto parsed = parseQuery(typed.substr(0, colon) + ":x", searcher.customFields());
    const std::string field =
        parsed.query.term.field.empty() ? text::lower(typed.substr(0, colon)) : parsed.query.term.field;
    const size_t comma = typed.rfind(',');
    size_t at = from + (comma == std::string::npos || comma < colon ? colon : comma) + 1;
    std::string part = query.substr(at, cursor - at);
    std::erase_if(part, [](char c) { return c == '"' || c == '='; });
    const std::string folded = text::fold(part);
    auto fits = [&](const std::string& value) { return text::fold(value).find(folded) != std::string::npos; };
    if (field == "is") {
        for (const char* state : {"ready", "damaged", "absent", "unreadable", "read-only", "variable"})
            if (fits(state))
                out.push_back({state, state, 0, at, cursor});
    } else if (kindOfField(field) == ValueKind::Words) {
        auto names = fieldNames(searcher);
        names.emplace_back("picture", "picture");
        for (const auto& [name, shown] : names)
            if (out.size() < most && (fits(name) || fits(shown)))
                out.push_back({name, shown, 0, at, cursor});
    } else if (kindOfField(field) == ValueKind::Text || field == "year" || field == "decade") {
        std::vector<FacetValue> later;
        for (FacetValue& v : searcher.facet(searcher.all(), field, static_cast<size_t>(-1))) {
            if (out.size() == most)
                break;
            std::string value = text::fold(v.value);
            bool plain = kindOfField(field) != ValueKind::Text;
            if (value.starts_with(folded))
                out.push_back({plain ? v.value : wholeValue(v.value), v.value, v.count, at, cursor});
            else if (later.size() < most && value.find(folded) != std::string::npos)
                later.push_back(std::move(v));
        }
        for (const FacetValue& v : later)
            if (out.size() < most)
                out.push_back({wholeValue(v.value), v.value, v.count, at, cursor});
    }
    // What stands there already needs no list over the rest of the window.
    std::erase_if(out, [&](const Suggestion& s) { return s.text == query.substr(s.from, cursor - s.from); });
    return out;
}

} // namespace moorfrost::library
