// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/batch.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/matching/file_traits.h"
#include "core/text/text.h"

namespace moorfrost::bench {

using library::SleeveNote;

void Batch::load(int64_t id, const std::vector<library::BatchFile>& files,
                 std::map<std::string, SleeveNote> notes) {
    flush();
    id_ = id;
    steps_.clear();
    former_.reset();
    unsorted_.clear();
    left_.clear();
    places_.clear();
    notes_ = std::move(notes);
    for (const library::BatchFile& f : files)
        places_.put(f.file, isReadable(f.file) ? f.sleeve : std::string(), f.byHand);
}

bool Batch::isReadable(FileId file) const {
    const FilePtr f = files_.find(file);
    return f && f->readable();
}

void Batch::touchFile(FileId file) {
    if (places_.contains(file))
        places_.touchFile(file);
}

const SleeveNote* Batch::note(const std::string& key) const {
    auto it = notes_.find(key);
    return it == notes_.end() ? nullptr : &it->second;
}

void Batch::put(const std::vector<Came>& files, bool sort) {
    for (const auto& [id, place] : files) {
        if (!isReadable(id))
            places_.put(id, {}, false);
        else if (!places_.contains(id))
            places_.put(id, place ? place->sleeve : std::string(), place && place->byHand);
        places_.touchFile(id);
        left_.erase(id);
        if (sort)
            unsorted_.insert(id);
    }
    if (sort)
        return;
    former_.reset();
    if (sorting_) // what comes of it is not taken: what was given to it waits again
        for (const Sorting::Given& given : sorting_->files_)
            unsorted_.insert(given.file->id);
}

void Batch::remove(const std::vector<FileId>& files) {
    for (FileId id : files) {
        if (!places_.contains(id))
            continue;
        places_.remove(id);
        unsorted_.erase(id);
        left_.insert(id);
    }
}

// --- By hand

void Batch::begin() {
    constexpr size_t most = 50;
    if (steps_.size() == most)
        steps_.erase(steps_.begin());
    steps_.emplace_back();
}

void Batch::end() {
    if (steps_.back().places.empty() && steps_.back().notes.empty())
        steps_.pop_back();
    flush();
}

void Batch::flush() {
    if (rows_.isEmpty())
        return;
    rows_.batch = id_;
    if (id_ != 0 && sink_)
        sink_(rows_);
    rows_ = {};
}

void Batch::setNote(const std::string& key, SleeveNote note) {
    steps_.back().notes.try_emplace(key, notes_.contains(key) ? std::optional<SleeveNote>(notes_[key])
                                                              : std::nullopt);
    rows_.notes[key] = note;
    notes_[key] = std::move(note);
    places_.touch(key);
}

void Batch::place(const std::vector<FileId>& files, const std::string& key, bool byHand) {
    for (FileId id : files) {
        steps_.back().places.try_emplace(id, places_.keyOf(id), places_.isByHand(id));
        places_.put(id, key, byHand);
    }
    std::vector<FileId>& put = rows_.put[{key, byHand}];
    put.insert(put.end(), files.begin(), files.end());
}

void Batch::pin(const std::string& key) {
    if (key.empty())
        return;
    std::vector<FileId> loose;
    for (FileId id : places_.filesOf(key))
        if (!places_.isByHand(id))
            loose.push_back(id);
    if (!loose.empty())
        place(loose, key, true);
}

void Batch::move(const std::vector<FileId>& files, const std::string& key) {
    std::vector<FileId> moved;
    for (FileId id : files) // what cannot be read is a stray, wherever it is put
        if (places_.contains(id) && isReadable(id) && places_.keyOf(id) != key)
            moved.push_back(id);
    if (moved.empty())
        return;
    pin(key);
    place(moved, key, true);
}

void Batch::putIntoSleeve(const std::vector<FileId>& files, const std::string& key) {
    begin();
    move(files, key);
    end();
}

std::string Batch::freshKey(const std::string& name, const std::string& why) {
    std::string key;
    for (int n = 1; key.empty() || notes_.contains(key) || !places_.filesOf(key).empty(); ++n)
        key = "hand " + std::to_string(n);
    setNote(key, {name, why});
    return key;
}

void Batch::newSleeve(const std::vector<FileId>& files, const std::string& name) {
    if (std::ranges::none_of(files, [this](FileId id) { return places_.contains(id) && isReadable(id); }))
        return;
    begin();
    move(files, freshKey(name, "It was put together by hand."));
    end();
}

std::map<std::string, std::vector<FileId>> Batch::partsOf(const std::string& key, SplitBy by) const {
    std::map<std::string, std::vector<FileId>> parts;
    for (FileId id : places_.filesOf(key)) {
        const FilePtr f = files_.find(id);
        if (!f)
            continue;
        auto value = [&](const char* field) { return text::join(drafts_.effective(id, field), "; "); };
        std::string part;
        switch (by) {
        case SplitBy::Folder:
            part = text::forDisplay(f->path.parent_path().filename().native());
            break;
        case SplitBy::Disc:
            part = value("disc");
            break;
        case SplitBy::Album:
            part = value("album");
            break;
        case SplitBy::Artist:
            part = value("artist");
            break;
        case SplitBy::Date:
            part = value("date");
            break;
        case SplitBy::Format:
            part = audio::formatName(f->tags.format);
            break;
        }
        parts[part].push_back(id);
    }
    return parts;
}

void Batch::splitSleeve(const std::string& key, SplitBy by, const std::string& title) {
    const auto parts = partsOf(key, by);
    if (key.empty() || parts.size() < 2)
        return;
    const auto largest = std::max_element(parts.begin(), parts.end(), [](const auto& a, const auto& b) {
        return a.second.size() < b.second.size();
    });
    begin();
    pin(key);
    flush(); // in this order
    for (auto it = parts.begin(); it != parts.end(); ++it)
        if (it != largest)
            place(it->second,
                  freshKey(it->first.empty() ? title : fmt::format("{} ({})", title, it->first),
                           fmt::format("It was split off from \u201C{}\u201D by hand.", title)),
                  true);
    end();
}

void Batch::mergeSleeves(const std::vector<std::string>& keys) {
    const std::string* largest = nullptr;
    std::vector<FileId> files;
    for (const std::string& key : keys) {
        const std::set<FileId>& in = places_.filesOf(key);
        files.insert(files.end(), in.begin(), in.end());
        if (!key.empty() && !in.empty() && (!largest || in.size() > places_.filesOf(*largest).size()))
            largest = &key;
    }
    if (!largest || keys.size() < 2)
        return;
    begin();
    const std::string merged = fmt::format("It was merged by hand from {} sleeves.", keys.size());
    SleeveNote note = notes_[*largest];
    if (!note.why.ends_with(merged))
        note.why += (note.why.empty() ? "" : " ") + merged;
    setNote(*largest, std::move(note));
    move(files, *largest);
    end();
}

void Batch::nameSleeve(const std::string& key, const std::string& name) {
    if (key.empty() || places_.filesOf(key).empty())
        return;
    begin();
    SleeveNote note = notes_[key];
    note.name = name;
    setNote(key, std::move(note));
    pin(key); // a name is for what it is now
    end();
}

void Batch::undoByHand() {
    if (steps_.empty())
        return;
    const Step step = std::move(steps_.back());
    steps_.pop_back();
    for (const auto& [key, before] : step.notes) {
        if (before) {
            notes_[key] = rows_.notes[key] = *before;
        } else {
            notes_.erase(key);
            rows_.notesGone.push_back(key);
        }
        places_.touch(key);
    }
    for (const auto& [id, before] : step.places)
        if (places_.contains(id)) {
            places_.put(id, before.first, before.second);
            rows_.put[before].push_back(id);
        }
    flush();
}

bool Batch::letSort(const std::vector<FileId>& files) {
    std::vector<FileId> pinned;
    for (FileId id : files)
        if (places_.isByHand(id))
            pinned.push_back(id);
    if (pinned.empty())
        return false;
    begin();
    place(pinned, {}, false);
    end();
    sortAnew();
    return true;
}

// --- Sorting

void Batch::sortAnew() {
    former_.reset(); // from the beginning: drafts may have changed any of them, and hands let go of some
    places_.touchAll();
    for (FileId id : places_.files())
        unsorted_.insert(id);
}

std::shared_ptr<Batch::Sorting> Batch::beginSorting() {
    if (sorting_ || (unsorted_.empty() && left_.empty()))
        return nullptr;
    auto work = std::make_shared<Sorting>();
    if (!former_) {
        former_ = std::make_shared<matching::SleeveForming>();
        for (FileId id : places_.files())
            unsorted_.insert(id);
    }
    work->former_ = former_;
    const std::set<FileId> left = std::exchange(left_, {});
    work->gone_.assign(left.begin(), left.end());
    for (FileId id : std::exchange(unsorted_, {}))
        if (places_.contains(id) && isReadable(id))
            work->files_.push_back({files_.find(id), drafts_.of(id).empty()
                                                         ? std::nullopt
                                                         : std::optional(drafts_.effective(id))});
        else
            work->gone_.push_back(id);
    sorting_ = work;
    return work;
}

void Batch::Sorting::run(std::stop_token stop) {
    for (FileId id : gone_)
        former_->remove(id);
    for (const auto& [f, fields] : files_) {
        if (stop.stop_requested())
            return;
        former_->put(matching::sleeveInput(f->id, f->path, f->tags, fields ? *fields : f->tags.fields,
                                           f->state.modifiedNs));
    }
    if (stop.stop_requested())
        return;
    changes_ = former_->changes();
    complete_ = true;
}

void Batch::endSorting(const std::shared_ptr<Sorting>& work) {
    sorting_.reset();
    if (former_ == work->former_ && work->complete_)
        takeSorted(work->changes_);
    else if (former_ == work->former_)
        former_.reset(); // it was stopped: the next time from the beginning
    if (isSorted())
        places_.touch(std::string()); // only now it is known what is a stray
    flush();
}

void Batch::takeSorted(const matching::SleeveChanges& changes) {
    for (const matching::Sleeve& s : changes.changed) {
        for (FileId id : s.ids)
            if (places_.contains(id) && !places_.isByHand(id)) {
                places_.put(id, s.key, false);
                rows_.sorted[id] = s.key;
            }
        // What was made by hand keeps its name and reason.
        SleeveNote& note = notes_[s.key];
        if (!places_.hasByHand(s.key) || note.why.empty())
            note.why = s.why;
        rows_.notes[s.key] = note;
        places_.touch(s.key);
    }
    for (const std::string& key : changes.gone)
        if (!places_.hasByHand(key)) {
            notes_.erase(key);
            rows_.notesGone.push_back(key);
        }
}

} // namespace moorfrost::bench
