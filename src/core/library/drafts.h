// SPDX-License-Identifier: GPL-3.0-or-later
// The drafts of all files, with undo and redo. The one place through which the interface edits. Lives on one
// thread; what changes is handed to a sink, which stores it.
#pragma once

#include <functional>
#include <map>
#include <set>

#include "core/library/records.h"
#include "core/tags/picture_changes.h"

namespace moorfrost::library {

class DraftSession {
public:
    /// The fields of a file as they are on disk; nullptr for unknown files.
    using OnDisk = std::function<const tags::Fields*(FileId)>;
    using Sink = std::function<void(std::vector<DraftChange>)>;
    using Clock = std::function<int64_t()>;

    /// `stamps`: gives a larger number each time; where other things can be undone, too, the same for all.
    DraftSession(OnDisk onDisk, Clock clock, std::function<uint64_t()> stamps = {})
        : onDisk_(std::move(onDisk)), clock_(std::move(clock)), stamps_(std::move(stamps)) {}
    /// The pictures of a file as they are on disk; nullptr for unknown files. Without it none has any.
    using PicturesOnDisk = std::function<const std::vector<tags::PictureInfo>*(FileId)>;
    void setPicturesOnDisk(PicturesOnDisk pictures) { picturesOnDisk_ = std::move(pictures); }
    void setSink(Sink sink) { sink_ = std::move(sink); }
    /// Called after every change with the files it touched.
    void setObserver(std::function<void(const std::set<FileId>&)> observer) {
        observer_ = std::move(observer);
    }

    /// Replaces everything, without undo: what was stored.
    void load(const std::vector<std::tuple<FileId, std::string, Draft>>& drafts);

    struct Wish {
        FileId file = 0;
        std::string field;
        std::vector<std::string> values;
        std::string origin = {}; // where it comes from, if not from where the others do
    };
    /// One undoable action. A wish for what is on disk already drops the draft.
    void propose(const std::string& action, const std::vector<Wish>& wishes, const std::string& origin);
    void drop(const std::string& action, const std::vector<std::pair<FileId, std::string>>& which);
    void dropAll(const std::string& action, const std::set<FileId>& files);

    bool canUndo() const { return !undo_.empty(); }
    bool canRedo() const { return !redo_.empty(); }
    std::string undoName() const { return undo_.empty() ? std::string() : undo_.back().name; }
    std::string redoName() const { return redo_.empty() ? std::string() : redo_.back().name; }
    /// When the action was done that would be undone (done again) now; 0 if there is none.
    uint64_t undoStamp() const { return undo_.empty() ? 0 : undo_.back().stamp; }
    uint64_t redoStamp() const { return redo_.empty() ? 0 : redo_.back().stamp; }
    /// Called for each action that can be undone, when it is done the first time.
    void setRecorded(std::function<void()> recorded) { recorded_ = std::move(recorded); }
    void forgetRedo() { redo_.clear(); }
    void undo();
    void redo();
    void forgetHistory();
    /// What was written is no draft any more, unless something else was proposed meanwhile; nor is the place
    /// if `moved`. The store knows it already (DraftTable::removeWritten): nothing goes to the sink.
    struct Written {
        FileId file = 0;
        tags::Fields fields;
        bool moved = false;
    };
    void forgetWritten(const std::vector<Written>& written);
    /// These files are no more, and their drafts with them; the store knows it already.
    void forgetFiles(const std::vector<FileId>& files);

    const Draft* find(FileId file, std::string_view field) const;
    const std::map<std::string, Draft, std::less<>>& of(FileId file) const;
    const std::map<FileId, std::map<std::string, Draft, std::less<>>>& all() const { return drafts_; }
    /// What to write into the file: its drafts of fields and pictures, without its place.
    tags::Fields changes(FileId file) const;
    /// The fields as they will be.
    tags::Fields effective(FileId file) const;
    /// The pictures as they will be.
    std::vector<tags::PictureInfo> pictures(FileId file) const;
    std::vector<std::string> effective(FileId file, std::string_view field) const;

    size_t fieldDrafts() const;
    size_t filesWithFieldDrafts() const;
    size_t placeDrafts() const;

private:
    struct Action {
        std::string name;
        std::vector<DraftChange> changes;
        uint64_t stamp = 0;
    };
    void perform(Action action, bool record);
    void put(const DraftChange& change, bool forward);
    void replay(Action action, bool forward);

    OnDisk onDisk_;
    PicturesOnDisk picturesOnDisk_;
    Clock clock_;
    std::function<uint64_t()> stamps_;
    std::function<void()> recorded_;
    Sink sink_;
    std::function<void(const std::set<FileId>&)> observer_;
    std::map<FileId, std::map<std::string, Draft, std::less<>>> drafts_;
    std::vector<Action> undo_, redo_;
};

} // namespace moorfrost::library
