// SPDX-License-Identifier: GPL-3.0-or-later
// The batch in sight: its files, the sleeve that each is in, and what hands did, step by step and back. What
// the library has to keep of it is handed to a sink, row by row, as it changes. Sorting is computed
// elsewhere: beginSorting() gives out the work, endSorting() takes what came of it. Lives on one thread.
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <set>
#include <stop_token>

#include "core/bench/known_files.h"
#include "core/bench/sleeve_places.h"
#include "core/library/drafts.h"
#include "core/matching/sleeves.h"

namespace moorfrost::bench {

/// What the library is to keep. All of it belongs to one batch.
struct BatchRows {
    int64_t batch = 0;
    std::map<FileId, std::string> sorted; // sleeves, found by sorting; those put by hand are left alone
    std::map<std::pair<std::string, bool>, std::vector<FileId>> put; // by sleeve, and whether by hand
    std::map<std::string, library::SleeveNote> notes;                // of sleeves; the others stay
    std::vector<std::string> notesGone;
    bool isEmpty() const { return sorted.empty() && put.empty() && notes.empty() && notesGone.empty(); }
};

enum class SplitBy { Folder, Disc, Album, Artist, Date, Format };

class Batch {
public:
    using Sink = std::function<void(const BatchRows&)>;

    Batch(const KnownFiles& files, const library::DraftSession& drafts, Sink sink)
        : files_(files), drafts_(drafts), sink_(std::move(sink)) {}

    /// In the place of the one that was in sight; its files must be known. 0: none.
    void load(int64_t id, const std::vector<library::BatchFile>& files,
              std::map<std::string, library::SleeveNote> notes);
    int64_t id() const { return id_; }
    const SleevePlaces& places() const { return places_; }
    /// Sleeves whose files, or what is said of them, have changed since this was last asked.
    std::set<std::string> takeTouched() { return places_.takeTouched(); }
    bool isTouched() const { return places_.isTouched(); }
    void touch(const std::string& key) { places_.touch(key); }
    void touchFile(FileId file);
    /// nullptr for the strays and what was never noted.
    const library::SleeveNote* note(const std::string& key) const;

    /// Files that came, or of which something else is known now. Those that are new are strays until sorted,
    /// unless a place is given. What cannot be read is a stray. `sort`: they wait to be sorted; else they
    /// stay where they are until all are sorted anew.
    struct Came {
        FileId file = 0;
        std::optional<library::BatchFile> place = {};
    };
    void put(const std::vector<Came>& files, bool sort);
    void remove(const std::vector<FileId>& files);

    // By hand; these stay until letSort(). Nothing is done where nothing would change.
    void putIntoSleeve(const std::vector<FileId>& files, const std::string& key); // "": strays
    void newSleeve(const std::vector<FileId>& files, const std::string& name);
    /// Into the largest of them.
    void mergeSleeves(const std::vector<std::string>& keys);
    /// What it would be split into, by value.
    std::map<std::string, std::vector<FileId>> partsOf(const std::string& key, SplitBy by) const;
    /// The largest part stays what it is, the others become sleeves of their own. `title`: what it is called
    /// until now.
    void splitSleeve(const std::string& key, SplitBy by, const std::string& title);
    void nameSleeve(const std::string& key, const std::string& name); // "": as its files say
    /// The last of these is as it was before; one after the other.
    void undoByHand();
    bool canUndoByHand() const { return !steps_.empty(); }
    /// These may be sorted by what is known of them again; true if there were any that might not.
    bool letSort(const std::vector<FileId>& files);

    // Sorting.
    class Sorting {
    public:
        /// On any thread, once.
        void run(std::stop_token stop);

    private:
        friend class Batch;
        struct Given {
            FilePtr file;
            std::optional<tags::Fields> fields; // where there are drafts
        };
        std::shared_ptr<matching::SleeveForming> former_;
        std::vector<Given> files_;
        std::vector<FileId> gone_;
        matching::SleeveChanges changes_;
        bool complete_ = false;
    };
    /// All of it anew, drafts included.
    void sortAnew();
    /// nullptr if nothing waits to be sorted, or it is being sorted.
    std::shared_ptr<Sorting> beginSorting();
    /// `work` may be one that was stopped, or of a batch that is not in sight any more.
    void endSorting(const std::shared_ptr<Sorting>& work);
    /// Nothing waits to be sorted.
    bool isSorted() const { return !sorting_ && unsorted_.empty(); }

private:
    struct Step {
        std::map<FileId, std::pair<std::string, bool>> places;           // before: sleeve, by hand
        std::map<std::string, std::optional<library::SleeveNote>> notes; // before
    };
    void begin();
    /// Tells the sink, and forgets a step that did nothing.
    void end();
    void move(const std::vector<FileId>& files, const std::string& key);
    void place(const std::vector<FileId>& files, const std::string& key, bool byHand);
    /// What is in a sleeve that a hand was laid on stays in it.
    void pin(const std::string& key);
    void setNote(const std::string& key, library::SleeveNote note);
    /// Of a new sleeve.
    std::string freshKey(const std::string& name, const std::string& why);
    void takeSorted(const matching::SleeveChanges& changes);
    bool isReadable(FileId file) const;
    void flush();

    const KnownFiles& files_;
    const library::DraftSession& drafts_;
    Sink sink_;
    int64_t id_ = 0;
    SleevePlaces places_;
    std::map<std::string, library::SleeveNote> notes_;
    std::vector<Step> steps_;
    BatchRows rows_; // not handed over yet
    std::shared_ptr<matching::SleeveForming>
        former_;                // the sorting's while it runs; nullptr: from the beginning
    std::set<FileId> left_;     // that it is still to be told of
    std::set<FileId> unsorted_; // what it was not given yet as it is
    std::shared_ptr<Sorting> sorting_;
};

} // namespace moorfrost::bench
