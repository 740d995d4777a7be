// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/audit/facet_row.h"

#include <QAbstractItemView>
#include <QGridLayout>
#include <QSignalBlocker>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

struct Item {
    QString name;
    qlonglong value = 0;
    size_t count = 0;
};

/// The first is "all"; of each other the count.
void fill(Choice* box, const std::vector<Item>& items, qlonglong chosen) {
    if (box->view()->isVisible())
        return; // somebody is choosing
    const QSignalBlocker quiet(box);
    box->clear();
    for (const Item& item : items) {
        box->addItem(item.value == 0 ? item.name : QString("%1 \u00B7 %L2").arg(item.name).arg(item.count),
                     item.value);
        box->setItemData(box->count() - 1, item.name, Qt::ToolTipRole);
    }
    box->setCurrentIndex(std::max(0, box->findData(chosen)));
}

QString nameOf(library::FoundWhen when) {
    switch (when) {
    case library::FoundWhen::Always:
        return FacetRow::tr("At any time");
    case library::FoundWhen::Today:
        return FacetRow::tr("Found today");
    case library::FoundWhen::Week:
        return FacetRow::tr("In the last 7 days");
    case library::FoundWhen::Month:
        return FacetRow::tr("In the last 30 days");
    case library::FoundWhen::Earlier:
        return FacetRow::tr("Earlier");
    }
    return {};
}

} // namespace

FacetRow::FacetRow(AuditController& audit, QWidget* parent) : QWidget(parent), audit_(audit) {
    shelves_ = new Choice;
    shelves_->setAccessibleName(tr("Shelf"));
    releases_ = new Choice;
    releases_->setAccessibleName(tr("Release"));
    whens_ = new Choice;
    whens_->setAccessibleName(tr("Since when"));
    auto* rows = new QGridLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(4);
    rows->addWidget(releases_, 0, 0);
    rows->addWidget(whens_, 0, 1);
    rows->addWidget(shelves_, 1, 0, 1, 2);
    for (Choice* box : {shelves_, releases_, whens_}) {
        box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
        box->setMinimumContentsLength(6);
    }
    connect(shelves_, &QComboBox::activated, this, [this] {
        shelf_ = shelves_->currentData().toLongLong();
        emit chosen();
    });
    connect(releases_, &QComboBox::activated, this, [this] {
        release_ = releases_->currentData().toLongLong();
        emit chosen();
    });
    connect(whens_, &QComboBox::activated, this, [this] {
        when_ = static_cast<library::FoundWhen>(whens_->currentData().toInt());
        emit chosen();
    });
}

void FacetRow::putInto(library::FindingFilter& filter) const {
    filter.shelf = shelf_;
    filter.release = release_;
    filter.when = when_;
}

void FacetRow::chooseRelease(FileId release) {
    release_ = release;
    emit chosen();
}

void FacetRow::clear() {
    shelf_ = 0;
    release_ = 0;
    when_ = library::FoundWhen::Always;
    emit chosen();
}

void FacetRow::refresh() {
    refreshShelves();
    refreshReleases();
    refreshWhen();
}

void FacetRow::refreshShelves() {
    const auto& counts = audit_.found().shelves;
    std::vector<Item> items{{tr("All shelves")}};
    for (const library::Shelf& shelf : audit_.shelves()) {
        const auto at = counts.find(shelf.id);
        items.push_back({qs(shelf.name), shelf.id, at == counts.end() ? 0 : at->second});
    }
    if (std::ranges::none_of(items, [this](const Item& item) { return item.value == shelf_; })) {
        shelf_ = 0; // it is none any more
        QMetaObject::invokeMethod(this, &FacetRow::chosen, Qt::QueuedConnection);
    }
    shelves_->setVisible(items.size() > 2 || shelf_ != 0);
    fill(shelves_, items, shelf_);
}

void FacetRow::refreshReleases() {
    std::vector<Item> items{{tr("All releases")}};
    for (const library::FoundFindings::Release& one : audit_.found().releases)
        items.push_back({qs(one.name), one.unit, one.count});
    if (release_ != 0 && (items.size() == 1 || items[1].value != release_)) // nothing is wrong with it
        items.push_back({tr("The chosen release"), release_, 0});
    fill(releases_, items, release_);
}

void FacetRow::refreshWhen() {
    std::vector<Item> items;
    for (int when = 0; when < library::foundWhens; ++when)
        items.push_back({nameOf(static_cast<library::FoundWhen>(when)), when, audit_.found().when[when]});
    fill(whens_, items, static_cast<qlonglong>(when_));
}

} // namespace moorfrost::app
