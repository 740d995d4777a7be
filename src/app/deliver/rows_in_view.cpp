// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/rows_in_view.h"

#include <QCheckBox>
#include <QDialog>
#include <QDialogButtonBox>
#include <QDropEvent>
#include <QFileDialog>
#include <QFormLayout>
#include <QHeaderView>
#include <QListWidget>
#include <QMimeData>
#include <QScrollArea>
#include <QSplitter>
#include <QStackedWidget>
#include <QVBoxLayout>

#include "app/deliver/column_editor.h"
#include "app/deliver/entry_dialog.h"
#include "app/deliver/layout_bar.h"
#include "app/deliver/track_search.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/field_picker.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

using Part = RowsInModel::Part;
using State = deliver::InRow::State;

QString shownValues(const std::vector<std::string>& values) {
    QString out = qs(text::join(values, "; ")).simplified();
    return out.isEmpty() ? RowBox::tr("nothing") : out;
}

} // namespace

void RowBox::show(const std::optional<deliver::InRow>& row) {
    clear();
    if (!row)
        return end();
    const auto& c = theme::colours();
    const QString name = qs(deliver::rowName(*row));
    caption(name.isEmpty() ? tr("Line %1").arg(row->line) : tr("Line %1: %2").arg(row->line).arg(name));
    if (row->file != 0)
        line(tr("Means %1.")
                 .arg("<span style=\"font-weight:600\">" +
                      RowsInModel::trackName(index_, row->file).toHtmlEscaped() + "</span>"));
    if (!row->told.empty())
        line(coloured(qs(row->told), c.second));
    if (!row->trouble.empty())
        line(coloured(qs(row->trouble), c.lichen));
    for (const auto& [key, values] : row->changes) {
        const auto before = row->before.find(key);
        const QString was = before == row->before.end() ? QString() : shownValues(before->second);
        line(tr("%1: %2%3")
                 .arg(qs(deliver::columnLabel(key)).toHtmlEscaped(), coloured(shownValues(values), c.heather),
                      was.isEmpty() ? QString() : coloured(tr(" in place of %1").arg(was), c.second)));
    }
    if (row->state == State::Contradicts)
        link(tr("This row counts, the others are left out"), [this] { emit preferred(); });
    for (const FileId file : row->candidates)
        link(RowsInModel::trackName(index_, file), [this, file] { emit trackChosen(file); });
    end();
}

RowsInView::RowsInView(RowsInController& rows, LibraryIndex& index, ShelvesController& shelves,
                       Messages& messages, QWidget* parent)
    : DeliverView(parent), rows_(rows), index_(index), shelves_(shelves), messages_(messages) {
    setAcceptDrops(true);
    open_ = button(tr("Choose a sheet\u2026"));
    open_->setParent(this);
    open_->hide();
    connect(open_, &QPushButton::clicked, this, &RowsInView::choose);
    QWidget* split = panes(left(), right(), "deliver/sheet in panes", 300);
    empty_ = new EmptyHint("deliver", {}, {}, tr("Choose a sheet\u2026"));
    connect(empty_->button(), &QPushButton::clicked, this, &RowsInView::choose);
    stack_ = new QStackedWidget;
    stack_->addWidget(empty_);
    stack_->addWidget(split);
    fillWith(stack_);
    connect(&rows_, &RowsInController::changed, this, &RowsInView::showAll);
    connect(&rows_, &RowsInController::rowChanged, this, [this](size_t row) {
        model_->refresh();
        showRows();
        // On to the next that needs somebody.
        const int place = model_->placeOf(row);
        if (part_ == Part::Needs && place >= 0 && place + 1 < model_->rowCount() && rows_.rows() &&
            !deliver::InRow::needsSomebody(rows_.rows()->rows.state(row)))
            table_->selectRow(place + 1);
        showRow();
    });
    connect(&index_, &LibraryIndex::changed, this, [this] {
        model_->refresh();
        showRow();
    });
    showAll();
}

QWidget* RowsInView::headPart() {
    return open_;
}

void RowsInView::takeKeyboard() {
    if (rows_.rows())
        table_->setFocus();
    else
        empty_->button()->setFocus();
}

QWidget* RowsInView::left() {
    file_ = new ShortLabel;
    file_->setObjectName("strong");
    layout_ = new Choice;
    layout_->setAccessibleName(tr("Layout whose columns it has"));
    layout_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    charset_ = new Choice;
    for (const std::string& name : text::charsetNames())
        charset_->addItem(qs(name));
    charset_->setAccessibleName(tr("Encoding"));
    delimiter_ = new Choice;
    const std::pair<QString, char> delimiters[] = {{tr("Comma"), ','},
                                                   {tr("Semicolon"), ';'},
                                                   {tr("Tab"), '\t'},
                                                   {tr("Vertical bar"), '|'},
                                                   {tr("Colon"), ':'}};
    for (const auto& [name, c] : delimiters)
        delimiter_->addItem(name, QChar(c));
    delimiter_->setAccessibleName(tr("Delimiter"));
    headings_ = new QCheckBox(tr("The first row has headings"));
    quotes_ = new QCheckBox(tr("Quotes hold cells together"));
    clears_ = new QCheckBox(tr("Blank cells clear fields"));
    columns_ = new QListWidget;
    columns_->setFrameShape(QFrame::NoFrame);
    columns_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, columns_));
    columns_->setUniformItemSizes(true);
    columns_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    columns_->setAccessibleName(tr("Columns of the sheet"));
    says_ = new FieldPicker(true);
    says_->setLabels(columnName);
    says_->setNothing(tr("does not count"));
    says_->setAccessibleName(tr("What the column says"));
    samples_ = label({}, "quiet");
    samples_->setWordWrap(true);
    connect(layout_, &QComboBox::activated, this,
            [this](int at) { rows_.setLayout(ss(layout_->itemData(at).toString())); });
    auto give = [this](auto how) {
        exchange::DialectGiven given = rows_.given();
        how(given);
        rows_.setGiven(given);
    };
    connect(charset_, &QComboBox::activated, this, [this, give](int at) {
        give([&](exchange::DialectGiven& g) { g.charset = ss(charset_->itemText(at)); });
    });
    connect(delimiter_, &QComboBox::activated, this, [this, give](int at) {
        give([&](exchange::DialectGiven& g) { g.delimiter = delimiter_->itemData(at).toChar().toLatin1(); });
    });
    connect(headings_, &QCheckBox::clicked, this,
            [give](bool on) { give([&](exchange::DialectGiven& g) { g.headings = on; }); });
    connect(quotes_, &QCheckBox::clicked, this,
            [give](bool on) { give([&](exchange::DialectGiven& g) { g.quotes = on; }); });
    connect(clears_, &QCheckBox::clicked, &rows_, &RowsInController::setBlankClears);
    connect(columns_, &QListWidget::currentRowChanged, this, [this] { showColumns(); });
    connect(says_, &FieldPicker::changed, this, [this] {
        const auto at = static_cast<size_t>(columns_->currentRow());
        const auto* look = rows_.look();
        if (!look || at >= look->plan.columns.size())
            return;
        deliver::RowColumn column = look->plan.columns[at];
        column.parts = says_->chosen();
        rows_.setColumn(at, column);
    });
    auto caption = [](const QString& text) {
        auto* out = label(text, "caption");
        out->setContentsMargins(0, 8, 0, 2);
        return out;
    };
    auto* form = new QFormLayout;
    form->addRow(label(tr("Columns of"), "quiet"), layout_);
    form->addRow(label(tr("Encoding"), "quiet"), charset_);
    form->addRow(label(tr("Delimiter"), "quiet"), delimiter_);
    auto* top = new QVBoxLayout;
    top->setContentsMargins(14, 10, 14, 6);
    top->setSpacing(6);
    top->addWidget(file_);
    top->addLayout(form);
    for (QCheckBox* box : {headings_, quotes_, clears_})
        top->addWidget(box);
    top->addWidget(caption(tr("Its columns, and what they say")));
    auto* bottom = new QVBoxLayout;
    bottom->setContentsMargins(14, 6, 14, 10);
    bottom->setSpacing(6);
    bottom->addWidget(says_);
    bottom->addWidget(samples_);
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(top);
    layout->addWidget(columns_, 1);
    layout->addLayout(bottom);
    box->setMinimumWidth(260);
    return box;
}

QWidget* RowsInView::right() {
    std::vector<QWidget*> parts;
    for (size_t i = 0; i < parts_.size(); ++i) {
        parts_[i] = button({}, i == 0 ? "left" : i + 1 == parts_.size() ? "right" : "middle");
        parts_[i]->setCheckable(true);
        connect(parts_[i], &QPushButton::clicked, this, [this, i] { showPart(static_cast<Part>(i)); });
        parts.push_back(parts_[i]);
    }
    auto* tabs = new QVBoxLayout;
    tabs->setContentsMargins(14, 8, 14, 8);
    tabs->addWidget(flowing(parts, 0));
    model_ = new RowsInModel(index_, this);
    table_ = new QTableView;
    table_->setModel(model_);
    table_->setFrameShape(QFrame::NoFrame);
    table_->setObjectName("rows");
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setShowGrid(false);
    table_->setWordWrap(false);
    table_->setTabKeyNavigation(false);
    table_->setAccessibleName(tr("Rows of the sheet"));
    table_->verticalHeader()->hide();
    table_->verticalHeader()->setDefaultSectionSize(28);
    table_->horizontalHeader()->setHighlightSections(false);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table_->horizontalHeader()->setStretchLastSection(true);
    table_->setColumnWidth(RowsInModel::Line, 56);
    table_->setColumnWidth(RowsInModel::Says, 220);
    table_->setColumnWidth(RowsInModel::Track, 210);
    connect(table_->selectionModel(), &QItemSelectionModel::selectionChanged, this, &RowsInView::showRow);
    row_ = new RowBox(index_);
    connect(row_, &RowBox::trackChosen, this, [this](FileId file) {
        if (const auto rows = chosenRows(); rows.size() == 1)
            rows_.settle(rows.front(), file);
    });
    connect(row_, &RowBox::preferred, this, [this] {
        if (const auto rows = chosenRows(); rows.size() == 1)
            rows_.prefer(rows.front());
    });
    search_ = new TrackSearch(index_, tr("It means another track: title, artist \u2026"));
    connect(search_, &TrackSearch::chosen, row_, &RowBox::trackChosen);
    auto* scroll = new QScrollArea;
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setWidget(row_);
    auto* settling = new QFrame;
    settling->setObjectName("side");
    auto* both = new QHBoxLayout(settling);
    both->setContentsMargins(0, 0, 0, 0);
    both->setSpacing(0);
    both->addWidget(scroll, 3);
    auto* finding = new QVBoxLayout;
    finding->addWidget(search_);
    finding->addStretch();
    both->addLayout(finding, 2);
    settling->setMinimumHeight(120);
    below_ = settling;
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    leaveOut_ = button(tr("Leave out"));
    entries_ = button(tr("Entries without a file\u2026"));
    take_ = button(tr("Take"), "accent");
    connect(leaveOut_, &QPushButton::clicked, this, [this] { rows_.leaveOut(chosenRows()); });
    connect(entries_, &QPushButton::clicked, this, &RowsInView::askForEntries);
    connect(take_, &QPushButton::clicked, &rows_, &RowsInController::takeAll);
    auto* split = new QSplitter(Qt::Vertical);
    split->setChildrenCollapsible(false);
    split->setHandleWidth(1);
    split->addWidget(table_);
    split->addWidget(settling);
    split->setStretchFactor(0, 1);
    split->setSizes({400, 190});
    remember(split, "deliver/sheet in rows");
    auto* box = new QFrame;
    box->setObjectName("panel");
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(tabs);
    layout->addWidget(split, 1);
    layout->addWidget(bar("foot", toldBeside(told_, {leaveOut_, entries_, take_})));
    box->setMinimumWidth(360);
    return box;
}

void RowsInView::choose() {
    const QString file = QFileDialog::getOpenFileName(this, tr("Choose a sheet"), deliverFolder(),
                                                      tr("Sheets (*.csv *.tsv *.txt *.tab);;All files (*)"));
    if (file.isEmpty())
        return;
    rememberDeliverFolder(file);
    rows_.open(Path(ss(file)));
}

void RowsInView::dragEnterEvent(QDragEnterEvent* event) {
    if (event->mimeData()->urls().size() == 1 && event->mimeData()->urls().front().isLocalFile())
        event->acceptProposedAction();
}

void RowsInView::dropEvent(QDropEvent* event) {
    event->acceptProposedAction();
    rows_.open(Path(ss(event->mimeData()->urls().front().toLocalFile())));
}

void RowsInView::showAll() {
    const auto* look = rows_.look();
    stack_->setCurrentIndex(look ? 1 : 0);
    open_->setText(look ? tr("Another sheet\u2026") : tr("Choose a sheet\u2026"));
    if (!look) {
        if (!rows_.why().isEmpty())
            empty_->setTexts(tr("This sheet cannot be read"),
                             tr("%1: %2").arg(shownName(rows_.file()), rows_.why()));
        else
            empty_->setTexts(
                tr("Take in what others send"),
                tr("A corrected list, codes from a label, a playout system's table: each row finds its "
                   "track by path, code, or words and length. What it says otherwise becomes drafts. "
                   "Choose the file, or drop it here."));
    } else {
        file_->setText(shownName(rows_.file()));
        layout_->clear();
        layout_->addItem(tr("no layout: by its headings"), QString());
        for (const std::string& name : rows_.layoutNames())
            layout_->addItem(qs(name), qs(name));
        layout_->setCurrentIndex(std::max(0, layout_->findData(qs(look->layout))));
        charset_->setCurrentIndex(charset_->findText(qs(look->look.dialect.charset)));
        delimiter_->setCurrentIndex(delimiter_->findData(QChar(look->look.dialect.delimiter)));
        headings_->setChecked(look->look.dialect.headings);
        quotes_->setChecked(look->look.dialect.quotes != exchange::Dialect::Quotes::Never);
        clears_->setChecked(look->plan.blankClears);
        const int current = std::max(0, columns_->currentRow());
        const QSignalBlocker quiet(columns_);
        columns_->clear();
        for (size_t i = 0; i < look->plan.columns.size(); ++i) {
            const deliver::RowColumn& column = look->plan.columns[i];
            const QString heading =
                i < look->headings.size() ? qs(look->headings[i]).simplified() : QString();
            auto* item = new QListWidgetItem(heading.isEmpty() ? tr("Column %1").arg(i + 1) : heading);
            QStringList says;
            for (const std::string& key : column.parts)
                says << columnName(key);
            item->setData(TwoLineDelegate::SecondRole,
                          says.isEmpty() ? tr("does not count") : says.join(" + "));
            columns_->addItem(item);
        }
        columns_->setCurrentRow(std::min(current, columns_->count() - 1));
        showColumns();
    }
    if (rows_.rows() != shown_ || rows_.run() != run_) {
        shown_ = rows_.rows();
        run_ = rows_.run();
        part_ = Part::Needs;
        if (shown_ && !shown_->rows.anyNeedsSomebody())
            part_ = Part::Changes;
        model_->show(shown_, part_);
        if (model_->rowCount() > 0)
            table_->selectRow(0);
    }
    showRows();
    showRow();
}

void RowsInView::showColumns() {
    const auto* look = rows_.look();
    const int at = columns_->currentRow();
    const bool any = look && at >= 0 && at < static_cast<int>(look->plan.columns.size());
    says_->setEnabled(any);
    if (!any)
        return samples_->setText({});
    says_->setKeys(columnKeys(index_));
    says_->setChosen(look->plan.columns[static_cast<size_t>(at)].parts);
    QStringList samples;
    for (size_t r = look->look.dialect.headings ? 1 : 0; r < look->look.first.size() && samples.size() < 3;
         ++r)
        if (const auto& row = look->look.first[r]; static_cast<size_t>(at) < row.size()) {
            QString cell = qs(row[static_cast<size_t>(at)]).simplified();
            if (cell.size() > 40)
                cell = cell.left(39) + "\u2026";
            if (!cell.isEmpty())
                samples << cell;
        }
    samples_->setTextFormat(Qt::PlainText);
    samples_->setText(samples.isEmpty() ? tr("Nothing in the first rows.") : samples.join(" \u00B7 "));
}

void RowsInView::showPart(Part part) {
    part_ = part;
    model_->show(rows_.rows(), part_);
    if (model_->rowCount() > 0)
        table_->selectRow(0);
    showRows();
    showRow();
}

void RowsInView::showRows() {
    const auto* rows = rows_.rows();
    std::array<size_t, 5> counts = {};
    if (rows) {
        for (size_t s = 0; s < deliver::InRow::states; ++s)
            for (size_t p = 0; p < counts.size(); ++p)
                if (const auto state = static_cast<State>(s);
                    RowsInModel::belongs(state, static_cast<Part>(p)))
                    counts[p] += rows->rows.count(state);
        counts[static_cast<size_t>(Part::Agree)] += rows->same + rows->again;
        counts[static_cast<size_t>(Part::All)] += rows->same + rows->again;
    }
    const QString names[] = {tr("To settle"), tr("Otherwise"), tr("Agree"), tr("Left out"), tr("All")};
    for (size_t p = 0; p < parts_.size(); ++p) {
        parts_[p]->setText(tr("%1  %L2").arg(names[p]).arg(counts[p]));
        parts_[p]->setChecked(static_cast<Part>(p) == part_);
    }
    const size_t toTake = rows ? rows->rows.count(State::Changes) : 0;
    take_->setEnabled(toTake > 0);
    take_->setText(toTake == 0 ? tr("Nothing to take")
                               : tr("Take %n row(s) as drafts", "", static_cast<int>(toTake)));
    if (rows_.isReading())
        told_->setText(tr("Reading the sheet \u2026"));
    else if (!rows)
        told_->setText(rows_.why());
    else {
        QStringList says{tr("%n row(s)", "", static_cast<int>(rows->all()))};
        if (rows->same + rows->again > 0)
            says << tr("%n agree", "", static_cast<int>(rows->same + rows->again));
        if (rows->unread.characters > 0)
            says << tr("%n character(s) cannot be read in this encoding", "",
                       static_cast<int>(rows->unread.characters));
        if (rows->unread.nothings > 0)
            says << tr("left out: %n NUL character(s)", "", static_cast<int>(rows->unread.nothings));
        told_->setText(says.join(" \u00B7 "));
    }
}

std::vector<size_t> RowsInView::chosenRows() const {
    std::vector<size_t> out;
    for (const QModelIndex& index : table_->selectionModel()->selectedRows())
        out.push_back(model_->rowAt(index.row()));
    return out;
}

void RowsInView::showRow() {
    const auto* rows = rows_.rows();
    const auto chosen = rows ? chosenRows() : std::vector<size_t>();
    const bool one = chosen.size() == 1;
    row_->show(one ? std::optional(rows->rows[chosen.front()]) : std::nullopt);
    search_->setEnabled(one);
    leaveOut_->setEnabled(!chosen.empty());
    entries_->setEnabled(std::ranges::any_of(chosen, [&](size_t row) {
        return rows->rows.state(row) == State::NoTrack || rows->rows.state(row) == State::Several;
    }));
    below_->setVisible(rows != nullptr);
}

void RowsInView::askForEntries() {
    if (shelves_.all().empty())
        return messages_.say(tr("There is no shelf yet that entries could stand on: add one in Settings."),
                             true);
    EntryDialog dialog(shelves_.all(), rows_.kindRules(), static_cast<int>(chosenRows().size()), this);
    if (dialog.exec() != QDialog::Accepted)
        return;
    rows_.setKindRules(dialog.rules());
    rows_.addEntries(chosenRows(), dialog.shelf());
}

} // namespace moorfrost::app
