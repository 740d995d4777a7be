// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of recordings in the library: under their lead in the table, and settled in a dialog.
#include <QMouseEvent>
#include <QScrollBar>
#include <QSettings>
#include <QShortcut>

#include "app/library/library_page.h"
#include "app/library/track_model.h"
#include "app/library/versions_dialog.h"
#include "app/shell/text_utils.h"
#include "core/library/sound_groups.h"

namespace moorfrost::app {

namespace {
constexpr size_t mostListened = 200; // chosen files that are compared by their sound
} // namespace

void LibraryPage::connectFamilies() {
    view_->viewport()->installEventFilter(this);
    for (const auto& [keys, opens] :
         {std::pair(QKeySequence(Qt::Key_Plus), true), {QKeySequence(Qt::Key_Minus), false}}) {
        auto* turn = new QShortcut(keys, view_);
        turn->setContext(Qt::WidgetShortcut);
        connect(turn, &QShortcut::activated, this, [this, opens = opens] {
            const int row = view_->currentIndex().row();
            if (row >= 0 && row < model_->rowCount() &&
                fold_.isOpen(model_->rows()[static_cast<size_t>(row)]) != opens)
                turnFamily(row);
        });
    }
}

bool LibraryPage::foldsFamilies() const {
    return QSettings().value("library/fold families", true).toBool();
}

void LibraryPage::setFoldsFamilies(bool on) {
    QSettings().setValue("library/fold families", on);
    search();
}

void LibraryPage::turnFamily(int row) {
    if (row < 0 || row >= model_->rowCount() || !fold_.isLead(model_->rows()[static_cast<size_t>(row)]))
        return;
    const library::Row lead = model_->rows()[static_cast<size_t>(row)];
    const int scrolled = view_->verticalScrollBar()->value();
    fold_.turn(lead);
    model_->setRows(model_->searcher(), fold_.shown(folded_), {});
    const auto at = std::ranges::find(model_->rows(), lead);
    const QModelIndex index = model_->index(static_cast<int>(at - model_->rows().begin()), 0);
    view_->selectionModel()->setCurrentIndex(index,
                                             QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    view_->verticalScrollBar()->setValue(scrolled);
}

/// The mark of a family, at the right of the title.
bool LibraryPage::eventFilter(QObject* object, QEvent* event) {
    constexpr int markWidth = 40;
    if (object == view_->viewport() && event->type() == QEvent::MouseButtonPress) {
        const QPoint at = static_cast<QMouseEvent*>(event)->position().toPoint();
        const QModelIndex index = view_->indexAt(at);
        const QVariant family = index.isValid() ? index.data(FileTable::FamilyRole) : QVariant();
        if (family.isValid() && family.toInt() != FileTable::versionBelow &&
            at.x() > view_->visualRect(index).right() - markWidth) {
            turnFamily(index.row());
            return true;
        }
    }
    return QWidget::eventFilter(object, event);
}

void LibraryPage::settleVersions(const std::vector<FileId>& files) {
    if (!searcher_)
        return;
    use_.jobs.start(
        this, {ss(tr("Looking for versions"))},
        [file = use_.library.file(), searcher = searcher_, files, sounds = use_.sounds.store()](
            std::stop_token stop, work::Progress&) -> Result<std::vector<VersionGroup>> {
            // A few are listened to as well.
            const bool listens = sounds && !files.empty() && files.size() <= mostListened;
            return versionGroups(
                file, *searcher, files,
                [&](FileId one, FileId other) {
                    return listens ? library::linkBetween(*sounds, one, other).z : 0.0;
                },
                stop);
        },
        [this](Result<std::vector<VersionGroup>> groups) {
            if (!groups) {
                if (groups.error().kind != ErrorKind::Cancelled)
                    use_.messages.say(groups.error());
                return;
            }
            if (groups->size() == 1 && groups->front().members.empty())
                return use_.messages.say(tr("No names in the library look like versions of one recording."));
            VersionsDialog dialog(*groups, this);
            if (dialog.exec() == QDialog::Accepted)
                use_.recordings.settleFamilies(dialog.families(), dialog.alone());
        });
}

} // namespace moorfrost::app
