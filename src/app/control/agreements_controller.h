// SPDX-License-Identifier: GPL-3.0-or-later
// Agreements and their documents: copies beside the library, which are looked at anew when they are shown;
// made for a song, a party or a release.
#pragma once

#include <QObject>
#include <QTemporaryDir>

#include "app/control/people_controller.h"
#include "core/library/people/agreements.h"
#include "core/library/releases/release_view.h"

namespace moorfrost::app {

class AgreementsController : public QObject {
    Q_OBJECT
public:
    using CardId = library::CardId;

    AgreementsController(LibraryAccess& library, KeptChanges& changes, PeopleController& people,
                         JobList& jobs, Messages& messages);

    /// What it is for is named in it. `then`: its number.
    void make(const QString& title, const std::vector<CardId>& parties, const std::vector<CardId>& works,
              library::ReleaseId release, const std::vector<Path>& documents,
              std::function<void(CardId)> then = {});
    /// Copies of files, beside those that it has.
    void addDocuments(CardId agreement, const std::vector<Path>& files);
    void removeDocument(CardId agreement, const library::KeptDocument& document);
    /// `key`: "works" or library::coveredReleases.
    void setCovered(CardId agreement, const char* key, int64_t number, bool covered);
    /// Whether they are as they were kept, in this order.
    void check(QObject* asker, const std::vector<library::KeptDocument>& documents,
               std::function<void(std::vector<library::DocumentStore::State>)> then);
    void copy(const library::KeptDocument& document, const Path& to);
    /// A copy that goes with the program, to be opened by another one. `then`: where it is.
    void copyToOpen(const library::KeptDocument& document, std::function<void(Path)> then);
    /// About a release: it is named where it is kept, and all songs of its recordings are covered.
    void makeForRelease(const QString& title, const library::ReleaseView& view,
                        std::function<void(CardId)> then = {});
    /// Those in which the release or a song of it is named.
    void readOfRelease(QObject* asker, const library::ReleaseView& view,
                       std::function<void(std::vector<library::AgreementLine>)> then);
    /// Of a card, by the list that is known; in the order in which they end.
    std::vector<library::AgreementLine> of(CardId card) const;
    void wantShown(CardId agreement) { people_.wantShown(agreement, library::CardKind::Agreement); }

private:
    library::DocumentStore store() const {
        return library::DocumentStore(library::DocumentStore::folderOf(library_.file()));
    }
    void keepAll(const std::vector<Path>& files,
                 std::function<void(std::vector<library::KeptDocument>)> then);

    LibraryAccess& library_;
    KeptChanges& changes_;
    PeopleController& people_;
    JobList& jobs_;
    Messages& messages_;
    QTemporaryDir opened_; // for nobody else to read
};

} // namespace moorfrost::app
