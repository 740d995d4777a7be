// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/steps.h"

#include <algorithm>

#include <nlohmann/json.hpp>

#include "core/text/text.h"

namespace moorfrost::files {

using nlohmann::json;

namespace {

Path pathFrom(const json& j) {
    return text::fromHex(j.get<std::string>());
}

FileState stateFrom(const json& j) {
    return {j.at(0).get<uint64_t>(), j.at(1).get<int64_t>()};
}

/// Writes a JSON object piece by piece, leaving out what is empty: there are thousands of records in a set,
/// and a tree of values for each costs more than all else.
class ObjectWriter {
public:
    void string(const char* key, std::string_view value) {
        if (!value.empty()) {
            name(key);
            quoted(value);
        }
    }
    /// Paths as hexadecimal bytes: they need not be UTF-8.
    void path(const char* key, const Path& value) {
        if (!value.empty())
            string(key, text::hex(value.native()));
    }
    template<class Number>
    void number(const char* key, Number value) {
        if (value != 0) {
            name(key);
            out_ += std::to_string(value);
        }
    }
    void flag(const char* key, bool value) {
        if (value) {
            name(key);
            out_ += "true";
        }
    }
    template<class... Numbers>
    void numbers(const char* key, Numbers... values) {
        name(key);
        row(values...);
    }
    void strings(const char* key, const std::vector<std::string>& values) {
        if (!values.empty()) {
            name(key);
            list(values);
        }
    }
    void paths(const char* key, const std::vector<Path>& values) {
        std::vector<std::string> hex;
        for (const Path& p : values)
            hex.push_back(text::hex(p.native()));
        strings(key, hex);
    }
    void fields(const char* key, const tags::Fields& values) {
        if (values.empty())
            return;
        name(key);
        char before = '{';
        for (const auto& [field, list_] : values) {
            out_ += before;
            before = ',';
            quoted(field);
            out_ += ':';
            list(list_);
        }
        out_ += '}';
    }
    void extents(const char* key, const std::vector<Extent>& values) {
        if (values.empty())
            return;
        name(key);
        char before = '[';
        for (const Extent& e : values) {
            out_ += before;
            before = ',';
            row(e.fresh ? 1 : 0, e.offset, e.length);
        }
        out_ += ']';
    }
    std::string take() { return (out_.empty() ? "{" : std::move(out_)) + "}"; }

private:
    void name(const char* key) {
        out_ += out_.empty() ? "{\"" : ",\"";
        out_ += key;
        out_ += "\":";
    }
    template<class First, class... Rest>
    void row(First first, Rest... rest) {
        out_ += '[' + std::to_string(first);
        ((out_ += ',' + std::to_string(rest)), ...);
        out_ += ']';
    }
    void list(const std::vector<std::string>& values) {
        out_ += '[';
        for (size_t i = 0; i < values.size(); ++i) {
            if (i > 0)
                out_ += ',';
            quoted(values[i]);
        }
        out_ += ']';
    }
    void quoted(std::string_view value) {
        bool plain = std::all_of(value.begin(), value.end(),
                                 [](char c) { return c >= ' ' && c != '"' && c != '\\' && c != '\x7F'; });
        if (plain) // which also means: ASCII
            out_.append(1, '"').append(value).append(1, '"');
        else
            out_ += json(value).dump(-1, ' ', false, json::error_handler_t::replace);
    }
    std::string out_;
};

/// The fields that differ: of a file with lyrics of many pages and a new title, the title.
tags::Fields onlyChanged(const tags::Fields& fields, const tags::Fields& others) {
    tags::Fields out;
    for (const auto& [key, values] : fields)
        if (auto other = others.find(key); other == others.end() || other->second != values)
            out.emplace(key, values);
    return out;
}

} // namespace

std::string toText(const StepRecord& r) {
    ObjectWriter w;
    w.number("file", r.step.file);
    w.path("source", r.step.source);
    w.fields("changes", r.step.changes);
    w.path("target", r.step.target);
    w.flag("copy", r.step.copy);
    w.flag("made", r.step.made);
    w.number("state", static_cast<int>(r.state));
    w.string("error", r.error);
    w.flag("links_asked", r.linksAsked);
    w.strings("notes", r.notes);
    w.fields("before", onlyChanged(r.before, r.after));
    w.fields("after", onlyChanged(r.after, r.before));
    w.number("how", static_cast<int>(r.how));
    w.string("hash_before", r.hashBefore);
    w.string("hash_after", r.hashAfter);
    w.string("changed_hash", r.changedHash);
    w.numbers("state_before", r.stateBefore.size, r.stateBefore.modifiedNs);
    w.numbers("state_after", r.stateAfter.size, r.stateAfter.modifiedNs);
    w.numbers("identity", r.identity.device, r.identity.inode, r.identity.fileSystem);
    if (r.real != r.step.source)
        w.path("real", r.real);
    w.flag("cross", r.cross);
    w.number("circle", r.circle);
    w.path("parked", r.parked);
    w.paths("made_folders", r.madeFolders);
    w.flag("remove", r.remove);
    w.flag("blocked", r.blocked);
    w.extents("runs", r.undo.extents);
    return w.take();
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
        r.step.made = d.value("made", false);
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
        r.real = d.contains("real") ? pathFrom(d["real"]) : r.step.source;
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
