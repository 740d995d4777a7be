// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/settings_file.h"

#include <algorithm>
#include <functional>

#include <nlohmann/json.hpp>

#include "core/audit/standard.h"
#include "core/base/version.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/list_layout.h"
#include "core/deliver/package/package_layout.h"
#include "core/deliver/page/page_layout.h"
#include "core/deliver/rows/row_layout.h"
#include "core/deliver/sheet_layout.h"
#include "core/edits/chain.h"
#include "core/library/findings/audit_settings.h"
#include "core/library/findings/rules.h"
#include "core/library/fixity_plan.h"
#include "core/tags/custom_fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Json = nlohmann::json;

constexpr const char* mark = "moorfrost settings";
constexpr int newest = 1;
constexpr size_t mostBytes = 32u << 20;
constexpr int deepest = 40;

enum class Form { Text, Bool, Number, Texts, Json, Jsons };

/// An Error where it does not hold.
using Check = std::function<Status(const std::string& text)>;

template<auto read>
Status readable(const std::string& text) {
    const auto out = read(text);
    return out ? Status(Done{}) : Status(out.error());
}

Status oneOf(const std::string& text, std::initializer_list<const char*> words) {
    if (std::ranges::find(words, text) != words.end())
        return Done{};
    return Error{ErrorKind::Invalid,
                 {},
                 "\"" + text + "\" is none of " + text::join({words.begin(), words.end()}, ", ") + "."};
}

struct Known {
    const char* key; // in the library, and in the file
    Form form;
    Check holds = {}; // each entry, where it is a list
};

const std::vector<Known>& known() {
    namespace s = settings;
    static const std::vector<Known> all = {
        {s::plans.key, Form::Texts},
        {s::chains.key, Form::Jsons, readable<edits::chainFromJson>},
        {s::standards.key, Form::Json, readable<audit::standardsFromJson>},
        {s::defaultStandard.key, Form::Text},
        {s::customFields.key, Form::Json, readable<tags::customFieldsFromJson>},
        {s::names.key, Form::Text,
         [](const std::string& text) {
             return oneOf(text, {"linux", "portable", "ascii"});
         }},
        {s::keepTimes.key, Form::Bool},
        {s::historyLimit.key, Form::Number},
        {s::putAwayMode.key, Form::Text,
         [](const std::string& text) {
             return oneOf(text, {"move", "copy", "rename"});
         }},
        {s::words.key, Form::Text,
         [](const std::string& text) {
             return oneOf(text, {"anywhere", "beginnings"});
         }},
        {s::references.key, Form::Texts},
        {s::takeRules.key, Form::Texts},
        {s::mirrorRules.key, Form::Texts},
        {s::releaseFactsLeftOut.key, Form::Texts},
        {s::auditRules.key, Form::Json, readable<RuleChoices::fromJson>},
        {s::fixityPlan.key, Form::Json},
        {s::sheetLayouts.key, Form::Jsons, readable<deliver::layoutFromJson>},
        {s::rowLayouts.key, Form::Jsons, readable<deliver::rowLayoutFromJson>},
        {s::pageLayouts.key, Form::Jsons, readable<deliver::pageLayoutFromJson>},
        {s::listLayouts.key, Form::Jsons, readable<deliver::listLayoutFromJson>},
        {s::packageLayouts.key, Form::Jsons, readable<deliver::packageLayoutFromJson>},
        {s::shareTemplates.key, Form::Texts},
        {s::keywords.key, Form::Texts},
    };
    return all;
}

const Known* find(std::string_view key) {
    const auto at =
        std::ranges::find(known(), key, [](const Known& one) { return std::string_view(one.key); });
    return at == known().end() ? nullptr : &*at;
}

Json outOf(const Known& setting, const std::string& text) {
    switch (setting.form) {
    case Form::Text:
        return text;
    case Form::Bool: {
        bool value = false;
        readSetting(text, value);
        return value;
    }
    case Form::Number: {
        int64_t value = 0;
        readSetting(text, value);
        return value;
    }
    case Form::Json:
        return Json::parse(text, nullptr, false);
    case Form::Texts:
    case Form::Jsons: {
        Json out = Json::array();
        for (const std::string& one : text::split(text, "\n"))
            if (!one.empty()) {
                Json entry = setting.form == Form::Texts ? Json(one) : Json::parse(one, nullptr, false);
                if (!entry.is_discarded())
                    out.push_back(std::move(entry));
            }
        return out;
    }
    }
    return {};
}

Error wrong(const Known& setting, const std::string& why) {
    return {ErrorKind::Invalid, {}, std::string("\"") + setting.key + "\": " + why};
}

Status checked(const Known& setting, const std::string& text) {
    if (setting.holds)
        if (const Status holds = setting.holds(text); !holds)
            return wrong(setting, holds.error().message);
    return Done{};
}

/// As the library keeps it.
Result<std::string> into(const Known& setting, const Json& value) {
    std::string out;
    switch (setting.form) {
    case Form::Text:
        if (!value.is_string())
            return wrong(setting, "A text is expected.");
        out = value.get<std::string>();
        break;
    case Form::Bool:
        if (!value.is_boolean())
            return wrong(setting, "true or false is expected.");
        return settingText(value.get<bool>());
    case Form::Number:
        if (!value.is_number_integer() || value.get<int64_t>() < 0)
            return wrong(setting, "A whole number is expected.");
        return settingText(value.get<int64_t>());
    case Form::Json:
        if (!value.is_structured())
            return wrong(setting, "An object is expected.");
        out = value.dump();
        break;
    case Form::Texts:
    case Form::Jsons: {
        if (!value.is_array())
            return wrong(setting, "A list is expected.");
        std::vector<std::string> entries;
        for (const Json& one : value) {
            if (setting.form == Form::Texts ? !one.is_string() : !one.is_structured())
                return wrong(setting, setting.form == Form::Texts ? "Its entries have to be texts."
                                                                  : "Its entries have to be objects.");
            std::string entry = setting.form == Form::Texts ? one.get<std::string>() : one.dump();
            if (entry.find('\n') != std::string::npos)
                return wrong(setting, "An entry has to be on one line.");
            if (const Status holds = checked(setting, entry); !holds)
                return holds.error();
            entries.push_back(std::move(entry));
        }
        return settingText(entries);
    }
    }
    if (const Status holds = checked(setting, out); !holds)
        return holds.error();
    return out;
}

size_t entriesOf(const Json& value) {
    return value.is_array() ? value.size() : 1;
}

} // namespace

const std::vector<SettingGroup>& settingGroups() {
    namespace s = settings;
    static const std::vector<SettingGroup> all = {
        {"plans", {s::plans.key}},
        {"chains", {s::chains.key}},
        {"standards", {s::standards.key, s::defaultStandard.key}},
        {"fields", {s::customFields.key}},
        {"layouts",
         {s::sheetLayouts.key, s::rowLayouts.key, s::pageLayouts.key, s::listLayouts.key,
          s::packageLayouts.key}},
        {"audit", {s::auditRules.key, s::fixityPlan.key}},
        {"references", {s::references.key, s::takeRules.key}},
        {"mirror", {s::mirrorRules.key, s::releaseFactsLeftOut.key}},
        {"people", {s::shareTemplates.key, s::keywords.key}},
        {"ways", {s::names.key, s::keepTimes.key, s::historyLimit.key, s::putAwayMode.key, s::words.key}},
    };
    return all;
}

std::string settingsFile(const std::map<std::string, std::string>& all,
                         const std::vector<std::string>& groups) {
    Json out = {{mark, newest}, {"written by", version()}};
    Json& kept = out["settings"] = Json::object();
    for (const SettingGroup& group : settingGroups()) {
        if (!groups.empty() && std::ranges::find(groups, group.key) == groups.end())
            continue;
        for (const char* key : group.settings)
            if (const auto at = all.find(key); at != all.end() && !at->second.empty())
                if (Json value = outOf(*find(key), at->second); !value.is_discarded())
                    kept[key] = std::move(value);
    }
    return out.dump(2, ' ', false, Json::error_handler_t::replace) + "\n";
}

std::map<std::string, std::string> SettingsTaken::of(const std::vector<std::string>& wanted) const {
    std::map<std::string, std::string> out;
    for (const SettingGroup& group : settingGroups())
        if (std::ranges::find(wanted, group.key) != wanted.end())
            for (const char* key : group.settings)
                if (const auto at = settings.find(key); at != settings.end())
                    out.insert(*at);
    return out;
}

Result<SettingsTaken> settingsFromFile(std::string_view json) {
    auto no = [](const std::string& why) { return Error{ErrorKind::Invalid, {}, why}; };
    if (json.size() > mostBytes)
        return no("This is too large to be a file of settings.");
    bool tooDeep = false; // to be taken apart again
    const Json all = Json::parse(
        json,
        [&](int depth, Json::parse_event_t, const Json&) { return !(tooDeep = tooDeep || depth > deepest); },
        false);
    if (tooDeep)
        return no("This is no file of Moorfrost's settings: its parts are nested too deep.");
    if (all.is_discarded() || !all.is_object() || !all.contains(mark))
        return no("This is no file of Moorfrost's settings.");
    const Json& edition = all[mark];
    if (!edition.is_number_integer() || edition.get<int64_t>() < 1)
        return no("This is no file of Moorfrost's settings.");
    if (edition.get<int64_t>() > newest)
        return no("This file is of a newer Moorfrost. Install that one to take it in.");
    if (!all.contains("settings") || !all["settings"].is_object())
        return no("The file has no settings in it.");
    SettingsTaken out;
    for (const auto& [key, value] : all["settings"].items()) {
        const Known* setting = find(key);
        if (!setting) {
            out.passedOver.push_back(key);
            continue;
        }
        Result<std::string> text = into(*setting, value);
        if (!text)
            return text.error();
        out.settings[key] = std::move(*text);
    }
    for (const SettingGroup& group : settingGroups()) {
        SettingsTaken::Group one{group.key};
        for (const char* key : group.settings)
            if (out.settings.contains(key))
                one.entries += entriesOf(all["settings"][key]);
        if (one.entries > 0)
            out.groups.push_back(std::move(one));
    }
    return out;
}

} // namespace moorfrost::library
