// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/settings_file_dialog.h"

#include <QFileDialog>
#include <QLabel>
#include <QVBoxLayout>

#include <algorithm>
#include <map>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "app/widgets/stacked_parts.h"
#include "core/files/disk.h"
#include "core/files/whole_file.h"
#include "core/text/text.h"

namespace moorfrost::app {

SettingsFileDialog::SettingsFileDialog(const QString& title, const QString& what, const QString& take,
                                       const std::vector<Kind>& kinds, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(title);
    setProperty("manual", "settings#settings as a file");
    auto* told = label(what, "quiet");
    told->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(told, 1);
    auto* column = new QVBoxLayout;
    column->setContentsMargins(16, 12, 16, 12);
    column->setSpacing(8);
    for (const Kind& kind : kinds) {
        auto* box =
            new QCheckBox(kind.entries > 1 ? QString("%1 (%2)").arg(kind.name).arg(kind.entries) : kind.name);
        box->setChecked(true);
        column->addWidget(box);
        boxes_.emplace_back(kind.key, box);
        connect(box, &QCheckBox::toggled, this, [this] { take_->setEnabled(!chosen().empty()); });
    }
    auto* list = new QWidget;
    list->setObjectName("panel");
    list->setLayout(column);
    TakeBar foot = takeBar(this, take);
    take_ = foot.take;
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    stackParts(this, {bar("head", head), list, foot.widget}, list);
    // As high as all of it needs: asked once everything looks as it will, and at the width that it gets.
    for (QWidget* one : findChildren<QWidget*>())
        one->ensurePolished();
    constexpr int wide = 480;
    layout()->invalidate();
    setMinimumHeight(layout()->hasHeightForWidth() ? layout()->totalHeightForWidth(wide)
                                                   : layout()->totalSizeHint().height());
    resize(wide, minimumHeight());
}

std::vector<std::string> SettingsFileDialog::chosen() const {
    std::vector<std::string> out;
    for (const auto& [key, box] : boxes_)
        if (box->isChecked())
            out.push_back(key);
    return out;
}

QCheckBox* SettingsFileDialog::box(const std::string& key) const {
    const auto at = std::ranges::find(boxes_, key, &std::pair<std::string, QCheckBox*>::first);
    return at == boxes_.end() ? nullptr : at->second;
}

SettingsFilePart::SettingsFilePart(LibrarySettings& settings, QWidget* parent)
    : QWidget(parent), settings_(settings) {
    auto* save = button(tr("Save settings as a file\u2026"));
    auto* take = button(tr("Take settings in\u2026"));
    told_ = label({}, "quiet");
    told_->setWordWrap(true);
    told_->hide();
    auto* row = new QHBoxLayout;
    row->addWidget(save);
    row->addWidget(take);
    row->addStretch(1);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(row);
    layout->addWidget(told_);
    connect(save, &QPushButton::clicked, this, &SettingsFilePart::save);
    connect(take, &QPushButton::clicked, this, &SettingsFilePart::take);
}

QString SettingsFilePart::told() const {
    return told_->text();
}

void SettingsFilePart::tell(const QString& sentence, bool trouble) {
    told_->setObjectName(trouble ? "wrong" : "quiet");
    told_->style()->polish(told_);
    told_->setText(sentence);
    told_->setVisible(!sentence.isEmpty());
}

std::vector<SettingsFileDialog::Kind> SettingsFilePart::kindsOf(const library::SettingsTaken& settings) {
    const std::map<std::string, QString> names = {
        {"plans", tr("Plans")},
        {"chains", tr("Chains of steps")},
        {"standards", tr("Standards")},
        {"fields", tr("Custom fields")},
        {"layouts", tr("Layouts of what is delivered")},
        {"audit", tr("Rules of the audit")},
        {"references", tr("References, and what is taken from them")},
        {"mirror", tr("Mirroring")},
        {"people", tr("Patterns of shares, keywords")},
        {"ways", tr("Names, writing, searching")}};
    std::vector<SettingsFileDialog::Kind> out;
    for (const library::SettingsTaken::Group& group : settings.groups)
        out.push_back({group.key, names.at(group.key), group.entries});
    return out;
}

QString SettingsFilePart::saveTo(const Path& file) {
    // What there is: a kind with nothing but what holds by default would be an empty promise.
    const Result<library::SettingsTaken> there =
        library::settingsFromFile(library::settingsFile(settings_.all()));
    if (!there)
        return spoken(there.error().message);
    if (there->groups.empty())
        return tr("Everything is as it was at first: there is nothing to save.");
    SettingsFileDialog dialog(
        tr("Save settings as a file"),
        tr("What goes into the file. Folders, shelves and what was used last stay here: "
           "they belong to this machine."),
        tr("Save"), kindsOf(*there), this);
    if (dialog.exec() != QDialog::Accepted)
        return {};
    const Status saved = files::writeWhole(file, library::settingsFile(settings_.all(), dialog.chosen()));
    if (!saved)
        return spoken(saved.error().message);
    tell(tr("Saved in %1.").arg(shownPath(file)), false);
    return {};
}

QString SettingsFilePart::takeFrom(const Path& file) {
    const Result<std::string> text = files::wholeFile(file);
    const Result<library::SettingsTaken> taken =
        text ? library::settingsFromFile(*text) : Result<library::SettingsTaken>(text.error());
    if (!taken)
        return spoken(taken.error().message);
    if (taken->groups.empty())
        return tr("There is nothing in this file that Moorfrost knows.");
    SettingsFileDialog dialog(
        tr("Take settings in"),
        tr("What is chosen takes the place of what is here. To be able to go back, save "
           "what is here first."),
        tr("Take in"), kindsOf(*taken), this);
    if (dialog.exec() != QDialog::Accepted)
        return {};
    settings_.take(taken->of(dialog.chosen()));
    tell(taken->passedOver.empty()
             ? tr("Taken in.")
             : tr("Taken in. Not understood, and left out: %1.").arg(qs(text::join(taken->passedOver, ", "))),
         false);
    return {};
}

void SettingsFilePart::save() {
    const QString chosen = QFileDialog::getSaveFileName(this, tr("Save settings as a file"),
                                                        "moorfrost-settings.json", tr("JSON (*.json)"));
    if (chosen.isEmpty())
        return;
    if (const QString why = saveTo(Path(ss(chosen))); !why.isEmpty())
        tell(why, true);
}

void SettingsFilePart::take() {
    const QString chosen =
        QFileDialog::getOpenFileName(this, tr("Take settings in"), {}, tr("JSON (*.json);;All files (*)"));
    if (chosen.isEmpty())
        return;
    if (const QString why = takeFrom(Path(ss(chosen))); !why.isEmpty())
        tell(why, true);
}

} // namespace moorfrost::app
