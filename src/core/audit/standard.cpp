// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audit/standard.h"

#include <algorithm>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/naming/plan.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::audit {

using nlohmann::json;

namespace {

const std::pair<RuleKind, const char*> kindNames[] = {
    {RuleKind::Fields, "fields"}, {RuleKind::Numbers, "numbers"}, {RuleKind::Picture, "picture"},
    {RuleKind::Codes, "codes"},   {RuleKind::Works, "works"},     {RuleKind::Names, "names"}};

std::string labels(const std::vector<std::string>& keys) {
    std::vector<std::string> out;
    for (const std::string& key : keys)
        out.push_back(tags::labelOf(key));
    return text::join(out, ", ");
}

json ruleToJson(const Rule& rule) {
    json out;
    for (const auto& [kind, name] : kindNames)
        if (kind == rule.kind)
            out["rule"] = name;
    if (rule.kind == RuleKind::Fields || rule.kind == RuleKind::Codes || rule.kind == RuleKind::Works)
        out["fields"] = rule.fields;
    if (rule.kind == RuleKind::Fields) {
        out["in every file"] = rule.required;
        out["the same in all"] = rule.same;
    } else if (rule.kind == RuleKind::Picture) {
        out["pixels"] = rule.side;
        out["front cover"] = rule.front;
    } else if (rule.kind == RuleKind::Names) {
        out["plan"] = rule.plan;
    }
    return out;
}

Error wrong(const std::string& message) {
    return {ErrorKind::Invalid, {}, message};
}

Result<Rule> ruleFromJson(const json& in) {
    Rule rule;
    const std::string kind = in.at("rule").get<std::string>();
    auto known = std::find_if(std::begin(kindNames), std::end(kindNames),
                              [&](const auto& k) { return k.second == kind; });
    if (known == std::end(kindNames))
        return wrong(fmt::format("\"{}\" is no rule that this version of Moorfrost knows.", kind));
    rule.kind = known->first;
    rule.fields = in.value("fields", rule.fields);
    rule.required = in.value("in every file", rule.required);
    rule.same = in.value("the same in all", rule.same);
    rule.side = in.value("pixels", rule.side);
    rule.front = in.value("front cover", rule.front);
    rule.plan = in.value("plan", rule.plan);
    if (std::string why = whyNotUsable(rule); !why.empty())
        return wrong(why);
    return rule;
}

} // namespace

std::string ruleText(const Rule& rule) {
    switch (rule.kind) {
    case RuleKind::Fields:
        return !rule.required ? labels(rule.fields) + ": the same where told"
               : rule.same    ? labels(rule.fields) + ": there, the same"
                              : labels(rule.fields);
    case RuleKind::Numbers:
        return "Track numbers";
    case RuleKind::Picture:
        return (rule.front ? "Front cover" : "Picture") +
               (rule.side > 0 ? fmt::format(" of {} pixels", rule.side) : std::string());
    case RuleKind::Codes:
        return labels(rule.fields) + (rule.fields.size() == 1 ? ": well formed" : ": each well formed");
    case RuleKind::Works: {
        std::vector<std::string> out;
        for (const auto& [key, label] : workAsks())
            if (std::ranges::find(rule.fields, key) != rule.fields.end())
                out.push_back(out.empty() ? label : text::lower(label.substr(0, 1)) + label.substr(1));
        return text::join(out, ", ");
    }
    case RuleKind::Names:
        return "Names by the plan";
    }
    return {};
}

std::string whyNotUsable(const Rule& rule) {
    switch (rule.kind) {
    case RuleKind::Fields:
        if (!rule.required && !rule.same)
            return "Say whether the fields are in every file, the same in all, or both.";
        [[fallthrough]];
    case RuleKind::Codes:
        if (rule.fields.empty())
            return "Name at least one field.";
        for (const std::string& key : rule.fields)
            if (std::string why = tags::whyNotValid(key, {}); !why.empty())
                return why;
        return {};
    case RuleKind::Works:
        if (rule.fields.empty())
            return "Say what is asked of the songs.";
        for (const std::string& key : rule.fields)
            if (std::ranges::find(workAsks(), key, &std::pair<std::string, std::string>::first) ==
                workAsks().end())
                return fmt::format("\"{}\" is nothing that is asked of songs.", key);
        return {};
    case RuleKind::Picture:
        return rule.side < 0 || rule.side > 100000 ? "The picture's side is 0 to 100000 pixels."
                                                   : std::string();
    case RuleKind::Names: {
        auto plan = naming::parsePlan(rule.plan);
        if (const auto* error = std::get_if<naming::PlanError>(&plan))
            return error->message;
        return {};
    }
    case RuleKind::Numbers:
        break;
    }
    return {};
}

const std::vector<std::pair<std::string, std::string>>& workAsks() {
    static const std::vector<std::pair<std::string, std::string>> asks = {
        {"shares", "Shares add up"},
        {"numbers", "Every writer has a number"},
        {"agreement", "Has an agreement"},
        {"contact", "Contact given"}};
    return asks;
}

const std::vector<Standard>& shippedStandards() {
    using enum RuleKind;
    static const std::vector<Standard> shipped = [] {
        const Rule heads{.kind = Fields, .fields = {"title", "artist"}};
        const Rule album{.kind = Fields, .fields = {"album"}, .same = true};
        const Rule date{.kind = Fields, .fields = {"date"}, .same = true};
        const Rule numbers{.kind = Numbers};
        return std::vector<Standard>{
            {"Everyday", {heads, album, date, numbers, {.kind = Picture}}},
            {"Archive",
             {heads,
              album,
              {.kind = Fields, .fields = {"album_artist"}, .same = true},
              date,
              numbers,
              {.kind = Fields, .fields = {"label", "catalogue_number"}, .same = true},
              {.kind = Fields, .fields = {"carrier"}},
              {.kind = Picture, .side = 500, .front = true},
              {.kind = Names,
               .plan = "{album artist, else artist}/{date: year} {album}/{disc: if several, after \"-\"}"
                       "{track: 2 digits} {title}"}}},
            {"Radio",
             {heads,
              {.kind = Fields, .fields = {"date"}},
              {.kind = Fields, .fields = {"genre", "language"}},
              {.kind = Fields, .fields = {"label"}},
              {.kind = Codes, .fields = {"isrc"}}}},
            {"Own productions",
             {heads,
              album,
              date,
              numbers,
              {.kind = Fields, .fields = {"composer", "publisher"}},
              {.kind = Fields, .fields = {"copyright"}, .same = true},
              {.kind = Codes, .fields = {"isrc"}},
              {.kind = Codes, .fields = {"barcode"}},
              {.kind = Picture, .side = 1400, .front = true}}},
            {"For licences",
             {heads,
              {.kind = Codes, .fields = {"isrc"}},
              {.kind = Works, .fields = {"shares"}},
              {.kind = Works, .fields = {"numbers"}},
              {.kind = Works, .fields = {"agreement"}},
              {.kind = Works, .fields = {"contact"}}}},
        };
    }();
    return shipped;
}

std::string toJson(const std::vector<Standard>& standards) {
    json out = json::array();
    for (const Standard& s : standards) {
        json rules = json::array();
        for (const Rule& rule : s.rules)
            rules.push_back(ruleToJson(rule));
        out.push_back({{"name", s.name}, {"rules", rules}});
    }
    return json{{"moorfrost standards", 1}, {"standards", out}}.dump(2);
}

Result<std::vector<Standard>> standardsFromJson(const std::string& text) {
    std::vector<Standard> out;
    std::set<std::string> names;
    try {
        const json in = json::parse(text);
        for (const json& s : in.at("standards")) {
            Standard standard{std::string(text::trim(s.at("name").get<std::string>())), {}};
            if (standard.name.empty())
                return wrong("One of the standards has no name.");
            if (!names.insert(standard.name).second)
                return wrong(fmt::format("There are two standards named \"{}\".", standard.name));
            for (const json& r : s.at("rules")) {
                auto rule = ruleFromJson(r);
                if (!rule)
                    return wrong(fmt::format("The standard \"{}\": {}", standard.name, rule.error().message));
                standard.rules.push_back(std::move(*rule));
            }
            out.push_back(std::move(standard));
        }
    } catch (const json::exception&) {
        return wrong("These are no standards as Moorfrost writes them (docs/standards.md).");
    }
    if (out.empty())
        return wrong("There is no standard in it.");
    return out;
}

} // namespace moorfrost::audit
