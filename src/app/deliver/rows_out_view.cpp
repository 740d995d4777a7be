// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/deliver/rows_out_view.h"

#include <QCheckBox>
#include <QClipboard>
#include <QFileDialog>
#include <QFormLayout>
#include <QGuiApplication>
#include <QHeaderView>
#include <QLineEdit>
#include <QPointer>
#include <QStandardItemModel>
#include <QVBoxLayout>

#include "app/deliver/column_editor.h"
#include "app/deliver/layout_bar.h"
#include "app/shell/text_utils.h"
#include "app/widgets/field_picker.h"
#include "app/widgets/order_list.h"
#include "app/widgets/two_lines.h"

namespace moorfrost::app {

namespace {

constexpr int rowHeight = 46, mostRows = 8;

/// What the kinds of values look like, in the order of a choice.
struct Named {
    const char* label;
    char value;
};
constexpr Named delimiters[] = {{QT_TRANSLATE_NOOP("RowsOutView", "Comma"), ','},
                                {QT_TRANSLATE_NOOP("RowsOutView", "Semicolon"), ';'},
                                {QT_TRANSLATE_NOOP("RowsOutView", "Tab"), '\t'},
                                {QT_TRANSLATE_NOOP("RowsOutView", "Vertical bar"), '|'},
                                {QT_TRANSLATE_NOOP("RowsOutView", "Colon"), ':'}};

} // namespace

RowsOutView::RowsOutView(RowsOutController& rows, Delivering& delivering, LibraryIndex& index,
                         Messages& messages, QWidget* parent)
    : DeliverView(parent), rows_(rows), delivering_(delivering), index_(index), messages_(messages) {
    layouts_ = new LayoutBar(rows_.layouts(), messages_, this);
    layouts_->hide();
    QWidget* split = panes(left(), right(), "deliver/sheet panes");
    fillWith(split);
    connect(&rows_, &RowsOutController::changed, this, &RowsOutView::showPreview);
    connect(&rows_.layouts(), &Layouts::changed, this, &RowsOutView::showLayout);
    showLayout();
    showPreview();
}

QWidget* RowsOutView::headPart() {
    return layouts_;
}

void RowsOutView::takeKeyboard() {
    if (delivering_.of().isEmpty())
        emit tracksWanted();
    else
        columns_->setFocus();
}

void RowsOutView::change(const std::function<void(deliver::RowLayout&)>& how) {
    if (showing_)
        return;
    deliver::RowLayout layout = rows_.layout();
    how(layout);
    rows_.layouts().change(std::move(layout));
}

QWidget* RowsOutView::left() {
    columns_ = new OrderList;
    columns_->setItemDelegate(new TwoLineDelegate(Qt::ElideRight, columns_));
    columns_->setUniformItemSizes(true);
    columns_->setAccessibleName(tr("Columns of the sheet"));
    add_ = new FieldPicker(false);
    add_->setLabels(columnName);
    add_->setNothing(tr("Add a column\u2026"));
    add_->setAccessibleName(tr("Add a column"));
    column_ = new ColumnEditor;
    connect(columns_, &QListWidget::currentRowChanged, this, [this](int row) {
        if (showing_)
            return;
        const auto& columns = rows_.layout().columns;
        column_->show(row >= 0 && row < static_cast<int>(columns.size()) ? &columns[static_cast<size_t>(row)]
                                                                         : nullptr);
    });
    connect(columns_, &OrderList::moved, this, [this](int from, int to) {
        change([from, to](deliver::RowLayout& layout) {
            auto column = std::move(layout.columns.at(static_cast<size_t>(from)));
            layout.columns.erase(layout.columns.begin() + from);
            layout.columns.insert(layout.columns.begin() + to, std::move(column));
        });
        columns_->setCurrentRow(to);
    });
    connect(columns_, &OrderList::removed, this, [this](int row) {
        if (rows_.layout().columns.size() == 1)
            return messages_.say(tr("A sheet has at least one column."), true);
        change([row](deliver::RowLayout& layout) { layout.columns.erase(layout.columns.begin() + row); });
    });
    connect(column_, &ColumnEditor::changed, this, [this](const deliver::RowColumn& column) {
        const int row = columns_->currentRow();
        if (row >= 0)
            change([&](deliver::RowLayout& layout) { layout.columns.at(static_cast<size_t>(row)) = column; });
    });
    connect(add_, &FieldPicker::changed, this, [this] {
        const auto chosen = add_->chosen();
        if (chosen.empty())
            return;
        if (rows_.layout().columns.size() >= deliver::mostRowColumns)
            return messages_.say(tr("A sheet has at most %1 columns.").arg(deliver::mostRowColumns), true);
        int at = columns_->currentRow() + 1;
        if (at <= 0)
            at = static_cast<int>(rows_.layout().columns.size());
        change([&](deliver::RowLayout& layout) {
            deliver::RowColumn column;
            column.parts = chosen;
            layout.columns.insert(layout.columns.begin() + at, std::move(column));
        });
        add_->setChosen({});
        columns_->setCurrentRow(at);
    });
    auto caption = [](const QString& text) {
        auto* row = new QHBoxLayout;
        row->setContentsMargins(14, 10, 12, 6);
        row->addWidget(label(text, "caption"));
        return row;
    };
    auto* adding = new QHBoxLayout;
    adding->setContentsMargins(14, 6, 14, 4);
    adding->addWidget(add_);
    auto* content = new QFrame;
    content->setObjectName("panel");
    auto* layout = new QVBoxLayout(content);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(caption(tr("Columns: drag to put in order")));
    layout->addWidget(columns_);
    layout->addLayout(adding);
    layout->addLayout(caption(tr("This column")));
    layout->addWidget(column_);
    layout->addLayout(caption(tr("The file")));
    layout->addWidget(fileForm());
    layout->addStretch();
    return scrolling(content);
}

QWidget* RowsOutView::fileForm() {
    kind_ = new Choice;
    for (const QString& name : {tr("Delimited text (CSV)"), tr("Workbook (XLSX)"), tr("JSON Lines")})
        kind_->addItem(name);
    kind_->setAccessibleName(tr("Kind of file"));
    delimiter_ = new Choice;
    for (const Named& one : delimiters)
        delimiter_->addItem(tr(one.label), QChar(one.value));
    delimiter_->setAccessibleName(tr("Delimiter"));
    quotes_ = new Choice;
    for (const QString& name : {tr("where needed"), tr("always"), tr("never")})
        quotes_->addItem(name);
    quotes_->setAccessibleName(tr("Quotes"));
    charset_ = new Choice;
    for (const std::string& name : text::charsetNames())
        charset_->addItem(qs(name));
    charset_->setAccessibleName(tr("Encoding"));
    mark_ = new QCheckBox(tr("Byte order mark in front"));
    headings_ = new QCheckBox(tr("Headings in the first row"));
    decimal_ = new Choice;
    decimal_->addItem(tr("point: 221.4"), QChar('.'));
    decimal_->addItem(tr("comma: 221,4"), QChar(','));
    decimal_->setAccessibleName(tr("Decimal mark"));
    dates_ = new Choice;
    for (const std::string& form : deliver::dateForms())
        dates_->addItem(qs(form));
    dates_->setAccessibleName(tr("Dates"));
    pathFrom_ = new QLineEdit;
    pathFrom_->setPlaceholderText(tr("/srv/music"));
    pathFrom_->setAccessibleName(tr("Paths here begin with"));
    pathTo_ = new QLineEdit;
    pathTo_->setPlaceholderText(tr("M:\\music"));
    pathTo_->setAccessibleName(tr("and there with"));
    for (Choice* choice : {kind_, delimiter_, quotes_, charset_, decimal_, dates_})
        choice->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed); // long entries make nothing wide
    drafts_ = new QCheckBox(tr("What is proposed and not written counts"));
    auto changes = [this](QComboBox* box, auto how) {
        connect(box, &QComboBox::activated, this, [this, box, how](int at) {
            change([&](deliver::RowLayout& layout) { how(layout, box, at); });
        });
    };
    changes(kind_,
            [](deliver::RowLayout& l, QComboBox*, int at) { l.file = static_cast<deliver::RowFile>(at); });
    changes(delimiter_, [](deliver::RowLayout& l, QComboBox* box, int at) {
        l.dialect.delimiter = box->itemData(at).toChar().toLatin1();
    });
    changes(quotes_, [](deliver::RowLayout& l, QComboBox*, int at) {
        l.dialect.quotes = static_cast<exchange::Dialect::Quotes>(at);
    });
    changes(charset_,
            [](deliver::RowLayout& l, QComboBox* box, int at) { l.dialect.charset = ss(box->itemText(at)); });
    changes(decimal_, [](deliver::RowLayout& l, QComboBox* box, int at) {
        l.decimal = box->itemData(at).toChar().toLatin1();
    });
    changes(dates_, [](deliver::RowLayout& l, QComboBox* box, int at) { l.dates = ss(box->itemText(at)); });
    connect(mark_, &QCheckBox::clicked, this,
            [this](bool on) { change([on](deliver::RowLayout& l) { l.dialect.mark = on; }); });
    connect(headings_, &QCheckBox::clicked, this,
            [this](bool on) { change([on](deliver::RowLayout& l) { l.dialect.headings = on; }); });
    connect(drafts_, &QCheckBox::clicked, this,
            [this](bool on) { change([on](deliver::RowLayout& l) { l.drafts = on; }); });
    connect(pathFrom_, &QLineEdit::textEdited, this,
            [this](const QString& text) { change([&](deliver::RowLayout& l) { l.pathFrom = ss(text); }); });
    connect(pathTo_, &QLineEdit::textEdited, this,
            [this](const QString& text) { change([&](deliver::RowLayout& l) { l.pathTo = ss(text); }); });
    auto* box = new QWidget;
    form_ = new QFormLayout(box);
    form_->setContentsMargins(14, 0, 14, 12);
    form_->addRow(label(tr("Kind"), "quiet"), kind_);
    form_->addRow(label(tr("Delimiter"), "quiet"), delimiter_);
    form_->addRow(label(tr("Quotes"), "quiet"), quotes_);
    form_->addRow(label(tr("Encoding"), "quiet"), charset_);
    form_->addRow(mark_);
    form_->addRow(headings_);
    form_->addRow(label(tr("Dates"), "quiet"), dates_);
    form_->addRow(label(tr("Decimals"), "quiet"), decimal_);
    form_->addRow(label(tr("Paths here"), "quiet"), pathFrom_);
    form_->addRow(label(tr("become there"), "quiet"), pathTo_);
    form_->addRow(drafts_);
    return box;
}

QWidget* RowsOutView::right() {
    preview_ = new QTableView;
    preview_->setObjectName("rows");
    preview_->setFrameShape(QFrame::NoFrame);
    preview_->setModel(new QStandardItemModel(preview_));
    preview_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    preview_->setShowGrid(true);
    preview_->setWordWrap(false);
    preview_->setAccessibleName(tr("The first rows as they will be"));
    preview_->verticalHeader()->setDefaultSectionSize(28);
    preview_->verticalHeader()->hide();
    preview_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    preview_->horizontalHeader()->setHighlightSections(false);
    told_ = new ShortLabel;
    told_->setObjectName("quiet");
    forWhom_ = new QLineEdit;
    forWhom_->setPlaceholderText(tr("For whom"));
    forWhom_->setAccessibleName(tr("For whom the sheet is"));
    forWhom_->setMaximumWidth(180);
    copy_ = button(tr("Copy as text"));
    save_ = button(tr("Save as\u2026"), "accent");
    connect(copy_, &QPushButton::clicked, this, &RowsOutView::copyText);
    connect(save_, &QPushButton::clicked, this, &RowsOutView::save);
    return ground(toldBeside(told_, {forWhom_, copy_, save_}), preview_, 320);
}

void RowsOutView::showLayout() {
    const deliver::RowLayout& layout = rows_.layout();
    showing_ = true;
    const int current = columns_->currentRow();
    while (columns_->count() > static_cast<int>(layout.columns.size()))
        delete columns_->takeItem(columns_->count() - 1);
    while (columns_->count() < static_cast<int>(layout.columns.size()))
        columns_->addItem(new QListWidgetItem);
    for (size_t i = 0; i < layout.columns.size(); ++i) {
        const deliver::RowColumn& column = layout.columns[i];
        QListWidgetItem* item = columns_->item(static_cast<int>(i));
        item->setText(qs(column.shownHeading()));
        item->setData(TwoLineDelegate::SecondRole, tellsOf(column));
    }
    columns_->setFixedHeight(rowHeight * std::clamp(columns_->count(), 1, mostRows) + 2);
    if (current < 0 || current >= columns_->count())
        columns_->setCurrentRow(0);
    const std::vector<std::string> keys = columnKeys(index_);
    add_->setKeys(keys);
    column_->setKeys(keys);
    const bool delimited = layout.file == deliver::RowFile::Delimited;
    kind_->setCurrentIndex(static_cast<int>(layout.file));
    for (QWidget* own : std::initializer_list<QWidget*>{delimiter_, quotes_, charset_, mark_, headings_})
        form_->setRowVisible(own, delimited);
    const int delimiter = delimiter_->findData(QChar(layout.dialect.delimiter));
    delimiter_->setCurrentIndex(delimiter);
    quotes_->setCurrentIndex(static_cast<int>(layout.dialect.quotes));
    charset_->setCurrentIndex(charset_->findText(qs(layout.dialect.charset)));
    mark_->setChecked(layout.dialect.mark);
    mark_->setEnabled(!text::byteOrderMark(layout.dialect.charset).empty());
    headings_->setChecked(layout.dialect.headings);
    decimal_->setCurrentIndex(decimal_->findData(QChar(layout.decimal)));
    dates_->setCurrentIndex(dates_->findText(qs(layout.dates)));
    showText(pathFrom_, layout.pathFrom);
    showText(pathTo_, layout.pathTo);
    drafts_->setChecked(layout.drafts);
    const auto row = static_cast<size_t>(std::max(0, columns_->currentRow()));
    column_->show(row < layout.columns.size() ? &layout.columns[row] : nullptr);
    showing_ = false;
}

QString RowsOutView::tellsOf(const deliver::RowColumn& column) const {
    if (column.parts.empty())
        return tr("always \u201C%1\u201D").arg(qs(column.text));
    QStringList says;
    for (const std::string& key : column.parts)
        says << columnName(key);
    if (says.join(" + ") == qs(column.shownHeading()))
        says.clear(); // it is its heading
    QStringList out{says.join(" + ")};
    if (const auto* preview = rows_.preview(); says.isEmpty() && preview) {
        // Else an example: what the first row that says something has there.
        const auto at = std::ranges::find(preview->headings, column.shownHeading());
        const auto c = static_cast<size_t>(at - preview->headings.begin());
        for (const auto& cells : preview->rows)
            if (c < cells.size() && !cells[c].empty()) {
                out << qs(cells[c]).simplified();
                break;
            }
    }
    if (column.several == deliver::RowColumn::Several::Columns)
        out << tr("in %n columns", "", column.columns);
    if (!column.form.empty())
        out << qs(column.form);
    out.removeAll(QString());
    return out.join(" \u00B7 ");
}

void RowsOutView::showPreview() {
    const auto* preview = rows_.preview();
    for (int i = 0; i < columns_->count() && i < static_cast<int>(rows_.layout().columns.size()); ++i)
        columns_->item(i)->setData(TwoLineDelegate::SecondRole,
                                   tellsOf(rows_.layout().columns[static_cast<size_t>(i)]));
    auto* model = static_cast<QStandardItemModel*>(preview_->model());
    model->clear();
    const bool any = preview && preview->files > 0;
    copy_->setEnabled(any);
    save_->setEnabled(any);
    if (!preview)
        return told_->setText(tr("Reading \u2026"));
    QStringList headings;
    for (const std::string& heading : preview->headings)
        headings << qs(heading);
    model->setHorizontalHeaderLabels(headings);
    QFontMetrics metrics(preview_->font());
    std::vector<int> widths(preview->headings.size());
    for (int c = 0; c < headings.size(); ++c)
        widths[static_cast<size_t>(c)] = metrics.horizontalAdvance(headings[c]) + 28;
    for (const auto& cells : preview->rows) {
        QList<QStandardItem*> items;
        for (size_t c = 0; c < cells.size(); ++c) {
            const QString shown = qs(cells[c]).replace('\n', ' ');
            items << new QStandardItem(shown);
            items.back()->setToolTip(qs(cells[c]).toHtmlEscaped());
            widths[c] = std::max(widths[c], std::min(260, metrics.horizontalAdvance(shown) + 20));
        }
        model->appendRow(items);
    }
    for (size_t c = 0; c < widths.size(); ++c)
        preview_->setColumnWidth(static_cast<int>(c), widths[c]);
    if (!any)
        return told_->setText(tr("Add tracks on the left, or send them from the Library with Ctrl+Alt+H."));
    const auto shown = preview->rows.size();
    told_->setText(shown < preview->files
                       ? tr("As it will be \u00B7 the first %1 of %L2 rows").arg(shown).arg(preview->files)
                       : tr("As it will be \u00B7 %n row(s)", "", static_cast<int>(shown)));
}

void RowsOutView::copyText() {
    rows_.withText([self = QPointer(this)](const QString& text) {
        if (!self || text.isEmpty())
            return;
        QGuiApplication::clipboard()->setText(text);
        self->messages_.say(tr("The sheet is copied as text."));
    });
}

void RowsOutView::save() {
    const Path path = askWhereToSave(tr("Save the sheet"), rows_.proposedName(), rows_.layout().ending());
    if (!path.empty())
        rows_.save(path, ss(forWhom_->text().trimmed()));
}

} // namespace moorfrost::app
