// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/wording.h"

#include <algorithm>
#include <array>
#include <map>
#include <memory>

#include <fmt/format.h>
#include <unicode/dtfmtsym.h>
#include <unicode/regex.h>

#include "core/text/casing.h"
#include "core/text/text.h"

namespace moorfrost::edits {

namespace {

using Values = std::vector<std::string>;

bool isText(const std::string& field) {
    const tags::FieldDef* def = tags::fieldByKey(field);
    return !def || def->kind == tags::FieldKind::Text || def->kind == tags::FieldKind::LongText;
}

icu::UnicodeString wide(const std::string& text) {
    return icu::UnicodeString::fromUTF8(text);
}

std::string narrow(const icu::UnicodeString& text) {
    std::string out;
    text.toUTF8String(out);
    return out;
}

} // namespace

Proposals changeCase(const std::vector<Subject>& files, Casing casing, const std::string& language) {
    Proposals out;
    for (const Subject& file : files) {
        std::string code = language;
        if (language == "field") {
            const Values& said = valuesOf(file, "language");
            code = said.empty() ? std::string() : text::languageCode(said.front());
            if (code.empty())
                code = "en";
        }
        auto change = [&](const std::string& v) {
            switch (casing) {
            case Casing::Title:
                return text::titleCase(v, code);
            case Casing::Sentence:
                return text::sentenceCase(v);
            case Casing::Lower:
                return text::lower(v, code);
            case Casing::Upper:
                break;
            }
            return text::upper(v, code);
        };
        for (const std::string& field : file.chosen) {
            const tags::FieldDef* def = tags::fieldByKey(field);
            Values values = valuesOf(file, field);
            if ((def && def->kind != tags::FieldKind::Text) || values.empty())
                continue;
            for (std::string& v : values)
                v = change(v);
            out.push_back({file.file, field, std::move(values), "casing"});
        }
    }
    return out;
}

namespace {

bool isSeen(UChar32 c) {
    const int8_t type = u_charType(c);
    if (c == 0x200D || c == 0x200C || (c >= 0xFE00 && c <= 0xFE0F) || (c >= 0xE0020 && c <= 0xE007F))
        return true;           // they join letters, and parts of signs
    if (type == U_FORMAT_CHAR) // signs around numbers, as Arabic has them, are drawn
        return !u_hasBinaryProperty(c, UCHAR_DEFAULT_IGNORABLE_CODE_POINT) && (c < 0xFFF9 || c > 0xFFFB);
    return type != U_CONTROL_CHAR && type != U_SURROGATE;
}

std::string tidied(const std::string& value, const Tidying& how, bool lines) {
    icu::UnicodeString out;
    const icu::UnicodeString s = wide(value);
    const bool underscores = how.underscores && !lines && s.indexOf(u' ') < 0;
    bool space = false;
    for (int32_t i = 0; i < s.length();) {
        UChar32 c = s.char32At(i);
        i += U16_LENGTH(c);
        if (lines && c == '\n') {
            out.append(c);
            space = false;
            continue;
        }
        if (u_isUWhiteSpace(c) || (underscores && c == '_')) {
            space = true;
            continue;
        }
        if (!isSeen(c))
            continue;
        if (space && !out.isEmpty() && !out.endsWith(u'\n'))
            out.append(u' ');
        space = false;
        out.append(c);
    }
    if (how.quotes) {
        icu::UnicodeString print;
        for (int32_t i = 0; i < out.length(); ++i) {
            const char16_t c = out[i];
            const bool before = i > 0 && (u_isalnum(out[i - 1]) || u_ispunct(out[i - 1]));
            const bool opens = !before || (i > 0 && (out[i - 1] == '(' || out[i - 1] == '['));
            if (c == '\'')
                print.append(opens && i + 1 < out.length() && u_isalpha(out[i + 1]) &&
                                     out.indexOf(u'\'', i + 1) > i
                                 ? char16_t{0x2018}
                                 : char16_t{0x2019});
            else if (c == '"')
                print.append(opens ? char16_t{0x201C} : char16_t{0x201D});
            else if (c == '-' && i > 0 && out[i - 1] == ' ' && i + 1 < out.length() && out[i + 1] == ' ')
                print.append(char16_t{0x2013});
            else
                print.append(c);
        }
        out = print;
    }
    return text::nfc(text::trim(narrow(out)));
}

} // namespace

Proposals tidy(const std::vector<Subject>& files, const Tidying& how) {
    Proposals out;
    for (const Subject& file : files) {
        Values all = how.fields;
        if (all.empty())
            for (const auto& [field, values] : file.fields)
                all.push_back(field);
        for (const std::string& field : all) {
            const Values& before = valuesOf(file, field);
            if (before.empty() || !isText(field))
                continue;
            const tags::FieldDef* def = tags::fieldByKey(field);
            const bool lines = def && def->kind == tags::FieldKind::LongText;
            Values values;
            for (const std::string& v : before)
                if (std::string now = tidied(v, how, lines);
                    !now.empty() && (!how.doubled || std::ranges::find(values, now) == values.end()))
                    values.push_back(std::move(now));
            if (values != before)
                out.push_back({file.file, field, std::move(values), "tidied"});
        }
    }
    return out;
}

namespace {

/// Months by name and short name, folded, in the languages that ICU knows and people here write.
const std::map<std::string, int>& months() {
    static const std::map<std::string, int> all = [] {
        std::map<std::string, int> out;
        for (const char* code : {"en", "de", "fr", "es", "it", "pt", "nl", "sv", "nb", "da", "fi", "is", "ru",
                                 "pl", "cs", "tr"}) {
            UErrorCode status = U_ZERO_ERROR;
            const icu::DateFormatSymbols symbols(icu::Locale(code), status);
            for (auto context : {icu::DateFormatSymbols::FORMAT, icu::DateFormatSymbols::STANDALONE})
                for (auto width : {icu::DateFormatSymbols::WIDE, icu::DateFormatSymbols::ABBREVIATED}) {
                    int32_t count = 0;
                    const icu::UnicodeString* names = symbols.getMonths(count, context, width);
                    for (int32_t i = 0; U_SUCCESS(status) && i < count && i < 12; ++i) {
                        std::string name = text::fold(narrow(names[i]));
                        while (name.ends_with('.'))
                            name.pop_back();
                        if (!name.empty() && !text::isDigits(name))
                            out.try_emplace(name, i + 1);
                    }
                }
        }
        return out;
    }();
    return all;
}

int daysOf(int year, int month) {
    static constexpr std::array<int, 12> days = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
    const bool leap = month == 2 && year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
    return days[static_cast<size_t>(month - 1)] + (leap ? 1 : 0);
}

} // namespace

std::string isoDate(const std::string& said, DateOrder order) {
    // Numbers and words in their order; whatever stands between them only parts them.
    std::vector<int> numbers;
    std::vector<size_t> digits; // of each number
    int month = 0;
    size_t monthAt = 0;
    std::string word;
    auto end = [&] {
        if (word.empty())
            return true;
        const bool number = text::isDigits(word);
        if (number && word.size() <= 8) {
            numbers.push_back(std::stoi(word));
            digits.push_back(word.size());
        } else if (const auto it = months().find(word); it != months().end() && month == 0) {
            month = it->second;
            monthAt = numbers.size();
        } else if (number || (word != "st" && word != "nd" && word != "rd" && word != "th" && word != "de" &&
                              word != "of" && word != "del")) {
            return false; // a word that is no part of a date
        }
        word.clear();
        return true;
    };
    bool inNumber = false;
    for (char c : text::fold(text::trim(said))) {
        const bool digit = c >= '0' && c <= '9';
        const bool letter = (c >= 'a' && c <= 'z') || (static_cast<unsigned char>(c) & 0x80) != 0;
        if ((!digit && !letter) || (!word.empty() && digit != inNumber))
            if (!end())
                return {};
        if (digit || letter) {
            word += c;
            inNumber = digit;
        }
    }
    if (!end())
        return {};
    int year = 0, day = 0;
    if (month == 0 && numbers.size() == 1 && digits[0] == 8) { // 19981005
        year = numbers[0] / 10000;
        month = numbers[0] / 100 % 100;
        day = numbers[0] % 100;
    } else if (month == 0 && numbers.size() == 3) {
        const bool yearFirst = digits[0] == 4;
        if (!yearFirst && digits[2] != 4)
            return {}; // 05/10/98: the century is not said
        year = yearFirst ? numbers[0] : numbers[2];
        const int a = yearFirst ? numbers[1] : numbers[0], b = yearFirst ? numbers[2] : numbers[1];
        const bool monthFirst = yearFirst || (order == DateOrder::MonthFirst ? a <= 12 : b > 12);
        month = monthFirst ? a : b;
        day = monthFirst ? b : a;
    } else if (month == 0 && numbers.size() == 2 && (digits[0] == 4 || digits[1] == 4)) {
        year = digits[0] == 4 ? numbers[0] : numbers[1];
        month = digits[0] == 4 ? numbers[1] : numbers[0];
    } else if (month == 0 && numbers.size() == 1 && digits[0] == 4) {
        year = numbers[0];
    } else if (month > 0 && numbers.size() == 1 && digits[0] == 4) {
        year = numbers[0];
    } else if (month > 0 && numbers.size() == 2) {
        const bool yearFirst = digits[0] == 4 && monthAt > 0;
        if (!yearFirst && digits[1] != 4)
            return {};
        year = yearFirst ? numbers[0] : numbers[1];
        day = yearFirst ? numbers[1] : numbers[0];
    } else {
        return {};
    }
    if (year < 1000 || year > 9999 || month < 0 || month > 12 || day < 0 || (day > 0 && month == 0) ||
        (day > 0 && day > daysOf(year, month)) || (month == 0 && numbers.size() > 1))
        return {};
    if (day > 0)
        return fmt::format("{:04}-{:02}-{:02}", year, month, day);
    return month > 0 ? fmt::format("{:04}-{:02}", year, month) : fmt::format("{:04}", year);
}

Proposals isoDates(const std::vector<Subject>& files, const std::vector<std::string>& fields, DateOrder order,
                   bool yearOnly) {
    Proposals out;
    for (const Subject& file : files)
        for (const std::string& field : fields) {
            Values values = valuesOf(file, field);
            bool changed = false;
            for (std::string& v : values) {
                std::string iso = isoDate(v, order);
                if (iso.empty())
                    continue;
                if (yearOnly)
                    iso.resize(4);
                changed = changed || iso != v;
                v = std::move(iso);
            }
            if (changed)
                out.push_back({file.file, field, std::move(values), yearOnly ? "the year" : "as ISO date"});
        }
    return out;
}

namespace {

/// "Night Post (feat. Wren-Low & Isla Varnholt) [live]" as what is left, and who.
struct Featuring {
    std::string rest;
    Values guests;
};

Featuring takeApart(const std::string& title) {
    UErrorCode status = U_ZERO_ERROR;
    static const std::unique_ptr<icu::RegexPattern> bracketed = [] {
        UErrorCode s = U_ZERO_ERROR;
        UParseError e;
        return std::unique_ptr<icu::RegexPattern>(
            icu::RegexPattern::compile(u"\\s*[\\(\\[](?:feat\\.?|ft\\.?|featuring)\\s+([^\\)\\]]+)[\\)\\]]",
                                       UREGEX_CASE_INSENSITIVE, e, s));
    }();
    static const std::unique_ptr<icu::RegexPattern> open = [] {
        UErrorCode s = U_ZERO_ERROR;
        UParseError e;
        return std::unique_ptr<icu::RegexPattern>(
            icu::RegexPattern::compile(u"\\s+(?:feat\\.|(?-i:feat)(?!\\s+of\\b)|ft\\.|featuring)\\s+([^\\(\\)"
                                       u"\\[\\]]+?)\\s*(?=$|[\\(\\[])",
                                       UREGEX_CASE_INSENSITIVE, e, s));
    }();
    const icu::UnicodeString s = wide(title);
    for (const icu::RegexPattern* pattern : {bracketed.get(), open.get()}) {
        const std::unique_ptr<icu::RegexMatcher> m(pattern->matcher(s, status));
        if (U_FAILURE(status) || !m->find())
            continue;
        Featuring out;
        const icu::UnicodeString left = s.tempSubString(0, m->start(status));
        const icu::UnicodeString right = s.tempSubString(m->end(status));
        std::string tail = text::trim(narrow(right));
        out.rest = text::trim(narrow(left));
        if (!tail.empty())
            out.rest += (out.rest.empty() ? "" : " ") + tail;
        // Commas part guests; an "&" may be part of a name, and stays.
        for (const std::string& guest : text::split(narrow(m->group(1, status)), ","))
            if (std::string name = text::trim(guest); !name.empty())
                out.guests.push_back(std::move(name));
        return out;
    }
    return {title, {}};
}

} // namespace

Proposals moveGuests(const std::vector<Subject>& files, Guests direction) {
    Proposals out;
    for (const Subject& file : files) {
        Values titles = valuesOf(file, "title"), artists = valuesOf(file, "artist");
        if (titles.empty())
            continue;
        if (direction == Guests::ArtistToTitle) {
            Values guests;
            if (artists.size() > 1) {
                guests.assign(artists.begin() + 1, artists.end());
                artists.resize(1);
            } else if (artists.size() == 1) {
                const Featuring parts = takeApart(artists.front());
                if (parts.rest.empty())
                    continue;
                artists = {parts.rest};
                guests = parts.guests;
            }
            if (guests.empty())
                continue;
            titles.front() += " (feat. " + text::join(guests, ", ") + ")";
            out.push_back({file.file, "title", titles, "guests from the artist"});
            out.push_back({file.file, "artist", artists, "guests moved to the title"});
            continue;
        }
        const Featuring parts = takeApart(titles.front());
        if (parts.guests.empty() || parts.rest.empty())
            continue;
        titles.front() = parts.rest;
        out.push_back({file.file, "title", titles, "guests moved to the artist"});
        for (const std::string& guest : parts.guests) {
            const std::string folded = text::fold(guest);
            if (std::ranges::none_of(artists, [&](const std::string& a) { return text::fold(a) == folded; }))
                artists.push_back(guest);
        }
        out.push_back({file.file, "artist", artists, "guests from the title"});
    }
    return out;
}

Proposals sortForms(const std::vector<Subject>& files, const std::vector<std::string>& fields,
                    bool onlyWhereBlank) {
    Proposals out;
    for (const Subject& file : files)
        for (const std::string& field : fields) {
            const std::string sort = field + "_sort";
            const Values& values = valuesOf(file, field);
            if (!tags::fieldByKey(sort) || values.empty() ||
                (onlyWhereBlank && !valuesOf(file, sort).empty()))
                continue;
            Values sorted;
            for (const std::string& v : values)
                sorted.push_back(text::sortForm(v));
            if (!tags::fieldByKey(sort)->several)
                sorted.resize(1);
            if (sorted != values && sorted != valuesOf(file, sort))
                out.push_back({file.file, sort, std::move(sorted), "sort form"});
        }
    return out;
}

} // namespace moorfrost::edits
