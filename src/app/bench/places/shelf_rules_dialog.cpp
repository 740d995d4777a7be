// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/shelf_rules_dialog.h"

#include <QFileDialog>
#include <QFormLayout>
#include <QLineEdit>
#include <QRadioButton>
#include <QVBoxLayout>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/files/file_system.h"
#include "core/naming/plan.h"

namespace moorfrost::app {

namespace {

QString profileText(files::NameProfile profile) {
    switch (profile) {
    case files::NameProfile::Linux:
        return ShelfRulesDialog::tr("Linux: all but \u201C/\u201D");
    case files::NameProfile::Portable:
        return ShelfRulesDialog::tr("Portable: also for other systems and sticks");
    case files::NameProfile::StrictAscii:
        break;
    }
    return ShelfRulesDialog::tr("Strict ASCII: portable, in plain letters");
}

QLabel* quiet(const QString& text) {
    QLabel* out = label(text, "quiet");
    out->setWordWrap(true);
    return out;
}

} // namespace

ShelfRulesDialog::ShelfRulesDialog(const library::Shelf& shelf, library::PlacingRule rule,
                                   const std::string& aside, files::NameProfile ofAll,
                                   std::vector<std::string> customFields, QWidget* parent)
    : QDialog(parent), rule_(std::move(rule)), customFields_(std::move(customFields)) {
    setWindowTitle(tr("Rules of the shelf \u201C%1\u201D").arg(qs(shelf.name)));
    const files::FileSystem disk = files::fileSystemOf(shelf.path);
    names_ = new Choice;
    names_->setAccessibleName(tr("Names"));
    names_->addItem(tr("As found \u2013 %1").arg(profileText(std::max(ofAll, disk.holds))), "");
    for (const auto profile :
         {files::NameProfile::Linux, files::NameProfile::Portable, files::NameProfile::StrictAscii})
        names_->addItem(profileText(profile), qs(files::profileKey(profile)));
    names_->setCurrentIndex(
        std::max(0, names_->findData(rule_.names ? qs(files::profileKey(*rule_.names)) : QString(""))));
    along_ = new QLineEdit(qs(rule_.along.name));
    along_->setPlaceholderText(tr("as they are called"));
    along_->setAccessibleName(tr("Names of what goes along"));
    error_ = label({}, "wrong");
    error_->setWordWrap(true);
    trash_ = new QRadioButton(tr("into the trash"));
    own_ = new QRadioButton(tr("into this folder:"));
    folder_ = new QLineEdit(qs(aside));
    folder_->setAccessibleName(tr("Folder for what is replaced"));
    QPushButton* choose = button(tr("Choose\u2026"));
    (aside.empty() ? trash_ : own_)->setChecked(true);

    auto* rows = new QVBoxLayout;
    rows->setContentsMargins(20, 16, 20, 16);
    rows->setSpacing(8);
    rows->addWidget(label(tr("Names on it"), "strong"));
    rows->addWidget(names_);
    rows->addWidget(quiet(disk.name.empty() ? tr("Its file system is not known.")
                          : disk.holds == files::NameProfile::Linux
                              ? tr("Its disk is %1, which can hold all names.").arg(qs(disk.name))
                              : tr("Its disk is %1, which holds portable names only.").arg(qs(disk.name))));
    rows->addSpacing(8);
    rows->addWidget(label(tr("What goes along is called"), "strong"));
    rows->addWidget(along_);
    rows->addWidget(
        quiet(tr("A plan such as {album} - {name}, where {name} is what the file is called now.")));
    rows->addWidget(error_);
    rows->addSpacing(8);
    rows->addWidget(label(tr("What is replaced by a better file goes"), "strong"));
    rows->addWidget(trash_);
    auto* folder = new QHBoxLayout;
    folder->addWidget(own_);
    folder->addWidget(folder_, 1);
    folder->addWidget(choose);
    rows->addLayout(folder);
    rows->addWidget(
        quiet(tr("Either way it stands in the journal, and comes back when the step is taken back.")));
    rows->addStretch();
    bar_ = takeBar(this, tr("Keep the rules"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(rows);
    layout->addWidget(bar_.widget);
    connect(bar_.take, &QPushButton::clicked, this, &QDialog::accept);
    connect(along_, &QLineEdit::textChanged, this, &ShelfRulesDialog::check);
    connect(folder_, &QLineEdit::textChanged, this, &ShelfRulesDialog::check);
    connect(own_, &QRadioButton::toggled, this, &ShelfRulesDialog::check);
    connect(folder_, &QLineEdit::textEdited, this, [this] { own_->setChecked(true); });
    connect(choose, &QPushButton::clicked, this, &ShelfRulesDialog::chooseFolder);
    check();
    resize(520, sizeHint().height());
}

void ShelfRulesDialog::chooseFolder() {
    const QString dir =
        QFileDialog::getExistingDirectory(this, tr("Folder for what is replaced"), folder_->text());
    if (dir.isEmpty())
        return;
    folder_->setText(dir);
    own_->setChecked(true);
}

void ShelfRulesDialog::check() {
    QString wrong;
    const std::string plan = ss(along_->text().trimmed());
    if (!plan.empty()) {
        const auto parsed = naming::parsePlan(plan, customFields_);
        if (const auto* error = std::get_if<naming::PlanError>(&parsed))
            wrong = spoken(error->message);
        else if (std::get<naming::Plan>(parsed).folderCount() > 0)
            wrong = tr("Names only: it goes into the folder of the music.");
        else if (plan.find("{name") == std::string::npos)
            wrong = tr("Without {name} all of them would be called the same.");
    }
    if (wrong.isEmpty() && own_->isChecked() && !folder_->text().startsWith('/'))
        wrong = tr("Choose the folder for what is replaced.");
    error_->setText(wrong);
    error_->setVisible(!wrong.isEmpty());
    bar_.take->setEnabled(wrong.isEmpty());
}

QString ShelfRulesDialog::told() const {
    return error_->text();
}

library::PlacingRule ShelfRulesDialog::rule() const {
    library::PlacingRule out = rule_;
    const QString key = names_->currentData().toString();
    out.names = key.isEmpty() ? std::nullopt : std::optional(files::profileFromKey(ss(key)));
    out.along.name = ss(along_->text().trimmed());
    return out;
}

std::string ShelfRulesDialog::asideFolder() const {
    return own_->isChecked() ? ss(folder_->text()) : std::string();
}

} // namespace moorfrost::app
