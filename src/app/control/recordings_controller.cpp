// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/recordings_controller.h"

#include <algorithm>
#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

using library::Store;

RecordingsController::RecordingsController(LibraryAccess& library, KeptChanges& changes, Messages& messages)
    : library_(library), changes_(changes), messages_(messages) {
    connect(&changes_, &KeptChanges::changed, this, &RecordingsController::changed);
}

void RecordingsController::read(QObject* asker, FileId file,
                                std::function<void(library::RecordingView)> then) {
    library_.read(
        asker, [file](Store& store) { return library::recordingOf(store, file); },
        [then](Result<library::RecordingView> view) {
            if (view)
                then(std::move(*view));
        });
}

void RecordingsController::keep(const QString& title, const std::string& field,
                                const library::KeptValues& values, std::function<void()> then) {
    changes_.make(
        [t = ss(title), field, values](Store& store) -> Result<library::ChangeOutcome> {
            return library::keepValues(store, t, field, values);
        },
        title, [then](bool) { then(); });
}

void RecordingsController::keepSame(const QString& title, const std::string& field,
                                    const std::vector<FileId>& files, const std::string& value) {
    const std::vector<std::string> values =
        value.empty() ? std::vector<std::string>() : std::vector<std::string>{value};
    if (const std::string why = library::whyNotKept(field, values); !why.empty()) {
        messages_.say(spoken(why), true);
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
    changes_.make(
        [title = ss(title), use, files](Store& store) { return library::addUse(store, title, use, files); },
        title);
}

void RecordingsController::removeUse(const std::vector<FileId>& files, const library::Use& use) {
    const QString title = tr("Not used in %1").arg(qs(use.what));
    changes_.make(
        [title = ss(title), use, files](Store& store) -> Result<library::ChangeOutcome> {
            return library::removeUse(store, title, use, files);
        },
        title);
}

void RecordingsController::addBookmark(FileId file, const library::Bookmark& bookmark) {
    const QString title = tr("Bookmark");
    changes_.make([title = ss(title), bookmark,
                   file](Store& store) { return library::addBookmark(store, title, bookmark, file); },
                  title);
}

void RecordingsController::removeBookmark(FileId file, const library::Bookmark& bookmark) {
    const QString title = tr("Remove a bookmark");
    changes_.make(
        [title = ss(title), bookmark, file](Store& store) -> Result<library::ChangeOutcome> {
            return library::removeBookmark(store, title, bookmark, file);
        },
        title);
}

void RecordingsController::keepFamilies(const QString& title,
                                        const std::vector<std::vector<library::VersionToKeep>>& families) {
    changes_.make([families](Store& store) { return library::keepFamilies(store, families); }, title);
}

void RecordingsController::settleFamilies(const std::vector<std::vector<library::VersionToKeep>>& families,
                                          const std::vector<FileId>& alone) {
    changes_.make([families, alone](Store& store) { return library::settleFamilies(store, families, alone); },
                  tr("Versions of recordings"));
}

void RecordingsController::merge(const std::vector<FileId>& files) {
    changes_.make([files](Store& store) { return library::mergeRecordings(store, files); },
                  tr("Make one recording"));
}

void RecordingsController::part(const std::vector<FileId>& files) {
    changes_.make([files](Store& store) { return library::partFiles(store, files); },
                  tr("Part from the recording"));
}

void RecordingsController::chooseBest(FileId file, bool chosen) {
    changes_.make([file, chosen](Store& store) { return library::chooseBest(store, file, chosen); },
                  tr("Choose the best file"));
}

void RecordingsController::forgetAbsent(const std::vector<FileId>& files) {
    changes_.make([files](Store& store) { return library::forgetAbsent(store, files); },
                  tr("Forget absent files"));
}

void RecordingsController::joinSameSound(const std::vector<std::vector<FileId>>& groups,
                                         std::function<void()> then) {
    changes_.make(
        [groups](Store& store) -> Result<library::ChangeOutcome> {
            return library::joinSameSound(store, groups);
        },
        {}, [then](bool) { then(); });
}

} // namespace moorfrost::app
