// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/shelf_readiness.h"

#include <algorithm>

#include "core/base/bytes_hash.h"
#include "core/library/people/agreements.h"
#include "core/library/people/song_standing.h"
#include "core/library/search/sleeves.h"
#include "core/library/sleeve_files.h"
#include "core/placing/put_away.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

std::string textOf(const ShelfRules& rules) {
    BytesHash hash;
    hash.add(audit::toJson({rules.standard}));
    hash.add(std::to_string(static_cast<int>(rules.names)));
    for (const audit::Rule& rule : rules.standard.rules)
        if (rule.kind == audit::RuleKind::Works &&
            std::ranges::find(rule.fields, "agreement") != rule.fields.end())
            hash.add(todayText()); // one may have ended since yesterday
    return hash.text();
}

/// Calls `each(sleeve, readiness)` for those of the sleeves whose files are known, until a stop.
template<class Each>
void checkSleeves(Store& store, const Searcher& searcher, const RowsBySleeve& sleeves,
                  const ShelfRules& rules, std::stop_token stop, work::Progress& progress, Each&& each) {
    SongStandings standings(store);
    const bool works = audit::asksForWorks(rules.standard);
    eachSleeve(store, searcher, sleeves, stop, progress,
               [&](size_t sleeve, std::vector<FileRecord>&& records) {
                   std::vector<audit::CheckedFile> files;
                   for (FileRecord& file : records) {
                       const bool music = file.kind.empty() || file.kind == "music";
                       files.push_back(
                           checkedFile(rules.standard, file, std::move(file.tags.fields), file.path, music));
                       if (works)
                           files.back().song = standings.of(file.id);
                   }
                   each(sleeve, audit::readinessOf(rules.standard, files, false, rules.names));
               });
}

/// What is not as it was when a table was made.
struct ToLookAt {
    RowSet rows;              // of the sleeves that changed
    std::vector<FileId> gone; // files that stand on no shelf any more, rising
};

/// nullopt if that is not known, or so much that it is no shorter way.
std::optional<ToLookAt> toLookAt(Store& store, const Searcher& searcher, const ReadinessTable& table) {
    const auto changed = store.revisions().changedSince(table.revision);
    if (!changed || changed->size() > searcher.count() / 4)
        return std::nullopt;
    ToLookAt out{RowSet(searcher.all().size()), {}};
    RowSet& rows = out.rows;
    std::vector<bool> left(table.sleeveMarks.size()); // sleeves that lost a file, or have it as another
    for (FileId id : *changed) {
        if (auto row = searcher.rowOf(id))
            rows.add(*row);
        else
            out.gone.push_back(id);
        if (auto at = table.find(id))
            left[table.sleeves[*at]] = true;
    }
    for (size_t i = 0; i < table.files.size(); ++i)
        if (left[table.sleeves[i]])
            if (auto row = searcher.rowOf(table.files[i]))
                rows.add(*row);
    return out;
}

} // namespace

const audit::Standard& standardByName(const std::vector<audit::Standard>& standards,
                                      const std::string& name) {
    auto it = std::find_if(standards.begin(), standards.end(), [&](const auto& s) { return s.name == name; });
    return it == standards.end() ? standards.front() : *it;
}

ShelfRules rulesOf(Store& store) {
    const auto own = audit::standardsFromJson(store.settings().get(settings::standards));
    return {standardByName(own ? *own : audit::shippedStandards(),
                           store.settings().get(settings::defaultStandard)),
            store.settings().get(settings::names)};
}

audit::CheckedFile checkedFile(const audit::Standard& standard, const FileRecord& file, tags::Fields fields,
                               const Path& path, bool music, const std::vector<tags::PictureInfo>* pictures) {
    audit::CheckedFile out{
        file.id, std::move(fields), pictures ? *pictures : file.tags.pictures, file.tags.format, path, {},
        music};
    if (audit::asksForNames(standard))
        out.facts = placing::factsOf(file.path, file.tags);
    return out;
}

Path readinessFileOf(const Path& library) {
    return Path(library) += ".readiness";
}

std::vector<audit::Readiness> readinessAround(Store& store, const Searcher& searcher, const ShelfRules& rules,
                                              const std::vector<FileId>& files) {
    RowSet rows(searcher.all().size());
    for (FileId id : files)
        if (auto row = searcher.rowOf(id))
            rows.add(*row);
    const RowsBySleeve sleeves = wholeSleevesOf(searcher, rows);
    std::map<FileId, size_t> sleeveOf;
    for (size_t i = 0; i < sleeves.size(); ++i)
        for (Row r : sleeves[i])
            sleeveOf[searcher.idOf(r)] = i;
    std::vector<audit::Readiness> of(sleeves.size());
    work::Progress progress;
    checkSleeves(store, searcher, sleeves, rules, {}, progress,
                 [&](size_t sleeve, audit::Readiness&& readiness) { of[sleeve] = std::move(readiness); });
    std::vector<audit::Readiness> out;
    for (FileId id : files)
        out.push_back(sleeveOf.contains(id) ? of[sleeveOf[id]] : audit::Readiness());
    return out;
}

std::shared_ptr<const ReadinessTable> readinessOfShelves(Store& store, const LibrarySearch& search,
                                                         const ShelfRules& rules,
                                                         std::shared_ptr<const ReadinessTable> held,
                                                         std::stop_token stop, work::Progress& progress,
                                                         const std::function<void()>& beforeAll) {
    const Searcher& searcher = *search.searcher;
    const Path file = readinessFileOf(store.file());
    const std::string measuredBy = textOf(rules);
    if (!held)
        held = loadReadiness(file, measuredBy);
    const std::optional<ToLookAt> changed = held ? toLookAt(store, searcher, *held) : std::nullopt;
    if (changed && changed->rows.count() == 0 && changed->gone.empty())
        return held;
    if (!changed) {
        held = nullptr;
        if (beforeAll)
            beforeAll();
    }

    // What changes from here on is told by the new revision; what `search` has not seen yet by an older.
    std::string revision = store.revisions().begin();
    const bool upToDate = store.revisions().current() == search.revision;
    if (!upToDate)
        revision = held ? held->revision : search.columnsRevision;
    std::vector<std::string> names;
    for (const audit::Rule& rule : rules.standard.rules)
        names.push_back(audit::ruleText(rule));
    const RowsBySleeve sleeves = wholeSleevesOf(searcher, changed ? changed->rows : searcher.all());
    ReadinessTableWriter out(std::move(names), revision);
    std::vector<std::pair<FileId, uint32_t>> files; // those of `sleeves`
    files.reserve(sleeves.rows.size());
    out.reserve(held ? held->files.size() + files.capacity() : files.capacity());
    checkSleeves(store, searcher, sleeves, rules, stop, progress,
                 [&](size_t sleeve, const audit::Readiness& readiness) {
                     Marks marks;
                     for (const audit::ReadinessPart& part : readiness.parts)
                         marks.push_back(part.met);
                     const uint32_t number = out.addSleeve(marks);
                     for (Row r : sleeves[sleeve])
                         files.emplace_back(searcher.idOf(r), number);
                 });
    if (stop.stop_requested())
        return nullptr;
    std::sort(files.begin(), files.end());
    auto next = files.begin();
    if (held) {
        std::vector<uint32_t> numbers; // of the sleeves that were known
        for (uint32_t m : held->sleeveMarks)
            numbers.push_back(out.addSleeve(held->marks[m]));
        for (size_t i = 0; i < held->files.size(); ++i) {
            const FileId id = held->files[i];
            for (; next != files.end() && next->first < id; ++next)
                out.addFile(next->first, next->second);
            if (next != files.end() && next->first == id)
                continue; // as it is now
            if (!std::binary_search(changed->gone.begin(), changed->gone.end(), id))
                out.addFile(id, numbers[held->sleeves[i]]);
        }
    }
    for (; next != files.end(); ++next)
        out.addFile(next->first, next->second);
    files = {};
    auto made = out.finish();
    try {
        // Of a large library only now and then: what has changed since is known.
        std::string left = text::split(store.settings().find(readinessRevisionsKey) + " ", " ").front();
        const std::vector<std::string> known = store.revisions().known();
        const bool isLeft = held && std::find(known.begin(), known.end(), left) != known.end();
        if (upToDate && (!isLeft || made->files.size() < 50000 || sleeves.rows.size() > 500))
            if (saveReadiness(*made, file, measuredBy))
                left = made->revision;
        store.settings().save(readinessRevisionsKey, left + " " + made->revision);
        store.revisions().keep(revisionsUsed(store, search.columnsRevision));
    } catch (const DatabaseError&) { // of a full disk
    }
    return made;
}

} // namespace moorfrost::library
