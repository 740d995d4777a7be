// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/custom_fields.h"

#include <algorithm>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/tags/custom_registry.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

using Json = nlohmann::ordered_json;

constexpr size_t longestName = 60, mostChoices = 500, mostFields = 200;

constexpr std::pair<FieldKind, const char*> words[] = {{FieldKind::Text, "text"},
                                                       {FieldKind::Decimal, "number"},
                                                       {FieldKind::Date, "date"},
                                                       {FieldKind::YesNo, "yes or no"},
                                                       {FieldKind::Choice, "choice"}};

bool isBlank(const std::string& text) {
    return text::trim(text).empty();
}

bool holdsControl(std::string_view text) {
    return std::ranges::any_of(text, [](unsigned char c) { return c < 0x20 || c == 0x7f; });
}

std::string whyNotPlace(const std::string& place) {
    if (isBlank(place))
        return "Say under which name it is in files.";
    if (place.size() < 2 || place.size() > longestName)
        return fmt::format("Its name in files has 2 to {} characters.", longestName);
    for (unsigned char c : place)
        if (c < 0x20 || c > 0x7d || c == '=' || (c >= 'a' && c <= 'z'))
            return "Its name in files is made of plain capital letters, digits, spaces and signs other than "
                   "= and ~.";
    if (place.front() == '@' || place.front() == ' ' || place.back() == ' ')
        return "Its name in files begins and ends with a letter, a digit or a sign other than @.";
    for (const char* taken : {"ID3", "TAG", "OGGS", "MP+"}) // not allowed as a key of APE tags
        if (place == taken)
            return fmt::format("\"{}\" cannot be a name in files: some formats mark tags with it.", place);
    if (place.starts_with("PERFORMER:") || place.starts_with("COVER ART") ||
        place == "METADATA_BLOCK_PICTURE")
        return fmt::format("\"{}\" is where other things are in files.", place);
    if (const FieldDef* standard = fieldByProperty(place))
        return fmt::format("\"{}\" is where {} is in files.", place, text::lower(standard->label));
    return {};
}

std::string whyNotChoices(const CustomField& field) {
    if (field.kind != FieldKind::Choice)
        return field.choices.empty() ? std::string() : "Only a choice has a list.";
    if (field.choices.empty())
        return "Say what there is to choose from.";
    if (field.choices.size() > mostChoices)
        return fmt::format("A list holds {} choices at most.", mostChoices);
    for (auto it = field.choices.begin(); it != field.choices.end(); ++it) {
        if (isBlank(*it) || *it != text::trim(*it) || it->size() > longestName * 4 || !text::isUtf8(*it) ||
            holdsControl(*it))
            return fmt::format("\"{}\" cannot be a choice: it is blank, too long or has signs that are not "
                               "seen.",
                               *it);
        if (std::any_of(field.choices.begin(), it,
                        [&](const std::string& c) { return text::lower(c) == text::lower(*it); }))
            return fmt::format("\"{}\" is there twice.", *it);
    }
    return {};
}

} // namespace

std::string CustomField::key() const {
    return text::lower(place);
}

std::string placeFromLabel(const std::string& label) {
    std::string out;
    for (char c : text::upper(text::likenessForm(label)))
        if (c >= ' ' && c <= '}' && c != '=')
            out += c;
    return text::trim(out).substr(0, longestName);
}

std::string whyNotDescribed(const CustomField& field, const std::vector<CustomField>& others,
                            const std::vector<std::string>& reserved) {
    if (isBlank(field.label))
        return "Give it a label.";
    if (field.label.size() > longestName || !text::isUtf8(field.label) || holdsControl(field.label) ||
        field.label.find_first_of("{}:,\"/@") != std::string::npos)
        return fmt::format("A label has up to {} characters, without {{ }} : , \" / and @.", longestName);
    if (std::string why = whyNotPlace(field.place); !why.empty())
        return why;
    if (const FieldDef* standard = standardByName(field.label))
        return fmt::format("There is a field {} already.", standard->label);
    for (const std::string& name : reserved)
        if (text::lower(field.label) == name || field.key() == name)
            return fmt::format("\"{}\" means something else in plans and in searches.", name);
    for (const CustomField& other : others) {
        if (other.key() == field.key())
            return fmt::format("{} has this name in files already.", other.label);
        if (text::lower(other.label) == text::lower(field.label))
            return fmt::format("There is a field {} already.", other.label);
        // By either name a field is found in plans and searches.
        if (text::lower(other.label) == field.key() || text::lower(field.label) == other.key())
            return fmt::format("It would be taken for {}.", other.label);
    }
    return whyNotChoices(field);
}

const char* wordOf(FieldKind kind) {
    for (const auto& [k, word] : words)
        if (k == kind)
            return word;
    return "text";
}

std::string customFieldsJson(const std::vector<CustomField>& fields) {
    Json out = Json::array();
    for (const CustomField& f : fields) {
        Json j{{"label", f.label}, {"place", f.place}, {"kind", wordOf(f.kind)}, {"several", f.several}};
        if (!f.choices.empty())
            j["choices"] = f.choices;
        out.push_back(std::move(j));
    }
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<std::vector<CustomField>> customFieldsFromJson(const std::string& json) {
    const auto damaged = [](const std::string& why) {
        return Error{ErrorKind::Damaged, {}, "These are no custom fields: " + why};
    };
    std::vector<CustomField> out;
    try {
        const Json all = Json::parse(json);
        if (!all.is_array() || all.size() > mostFields)
            return damaged("a list of at most " + std::to_string(mostFields) + " is expected.");
        for (const Json& j : all) {
            CustomField f;
            f.label = j.at("label").get<std::string>();
            f.place = j.at("place").get<std::string>();
            f.several = j.value("several", false);
            f.choices = j.value("choices", std::vector<std::string>());
            const std::string kind = j.at("kind").get<std::string>();
            const auto* word = std::ranges::find_if(words, [&](const auto& w) { return kind == w.second; });
            if (word == std::end(words))
                return damaged("\"" + kind + "\" is no kind of field.");
            f.kind = word->first;
            if (std::string why = whyNotDescribed(f, out, {}); !why.empty())
                return damaged(why);
            out.push_back(std::move(f));
        }
    } catch (const Json::exception& e) {
        return damaged(e.what());
    }
    return out;
}

// -- The registry

namespace {

std::string plainName(std::string_view name) {
    std::string out = text::lower(text::trim(name));
    std::ranges::replace(out, '_', ' ');
    return out;
}

} // namespace

CustomRegistry& CustomRegistry::instance() {
    static CustomRegistry registry;
    return registry;
}

void CustomRegistry::define(const std::vector<CustomField>& fields) {
    const std::lock_guard guard(writing_);
    const State* now = now_.load(std::memory_order_acquire);
    if (now ? now->fields == fields : fields.empty())
        return;
    auto next = std::make_unique<State>();
    next->fields = fields;
    next->defs.reserve(fields.size()); // pointers to them stay
    for (const CustomField& f : fields) {
        FieldDef def;
        def.key = f.key();
        def.label = f.label;
        def.kind = f.kind;
        def.several = f.several;
        def.property = f.place;
        def.choices = f.choices;
        def.columnWidth = f.kind == FieldKind::Decimal || f.kind == FieldKind::YesNo ? 80
                          : f.kind == FieldKind::Date                                ? 90
                                                                                     : 120;
        next->defs.push_back(std::move(def));
        next->byKey[next->defs.back().key] = &next->defs.back();
        next->byName[plainName(f.key())] = &next->defs.back();
        next->byName[plainName(f.label)] = &next->defs.back();
    }
    now_.store(next.get(), std::memory_order_release);
    all_.push_back(std::move(next));
}

const FieldDef* CustomRegistry::byKey(std::string_view key) const {
    const State* now = now_.load(std::memory_order_acquire);
    if (!now || now->fields.empty())
        return nullptr;
    const auto it = now->byKey.find(key);
    return it == now->byKey.end() ? nullptr : it->second;
}

const FieldDef* CustomRegistry::byName(std::string_view name) const {
    const State* now = now_.load(std::memory_order_acquire);
    if (!now || now->fields.empty())
        return nullptr;
    const auto it = now->byName.find(plainName(name));
    return it == now->byName.end() ? nullptr : it->second;
}

std::vector<CustomField> CustomRegistry::fields() const {
    const State* now = now_.load(std::memory_order_acquire);
    return now ? now->fields : std::vector<CustomField>();
}

void defineCustomFields(const std::vector<CustomField>& fields) {
    CustomRegistry::instance().define(fields);
}

std::vector<CustomField> definedCustomFields() {
    return CustomRegistry::instance().fields();
}

std::vector<std::string> withDescribed(const std::vector<std::string>& found) {
    std::vector<CustomField> fields = definedCustomFields();
    std::ranges::stable_sort(fields, [](const CustomField& a, const CustomField& b) {
        return text::compare(a.label, b.label) < 0;
    });
    std::vector<std::string> out;
    for (const CustomField& f : fields)
        out.push_back(f.key());
    for (const std::string& key : found)
        if (std::ranges::find(out, key) == out.end())
            out.push_back(key);
    return out;
}

} // namespace moorfrost::tags
