// SPDX-License-Identifier: GPL-3.0-or-later
// The window: rail, workspaces, messages, job shelf, foot; all actions with their shortcuts.
#pragma once

#include <QLabel>
#include <QMainWindow>
#include <QStackedWidget>
#include <QToolButton>

#include "app/library/settle_versions.h"
#include "app/listen/desktop_player.h"
#include "app/listen/play_queue.h"
#include "app/shell/controllers.h"
#include "app/shell/rail_button.h"
#include "core/deliver/sheet_subject.h"

namespace moorfrost::app {

class AuditPage;
class BenchPage;
class DeliverPage;
class Foot;
class Help;
class LongWork;
class JobShelf;
class ArrivingVersions;
class JournalPage;
class LibraryTroubleBar;
class LibraryPage;
class RecoveryPage;
class ReleaseParts;
class ReleasesPage;
class ReviewPage;
class SettingsPage;
struct LibraryMove;

class MainWindow : public QMainWindow {
    Q_OBJECT
public:
    enum Workspace { Bench, Library, Releases, Audit, Deliver, Journal, Settings, Review, Interruption };

    explicit MainWindow(Controllers& controllers, QWidget* parent = nullptr);
    ~MainWindow() override;
    void showWorkspace(Workspace workspace);
    /// What the application ends with to have the copy of the library put back, and to be started again.
    static constexpr int putBackCode = 77, makeAnewCode = 78, moveCode = 79;
    Workspace workspace() const { return static_cast<Workspace>(stack_->currentIndex()); }
    SettingsPage* settings() { return settings_; }
    /// Ends this run, so that it can be done.
    void moveLibrary(const LibraryMove& move);
    BenchPage* bench() { return bench_; }
    LibraryPage* library() { return library_; }
    ReleasesPage* releases() { return releases_; }
    ReleaseParts* releaseParts() { return releaseParts_; }
    AuditPage* audit() { return audit_; }
    DeliverPage* deliver() { return deliver_; }
    JournalPage* journal() { return journal_; }
    ReviewPage* review() { return review_; }
    RecoveryPage* recovery() { return recovery_; }
    JobShelf* jobShelf() { return jobShelf_; }
    Foot* foot() { return foot_; }
    LongWork* longWork() { return longWork_; }
    Help* help() { return help_; }
    LibraryTroubleBar* libraryTrouble() { return libraryTrouble_; }
    Player& player() { return player_; }
    PlayQueue& queue() { return queue_; }
    const DesktopPlayer& desktopPlayer() const { return desktop_; }
    QList<QAction*> allActions() const { return actions_; }
    QString message() const { return message_->text(); }
    /// All that was begun has been done and shown: jobs, the library, covers, and what waits for a moment.
    /// What was posted for the event loop is not counted; asked again behind it, the answer is final.
    bool isAtRest() const;

protected:
    void tellDamage(const QString& sentence);
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void closeEvent(QCloseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void makeActions();
    void say(const QString& sentence, bool trouble);
    void play(FileId id);
    void changeVolume(int by);
    void compareByEar();
    void bringIn(const std::vector<Path>& paths);
    SettleUses settling();
    /// As versions of recordings.
    /// Files of the library by the plan of their shelf; none: what is misplaced.
    void putAwayAgain(const std::vector<FileId>& files);
    void settleAtBench(const std::vector<FileId>& files);
    /// A one-sheet of what is chosen in the workspace that is in sight.
    void wantSheet();
    /// What is chosen, or all that is shown, is what goes out from now on.
    void wantDelivery(bool allInSight);
    void showSheetOf(deliver::SheetOf of);
    void writeOrReview();
    /// What the manual is opened at by F1.
    QString placeInManual() const;

    Controllers& c_;
    Player player_;
    PlayQueue queue_;
    DesktopPlayer desktop_;
    QStackedWidget* stack_;
    std::vector<RailButton*> rail_;
    QToolButton* menuButton_;
    BenchPage* bench_;
    LibraryPage* library_;
    ReleaseParts* releaseParts_;
    ReleasesPage* releases_; // of these
    ArrivingVersions* arriving_;
    AuditPage* audit_ = nullptr;
    DeliverPage* deliver_;
    JournalPage* journal_;
    SettingsPage* settings_;
    ReviewPage* review_;
    RecoveryPage* recovery_;
    QLabel* message_;
    LibraryTroubleBar* libraryTrouble_;
    JobShelf* jobShelf_;
    Foot* foot_;
    Help* help_;
    LongWork* longWork_;
    QList<QAction*> actions_;
    QTimer messageTimer_;
    Workspace before_ = Bench;
    std::optional<double> playFrom_; // where play() begins, in seconds
};

} // namespace moorfrost::app
