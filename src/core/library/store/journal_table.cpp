// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/journal_table.h"

#include <algorithm>
#include <ctime>
#include <iterator>

#include <nlohmann/json.hpp>

#include "core/library/store/kept_bytes.h"
#include "core/library/store/setting_table.h"
#include "core/tags/kept_pictures.h"
#include "core/text/text.h"

namespace moorfrost::library {

using files::StepRecord;
using files::StepState;
using nlohmann::json;

namespace {

std::string dumped(const json& value) {
    return value.dump(-1, ' ', false, json::error_handler_t::replace);
}

/// Paths in JSON as hexadecimal bytes: they need not be UTF-8.
json pathList(const std::vector<Path>& paths) {
    json list = json::array();
    for (const Path& p : paths)
        list.push_back(text::hex(p.native()));
    return list;
}

std::vector<Path> pathsFrom(const json& list) {
    std::vector<Path> out;
    for (const auto& item : list)
        out.emplace_back(text::fromHex(item.get<std::string>()));
    return out;
}

constexpr const char* summaryColumns =
    "SELECT id, \"when\", title, running,"
    " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=2),"
    " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=3),"
    " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=4),"
    " (SELECT count(*) FROM step WHERE file_set=file_set.id),"
    " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=5), kept_bytes, dropped FROM file_set ";

SetSummary summaryFrom(const Statement& s) {
    SetSummary out;
    auto count = [&](int column) { return static_cast<size_t>(s.integer(column)); };
    out.id = s.integer(0);
    out.when = s.integer(1);
    out.title = s.string(2);
    out.running = s.integer(3) != 0;
    out.done = count(4);
    out.failed = count(5);
    out.takenBack = count(6);
    out.total = count(7);
    out.setAside = count(8);
    out.keptBytes = static_cast<uint64_t>(s.integer(9));
    out.dropped = s.integer(10) != 0;
    return out;
}

} // namespace

int64_t JournalTable::begin(const files::ChangeSet& set, int64_t batch) {
    Transaction transaction(db_);
    Statement(db_, "INSERT INTO file_set (\"when\", title, batch, running) VALUES (?,?,?,1)")
        .bind(static_cast<int64_t>(std::time(nullptr)))
        .bind(set.title)
        .bind(batch)
        .run();
    int64_t id = db_.lastId();
    Statement add(
        db_, "INSERT INTO step (file_set, number, file, state, source, target, copy) VALUES (?,?,?,?,?,?,?)");
    for (size_t i = 0; i < set.steps.size(); ++i) {
        const files::Step& s = set.steps[i];
        add.bind(id).bind(static_cast<int64_t>(i)).bind(s.file).bind(static_cast<int>(StepState::Planned));
        add.bindPath(s.source).bindPath(s.target).bind(s.copy ? 1 : 0).run();
    }
    transaction.commit();
    return id;
}

size_t JournalTable::addDone(int64_t set, const StepRecord& record) {
    Transaction transaction(db_);
    Statement last(db_, "SELECT coalesce(max(number) + 1, 0) FROM step WHERE file_set=?");
    const int64_t number = last.bind(set).step() ? last.integer(0) : 0;
    Statement(db_, "INSERT INTO step (file_set, number, file, state, source, target, copy) "
                   "VALUES (?,?,?,?,?,?,0)")
        .bind(set)
        .bind(number)
        .bind(record.step.file)
        .bind(static_cast<int>(record.state))
        .bindPath(record.step.source)
        .bindPath(record.step.target)
        .run();
    saveSteps(set, {{static_cast<size_t>(number), &record}});
    transaction.commit();
    return static_cast<size_t>(number);
}

void JournalTable::saveSteps(int64_t set, const std::vector<std::pair<size_t, const StepRecord*>>& steps) {
    if (steps.empty())
        return;
    Transaction transaction(db_);
    // What is kept stays when only the state changes: taken back, or looked at without it.
    Statement save(db_, "UPDATE step SET state=?, error=?, detail=?, target=?, file=?, aside=NULL "
                        "WHERE file_set=? AND number=?");
    Statement keep(db_, "UPDATE step SET kept=?, kept_pictures=? WHERE file_set=? AND number=?");
    for (const auto& [number, record] : steps) {
        auto n = static_cast<int64_t>(number);
        save.bind(static_cast<int>(record->state)).bind(record->error).bind(files::toText(*record));
        save.bindPath(record->step.target).bind(record->step.file).bind(set).bind(n).run();
        if (!record->undo.fresh.empty()) {
            const KeptBytes kept = withoutPictures(*record, pictures_);
            keep.bindBlob(kept.rest).bind(kept.pictures).bind(set).bind(n).run();
        }
    }
    transaction.commit();
}

void JournalTable::saveRemovedFolders(int64_t set, const std::vector<Path>& folders) {
    Statement(db_, "UPDATE file_set SET removed_folders=? WHERE id=?")
        .bind(dumped(pathList(folders)))
        .bind(set)
        .run();
}

void JournalTable::end(int64_t set) {
    Statement(db_,
              "UPDATE file_set SET running=0, kept_bytes="
              "(SELECT coalesce(sum(length(kept)), 0) FROM step WHERE step.file_set=file_set.id) WHERE id=?")
        .bind(set)
        .run();
}

std::vector<SetSummary> JournalTable::sets() {
    std::vector<SetSummary> out;
    Statement s(db_, std::string(summaryColumns) + "ORDER BY id DESC");
    while (s.step())
        out.push_back(summaryFrom(s));
    return out;
}

std::vector<std::pair<int64_t, std::string>> JournalTable::openSets() {
    std::vector<std::pair<int64_t, std::string>> out;
    Statement s(db_, "SELECT id, title FROM file_set WHERE running<>0 ORDER BY id");
    while (s.step())
        out.emplace_back(s.integer(0), s.string(1));
    return out;
}

std::vector<SetStep> JournalTable::steps(int64_t set, bool withKept) {
    std::vector<SetStep> out;
    Statement s(
        db_, withKept ? "SELECT number, file, state, source, target, copy, error, detail, kept, kept_pictures"
                        " FROM step WHERE file_set=? ORDER BY number"
                      : "SELECT number, file, state, source, target, copy, error, detail, NULL, ''"
                        " FROM step WHERE file_set=? ORDER BY number");
    s.bind(set);
    while (s.step()) {
        SetStep step;
        step.set = set;
        step.number = static_cast<size_t>(s.integer(0));
        StepRecord& r = step.record;
        if (auto record = files::recordFromText(s.string(7)))
            r = std::move(*record);
        r.step.file = s.integer(1);
        r.state = static_cast<StepState>(s.integer(2));
        r.step.source = s.string(3);
        r.step.target = s.string(4);
        r.step.copy = s.integer(5) != 0;
        r.error = s.string(6);
        r.undo.fresh = withPictures({s.string(8), s.string(9)}, pictures_);
        out.push_back(std::move(step));
    }
    return out;
}

std::vector<Event> JournalTable::historyOf(FileId file, size_t most) {
    std::vector<Event> out;
    Statement s(db_,
                "SELECT file_set.id, file_set.\"when\", file_set.title, step.state, step.source, step.target,"
                " step.detail FROM step JOIN file_set ON file_set.id = step.file_set"
                " WHERE step.file=? AND step.state IN (?,?) ORDER BY step.file_set DESC LIMIT ?");
    s.bind(file).bind(static_cast<int64_t>(StepState::Done)).bind(static_cast<int64_t>(StepState::TakenBack));
    s.bind(static_cast<int64_t>(most));
    while (s.step()) {
        Event e;
        e.set = s.integer(0);
        e.when = s.integer(1);
        e.title = s.string(2);
        e.takenBack = static_cast<StepState>(s.integer(3)) == StepState::TakenBack;
        e.from = s.string(4);
        e.to = s.string(5);
        if (auto record = files::recordFromText(s.string(6)); record && !record->step.made)
            for (const auto* fields : {&record->before, &record->after})
                for (const auto& [key, values] : *fields) {
                    auto before = record->before.find(key), after = record->after.find(key);
                    bool same = before != record->before.end() && after != record->after.end() &&
                                before->second == after->second;
                    if (!same && std::find(e.fields.begin(), e.fields.end(), key) == e.fields.end())
                        e.fields.push_back(key);
                }
        out.push_back(std::move(e));
    }
    return out;
}

StepState JournalTable::stateOfStep(int64_t set, size_t number) {
    Statement s(db_, "SELECT state FROM step WHERE file_set=? AND number=?");
    s.bind(set).bind(static_cast<int64_t>(number));
    return s.step() ? static_cast<StepState>(s.integer(0)) : StepState::Planned;
}

std::optional<SetSummary> JournalTable::laterSetOn(int64_t set, const StepRecord& record) {
    const Path& target = record.step.target;
    Statement s(db_,
                std::string(summaryColumns) +
                    "WHERE id IN (SELECT file_set FROM step WHERE file_set>? AND state=2 AND (source=? OR "
                    "target=?)) ORDER BY id DESC LIMIT 1");
    s.bind(set).bindPath(target.empty() ? record.step.source : target);
    // What has come to its old place stands in the way; a copy does not go back there.
    if (record.step.copy || target.empty())
        s.bindNull();
    else
        s.bindPath(record.step.source);
    return s.step() ? std::optional(summaryFrom(s)) : std::nullopt;
}

void JournalTable::keepAside(const files::NumberedStep& step) {
    Transaction transaction(db_);
    saveSteps(step.set, {{step.number, &step.record}});
    Statement(db_, "UPDATE step SET aside=? WHERE file_set=? AND number=?")
        .bindBlob(files::WriteAheadLog::encode({step}))
        .bind(step.set)
        .bind(static_cast<int64_t>(step.number))
        .run();
    transaction.commit();
}

std::vector<files::NumberedStep> JournalTable::asideSteps() {
    std::vector<files::NumberedStep> out;
    Statement s(db_, "SELECT aside FROM step WHERE state=5 AND aside IS NOT NULL ORDER BY file_set");
    while (s.step())
        if (auto steps = files::WriteAheadLog::decode(s.string(0)))
            std::move(steps->begin(), steps->end(), std::back_inserter(out));
    return out;
}

void JournalTable::supersede(const files::ChangeSet& set) {
    Statement any(db_, "SELECT 1 FROM step WHERE state=5 LIMIT 1");
    if (!any.step())
        return;
    Transaction transaction(db_);
    Statement end(db_, "UPDATE step SET state=3, aside=NULL, error=error || ' It was written again later.' "
                       "WHERE state=5 AND (source=?1 OR target=?1 OR source=?2 OR target=?2)");
    for (const files::Step& step : set.steps)
        if (step.refused.empty())
            end.bindPath(step.source).bindPath(step.target.empty() ? step.source : step.target).run();
    transaction.commit();
}

HistoryUse JournalTable::use() {
    HistoryUse use;
    use.limit = static_cast<uint64_t>(std::max<int64_t>(0, SettingTable(db_).get(settings::historyLimit)));
    Statement sum(db_, "SELECT coalesce(sum(kept_bytes), 0) FROM file_set WHERE dropped=0");
    if (sum.step())
        use.used = static_cast<uint64_t>(sum.integer(0));
    uint64_t after = use.used;
    if (after <= use.limit)
        return use;
    Statement oldest(db_, std::string(summaryColumns) +
                              "WHERE dropped=0 AND running=0 AND kept_bytes>0 ORDER BY id");
    while (after > use.limit && oldest.step()) {
        use.next.push_back(summaryFrom(oldest));
        after -= use.next.back().keptBytes;
    }
    return use;
}

void JournalTable::dropOld() {
    HistoryUse use = this->use();
    if (use.next.empty())
        return;
    Transaction transaction(db_);
    for (const SetSummary& s : use.next) {
        Statement(db_, "UPDATE step SET kept=NULL, kept_pictures='' WHERE file_set=?").bind(s.id).run();
        Statement(db_, "UPDATE file_set SET dropped=1 WHERE id=?").bind(s.id).run();
    }
    transaction.commit();
}

std::set<std::string> JournalTable::pictureNames() {
    std::set<std::string> out;
    Statement s(
        db_, "SELECT detail, kept_pictures FROM step WHERE (kept_pictures<>'' OR detail LIKE '%\"@picture:%')"
             " AND EXISTS (SELECT 1 FROM file_set WHERE id=file_set AND dropped=0)");
    while (s.step()) {
        if (auto record = files::recordFromText(s.string(0)))
            for (const auto* fields : {&record->step.changes, &record->before, &record->after})
                for (const tags::PictureInfo& p : tags::picturesIn(*fields))
                    out.insert(tags::keptName(p));
        for (std::string& name : picturesKeptOutside(s.string(1)))
            out.insert(std::move(name));
    }
    return out;
}

std::vector<Path> JournalTable::removedFolders(int64_t set) {
    Statement s(db_, "SELECT removed_folders FROM file_set WHERE id=?");
    s.bind(set);
    if (!s.step())
        return {};
    json list = json::parse(s.string(0), nullptr, false);
    return list.is_array() ? pathsFrom(list) : std::vector<Path>();
}

int64_t JournalTable::batchOf(int64_t set) {
    Statement s(db_, "SELECT batch FROM file_set WHERE id=?");
    s.bind(set);
    return s.step() ? s.integer(0) : 0;
}

} // namespace moorfrost::library
