// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/copy_shares_dialog.h"

#include <QCheckBox>
#include <QLabel>
#include <QVBoxLayout>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

namespace {
using library::CardId;
using library::Side;
constexpr int idRole = Qt::UserRole;
constexpr size_t mostLines = 500;
} // namespace

CopySharesDialog::CopySharesDialog(PeopleController& people, const std::vector<CardId>& works,
                                   QWidget* parent)
    : QDialog(parent), people_(people), works_(works) {
    setWindowTitle(works.size() == 1 ? tr("Copy shares from another song")
                                     : tr("Shares of another song for %n chosen one(s)", "",
                                          static_cast<int>(works.size())));
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Search: title, name \u2026"));
    search_->setAccessibleName(tr("Search the works"));
    list_ = new QListWidget;
    list_->setAccessibleName(tr("Works with shares"));
    preview_ = label({}, "");
    preview_->setWordWrap(true);
    preview_->setMinimumHeight(96);
    preview_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    writers_ = new QCheckBox(tr("Writers"));
    publishers_ = new QCheckBox(tr("Publishers"));
    auto* sides = new QHBoxLayout;
    sides->addWidget(label(tr("What is copied:"), "quiet"));
    sides->addWidget(writers_);
    sides->addWidget(publishers_);
    sides->addStretch();
    const TakeBar foot = takeBar(this, tr("Copy"));
    take_ = foot.take;
    auto* body = new QVBoxLayout;
    body->setContentsMargins(16, 14, 16, 10);
    body->setSpacing(8);
    body->addWidget(search_);
    body->addWidget(list_, 1);
    body->addLayout(sides);
    body->addWidget(preview_);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(body, 1);
    layout->addWidget(foot.widget);
    connect(search_, &QLineEdit::textChanged, this, &CopySharesDialog::fill);
    stepThrough(search_, list_);
    connect(list_, &QListWidget::currentRowChanged, this, &CopySharesDialog::read);
    connect(list_, &QListWidget::itemActivated, this, [this] {
        if (take_->isEnabled())
            accept();
    });
    for (QCheckBox* box : {writers_, publishers_}) {
        box->setChecked(true);
        connect(box, &QCheckBox::toggled, this, &CopySharesDialog::tell);
    }
    connect(take_, &QPushButton::clicked, this, &QDialog::accept);
    resize(520, 520);
    fill();
}

void CopySharesDialog::fill() {
    list_->clear();
    const auto list = people_.list();
    if (!list)
        return;
    for (const size_t i : list->findWorks(ss(search_->text()), library::People::WorkOrder::Title)) {
        const library::WorkEntry& w = list->works()[i];
        if ((w.writers.empty() && w.publishers.empty()) || std::ranges::find(works_, w.id) != works_.end())
            continue;
        auto* item = new QListWidgetItem(tr("%1 \u00B7 %2").arg(qs(w.title), qs(w.by)));
        item->setData(idRole, QVariant::fromValue<qlonglong>(w.id));
        list_->addItem(item);
        if (list_->count() >= static_cast<int>(mostLines))
            break;
    }
    if (list_->count() > 0)
        list_->setCurrentRow(0);
    tell();
}

void CopySharesDialog::read() {
    const QListWidgetItem* item = list_->currentItem();
    from_ = {};
    tell();
    if (item)
        people_.read(this, item->data(idRole).toLongLong(), [this, run = ++run_](library::CardView view) {
            if (run != run_)
                return;
            from_ = std::move(view);
            tell();
        });
}

std::optional<std::vector<library::Share>> CopySharesDialog::shares(Side side) const {
    const bool wanted = side == Side::Writers ? writers_->isChecked() : publishers_->isChecked();
    std::vector<library::Share> out = from_.shares(side);
    return from_.id != 0 && wanted && !out.empty() ? std::optional(std::move(out)) : std::nullopt;
}

void CopySharesDialog::tell() {
    const auto list = people_.list();
    auto nameOf = [&](CardId id) { return list ? list->nameOf(id) : std::string(); };
    QStringList lines;
    for (const Side side : {Side::Writers, Side::Publishers})
        if (const auto shares = this->shares(side)) {
            QStringList parts;
            for (const library::Share& s : *shares)
                parts << tr("%1 %2").arg(qs(library::shownParty(s, nameOf)),
                                         s.part ? qs(s.part->percent()) : tr("not known"));
            lines << (side == Side::Writers ? tr("Writers: %1") : tr("Publishers: %1")).arg(parts.join(", "));
        }
    preview_->setText(lines.isEmpty() ? tr("Choose the song whose shares are the same.") : lines.join("\n"));
    take_->setEnabled(!lines.isEmpty());
}

QString CopySharesDialog::previewText() const {
    return preview_->text();
}

} // namespace moorfrost::app
