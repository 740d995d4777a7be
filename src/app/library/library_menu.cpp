// SPDX-License-Identifier: GPL-3.0-or-later
// What can be done with chosen tracks by the right button.
#include <QFileDialog>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QPointer>

#include "app/library/collections/collection_menus.h"
#include "app/library/copy_fields_dialog.h"
#include "app/library/find_again_dialog.h"
#include "app/library/library_page.h"
#include "app/library/sleeve_grid.h"
#include "app/shell/text_utils.h"
#include "app/widgets/judging_box.h"
#include "core/library/mirror.h"

namespace moorfrost::app {

namespace {
constexpr size_t mostWithKind = 2000; // chosen files that get a kind at a time
} // namespace

void LibraryPage::showMenu(const QPoint& at) {
    QMenu menu(this);
    const size_t count = showsSleeves() ? grid_->chosenCount() : view_->chosenCount();
    if (const FileId first = showsSleeves() ? grid_->firstChosen() : view_->firstChosen(); first != 0)
        menu.addAction(tr("Play\tSpace"), [this, first] { emit playRequested(first); });
    menu.addAction(tr("Send to bench"), this, &LibraryPage::sendToBench);
    menu.addAction(tr("Check files\u2026"), this, &LibraryPage::checkFiles);
    if (count == 2 && !showsSleeves())
        menu.addAction(tr("Compare by ear\u2026\tCtrl+Alt+X"), this, &LibraryPage::compareWanted);
    if (count > 0)
        menus_->addAddTo(menu, chosenFiles());
    if (shownList() != 0 && !showsSleeves())
        menu.addAction(tr("Remove from this list\tDel"), this, &LibraryPage::removeFromList);
    if (count > 0)
        menu.addAction(tr("Export playlist\u2026"), this,
                       [this] { menus_->exportPlaylist(tr("Playlist"), chosenFiles()); });
    if (count > 0)
        menu.addAction(tr("One-sheet\tCtrl+Alt+S"), this, [this] { emit sheetWanted(chosenFiles()); });
    if (count > 0)
        menu.addAction(tr("Deliver\u2026\tCtrl+Alt+H"), this, &LibraryPage::deliveryWanted);
    if (count > 0)
        menu.addAction(tr("Put away again\u2026\tCtrl+Shift+Y"), this, &LibraryPage::putAwayWanted);
    if (count > 0 && count <= mostWithKind)
        addKindMenu(menu, use_.kinds, chosenFiles());
    if (count > 0 && count <= mostWithKind)
        addJudgingMenu(menu);
    if (count > 0 && count <= mostWithKind)
        addRecordingMenu(menu);
    if (!showsSleeves())
        menu.addAction(tr("Copy\tCtrl+C"), view_, &SheetView::copy);
    menu.exec(at);
}

void LibraryPage::addJudgingMenu(QMenu& menu) {
    const std::vector<FileId> files = chosenFiles();
    QMenu* rate = menu.addMenu(tr("Rate"));
    for (int n = 5; n >= 0; --n)
        rate->addAction(n > 0 ? starsText(std::to_string(n)) + QString("\tCtrl+Alt+%1").arg(n)
                              : tr("no rating\tCtrl+Alt+0"),
                        &use_.recordings, [this, files, n] { use_.recordings.rate(files, n); });
    menu.addAction(tr("Note\u2026"), this, [this, files] {
        bool ok = false;
        const QString text = QInputDialog::getMultiLineText(
            this, tr("Note"), tr("Of %n track(s):", "", static_cast<int>(files.size())), {}, &ok);
        if (ok)
            use_.recordings.note(files, text);
    });
    menu.addAction(tr("Playout number\u2026"), this, [this, files] {
        bool ok = false;
        const QString text = QInputDialog::getText(this, tr("Playout number"),
                                                   tr("Of %n track(s):", "", static_cast<int>(files.size())),
                                                   QLineEdit::Normal, {}, &ok);
        if (ok)
            use_.recordings.setPlayout(files, text);
    });
    menu.addAction(tr("Mirror to tags"), this, &LibraryPage::mirrorToTags);
    menu.addAction(tr("Note a use\u2026"), this, [this, files] {
        QStringList known;
        if (searcher_)
            for (const library::FacetValue& v : searcher_->facet(searcher_->find({}), "used", 200))
                known << qs(v.value);
        if (const auto use = askForUse(this, known))
            use_.recordings.addUse(files, *use);
    });
}

void LibraryPage::addRecordingMenu(QMenu& menu) {
    const std::vector<FileId> files = chosenFiles();
    menu.addAction(tr("Versions\u2026"), this, [this, files] { settleVersions(files); });
    menu.addAction(files.size() == 1 ? tr("Its work") : tr("Their works"), this, [this, files] {
        use_.people.makeWorksOf(files, [this, file = files.front()](size_t made) {
            if (made > 0)
                use_.messages.say(tr("%n new work(s). Ctrl+Z takes them back.", "", static_cast<int>(made)));
            use_.people.showWorkOf(file);
        });
    });
    if (files.size() > 1)
        menu.addAction(tr("Copy fields from the first to the others\u2026"), this, [this, files] {
            use_.files.takeUp(this, files, [self = QPointer(this), files] {
                if (!self)
                    return;
                CopyFieldsDialog dialog(self->use_.drafts, self->use_.files, files.front(),
                                        {files.begin() + 1, files.end()}, self);
                if (dialog.exec() == QDialog::Accepted)
                    self->use_.drafts.session().propose(ss(tr("Copy fields")), dialog.wishes(),
                                                        ss(tr("copied")));
            });
        });
    QMenu* recording = menu.addMenu(tr("Recording"));
    recording
        ->addAction(tr("Make one recording of these"), &use_.recordings,
                    [this, files] { use_.recordings.merge(files); })
        ->setEnabled(files.size() > 1);
    recording->addAction(tr("Part from the recording"), &use_.recordings,
                         [this, files] { use_.recordings.part(files); });
    recording
        ->addAction(tr("Choose as the best file"), &use_.recordings,
                    [this, files] { use_.recordings.chooseBest(files.front(), true); })
        ->setEnabled(files.size() == 1);
    std::vector<FileId> absent;
    for (FileId id : files)
        if (const auto row = searcher_ ? searcher_->rowOf(id) : std::nullopt;
            row && searcher_->has(*row, library::Absent))
            absent.push_back(id);
    recording->addAction(tr("Find again\u2026"), this, [this, absent] { findAgain(absent); })
        ->setEnabled(!absent.empty());
    recording
        ->addAction(
            tr("Forget absent files\u2026"), this,
            [this, absent] {
                const auto answer = QMessageBox::question(
                    this, tr("Forget absent files?"),
                    tr("The library will know nothing of %n file(s) any more. The journal can bring them "
                       "back.",
                       "", static_cast<int>(absent.size())),
                    QMessageBox::Yes | QMessageBox::Cancel, QMessageBox::Cancel);
                if (answer == QMessageBox::Yes)
                    use_.recordings.forgetAbsent(absent);
            })
        ->setEnabled(!absent.empty());
}

void LibraryPage::mirrorToTags() {
    const auto rules = library::mirrorRulesFrom(use_.settings.get(library::settings::mirrorRules));
    if (rules.empty())
        return use_.messages.say(
            tr("Nothing is mirrored yet. Choose in Settings, under Mirroring, what becomes which field."));
    const std::vector<FileId> files = chosenFiles();
    use_.files.takeUp(this, files, [self = QPointer(this), files, rules] {
        if (!self)
            return;
        std::vector<library::DraftSession::Wish> wishes;
        for (const FileId id : files)
            if (const FilePtr file = self->use_.files.file(id))
                for (const auto& [field, values] : library::mirrored(rules, file->kept))
                    wishes.push_back({id, field, values});
        self->use_.drafts.session().propose(ss(tr("Mirror to tags")), wishes, ss(tr("mirrored")));
        self->use_.messages.say(wishes.empty() ? tr("Nothing that is mirrored is kept of these.")
                                               : tr("%n value(s) were proposed: see Review.", "",
                                                    static_cast<int>(wishes.size())));
    });
}

void LibraryPage::findAgain(const std::vector<FileId>& absent) {
    const QString folder = QFileDialog::getExistingDirectory(this, tr("In which folder may they be?"));
    if (!folder.isEmpty())
        findAgain(absent, Path(ss(folder)));
}

void LibraryPage::findAgain(const std::vector<FileId>& absent, const Path& folder) {
    use_.shelves.findAgain(this, absent, {folder}, [this](std::vector<library::FoundAgain> found) {
        FindAgainDialog dialog(std::move(found), this);
        if (dialog.exec() == QDialog::Accepted)
            use_.shelves.follow(dialog.chosen());
    });
}

} // namespace moorfrost::app
