// SPDX-License-Identifier: GPL-3.0-or-later
// The part of the session by which hands put sleeves together and take them apart, step by step and back.
#include <algorithm>

#include "app/shell/session.h"
#include "app/shell/text_utils.h"
#include "core/text/text.h"

namespace moorfrost::app {

using library::Store;

void Session::beginByHand() {
    constexpr size_t most = 50;
    if (handSteps_.size() == most)
        handSteps_.erase(handSteps_.begin());
    handSteps_.push_back({{}, notes_});
}

void Session::undoByHand() {
    if (handSteps_.empty())
        return;
    HandStep step = std::move(handSteps_.back());
    handSteps_.pop_back();
    for (auto& [key, note] : step.notes) { // sleeves that were formed meanwhile keep theirs
        notes_[key] = std::move(note);
        places_.touch(key);
    }
    std::map<std::pair<std::string, bool>, std::vector<FileId>> back;
    for (const auto& [id, place] : step.before)
        if (places_.contains(id))
            back[place].push_back(id);
    for (const auto& [place, files] : back)
        setPlace(files, place.first, place.second);
    arrangeSleeves();
}

void Session::setPlace(const std::vector<FileId>& files, const std::string& key, bool byHand) {
    for (FileId id : files)
        places_.put(id, key, byHand);
    store_->post([batch = batch_, files, key, byHand, notes = notes_](Store& store) {
        store.putIntoSleeve(batch, files, key, byHand);
        store.setSleeveNotes(batch, notes);
    });
}

void Session::rememberByHand(const std::vector<FileId>& files, const std::string& key, bool byHand) {
    for (FileId id : files)
        handSteps_.back().before.try_emplace(id, places_.keyOf(id), places_.isByHand(id));
    setPlace(files, key, byHand);
}

/// What is in a sleeve that a hand was laid on stays in it.
void Session::pinSleeve(const std::string& key) {
    if (const SleeveView* s = sleeve(key); s && !s->isStrays())
        rememberByHand(s->files, key, true);
}

void Session::putIntoSleeve(const std::vector<FileId>& files, const std::string& key) {
    beginByHand();
    moveByHand(files, key);
}

void Session::moveByHand(const std::vector<FileId>& files, const std::string& key) {
    std::vector<FileId> moved;
    for (FileId id : files) // what cannot be read is a stray, wherever it is put
        if (FilePtr f = file(id); f && f->readable() && places_.contains(id) && places_.keyOf(id) != key)
            moved.push_back(id);
    if (moved.empty()) {
        handSteps_.pop_back();
        return;
    }
    pinSleeve(key);
    rememberByHand(moved, key, true);
    arrangeSleeves();
}

void Session::newSleeve(const std::vector<FileId>& files, const QString& name) {
    beginByHand();
    moveByHand(files, freshKey(name, tr("It was put together by hand.")));
}

std::string Session::freshKey(const QString& name, const QString& why) {
    std::string key;
    for (int n = 1; key.empty() || notes_.contains(key); ++n)
        key = "hand " + std::to_string(n);
    notes_[key] = {ss(name), ss(why)};
    return key;
}

std::map<std::string, std::vector<FileId>> Session::partsOf(const std::string& key, SplitBy by) const {
    std::map<std::string, std::vector<FileId>> parts;
    const SleeveView* view = sleeve(key);
    for (FileId id : view ? view->files : std::vector<FileId>()) {
        FilePtr f = file(id);
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

void Session::splitSleeve(const std::string& key, SplitBy by) {
    auto parts = partsOf(key, by);
    const SleeveView* view = sleeve(key);
    if (!view || view->isStrays() || parts.size() < 2)
        return;
    const QString title = view->title;
    const auto largest = std::max_element(parts.begin(), parts.end(), [](const auto& a, const auto& b) {
        return a.second.size() < b.second.size();
    });
    beginByHand();
    pinSleeve(key);
    for (auto it = parts.begin(); it != parts.end(); ++it)
        if (it != largest)
            rememberByHand(it->second,
                           freshKey(it->first.empty() ? title : tr("%1 (%2)").arg(title, qs(it->first)),
                                    tr("It was split off from \u201C%1\u201D by hand.").arg(title)),
                           true);
    arrangeSleeves();
}

void Session::mergeSleeves(const std::vector<std::string>& keys) {
    const SleeveView* largest = nullptr;
    std::vector<FileId> files;
    for (const std::string& key : keys)
        if (const SleeveView* s = sleeve(key)) {
            files.insert(files.end(), s->files.begin(), s->files.end());
            if (!s->isStrays() && (!largest || s->files.size() > largest->files.size()))
                largest = s;
        }
    if (!largest || keys.size() < 2)
        return;
    beginByHand();
    const std::string to = largest->key;
    const std::string merged =
        ss(tr("It was merged by hand from %n sleeve(s).", "", static_cast<int>(keys.size())));
    if (!notes_[to].why.ends_with(merged))
        notes_[to].why += (notes_[to].why.empty() ? "" : " ") + merged;
    moveByHand(files, to);
}

void Session::nameSleeve(const std::string& key, const QString& name) {
    if (key.empty() || !sleeve(key))
        return;
    beginByHand();
    notes_[key].name = ss(name.simplified());
    places_.touch(key);
    pinSleeve(key); // a name is for what it is now
    arrangeSleeves();
}

void Session::letSort(const std::vector<FileId>& files) {
    std::vector<FileId> pinned;
    for (FileId id : files)
        if (places_.isByHand(id))
            pinned.push_back(id);
    if (pinned.empty())
        return;
    beginByHand();
    rememberByHand(pinned, {}, false);
    sortIntoSleeves();
}

} // namespace moorfrost::app
