// SPDX-License-Identifier: GPL-3.0-or-later
// Releases: every edition of the library, with what is known of it, its tracks, and its set.
#pragma once

#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QWidget>

#include "app/control/agreements_controller.h"
#include "app/control/drafts_controller.h"
#include "app/control/library_settings.h"
#include "app/control/messages.h"
#include "app/control/pictures_controller.h"
#include "app/control/release_sources.h"
#include "app/control/releases_controller.h"
#include "app/control/sleeve_views.h"
#include "app/widgets/controls.h"

class QStackedWidget;

namespace moorfrost::app {

class FactTable;
class NewReleaseDialog;
class ReleaseLines;
class ReleasePicturesBox;
class ReleaseSide;
class ReleaseTracks;

class ReleasesPage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        Messages& messages;
        JobList& jobs;
        LibraryAccess& library;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        SleeveViews& sleeves;
        ReleaseSources& sources;
        ReleasesController& releases;
        PicturesController& pictures;
        SoundPrints& sounds;
        AgreementsController& agreements;
    };
    /// `parts`: the buttons of the parts of the workspace, for its head.
    ReleasesPage(const Uses& use, QWidget* parts, QWidget* parent = nullptr);

    QLineEdit* searchBox() { return search_; }
    ReleaseLines* lines() { return lines_; }
    FactTable* facts() { return facts_; }
    ReleaseTracks* tracks() { return tracks_; }
    ReleaseSide* side() { return side_; }
    ReleasePicturesBox* pictures() { return pictures_; }
    QPushButton* proposalsButton() { return proposals_; }
    QString told() const { return count_->text(); }
    QString titleText() const { return title_->text(); }
    /// The release that is shown is the one that is chosen, as the library has it.
    bool isTrue() const { return !reading_ && use_.releases.isTrue(); }
    const ShownRelease* shown() const { return shows_ ? &shown_ : nullptr; }
    /// Chooses it, if it is in the library; what is searched gives way.
    void showRelease(const library::ReleaseRef& ref);
    std::vector<FileId> filesInSight() const;

    /// By hand, or from a source.
    void newRelease();
    void newEdition();
    void fillShown();
    void compareShown();
    /// Drafts of what the release says, for its files.
    void writeToFiles();
    void showProposals();
    void removeShown();
    void wantSheet();
    const library::ReleaseRef& shownRelease() const { return shown_.view.ref; }
    void newAgreement();

signals:
    void playRequested(moorfrost::app::FileId id);
    void libraryWanted(moorfrost::app::FileId id);
    /// A one-sheet of it.
    void sheetWanted(const moorfrost::library::ReleaseRef& release);

protected:
    void showEvent(QShowEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QWidget* head(QWidget* parts);
    QWidget* sheet();
    void refresh();
    void read();
    void show(ShownRelease release);
    void showHead();
    void showAlike();
    void showMenu(const QPoint& at);
    void enter(NewReleaseDialog& dialog);
    void setFact(const std::string& key, const QString& line);

    Uses use_;
    QLineEdit* search_;
    ShortLabel* count_;
    Choice* order_;
    QPushButton *new_, *proposals_, *fill_, *compare_, *write_, *play_, *more_, *addTrack_;
    ReleaseLines* lines_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QScrollArea* scroll_;
    QLabel *cover_, *title_, *line_, *state_;
    FactTable* facts_;
    ReleaseTracks* tracks_;
    ReleasePicturesBox* pictures_;
    ReleaseSide* side_;
    QWidget* sideBox_;
    ShownRelease shown_;
    std::optional<ShownRelease> next_;          // to be shown when an editor is closed
    std::optional<library::ReleaseRef> wanted_; // to be chosen when it is in the list
    bool shows_ = false, reading_ = false;
    int run_ = 0; // counts what is read
};

} // namespace moorfrost::app
