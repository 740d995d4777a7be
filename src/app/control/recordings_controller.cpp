// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/recordings_controller.h"

#include <algorithm>
#include <utility>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Store;

RecordingsController::RecordingsController(LibraryAccess& library, FilesController& files, Messages& messages,
                                           std::function<uint64_t()> clock)
    : library_(library), files_(files), messages_(messages), clock_(std::move(clock)) {}

void RecordingsController::read(QObject* asker, FileId file,
                                std::function<void(library::RecordingView)> then) {
    library_.read(
        asker, [file](Store& store) { return library::recordingOf(store, file); },
        [then](Result<library::RecordingView> view) {
            if (view)
                then(std::move(*view));
        });
}

void RecordingsController::follow(const Outcome& outcome) {
    std::vector<FileId> known;
    for (FileId id : outcome.touched)
        if (files_.known().contains(id))
            known.push_back(id);
    if (!known.empty())
        files_.readAgain(this, known);
    emit changed(outcome.touched);
}

void RecordingsController::write(Work work, const QString& title, std::function<void(bool)> then) {
    auto number = std::make_shared<std::atomic<int64_t>>(0);
    if (!title.isEmpty()) { // it can be undone from now on, wherever the library is with it
        undo_.push_back({number, title, clock_()});
        emit historyChanged(true);
    }
    library_.write(
        this,
        [work = std::move(work), number](Store& store) {
            Result<Outcome> outcome = work(store);
            *number = outcome ? outcome->change : 0;
            return outcome;
        },
        [this, number, then](const Result<Outcome>& outcome) {
            if (outcome && outcome->change != 0)
                follow(*outcome);
            else
                dropActions([&](const Action& a) { return a.change == number; });
            if (then)
                then(bool(outcome));
        });
}

void RecordingsController::dropActions(const std::function<bool(const Action&)>& which) {
    if (std::erase_if(undo_, which) + std::erase_if(redo_, which) > 0)
        emit historyChanged(false);
}

void RecordingsController::keep(const QString& title, const std::string& field,
                                const library::KeptValues& values, std::function<void()> then) {
    write([t = ss(title), field,
           values](Store& store) -> Result<Outcome> { return library::keepValues(store, t, field, values); },
          title, [then](bool) { then(); });
}

void RecordingsController::keepSame(const QString& title, const std::string& field,
                                    const std::vector<FileId>& files, const std::string& value) {
    const std::vector<std::string> values =
        value.empty() ? std::vector<std::string>() : std::vector<std::string>{value};
    if (const std::string why = library::whyNotKept(field, values); !why.empty()) {
        messages_.say(qs(why), true);
        return;
    }
    library::KeptValues all;
    for (const FileId file : files)
        all[file] = values;
    keep(title, field, all, [] {});
}

void RecordingsController::rate(const std::vector<FileId>& files, int rating) {
    keepSame(rating > 0 ? tr("Rate %1").arg(rating) : tr("Take the rating away"), library::ratingField, files,
             rating > 0 ? std::to_string(rating) : std::string());
}

void RecordingsController::note(const std::vector<FileId>& files, const QString& text) {
    keepSame(tr("Note"), library::noteField, files, ss(text.trimmed()));
}

void RecordingsController::setPlayout(const std::vector<FileId>& files, const QString& text) {
    keepSame(tr("Playout number"), library::playoutField, files, ss(text.simplified()));
}

void RecordingsController::addUse(const std::vector<FileId>& files, const library::Use& use) {
    const QString title = tr("Used in %1").arg(qs(use.what));
    write([title = ss(title), use, files](Store& store) { return library::addUse(store, title, use, files); },
          title);
}

void RecordingsController::removeUse(const std::vector<FileId>& files, const library::Use& use) {
    const QString title = tr("Not used in %1").arg(qs(use.what));
    write([title = ss(title), use,
           files](Store& store) -> Result<Outcome> { return library::removeUse(store, title, use, files); },
          title);
}

void RecordingsController::merge(const std::vector<FileId>& files) {
    write([files](Store& store) { return library::mergeRecordings(store, files); }, tr("Make one recording"));
}

void RecordingsController::part(const std::vector<FileId>& files) {
    write([files](Store& store) { return library::partFiles(store, files); }, tr("Part from the recording"));
}

void RecordingsController::chooseBest(FileId file, bool chosen) {
    write([file, chosen](Store& store) { return library::chooseBest(store, file, chosen); },
          tr("Choose the best file"));
}

void RecordingsController::forgetAbsent(const std::vector<FileId>& files) {
    write([files](Store& store) { return library::forgetAbsent(store, files); }, tr("Forget absent files"));
}

void RecordingsController::joinSameSound(const std::vector<std::vector<FileId>>& groups,
                                         std::function<void()> then) {
    write([groups](Store& store) -> Result<Outcome> { return library::joinSameSound(store, groups); }, {},
          [then](bool) { then(); });
}

void RecordingsController::takeBack(int64_t change) {
    write([change](Store& store) { return library::takeBackChange(store, change); }, {},
          [this, change](bool done) {
              if (!done)
                  return;
              dropActions([change](const Action& a) { return *a.change == change; });
              messages_.say(tr("The change was taken back."));
          });
}

void RecordingsController::undo() {
    turn(undo_, redo_, &library::takeBackChange);
}

void RecordingsController::redo() {
    turn(redo_, undo_, &library::makeChangeAgain);
}

void RecordingsController::turn(std::vector<Action>& from, std::vector<Action>& to,
                                Result<Outcome> (*how)(Store&, int64_t)) {
    if (from.empty())
        return;
    const Action action = std::move(from.back());
    from.pop_back();
    to.push_back(action);
    emit historyChanged(false);
    write(
        [number = action.change, how](Store& store) -> Result<Outcome> {
            return *number == 0 ? Result<Outcome>(Outcome{}) : how(store, *number);
        },
        {},
        [this, number = action.change](bool done) {
            if (!done) // why was said; it is neither to be undone nor to be done again
                dropActions([&](const Action& a) { return a.change == number; });
        });
}

void RecordingsController::forgetRedo() {
    redo_.clear();
}

} // namespace moorfrost::app
