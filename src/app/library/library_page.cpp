// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/library_page.h"

#include <QDateTime>
#include <QElapsedTimer>
#include <QGridLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QMenu>
#include <QPainter>
#include <QScrollArea>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/covers.h"

namespace moorfrost::app {

namespace {
const QStringList defaultColumns = {"title", "artist", "album", "date", "genre", lengthColumn, formatColumn};
constexpr int coverSide = 220;

/// The arrow that shows by which column the table is sorted.
class SortHeader : public QHeaderView {
public:
    explicit SortHeader(QWidget* parent) : QHeaderView(Qt::Horizontal, parent) {
        setSectionsClickable(true);
        setSectionsMovable(true);
        setHighlightSections(false);
    }

protected:
    void paintSection(QPainter* p, const QRect& rect, int section) const override {
        p->save();
        QHeaderView::paintSection(p, rect, section);
        p->restore();
        if (isSortIndicatorShown() && sortIndicatorSection() == section) {
            QPixmap arrow = theme::pixmap("chevron", theme::colours().fjord, 12, devicePixelRatioF());
            QRect at(rect.right() - 18, rect.center().y() - 6, 12, 12);
            if (sortIndicatorOrder() == Qt::AscendingOrder) {
                p->drawPixmap(at, arrow.transformed(QTransform().scale(1, -1)));
            } else {
                p->drawPixmap(at, arrow);
            }
        }
    }
};
} // namespace

LibraryPage::LibraryPage(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    auto* head = new QHBoxLayout;
    search_ = new QLineEdit;
    search_->setPlaceholderText(tr("Search all text: title, artist, album, label, codes, notes \u2026"));
    search_->setAccessibleName(tr("Search the library"));
    search_->setClearButtonEnabled(false);
    search_->addAction(theme::icon("search"), QLineEdit::LeadingPosition);
    count_ = label({}, "quiet");
    send_ = button(tr("Send to bench"));
    send_->setToolTip(tr("Puts the selected files on the bench, to be described or put away again"));
    head->addWidget(search_, 3);
    head->addSpacing(4);
    head->addWidget(count_, 1);
    head->addStretch();
    head->addWidget(send_);

    model_ = new SheetModel(session_, false, this);
    view_ = new SheetView(session_, model_);
    view_->setAccessibleName(tr("Tracks"));
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    auto* header = new SortHeader(view_);
    view_->setHorizontalHeader(header);
    header->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    header->setSortIndicatorShown(true);
    header->setStretchLastSection(true);
    header->setFixedHeight(30);
    header->setMinimumSectionSize(36);
    header->setContextMenuPolicy(Qt::CustomContextMenu);
    std::vector<std::string> keys;
    for (const QString& key : QSettings().value("library/columns", defaultColumns).toStringList())
        keys.push_back(ss(key));
    model_->setColumns(keys);
    for (int i = 0; i < model_->columnCount(); ++i) {
        const tags::FieldDef* def = tags::fieldByKey(keys[static_cast<size_t>(i)]);
        view_->setColumnWidth(i, def ? def->columnWidth * 5 / 4 : 84);
    }
    remember(header, "library/columns of table");
    sortColumn_ = QSettings().value("library/sort", 1).toInt();
    sortOrder_ = static_cast<Qt::SortOrder>(QSettings().value("library/order", 0).toInt());
    header->setSortIndicator(sortColumn_, sortOrder_);

    empty_ = new EmptyHint(
        "library", tr("The library is empty"),
        tr("Files come here when they are put away on a shelf. Start on the bench: bring in a folder."),
        tr("Go to the bench"));
    stack_ = new QStackedWidget;
    stack_->setObjectName("panel");
    stack_->addWidget(view_);
    stack_->addWidget(empty_);

    details_ = new QFrame;
    details_->setObjectName("drawer");
    details_->setMinimumWidth(230);
    auto* side = new QVBoxLayout;
    side->setContentsMargins(14, 14, 14, 8);
    side->setSpacing(4);
    cover_ = new QLabel;
    cover_->setFixedSize(coverSide, coverSide);
    title_ = label({}, "title");
    subtitle_ = label({}, "quiet");
    for (QLabel* l : {title_, subtitle_})
        l->setWordWrap(true);
    side->addWidget(cover_);
    side->addSpacing(8);
    side->addWidget(title_);
    side->addWidget(subtitle_);
    side->addSpacing(8);
    facts_ = new QGridLayout;
    facts_->setColumnStretch(1, 1);
    facts_->setHorizontalSpacing(10);
    facts_->setVerticalSpacing(4);
    side->addLayout(facts_);
    side->addStretch();
    auto* content = new QWidget;
    content->setLayout(side);
    auto* scroll = new QScrollArea;
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(content);
    auto* detailsLayout = new QVBoxLayout(details_);
    detailsLayout->setContentsMargins(0, 0, 0, 0);
    detailsLayout->addWidget(scroll);

    auto* splitter = new QSplitter;
    splitter->addWidget(stack_);
    splitter->addWidget(details_);
    splitter->setStretchFactor(0, 1);
    splitter->setCollapsible(0, false);
    splitter->setSizes({940, 262});
    remember(splitter, "library");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(bar("head", head, 46));
    layout->addWidget(splitter, 1);

    connect(&session_, &Session::libraryChanged, this, &LibraryPage::rebuildIndex);
    connect(search_, &QLineEdit::textChanged, this, &LibraryPage::search);
    connect(search_, &QLineEdit::returnPressed, this, [this] {
        view_->setFocus();
        if (model_->rowCount() > 0 && !view_->currentIndex().isValid())
            view_->setCurrentIndex(model_->index(0, 0));
    });
    connect(header, &QHeaderView::sectionClicked, this, [this, header](int section) {
        sortOrder_ = section == sortColumn_ && sortOrder_ == Qt::AscendingOrder ? Qt::DescendingOrder
                                                                                : Qt::AscendingOrder;
        sortColumn_ = section;
        header->setSortIndicator(section, sortOrder_);
        QSettings().setValue("library/sort", section);
        QSettings().setValue("library/order", static_cast<int>(sortOrder_));
        applySort();
    });
    connect(header, &QWidget::customContextMenuRequested, this, &LibraryPage::chooseColumns);
    connect(view_, &SheetView::chosenChanged, this, &LibraryPage::showDetails);
    connect(view_, &SheetView::playRequested, this, &LibraryPage::playRequested);
    connect(view_, &QTableView::doubleClicked, this,
            [this](const QModelIndex& i) { emit playRequested(model_->fileAt(i.row())); });
    connect(view_, &SheetView::menuRequested, this, [this](const QPoint& at) {
        QMenu menu(this);
        if (view_->currentIndex().isValid())
            menu.addAction(tr("Play\tSpace"),
                           [this] { emit playRequested(model_->fileAt(view_->currentIndex().row())); });
        menu.addAction(tr("Send to bench"), this, &LibraryPage::sendToBench);
        menu.addAction(tr("Copy\tCtrl+C"), view_, &SheetView::copy);
        menu.exec(at);
    });
    connect(send_, &QPushButton::clicked, this, &LibraryPage::sendToBench);
    connect(empty_->button(), &QPushButton::clicked, this, &LibraryPage::benchWanted);
    connect(&Covers::instance(), &Covers::ready, this, &LibraryPage::showDetails);
    rebuildIndex();
}

void LibraryPage::rebuildIndex() {
    files_ = session_.libraryFiles();
    index_.reset();
    searched_ = false;
    auto built = std::make_shared<std::shared_ptr<const library::SearchIndex>>();
    session_.jobs().start(
        tr("Indexing the library"),
        [files = files_, built](std::stop_token, work::Progress&) {
            *built = std::make_shared<library::SearchIndex>(files);
        },
        [this, built, n = files_.size()] {
            if (n != files_.size())
                return; // a newer one is on its way
            index_ = *built;
            search();
        });
}

void LibraryPage::search() {
    searched_ = false;
    if (!index_ || index_->size() != files_.size())
        return;
    int run = ++run_;
    struct Answer {
        std::vector<FileId> ids;
        qint64 nanoseconds = 0;
    };
    auto answer = std::make_shared<Answer>();
    session_.jobs().start(
        tr("Searching"),
        [index = index_, files = files_, query = ss(search_->text()), answer](std::stop_token,
                                                                              work::Progress&) {
            QElapsedTimer clock;
            clock.start();
            for (size_t i : index->search(query))
                answer->ids.push_back(files[i]->id);
            answer->nanoseconds = clock.nsecsElapsed();
        },
        [this, run, answer] {
            if (run != run_)
                return;
            auto hits = static_cast<int>(answer->ids.size());
            model_->setFiles(std::move(answer->ids));
            applySort();
            bool none = files_.empty();
            stack_->setCurrentIndex(none ? 1 : 0);
            details_->setVisible(!none);
            count_->setText(none ? QString()
                            : search_->text().trimmed().isEmpty()
                                ? tr("%n track(s)", "", hits)
                                : tr("%L1 of %L2 tracks \u00B7 %3")
                                      .arg(hits)
                                      .arg(files_.size())
                                      .arg(answer->nanoseconds < 1000000
                                               ? tr("under 1 ms")
                                               : tr("%L1 ms").arg(answer->nanoseconds / 1000000)));
            if (hits > 0 && !view_->selectionModel()->hasSelection())
                view_->selectRow(0);
            send_->setEnabled(hits > 0);
            showDetails();
            searched_ = true;
        });
}

void LibraryPage::applySort() {
    model_->sortBy(view_->horizontalHeader()->sortIndicatorSection(), sortOrder_);
}

void LibraryPage::sendToBench() {
    session_.sendToBench(view_->chosenFiles());
    emit benchWanted();
}

void LibraryPage::chooseColumns(const QPoint&) {
    view_->chooseColumns("library/columns");
}

void LibraryPage::showDetails() {
    std::vector<FileId> chosen = view_->chosenFiles();
    FilePtr f = chosen.empty() ? nullptr : session_.file(chosen.front());
    while (QLayoutItem* item = facts_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    QPixmap picture = f ? Covers::instance().cover(*f, coverSide) : QPixmap();
    if (picture.isNull()) {
        picture = QPixmap(QSize(coverSide, coverSide) * devicePixelRatioF());
        picture.setDevicePixelRatio(devicePixelRatioF());
        picture.fill(Qt::transparent);
        QPainter p(&picture);
        paint::blankCover(p, QRect(0, 0, coverSide, coverSide), "sleeve");
    }
    cover_->setPixmap(picture);
    if (!f) {
        title_->setText(tr("Nothing chosen"));
        subtitle_->clear();
        return;
    }
    const tags::Fields& fields = f->tags.fields;
    std::string title = tags::firstValue(fields, "title");
    title_->setText(title.empty() ? shownName(f->path) : qs(title));
    QStringList under;
    for (const char* key : {"artist", "album", "date"})
        if (QString v = qs(tags::shownValue(fields, key)); !v.isEmpty())
            under << v;
    subtitle_->setText(
        under.join(" \u00B7 ") +
        (chosen.size() > 1 ? tr("\nand %n more", "", static_cast<int>(chosen.size() - 1)) : QString()));
    int row = 0;
    auto caption = [&](const QString& text) {
        auto* l = label(text, "caption");
        l->setContentsMargins(0, row ? 8 : 0, 0, 0);
        facts_->addWidget(l, row++, 0, 1, 2);
    };
    auto line = [&](const QString& name, const QString& value, bool mono = false) {
        auto* n = label(name, "quiet");
        n->setAlignment(Qt::AlignTop);
        auto* v = label(value, mono ? "mono" : "");
        v->setWordWrap(true);
        v->setTextInteractionFlags(Qt::TextSelectableByMouse);
        if (mono) { // paths have no spaces to break at
            QString broken = value;
            v->setText(broken.replace("/", "/\u200B"));
        }
        facts_->addWidget(n, row, 0);
        facts_->addWidget(v, row++, 1);
    };
    caption(tr("Fields"));
    for (const tags::FieldDef& def : tags::fieldTable())
        if (def.key != "title" && def.key != "artist" && def.key != "album" && def.key != "date" &&
            fields.contains(def.key))
            line(fieldLabel(def.key), qs(tags::shownValue(fields, def.key)));
    for (const auto& [key, values] : fields)
        if (!tags::fieldByKey(key))
            line(qs(key), qs(tags::shownValue(fields, key)));
    caption(tr("Sound"));
    line(tr("Length"), shownLength(f->tags.facts.duration));
    line(tr("Format"), qs(audio::formatName(f->tags.format)) +
                           (f->tags.facts.bitDepth ? tr(", %1 bit").arg(f->tags.facts.bitDepth) : QString()));
    line(tr("Rate"), tr("%L1 Hz, %n channel(s), %2 kbit/s", "", f->tags.facts.channels)
                         .arg(f->tags.facts.sampleRate)
                         .arg(f->tags.facts.bitrate / 1000));
    line(tr("Size"), shownSize(f->state.size));
    caption(tr("Where it is"));
    auto* where = label({}, "mono");
    where->setWordWrap(true);
    where->setText(session_.placeText(f->path).replace("/", "/\u200B"));
    where->setToolTip(shownPath(f->path));
    where->setTextInteractionFlags(Qt::TextSelectableByMouse);
    facts_->addWidget(where, row++, 0, 1, 2);
    line(tr("Added"), QLocale().toString(QDateTime::fromSecsSinceEpoch(f->added), QLocale::ShortFormat));
}

} // namespace moorfrost::app
