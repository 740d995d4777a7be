// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/library_page.h"

#include <QElapsedTimer>
#include <QHeaderView>
#include <QKeyEvent>
#include <QMenu>
#include <QPainter>
#include <QSettings>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/bench/mend_text_dialog.h"
#include "app/library/check_files_dialog.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/controls.h"
#include "app/widgets/file_details.h"

namespace moorfrost::app {

namespace {
const QStringList defaultColumns = {"title", "artist", "album", "date", "genre", lengthColumn, formatColumn};

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
    auto* check = button(tr("Check files\u2026"));
    check->setToolTip(tr("Whether the selected files are whole, and still the ones they were"));
    head->addWidget(check);
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

    details_ = new FileDetails(session_);

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
        menu.addAction(tr("Check files\u2026"), this, &LibraryPage::checkFiles);
        menu.addAction(tr("Copy\tCtrl+C"), view_, &SheetView::copy);
        menu.exec(at);
    });
    connect(send_, &QPushButton::clicked, this, &LibraryPage::sendToBench);
    connect(empty_->button(), &QPushButton::clicked, this, &LibraryPage::benchWanted);
    connect(details_, &FileDetails::mendTextWanted, this,
            [this] { MendTextDialog(session_, view_->chosenFiles(), this).exec(); });
    connect(check, &QPushButton::clicked, this, &LibraryPage::checkFiles);
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

void LibraryPage::checkFiles() {
    std::vector<FileId> chosen = view_->chosenFiles();
    bool some = chosen.size() > 1;
    if (!some)
        chosen = model_->files();
    CheckFilesDialog(session_, chosen,
                     some ? tr("the %n selected file(s)", "", static_cast<int>(chosen.size()))
                          : tr("the %n file(s) shown", "", static_cast<int>(chosen.size())),
                     this)
        .exec();
}

void LibraryPage::chooseColumns(const QPoint&) {
    view_->chooseColumns("library/columns");
}

void LibraryPage::showDetails() {
    std::vector<FileId> chosen = view_->chosenFiles();
    details_->showFile(chosen.empty() ? nullptr : session_.file(chosen.front()),
                       std::max(0, static_cast<int>(chosen.size()) - 1));
}

} // namespace moorfrost::app
