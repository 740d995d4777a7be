// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>

#include "core/deliver/package/package.h"
#include "core/deliver/rows/row_values.h"
#include "core/exchange/csv.h"
#include "core/files/safe_name.h"
#include "core/library/audio_duplicates.h"
#include "core/library/people/card_changes.h"
#include "core/library/people/people_out.h"
#include "core/library/releases/releases_json.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using library::CardId;
using library::FileId;
using library::FileRecord;
using Json = nlohmann::ordered_json;

constexpr size_t mostEvents = 1000; // of the journal, of one file

/// Names below "sound": the folders as they are on the shelf, safe on any system, each once.
class Names {
public:
    explicit Names(library::Store& store) : shelves_(store.shelves().all()) {}
    std::string of(const FileRecord& file) {
        Path inside;
        for (const library::Shelf& shelf : shelves_)
            if (shelf.id == file.shelf && file.path.native().starts_with(shelf.path.native() + "/"))
                inside = file.path.lexically_relative(shelf.path);
        if (inside.empty())
            inside = file.path.filename();
        std::string out = "sound";
        for (const Path& part : inside.parent_path())
            out += "/" + files::safeName(text::escapeBytes(part.native()), files::NameProfile::Portable);
        const std::string ending = text::escapeBytes(file.path.extension().native());
        const std::string stem = text::escapeBytes(file.path.stem().native());
        std::string whole = out + "/" + files::safeName(stem, files::NameProfile::Portable, ending);
        for (int n = 2; !taken_.insert(text::fold(whole)).second; ++n)
            whole = out + "/" +
                    files::safeName(stem + fmt::format(" ({})", n), files::NameProfile::Portable, ending);
        return whole;
    }

private:
    std::vector<library::Shelf> shelves_;
    std::set<std::string> taken_;
};

Json fileJson(const FileRecord& file, const PackageFile& in) {
    Json out{{"path", in.name}, {"bytes", file.state.size}};
    if (!in.essence.empty())
        out["essence_xxh3"] = in.essence;
    const tags::Facts& facts = file.tags.facts;
    out["format"] = audio::formatName(file.tags.format);
    if (!facts.codec.empty())
        out["codec"] = facts.codec;
    out["seconds"] = facts.duration;
    if (facts.sampleRate > 0)
        out["sample_rate"] = facts.sampleRate;
    if (facts.bitDepth > 0)
        out["bits"] = facts.bitDepth;
    if (facts.channels > 0)
        out["channels"] = facts.channels;
    out["fields"] = file.tags.fields;
    if (!file.kept.empty())
        out["kept"] = std::map<std::string, std::vector<std::string>>(file.kept.begin(), file.kept.end());
    return out;
}

void addJournal(library::Store& store, const PackageFile& file, std::string& out) {
    for (const library::Event& event : store.journal().historyOf(file.file, mostEvents)) {
        Json line{
            {"path", file.name}, {"when", event.when}, {"title", event.title}, {"fields", event.fields}};
        if (!event.from.empty())
            line["from"] = text::escapeBytes(event.from.native());
        if (!event.to.empty())
            line["to"] = text::escapeBytes(event.to.native());
        line["taken_back"] = event.takenBack;
        out += line.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
    }
}

/// The works of the recordings, and the parties that are named in them.
void addCards(library::Store& store, const std::vector<PackageFile>& files, PackageSubject& out) {
    std::set<CardId> works, parties;
    auto takeParties = [&](const std::vector<std::string>& shares) {
        for (const library::Share& share : library::sharesFrom(shares)) {
            if (share.party != 0)
                parties.insert(share.party);
            parties.insert(share.forWhom.begin(), share.forWhom.end());
        }
    };
    std::string owners = exchange::csvLine({"path", "side", "name", "role", "share", "territory", "from"});
    std::string shares =
        exchange::csvLine({"work", "iswc", "side", "name", "role", "share", "territory", "from"});
    auto nameOf = [&](CardId id) {
        return library::nameOfCard(library::CardKind::Party, store.cards().facts(id));
    };
    auto rowOf = [&](const library::Share& s) {
        return exchange::CsvRow{library::shownParty(s, nameOf), text::join(s.roles, "; "),
                                s.part ? s.part->text() : "", s.territory, s.from};
    };
    bool anyOwner = false;
    for (const PackageFile& file : files) {
        const library::RecordingId recording = store.recordings().placeOf(file.file).recording;
        if (recording == 0)
            continue;
        for (const std::string& id : store.recordings().values(recording, library::workField))
            works.insert(std::strtoll(id.c_str(), nullptr, 10));
        const auto master = store.recordings().values(recording, library::masterField);
        takeParties(master);
        for (const library::Share& s : library::sharesFrom(master)) {
            exchange::CsvRow row = rowOf(s);
            row.insert(row.begin(), {file.name, "owners"});
            owners += exchange::csvLine(row);
            anyOwner = true;
        }
    }
    if (works.empty() && parties.empty())
        return;
    const auto people = library::People::make(library::keptCards(store));
    std::string workLines, partyLines;
    for (const CardId id : works) {
        const library::CardView view = library::cardView(store, id);
        if (view.id == 0)
            continue;
        workLines += library::cardJson(store, view, *people) + "\n";
        for (const library::Side side : {library::Side::Writers, library::Side::Publishers}) {
            const auto kept = library::factValues(view.facts, library::sideKey(side));
            takeParties(kept);
            for (const library::Share& s : library::sharesFrom(kept)) {
                exchange::CsvRow row = rowOf(s);
                row.insert(row.begin(), {library::nameOfCard(library::CardKind::Work, view.facts),
                                         library::firstFact(view.facts, "iswc"), library::sideKey(side)});
                shares += exchange::csvLine(row);
            }
        }
    }
    for (const CardId id : parties)
        if (const library::CardView view = library::cardView(store, id); view.id != 0)
            partyLines += library::cardJson(store, view, *people) + "\n";
    out.metadata.emplace_back("metadata/works.jsonl", workLines);
    out.metadata.emplace_back("metadata/shares.csv", shares);
    out.metadata.emplace_back("metadata/parties.jsonl", partyLines);
    if (anyOwner)
        out.metadata.emplace_back("metadata/owners.csv", owners);
}

void addReleases(library::Store& store, const std::vector<PackageFile>& files, PackageSubject& out) {
    std::set<library::ReleaseId> releases;
    for (const PackageFile& file : files)
        if (const library::ReleaseId id = store.releases().releaseOf(file.file); id != 0)
            releases.insert(id);
    std::string lines;
    for (const library::ReleaseId id : releases)
        lines += library::releaseJson(store, library::releaseView(store, {id, {}})) + "\n";
    if (!lines.empty())
        out.metadata.emplace_back("metadata/releases.jsonl", lines);
}

/// The fields of the files as rows: what is taken as drafts where the package comes in.
std::string sheetOf(library::Store& store, const std::vector<PackageFile>& files) {
    std::set<std::string> keys;
    std::vector<FileId> ids;
    for (const PackageFile& file : files)
        ids.push_back(file.file);
    for (const FileRecord& file : store.files().findAll(ids))
        for (const auto& [key, values] : file.tags.fields)
            keys.insert(key);
    RowLayout layout;
    for (const std::string& key : keys) {
        RowColumn column;
        column.heading = key; // not every label is a name of its own
        column.parts = {key};
        layout.columns.push_back(std::move(column));
    }
    for (const char* key : {"@rating", "@note", "@playout", "@kind"})
        layout.columns.emplace_back().parts = {key};
    exchange::CsvRow headings = headingsOf(layout);
    headings.insert(headings.begin(), "Path");
    std::string out = exchange::csvLine(headings);
    RowValues values(store, layout);
    std::map<FileId, std::string> names;
    for (const PackageFile& file : files)
        names[file.file] = file.name;
    values.each(ids, [&](RowSource&& row) {
        exchange::CsvRow cells = values.cells(row);
        cells.insert(cells.begin(), names[row.file]);
        out += exchange::csvLine(cells);
        return true;
    });
    return out;
}

} // namespace

uint64_t PackageSubject::bytes() const {
    uint64_t out = 0;
    for (const PackageFile& file : files)
        out += file.bytes;
    return out;
}

PackageSubject packageSubject(library::Store& store, const std::vector<FileId>& files,
                              const std::string& title) {
    PackageSubject out;
    out.title = title;
    Names names(store);
    std::set<FileId> seen;
    std::string lines, journal,
        fixity = exchange::csvLine({"path", "bytes", "essence_xxh3", "essence_sha256", "taken"});
    for (const FileId id : files) {
        if (!seen.insert(id).second)
            continue;
        const auto record = store.files().find(id);
        if (!record || record->absent != 0) {
            out.unknown.push_back(id);
            continue;
        }
        PackageFile file;
        file.file = id;
        file.path = record->path;
        file.name = names.of(*record);
        file.bytes = record->state.size;
        file.essence = library::knownEssence(store, *record);
        lines += fileJson(*record, file).dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
        addJournal(store, file, journal);
        if (const auto kept = store.fixity().find(record->path))
            fixity += exchange::csvLine({file.name, std::to_string(kept->bytes), kept->essence, kept->sha256,
                                         std::to_string(kept->when)});
        else if (!file.essence.empty())
            fixity += exchange::csvLine({file.name, std::to_string(file.bytes), file.essence, "", ""});
        out.files.push_back(std::move(file));
    }
    out.metadata.emplace_back("metadata/files.jsonl", lines);
    out.metadata.emplace_back("metadata/files.csv", sheetOf(store, out.files));
    out.metadata.emplace_back("metadata/fixity.csv", fixity);
    if (!journal.empty())
        out.metadata.emplace_back("metadata/journal.jsonl", journal);
    addReleases(store, out.files, out);
    addCards(store, out.files, out);
    return out;
}

} // namespace moorfrost::deliver
