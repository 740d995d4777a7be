// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/keywords_dialog.h"

#include <QDialogButtonBox>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {

constexpr int WordRole = Qt::UserRole + 1, SongsRole = Qt::UserRole + 2;

std::string wordOf(const QListWidgetItem* item) {
    return ss(item->data(WordRole).toString());
}

} // namespace

KeywordsDialog::KeywordsDialog(const QString& title, const std::vector<Keyword>& used,
                               const std::vector<std::string>& own, const std::vector<std::string>& chosen,
                               QWidget* parent)
    : QDialog(parent), before_(chosen), own_(own) {
    setWindowTitle(tr("Keywords of \u201C%1\u201D").arg(title));
    line_ = new QLineEdit;
    line_->setPlaceholderText(tr("Find one, or type a new one and press Return"));
    line_->setAccessibleName(tr("A keyword"));
    list_ = new QListWidget;
    list_->setAccessibleName(tr("Keywords"));
    auto isOn = [&](const std::string& word) { return std::ranges::find(chosen, word) != chosen.end(); };
    std::set<std::string> there;
    auto all = used;
    for (const std::string& word : own)
        if (std::ranges::find(all, word, &Keyword::word) == all.end())
            all.push_back({word, 0});
    for (const std::string& word : chosen)
        if (std::ranges::find(all, word, &Keyword::word) == all.end())
            all.push_back({word, 0});
    std::ranges::stable_sort(
        all, [](const Keyword& a, const Keyword& b) { return text::compare(a.word, b.word) < 0; });
    for (const Keyword& k : all)
        if (there.insert(k.word).second)
            add(k.word, k.songs, isOn(k.word));
    auto* off = button(tr("Take off the list"), "flat");
    off->setToolTip(tr("Songs that have it keep it"));
    connect(off, &QPushButton::clicked, this, &KeywordsDialog::takeOff);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    buttons->button(QDialogButtonBox::Ok)->setText(tr("Keep"));
    buttons->button(QDialogButtonBox::Ok)->setAutoDefault(false);
    buttons->button(QDialogButtonBox::Ok)->setDefault(false);
    buttons->button(QDialogButtonBox::Cancel)->setAutoDefault(false);
    off->setAutoDefault(false);
    connect(buttons, &QDialogButtonBox::accepted, this, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(line_, &QLineEdit::textChanged, this, &KeywordsDialog::narrow);
    connect(line_, &QLineEdit::returnPressed, this, &KeywordsDialog::enter);
    auto* foot = new QHBoxLayout;
    foot->addWidget(off);
    foot->addStretch();
    foot->addWidget(buttons);
    auto* layout = new QVBoxLayout(this);
    layout->addWidget(line_);
    layout->addWidget(list_);
    layout->addLayout(foot);
    stepThrough(line_, list_);
    resize(420, 480);
}

void KeywordsDialog::add(const std::string& word, size_t songs, bool on) {
    auto* item = new QListWidgetItem(
        songs == 0 ? qs(word) : tr("%1 \u00B7 %n song(s)", "", static_cast<int>(songs)).arg(qs(word)));
    item->setData(WordRole, qs(word));
    item->setData(SongsRole, QVariant::fromValue<qulonglong>(songs));
    item->setFlags(Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsUserCheckable);
    item->setCheckState(on ? Qt::Checked : Qt::Unchecked);
    list_->addItem(item);
}

void KeywordsDialog::narrow() {
    const std::string wanted = text::fold(ss(line_->text().simplified()));
    QListWidgetItem* first = nullptr;
    for (int i = 0; i < list_->count(); ++i) {
        QListWidgetItem* item = list_->item(i);
        const bool fits = text::fold(wordOf(item)).find(wanted) != std::string::npos;
        item->setHidden(!fits);
        if (fits && !first)
            first = item;
    }
    list_->setCurrentItem(first);
}

void KeywordsDialog::enter() {
    const QString typed = line_->text().simplified();
    if (typed.isEmpty()) {
        if (QListWidgetItem* item = list_->currentItem())
            item->setCheckState(item->checkState() == Qt::Checked ? Qt::Unchecked : Qt::Checked);
        return;
    }
    // One that is meant: the one of that name, or the only one in sight.
    QListWidgetItem* meant = nullptr;
    int inSight = 0;
    for (int i = 0; i < list_->count(); ++i) {
        QListWidgetItem* item = list_->item(i);
        if (text::fold(wordOf(item)) == text::fold(ss(typed)))
            meant = item;
        if (!item->isHidden())
            ++inSight;
    }
    if (!meant && inSight == 1 && list_->currentItem())
        meant = list_->currentItem();
    if (meant) {
        meant->setCheckState(Qt::Checked);
    } else {
        QString word = typed;
        word.remove(';'); // what parts keywords is no part of one
        own_.push_back(ss(word));
        add(ss(word), 0, true);
    }
    line_->clear();
}

/// Return is of the line, whatever button is the default one; on a button it presses that.
void KeywordsDialog::keyPressEvent(QKeyEvent* event) {
    if (event->key() != Qt::Key_Return && event->key() != Qt::Key_Enter)
        return QDialog::keyPressEvent(event);
    if (auto* pressed = qobject_cast<QPushButton*>(focusWidget()))
        pressed->click();
}

void KeywordsDialog::takeOff() {
    QListWidgetItem* item = list_->currentItem();
    if (!item)
        return;
    std::erase(own_, wordOf(item));
    if (item->data(SongsRole).toULongLong() > 0)
        item->setCheckState(Qt::Unchecked); // other songs have it: it stays in sight
    else
        delete item;
}

std::vector<std::string> KeywordsDialog::chosen() const {
    std::vector<std::string> on, out;
    for (int i = 0; i < list_->count(); ++i)
        if (list_->item(i)->checkState() == Qt::Checked)
            on.push_back(wordOf(list_->item(i)));
    for (const std::string& word : before_)
        if (std::ranges::find(on, word) != on.end())
            out.push_back(word);
    for (const std::string& word : on)
        if (std::ranges::find(out, word) == out.end())
            out.push_back(word);
    return out;
}

std::vector<std::string> KeywordsDialog::own() const {
    std::vector<std::string> out = own_;
    for (const std::string& word : chosen())
        if (std::ranges::find(out, word) == out.end())
            out.push_back(word);
    return out;
}

} // namespace moorfrost::app
