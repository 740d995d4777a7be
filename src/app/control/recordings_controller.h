// SPDX-License-Identifier: GPL-3.0-or-later
// What the library keeps of recordings, changed by people: values, which files are one recording, which of
// them is the best, absent files that are forgotten. Every change is journalled, and can be undone at once.
#pragma once

#include <QObject>

#include "app/control/kept_changes.h"
#include "core/library/families/families.h"
#include "core/library/recordings.h"

namespace moorfrost::app {

class RecordingsController : public QObject {
    Q_OBJECT
public:
    RecordingsController(LibraryAccess& library, KeptChanges& changes, Messages& messages);

    /// The recording of a file, with all its files. Not called if it cannot be read, which has been said.
    void read(QObject* asker, FileId file, std::function<void(library::RecordingView)> then);

    /// `title`: what the journal and the undo say. `then`: it is in the library, or never will be.
    void keep(const QString& title, const std::string& field, const library::KeptValues& values,
              std::function<void()> then);
    /// 1 to 5; 0: none. A note, a playout number: "" for none.
    void rate(const std::vector<FileId>& files, int rating);
    void note(const std::vector<FileId>& files, const QString& text);
    void setPlayout(const std::vector<FileId>& files, const QString& text);
    void addUse(const std::vector<FileId>& files, const library::Use& use);
    void removeUse(const std::vector<FileId>& files, const library::Use& use);
    void addBookmark(FileId file, const library::Bookmark& bookmark);
    void removeBookmark(FileId file, const library::Bookmark& bookmark);
    void merge(const std::vector<FileId>& files);
    /// Each list becomes a family of versions (core/library/families).
    void keepFamilies(const QString& title, const std::vector<std::vector<library::VersionToKeep>>& families);
    void settleFamilies(const std::vector<std::vector<library::VersionToKeep>>& families,
                        const std::vector<FileId>& alone);
    void part(const std::vector<FileId>& files);
    void chooseBest(FileId file, bool chosen);
    void forgetAbsent(const std::vector<FileId>& files);
    /// Files were found to have the same sound: they become one recording.
    void joinSameSound(const std::vector<std::vector<FileId>>& groups, std::function<void()> then);

signals:
    /// Something else is kept: of these files among others.
    void changed(const std::vector<moorfrost::library::FileId>& files);

private:
    /// The same value for all; says why where it cannot be kept.
    void keepSame(const QString& title, const std::string& field, const std::vector<FileId>& files,
                  const std::string& value);

    LibraryAccess& library_;
    KeptChanges& changes_;
    Messages& messages_;
};

} // namespace moorfrost::app
