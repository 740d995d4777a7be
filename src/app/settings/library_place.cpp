// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/library_place.h"

#include <QFileDialog>
#include <QLabel>
#include <QLineEdit>
#include <QMessageBox>
#include <QPushButton>
#include <QRadioButton>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/stacked_parts.h"
#include "core/files/disk.h"
#include "core/files/file_system.h"
#include "core/library/carry_library.h"

namespace moorfrost::app {

namespace {
constexpr const char* folderName = "Moorfrost library";

QLabel* wrapped(const QString& text) {
    auto* out = label(text, "quiet");
    out->setWordWrap(true);
    return out;
}
} // namespace

MoveLibraryDialog::MoveLibraryDialog(const Path& library, QWidget* parent)
    : QDialog(parent), library_(library) {
    setWindowTitle(tr("Move the library"));
    setProperty("manual", "settings#the library itself");
    resize(620, 360);
    const library::LibraryBulk bulk = library::bulkOf(library);
    bytes_ = bulk.bytes;
    auto* head = new QHBoxLayout;
    head->addWidget(
        wrapped(tr("The library and what is kept beside it: %n file(s), %1. The files of your shelves "
                   "stay where they are.",
                   "", static_cast<int>(bulk.files))
                    .arg(shownSize(bulk.bytes))),
        1);
    here_ = new QRadioButton(tr("To another folder or disk of this machine"));
    auto* hereMore =
        wrapped(tr("Moorfrost starts again and uses it from there. The old one goes to the trash."));
    away_ = new QRadioButton(tr("A copy, to be taken to another machine"));
    auto* awayMore = wrapped(tr(
        "On a stick or a disk, say. There it is brought in from Settings or at the first start, and you say "
        "where the shelves are on that machine. This one stays in use."));
    constexpr int below = 24; // as far in as the text of the choice
    for (QLabel* more : {hereMore, awayMore})
        more->setContentsMargins(below, 0, 0, 0);
    here_->setChecked(true);
    folder_ = new QLineEdit;
    folder_->setAccessibleName(tr("Into this folder"));
    folder_->setPlaceholderText(tr("Into this folder"));
    auto* choose = button(tr("Choose\u2026"));
    auto* line = new QHBoxLayout;
    line->addWidget(folder_, 1);
    line->addWidget(choose);
    said_ = wrapped({});
    auto* column = new QVBoxLayout;
    column->setContentsMargins(16, 14, 16, 14);
    column->setSpacing(6);
    column->addWidget(here_);
    column->addWidget(hereMore);
    column->addSpacing(6);
    column->addWidget(away_);
    column->addWidget(awayMore);
    column->addSpacing(12);
    column->addLayout(line);
    column->addWidget(said_);
    column->addStretch();
    auto* panel = new QWidget;
    panel->setObjectName("panel");
    panel->setLayout(column);
    TakeBar foot = takeBar(this, tr("Move and start again"));
    take_ = foot.take;
    stackParts(this, {bar("head", head), panel, foot.widget}, panel);
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString chosen =
            QFileDialog::getExistingDirectory(this, tr("Into which folder?"), folder_->text());
        if (!chosen.isEmpty())
            folder_->setText(chosen);
    });
    connect(folder_, &QLineEdit::textChanged, this, &MoveLibraryDialog::look);
    connect(here_, &QRadioButton::toggled, this, &MoveLibraryDialog::look);
    look();
}

LibraryMove MoveLibraryDialog::move() const {
    return {here_->isChecked() ? LibraryMove::Kind::Move : LibraryMove::Kind::Copy,
            Path(ss(folder_->text())) / folderName};
}

QString MoveLibraryDialog::said() const {
    return said_->text();
}

void MoveLibraryDialog::look() {
    take_->setText(here_->isChecked() ? tr("Move and start again") : tr("Copy"));
    const Path folder(ss(folder_->text())), target = folder / folderName;
    std::error_code error;
    const bool isFolder = folder.is_absolute() && std::filesystem::is_directory(folder, error);
    const bool isTaken = files::isThere(target) && !(std::filesystem::is_directory(target, error) &&
                                                     std::filesystem::is_empty(target, error));
    const uint64_t free = isFolder ? files::fileSystemOf(folder).free : 0;
    QString wrong;
    if (!isFolder)
        wrong = folder.empty() ? tr("Choose a folder.") : tr("This is no folder.");
    else if (isTaken)
        wrong = tr("There is a \u201C%1\u201D in this folder already.").arg(folderName);
    else if (free < bytes_)
        wrong = tr("There is not enough room: %1 are needed, %2 are free.")
                    .arg(shownSize(bytes_), shownSize(free));
    said_->setText(wrong.isEmpty()
                       ? tr("It becomes %1. Free there: %2.").arg(shownPath(target), shownSize(free))
                       : wrong);
    take_->setEnabled(wrong.isEmpty());
}

LibraryPlace::LibraryPlace(const Path& library, QWidget* parent) : QWidget(parent), library_(library) {
    told_ = wrapped({});
    auto* move = button(tr("Move the library\u2026"));
    auto* bring = button(tr("Bring one from another machine\u2026"));
    auto* line = new QHBoxLayout;
    line->addWidget(move);
    line->addWidget(bring);
    line->addStretch();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    layout->addWidget(told_);
    layout->addLayout(line);
    connect(move, &QPushButton::clicked, this, &LibraryPlace::ask);
    connect(bring, &QPushButton::clicked, this, [this] {
        const auto move = askToBring(this);
        if (!move)
            return;
        QMessageBox box(QMessageBox::Question, tr("A library from another machine"),
                        tr("It takes the place of the library that is in use."), QMessageBox::NoButton, this);
        box.setInformativeText(
            tr("That one stays at %1, and can be brought back in the same way. Moorfrost starts again.")
                .arg(shownPath(library_)));
        auto* bring = box.addButton(tr("Bring and start again"), QMessageBox::AcceptRole);
        box.addButton(QMessageBox::Cancel);
        box.exec();
        if (box.clickedButton() == bring)
            emit wanted(*move);
    });
}

void LibraryPlace::showEvent(QShowEvent* event) {
    QWidget::showEvent(event);
    refresh();
}

void LibraryPlace::refresh() {
    const library::LibraryBulk bulk = library::bulkOf(library_);
    told_->setText(tr("%1, with what is kept beside it: %n file(s), %2.", "", static_cast<int>(bulk.files))
                       .arg(shownPath(library_), shownSize(bulk.bytes)));
}

void LibraryPlace::ask() {
    MoveLibraryDialog dialog(library_, this);
    if (dialog.exec() == QDialog::Accepted)
        emit wanted(dialog.move());
}

std::optional<LibraryMove> LibraryPlace::askToBring(QWidget* parent) {
    const QString chosen = QFileDialog::getExistingDirectory(
        parent, tr("The folder of the library from the other machine (\u201C%1\u201D)").arg(folderName));
    if (chosen.isEmpty())
        return std::nullopt;
    Path folder(ss(chosen));
    if (!files::isThere(folder / "library.db") && files::isThere(folder / folderName))
        folder /= folderName; // the one that it was copied into was meant
    if (const auto there = library::carriedLibrary(folder); !there) {
        QMessageBox::warning(parent, tr("A library from another machine"), spoken(there.error().message));
        return std::nullopt;
    }
    return LibraryMove{LibraryMove::Kind::Bring, folder};
}

} // namespace moorfrost::app
