// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/follow_shelf.h"

#include <QFileDialog>
#include <QGridLayout>
#include <QLabel>
#include <QMessageBox>
#include <QPushButton>
#include <QVBoxLayout>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/stacked_parts.h"

namespace moorfrost::app {

void followShelf(QWidget* asker, ShelvesController& shelves, const library::Shelf& shelf, const Path& to) {
    shelves.lookAtMoved(asker, shelf, to, [asker, &shelves, shelf, to](const library::MovedShelf& look) {
        const bool isIt = look.found > 0 || look.files == 0;
        QMessageBox box(asker);
        box.setWindowTitle(ShelvesHereDialog::tr("Moved shelf"));
        box.setText(ShelvesHereDialog::tr("%1: %2 of %3 files stand at their place in %4.")
                        .arg(qs(shelf.name))
                        .arg(look.found)
                        .arg(look.files)
                        .arg(shownPath(to)));
        box.setInformativeText(
            isIt ? ShelvesHereDialog::tr("The library takes over the new place. No file is touched.")
                 : ShelvesHereDialog::tr("This does not seem to be the shelf. Nothing was changed."));
        box.setStandardButtons(isIt ? QMessageBox::Yes | QMessageBox::Cancel : QMessageBox::Ok);
        if (isIt)
            box.button(QMessageBox::Yes)->setText(ShelvesHereDialog::tr("Follow"));
        if (box.exec() == QMessageBox::Yes)
            shelves.move(shelf, to);
    });
}

ShelvesHereDialog::ShelvesHereDialog(ShelvesController& shelves, QWidget* parent)
    : QDialog(parent), shelves_(shelves) {
    setWindowTitle(tr("Where the shelves are on this machine"));
    setProperty("manual", "settings#shelves");
    resize(640, 320);
    auto* what = label(
        tr("The library knows its shelves by the folders of the other machine. Say where they are here; "
           "what is not here yet stays absent, and can be said later in Settings."),
        "quiet");
    what->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(what, 1);
    grid_ = new QGridLayout;
    grid_->setHorizontalSpacing(12);
    grid_->setColumnStretch(1, 1);
    auto* column = new QVBoxLayout;
    column->setContentsMargins(16, 14, 16, 14);
    column->addLayout(grid_);
    column->addStretch();
    auto* panel = new QWidget;
    panel->setObjectName("panel");
    panel->setLayout(column);
    said_ = label({}, "quiet");
    auto* close = button(tr("Done"), "accent");
    auto* foot = new QHBoxLayout;
    foot->addWidget(said_, 1);
    foot->addWidget(close);
    stackParts(this, {bar("head", head), panel, bar("tools", foot)}, panel);
    connect(close, &QPushButton::clicked, this, &QDialog::accept);
    connect(&shelves_, &ShelvesController::changed, this, &ShelvesHereDialog::refresh);
    refresh();
}

QString ShelvesHereDialog::said() const {
    return said_->text();
}

void ShelvesHereDialog::say(int64_t shelf, const Path& to) {
    const auto at = std::ranges::find(shelves_.all(), shelf, &library::Shelf::id);
    if (at != shelves_.all().end())
        followShelf(this, shelves_, *at, to);
}

void ShelvesHereDialog::refresh() {
    while (QLayoutItem* item = grid_->takeAt(0)) {
        item->widget()->deleteLater();
        delete item;
    }
    int row = 0, missing = 0;
    for (const library::Shelf& shelf : shelves_.all()) {
        const bool there = !shelves_.notThere().contains(shelf.id);
        missing += !there;
        auto* name = label(qs(shelf.name), "");
        name->setFont(theme::uiFont(13, QFont::Medium));
        auto* path = new ShortLabel(shownPath(shelf.path));
        path->setObjectName("mono");
        auto* where = button(tr("Where is it\u2026"), "flat");
        where->setAccessibleName(tr("Where is the shelf \u201C%1\u201D now?").arg(qs(shelf.name)));
        grid_->addWidget(name, row, 0);
        grid_->addWidget(path, row, 1);
        grid_->addWidget(label(there ? tr("is here") : tr("not here"), there ? "quiet" : "attention"), row,
                         2);
        grid_->addWidget(where, row, 3);
        connect(where, &QPushButton::clicked, this, [this, id = shelf.id, name = qs(shelf.name)] {
            const QString to = QFileDialog::getExistingDirectory(
                this, tr("Where is the shelf \u201C%1\u201D now?").arg(name));
            if (!to.isEmpty())
                say(id, Path(ss(to)));
        });
        ++row;
    }
    said_->setText(row == 0       ? tr("The library has no shelves yet.")
                   : missing == 0 ? tr("All shelves are here.")
                                  : tr("Not here: %1 of %2.").arg(missing).arg(row));
}

} // namespace moorfrost::app
