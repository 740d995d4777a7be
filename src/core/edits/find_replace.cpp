// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/find_replace.h"

#include <memory>

#include <fmt/format.h>
#include <unicode/regex.h>

#include "core/text/text.h"

namespace moorfrost::edits {

namespace {

constexpr int32_t mostTime = 200; // in ICU's steps, which are about milliseconds
constexpr size_t mostGrowth = 1 << 20;

Error wrong(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

icu::UnicodeString wide(const std::string& text) {
    return icu::UnicodeString::fromUTF8(text);
}

/// What is put, when it is plain text: `$` and `\` mean themselves.
icu::UnicodeString literally(const std::string& with) {
    std::string out;
    for (char c : with) {
        if (c == '$' || c == '\\')
            out += '\\';
        out += c;
    }
    return wide(out);
}

Error whyFailed(UErrorCode status, const std::string& value) {
    if (status == U_REGEX_TIME_OUT || status == U_REGEX_STACK_OVERFLOW)
        return wrong(
            fmt::format("The expression takes too long for \"{}\"; nothing was changed. One part that "
                        "repeats what repeats already, such as (a+)+, is the usual reason.",
                        text::firstCharacters(text::forDisplay(value), 60)));
    if (status == U_INDEX_OUTOFBOUNDS_ERROR || status == U_REGEX_INVALID_CAPTURE_GROUP_NAME ||
        status == U_ILLEGAL_ARGUMENT_ERROR)
        return wrong("What is put names a group that the expression does not have.");
    return wrong(fmt::format("The expression could not be used ({}).", u_errorName(status)));
}

} // namespace

Result<Proposals> findReplace(const std::vector<Subject>& files, const FindReplace& how) {
    if (how.find.empty())
        return wrong("Say what is to be found.");
    if (how.fields.empty())
        return wrong("Say in which fields it is looked for.");
    uint32_t flags = how.matchCase ? 0 : UREGEX_CASE_INSENSITIVE | UREGEX_UWORD;
    flags |= UREGEX_UWORD;
    icu::UnicodeString pattern = wide(how.find);
    if (!how.expression)
        pattern = u"\\Q" + pattern.findAndReplace(u"\\E", u"\\E\\\\E\\Q") + u"\\E";
    if (how.wholeWords)
        pattern = u"(?<![\\p{L}\\p{M}\\p{N}])(?:" + pattern + u")(?![\\p{L}\\p{M}\\p{N}])";
    UErrorCode status = U_ZERO_ERROR;
    UParseError place{};
    const std::unique_ptr<icu::RegexPattern> compiled(
        icu::RegexPattern::compile(pattern, flags, place, status));
    if (U_FAILURE(status))
        return wrong(how.wholeWords ? std::string("The regular expression is not understood.")
                                    : fmt::format("The regular expression is not understood at character {}.",
                                                  std::max(1, static_cast<int>(place.offset))));
    const std::unique_ptr<icu::RegexMatcher> matcher(compiled->matcher(status));
    if (U_FAILURE(status))
        return whyFailed(status, how.find);
    matcher->setTimeLimit(mostTime, status);
    const icu::UnicodeString with = how.expression ? wide(how.with) : literally(how.with);
    Proposals out;
    for (const Subject& file : files)
        for (const std::string& field : how.fields) {
            std::vector<std::string> values;
            bool changed = false;
            for (const std::string& value : valuesOf(file, field)) {
                const icu::UnicodeString before = wide(value);
                status = U_ZERO_ERROR;
                matcher->reset(before);
                icu::UnicodeString after;
                while (matcher->find(status) && U_SUCCESS(status)) {
                    matcher->appendReplacement(after, with, status);
                    if (static_cast<size_t>(after.length()) > mostGrowth)
                        return wrong("The text becomes longer than a field may be; nothing was changed.");
                    if (U_FAILURE(status))
                        break;
                }
                if (U_FAILURE(status))
                    return whyFailed(status, value);
                matcher->appendTail(after);
                std::string now;
                after.toUTF8String(now);
                changed = changed || now != value;
                if (!text::trim(now).empty())
                    values.push_back(std::move(now));
            }
            if (changed)
                out.push_back(
                    {file.file, field, std::move(values), fmt::format("\"{}\" replaced", how.find)});
        }
    return out;
}

} // namespace moorfrost::edits
