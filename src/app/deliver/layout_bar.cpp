// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/layout_bar.h"

#include <QDir>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QSettings>

#include "app/shell/text_utils.h"
#include "core/files/disk.h"
#include "core/files/whole_file.h"

namespace moorfrost::app {

namespace {

constexpr const char* folderKey = "deliver/folder";
constexpr size_t mostOfLayout = 1 << 20; // bytes of a layout that is taken in

} // namespace

QString deliverFolder() {
    return QSettings().value(folderKey, QDir::homePath()).toString();
}

void rememberDeliverFolder(const QString& file) {
    QSettings().setValue(folderKey, QFileInfo(file).absolutePath());
}

Result<std::string> smallFile(const Path& file) {
    return files::wholeFile(file, mostOfLayout);
}

LayoutBar::LayoutBar(Layouts& layouts, Messages& messages, QWidget* parent)
    : QWidget(parent), layouts_(layouts), messages_(messages) {
    choice_ = new Choice;
    choice_->setMinimumWidth(180);
    choice_->setAccessibleName(tr("Layout"));
    more_ = button(tr("Keep layout\u2026"), "flat");
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(8);
    row->addWidget(label(tr("Layout"), "quiet"));
    row->addWidget(choice_);
    row->addWidget(more_);
    connect(choice_, &QComboBox::activated, this,
            [this](int at) { layouts_.choose(ss(choice_->itemData(at).toString())); });
    connect(more_, &QPushButton::clicked, this, &LayoutBar::showMenu);
    connect(&layouts_, &Layouts::changed, this, &LayoutBar::show);
    connect(&layouts_, &Layouts::listChanged, this, &LayoutBar::fill);
    fill();
}

void LayoutBar::fill() {
    choice_->clear();
    for (const std::string& name : layouts_.names())
        choice_->addItem(layouts_.isKept(name) ? qs(name) : tr(name.c_str()), qs(name));
    show();
}

void LayoutBar::show() {
    choice_->setCurrentIndex(choice_->findData(qs(layouts_.name())));
    more_->setText(layouts_.isChanged() ? tr("Keep layout\u2026") : tr("Layouts\u2026"));
}

void LayoutBar::showMenu() {
    QMenu menu(this);
    const std::string name = layouts_.name();
    if (layouts_.isChanged() && layouts_.isKept(name))
        menu.addAction(tr("Keep as \u201C%1\u201D").arg(qs(name)), this,
                       [this, name] { layouts_.keep(name); });
    menu.addAction(tr("Keep under another name\u2026"), this, &LayoutBar::keep);
    if (layouts_.isChanged())
        menu.addAction(tr("Back to how it is kept"), this, [this, name] { layouts_.choose(name); });
    menu.addSeparator();
    menu.addAction(tr("Hand on as a file\u2026"), this, [this, name] {
        const QString file = QFileDialog::getSaveFileName(
            this, tr("Hand on the layout"), deliverFolder() + "/" + qs(name).replace('/', '-') + ".json",
            tr("Layouts (*.json)"));
        if (!file.isEmpty())
            handOn(Path(ss(file)));
    });
    menu.addAction(tr("Take in from a file\u2026"), this, [this] {
        const QString file = QFileDialog::getOpenFileName(this, tr("Take in a layout"), deliverFolder(),
                                                          tr("Layouts (*.json)"));
        if (!file.isEmpty())
            takeIn(Path(ss(file)));
    });
    if (layouts_.isKept(name))
        menu.addAction(tr("Forget \u201C%1\u201D").arg(qs(name)), this,
                       [this, name] { layouts_.forget(name); });
    menu.exec(more_->mapToGlobal(QPoint(0, more_->height())));
}

void LayoutBar::keep() {
    bool ok = false;
    const QString name = QInputDialog::getText(this, tr("Keep layout"), tr("Name of the layout:"),
                                               QLineEdit::Normal, qs(layouts_.name()), &ok)
                             .simplified();
    if (!ok)
        return;
    if (name.isEmpty())
        return messages_.say(tr("A layout needs a name."), true);
    if (text::fold(ss(name)) != text::fold(layouts_.name()) && layouts_.isKept(ss(name)) &&
        QMessageBox::question(
            this, tr("Keep layout"),
            tr("There is a layout \u201C%1\u201D already. Shall this one take its place?").arg(name),
            QMessageBox::Yes | QMessageBox::Cancel) != QMessageBox::Yes)
        return;
    layouts_.keep(ss(name));
}

void LayoutBar::handOn(const Path& file) {
    if (const Status done = files::writeWhole(file, layouts_.json()); !done)
        messages_.say(done.error());
}

void LayoutBar::takeIn(const Path& file) {
    const auto text = smallFile(file);
    if (!text)
        return messages_.say(text.error());
    if (const Status done = layouts_.takeIn(*text); !done)
        messages_.say(done.error());
}

} // namespace moorfrost::app
