// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/drafts.h"

#include <algorithm>

#include "core/tags/tag_io.h"

namespace moorfrost::library {

void DraftSession::load(const std::vector<std::tuple<FileId, std::string, Draft>>& drafts) {
    std::set<FileId> touched;
    for (const auto& [file, fields] : drafts_)
        touched.insert(file);
    drafts_.clear();
    for (const auto& [file, field, draft] : drafts) {
        drafts_[file][field] = draft;
        touched.insert(file);
    }
    if (observer_)
        observer_(touched);
}

const Draft* DraftSession::find(FileId file, std::string_view field) const {
    auto f = drafts_.find(file);
    if (f == drafts_.end())
        return nullptr;
    auto d = f->second.find(field);
    return d == f->second.end() ? nullptr : &d->second;
}

const std::map<std::string, Draft, std::less<>>& DraftSession::of(FileId file) const {
    static const std::map<std::string, Draft, std::less<>> none;
    auto f = drafts_.find(file);
    return f == drafts_.end() ? none : f->second;
}

void DraftSession::propose(const std::string& name, const std::vector<Wish>& wishes,
                           const std::string& origin) {
    Action action{name, {}};
    for (const Wish& wish : wishes) {
        const Draft* had = find(wish.file, wish.field);
        DraftChange change{wish.file, wish.field, had ? std::optional<Draft>(*had) : std::nullopt,
                           std::nullopt};
        const tags::Fields* disk = onDisk_(wish.file);
        bool same = false;
        if (tags::isPictureKey(wish.field)) {
            const std::vector<tags::PictureInfo>* pictures =
                picturesOnDisk_ ? picturesOnDisk_(wish.file) : nullptr;
            const tags::Fields there =
                tags::pictureFields(pictures ? *pictures : std::vector<tags::PictureInfo>());
            auto it = there.find(wish.field);
            same = it == there.end() ? wish.values.empty() : it->second == wish.values;
        } else if (disk && wish.field != placeKey) {
            auto it = disk->find(wish.field);
            same = it == disk->end() ? wish.values.empty() : it->second == wish.values;
        }
        if (!same)
            change.after = Draft{wish.values, wish.origin.empty() ? origin : wish.origin, clock_()};
        bool nothing = (!change.before && !change.after) ||
                       (change.before && change.after && change.before->values == change.after->values);
        if (!nothing)
            action.changes.push_back(std::move(change));
    }
    perform(std::move(action), true);
}

void DraftSession::drop(const std::string& name, const std::vector<std::pair<FileId, std::string>>& which) {
    Action action{name, {}};
    for (const auto& [file, field] : which)
        if (const Draft* had = find(file, field))
            action.changes.push_back({file, field, *had, std::nullopt});
    perform(std::move(action), true);
}

void DraftSession::dropAll(const std::string& name, const std::set<FileId>& files) {
    std::vector<std::pair<FileId, std::string>> which;
    for (FileId file : files)
        for (const auto& [field, draft] : of(file))
            which.emplace_back(file, field);
    drop(name, which);
}

void DraftSession::put(const DraftChange& change, bool forward) {
    const std::optional<Draft>& value = forward ? change.after : change.before;
    if (value) {
        drafts_[change.file][change.field] = *value;
    } else if (auto f = drafts_.find(change.file); f != drafts_.end()) {
        f->second.erase(change.field);
        if (f->second.empty())
            drafts_.erase(f);
    }
}

void DraftSession::replay(Action action, bool forward) {
    std::set<FileId> touched;
    for (DraftChange& change : action.changes) {
        put(change, forward);
        touched.insert(touched.end(), change.file); // they mostly rise
        if (!forward)
            std::swap(change.before, change.after);
    }
    if (sink_)
        sink_(std::move(action.changes));
    if (observer_)
        observer_(touched);
}

void DraftSession::perform(Action action, bool record) {
    if (action.changes.empty())
        return;
    action.stamp = stamps_ ? stamps_() : 1;
    if (record) { // before others are told, who may look
        undo_.push_back(action);
        redo_.clear();
        if (recorded_)
            recorded_();
    }
    replay(std::move(action), true);
}

void DraftSession::undo() {
    if (undo_.empty())
        return;
    Action action = std::move(undo_.back());
    undo_.pop_back();
    redo_.push_back(action);
    replay(std::move(action), false);
}

void DraftSession::redo() {
    if (redo_.empty())
        return;
    Action action = std::move(redo_.back());
    redo_.pop_back();
    undo_.push_back(action);
    replay(std::move(action), true);
}

void DraftSession::forgetWritten(const std::vector<Written>& written) {
    std::set<FileId> touched;
    auto forget = [&](FileId file, const std::string& field) {
        put({file, field, std::nullopt, std::nullopt}, true);
        touched.insert(file);
    };
    for (const Written& w : written) {
        for (const auto& [field, values] : w.fields)
            if (const Draft* draft = find(w.file, field); draft && draft->values == values)
                forget(w.file, field);
        if (w.moved && find(w.file, placeKey))
            forget(w.file, placeKey);
    }
    if (!touched.empty() && observer_)
        observer_(touched);
}

void DraftSession::forgetFiles(const std::vector<FileId>& files) {
    std::set<FileId> touched;
    for (FileId id : files)
        if (drafts_.erase(id) > 0)
            touched.insert(id);
    if (!touched.empty() && observer_)
        observer_(touched);
}

void DraftSession::forgetHistory() {
    undo_.clear();
    redo_.clear();
}

tags::Fields DraftSession::changes(FileId file) const {
    tags::Fields out;
    for (const auto& [field, draft] : of(file))
        if (field != placeKey)
            out[field] = draft.values;
    return out;
}

tags::Fields DraftSession::effective(FileId file) const {
    const tags::Fields* disk = onDisk_(file);
    return tags::applied(disk ? *disk : tags::Fields(), tags::withoutPictures(changes(file)));
}

std::vector<tags::PictureInfo> DraftSession::pictures(FileId file) const {
    const std::vector<tags::PictureInfo>* disk = picturesOnDisk_ ? picturesOnDisk_(file) : nullptr;
    return tags::appliedPictures(disk ? *disk : std::vector<tags::PictureInfo>(), changes(file));
}

std::vector<std::string> DraftSession::effective(FileId file, std::string_view field) const {
    if (const Draft* draft = find(file, field))
        return draft->values;
    const tags::Fields* disk = onDisk_(file);
    if (!disk)
        return {};
    auto it = disk->find(field);
    return it == disk->end() ? std::vector<std::string>() : it->second;
}

size_t DraftSession::fieldDrafts() const {
    size_t n = 0;
    for (const auto& [file, fields] : drafts_)
        n += fields.size() - (fields.contains(placeKey) ? 1 : 0);
    return n;
}

size_t DraftSession::filesWithFieldDrafts() const {
    size_t n = 0;
    for (const auto& [file, fields] : drafts_)
        n += fields.size() > (fields.contains(placeKey) ? 1u : 0u) ? 1 : 0;
    return n;
}

size_t DraftSession::placeDrafts() const {
    size_t n = 0;
    for (const auto& [file, fields] : drafts_)
        n += fields.contains(placeKey) ? 1 : 0;
    return n;
}

} // namespace moorfrost::library
