// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/taking.h"

#include <algorithm>
#include <array>
#include <set>

#include "core/matching/listening.h"
#include "core/reference/catalogue.h"
#include "core/reference/reference.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::bench {

namespace {

using reference::Credit;
using reference::Release;

std::vector<std::string> namesOf(const Credit& credit) {
    std::vector<std::string> out;
    for (const Credit::Name& n : credit.names)
        out.push_back(n.name);
    return out;
}

std::vector<std::string> sortFormsOf(const Credit& credit) {
    std::vector<std::string> out;
    bool any = false;
    for (const Credit::Name& n : credit.names) {
        any = any || !n.sortForm.empty();
        out.push_back(n.sortForm.empty() ? n.name : n.sortForm);
    }
    return any ? out : std::vector<std::string>();
}

/// The field of a role; "" for roles that have none.
std::string fieldOfRole(const std::string& role) {
    static const std::map<std::string, std::string> fields{
        {"composer", "composer"},   {"writer", "composer"},     {"lyricist", "lyricist"},
        {"conductor", "conductor"}, {"performer", "performer"}, {"remixer", "remixer"},
        {"producer", "producer"},   {"engineer", "engineer"},   {"recording", "engineer"},
        {"mixing", "engineer"},     {"publisher", "publisher"}};
    const auto it = fields.find(text::fold(role));
    return it == fields.end() ? std::string() : it->second;
}

void addRoles(const std::vector<reference::Role>& roles, tags::Fields& out) {
    for (const reference::Role& role : roles) {
        const std::string field = fieldOfRole(role.role);
        if (field.empty())
            continue;
        std::vector<std::string>& values = out[field];
        const std::string value =
            field == "performer" && !role.detail.empty() ? role.name + " (" + role.detail + ")" : role.name;
        if (std::ranges::find(values, value) == values.end())
            values.push_back(value);
    }
}

bool isVarious(const Credit& credit) {
    const std::string form = text::likenessForm(credit.text());
    return form == "various artists" || form == "various";
}

std::string nameOf(TakeRule rule) {
    return rule == TakeRule::Always ? "always" : rule == TakeRule::WhenBlank ? "blank" : "never";
}

} // namespace

TakeRule TakeRules::of(const std::string& field) const {
    const auto it = fields.find(field);
    return it == fields.end() ? TakeRule::Always : it->second;
}

OwnGenres::OwnGenres(std::vector<std::string> genres) : all_(std::move(genres)) {
    for (size_t i = 0; i < all_.size(); ++i)
        byForm_.try_emplace(text::likenessForm(all_[i]), i);
    byForm_.erase(""); // what has no Latin letters is as it is
}

const std::string& OwnGenres::spelled(const std::string& genre) const {
    const auto it = byForm_.find(text::likenessForm(genre));
    return it == byForm_.end() ? genre : all_[it->second];
}

std::string genreFor(const std::string& genre, const TakeRules& rules, const OwnGenres& own) {
    const auto mapped = rules.genres.find(text::fold(genre));
    return mapped == rules.genres.end() ? own.spelled(genre) : mapped->second;
}

std::vector<std::string> textsOf(const TakeRules& rules) {
    std::vector<std::string> out;
    for (const auto& [field, rule] : rules.fields)
        if (rule != TakeRule::Always)
            out.push_back("field " + nameOf(rule) + " " + field);
    for (const auto& [from, to] : rules.genres)
        out.push_back("genre " + from + " = " + to);
    return out;
}

TakeRules takeRulesFrom(const std::vector<std::string>& texts) {
    TakeRules out;
    for (const std::string& line : texts) {
        if (line.starts_with("field blank "))
            out.fields[line.substr(12)] = TakeRule::WhenBlank;
        else if (line.starts_with("field never "))
            out.fields[line.substr(12)] = TakeRule::Never;
        else if (const size_t at = line.find(" = ");
                 line.starts_with("genre ") && at != std::string::npos && at > 6)
            out.genres[text::fold(line.substr(6, at - 6))] = text::trim(line.substr(at + 3));
    }
    return out;
}

const std::vector<std::string>& takenFields() {
    static const std::vector<std::string> fields = [] {
        std::set<std::string, std::less<>> wanted{"title",         "artist",      "album",
                                                  "album_artist",  "track",       "tracks",
                                                  "disc",          "discs",       "date",
                                                  "original_date", "genre",       "composer",
                                                  "lyricist",      "conductor",   "performer",
                                                  "remixer",       "producer",    "engineer",
                                                  "publisher",     "label",       "catalogue_number",
                                                  "barcode",       "isrc",        "language",
                                                  "script",        "country",     "carrier",
                                                  "compilation",   "artist_sort", "album_artist_sort"};
        std::vector<std::string> out;
        for (const tags::FieldDef& f : tags::fieldTable())
            if (wanted.contains(f.key))
                out.push_back(f.key);
        out.emplace_back(matching::referenceNumberField);
        out.emplace_back(matching::speedField);
        return out;
    }();
    return fields;
}

tags::Fields fieldsOf(const Release& release, size_t medium, size_t place, const std::string& reference) {
    const reference::Medium& m = release.media.at(medium);
    const reference::Track& t = m.tracks.at(place);
    tags::Fields out;
    auto put = [&](const char* key, std::vector<std::string> values) {
        std::erase_if(values, [](const std::string& v) { return v.empty(); });
        if (!values.empty() && tags::whyNotValid(key, values).empty())
            out[key] = std::move(values);
    };
    const Credit& credit = t.credit.names.empty() ? release.credit : t.credit;
    put("title", {t.title});
    put("artist", namesOf(credit));
    put("artist_sort", sortFormsOf(credit));
    put("album", {release.title});
    put("album_artist", namesOf(release.credit));
    put("album_artist_sort", sortFormsOf(release.credit));
    put("track", {std::to_string(place + 1)});
    put("tracks", {std::to_string(m.tracks.size())});
    if (release.media.size() > 1) {
        put("disc", {std::to_string(medium + 1)});
        put("discs", {std::to_string(release.media.size())});
    }
    put("date", {release.date()});
    if (release.firstDate != release.date())
        put("original_date", {release.firstDate});
    put("genre", release.genres);
    std::vector<std::string> labels, numbers;
    for (const reference::Label& l : release.labels) {
        labels.push_back(l.name);
        numbers.push_back(l.catalogueNumber);
    }
    put("label", labels);
    put("catalogue_number", numbers);
    put("barcode", {release.barcode});
    put("isrc", t.isrcs);
    put("language", {release.language});
    put("script", {release.script});
    put("country", {release.country()});
    put("carrier", {m.carrier});
    if (isVarious(release.credit))
        put("compilation", {"1"});
    tags::Fields roles;
    addRoles(t.roles, roles);
    addRoles(release.roles, roles);
    for (auto& [key, values] : roles)
        put(key.c_str(), values);
    put(matching::referenceNumberField, {reference::numberOf(reference, release.id)});
    return out;
}

tags::Fields fieldsOfDiscTrack(tags::Fields own, int track, const reference::Release& release, size_t medium,
                               size_t place, const std::string& reference) {
    static const std::set<std::string> ofWholeDisc = {
        "album",   "album_artist", "artist", "date", "genre", "label", "catalogue_number",
        "barcode", "country",      "disc",   "discs"};
    const bool coded = !tags::firstValue(own, "isrc").empty();
    for (auto& [field, values] : fieldsOf(release, medium, place, reference))
        if ((track > 0 || ofWholeDisc.contains(field)) && (field != "isrc" || !coded))
            own[field] = values;
    return own;
}

std::string originOf(const Release& release, const std::string& referenceName, const std::string& day) {
    std::string out = referenceName + ": " + release.title;
    if (const std::string carrier = release.carrier(); !carrier.empty())
        out += ", " + carrier;
    if (!release.labels.empty() && !release.labels[0].catalogueNumber.empty())
        out += ", " + release.labels[0].catalogueNumber;
    return out + ", " + day;
}

edits::Proposals take(const matching::Candidate& candidate, const matching::SleeveClues& clues,
                      const std::vector<edits::Subject>& files, const TakeRules& rules,
                      const OwnGenres& genres, const std::string& origin) {
    edits::Proposals out;
    std::map<int64_t, const edits::Subject*> byFile;
    for (const edits::Subject& s : files)
        byFile[s.file] = &s;
    const matching::Likeable likeable(candidate.release, candidate.reference);
    for (size_t t = 0; t < candidate.seating.fileOf.size() && t < likeable.tracks.size(); ++t) {
        const int seat = candidate.seating.fileOf[t];
        const auto subject =
            seat < 0 ? byFile.end() : byFile.find(clues.files.at(static_cast<size_t>(seat)).id);
        if (subject == byFile.end())
            continue;
        tags::Fields told = fieldsOf(candidate.release, likeable.tracks[t].medium, likeable.tracks[t].place,
                                     candidate.reference);
        if (const std::string speed = matching::speedText(
                matching::speedOf(clues.files.at(static_cast<size_t>(seat)), likeable.tracks[t].recording));
            !speed.empty())
            told[matching::speedField] = {speed};
        if (const auto genre = told.find("genre"); genre != told.end()) {
            std::vector<std::string> own;
            for (const std::string& g : genre->second) {
                const std::string value = genreFor(g, rules, genres);
                if (!value.empty() && std::ranges::find(own, value) == own.end())
                    own.push_back(value);
            }
            if (own.empty())
                told.erase(genre);
            else
                genre->second = own;
        }
        for (const std::string& field : takenFields()) {
            const auto value = told.find(field);
            if (value == told.end())
                continue;
            const auto now = subject->second->fields.find(field);
            const bool blank = now == subject->second->fields.end();
            const TakeRule rule = rules.of(field);
            if (rule == TakeRule::Never || (rule == TakeRule::WhenBlank && !blank) ||
                (!blank && now->second == value->second))
                continue;
            out.push_back({subject->first, field, value->second, origin});
        }
    }
    return out;
}

} // namespace moorfrost::bench
