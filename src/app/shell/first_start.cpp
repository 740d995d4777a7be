// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/first_start.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QSettings>
#include <QStandardPaths>

#include <algorithm>

#include "app/settings/library_place.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/stacked_parts.h"

namespace moorfrost::app {

namespace {

constexpr const char* askedKey = "first start asked";

/// What the rules of a standard are, in a line.
QString rulesOf(const audit::Standard& standard) {
    QStringList out;
    for (const audit::Rule& rule : standard.rules)
        out << qs(audit::ruleText(rule));
    return out.join("; ");
}

} // namespace

bool FirstStartDialog::isWanted(const ShelvesController& shelves) {
    return shelves.all().empty() && !QSettings().value(askedKey).toBool();
}

FirstStartDialog::FirstStartDialog(const Uses& use, QWidget* parent) : QDialog(parent), use_(use) {
    setWindowTitle(tr("Welcome to Moorfrost"));
    setProperty("manual", "index");
    resize(600, 330);
    auto* what = label(tr("Two things, and both can be changed later in Settings."), "quiet");
    auto* head = new QHBoxLayout;
    head->addWidget(what, 1);
    auto* where = label(tr("Where is your library to live?"), "title");
    auto* whereMore =
        label(tr("A folder in which files are put away. It may have music in it already: that is read, "
                 "and stays where it is."),
              "quiet");
    whereMore->setWordWrap(true);
    QString music = QStandardPaths::writableLocation(QStandardPaths::MusicLocation);
    folder_ = new QLineEdit(music + "/Archive");
    folder_->setAccessibleName(tr("Folder of the library"));
    auto* choose = button(tr("Choose\u2026"));
    auto* which = label(tr("What does a ready release have?"), "title");
    standard_ = new Choice;
    standard_->setAccessibleName(tr("Standard"));
    for (const audit::Standard& standard : use_.standards.all()) {
        standard_->addItem(qs(standard.name));
        standard_->setItemData(standard_->count() - 1, rulesOf(standard), Qt::ToolTipRole);
        if (standard.name == use_.standards.byDefault().name)
            standard_->setCurrentIndex(standard_->count() - 1);
    }
    auto* rules = label({}, "quiet");
    rules->setWordWrap(true);
    auto showRules = [this, rules] { rules->setText(standard_->currentData(Qt::ToolTipRole).toString()); };
    connect(standard_, &QComboBox::currentIndexChanged, rules, showRules);
    showRules();
    auto* grid = new QGridLayout;
    grid->setContentsMargins(16, 14, 16, 14);
    grid->setVerticalSpacing(8);
    grid->addWidget(where, 0, 0, 1, 2);
    grid->addWidget(whereMore, 1, 0, 1, 2);
    grid->addWidget(folder_, 2, 0);
    grid->addWidget(choose, 2, 1);
    grid->setRowMinimumHeight(3, 10);
    grid->addWidget(which, 4, 0, 1, 2);
    grid->addWidget(standard_, 5, 0, 1, 2, Qt::AlignLeft);
    grid->addWidget(rules, 6, 0, 1, 2);
    grid->setRowStretch(7, 1);
    auto* panel = new QWidget;
    panel->setObjectName("panel");
    panel->setLayout(grid);
    said_ = label({}, "attention");
    said_->setWordWrap(true);
    skip_ = button(tr("Skip"));
    begin_ = button(tr("Begin"), "accent");
    begin_->setDefault(true);
    auto* foot = new QHBoxLayout;
    bring_ = button(tr("Bring one from another machine\u2026"), "flat");
    foot->addWidget(bring_);
    foot->addWidget(said_, 1);
    foot->addWidget(skip_);
    foot->addWidget(begin_);
    stackParts(this, {bar("head", head), panel, bar("tools", foot)}, panel);
    connect(choose, &QPushButton::clicked, this, [this] {
        const QString chosen = QFileDialog::getExistingDirectory(this, tr("The folder of the library"),
                                                                 QFileInfo(folder_->text()).path());
        if (!chosen.isEmpty())
            folder_->setText(chosen);
    });
    connect(folder_, &QLineEdit::textChanged, this, &FirstStartDialog::look);
    connect(bring_, &QPushButton::clicked, this, [this] {
        if (const auto move = LibraryPlace::askToBring(this)) {
            accept();
            emit bringWanted(*move);
        }
    });
    connect(skip_, &QPushButton::clicked, this, &QDialog::reject);
    connect(begin_, &QPushButton::clicked, this, &FirstStartDialog::begin);
    look();
}

QString FirstStartDialog::said() const {
    return said_->text();
}

void FirstStartDialog::look() {
    const Path folder(ss(folder_->text()));
    std::error_code error;
    const auto what = std::filesystem::status(folder, error);
    const bool usable = folder.is_absolute() && (std::filesystem::is_directory(what) ||
                                                 what.type() == std::filesystem::file_type::not_found);
    said_->setText(usable                 ? QString()
                   : folder.is_absolute() ? tr("This is no folder.")
                                          : tr("Choose a folder."));
    begin_->setEnabled(usable);
}

void FirstStartDialog::begin() {
    const Path folder(ss(folder_->text()));
    std::error_code error;
    std::filesystem::create_directories(folder, error);
    if (error) {
        said_->setText(tr("The folder cannot be made: %1")
                           .arg(spoken(systemError(error.value(), folder, "Making it").message)));
        return;
    }
    use_.standards.setDefault(ss(standard_->currentText()));
    // What is in it already becomes known as soon as it is one.
    ShelvesController& shelves = use_.shelves;
    auto* waiting = new QObject(&shelves);
    connect(&shelves, &ShelvesController::changed, waiting, [&shelves, waiting, folder] {
        const auto at = std::ranges::find(shelves.all(), folder, &library::Shelf::path);
        if (at == shelves.all().end())
            return;
        waiting->deleteLater();
        shelves.disconnect(waiting);
        shelves.read({*at});
    });
    shelves.add(shownName(folder), folder);
    accept();
}

/// Asked once, whatever the answer.
void FirstStartDialog::done(int result) {
    QSettings().setValue(askedKey, true);
    QDialog::done(result);
}

} // namespace moorfrost::app
