// SPDX-License-Identifier: GPL-3.0-or-later
// What is proposed for files: the drafts, kept in the library as they are made, and whether the drafts or
// what is on disk is shown.
#pragma once

#include <QObject>

#include <functional>

#include "app/control/files_controller.h"
#include "core/edits/edits.h"
#include "core/library/drafts.h"

namespace moorfrost::app {

class DraftsController : public QObject {
    Q_OBJECT
public:
    /// `stamps`: as DraftSession has it.
    DraftsController(LibraryAccess& library, FilesController& files, std::function<uint64_t()> stamps);

    /// Reads what is kept of them, and of their files.
    void load();
    library::DraftSession& session() { return session_; }
    const library::DraftSession& session() const { return session_; }

    /// One undoable action. Files that may have no drafts are left out.
    void propose(const QString& action, const edits::Proposals& proposals);
    /// As edits see them; `chosen`: the fields that are chosen of each.
    edits::Subject subject(FileId id, std::vector<std::string> chosen = {}) const;
    std::vector<edits::Subject> subjects(const std::vector<FileId>& ids) const;

    tags::Fields shownFields(FileId id) const; // as they will be, or as on disk while that is shown
    std::vector<std::string> shownValues(FileId id, const std::string& key) const;
    /// The same without a copy; good until drafts or files change.
    const std::vector<std::string>& valuesShown(FileId id, const std::string& key) const;
    bool showsDisk() const { return showsDisk_; }
    void setShowsDisk(bool on);

signals:
    void changed();
    void diskShown(bool on);

private:
    LibraryAccess& library_;
    FilesController& files_;
    library::DraftSession session_;
    bool showsDisk_ = false;
};

} // namespace moorfrost::app
