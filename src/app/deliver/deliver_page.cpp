// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/deliver_page.h"
#include "app/widgets/keep_wide.h"

#include <QSettings>
#include <QSplitter>
#include <QVBoxLayout>

#include <utility>

#include "app/deliver/sheet_songs.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

namespace {

constexpr int rowHeight = 30;
constexpr int narrow = 1000, leftWidth = 210, leftWhereNarrow = 190; // pixels
constexpr const char* wayKey = "deliver/way";

} // namespace

DeliverPage::DeliverPage(const Uses& use, const std::vector<Part>& parts, QWidget* parent)
    : QWidget(parent), use_(use), parts_(parts) {
    setObjectName("page");
    stack_ = new QStackedWidget;
    heads_ = new QStackedWidget;
    heads_->setSizePolicy(QSizePolicy::Maximum, QSizePolicy::Preferred);
    for (const Part& part : parts_) {
        stack_->addWidget(part.view);
        auto* head = new QWidget;
        auto* own = new QHBoxLayout(head);
        own->setContentsMargins(0, 0, 0, 0);
        own->addStretch();
        if (QWidget* its = part.view->headPart()) {
            own->addWidget(its);
            its->show(); // with the page that it stands on
        }
        heads_->addWidget(head);
        connect(part.view, &DeliverView::tracksWanted, this, [this] { songs_->searchBox()->setFocus(); });
        connect(part.view, &DeliverView::libraryWanted, this,
                [this](qlonglong file) { emit libraryWanted(file); });
    }
    auto* split = split_ = new QSplitter;
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(left());
    split->addWidget(stack_);
    split->setStretchFactor(1, 1);
    split->setSizes({leftWidth, 990});
    remember(split, "deliver/left");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(head());
    layout->addWidget(split, 1);
    connect(&use_.delivering, &Delivering::changed, this, &DeliverPage::showSubject);
    connect(&use_.sheet, &SheetController::changed, this, &DeliverPage::showSubject);
    connect(&use_.index, &LibraryIndex::changed, this, &DeliverPage::showSubject);
    connect(songs_, &SheetSongs::changed, this, [this](const std::vector<FileId>& songs) {
        use_.delivering.setOf({songs, {}}, songs.empty() ? QString() : use_.delivering.name());
    });
    connect(songs_, &SheetSongs::added, &use_.delivering, &Delivering::addSongs);
    connect(ways_, &QListWidget::currentRowChanged, this, &DeliverPage::showWay);
    const int last = QSettings().value(wayKey, 0).toInt();
    ways_->setCurrentRow(last >= 0 && last < ways_->count() ? last : 0);
    showSubject();
}

QWidget* DeliverPage::head() {
    subject_ = new ShortLabel;
    subject_->setObjectName("strong");
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 0, 14, 0);
    row->setSpacing(8);
    row->addWidget(label(tr("Deliver"), "title"));
    row->addSpacing(6);
    row->addWidget(subject_, 1);
    row->addWidget(heads_);
    return bar("head", row, 46);
}

QWidget* DeliverPage::left() {
    ways_ = new QListWidget;
    ways_->setFrameShape(QFrame::NoFrame);
    ways_->setObjectName("ways");
    ways_->setAccessibleName(tr("Ways out of the library"));
    ways_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    ways_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    for (const Part& part : parts_) {
        auto* row = new QListWidgetItem(part.name);
        row->setToolTip(part.tells);
        row->setSizeHint({100, rowHeight});
        ways_->addItem(row);
    }
    ways_->setFixedHeight(rowHeight * static_cast<int>(parts_.size()) + 8);
    songs_ = new SheetSongs(use_.index);
    auto* box = new QFrame;
    box->setObjectName("side");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 4, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(ways_);
    layout->addWidget(songs_, 1);
    layout->addStretch();
    keepWide(box, leftWhereNarrow);
    return box;
}

DeliverView* DeliverPage::current() const {
    return static_cast<DeliverView*>(stack_->currentWidget());
}

DeliverWay DeliverPage::way() const {
    return parts_.at(static_cast<size_t>(std::max(0, ways_->currentRow()))).way;
}

void DeliverPage::show(DeliverWay way) {
    for (size_t i = 0; i < parts_.size(); ++i)
        if (parts_[i].way == way)
            ways_->setCurrentRow(static_cast<int>(i));
}

void DeliverPage::showWay() {
    const int row = ways_->currentRow();
    if (row < 0)
        return;
    stack_->setCurrentIndex(row);
    heads_->setCurrentIndex(row);
    QSettings().setValue(wayKey, row);
    showLeft();
    showSubject();
}

bool DeliverPage::isTrue() const {
    return current()->isTrue();
}

void DeliverPage::takeKeyboard() {
    current()->takeKeyboard();
}

void DeliverPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // Where there is little room the view gets most of it.
    const bool now = width() < narrow;
    if (std::exchange(narrow_, now) != now)
        split_->setSizes({now ? leftWhereNarrow : leftWidth, width() - (now ? leftWhereNarrow : leftWidth)});
}

void DeliverPage::showLeft() {
    songs_->setVisible(current()->isOfTracks());
}

void DeliverPage::showSubject() {
    const deliver::SheetOf& of = use_.delivering.of();
    const auto* shown = use_.sheet.shown();
    songs_->show(of, shown ? &shown->subject : nullptr);
    showLeft();
    QStringList parts;
    if (!current()->isOfTracks()) {
        subject_->setText({});
        return;
    }
    if (!use_.delivering.name().isEmpty()) {
        parts << use_.delivering.name() << tr("%n track(s)", "", static_cast<int>(of.songs.size()));
    } else if (of.songs.size() == 1) {
        if (const auto searcher = use_.index.searcher())
            if (const auto row = searcher->rowOf(of.songs.front()))
                parts << qs(searcher->text(*row, "title")) << qs(searcher->text(*row, "artist"));
    } else if (!of.songs.empty()) {
        parts << tr("%n track(s)", "", static_cast<int>(of.songs.size()));
    } else if (shown) {
        parts << qs(shown->subject.title) << qs(shown->subject.artist)
              << tr("%n track(s)", "", static_cast<int>(shown->subject.songs.size()));
    }
    parts.removeAll(QString());
    subject_->setText(parts.isEmpty() ? QString() : tr("for %1").arg(parts.join(" \u00B7 ")));
}

} // namespace moorfrost::app
