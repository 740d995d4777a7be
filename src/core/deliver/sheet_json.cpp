// SPDX-License-Identifier: GPL-3.0-or-later
#include <nlohmann/json.hpp>

#include "core/deliver/sheet_text.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

void set(Json& out, const char* key, const std::string& value) {
    if (!value.empty())
        out[key] = value;
}

Json sideJson(const SheetSide& side) {
    Json out = Json::array();
    for (const SheetName& n : side.names) {
        Json one = {{"name", n.name}};
        if (!n.roles.empty())
            one["roles"] = n.roles;
        set(one, "ipi", n.number);
        if (!n.forWhom.empty())
            one["for"] = n.forWhom;
        if (n.part) {
            one["share"] = n.part->text() == "1" ? "1/1" : n.part->text();
            one["percent"] = n.part->percent();
        }
        set(one, "territory", n.territory);
        set(one, "from", n.from);
        out.push_back(std::move(one));
    }
    return out;
}

Json workJson(const SheetWork& work, const SheetLayout& layout) {
    Json out = {{"title", work.title}};
    if (layout.has(Section::Codes))
        set(out, "iswc", work.iswc);
    set(out, "language", work.language);
    if (layout.has(Section::Keywords)) {
        if (!work.keywords.empty())
            out["keywords"] = work.keywords;
        set(out, "description", work.description);
    }
    if (layout.has(Section::People)) {
        out["writers"] = sideJson(work.writers);
        out["publishers"] = sideJson(work.publishers);
    }
    if (layout.has(Section::Lyrics))
        set(out, "lyrics", work.lyrics);
    return out;
}

Json songJson(const SheetSubject& subject, const SheetSong& song, const SheetLayout& layout) {
    Json out;
    set(out, "position", song.position);
    out["title"] = song.title;
    set(out, "artist", song.artist);
    if (layout.has(Section::Facts)) {
        set(out, "release", song.release);
        set(out, "date", song.date);
        if (song.seconds > 0)
            out["seconds"] = static_cast<int64_t>(song.seconds * 1000 + 0.5) / 1000.0;
        set(out, "tempo", song.tempo);
        set(out, "key", song.key);
        set(out, "language", song.language);
        set(out, "genre", song.genre);
        set(out, "mood", song.mood);
    }
    if (layout.has(Section::Codes)) {
        if (!song.isrcs.empty())
            out["isrc"] = song.isrcs;
        set(out, "label", song.label);
        set(out, "catalogue_number", song.catalogueNumber);
    }
    if (layout.has(Section::Versions) && !song.versions.empty()) {
        out["versions"] = Json::array();
        for (const SheetVersion& v : song.versions) {
            Json one = {{"version", v.name}, {"title", v.title}, {"length", clockText(v.seconds)}};
            set(one, "stem", v.stem);
            set(one, "isrc", v.isrc);
            out["versions"].push_back(std::move(one));
        }
    }
    out["works"] = Json::array();
    for (const SheetWork& work : song.works)
        out["works"].push_back(workJson(work, layout));
    if (layout.has(Section::Owners))
        out["owners"] = sideJson(song.owners);
    if (layout.has(Section::Recording) && !song.details.empty()) {
        out["recording"] = Json::array();
        for (const auto& [name, says] : song.details)
            out["recording"].push_back({{"what", name}, {"says", says}});
    }
    if (layout.has(Section::Contacts) && !song.contacts.empty()) {
        out["contacts"] = Json::array();
        for (const SheetContact& c : song.contacts) {
            Json one = {{"name", c.name}, {"kind", c.contact.kind}, {"value", c.contact.value}};
            set(one, "purpose", c.contact.purpose);
            out["contacts"].push_back(std::move(one));
        }
    }
    if (layout.has(Section::Lyrics))
        set(out, "lyrics", song.lyrics);
    if (layout.has(Section::Listen) && !song.marks.empty()) {
        out["listen"] = Json::array();
        for (const library::Bookmark& mark : song.marks)
            out["listen"].push_back({{"at", clockText(mark.seconds)}, {"what", mark.text}});
    }
    if (layout.has(Section::Links) && !song.links.empty())
        out["links"] = song.links;
    if (layout.has(Section::Picture) && !subject.isRelease && song.picture.hash != 0)
        set(out, "picture_by", song.picture.description);
    return out;
}

} // namespace

std::string sheetJson(const SheetSubject& subject, const SheetLayout& layout) {
    Json out = {{"sheet", subject.title}, {"layout", layout.name}};
    if (subject.isRelease) {
        Json release = {{"title", subject.title}};
        set(release, "artist", subject.artist);
        set(release, "date", subject.date);
        set(release, "country", subject.country);
        set(release, "label", subject.label);
        set(release, "catalogue_number", subject.catalogueNumber);
        set(release, "barcode", subject.barcode);
        set(release, "carrier", subject.carrier);
        if (layout.has(Section::Links) && !subject.links.empty())
            release["links"] = subject.links;
        out["release"] = std::move(release);
    }
    out["songs"] = Json::array();
    for (const SheetSong& song : subject.songs)
        out["songs"].push_back(songJson(subject, song, layout));
    out["missing"] = Json::array();
    for (const SheetGap& gap : sheetGaps(subject, layout))
        out["missing"].push_back(gap.sentence);
    return out.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

} // namespace moorfrost::deliver
