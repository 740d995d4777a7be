// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_layout.h"

#include <algorithm>

#include "core/deliver/layout_json.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

constexpr const char* thing = "a sheet";

SheetLayout made(const char* name, std::initializer_list<Section> on, bool showsMissing = true) {
    SheetLayout out;
    out.name = name;
    out.showsMissing = showsMissing;
    for (const Section s : on)
        out.places.push_back({s, true});
    for (const SectionDef& def : allSections())
        if (!out.has(def.section))
            out.places.push_back({def.section, false});
    return out;
}

Error notUnderstood(const std::string& what) {
    return notALayout(thing, what);
}

bool isThere(const SheetLayout& layout, Section section) {
    return std::ranges::any_of(layout.places, [&](const auto& p) { return p.section == section; });
}

} // namespace

const std::vector<SectionDef>& allSections() {
    using enum Section;
    static const std::vector<SectionDef> table = {
        {Picture, "picture", "Picture", "the cover, and who made it"},
        {Facts, "facts", "Facts", "artist, release, length, tempo, key"},
        {Codes, "codes", "Codes", "ISRC, ISWC, catalogue number"},
        {Versions, "versions", "Versions", "of the family, stems"},
        {People, "people", "Writers and publishers", "names, numbers, shares"},
        {Owners, "owners", "Owners of the master", "names, shares"},
        {Keywords, "keywords", "Keywords and description", "what it is like"},
        {Recording, "recording", "Recording details", "players, dates, places"},
        {Contacts, "contacts", "Contacts", "for licences"},
        {Lyrics, "lyrics", "Lyrics", "all verses"},
        {Listen, "listen", "Where to listen first", "places that were marked"},
        {Links, "links", "Links", "pages"},
    };
    return table;
}

const SectionDef& sectionDef(Section section) {
    return *std::ranges::find(allSections(), section, &SectionDef::section);
}

bool SheetLayout::has(Section section) const {
    return std::ranges::any_of(places, [&](const Place& p) { return p.section == section && p.on; });
}

const std::vector<SheetLayout>& shippedLayouts() {
    using enum Section;
    static const std::vector<SheetLayout> shipped = {
        made("For a licence request",
             {Picture, Facts, Codes, Versions, People, Owners, Keywords, Contacts, Lyrics}),
        made("Facts and people", {Facts, Codes, People, Owners}),
        made("To listen to", {Picture, Facts, Versions, Keywords, Listen, Contacts, Links}, false),
        made("Everything", {Picture, Facts, Codes, Versions, People, Owners, Keywords, Recording, Contacts,
                            Lyrics, Listen, Links}),
    };
    return shipped;
}

std::string layoutJson(const SheetLayout& layout) {
    Json out = {{"layout", layout.name}, {"sections", Json::array()}};
    for (const SheetLayout::Place& p : layout.places)
        out["sections"].push_back({{"section", sectionDef(p.section).key}, {"on", p.on}});
    out["own_pages"] = layout.ownPages;
    out["shows_missing"] = layout.showsMissing;
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<SheetLayout> layoutFromJson(std::string_view json) {
    const auto read = readLayoutJson(json, "layout", thing);
    if (!read)
        return read.error();
    const Json& in = *read;
    SheetLayout out;
    out.name = in["layout"].get<std::string>();
    if (!in.contains("sections") || !in["sections"].is_array())
        return notUnderstood("it has no \"sections\".");
    for (const Json& one : in["sections"]) {
        if (!one.is_object() || !one.contains("section") || !one["section"].is_string())
            return notUnderstood("a section has no name.");
        const auto key = one["section"].get<std::string>();
        const auto def =
            std::ranges::find_if(allSections(), [&](const SectionDef& d) { return key == d.key; });
        if (def == allSections().end())
            return notUnderstood("there is no section \"" + key + "\".");
        if (isThere(out, def->section))
            return notUnderstood("\"" + key + "\" is there twice.");
        out.places.push_back(
            {def->section, !one.contains("on") || !one["on"].is_boolean() || one["on"].get<bool>()});
    }
    for (const SectionDef& def : allSections())
        if (!isThere(out, def.section))
            out.places.push_back({def.section, false});
    auto flag = [&](const char* key, bool otherwise) {
        return in.contains(key) && in[key].is_boolean() ? in[key].get<bool>() : otherwise;
    };
    out.ownPages = flag("own_pages", out.ownPages);
    out.showsMissing = flag("shows_missing", out.showsMissing);
    return out;
}

std::vector<SheetLayout> layoutsFrom(const std::vector<std::string>& kept) {
    return layoutsThere(kept, layoutFromJson, shippedLayouts());
}

const SheetLayout* layoutNamed(const std::vector<SheetLayout>& layouts, std::string_view name) {
    return layoutOfName(layouts, name);
}

} // namespace moorfrost::deliver
