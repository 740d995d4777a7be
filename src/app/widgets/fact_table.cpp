// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/fact_table.h"

#include <QCompleter>
#include <QContextMenuEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>

#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

enum Column { Caption, Value, Origin, ColumnCount };
enum Role { OddRole = Qt::UserRole + 1, UnknownRole, CodeRole };
constexpr int lineHeight = 28, captionWidth = 118, originWidth = 172;

} // namespace

class FactModel : public QAbstractTableModel {
public:
    FactModel(FactTable* table) : QAbstractTableModel(table), table_(table) {}

    using Row = FactRow;

    void show(std::vector<FactRow> rows) {
        beginResetModel();
        all_ = std::move(rows);
        fill();
        endResetModel();
    }
    void setShowsAll(bool on) {
        beginResetModel();
        showsAll_ = on;
        fill();
        endResetModel();
    }
    bool showsAll() const { return showsAll_; }
    int hidden() const { return static_cast<int>(all_.size() - rows_.size()); }
    const Row* row(int row) const {
        return row >= 0 && row < rowCount() ? rows_[static_cast<size_t>(row)] : nullptr;
    }
    int rowOf(const std::string& key) const {
        for (size_t i = 0; i < rows_.size(); ++i)
            if (rows_[i]->key == key)
                return static_cast<int>(i);
        return -1;
    }
    bool has(const std::string& key) const {
        return std::ranges::any_of(all_, [&](const Row& r) { return r.key == key; });
    }

    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : static_cast<int>(rows_.size());
    }
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        Qt::ItemFlags out = Qt::ItemIsEnabled;
        if (index.column() == Value) {
            out |= Qt::ItemIsSelectable;
            if (rows_[static_cast<size_t>(index.row())]->editable)
                out |= Qt::ItemIsEditable;
        }
        return out;
    }
    QVariant data(const QModelIndex& index, int role) const override {
        const Row& r = *rows_[static_cast<size_t>(index.row())];
        switch (role) {
        case Qt::DisplayRole:
            if (index.column() == Caption)
                return r.caption;
            if (index.column() == Value)
                return r.none    ? FactTable::tr("there is none")
                       : r.known ? r.shown
                                 : FactTable::tr("not known");
            return !r.inFiles.isEmpty() ? FactTable::tr("the files say otherwise")
                   : r.known || r.none  ? r.origin
                                        : QString();
        case Qt::EditRole:
            return r.typing;
        case Qt::ToolTipRole: {
            QStringList lines;
            if (index.column() != Origin && r.known)
                lines << r.shown;
            if ((r.known || r.none) && !r.origin.isEmpty())
                lines
                    << FactTable::tr("Where it came from: %1").arg(r.whence.isEmpty() ? r.origin : r.whence);
            for (const QString& more : {r.odd, r.note})
                if (!more.isEmpty())
                    lines << more;
            if (!r.inFiles.isEmpty())
                lines << FactTable::tr("In the files: %1").arg(r.inFiles);
            return lines.join("\n");
        }
        case Qt::AccessibleTextRole: {
            QString text =
                r.caption + ": " + data(this->index(index.row(), Value), Qt::DisplayRole).toString();
            if (!r.odd.isEmpty())
                text += ", " + r.odd;
            return text + ", " + data(this->index(index.row(), Origin), Qt::DisplayRole).toString();
        }
        case OddRole:
            return index.column() == Origin ? !r.inFiles.isEmpty() : !r.odd.isEmpty();
        case UnknownRole:
            return !r.known;
        case CodeRole:
            return r.isCode && r.known;
        default:
            return {};
        }
    }
    bool setData(const QModelIndex& index, const QVariant& value, int role) override {
        if (role != Qt::EditRole || value.toString() == data(index, Qt::EditRole).toString())
            return false;
        emit table_->typed(rows_[static_cast<size_t>(index.row())]->key, value.toString());
        return true;
    }

private:
    void fill() {
        rows_.clear();
        for (const Row& r : all_)
            if (showsAll_ || r.known || r.none || r.isUsual)
                rows_.push_back(&r);
    }

    FactTable* table_;
    std::vector<Row> all_;
    std::vector<const Row*> rows_;
    bool showsAll_ = false;
};

namespace {

class FactDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&,
                          const QModelIndex& index) const override {
        auto* line = new QLineEdit(parent);
        const auto* model = static_cast<const FactModel*>(index.model());
        const FactModel::Row* row = model->row(index.row());
        line->setPlaceholderText(row->hint);
        line->setToolTip(row->hint);
        line->setAccessibleName(row->caption);
        if (!row->choices.isEmpty()) {
            auto* completer = new QCompleter(row->choices, line);
            completer->setCaseSensitivity(Qt::CaseInsensitive);
            completer->setFilterMode(Qt::MatchContains);
            line->setCompleter(completer);
        }
        return line;
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool odd = index.data(OddRole).toBool();
        p->save();
        const bool chosen = option.state & QStyle::State_Selected;
        p->fillRect(r, chosen ? c.fjordBack : c.panel);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        const paint::Mirror side(*p, r);
        QRect text = r.adjusted(8, 0, -8, 0);
        p->setFont(theme::uiFont(index.column() == Origin ? 12 : 13));
        p->setPen(index.column() == Caption          ? c.second
                  : index.column() == Origin         ? (odd ? c.lichen : c.second)
                  : odd                              ? c.rowan
                  : index.data(UnknownRole).toBool() ? c.third
                                                     : c.ink);
        QString words = index.data().toString();
        if (index.column() == Value && index.data(CodeRole).toBool()) {
            p->setFont(theme::monoFont());
            words += odd ? "" : " \u2713";
        }
        if (index.column() == Value && odd) { // colour does not speak alone
            p->drawText(side(text), Qt::AlignVCenter, QStringLiteral("!"));
            text.setLeft(text.left() + 12);
        }
        p->drawText(side(text), Qt::AlignVCenter | Qt::AlignLeft,
                    p->fontMetrics().elidedText(words, Qt::ElideRight, text.width()));
        if (option.state & QStyle::State_HasFocus) {
            p->setPen(c.fjord);
            p->drawRect(r.adjusted(0, 0, -1, -2));
        }
        p->restore();
    }
};

} // namespace

FactTable::FactTable(QWidget* parent) : QTableView(parent), model_(new FactModel(this)) {
    setModel(model_);
    setItemDelegate(new FactDelegate(this));
    horizontalHeader()->hide();
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(lineHeight);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    setShowGrid(false);
    setFrameShape(NoFrame);
    setSelectionMode(SingleSelection);
    setTabKeyNavigation(false);
    setEditTriggers(DoubleClicked | EditKeyPressed | AnyKeyPressed | SelectedClicked);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setAccessibleName(tr("What is known"));
}

void FactTable::show(std::vector<FactRow> rows) {
    if (state() == EditingState) { // nobody's editor is closed under the hands
        pending_ = std::move(rows);
        return;
    }
    pending_.reset();
    const FactModel::Row* had = model_->row(currentIndex().row());
    const std::string key = had ? had->key : std::string();
    model_->show(std::move(rows));
    if (const int row = model_->rowOf(key); row >= 0)
        setCurrentIndex(model_->index(row, Value));
    fit();
}

void FactTable::closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) {
    QTableView::closeEditor(editor, hint);
    if (pending_ && state() != EditingState) {
        std::vector<FactRow> rows = std::move(*pending_);
        show(std::move(rows));
    }
    if (state() != EditingState)
        QMetaObject::invokeMethod(this, &FactTable::editorClosed, Qt::QueuedConnection);
}

void FactTable::setShowsAll(bool on) {
    model_->setShowsAll(on);
    fit();
}

bool FactTable::showsAll() const {
    return model_->showsAll();
}

int FactTable::hidden() const {
    return model_->hidden();
}

bool FactTable::editFact(const std::string& key) {
    if (!model_->has(key))
        return false;
    if (model_->rowOf(key) < 0)
        setShowsAll(true);
    const QModelIndex index = model_->index(model_->rowOf(key), Value);
    setCurrentIndex(index);
    edit(index);
    return true;
}

QString FactTable::textOf(const std::string& key, int column) const {
    const int row = model_->rowOf(key);
    return row < 0 ? QString() : model_->index(row, column).data().toString();
}

QSize FactTable::sizeHint() const {
    return {400, model_->rowCount() * lineHeight + 1};
}

void FactTable::fit() {
    const int width = viewport()->width();
    const int origin = width > 520 ? originWidth : width / 4;
    setColumnWidth(Caption, captionWidth);
    setColumnWidth(Origin, origin);
    setColumnWidth(Value, std::max(80, width - captionWidth - origin));
    setFixedHeight(sizeHint().height());
}

void FactTable::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    fit();
}

void FactTable::keyPressEvent(QKeyEvent* event) {
    const FactModel::Row* row = model_->row(currentIndex().row());
    if (row && state() != EditingState) {
        if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) {
            edit(model_->index(currentIndex().row(), Value));
            return;
        }
        if (event->key() == Qt::Key_Delete && row->editable) {
            emit typed(row->key, {});
            return;
        }
    }
    QTableView::keyPressEvent(event);
}

void FactTable::contextMenuEvent(QContextMenuEvent* event) {
    const QModelIndex at =
        event->reason() == QContextMenuEvent::Mouse ? indexAt(event->pos()) : currentIndex();
    const FactModel::Row* row = model_->row(at.row());
    if (!row)
        return;
    setCurrentIndex(model_->index(at.row(), Value));
    const std::string key = row->key;
    QMenu menu(this);
    menu.addAction(tr("Change"), this, [this, key] { editFact(key); })->setEnabled(row->editable);
    if (row->mayBeNone)
        menu.addAction(tr("There is none"), this, [this, key] { emit noneWanted(key); });
    menu.addAction(tr("Not known"), this, [this, key] { emit typed(key, {}); })
        ->setEnabled(row->known && row->mayBeUnknown);
    if (row->mayBeDropped)
        menu.addAction(tr("As the files tell it"), this, [this, key] { emit dropWanted(key); });
    if (!row->inFiles.isEmpty())
        menu.addAction(tr("In the files: %1").arg(row->inFiles))->setEnabled(false);
    menu.exec(event->reason() == QContextMenuEvent::Mouse
                  ? event->globalPos()
                  : viewport()->mapToGlobal(visualRect(at).bottomLeft()));
}

} // namespace moorfrost::app
