// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/releases/fact_table.h"

#include <QContextMenuEvent>
#include <QDateTime>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QPainter>
#include <QStyledItemDelegate>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"
#include "core/library/releases/facts.h"

namespace moorfrost::app {

namespace {

enum Column { Caption, Value, Origin, ColumnCount };
enum Role { OddRole = Qt::UserRole + 1, UnknownRole, CodeRole };
constexpr int lineHeight = 28, captionWidth = 118, originWidth = 172;

/// Facts that have a row even where nothing is known of them.
bool isUsual(std::string_view key) {
    return key == "labels" || key == "dates" || key == "barcode" || key == library::mediaFact;
}

QString hintFor(const std::string& key) {
    const library::FactDef* def = library::factByKey(key);
    if (!def)
        return FactTable::tr("CD, Vinyl, Cassette, File \u2026");
    switch (def->kind) {
    case library::FactKind::Labels:
        return FactTable::tr("Label = number; another label = its number");
    case library::FactKind::Dates:
        return FactTable::tr("1998-10-05 GB; 1998-11-02 NO");
    case library::FactKind::Credit:
        return FactTable::tr("Name [ & ] Name: what joins the names stands in brackets");
    case library::FactKind::List:
        return FactTable::tr("one; another");
    default:
        return key == "barcode" ? FactTable::tr("13, 12 or 8 digits") : QString();
    }
}

} // namespace

QString originText(const library::Fact& fact) {
    const QString what = fact.origin == library::readFromFiles ? FactTable::tr("read from the files")
                         : fact.origin == library::typedOrigin ? FactTable::tr("typed")
                                                               : qs(fact.origin);
    if (fact.when == 0)
        return what;
    return FactTable::tr("%1, %2").arg(
        what, QLocale().toString(QDateTime::fromSecsSinceEpoch(fact.when).date(), "d MMM"));
}

class FactModel : public QAbstractTableModel {
public:
    FactModel(FactTable* table) : QAbstractTableModel(table), table_(table) {}

    struct Row {
        std::string key;
        QString caption;
        std::vector<std::string> values;
        std::optional<library::Fact> fact;
        std::vector<std::string> inFiles; // where the files say something else
        std::string odd;
        bool editable = true;
    };

    void show(const ShownRelease& release, const std::string& oddNumber) {
        const library::ReleaseView& view = release.view;
        beginResetModel();
        all_.clear();
        auto add = [&](const std::string& key, const QString& caption) {
            Row row{key, caption, library::factOf(view.release, key), {}, {}, {}, true};
            if (const auto fact = view.facts.find(key); fact != view.facts.end())
                row.fact = fact->second;
            if (const auto other = view.otherInFiles.find(key); other != view.otherInFiles.end())
                row.inFiles = other->second;
            row.odd = key == "labels" ? oddNumber : library::whatIsOdd(key, row.values);
            return row;
        };
        for (const library::FactDef& def : library::releaseFacts()) {
            if (def.key == std::string("notes") || def.key == std::string("links"))
                continue; // beside it
            all_.push_back(add(def.key, FactTable::tr(def.label)));
            if (def.key == std::string("barcode")) {
                Row carrier = add(library::mediaFact, FactTable::tr("Carrier"));
                carrier.editable = view.media.size() <= 1;
                if (view.release.carrier().empty())
                    carrier.values.clear();
                all_.push_back(carrier);
            }
        }
        carrier_ = qs(view.release.carrier());
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
        const bool known = !r.values.empty();
        const bool none = r.fact && r.fact->none;
        switch (role) {
        case Qt::DisplayRole:
            if (index.column() == Caption)
                return r.caption;
            if (index.column() == Value)
                return none                          ? FactTable::tr("there is none")
                       : !known                      ? FactTable::tr("not known")
                       : r.key == library::mediaFact ? carrier_
                                                     : qs(library::shownFact(r.key, r.values));
            if (!r.inFiles.empty())
                return FactTable::tr("the files say otherwise");
            return r.fact && (known || none) ? originText(*r.fact) : QString();
        case Qt::EditRole:
            return r.key == library::mediaFact ? carrier_ : qs(library::typingLine(r.key, r.values));
        case Qt::ToolTipRole: {
            QStringList lines;
            if (index.column() != Origin && known)
                lines << data(this->index(index.row(), Value), Qt::DisplayRole).toString();
            if (r.fact && (known || none))
                lines << FactTable::tr("Where it came from: %1").arg(originText(*r.fact));
            if (!r.odd.empty())
                lines << qs(r.odd);
            if (!r.inFiles.empty())
                lines << FactTable::tr("In the files: %1").arg(qs(library::shownFact(r.key, r.inFiles)));
            if (!r.editable)
                lines << FactTable::tr("Each medium has its own: change it at the head of its tracks");
            return lines.join("\n");
        }
        case Qt::AccessibleTextRole: {
            QString text =
                r.caption + ": " + data(this->index(index.row(), Value), Qt::DisplayRole).toString();
            if (!r.odd.empty())
                text += ", " + qs(r.odd);
            return text + ", " + data(this->index(index.row(), Origin), Qt::DisplayRole).toString();
        }
        case OddRole:
            return index.column() == Origin ? !r.inFiles.empty() : !r.odd.empty();
        case UnknownRole:
            return !known;
        case CodeRole:
            return r.key == "barcode" && known;
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
            if (showsAll_ || !r.values.empty() || (r.fact && r.fact->none) || isUsual(r.key))
                rows_.push_back(&r);
    }

    FactTable* table_;
    std::vector<Row> all_;
    std::vector<const Row*> rows_;
    QString carrier_;
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
        line->setPlaceholderText(hintFor(row->key));
        line->setToolTip(hintFor(row->key));
        line->setAccessibleName(row->caption);
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
            p->drawText(text, Qt::AlignVCenter, QStringLiteral("!"));
            text.setLeft(text.left() + 12);
        }
        p->drawText(text, Qt::AlignVCenter | Qt::AlignLeft,
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
    setAccessibleName(tr("What is known of the edition"));
}

void FactTable::show(const ShownRelease& release, const std::string& oddNumber) {
    if (state() == EditingState) { // nobody's editor is closed under the hands
        pending_.emplace(release, oddNumber);
        return;
    }
    pending_.reset();
    const FactModel::Row* had = model_->row(currentIndex().row());
    const std::string key = had ? had->key : std::string();
    model_->show(release, oddNumber);
    if (const int row = model_->rowOf(key); row >= 0)
        setCurrentIndex(model_->index(row, Value));
    fit();
}

void FactTable::closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) {
    QTableView::closeEditor(editor, hint);
    if (pending_ && state() != EditingState) {
        const auto [release, oddNumber] = std::move(*pending_);
        show(release, oddNumber);
    }
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
    const library::FactDef* def = library::factByKey(key);
    const bool kept = row->fact && row->fact->origin != library::readFromFiles;
    QMenu menu(this);
    menu.addAction(tr("Change"), this, [this, key] { editFact(key); })->setEnabled(row->editable);
    if (def && def->mayBeNone)
        menu.addAction(tr("There is none"), this, [this, key] { emit noneWanted(key); });
    menu.addAction(tr("Not known"), this, [this, key] { emit typed(key, {}); })
        ->setEnabled(!row->values.empty() && key != "title");
    if (kept)
        menu.addAction(tr("As the files tell it"), this, [this, key] { emit dropWanted(key); });
    if (!row->inFiles.empty())
        menu.addAction(tr("In the files: %1").arg(qs(library::shownFact(key, row->inFiles))))
            ->setEnabled(false);
    menu.exec(event->reason() == QContextMenuEvent::Mouse
                  ? event->globalPos()
                  : viewport()->mapToGlobal(visualRect(at).bottomLeft()));
}

} // namespace moorfrost::app
