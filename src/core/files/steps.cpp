// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/steps.h"

#include <nlohmann/json.hpp>

#include "core/text/text.h"

namespace moorfrost::files {

using nlohmann::json;

namespace {

/// Paths in JSON as hexadecimal bytes: they need not be UTF-8.
json pathJson(const Path& path) {
    return text::hex(path.native());
}

Path pathFrom(const json& j) {
    return text::fromHex(j.get<std::string>());
}

json stateJson(const FileState& s) {
    return {s.size, s.modifiedNs};
}

FileState stateFrom(const json& j) {
    return {j.at(0).get<uint64_t>(), j.at(1).get<int64_t>()};
}

} // namespace

std::string toText(const StepRecord& r) {
    json undo = json::array();
    for (const Extent& e : r.undo.extents)
        undo.push_back({e.fresh ? 1 : 0, e.offset, e.length});
    json folders = json::array();
    for (const Path& p : r.madeFolders)
        folders.push_back(pathJson(p));
    json all = {{"file", r.step.file},
                {"source", pathJson(r.step.source)},
                {"changes", r.step.changes},
                {"target", pathJson(r.step.target)},
                {"copy", r.step.copy},
                {"state", static_cast<int>(r.state)},
                {"error", r.error},
                {"links_asked", r.linksAsked},
                {"notes", r.notes},
                {"before", r.before},
                {"after", r.after},
                {"how", static_cast<int>(r.how)},
                {"hash_before", r.hashBefore},
                {"hash_after", r.hashAfter},
                {"changed_hash", r.changedHash},
                {"state_before", stateJson(r.stateBefore)},
                {"state_after", stateJson(r.stateAfter)},
                {"identity", {r.identity.device, r.identity.inode, r.identity.fileSystem}},
                {"real", pathJson(r.real)},
                {"cross", r.cross},
                {"circle", r.circle},
                {"parked", pathJson(r.parked)},
                {"made_folders", folders},
                {"remove", r.remove},
                {"blocked", r.blocked},
                {"runs", undo}};
    return all.dump(-1, ' ', false, json::error_handler_t::replace);
}

Result<StepRecord> recordFromText(const std::string& text) {
    json d = json::parse(text, nullptr, false);
    if (!d.is_object())
        return Error{ErrorKind::Damaged, {}, "This is not a record of a step."};
    try {
        StepRecord r;
        r.step.file = d.value("file", int64_t{0});
        r.step.source = pathFrom(d.value("source", json("")));
        r.step.changes = d.value("changes", tags::Fields());
        r.step.target = pathFrom(d.value("target", json("")));
        r.step.copy = d.value("copy", false);
        int state = d.value("state", 0);
        if (state < 0 || state > static_cast<int>(StepState::SetAside))
            return Error{ErrorKind::Damaged, {}, "The record has an unknown state."};
        r.state = static_cast<StepState>(state);
        r.error = d.value("error", std::string());
        r.linksAsked = d.value("links_asked", false);
        r.notes = d.value("notes", std::vector<std::string>());
        r.before = d.value("before", tags::Fields());
        r.after = d.value("after", tags::Fields());
        // Libraries from before the classes knew one way only.
        int how = d.value("how", static_cast<int>(d.value("content_changed", false) ? CommitClass::Rewrite
                                                                                    : CommitClass::Nothing));
        if (how < 0 || how > static_cast<int>(CommitClass::Rewrite))
            return Error{ErrorKind::Damaged, {}, "The record has an unknown class."};
        r.how = static_cast<CommitClass>(how);
        r.hashBefore = d.value("hash_before", std::string());
        r.hashAfter = d.value("hash_after", std::string());
        r.changedHash = d.value("changed_hash", std::string());
        if (d.contains("state_before"))
            r.stateBefore = stateFrom(d["state_before"]);
        if (d.contains("state_after"))
            r.stateAfter = stateFrom(d["state_after"]);
        if (d.contains("identity"))
            r.identity = {d["identity"].at(0).get<uint64_t>(), d["identity"].at(1).get<uint64_t>(),
                          d["identity"].at(2).get<uint64_t>()};
        r.real = pathFrom(d.value("real", json("")));
        r.cross = d.value("cross", false);
        r.circle = d.value("circle", 0);
        r.parked = pathFrom(d.value("parked", json("")));
        r.remove = d.value("remove", false);
        r.blocked = d.value("blocked", false);
        for (const json& p : d.value("made_folders", json::array()))
            r.madeFolders.push_back(pathFrom(p));
        for (const json& run : d.value("runs", json::array()))
            r.undo.extents.push_back(
                {run.at(0).get<int>() != 0, run.at(1).get<uint64_t>(), run.at(2).get<uint64_t>()});
        return r;
    } catch (const json::exception&) {
        return Error{ErrorKind::Damaged, {}, "The record of the step is not complete."};
    }
}

} // namespace moorfrost::files
