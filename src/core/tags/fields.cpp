// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/fields.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <optional>

#include "core/tags/custom_registry.h"
#include "core/tags/picture_changes.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

const std::vector<FieldDef>& fieldTable() {
    using enum FieldKind;
    static const std::vector<FieldDef> table = {
        {"title", "Title", Text, true, "TITLE", {}, 150},
        {"artist", "Artist", Text, true, "ARTIST", {}, 122},
        {"album", "Album", Text, false, "ALBUM", {}, 108},
        {"album_artist", "Album artist", Text, true, "ALBUMARTIST", {"ALBUM ARTIST", "ALBUM_ARTIST"}, 150},
        {"track", "Track", Number, false, "TRACKNUMBER", {"TRACK"}, 44},
        {"tracks", "Tracks", Number, false, "TRACKTOTAL", {"TOTALTRACKS", "TRACKS"}, 58},
        {"disc", "Disc", Number, false, "DISCNUMBER", {"DISC"}, 48},
        {"discs", "Discs", Number, false, "DISCTOTAL", {"TOTALDISCS", "DISCS"}, 54},
        {"date", "Date", Date, false, "DATE", {"YEAR"}, 90},
        {"original_date", "Original date", Date, false, "ORIGINALDATE", {"ORIGINALYEAR"}, 92},
        {"genre", "Genre", Text, true, "GENRE", {}, 110},
        {"composer", "Composer", Text, true, "COMPOSER", {}, 140},
        {"lyricist", "Lyricist", Text, true, "LYRICIST", {}, 140},
        {"conductor", "Conductor", Text, true, "CONDUCTOR", {}, 140},
        {"performer", "Performer", Text, true, "PERFORMER", {}, 180},
        {"remixer", "Remixer", Text, true, "REMIXER", {"MIXARTIST"}, 140},
        {"producer", "Producer", Text, true, "PRODUCER", {}, 140},
        {"engineer", "Engineer", Text, true, "ENGINEER", {}, 140},
        {"publisher", "Publisher", Text, true, "PUBLISHER", {}, 140},
        {"label", "Label", Text, true, "LABEL", {"ORGANIZATION"}, 120},
        {"catalogue_number",
         "Catalogue number",
         Code,
         true,
         "CATALOGNUMBER",
         {"CATALOGUENUMBER", "LABELNO"},
         110},
        {"barcode", "Barcode", Code, false, "BARCODE", {"UPC", "EAN", "EAN/UPC"}, 120},
        {"isrc", "ISRC", Code, true, "ISRC", {}, 120},
        {"iswc", "ISWC", Code, true, "ISWC", {}, 120},
        {"language", "Language", Text, true, "LANGUAGE", {}, 80},
        {"script", "Script", Text, false, "SCRIPT", {}, 80},
        {"country", "Country", Text, false, "RELEASECOUNTRY", {"COUNTRY"}, 80},
        {"carrier", "Carrier", Text, true, "MEDIA", {}, 90},
        {"compilation", "Compilation", Flag, false, "COMPILATION", {}, 90},
        {"grouping", "Grouping", Text, true, "GROUPING", {"CONTENTGROUP"}, 120},
        {"mood", "Mood", Text, true, "MOOD", {}, 100},
        {"tempo", "Tempo", Number, false, "BPM", {"TEMPO"}, 60},
        {"key", "Key", Text, false, "INITIALKEY", {"KEY"}, 50},
        {"lyrics", "Lyrics", LongText, true, "LYRICS", {"UNSYNCEDLYRICS"}, 180},
        {"comment", "Comment", LongText, true, "COMMENT", {"DESCRIPTION"}, 180},
        {"copyright", "Copyright", Text, false, "COPYRIGHT", {}, 140},
        {"encoded_by", "Encoded by", Text, false, "ENCODEDBY", {"ENCODED-BY"}, 120},
        {"website", "Website", Text, true, "WEBSITE", {"URL", "ARTISTWEBPAGE"}, 160},
        {"title_sort", "Title sort", Text, false, "TITLESORT", {}, 160},
        {"artist_sort", "Artist sort", Text, true, "ARTISTSORT", {}, 150},
        {"album_sort", "Album sort", Text, false, "ALBUMSORT", {}, 150},
        {"album_artist_sort", "Album artist sort", Text, true, "ALBUMARTISTSORT", {}, 150},
        {"composer_sort", "Composer sort", Text, true, "COMPOSERSORT", {}, 150},
        {"replaygain_track_gain", "Track gain", Text, false, "REPLAYGAIN_TRACK_GAIN", {}, 80},
        {"replaygain_track_peak", "Track peak", Text, false, "REPLAYGAIN_TRACK_PEAK", {}, 80},
        {"replaygain_album_gain", "Album gain", Text, false, "REPLAYGAIN_ALBUM_GAIN", {}, 80},
        {"replaygain_album_peak", "Album peak", Text, false, "REPLAYGAIN_ALBUM_PEAK", {}, 80},
    };
    return table;
}

namespace {

std::string plainName(std::string_view name) {
    std::string out;
    for (char c : text::trim(name))
        out += c == '_' ? ' ' : c >= 'A' && c <= 'Z' ? static_cast<char>(c + 32) : c;
    return out;
}

std::string upperAscii(std::string_view name) {
    std::string out(name);
    for (char& c : out)
        if (c >= 'a' && c <= 'z')
            c = static_cast<char>(c - 32);
    return out;
}

} // namespace

namespace {
const FieldDef* standardByKey(std::string_view key) {
    static const std::map<std::string, const FieldDef*, std::less<>> index = [] {
        std::map<std::string, const FieldDef*, std::less<>> map;
        for (const FieldDef& def : fieldTable())
            map[def.key] = &def;
        return map;
    }();
    auto it = index.find(key);
    return it == index.end() ? nullptr : it->second;
}
} // namespace

bool isStandard(std::string_view key) {
    return standardByKey(key) != nullptr;
}

const FieldDef* fieldByKey(std::string_view key) {
    const FieldDef* standard = standardByKey(key);
    return standard ? standard : CustomRegistry::instance().byKey(key);
}

bool isNumber(const FieldDef* field) {
    return field && (field->kind == FieldKind::Number || field->kind == FieldKind::Decimal);
}

const FieldDef* fieldByName(std::string_view name) {
    const FieldDef* standard = standardByName(name);
    return standard ? standard : CustomRegistry::instance().byName(name);
}

const FieldDef* standardByName(std::string_view name) {
    static const std::map<std::string, const FieldDef*, std::less<>> index = [] {
        std::map<std::string, const FieldDef*, std::less<>> map;
        for (const FieldDef& def : fieldTable()) {
            map[plainName(def.key)] = &def;
            map[plainName(def.label)] = &def;
        }
        return map;
    }();
    auto it = index.find(plainName(name));
    return it == index.end() ? nullptr : it->second;
}

const FieldDef* fieldByProperty(std::string_view property) {
    static const std::map<std::string, const FieldDef*, std::less<>> index = [] {
        std::map<std::string, const FieldDef*, std::less<>> map;
        for (const FieldDef& def : fieldTable()) {
            map[def.property] = &def;
            for (const std::string& alias : def.aliases)
                map[alias] = &def;
        }
        return map;
    }();
    auto it = index.find(property); // mostly it is in capitals
    if (it == index.end())
        it = index.find(upperAscii(property));
    return it == index.end() ? nullptr : it->second;
}

std::string keyFromName(std::string_view name) {
    if (const FieldDef* def = fieldByName(name))
        return def->key;
    if (const FieldDef* def = fieldByProperty(name))
        return def->key;
    return text::lower(text::trim(name));
}

std::string labelOf(std::string_view key) {
    const FieldDef* def = fieldByKey(key);
    return def ? def->label : std::string(key);
}

const std::string& firstValue(const Fields& fields, std::string_view key) {
    static const std::string none;
    auto it = fields.find(key);
    return it == fields.end() || it->second.empty() ? none : it->second.front();
}

void appendShown(std::string& line, std::string_view value) {
    if (!line.empty())
        line += " " + std::string(valueBreak) + " ";
    for (size_t at = 0; at < value.size();) {
        const size_t found = value.find(valueBreak, at);
        line += value.substr(at, found - at);
        if (found == std::string_view::npos)
            return;
        line += valueBreak;
        line += valueBreak;
        at = found + valueBreak.size();
    }
}

std::string shownValues(const std::vector<std::string>& values) {
    std::string out;
    for (const std::string& v : values)
        appendShown(out, v);
    return out;
}

std::string shownValue(const Fields& fields, std::string_view key) {
    auto it = fields.find(key);
    return it == fields.end() ? std::string() : shownValues(it->second);
}

namespace {

std::optional<double> decimalFrom(std::string_view text) {
    double value = 0;
    const auto [end, error] =
        std::from_chars(text.data(), text.data() + text.size(), value, std::chars_format::fixed);
    const bool whole = error == std::errc() && end == text.data() + text.size();
    return whole && std::isfinite(value) ? std::optional(value) : std::nullopt; // "inf" is read, too
}

/// What a person types, as the field holds it; what it cannot hold stays, to be refused.
std::string usualForm(const FieldDef* def, const std::string& typed) {
    if (!def)
        return typed;
    const std::string low = text::lower(typed);
    if (def->kind == FieldKind::YesNo) {
        for (const char* yes : {"yes", "y", "true", "1"})
            if (low == yes)
                return "yes";
        for (const char* no : {"no", "n", "false", "0"})
            if (low == no)
                return "no";
    }
    if (def->kind == FieldKind::Choice)
        for (const std::string& choice : def->choices)
            if (text::lower(choice) == low)
                return choice;
    if (def->kind == FieldKind::Decimal && !decimalFrom(typed)) {
        std::string point = text::replaceAll(typed, "\u2212", "-");
        if (std::ranges::count(point, ',') == 1 && point.find('.') == std::string::npos)
            std::ranges::replace(point, ',', '.');
        if (point.starts_with('+'))
            point.erase(0, 1);
        return decimalFrom(point) ? point : typed;
    }
    return typed;
}

} // namespace

std::vector<std::string> valuesFromText(std::string_view key, std::string_view line) {
    const FieldDef* def = fieldByKey(key);
    const bool longText = def && def->kind == FieldKind::LongText;
    std::vector<std::string> values;
    std::string value;
    size_t breaks = 0;
    auto end = [&] {
        // Blanks beside a break belong to it.
        const std::string trimmed = text::trim(value);
        if (!trimmed.empty())
            values.push_back(longText && breaks == 0 ? value : usualForm(def, trimmed));
        value.clear();
    };
    for (size_t at = 0; at < line.size();) {
        if (!line.substr(at).starts_with(valueBreak)) {
            value += line[at++];
            continue;
        }
        at += valueBreak.size();
        if (line.substr(at).starts_with(valueBreak)) { // doubled: it is part of the value
            value += valueBreak;
            at += valueBreak.size();
            continue;
        }
        ++breaks;
        end();
    }
    end();
    return values;
}

std::string likelyEncoding(const Fields& fields) {
    std::vector<std::string> texts;
    for (const auto& [key, values] : fields)
        for (const std::string& v : values)
            if (std::any_of(v.begin(), v.end(), [](char c) { return c < 0; }))
                texts.push_back(v);
    return texts.empty() ? std::string() : text::likelyEncoding(texts);
}

Fields readAgain(const Fields& fields, std::string_view encoding) {
    Fields out;
    for (const auto& [key, values] : fields) {
        std::vector<std::string> again;
        for (const std::string& v : values)
            again.push_back(text::readAgainAs(v, encoding).value_or(v));
        if (again != values)
            out[key] = std::move(again);
    }
    return out;
}

namespace {

/// The first of them, for a sentence.
std::string shownChoices(const std::vector<std::string>& choices) {
    constexpr size_t most = 6;
    std::string out;
    for (size_t i = 0; i < std::min(most, choices.size()); ++i)
        out += (i > 0 ? ", " : "") + choices[i];
    return choices.size() > most ? out + " and " + std::to_string(choices.size() - most) + " more" : out;
}

bool isIsoDate(const std::string& v) {
    auto number = [&](size_t at, size_t n) {
        return v.size() >= at + n && text::isDigits(std::string_view(v).substr(at, n))
                   ? std::stoi(v.substr(at, n))
                   : -1;
    };
    if (v.size() != 4 && v.size() != 7 && v.size() != 10 && v.size() < 16)
        return false;
    if (number(0, 4) < 0)
        return false;
    if (v.size() >= 7 && (v[4] != '-' || number(5, 2) < 1 || number(5, 2) > 12))
        return false;
    if (v.size() >= 10 && (v[7] != '-' || number(8, 2) < 1 || number(8, 2) > 31))
        return false;
    return v.size() <= 10 || (v[10] == 'T' || v[10] == ' ');
}

} // namespace

std::string whyNotValid(std::string_view key, const std::vector<std::string>& values) {
    constexpr size_t longestValue = 1u << 20;
    const FieldDef* def = fieldByKey(key);
    if (isPictureKey(key))
        return {};
    if (!def && (key.empty() || key.find_first_of("=~\n\r\t") != std::string_view::npos))
        return "\"" + std::string(key) + "\" cannot be the name of a field: leave out =, ~ and line breaks.";
    std::string label = labelOf(key);
    if (def && !def->several && values.size() > 1)
        return label + " holds one value, not " + std::to_string(values.size()) + ".";
    for (const std::string& v : values) {
        if (!text::isUtf8(v) || v.find('\0') != std::string::npos)
            return label + " must be text.";
        if (v.size() > longestValue)
            return label + " is longer than 1 MB.";
        if (!def)
            continue;
        if (def->kind == FieldKind::Number && (!text::isDigits(v) || v.size() > 6))
            return label + " is a whole number; \"" + v + "\" is not.";
        if (def->kind == FieldKind::Date && !isIsoDate(v))
            return label + " is a year, year-month or year-month-day, such as 1998-10-05; \"" + v +
                   "\" is not.";
        if (def->kind == FieldKind::Flag && v != "1" && v != "0")
            return label + " is 1 or blank; \"" + v + "\" is neither.";
        if (def->kind == FieldKind::Decimal && (!decimalFrom(v) || v.size() > 24))
            return label + " is a number, such as 19.05; \"" + v + "\" is not.";
        if (def->kind == FieldKind::YesNo && v != "yes" && v != "no")
            return label + " is yes or no; \"" + v + "\" is neither.";
        if (def->kind == FieldKind::Choice && std::ranges::find(def->choices, v) == def->choices.end())
            return label + " is one of " + shownChoices(def->choices) + "; \"" + v + "\" is not.";
    }
    return {};
}

} // namespace moorfrost::tags
