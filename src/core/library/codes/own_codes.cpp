// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/codes/own_codes.h"

#include <algorithm>
#include <ctime>
#include <map>

#include <fmt/format.h>

#include "core/exchange/csv.h"
#include "core/exchange/delimited.h"
#include "core/library/search/joint_field.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr int mostNumber = 99999;

std::string beginning(const IsrcSeries& series) {
    return fmt::format("{}{:02}", text::upper(series.prefix), series.year % 100);
}

/// The number behind the beginning; 0 where it is none of this series.
int numberIn(const std::string& begins, const std::string& code) {
    if (code.size() != 12 || !code.starts_with(begins) || !text::isDigits(code.substr(7)))
        return 0;
    return std::atoi(code.substr(7).c_str());
}

int lastNumber(Store& store, const Searcher& library, const std::string& begins) {
    int last = 0;
    for (const OwnIsrc& one : OwnIsrcTable(store.database()).beginningWith(begins))
        last = std::max(last, numberIn(begins, one.code));
    const JointField& field = library.field("isrc");
    for (uint32_t list = 1; list < field.listCount(); ++list)
        for (const std::string& value : tags::valuesFromText("isrc", field.text(list))) {
            std::string plain = text::upper(value);
            std::erase_if(plain, [](char c) { return c == '-' || c == ' '; });
            last = std::max(last, numberIn(begins, plain));
        }
    return last;
}

Error noneLeft(const std::string& begins) {
    return {ErrorKind::Invalid, {}, fmt::format("No number is left in {}: a year has 99,999.", begins)};
}

} // namespace

std::string whyNotSeries(const IsrcSeries& series) {
    const std::string prefix = text::upper(series.prefix);
    auto isLetter = [](char c) { return c >= 'A' && c <= 'Z'; };
    auto isDigit = [](char c) { return c >= '0' && c <= '9'; };
    if (prefix.size() != 5 || !isLetter(prefix[0]) || !isLetter(prefix[1]) ||
        !std::ranges::all_of(prefix.substr(2), [&](char c) { return isLetter(c) || isDigit(c); }))
        return "The prefix has two letters and three letters or digits, such as ZZFSR.";
    if (series.year < 1986 || series.year > 2085) // two digits stand for these
        return "The year is none in which an ISRC can be given.";
    return {};
}

Result<std::string> nextOwnCode(Store& store, const Searcher& library, const IsrcSeries& series) {
    if (const std::string why = whyNotSeries(series); !why.empty())
        return Error{ErrorKind::Invalid, {}, why};
    const std::string begins = beginning(series);
    const int next = lastNumber(store, library, begins) + 1;
    if (next > mostNumber)
        return noneLeft(begins);
    return fmt::format("{}{:05}", begins, next);
}

Result<std::vector<GivenCode>> giveOwnCodes(Store& store, const Searcher& library, const IsrcSeries& series,
                                            const std::vector<CodeGap>& gaps, int64_t now) {
    if (const std::string why = whyNotSeries(series); !why.empty())
        return Error{ErrorKind::Invalid, {}, why};
    const std::string begins = beginning(series);
    Transaction transaction(store.database());
    std::map<RecordingId, std::string> before;
    for (const OwnIsrc& one : OwnIsrcTable(store.database()).all())
        before[one.recording] = one.code;
    int number = lastNumber(store, library, begins);
    std::vector<GivenCode> out;
    std::vector<OwnIsrc> fresh;
    for (const CodeGap& gap : gaps) {
        const RecordingId recording =
            gap.recording != 0 ? gap.recording : store.recordings().ensure(gap.files.front());
        if (const auto at = before.find(recording); at != before.end()) {
            out.push_back({gap, at->second, true});
            continue;
        }
        if (++number > mostNumber)
            return noneLeft(begins);
        const std::string code = fmt::format("{}{:05}", begins, number);
        before[recording] = code;
        fresh.push_back({code, recording, gap.title, gap.artist, now});
        out.push_back({gap, code, false});
    }
    OwnIsrcTable(store.database()).add(fresh);
    transaction.commit();
    return out;
}

std::string ownCodesCsv(Store& store) {
    std::string out = exchange::csvLine({"ISRC", "Title", "Artist", "Given on"});
    for (const OwnIsrc& one : OwnIsrcTable(store.database()).all()) {
        const std::time_t when = one.when;
        std::tm day{};
        gmtime_r(&when, &day);
        out += exchange::csvLine(
            {one.code, exchange::withoutFormula(one.title), exchange::withoutFormula(one.artist),
             fmt::format("{:04}-{:02}-{:02}", day.tm_year + 1900, day.tm_mon + 1, day.tm_mday)});
    }
    return out;
}

} // namespace moorfrost::library
