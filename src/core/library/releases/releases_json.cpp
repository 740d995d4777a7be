// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/releases_json.h"

#include <algorithm>
#include <ctime>
#include <map>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/reference/json_reader.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Json = nlohmann::ordered_json;
using Texts = std::vector<std::string>;

constexpr size_t longestLine = 8u << 20;

/// A value of several parts is a list of them.
Json valueJson(const std::string& value) {
    if (value.find(partBreak) == std::string::npos)
        return value;
    return text::split(value, std::string(1, partBreak));
}

Json factJson(const Fact& fact) {
    Json out;
    out["values"] = Json::array();
    for (const std::string& v : fact.values)
        out["values"].push_back(valueJson(v));
    if (fact.none)
        out["none"] = true;
    out["origin"] = fact.origin;
    if (fact.when != 0)
        out["when"] = fact.when;
    return out;
}

/// What is no text is left out.
Fact factFrom(reference::Reader& r, const reference::Json& j) {
    Fact out;
    for (const auto& v : r.list(j, "values", 300)) {
        if (v.is_string()) {
            out.values.push_back(reference::cleanedText(v.get<std::string>(), 40000, true));
        } else if (v.is_array()) {
            std::string joined;
            for (const auto& part : v)
                if (part.is_string())
                    joined += (&part == &v.front() ? "" : std::string(1, partBreak)) +
                              reference::cleanedText(part.get<std::string>(), 4000);
            out.values.push_back(std::move(joined));
        }
    }
    const auto* none = r.member(j, "none");
    out.none = none && none->is_boolean() && none->get<bool>();
    out.origin = r.text(j, "origin", 400);
    out.when = r.number(j, "when", INT64_MAX / 2);
    return out;
}

/// The same edition, as far as it is told by what is printed on it.
std::string markOf(const reference::Release& r) {
    std::string out;
    for (const char* key : {"title", "credit", "labels", "barcode", "dates", "edition"})
        out += shownFact(key, factOf(r, key)) + "\n";
    return out + r.carrier();
}

} // namespace

std::string releaseJson(Store& store, const ReleaseView& view) {
    Json out;
    out["release"] = view.ref.id == 0 ? Json() : Json(view.ref.id);
    out["title"] = view.release.title;
    out["artist"] = view.release.credit.text();
    if (view.set != 0)
        out["set"] = view.set;
    Json facts = Json::object();
    for (const FactDef& def : releaseFacts())
        if (const auto fact = view.facts.find(def.key); fact != view.facts.end())
            facts[def.key] = factJson(fact->second);
    out["facts"] = std::move(facts);
    auto pathOf = [&](FileId id) -> Json {
        const auto file = store.files().find(id);
        return file ? Json(text::escapeBytes(file->path.native())) : Json();
    };
    out["media"] = Json::array();
    for (const MediumView& m : view.media) {
        Json medium;
        medium["carrier"] = m.carrier;
        if (!m.title.empty())
            medium["title"] = m.title;
        if (!m.discTable.empty())
            medium["disc_table"] = m.discTable;
        if (m.fromFiles)
            medium["read_from_files"] = true;
        medium["tracks"] = Json::array();
        for (const TrackView& t : m.tracks) {
            reference::Track printed = t.printed;
            printed.recording.clear();
            Json track = Json::parse(trackText(printed));
            if (t.recording != 0)
                track["recording"] = t.recording;
            Json files = Json::array();
            for (const FileId id : t.files)
                if (Json path = pathOf(id); !path.is_null())
                    files.push_back(std::move(path));
            track["files"] = std::move(files);
            medium["tracks"].push_back(std::move(track));
        }
        out["media"].push_back(std::move(medium));
    }
    if (!view.sources.empty()) {
        out["sources"] = Json::array();
        for (const ReleaseSource& s : view.sources)
            out["sources"].push_back(
                {{"when", s.when}, {"what", s.what}, {"link", s.link}, {"taken", s.taken}});
    }
    out["files"] = Json::array();
    for (const FileId id : view.ref.files)
        if (Json path = pathOf(id); !path.is_null())
            out["files"].push_back(std::move(path));
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<ReleasesTaken> takeReleases(Store& store, std::string_view lines) {
    ReleasesTaken out;
    KeptChange change(store);
    std::set<std::string> there;
    for (const ReleaseId id : store.releases().all())
        there.insert(markOf(releaseView(store, {id, {}}).release));
    std::map<int64_t, ReleaseId> sets; // number there: number here
    size_t number = 0;
    while (!lines.empty()) {
        const size_t end = std::min(lines.find('\n'), lines.size());
        const std::string_view line = lines.substr(0, end);
        lines.remove_prefix(std::min(end + 1, lines.size()));
        ++number;
        if (text::trim(line).empty())
            continue;
        auto leaveOut = [&](const std::string& why) {
            out.troubles.push_back(fmt::format("Line {}: {}", number, why));
        };
        if (line.size() > longestLine) {
            leaveOut("longer than 8 MB.");
            continue;
        }
        const auto j = reference::parsedAnswer(line);
        if (!j) {
            leaveOut(j.error().message);
            continue;
        }
        reference::Reader r;
        std::map<std::string, Fact> facts;
        if (const auto* all = r.member(*j, "facts"); all && all->is_object())
            for (const auto& [key, value] : all->items())
                if (factByKey(key) && value.is_object())
                    facts[key] = factFrom(r, value);
        reference::Release release;
        std::string why;
        for (const auto& [key, fact] : facts) {
            if (why = whyNotFact(key, fact.values); !why.empty())
                break;
            putFact(release, key, fact.values);
        }
        std::vector<std::vector<KeptTrack>> media;
        size_t tracks = 0;
        auto recordingOf = [&](const reference::Json& track) -> RecordingId {
            for (const std::string& path : r.texts(track, "files", 100))
                if (const FileId file = store.files().idOf(Path(path)); file != 0)
                    return store.recordings().ensure(file);
            return 0;
        };
        r.objects(*j, "media", 500, [&](const reference::Json& m) {
            reference::Medium medium;
            medium.carrier = r.text(m, "carrier", 100);
            medium.title = r.text(m, "title");
            for (const auto& at : r.list(m, "disc_table", 200))
                medium.discTable.push_back(at.is_number_integer() ? at.get<int64_t>() : 0);
            release.media.push_back(medium);
            auto& kept = media.emplace_back();
            r.objects(m, "tracks", reference::maxTracks, [&](const reference::Json& t) {
                reference::Json plain = t;
                plain.erase("recording");
                const auto track = reference::trackFromJson(
                    plain.dump(-1, ' ', false, reference::Json::error_handler_t::replace));
                if (!track) {
                    r.fail(track.error().message);
                    return;
                }
                kept.push_back({trackText(*track), recordingOf(t)});
                ++tracks;
            });
        });
        if (why.empty() && !r.error.empty())
            why = "this is no release: " + r.error + ".";
        if (why.empty() && tracks > reference::maxTracks)
            why = "it has more tracks than a release may have.";
        if (why.empty() && release.title.empty())
            why = "a release needs a title.";
        if (!why.empty()) {
            leaveOut(why);
            continue;
        }
        if (!there.insert(markOf(release)).second) {
            ++out.there;
            continue;
        }
        const ReleaseId id = store.releases().fresh();
        change.addRelease(id, std::time(nullptr));
        for (const auto& [key, fact] : facts)
            change.setFact(id, key, fact);
        if (!release.media.empty())
            change.setFact(id, mediaFact,
                           Fact{factOf(release, mediaFact), false, "JSON", std::time(nullptr)});
        for (size_t m = 0; m < media.size(); ++m)
            change.setTracks(id, static_cast<int>(m), media[m]);
        for (const std::string& path : r.texts(*j, "files", 5000))
            if (const FileId file = store.files().idOf(Path(path));
                file != 0 && store.releases().releaseOf(file) == 0)
                change.setReleaseOf(file, id);
        std::vector<std::string> sources;
        r.objects(*j, "sources", 50, [&](const reference::Json& s) {
            sources.push_back(sourceText({r.number(s, "when", INT64_MAX / 2), r.text(s, "what", 400),
                                          r.text(s, "link", 2000), r.text(s, "taken", 400)}));
        });
        if (!sources.empty())
            change.setFact(id, sourceFact, Fact{sources, false, {}, 0});
        if (const int64_t set = r.number(*j, "set", INT64_MAX / 2); set != 0) {
            const auto [at, isNew] = sets.try_emplace(set, id);
            change.setFact(id, setFact,
                           Fact{{std::to_string(at->second)}, false, typedOrigin, std::time(nullptr)});
        }
        ++out.made;
    }
    if (out.made > 0)
        out.change =
            change.commit(fmt::format("{} release{} from JSON", out.made, out.made == 1 ? "" : "s")).change;
    return out;
}

} // namespace moorfrost::library
