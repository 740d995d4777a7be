// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <ctime>
#include <map>
#include <set>

#include <fmt/format.h>

#include "core/edits/wording.h"
#include "core/library/findings/release_checks.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Strings = std::vector<std::string>;

/// What the files of a release say alike.
constexpr const char* shared[] = {"album_artist", "date",  "original_date", "label",
                                  "discs",        "genre", "compilation"};

Strings valuesOf(const FileRecord& file, std::string_view key) {
    const auto at = file.tags.fields.find(key);
    return at == file.tags.fields.end() ? Strings() : at->second;
}

const std::string& first(const FileRecord& file, std::string_view key) {
    return tags::firstValue(file.tags.fields, key);
}

/// Where a few of many say otherwise, or nothing. Where nearly every track says something of its own (dates
/// of a compilation), that is how it is meant; genres are told only where nearly all agree.
void disagrees(const CheckedRelease& release, const FindingSink& found) {
    if (!release.isAlbum || release.files.size() < 2)
        return;
    const size_t all = release.files.size();
    for (const char* key : shared) {
        std::map<Strings, std::vector<const FileRecord*>> by;
        for (const FileRecord& file : release.files)
            by[valuesOf(file, key)].push_back(&file);
        const size_t without = by.contains({}) ? by[{}].size() : 0, values = by.size() - (without > 0);
        if (by.size() < 2 || (values > 2 && values * 2 > all))
            continue;
        auto most = by.end(); // of those that say something
        for (auto at = by.begin(); at != by.end(); ++at)
            if (!at->first.empty() && (most == by.end() || at->second.size() > most->second.size()))
                most = at;
        const bool isLoose = std::string_view(key) == "genre" || std::string_view(key) == "compilation";
        if (isLoose && most->second.size() * 10 < all * 7)
            continue;
        std::vector<FileId> files;
        for (const auto& [values, of] : by)
            if (values != most->first)
                for (const FileRecord* file : of)
                    files.push_back(file->id);
        std::ranges::sort(files);
        Finding one = findingOf("disagrees", release, key, files);
        one.sentence =
            values == 1 ? fmt::format("{} of {} files have no {}.", without, all, fieldName(key))
                        : fmt::format("The files say {} different things of the {}.", values, fieldName(key));
        for (const auto& [value, of] : by)
            one.evidence.emplace_back(value.empty() ? "(nothing)" : tags::shownValues(value),
                                      of.size() == 1 ? trackName(*of.front())
                                                     : fmt::format("{} files", of.size()));
        if (values == 1 || most->second.size() * 2 > all - without) {
            one.fix.says = fmt::format("{} for all: {}", tags::labelOf(key), tags::shownValues(most->first));
            for (const FileId file : files)
                one.fix.wishes.push_back({file, key, most->first});
        }
        found(std::move(one));
    }
}

void encoding(const CheckedRelease& release, const FindingSink& found) {
    std::vector<FileId> files;
    Fix fix;
    std::string encoding;
    std::vector<Evidence> evidence;
    for (const FileRecord& file : release.files) {
        const std::string likely = tags::likelyEncoding(file.tags.fields);
        if (likely.empty())
            continue;
        const tags::Fields mended = tags::readAgain(file.tags.fields, likely);
        if (mended.empty())
            continue;
        files.push_back(file.id);
        encoding = likely;
        for (const auto& [key, values] : mended) {
            fix.wishes.push_back({file.id, key, values});
            if (evidence.size() < 6)
                evidence.emplace_back(tags::shownValue(file.tags.fields, key), tags::shownValues(values));
        }
    }
    if (files.empty())
        return;
    Finding one = findingOf("encoding", release, "", files);
    one.sentence = fmt::format("{} of {} files say what nobody can read: it was {} once.", files.size(),
                               release.files.size(), encoding);
    one.evidence = std::move(evidence);
    fix.says = fmt::format("Read again as {}", encoding);
    one.fix = std::move(fix);
    found(std::move(one));
}

/// Guests in a title, the artist in front of it.
void elsewhere(const CheckedRelease& release, const FindingSink& found) {
    std::vector<edits::Subject> subjects;
    for (const FileRecord& file : release.files)
        subjects.push_back({file.id, file.tags.fields, {"title"}});
    std::map<FileId, const FileRecord*> byId;
    for (const FileRecord& file : release.files)
        byId[file.id] = &file;
    std::map<FileId, std::vector<edits::Proposal>> guests;
    for (edits::Proposal& one : edits::moveGuests(subjects, edits::Guests::TitleToArtist))
        guests[one.file].push_back(std::move(one));
    for (const auto& [id, proposals] : guests) {
        Finding one = findingOf("elsewhere", release, fmt::format("guests {}", id), {id});
        one.title = trackName(*byId[id]) + ", " + release.name;
        one.sentence = "A guest is named in the title, and not among the artists.";
        for (const edits::Proposal& p : proposals) {
            one.evidence.emplace_back(tags::labelOf(p.field),
                                      tags::shownValue(byId[id]->tags.fields, p.field));
            one.fix.wishes.push_back({id, p.field, p.values});
        }
        one.fix.says = "Guests become artists";
        found(std::move(one));
    }
    for (const FileRecord& file : release.files) {
        const std::string &title = first(file, "title"), &artist = first(file, "artist");
        if (artist.empty() || guests.contains(file.id))
            continue;
        for (const char* between : {" - ", " \u2013 ", ": "}) {
            const std::string front = artist + between;
            if (title.size() > front.size() &&
                text::fold(title.substr(0, front.size())) == text::fold(front)) {
                Finding one = findingOf("elsewhere", release, fmt::format("artist {}", file.id), {file.id});
                one.title = trackName(file) + ", " + release.name;
                one.sentence = "The title begins with the artist.";
                one.evidence = {{"Title", title}, {"Artist", artist}};
                one.fix.says = "The artist goes from the title";
                one.fix.wishes = {{file.id, "title", {title.substr(front.size())}}};
                found(std::move(one));
            }
        }
    }
}

std::string whyNotDate(const std::string& date, int thisYear) {
    if (date.size() < 4 || !text::isDigits(date.substr(0, 4)))
        return "It is no date.";
    const int year = std::atoi(date.substr(0, 4).c_str());
    if (year > thisYear + 1)
        return "It is in the future.";
    if (year < 1857) // the first sound was recorded
        return "No sound was recorded then.";
    if (date.size() == 4)
        return {};
    int month = 0, day = 1;
    if (std::sscanf(date.c_str() + 4, "-%2d-%2d", &month, &day) < 1 || month < 1 || month > 12 || day < 1 ||
        day > 31)
        return "There is no such day.";
    constexpr int days[] = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
    const bool leap = month == 2 && year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
    return day > days[month - 1] + leap ? "There is no such day." : "";
}

void dates(const CheckedRelease& release, const FindingSink& found) {
    const std::time_t now = std::time(nullptr);
    std::tm today{};
    gmtime_r(&now, &today);
    for (const char* key : {"date", "original_date"}) {
        std::map<std::pair<std::string, std::string>, std::vector<FileId>> wrong; // date, why
        for (const FileRecord& file : release.files)
            for (const std::string& date : valuesOf(file, key))
                if (const std::string why = whyNotDate(date, today.tm_year + 1900); !why.empty())
                    wrong[{date, why}].push_back(file.id);
        for (auto& [what, files] : wrong) {
            files.erase(std::unique(files.begin(), files.end()), files.end());
            Finding one = findingOf("dates", release, std::string(key) + what.first, files);
            one.sentence = fmt::format("{}: \"{}\". {}", tags::labelOf(key), what.first, what.second);
            std::vector<edits::Subject> subjects;
            for (const FileRecord& file : release.files)
                if (std::ranges::binary_search(files, file.id))
                    subjects.push_back({file.id, file.tags.fields, {key}});
            for (const edits::Proposal& p :
                 edits::isoDates(subjects, {key}, edits::DateOrder::DayFirst, false))
                if (!p.values.empty() && whyNotDate(p.values.front(), today.tm_year + 1900).empty())
                    one.fix.wishes.push_back({p.file, p.field, p.values});
            if (!one.fix.isEmpty())
                one.fix.says = fmt::format("As {}", one.fix.wishes.front().values.front());
            found(std::move(one));
        }
    }
    std::vector<FileId> turned;
    for (const FileRecord& file : release.files) {
        const std::string &date = first(file, "date"), &original = first(file, "original_date");
        if (date.size() >= 4 && original.size() >= 4 && date.substr(0, 4) < original.substr(0, 4))
            turned.push_back(file.id);
    }
    if (!turned.empty()) {
        Finding one = findingOf("dates", release, "turned", turned);
        one.sentence = "The original date is later than the date.";
        for (const FileRecord& file : release.files)
            if (std::ranges::binary_search(turned, file.id)) {
                if (one.evidence.size() < 4)
                    one.evidence.emplace_back(
                        trackName(file),
                        fmt::format("{}, original {}", first(file, "date"), first(file, "original_date")));
                one.fix.wishes.push_back({file.id, "date", {first(file, "original_date")}});
                one.fix.wishes.push_back({file.id, "original_date", {first(file, "date")}});
            }
        one.fix.says = "The two dates change places";
        found(std::move(one));
    }
}

/// A number that the name of the file begins with: "07 Gorse", "2-07 Gorse".
int numberInName(const FileRecord& file) {
    const std::string name = file.path.stem().native();
    size_t at = 0;
    while (at < name.size() && name[at] >= '0' && name[at] <= '9')
        ++at;
    if (at == 1 && at < name.size() && name[at] == '-') { // of the disc
        const size_t from = ++at;
        while (at < name.size() && name[at] >= '0' && name[at] <= '9')
            ++at;
        return at > from ? std::atoi(name.substr(from, at - from).c_str()) : 0;
    }
    return at >= 1 && at <= 3 && at < name.size() && (name[at] == ' ' || name[at] == '.' || name[at] == '_')
               ? std::atoi(name.substr(0, at).c_str())
               : 0;
}

void numbers(const CheckedRelease& release, const FindingSink& found) {
    if (!release.isAlbum || release.files.size() < 2)
        return;
    std::map<int, std::map<int, std::vector<const FileRecord*>>> discs;
    for (const FileRecord& file : release.files)
        discs[numberOf(file, "disc")][numberOf(file, "track")].push_back(&file);
    for (const auto& [disc, tracks] : discs) {
        const std::string onDisc = discs.size() > 1 && disc > 0 ? fmt::format(" on disc {}", disc) : "";
        std::vector<FileId> files;
        Strings says;
        Fix fix;
        std::set<int> taken;
        for (const auto& [track, of] : tracks)
            if (track > 0)
                taken.insert(track);
        // Numbers that names tell, where nobody has them.
        auto fromName = [&](const FileRecord& file) {
            const int number = numberInName(file);
            if (number > 0 && taken.insert(number).second)
                fix.wishes.push_back({file.id, "track", {std::to_string(number)}});
        };
        for (const auto& [track, of] : tracks) {
            if (track == 0) {
                says.push_back(of.size() == 1 ? "one file has no number"
                                              : fmt::format("{} files have no number", of.size()));
                for (const FileRecord* file : of) {
                    files.push_back(file->id);
                    fromName(*file);
                }
            } else if (of.size() > 1) {
                says.push_back(fmt::format("{} is there {}", track,
                                           of.size() == 2 ? "twice" : fmt::format("{} times", of.size())));
                for (const FileRecord* file : of) {
                    files.push_back(file->id);
                    if (numberInName(*file) != track)
                        fromName(*file);
                }
            }
        }
        const int last = tracks.empty() ? 0 : tracks.rbegin()->first;
        Strings missing;
        for (int n = 1; n < last && missing.size() <= 5; ++n)
            if (!tracks.contains(n))
                missing.push_back(std::to_string(n));
        // With many gaps it is a choice of tracks.
        if (!missing.empty() && missing.size() <= 5 && missing.size() * 3 <= release.files.size())
            says.push_back(text::join(missing, ", ") +
                           (missing.size() == 1 ? " is missing" : " are missing"));
        if (says.empty())
            continue;
        if (files.empty())
            for (const FileRecord& file : release.files)
                files.push_back(file.id);
        std::ranges::sort(files);
        Finding one = findingOf("numbers", release, std::to_string(disc), files);
        one.sentence = fmt::format("Of the track numbers{}, {}.", onDisc, text::join(says, "; "));
        for (const auto& [track, of] : tracks)
            if (track == 0 || of.size() > 1)
                for (const FileRecord* file : of)
                    if (one.evidence.size() < 8)
                        one.evidence.emplace_back(track == 0 ? "(none)" : std::to_string(track),
                                                  fileName(*file));
        if (!fix.isEmpty())
            fix.says = "Numbers from the names of the files";
        one.fix = std::move(fix);
        found(std::move(one));
    }
}

} // namespace

int numberOf(const FileRecord& file, const char* key) {
    const std::string& value = first(file, key);
    return value.size() <= 6 && text::isDigits(value) ? std::atoi(value.c_str()) : 0;
}

Finding findingOf(const char* rule, const CheckedRelease& release, std::string_view part,
                  const std::vector<FileId>& files) {
    Finding out;
    out.rule = rule;
    out.about = fmt::format("{} {}", release.unit, part);
    out.unit = release.unit;
    out.title = release.name;
    out.files = files;
    return out;
}

std::string fileName(const FileRecord& file) {
    return text::forDisplay(file.path.filename().native());
}

std::string trackName(const FileRecord& file) {
    const std::string& title = first(file, "title");
    return title.empty() ? fileName(file) : title;
}

std::string nameOf(const Searcher& searcher, FileId file) {
    const auto row = searcher.rowOf(file);
    if (!row)
        return {};
    std::string title = searcher.text(*row, "title");
    if (title.empty())
        title = text::forDisplay(searcher.pathOf(*row).filename().native());
    const std::string artist = searcher.text(*row, "artist");
    return artist.empty() ? title : title + ", " + artist;
}

std::string tracks(size_t n) {
    return n == 1 ? "1 track" : fmt::format("{} tracks", n);
}

std::string fieldName(std::string_view key) {
    const std::string label = tags::labelOf(key);
    const bool isShort = std::ranges::none_of(label.substr(std::min<size_t>(1, label.size())),
                                              [](char c) { return c >= 'a' && c <= 'z'; });
    return isShort ? label : text::lower(label);
}

void checkWords(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found) {
    const std::pair<const char*, void (*)(const CheckedRelease&, const FindingSink&)> checks[] = {
        {"disagrees", disagrees},
        {"encoding", encoding},
        {"elsewhere", elsewhere},
        {"dates", dates},
        {"numbers", numbers}};
    for (const auto& [rule, check] : checks)
        if (rules.isOn(rule))
            check(release, found);
}

} // namespace moorfrost::library
