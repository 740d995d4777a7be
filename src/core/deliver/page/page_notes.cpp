// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page/page_notes.h"

#include <algorithm>
#include <cmath>
#include <ctime>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/base/byte_source.h"
#include "core/library/judging.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::json;

constexpr size_t mostBytes = 4 << 20, mostNotes = 10000, longest = 4000;

Error noNotes(const char* why) {
    return {ErrorKind::Invalid, {}, std::string("These are no comments of a share page: ") + why};
}

/// One line of plain text.
std::string plain(const Json& json, const char* key) {
    if (!json.contains(key) || !json[key].is_string())
        return {};
    std::string out = json[key].get<std::string>();
    for (char& c : out)
        if (static_cast<unsigned char>(c) < 0x20 || c == 0x7F)
            c = ' ';
    return text::clipBytes(text::trim(out), longest);
}

int64_t timeFrom(const std::string& iso) {
    std::tm t{};
    int year = 0, month = 0, day = 0, hour = 0, minute = 0, second = 0;
    if (std::sscanf(iso.c_str(), "%4d-%2d-%2dT%2d:%2d:%2d", &year, &month, &day, &hour, &minute, &second) !=
        6)
        return 0;
    t.tm_year = year - 1900;
    t.tm_mon = month - 1;
    t.tm_mday = day;
    t.tm_hour = hour;
    t.tm_min = minute;
    t.tm_sec = second;
    return timegm(&t);
}

} // namespace

Result<PageNotes> pageNotesFrom(std::string_view text) {
    const Json json = Json::parse(text, nullptr, false);
    if (!json.is_object() || !json.contains("share_page_notes"))
        return noNotes("the file is another.");
    PageNotes out;
    out.page = plain(json, "page");
    out.title = plain(json, "title");
    out.who = plain(json, "who");
    if (!json.contains("notes") || !json["notes"].is_array())
        return noNotes("there are none in it.");
    for (const Json& one : json["notes"]) {
        if (!one.is_object() || out.notes.size() == mostNotes)
            continue;
        PageNotes::Note note;
        note.track = plain(one, "track");
        note.text = plain(one, "text");
        if (one.contains("at") && one["at"].is_number())
            note.seconds = one["at"].get<double>();
        if (!std::isfinite(note.seconds) || note.seconds < 0 || note.seconds > 1e6)
            note.seconds = 0;
        if (one.contains("rating") && one["rating"].is_number_integer())
            note.rating = static_cast<int>(std::clamp<int64_t>(one["rating"].get<int64_t>(), 0, 5));
        note.when = timeFrom(plain(one, "when"));
        if (!note.text.empty() || note.rating > 0)
            out.notes.push_back(std::move(note));
    }
    if (out.notes.empty())
        return noNotes("there are none in it.");
    return out;
}

Result<PageNotes> readPageNotes(const Path& file) {
    const auto source = FileSource::open(file);
    if (!source)
        return source.error();
    if ((*source)->size() > mostBytes)
        return noNotes("the file is too large.");
    auto out = pageNotesFrom((*source)->bytes(0, mostBytes));
    if (!out)
        return Error{out.error().kind, file, out.error().message};
    return out;
}

Result<library::ChangeOutcome>
markNotes(library::Store& store, const std::vector<library::DeliveryNote>& notes, const std::string& title) {
    std::map<library::RecordingId, std::vector<library::Bookmark>> marks;
    for (const library::DeliveryNote& note : notes) {
        if (note.seconds < 0 || note.text.empty() || !store.files().find(note.file))
            continue;
        const library::RecordingId recording = store.recordings().ensure(note.file);
        auto [at, isNew] = marks.try_emplace(recording);
        if (isNew)
            at->second = library::bookmarksFrom(store.recordings().values(recording, library::bookmarkField));
        at->second.push_back(
            {note.seconds, text::clipBytes(note.who.empty() ? note.text : note.who + ": " + note.text, 480)});
    }
    for (const auto& [recording, all] : marks)
        if (std::string why = library::whyNotKept(library::bookmarkField, library::bookmarkTexts(all));
            !why.empty())
            return Error{ErrorKind::Invalid, {}, std::move(why)};
    library::KeptChange change(store);
    for (const auto& [recording, all] : marks)
        change.setValues(recording, library::bookmarkField, library::bookmarkTexts(all));
    return change.commit(title);
}

std::string pageContent(const std::string& id, const std::map<std::string, library::FileId>& tracks) {
    return Json{{"page", id}, {"tracks", tracks}}.dump();
}

NotesOfDelivery notesOf(library::Store& store, const PageNotes& notes) {
    NotesOfDelivery out;
    for (const library::Delivery& delivery : library::DeliveryTable(store.database()).all()) {
        if (delivery.way != "share page")
            continue;
        const Json json = Json::parse(delivery.content, nullptr, false);
        if (!json.is_object() || json.value("page", std::string()) != notes.page || !json.contains("tracks"))
            continue;
        out.delivery = delivery.id;
        for (const PageNotes::Note& note : notes.notes) {
            if (!json["tracks"].contains(note.track) || !json["tracks"][note.track].is_number_integer()) {
                ++out.unknown;
                continue;
            }
            out.notes.push_back({json["tracks"][note.track].get<int64_t>(), note.seconds, notes.who,
                                 note.text, note.rating, note.when});
        }
        break;
    }
    return out;
}

} // namespace moorfrost::deliver
