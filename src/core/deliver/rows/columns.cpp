// SPDX-License-Identifier: GPL-3.0-or-later
// What columns can say: the table, names, forms of lengths and dates.
#include <algorithm>
#include <array>
#include <cmath>
#include <map>

#include <fmt/format.h>

#include "core/base/numbers.h"
#include "core/deliver/rows/row_layout.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

const std::vector<RowFact>& rowFacts() {
    using enum RowFact::Kind;
    using enum RowFact::In;
    static const std::vector<RowFact> table = {
        {"@row", "Row", "Place", Number, ReadOnly},
        {"@path", "Path", "Place", RowFact::Kind::Path, Finds},
        {"@folder", "Folder", "Place", RowFact::Kind::Path, Finds},
        {"@name", "File name", "Place", Text, Finds},
        {"@stem", "File name without ending", "Place", Text, Finds},
        {"@elsewhere", "Path on another machine", "Place", RowFact::Kind::Path, Kept},
        {"@shelf", "Shelf", "Place", Text, ReadOnly},
        {"@length", "Length", "Sound", Length, Finds},
        {"@format", "Format", "Sound", Text, ReadOnly},
        {"@codec", "Codec", "Sound", Text, ReadOnly},
        {"@rate", "Sample rate", "Sound", Number, ReadOnly},
        {"@bits", "Bit depth", "Sound", Number, ReadOnly},
        {"@channels", "Channels", "Sound", Number, ReadOnly},
        {"@bitrate", "Bit rate", "Sound", Number, ReadOnly},
        {"@size", "Size in bytes", "Sound", Number, ReadOnly},
        {"@modified", "Changed", "Sound", Date, ReadOnly},
        {"@essence", "Fixity of the sound", "Sound", Text, ReadOnly},
        {"@added", "Added", "Library", Date, ReadOnly},
        {"@playout", "Playout number", "Library", Text, Kept},
        {"@kind", "Kind", "Library", Text, Kept},
        {"@rating", "Rating", "Library", Number, Kept},
        {"@note", "Note", "Library", Text, Kept},
        {"@uses", "Uses", "Library", Text, ReadOnly},
        {"@last use", "Last used", "Library", Date, ReadOnly},
        {"@version", "Version", "Library", Text, ReadOnly},
        {"@work", "Work", "Works", Text, ReadOnly},
        {"@work iswc", "ISWC of the work", "Works", Text, ReadOnly},
        {"@writers", "Writers and shares", "Works", Text, ReadOnly},
        {"@publishers", "Publishers and shares", "Works", Text, ReadOnly},
        {"@owners", "Owners of the master", "Works", Text, ReadOnly},
        {"@keywords", "Keywords", "Works", Text, ReadOnly},
    };
    return table;
}

const RowFact* rowFact(std::string_view key) {
    const auto at = std::ranges::find_if(rowFacts(), [&](const RowFact& f) { return key == f.key; });
    return at == rowFacts().end() ? nullptr : &*at;
}

std::string columnLabel(std::string_view key) {
    if (const RowFact* fact = rowFact(key))
        return fact->label;
    return tags::labelOf(key);
}

bool isNumberColumn(std::string_view key) {
    if (const RowFact* fact = rowFact(key))
        return fact->kind == RowFact::Kind::Number;
    return tags::isNumber(tags::fieldByKey(key));
}

std::string columnNamed(std::string_view heading) {
    // What other programs call what we call otherwise.
    static const std::map<std::string, std::string, std::less<>> others = {
        {"song", "title"},
        {"song title", "title"},
        {"track title", "title"},
        {"name", "title"},
        {"track name", "title"},
        {"track artist", "artist"},
        {"performer name", "artist"},
        {"release", "album"},
        {"album title", "album"},
        {"release title", "album"},
        {"no", "track"},
        {"no.", "track"},
        {"track no", "track"},
        {"track no.", "track"},
        {"track number", "track"},
        {"disc number", "disc"},
        {"year", "date"},
        {"release date", "date"},
        {"bpm", "tempo"},
        {"cat no", "catalogue_number"},
        {"cat. no.", "catalogue_number"},
        {"catalogue no", "catalogue_number"},
        {"catalog number", "catalogue_number"},
        {"ean", "barcode"},
        {"upc", "barcode"},
        {"isrc code", "isrc"},
        {"duration", "@length"},
        {"time", "@length"},
        {"running time", "@length"},
        {"filename", "@name"},
        {"file", "@path"},
        {"filepath", "@path"},
        {"file path", "@path"},
        {"location", "@path"},
        {"directory", "@folder"},
        {"stars", "@rating"},
        {"remarks", "@note"},
        {"notes", "@note"},
        {"number", "@playout"},
        {"cart", "@playout"},
        {"type", "@kind"},
    };
    const std::string wanted = text::trim(heading);
    if (wanted.empty())
        return {};
    const std::string folded = text::fold(wanted);
    for (const RowFact& fact : rowFacts())
        if (folded == text::fold(fact.label) || folded == fact.key)
            return fact.key;
    if (const tags::FieldDef* field = tags::fieldByName(wanted))
        return field->key;
    const auto other = others.find(folded);
    return other == others.end() ? std::string() : other->second;
}

std::string RowColumn::shownHeading() const {
    if (!heading.empty())
        return heading;
    return parts.empty() ? std::string("Text") : columnLabel(parts.front());
}

const std::vector<std::string>& lengthForms() {
    static const std::vector<std::string> forms = {"m:ss", "h:mm:ss", "seconds", "milliseconds"};
    return forms;
}

std::string lengthText(double seconds, const std::string& form, char decimal) {
    if (!(seconds > 0) || seconds > 1e9)
        return {};
    if (form == "milliseconds")
        return fmt::format("{}", std::llround(seconds * 1000));
    if (form == "seconds") {
        std::string out = fmt::format("{:.3f}", seconds);
        std::ranges::replace(out, '.', decimal);
        return out;
    }
    const long long all = std::llround(seconds);
    if (form == "h:mm:ss")
        return fmt::format("{}:{:02}:{:02}", all / 3600, all / 60 % 60, all % 60);
    return fmt::format("{}:{:02}", all / 60, all % 60);
}

double secondsFrom(std::string_view text) {
    std::string t = text::trim(text);
    std::ranges::replace(t, ',', '.');
    if (t.empty() || t.find_first_not_of("0123456789:.") != std::string::npos)
        return -1;
    const auto parts = text::split(t, ":");
    if (parts.size() > 3)
        return -1;
    double out = 0;
    for (const std::string& part : parts) {
        char* end = nullptr;
        const double value = std::strtod(part.c_str(), &end);
        if (part.empty() || *end != '\0')
            return -1;
        out = out * 60 + value;
    }
    // A day of music is none: it was told in milliseconds.
    return parts.size() == 1 && out > 20000 && t.find('.') == std::string::npos ? out / 1000 : out;
}

const std::vector<std::string>& dateForms() {
    static const std::vector<std::string> forms = {"2021-09-24", "24.09.2021", "24/09/2021", "09/24/2021",
                                                   "2021"};
    return forms;
}

std::string dateText(const std::string& date, const std::string& form) {
    const auto parts = text::split(date, "-");
    if (form == dateForms()[0] || parts.empty() || parts[0].size() != 4 || !text::isDigits(parts[0]) ||
        parts.size() > 3)
        return date;
    if (form == "2021" || parts.size() == 1)
        return parts[0];
    for (const std::string& part : parts)
        if (!text::isDigits(part))
            return date;
    const std::string joint = form == "24.09.2021" ? "." : "/";
    if (parts.size() == 2)
        return parts[1] + joint + parts[0];
    return form == "09/24/2021" ? parts[1] + joint + parts[2] + joint + parts[0]
                                : parts[2] + joint + parts[1] + joint + parts[0];
}

std::string dateFrom(const std::string& text, const std::string& form) {
    const std::string joint = form == "24.09.2021" ? "." : "/";
    if (form == dateForms()[0] || form == "2021")
        return text;
    auto parts = text::split(text::trim(text), joint);
    if (parts.size() < 2 || parts.size() > 3 || parts.back().size() != 4)
        return text;
    for (std::string& part : parts) {
        if (part.empty() || !text::isDigits(part))
            return text;
        if (part.size() == 1)
            part.insert(0, 1, '0');
    }
    if (parts.size() == 2)
        return parts[1] + "-" + parts[0];
    return form == "09/24/2021" ? parts[2] + "-" + parts[0] + "-" + parts[1]
                                : parts[2] + "-" + parts[1] + "-" + parts[0];
}

} // namespace moorfrost::deliver
