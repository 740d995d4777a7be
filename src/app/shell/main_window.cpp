// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/main_window.h"

#include <QAbstractButton>
#include <QApplication>
#include <QButtonGroup>
#include <QCloseEvent>
#include <QDateTime>
#include <QDragEnterEvent>
#include <QMessageBox>
#include <QMimeData>
#include <QPointer>
#include <QScreen>
#include <QSettings>
#include <QVBoxLayout>

#include <algorithm>

#include "app/audit/audit_page.h"
#include "app/bench/bench_page.h"
#include "app/bench/bring_in_page.h"
#include "app/bench/places/misplaced_dialog.h"
#include "app/bench/put_away_page.h"
#include "app/bench/review_page.h"
#include "app/deliver/deliver_page.h"
#include "app/desktop/long_work.h"
#include "app/help/help.h"
#include "app/journal/journal_page.h"
#include "app/journal/recovery_page.h"
#include "app/library/arriving_versions.h"
#include "app/library/compare_by_ear.h"
#include "app/library/library_page.h"
#include "app/people/people_page.h"
#include "app/people/release_parts.h"
#include "app/people/works_page.h"
#include "app/releases/releases_page.h"
#include "app/settings/settings_page.h"
#include "app/shell/deliver_controllers.h"
#include "app/shell/deliver_parts.h"
#include "app/shell/foot.h"
#include "app/shell/library_trouble_bar.h"
#include "app/shell/reading_side.h"
#include "app/shell/sample_files.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/button_access.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"
#include "app/widgets/file_drag.h"
#include "app/widgets/focus_ring.h"
#include "core/library/store/keeping.h"
#include <QSlider>

namespace moorfrost::app {

MainWindow::MainWindow(Controllers& controllers, QWidget* parent)
    : QMainWindow(parent), c_(controllers), queue_(c_.files, c_.loudness, player_),
      desktop_({c_.files, c_.drafts, queue_, player_}) {
    installButtonAccess();
    setWindowTitle("Moorfrost");
    setAcceptDrops(true);
    setMinimumSize(720, 480);
    bench_ = new BenchPage(
        {c_.messages,     c_.jobs,      c_.library,      c_.settings,        c_.files,     c_.drafts,
         c_.index,        c_.standards, c_.shelves,      c_.journal,         c_.batch,     c_.kinds,
         c_.customFields, c_.chains,    c_.values,       c_.places,          c_.sleeves,   c_.along,
         c_.duplicates,   c_.bringIn,   c_.recordings,   c_.releases,        c_.undo,      c_.pictures,
         c_.references,   c_.identify,  c_.strays,       c_.releasePictures, c_.folders,   c_.discs,
         c_.discPictures, c_.rips,      c_.driveOffsets, c_.worse,           c_.benchCodes});
    library_ =
        new LibraryPage({c_.messages,     c_.jobs,       c_.library,  c_.settings, c_.files,       c_.drafts,
                         c_.index,        c_.standards,  c_.shelves,  c_.journal,  c_.batch,       c_.kinds,
                         c_.customFields, c_.recordings, c_.releases, c_.people,   c_.collections, c_.sounds,
                         c_.soundGroups,  c_.peaks,      player_});
    releaseParts_ =
        new ReleaseParts({c_.messages, c_.jobs, c_.library, c_.settings, c_.files, c_.drafts, c_.index,
                          c_.sleeves, c_.releaseSources, c_.releases, c_.pictures, c_.sounds, c_.agreements},
                         c_.people, c_.agreements);
    releases_ = releaseParts_->editions();
    audit_ = new AuditPage({c_.audit, c_.codes, c_.fixity, {c_.files, c_.jobs, c_.messages}});
    deliver_ = makeDeliverPage(c_);
    journal_ = new JournalPage({c_.shelves, c_.journal, c_.writing, c_.kept, c_.pictures});
    settings_ = new SettingsPage({c_.settings, c_.standards, c_.shelves, c_.journal, c_.customFields,
                                  c_.sleeves, c_.care, c_.references});
    review_ = new ReviewPage(
        {c_.files, c_.drafts, c_.shelves, c_.journal, c_.places, c_.sleeves, c_.writing, c_.pictures});
    recovery_ = new RecoveryPage({c_.shelves, c_.care});
    stack_ = new QStackedWidget;
    for (QWidget* page : std::initializer_list<QWidget*>{bench_, library_, releaseParts_, audit_, deliver_,
                                                         journal_, settings_, review_, recovery_})
        stack_->addWidget(page);

    auto* railBox = new QFrame;
    railBox->setObjectName("rail");
    railBox->setFixedWidth(76);
    auto* rail = new QVBoxLayout(railBox);
    rail->setContentsMargins(0, 0, 0, 6);
    rail->setSpacing(0);
    menuButton_ = new QToolButton;
    menuButton_->setIcon(theme::icon("menu", "#B4C0C8"));
    menuButton_->setIconSize({20, 20});
    menuButton_->setFixedSize(76, 46);
    menuButton_->setToolTip(tr("All commands (F10)"));
    menuButton_->setAccessibleName(tr("All commands"));
    menuButton_->setPopupMode(QToolButton::InstantPopup);
    menuButton_->setFocusPolicy(Qt::TabFocus);
    menuButton_->setStyleSheet("QToolButton{border:none;background:transparent} "
                               "QToolButton:hover,QToolButton:focus{background:rgba(255,255,255,22)} "
                               "QToolButton::menu-indicator{image:none}");
    rail->addWidget(menuButton_);
    auto* group = new QButtonGroup(this);
    const std::tuple<const char*, QString, Workspace> entries[] = {
        {"bench", tr("Bench"), Bench},         {"library", tr("Library"), Library},
        {"release", tr("Releases"), Releases}, {"audit", tr("Audit"), Audit},
        {"deliver", tr("Deliver"), Deliver},   {"journal", tr("Journal"), Journal},
        {"settings", tr("Settings"), Settings}};
    for (const auto& [icon, name, workspace] : entries) {
        if (workspace == Journal)
            rail->addStretch();
        auto* b = new RailButton(icon, name);
        rail->addWidget(b);
        group->addButton(b, workspace);
        rail_.push_back(b);
        connect(b, &QAbstractButton::clicked, this, [this, w = workspace] { showWorkspace(w); });
    }

    message_ = label({}, "banner");
    message_->setWordWrap(true);
    message_->hide();
    libraryTrouble_ = new LibraryTroubleBar(c_.library);
    jobShelf_ = new JobShelf(c_.jobs);
    foot_ =
        new Foot({c_.jobs, c_.files, c_.drafts, c_.batch, c_.places, c_.writing, c_.peaks, queue_, player_});
    auto* right = new QVBoxLayout;
    right->setContentsMargins(0, 0, 0, 0);
    right->setSpacing(0);
    right->addWidget(stack_, 1);
    right->addWidget(message_);
    right->addWidget(libraryTrouble_);
    right->addWidget(jobShelf_);
    right->addWidget(foot_);
    auto* whole = new QWidget;
    auto* layout = new QHBoxLayout(whole);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(railBox);
    layout->addLayout(right, 1);
    setCentralWidget(whole);

    longWork_ = new LongWork(c_.jobs, this);
    help_ = new Help(
        this, [this] { return placeInManual(); }, [this] { return menuButton_->menu(); });
    makeActions();
    connect(foot_->reviewButton(), &QPushButton::clicked, this,
            [this] { showWorkspace(workspace() == Review ? before_ : Review); });
    connect(foot_->writeButton(), &QPushButton::clicked, this, &MainWindow::writeOrReview);
    connect(&c_.messages, &Messages::said, this, &MainWindow::say);
    connect(jobShelf_, &JobShelf::lookWanted, this, [this] { showWorkspace(Review); });
    connect(&c_.care, &LibraryCare::damaged, this, &MainWindow::tellDamage);
    connect(&c_.care, &LibraryCare::interruptionFound, this, [this] { showWorkspace(Interruption); });
    connect(recovery_, &RecoveryPage::goOn, this, [this] { showWorkspace(Bench); });
    connect(recovery_, &RecoveryPage::journalWanted, this, [this] { showWorkspace(Journal); });
    connect(bench_->bringIn(), &BringInPage::samplesWanted, this, [this] { trySampleFiles(this); });
    connect(bench_, &BenchPage::playRequested, this, &MainWindow::play);
    connect(&c_.writing, &WritingController::written, this, [] { Covers::instance().lookAgain(); });
    connect(&c_.index, &LibraryIndex::changed, this, [] { Covers::instance().lookAgain(); });
    connect(library_, &LibraryPage::playRequested, this, &MainWindow::play);
    connect(library_, &LibraryPage::playFromRequested, this, [this](FileId id, double seconds) {
        playFrom_ = seconds;
        play(id);
    });
    connect(&c_.files, &FilesController::changed, this, [this](const std::set<FileId>& files) {
        if (player_.file() && files.contains(player_.file()->id))
            player_.follow(c_.files.file(player_.file()->id));
    });
    connect(&desktop_, &DesktopPlayer::raiseWanted, this, [this] {
        show();
        raise();
        activateWindow();
    });
    connect(&desktop_, &DesktopPlayer::quitWanted, this, &QWidget::close);
    connect(foot_->playerBar(), &PlayerBar::fileWanted, this, [this](FileId id) {
        showWorkspace(Library);
        library_->showFile(id);
    });
    arriving_ = new ArrivingVersions(settling(), c_.batch, c_.bringIn, this);
    connect(bench_, &BenchPage::versionsWanted, this, &MainWindow::settleAtBench);
    connect(library_, &LibraryPage::pathsDropped, this, [this](const std::vector<Path>& paths, FileId into) {
        if (into != 0)
            arriving_->expect(into, paths);
        bringIn(paths);
    });
    connect(&c_.releases, &ReleasesController::showWanted, this, [this](const library::ReleaseRef& ref) {
        showWorkspace(Releases);
        releaseParts_->showPart(PartButtons::Editions);
        releases_->showRelease(ref);
    });
    connect(&c_.people, &PeopleController::showWanted, this,
            [this](library::CardId card, library::CardKind kind, const std::string& key) {
                showWorkspace(Releases);
                releaseParts_->showCard(card, kind, key);
            });
    auto toLibrary = [this](FileId id) {
        showWorkspace(Library);
        library_->showFile(id);
    };
    connect(releaseParts_->works(), &WorksPage::libraryWanted, this, toLibrary);
    connect(deliver_, &DeliverPage::libraryWanted, this, toLibrary);
    connect(audit_, &AuditPage::libraryWanted, this, toLibrary);
    connect(audit_, &AuditPage::playWanted, this,
            [this](FileId file, double seconds) { queue_.play({file}, 0, seconds); });
    connect(audit_, &AuditPage::stopWanted, &player_, &Player::stop);
    connect(&player_, &Player::changed, audit_, [this] {
        audit_->box()->sound()->setHeard(player_.file(), player_.position(), player_.isPlaying());
    });
    connect(library_, &LibraryPage::putAwayWanted, this, [this] { putAwayAgain(library_->chosenFiles()); });
    connect(library_, &LibraryPage::deliveryWanted, this, [this] { wantDelivery(false); });
    connect(library_, &LibraryPage::sheetWanted, this, [this](const std::vector<FileId>& files) {
        showSheetOf({files, {}});
    });
    connect(releaseParts_->works(), &WorksPage::sheetWanted, this, [this](const std::vector<FileId>& files) {
        showSheetOf({files, {}});
    });
    connect(releases_, &ReleasesPage::sheetWanted, this, [this](const library::ReleaseRef& release) {
        showSheetOf({{}, release});
    });
    connect(releaseParts_->works(), &WorksPage::playRequested, this, &MainWindow::play);
    connect(releases_, &ReleasesPage::playRequested, this, &MainWindow::play);
    connect(releases_, &ReleasesPage::libraryWanted, this, [this](FileId id) {
        showWorkspace(Library);
        library_->showFile(id);
    });
    connect(library_, &LibraryPage::compareWanted, this, &MainWindow::compareByEar);
    connect(library_, &LibraryPage::benchWanted, this, [this] { showWorkspace(Bench); });
    connect(bench_, &BenchPage::standardsWanted, this, [this] {
        showWorkspace(Settings);
        settings_->showStandards();
    });
    connect(settings_, &SettingsPage::shelfWanted, bench_->putAway(), &PutAwayPage::addShelf);
    connect(settings_, &SettingsPage::libraryMoveWanted, this, &MainWindow::moveLibrary);
    connect(&c_.settings, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::words))
            library_->searchBar()->parse();
    });
    connect(settings_, &SettingsPage::themeChanged, this, [this] {
        // Icons are drawn in the colours of the theme.
        for (QToolButton* b : findChildren<QToolButton*>())
            if (b->property("icon").typeId() == QMetaType::QString)
                b->setIcon(theme::icon(b->property("icon").toString()));
        emit c_.sleeves.changed();
        emit c_.drafts.changed();
        emit c_.journal.changed();
    });
    FocusRing::follow(this);
    new FullText(this);
    new ReadingSide(this);
    messageTimer_.setSingleShot(true);
    connect(&messageTimer_, &QTimer::timeout, message_, &QWidget::hide);
    qApp->installEventFilter(this);

    QSettings settings;
    if (!restoreGeometry(settings.value("window").toByteArray())) {
        constexpr QSize frame(8, 40); // about what a desktop puts around it
        const QSize most = screen()->availableSize() - frame;
        resize(QSize(1280, 800).boundedTo(most));
    }
    showWorkspace(Bench);
}

MainWindow::~MainWindow() {
    hide(); // what is still being typed is taken, while there is all that follows it
    qApp->removeEventFilter(this);
}

bool MainWindow::isAtRest() const {
    constexpr int moment = 1000; // milliseconds; what comes later is not waited for
    auto isDue = [](const QTimer* t) { return t->isActive() && t->isSingleShot() && t->interval() < moment; };
    return c_.isQuiet() && !c_.isDue(moment) && Covers::instance().isIdle() &&
           std::ranges::none_of(findChildren<QTimer*>(), isDue);
}

void MainWindow::showWorkspace(Workspace workspace) {
    if (this->workspace() == Review && workspace != Review && c_.writing.lastReport() && !c_.jobs.trouble())
        c_.writing.clearReport(); // the report has been seen; the journal keeps it
    if (workspace == Review && this->workspace() != Review)
        before_ = this->workspace();
    stack_->setCurrentIndex(workspace);
    for (size_t i = 0; i < rail_.size(); ++i)
        rail_[i]->setChecked(i == static_cast<size_t>(workspace == Review ? before_ : workspace));
    foot_->setReviewing(workspace == Review);
    if (workspace == Library)
        library_->searchBox()->setFocus();
    if (workspace == Releases)
        releaseParts_->takeKeyboard();
    if (workspace == Audit)
        audit_->takeKeyboard();
    if (workspace == Deliver)
        deliver_->takeKeyboard();
    // What had the keyboard is hidden now: it must not have gone on to "Drop all" or "Take back".
    if (auto* button = qobject_cast<QAbstractButton*>(focusWidget()); !focusWidget() || button) {
        if (workspace == Review && (!button || review_->isAncestorOf(button)))
            review_->tree()->setFocus();
        else if (workspace == Journal && (!button || journal_->isAncestorOf(button)))
            journal_->sets()->setFocus();
    }
}

void MainWindow::showSheetOf(deliver::SheetOf of) {
    if (of.isEmpty())
        return;
    c_.out->delivering.setOf(std::move(of));
    deliver_->show(DeliverWay::OneSheet);
    showWorkspace(Deliver);
}

void MainWindow::wantSheet() {
    if (workspace() == Library && !library_->chosenFiles().empty())
        showSheetOf({library_->chosenFiles(), {}});
    else if (workspace() == Releases && releaseParts_->part() == PartButtons::Works)
        releaseParts_->works()->wantSheet();
    else if (workspace() == Releases && releaseParts_->part() == PartButtons::Editions)
        releases_->wantSheet();
    else
        showWorkspace(Deliver);
}

void MainWindow::wantDelivery(bool allInSight) {
    if (workspace() == Library) {
        const std::vector<FileId> files = allInSight ? library_->filesInSight() : library_->chosenFiles();
        if (!files.empty())
            c_.out->delivering.setOf({files, {}}, allInSight ? library_->sightName() : QString());
    } else if (workspace() == Releases && releaseParts_->part() == PartButtons::Editions) {
        if (const library::ReleaseRef release = releases_->shownRelease();
            release.id != 0 || !release.files.empty())
            c_.out->delivering.setOf({{}, release});
    }
    showWorkspace(Deliver);
}

void MainWindow::writeOrReview() {
    if (workspace() != Review) {
        if (c_.writing.lastReport() && !c_.jobs.trouble())
            c_.writing.clearReport();
        showWorkspace(Review);
        return;
    }
    c_.writing.write();
}

void MainWindow::say(const QString& sentence, bool trouble) {
    message_->setText(sentence);
    message_->setObjectName(trouble ? "banner" : "bannerGood");
    message_->style()->unpolish(message_);
    message_->style()->polish(message_);
    message_->show();
    messageTimer_.start(trouble ? 12000 : 5000);
}

void MainWindow::tellDamage(const QString& sentence) {
    QMessageBox box(QMessageBox::Warning, tr("The library is damaged"), sentence, QMessageBox::NoButton,
                    this);
    auto copy = library::keptCopy(c_.care.file());
    QString more = tr("Your files of sound are not in it and are as they were.");
    QPushButton* back = nullptr;
    if (copy) {
        const QString when =
            QLocale().toString(QDateTime::fromSecsSinceEpoch(copy->when), QLocale::ShortFormat);
        more +=
            " " + tr("There is a whole copy of the library from %1. Put back, it takes the place of the "
                     "damaged one, which is kept beside it; what was done in Moorfrost since then is then "
                     "not known to the library.")
                      .arg(when);
        back = box.addButton(tr("Put back the copy"), QMessageBox::AcceptRole);
    }
    more += " " + tr("Made anew, the library keeps all that can still be read of it; then the folders of the "
                     "shelves are read again. The damaged file is kept beside it.");
    auto* anew = box.addButton(tr("Make the library anew"), QMessageBox::AcceptRole);
    box.setInformativeText(more);
    box.addButton(tr("Go on as it is"), QMessageBox::RejectRole);
    box.exec();
    if (back && box.clickedButton() == back)
        QApplication::exit(putBackCode);
    else if (box.clickedButton() == anew)
        QApplication::exit(makeAnewCode);
}

void MainWindow::play(FileId id) {
    // What stands around it is what follows.
    std::vector<FileId> list = workspace() == Library ? library_->filesInSight()
                               : workspace() == Releases && releaseParts_->part() == PartButtons::Editions
                                   ? releases_->filesInSight()
                                   : bench_->filesInSight();
    auto at = std::ranges::find(list, id);
    if (at == list.end()) {
        list = {id};
        at = list.begin();
    }
    const auto index = static_cast<size_t>(at - list.begin());
    queue_.play(std::move(list), index, std::exchange(playFrom_, std::nullopt));
}

void MainWindow::changeVolume(int by) {
    QSlider* slider = foot_->playerBar()->volumeSlider();
    slider->setValue(slider->value() + by);
    say(tr("Volume: %1 %").arg(slider->value()), false);
}

void MainWindow::compareByEar() {
    const std::vector<FileId> files = library_->chosenFiles();
    if (files.size() != 2)
        return say(tr("Choose two tracks: they are compared by ear, in turn."), false);
    c_.files.withFile(this, files[0], [this, other = files[1]](const FilePtr& a) {
        c_.files.withFile(this, other, [this, a](const FilePtr& b) {
            if (!a || !b || !a->readable() || !b->readable())
                return say(tr("One of them cannot be played."), true);
            CompareByEar dialog({c_.peaks, c_.loudness, c_.sounds, c_.recordings, player_}, a, b, this);
            dialog.exec();
        });
    });
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->hasUrls())
        event->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* event) {
    const std::vector<Path> paths = drag::pathsOf(event->mimeData());
    if (paths.empty())
        return;
    event->acceptProposedAction();
    bringIn(paths);
}

void MainWindow::bringIn(const std::vector<Path>& paths) {
    showWorkspace(Bench);
    bench_->showStep(BenchPage::BringIn);
    c_.bringIn.start(paths, bench_->bringIn()->withSubfolders());
}

SettleUses MainWindow::settling() {
    return {c_.messages, c_.jobs, c_.library, c_.index, c_.files, c_.drafts, c_.recordings, c_.sounds};
}

void MainWindow::putAwayAgain(const std::vector<FileId>& files) {
    MisplacedDialog dialog({c_.library,
                            c_.index,
                            {c_.jobs, c_.settings, c_.files, c_.drafts, c_.shelves, c_.customFields,
                             c_.places, c_.batch.batch()}},
                           files, this);
    connect(&dialog, &MisplacedDialog::reviewWanted, this, [this] { showWorkspace(Review); });
    dialog.exec();
}

void MainWindow::settleAtBench(const std::vector<FileId>& files) {
    if (!files.empty())
        settleVersions(settling(), files, 0, this);
}

/// Return presses the button of the foot that has the keyboard, as in dialogs. Not those of the pages: when
/// something is hidden or disabled the keyboard goes on to the next, which nobody chose.
void MainWindow::keyPressEvent(QKeyEvent* event) {
    auto* button = qobject_cast<QAbstractButton*>(focusWidget());
    const bool enter = (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) &&
                       !(event->modifiers() & ~Qt::KeypadModifier);
    if (enter && button && foot_->isAncestorOf(button) &&
        !event->isAutoRepeat()) // held down, it must not press what comes up next
        button->click();
    else
        QMainWindow::keyPressEvent(event);
}

void MainWindow::closeEvent(QCloseEvent* event) {
    if (!libraryTrouble_->mayEnd(this)) {
        event->ignore();
        return;
    }
    QSettings().setValue("window", saveGeometry());
    player_.stop();
    QMainWindow::closeEvent(event);
}

bool MainWindow::eventFilter(QObject* object, QEvent* event) {
    if (event->type() == QEvent::KeyPress || event->type() == QEvent::KeyRelease) {
        auto* key = static_cast<QKeyEvent*>(event);
        if (key->key() == Qt::Key_Alt && !key->isAutoRepeat() && isActiveWindow())
            c_.drafts.setShowsDisk(event->type() == QEvent::KeyPress);
        else if (c_.drafts.showsDisk() && event->type() == QEvent::KeyPress &&
                 key->modifiers() & Qt::AltModifier)
            c_.drafts.setShowsDisk(false); // a shortcut with Alt, not a look at the disk
    } else if (event->type() == QEvent::WindowDeactivate && c_.drafts.showsDisk()) {
        c_.drafts.setShowsDisk(false);
    } else if (event->type() == QEvent::WindowActivate && object == this) {
        c_.catchUpWithOthers(); // other programs had their turn
    }
    return QMainWindow::eventFilter(object, event);
}

} // namespace moorfrost::app
