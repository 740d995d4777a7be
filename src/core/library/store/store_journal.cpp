// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the store that keeps the journal.
#include <ctime>

#include <nlohmann/json.hpp>

#include "core/library/store/store.h"
#include "core/text/text.h"

namespace moorfrost::library {

using files::KeptRun;
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
    for (const auto& item : list) {
        std::string hex = item.get<std::string>(), bytes;
        for (size_t i = 0; i + 1 < hex.size(); i += 2)
            bytes += static_cast<char>(std::stoi(hex.substr(i, 2), nullptr, 16));
        out.emplace_back(bytes);
    }
    return out;
}

json stateJson(const files::FileState& s) {
    return {s.size, s.modifiedNs};
}

files::FileState stateFrom(const json& j) {
    return j.is_array() && j.size() == 2 ? files::FileState{j[0].get<uint64_t>(), j[1].get<int64_t>()}
                                         : files::FileState{};
}

std::string detailOf(const StepRecord& r) {
    json runs = json::array();
    for (const KeptRun& run : r.runs)
        runs.push_back({run.kept ? 1 : 0, run.offset, run.length});
    return dumped({{"changes", r.step.changes},
                   {"before", r.before},
                   {"after", r.after},
                   {"notes", r.notes},
                   {"content_changed", r.contentChanged},
                   {"hash_before", r.hashBefore},
                   {"hash_after", r.hashAfter},
                   {"state_before", stateJson(r.stateBefore)},
                   {"state_after", stateJson(r.stateAfter)},
                   {"made_folders", pathList(r.madeFolders)},
                   {"runs", runs}});
}

void readDetail(const std::string& detail, StepRecord& r) {
    json d = json::parse(detail, nullptr, false);
    if (!d.is_object() || !d.contains("changes"))
        return;
    r.step.changes = d["changes"].get<tags::Fields>();
    r.before = d["before"].get<tags::Fields>();
    r.after = d["after"].get<tags::Fields>();
    r.notes = d["notes"].get<std::vector<std::string>>();
    r.contentChanged = d["content_changed"].get<bool>();
    r.hashBefore = d["hash_before"].get<std::string>();
    r.hashAfter = d["hash_after"].get<std::string>();
    r.stateBefore = stateFrom(d["state_before"]);
    r.stateAfter = stateFrom(d["state_after"]);
    r.madeFolders = pathsFrom(d["made_folders"]);
    for (const auto& run : d["runs"])
        r.runs.push_back({run[0].get<int>() != 0, run[1].get<uint64_t>(), run[2].get<uint64_t>()});
}

} // namespace

int64_t Store::beginSet(const files::FileSet& set, int64_t batch) {
    Transaction transaction(db_);
    Statement(db_.handle(), "INSERT INTO file_set (\"when\", title, batch, running) VALUES (?,?,?,1)")
        .bind(static_cast<int64_t>(std::time(nullptr)))
        .bind(set.title)
        .bind(batch)
        .run();
    int64_t id = db_.lastId();
    Statement add(
        db_.handle(),
        "INSERT INTO step (file_set, number, file, state, source, target, copy) VALUES (?,?,?,?,?,?,?)");
    for (size_t i = 0; i < set.steps.size(); ++i) {
        const files::Step& s = set.steps[i];
        add.bind(id).bind(static_cast<int64_t>(i)).bind(s.file).bind(static_cast<int>(StepState::Planned));
        add.bindPath(s.source).bindPath(s.target).bind(s.copy ? 1 : 0).run();
    }
    transaction.commit();
    return id;
}

void Store::saveSteps(int64_t set, const std::vector<std::pair<size_t, const StepRecord*>>& steps) {
    if (steps.empty())
        return;
    Transaction transaction(db_);
    Statement save(
        db_.handle(),
        "UPDATE step SET state=?, error=?, detail=?, kept=?, target=?, file=? WHERE file_set=? AND number=?");
    for (const auto& [number, record] : steps) {
        save.bind(static_cast<int>(record->state)).bind(record->error).bind(detailOf(*record));
        save.bindBlob(record->keptBytes)
            .bindPath(record->step.target)
            .bind(record->step.file)
            .bind(set)
            .bind(static_cast<int64_t>(number))
            .run();
    }
    transaction.commit();
}

void Store::saveRemovedFolders(int64_t set, const std::vector<Path>& folders) {
    Statement(db_.handle(), "UPDATE file_set SET removed_folders=? WHERE id=?")
        .bind(dumped(pathList(folders)))
        .bind(set)
        .run();
}

void Store::endSet(int64_t set) {
    Statement(db_.handle(), "UPDATE file_set SET running=0 WHERE id=?").bind(set).run();
}

std::vector<SetSummary> Store::sets() {
    std::vector<SetSummary> out;
    Statement s(db_.handle(),
                "SELECT id, \"when\", title, running,"
                " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=2),"
                " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=3),"
                " (SELECT count(*) FROM step WHERE file_set=file_set.id AND state=4),"
                " (SELECT count(*) FROM step WHERE file_set=file_set.id) FROM file_set ORDER BY id DESC");
    while (s.step())
        out.push_back({s.integer(0), s.integer(1), s.string(2), static_cast<size_t>(s.integer(4)),
                       static_cast<size_t>(s.integer(5)), static_cast<size_t>(s.integer(6)),
                       static_cast<size_t>(s.integer(7)), s.integer(3) != 0});
    return out;
}

std::vector<SetStep> Store::steps(int64_t set) {
    std::vector<SetStep> out;
    Statement s(db_.handle(), "SELECT number, file, state, source, target, copy, error, detail, kept FROM "
                              "step WHERE file_set=? ORDER BY number");
    s.bind(set);
    while (s.step()) {
        SetStep step;
        step.set = set;
        step.number = static_cast<size_t>(s.integer(0));
        StepRecord& r = step.record;
        r.step.file = s.integer(1);
        r.state = static_cast<StepState>(s.integer(2));
        r.step.source = s.string(3);
        r.step.target = s.string(4);
        r.step.copy = s.integer(5) != 0;
        r.error = s.string(6);
        readDetail(s.string(7), r);
        r.keptBytes = s.string(8);
        out.push_back(std::move(step));
    }
    return out;
}

std::vector<Path> Store::removedFolders(int64_t set) {
    Statement s(db_.handle(), "SELECT removed_folders FROM file_set WHERE id=?");
    s.bind(set);
    if (!s.step())
        return {};
    json list = json::parse(s.string(0), nullptr, false);
    return list.is_array() ? pathsFrom(list) : std::vector<Path>();
}

int64_t Store::batchOfSet(int64_t set) {
    Statement s(db_.handle(), "SELECT batch FROM file_set WHERE id=?");
    s.bind(set);
    return s.step() ? s.integer(0) : 0;
}

} // namespace moorfrost::library
