// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/before_view.h"

#include <QDateTime>
#include <QDesktopServices>
#include <QFileInfo>
#include <QHeaderView>
#include <QScrollArea>
#include <QSplitter>
#include <QUrl>
#include <QVBoxLayout>

#include "app/deliver/rows_in_model.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"

namespace moorfrost::app {

namespace {

enum Column { When, What, Way, Whom, State, ColumnCount };
constexpr int IdRole = Qt::UserRole + 1;
constexpr const char* timeForm = "d MMM yyyy, HH:mm";

} // namespace

void DeliveryBox::show(const library::Delivery* d, const deliver::DeliveredSince* since,
                       const std::vector<library::DeliveryNote>& notes) {
    clear();
    if (!d)
        return end();
    const auto& c = theme::colours();
    caption(qs(d->title));
    line(tr("%1, %2").arg(BeforeView::wayName(d->way).toHtmlEscaped(),
                          QLocale().toString(QDateTime::fromSecsSinceEpoch(d->when), timeForm)));
    if (!d->forWhom.empty())
        line(tr("For %1").arg(qs(d->forWhom).toHtmlEscaped()));
    if (!d->target.empty())
        line(coloured(breakable(shownPath(d->target)).toHtmlEscaped(), c.second));
    line(tr("%n track(s)", "", static_cast<int>(d->items)));
    if (since) {
        if (since->changed + since->gone == 0)
            line(coloured(tr("All of it is as it was then."), c.moss));
        if (since->changed > 0)
            line(coloured(tr("Changed since: %n track(s).", "", static_cast<int>(since->changed)), c.lichen));
        if (since->gone > 0)
            line(coloured(tr("Not in the library any more: %n track(s).", "", static_cast<int>(since->gone)),
                          c.lichen));
    }
    if (!notes.empty())
        caption(tr("What came back"));
    for (const library::DeliveryNote& note : notes) {
        QString says = note.seconds >= 0 ? shownLength(note.seconds) + "  " : QString();
        if (note.rating > 0)
            says += QString(note.rating, QChar(0x2605)) + "  ";
        says += spoken(note.text);
        link(tr("%1: %2").arg(RowsInModel::trackName(index_, note.file), says.trimmed()),
             [this, note] { emit noteChosen(note); });
    }
    end();
}

QString BeforeView::wayName(const std::string& way) {
    if (way == "one-sheet")
        return tr("One-sheet");
    if (way == "sheet")
        return tr("Sheet");
    if (way == "share page")
        return tr("Share page");
    if (way == "list")
        return tr("List");
    if (way == "device")
        return tr("Device");
    if (way == "package")
        return tr("Package");
    return qs(way);
}

BeforeView::BeforeView(Deliveries& deliveries, Delivering& delivering, RowsOutController& rows,
                       SheetController& sheet, LibraryIndex& index, Messages& messages, QWidget* parent)
    : DeliverView(parent), deliveries_(deliveries), delivering_(delivering), rows_(rows), sheet_(sheet),
      index_(index), messages_(messages) {
    list_ = new QTreeWidget;
    prepareTree(list_, {tr("When"), tr("What"), tr("Way"), tr("For whom"), tr("State")});
    list_->setRootIsDecorated(false);
    list_->setFrameShape(QFrame::NoFrame);
    list_->setSelectionMode(QAbstractItemView::SingleSelection);
    list_->setAccessibleName(tr("What was delivered"));
    list_->setColumnWidth(When, 150);
    list_->setColumnWidth(What, 220);
    list_->setColumnWidth(Way, 100);
    list_->setColumnWidth(Whom, 140);
    box_ = new DeliveryBox(index_);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setWidget(box_);
    scroll->setMinimumWidth(220);
    repeat_ = button(tr("Make it again\u2026"), "accent");
    open_ = button(tr("Show where it is"));
    forget_ = button(tr("Forget"));
    mark_ = button(tr("Mark the comments in the tracks"));
    connect(mark_, &QPushButton::clicked, this, [this] { emit marksWanted(notes_); });
    connect(box_, &DeliveryBox::noteChosen, this,
            [this](const library::DeliveryNote& note) { emit libraryWanted(note.file); });
    connect(repeat_, &QPushButton::clicked, this, &BeforeView::repeat);
    connect(open_, &QPushButton::clicked, this, &BeforeView::open);
    connect(forget_, &QPushButton::clicked, this, [this] {
        if (const auto* d = chosen())
            deliveries_.forget(d->id);
    });
    auto* foot = new QHBoxLayout;
    foot->setContentsMargins(14, 8, 14, 8);
    foot->addStretch();
    for (QPushButton* b : {forget_, mark_, open_, repeat_})
        foot->addWidget(b);
    auto* split = new QSplitter;
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(list_);
    split->addWidget(scroll);
    split->setStretchFactor(0, 1);
    split->setSizes({710, 280});
    remember(split, "deliver/before panes");
    all_ = new QWidget;
    auto* both = new QVBoxLayout(all_);
    both->setContentsMargins(0, 0, 0, 0);
    both->setSpacing(0);
    both->addWidget(split, 1);
    both->addWidget(bar("foot", foot));
    empty_ = new EmptyHint(
        "deliver", tr("Nothing was delivered yet"),
        tr("Whatever goes out of the library is noted here: what, when and to whom, and what has "
           "changed since. From here it is made again."));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(all_);
    layout->addWidget(empty_);
    connect(&deliveries_, &Deliveries::changed, this, &BeforeView::fill);
    connect(list_, &QTreeWidget::itemSelectionChanged, this, &BeforeView::showChosen);
    connect(list_, &QTreeWidget::itemActivated, this, &BeforeView::repeat);
    fill();
}

void BeforeView::fill() {
    const auto* before = chosen();
    const int64_t id = before ? before->id : 0;
    const QSignalBlocker quiet(list_);
    list_->clear();
    for (const library::Delivery& d : deliveries_.all()) {
        auto* row = new QTreeWidgetItem(list_);
        row->setData(0, IdRole, QVariant::fromValue<qlonglong>(d.id));
        row->setText(When, QLocale().toString(QDateTime::fromSecsSinceEpoch(d.when), timeForm));
        row->setText(What, qs(d.title));
        row->setText(Way, wayName(d.way));
        row->setText(Whom, qs(d.forWhom));
        QStringList state{qs(d.state)};
        if (d.notes > 0)
            state << tr("%n comment(s) back", "", static_cast<int>(d.notes));
        row->setText(State, state.join(" \u00B7 "));
        if (d.id == id)
            list_->setCurrentItem(row);
    }
    if (!list_->currentItem() && list_->topLevelItemCount() > 0)
        list_->setCurrentItem(list_->topLevelItem(0));
    all_->setVisible(!deliveries_.all().empty());
    empty_->setVisible(deliveries_.all().empty());
    showChosen();
}

const library::Delivery* BeforeView::chosen() const {
    const QTreeWidgetItem* row = list_->currentItem();
    const int64_t id = row ? row->data(0, IdRole).toLongLong() : 0;
    for (const library::Delivery& d : deliveries_.all())
        if (d.id == id)
            return &d;
    return nullptr;
}

void BeforeView::showChosen() {
    const library::Delivery* d = chosen();
    files_.clear();
    notes_.clear();
    mark_->hide();
    box_->show(d, nullptr, {});
    for (QPushButton* b : {repeat_, open_, forget_})
        b->setEnabled(d != nullptr);
    if (!d)
        return;
    deliveries_.since(this, d->id, [this, id = d->id](deliver::DeliveredSince since) {
        deliveries_.notes(this, id, [this, id, since](std::vector<library::DeliveryNote> notes) {
            const library::Delivery* now = chosen();
            if (!now || now->id != id)
                return;
            files_ = since.files;
            notes_ = notes;
            mark_->setVisible(!notes_.empty());
            box_->show(now, &since, notes);
        });
    });
}

void BeforeView::open() {
    const library::Delivery* d = chosen();
    if (!d)
        return;
    const QFileInfo info(qs(d->target.native()));
    const QString folder = info.isDir() ? info.absoluteFilePath() : info.absolutePath();
    if (!QFileInfo::exists(folder))
        return messages_.say(tr("%1 is not there any more.").arg(shownPath(d->target)), true);
    QDesktopServices::openUrl(QUrl::fromLocalFile(folder));
}

void BeforeView::repeat() {
    const library::Delivery* d = chosen();
    if (!d)
        return;
    deliveries_.since(this, d->id, [this, d = *d](const deliver::DeliveredSince& since) {
        if (since.files.empty())
            return messages_.say(tr("None of its tracks is in the library any more."), true);
        delivering_.setOf({since.files, {}}, qs(d.title));
        if (d.way == "sheet") {
            if (auto layout = deliver::rowLayoutFromJson(d.layout))
                rows_.layouts().change(std::move(*layout));
            emit wayWanted(DeliverWay::SheetOut);
        } else if (d.way == "one-sheet") {
            if (auto layout = deliver::layoutFromJson(d.layout))
                sheet_.layouts().change(std::move(*layout));
            emit wayWanted(DeliverWay::OneSheet);
        } else {
            emit repeated(d);
        }
    });
}

} // namespace moorfrost::app
