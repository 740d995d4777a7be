// SPDX-License-Identifier: GPL-3.0-or-later
// Versions of recordings in the library: under their lead in the table, and settled in a dialog.
#include <QMimeData>
#include <QMouseEvent>
#include <QScrollBar>
#include <QSettings>
#include <QShortcut>
#include <QStyle>

#include "app/library/families_in_lists.h"
#include "app/library/library_page.h"
#include "app/library/settle_versions.h"
#include "app/library/track_model.h"
#include "app/widgets/file_drag.h"

namespace moorfrost::app {

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
    FamilyFold::Shown shown = fold_.shown(folded_);
    model_->setRows(model_->searcher(), std::move(shown.rows), std::move(shown.places));
    const auto at = std::ranges::find(model_->rows(), lead);
    const QModelIndex index = model_->index(static_cast<int>(at - model_->rows().begin()), 0);
    view_->selectionModel()->setCurrentIndex(index,
                                             QItemSelectionModel::ClearAndSelect | QItemSelectionModel::Rows);
    view_->verticalScrollBar()->setValue(scrolled);
}

/// Clicks on the mark of a family, at the right of the title; files from outside that are dropped on one.
bool LibraryPage::eventFilter(QObject* object, QEvent* event) {
    constexpr int markWidth = 40;
    if (object != view_->viewport())
        return QWidget::eventFilter(object, event);
    auto familyAt = [this](const QPoint& at) {
        const QModelIndex index = view_->indexAt(at);
        return index.isValid() ? model_->familyMark(index.row()) : QVariant();
    };
    switch (event->type()) {
    case QEvent::MouseButtonPress: {
        const QPoint at = static_cast<QMouseEvent*>(event)->position().toPoint();
        const QModelIndex index = view_->indexAt(at);
        const QVariant family = index.isValid() ? index.data(FileTable::FamilyRole) : QVariant();
        if (family.isValid() && family.toInt() != FileTable::versionBelow &&
            QStyle::visualPos(view_->layoutDirection(), view_->visualRect(index), at).x() >
                view_->visualRect(index).right() - markWidth) {
            turnFamily(index.row());
            return true;
        }
        break;
    }
    case QEvent::DragEnter:
    case QEvent::DragMove: {
        auto* drag = static_cast<QDragMoveEvent*>(event);
        if (!drag->mimeData()->hasUrls() || drag->mimeData()->hasFormat(drag::mimeType))
            break;
        // The hand shows whether they would be versions.
        drag->setDropAction(familyAt(drag->position().toPoint()).isValid() &&
                                    drag->possibleActions().testFlag(Qt::LinkAction)
                                ? Qt::LinkAction
                                : Qt::CopyAction);
        drag->accept();
        return true;
    }
    case QEvent::Drop: {
        auto* drop = static_cast<QDropEvent*>(event);
        if (!drop->mimeData()->hasUrls() || drop->mimeData()->hasFormat(drag::mimeType))
            break;
        const QPoint at = drop->position().toPoint();
        const FileId into = familyAt(at).isValid() ? model_->fileAt(view_->indexAt(at).row()) : 0;
        drop->accept();
        // After the drag has ended: another page is shown.
        QMetaObject::invokeMethod(
            this,
            [this, paths = drag::pathsOf(drop->mimeData()), into] {
                if (!paths.empty())
                    emit pathsDropped(paths, into);
            },
            Qt::QueuedConnection);
        return true;
    }
    default:
        break;
    }
    return QWidget::eventFilter(object, event);
}

void LibraryPage::settleVersions(const std::vector<FileId>& files) {
    app::settleVersions({use_.messages, use_.jobs, use_.library, use_.index, use_.files, use_.drafts,
                         use_.recordings, use_.sounds},
                        files, 0, this);
}

std::optional<std::vector<FileId>> LibraryPage::alongWith(const std::vector<FileId>& files) {
    return searcher_ ? withVersions(*searcher_, files, this) : files;
}

} // namespace moorfrost::app
