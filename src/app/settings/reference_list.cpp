// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/settings/reference_list.h"

#include <QCheckBox>
#include <QDialog>
#include <QFileDialog>
#include <QGridLayout>
#include <QLineEdit>
#include <QToolButton>
#include <QVBoxLayout>

#include <algorithm>
#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"
#include "core/reference/http_reference.h"
#include "core/text/likeness.h"

namespace moorfrost::app {

using reference::EntryKind;

ReferenceList::ReferenceList(ReferencesController& references, QWidget* parent)
    : QWidget(parent), references_(references) {
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(6);
    rows_ = new QGridLayout;
    rows_->setColumnStretch(1, 1);
    rows_->setHorizontalSpacing(12);
    layout->addLayout(rows_);
    data_ = label({}, "quiet");
    data_->setWordWrap(true);
    layout->addWidget(data_);
    auto* another = button(tr("Add a reference\u2026"));
    auto* folder = button(tr("Data of the simulated one\u2026"));
    layout->addWidget(flowing({another, folder}));
    connect(another, &QPushButton::clicked, this, &ReferenceList::askForOne);
    connect(folder, &QPushButton::clicked, this, [this] {
        const QString chosen = QFileDialog::getExistingDirectory(this, tr("Data of the simulated reference"),
                                                                 shownPath(references_.dataFolder()));
        if (!chosen.isEmpty())
            references_.setDataFolder(ss(chosen));
    });
    connect(&references_, &ReferencesController::changed, this, &ReferenceList::refresh);
    refresh();
}

void ReferenceList::change(const std::function<void(std::vector<reference::Entry>&)>& how) {
    std::vector<reference::Entry> entries = references_.entries();
    how(entries);
    references_.setEntries(entries);
}

void ReferenceList::refresh() {
    while (QLayoutItem* item = rows_->takeAt(0)) {
        if (item->widget())
            item->widget()->deleteLater();
        delete item;
    }
    const auto& entries = references_.entries();
    for (size_t i = 0; i < entries.size(); ++i) {
        const reference::Entry& e = entries[i];
        const int row = static_cast<int>(i);
        auto* on = new QCheckBox(qs(e.name)); // what is simulated is told beside it
        on->setChecked(e.on);
        auto* where = new ShortLabel(e.kind == EntryKind::Library ? tr("what stands on your shelves already")
                                     : e.kind == EntryKind::Simulated
                                         ? tr("simulated, started by Moorfrost on this machine")
                                         : qs(e.address));
        where->setObjectName("quiet");
        auto* up = iconButton("up", tr("Ask %1 earlier").arg(qs(e.name)));
        up->setEnabled(i > 0);
        auto* remove = iconButton("close", tr("Remove %1").arg(qs(e.name)));
        remove->setEnabled(e.kind == EntryKind::At);
        rows_->addWidget(on, row, 0);
        rows_->addWidget(where, row, 1);
        rows_->addWidget(up, row, 2);
        rows_->addWidget(remove, row, 3);
        connect(on, &QCheckBox::toggled, this,
                [this, i](bool is) { change([&](auto& all) { all[i].on = is; }); });
        connect(up, &QToolButton::clicked, this,
                [this, i] { change([&](auto& all) { std::swap(all[i], all[i - 1]); }); });
        connect(remove, &QToolButton::clicked, this, [this, i] {
            change([&](auto& all) { all.erase(all.begin() + static_cast<std::ptrdiff_t>(i)); });
        });
    }
    data_->setText(tr("The simulated one reads its releases from %1.")
                       .arg(breakable(shownPath(references_.dataFolder()))));
}

QString ReferenceList::add(const QString& name, const QString& address) {
    if (name.trimmed().isEmpty())
        return tr("Give it a name.");
    if (const auto place = reference::addressFrom(ss(address.trimmed())); !place)
        return spoken(place.error().message);
    std::string key = text::likenessForm(ss(name));
    std::ranges::replace(key, ' ', '-');
    const auto& all = references_.entries();
    auto taken = [&](const std::string& k) {
        return k.empty() || std::ranges::any_of(all, [&](const reference::Entry& e) { return e.key == k; });
    };
    for (int n = 2; taken(key); ++n)
        key = "reference-" + std::to_string(n);
    change([&](auto& entries) {
        entries.push_back({EntryKind::At, key, ss(name.simplified()), ss(address.trimmed()), true});
    });
    return {};
}

void ReferenceList::askForOne() {
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Add a reference"));
    auto* name = new QLineEdit;
    name->setAccessibleName(tr("Name"));
    auto* address = new QLineEdit("http://127.0.0.1:");
    address->setAccessibleName(tr("Address"));
    auto* wrong = label({}, "wrong");
    wrong->setWordWrap(true);
    auto* form = new QGridLayout;
    form->setContentsMargins(16, 16, 16, 12);
    form->addWidget(label(tr("Name"), "caption"), 0, 0);
    form->addWidget(name, 0, 1);
    form->addWidget(label(tr("Address"), "caption"), 1, 0);
    form->addWidget(address, 1, 1);
    form->addWidget(wrong, 2, 1);
    TakeBar foot = takeBar(&dialog, tr("Add"));
    foot.summary->setText(tr("Only programs on this machine are asked."));
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(form);
    layout->addWidget(foot.widget);
    dialog.resize(460, 190);
    connect(foot.take, &QPushButton::clicked, &dialog, [&] {
        const QString why = add(name->text(), address->text());
        wrong->setText(why);
        if (why.isEmpty())
            dialog.accept();
    });
    dialog.exec();
}

} // namespace moorfrost::app
