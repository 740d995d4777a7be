// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <climits>

#include <QApplication>
#include <QClipboard>
#include <QContextMenuEvent>
#include <QDrag>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QSettings>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/widgets/cell_delegate.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

SheetView::SheetView(const Uses& use, FileTable* model, QWidget* parent)
    : QTableView(parent), use_(use), model_(model) {
    setVerticalHeader(new RowHeights);
    setModel(model);
    setItemDelegate(new CellDelegate(this));
    setShowGrid(false);
    setWordWrap(false);
    setCornerButtonEnabled(false);
    horizontalHeader()->setHighlightSections(false);
    horizontalHeader()->setSectionsMovable(true);
    horizontalHeader()->setMinimumSectionSize(36);
    horizontalHeader()->setStretchLastSection(true);
    horizontalHeader()->setFixedHeight(30);
    setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
    setSelectionMode(QAbstractItemView::ExtendedSelection);
    setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                    QAbstractItemView::AnyKeyPressed);
    setTabKeyNavigation(true);
    connect(model, &QAbstractItemModel::modelReset, this, &SheetView::chosenChanged);
    // What is typed in a row that goes is taken first.
    connect(model, &QAbstractItemModel::modelAboutToBeReset, this, &SheetView::finishEditing);
}

void SheetView::setValues(ValueBooks* values) {
    static_cast<CellDelegate*>(itemDelegate())->setValues(values);
}

QLineEdit* SheetView::openEditor() const {
    // The state of the view forgets an editor when rows go; one that was closed is hidden until it is
    // deleted.
    for (QLineEdit* editor : viewport()->findChildren<QLineEdit*>("cellEditor"))
        if (!editor->isHidden())
            return editor;
    return nullptr;
}

void SheetView::finishEditing() {
    if (QLineEdit* editor = openEditor()) {
        commitData(editor);
        closeEditor(editor, QAbstractItemDelegate::NoHint);
    }
}

void SheetView::closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) {
    QTableView::closeEditor(editor, hint);
    // Behind what was typed, and the next editor, if there is one.
    QMetaObject::invokeMethod(this, &SheetView::editingEnded, Qt::QueuedConnection);
}

void SheetView::rowsAboutToBeRemoved(const QModelIndex& parent, int from, int to) {
    if (currentIndex().row() >= from && currentIndex().row() <= to)
        finishEditing(); // else the view would drop the editor, and what is typed in it
    QTableView::rowsAboutToBeRemoved(parent, from, to);
}

int SheetView::placeOf(int column) const {
    return horizontalHeader()->visualIndex(column);
}

QModelIndexList SheetView::cells() const {
    QModelIndexList list;
    for (const QModelIndex& index : selectionModel()->selectedIndexes())
        if (!isColumnHidden(index.column()))
            list << index;
    if (list.isEmpty() && currentIndex().isValid())
        list << currentIndex();
    std::sort(list.begin(), list.end(), [this](const QModelIndex& a, const QModelIndex& b) {
        return a.row() != b.row() ? a.row() < b.row() : placeOf(a.column()) < placeOf(b.column());
    });
    return list;
}

std::vector<int> SheetView::columnsInSight() const {
    std::vector<int> out;
    for (int place = 0; place < horizontalHeader()->count(); ++place)
        if (const int column = horizontalHeader()->logicalIndex(place); !isColumnHidden(column))
            out.push_back(column);
    return out;
}

/// Whether the cells are one block without gaps, as they are seen.
bool SheetView::isBlock(const QModelIndexList& list) const {
    const std::vector<int> columns = columnsInSight();
    auto place = [&](const QModelIndex& i) {
        return std::find(columns.begin(), columns.end(), i.column()) - columns.begin();
    };
    if (list.isEmpty())
        return true;
    int top = list.front().row(), bottom = top;
    std::ptrdiff_t left = place(list.front()), right = left;
    for (const QModelIndex& i : list) {
        top = std::min(top, i.row());
        bottom = std::max(bottom, i.row());
        left = std::min(left, place(i));
        right = std::max(right, place(i));
    }
    return list.size() == (bottom - top + 1) * static_cast<qsizetype>(right - left + 1);
}

std::vector<std::pair<int, int>> SheetView::chosenRows() const {
    std::vector<std::pair<int, int>> ranges, out;
    for (const QItemSelectionRange& range : selectionModel()->selection())
        if (range.isValid())
            ranges.emplace_back(range.top(), std::min(range.bottom(), model_->rowCount() - 1));
    if (ranges.empty() && currentIndex().isValid())
        ranges.emplace_back(currentIndex().row(), currentIndex().row());
    std::sort(ranges.begin(), ranges.end());
    for (const auto& [from, to] : ranges) // some may overlap
        if (!out.empty() && from <= out.back().second + 1)
            out.back().second = std::max(out.back().second, to);
        else
            out.emplace_back(from, to);
    return out;
}

std::vector<FileId> SheetView::chosenFiles() const {
    std::vector<FileId> out;
    out.reserve(chosenCount());
    for (const auto& [from, to] : chosenRows())
        for (int row = from; row <= to; ++row)
            out.push_back(model_->fileAt(row));
    return out;
}

size_t SheetView::chosenCount() const {
    size_t n = 0;
    for (const auto& [from, to] : chosenRows())
        n += static_cast<size_t>(to - from + 1);
    return n;
}

FileId SheetView::firstChosen() const {
    auto rows = chosenRows();
    return rows.empty() ? 0 : model_->fileAt(rows.front().first);
}

QRegion SheetView::visualRegionForSelection(const QItemSelection&) const {
    return viewport()->rect(); // finding out what is smaller would look at every row
}

void SheetView::selectionChanged(const QItemSelection& a, const QItemSelection& b) {
    QTableView::selectionChanged(a, b);
    emit chosenChanged();
}

void SheetView::startDrag(Qt::DropActions actions) {
    // The view's own would gather every cell of what may be a million rows.
    std::unique_ptr<QMimeData> data = model_->dragged(chosenRows());
    if (!data)
        return;
    auto* drag = new QDrag(this);
    drag->setMimeData(data.release());
    drag->exec(actions, Qt::CopyAction);
}

void SheetView::copy() {
    auto textAt = [this](int row, int column) {
        QString t = model_->index(row, column).data(Qt::EditRole).toString();
        return t.replace('\t', ' ').replace('\n', ' ');
    };
    QStringList lines;
    if (selectionBehavior() == SelectRows) { // may be very many
        for (const auto& [from, to] : chosenRows())
            for (int row = from; row <= to; ++row) {
                QStringList line;
                for (int c : columnsInSight())
                    line << textAt(row, c);
                lines << line.join('\t');
            }
    } else {
        const QModelIndexList list = cells();
        if (!isBlock(list)) { // pasted again, the gaps would blank what lies in them
            emit model_->refused(
                tr("Nothing was copied: there are gaps between the chosen cells. Choose one block."));
            return;
        }
        QStringList line;
        for (qsizetype i = 0; i < list.size(); ++i) {
            line << textAt(list[i].row(), list[i].column());
            if (i + 1 == list.size() || list[i + 1].row() != list[i].row()) {
                lines << line.join('\t');
                line.clear();
            }
        }
    }
    if (!lines.isEmpty())
        QApplication::clipboard()->setText(lines.join('\n'));
}

void SheetView::paste() {
    QString text = QApplication::clipboard()->text();
    text.replace("\r\n", "\n");
    if (text.endsWith('\n'))
        text.chop(1);
    QModelIndexList list = cells();
    if (list.isEmpty() || text.isEmpty())
        return;
    QList<QStringList> rows;
    for (const QString& line : text.split('\n'))
        rows << line.split('\t');
    std::vector<library::DraftSession::Wish> wishes;
    QString refused;
    int nowhere = 0; // values without a cell that takes them
    auto wish = [&](const QModelIndex& index, const QString& value) {
        if (!index.isValid() || !(index.flags() & Qt::ItemIsEditable)) {
            ++nowhere;
            return;
        }
        const std::string& key = model_->keyAt(index.column());
        std::vector<std::string> values = tags::valuesFromText(key, ss(value));
        if (std::string why = tags::whyNotValid(key, values); !why.empty())
            refused = spoken(why);
        else
            wishes.push_back({model_->fileAt(index.row()), key, values});
    };
    bool one = rows.size() == 1 && rows.front().size() == 1;
    if (one) {
        for (const QModelIndex& index : list)
            wish(index, rows.front().front());
    } else if (!isBlock(list)) {
        refused = tr("Nothing was pasted: there are gaps between the chosen cells. Choose one block.");
    } else {
        const QModelIndex origin = list.front();
        const std::vector<int> columns = columnsInSight();
        const auto first = std::find(columns.begin(), columns.end(), origin.column());
        for (qsizetype r = 0; r < rows.size(); ++r)
            for (qsizetype c = 0; c < rows[r].size(); ++c)
                wish(c < columns.end() - first
                         ? model_->index(origin.row() + static_cast<int>(r), *(first + c))
                         : QModelIndex(),
                     rows[r][c]);
    }
    use_.drafts.session().propose(ss(tr("Paste")), wishes, ss(tr("pasted")));
    if (refused.isEmpty() && nowhere > 0)
        refused = tr("%n pasted value(s) had no cell to go into", "", nowhere) +
                  tr(": beyond the edge, or where nothing can be typed.");
    if (!refused.isEmpty())
        emit model_->refused(refused);
}

std::vector<edits::Subject> SheetView::subjects() const {
    std::vector<edits::Subject> out; // in the order of the rows
    for (const QModelIndex& index : cells()) {
        if (!model_->isField(index.column()))
            continue;
        const FileId id = model_->fileAt(index.row());
        const std::string& key = model_->keyAt(index.column());
        if (out.empty() || out.back().file != id)
            out.push_back({id, {}, {}}); // the fields that are chosen are enough
        if (const auto& values = use_.drafts.session().effective(id, key); !values.empty())
            out.back().fields[key] = values;
        out.back().chosen.push_back(key);
    }
    return out;
}

void SheetView::fillDown() {
    use_.drafts.propose(tr("Fill down"), edits::fillDown(subjects()));
}

void SheetView::fillSeries() {
    // In each column the number of its first cell goes on downwards.
    std::map<std::string, int64_t> next;
    edits::Proposals out;
    QString refused;
    for (const edits::Subject& file : subjects())
        for (const std::string& key : file.chosen) {
            const auto at = next.find(key);
            if (at == next.end()) {
                const std::string first = tags::firstValue(file.fields, key);
                if (text::isDigits(first) && first.size() < 10)
                    next[key] = std::stoll(first) + 1;
                else
                    refused = tr("A series goes on from a number: %1 of the first chosen file is none.")
                                  .arg(columnLabel(key));
                continue;
            }
            out.push_back({file.file, key, {std::to_string(at->second++)}, ss(tr("series"))});
        }
    use_.drafts.propose(tr("Fill a series"), out);
    if (!refused.isEmpty() && out.empty())
        emit model_->refused(refused);
}

void SheetView::blank() {
    use_.drafts.propose(tr("Blank"), edits::blank(subjects()));
}

void SheetView::dropDrafts() {
    std::vector<std::pair<FileId, std::string>> which;
    for (const QModelIndex& index : cells())
        which.emplace_back(model_->fileAt(index.row()), model_->keyAt(index.column()));
    use_.drafts.session().drop(ss(tr("Drop drafts")), which);
}

void SheetView::chooseColumns(const QString& settingsKey) {
    QMenu menu(this);
    std::vector<std::string> all = {nameColumn, lengthColumn, formatColumn, kindColumn, placeColumn};
    for (const std::string& key : model_->ownColumns())
        all.push_back(key);
    for (const tags::FieldDef& def : tags::fieldTable())
        all.push_back(def.key);
    for (const std::string& key : use_.customFields.keys())
        all.push_back(key);
    for (const std::string& key : all) {
        QAction* action = menu.addAction(key[0] == '@' ? columnLabel(key) : fieldLabel(key));
        const auto& now = model_->columns();
        action->setCheckable(true);
        action->setChecked(std::find(now.begin(), now.end(), key) != now.end());
        connect(action, &QAction::toggled, this, [this, key, settingsKey](bool on) {
            std::vector<std::string> columns = model_->columns();
            if (on)
                columns.push_back(key);
            else if (columns.size() > 1)
                std::erase(columns, key);
            model_->setColumns(columns);
            if (on && key == readyColumn)
                setColumnWidth(model_->columnCount() - 1, 128); // room for its marks
            if (on && model_->rowCount() > 0)                   // it is the last one, maybe out of sight
                scrollTo(model_->index(std::max(0, rowAt(0)), model_->columnCount() - 1));
            QStringList stored;
            for (const std::string& k : columns)
                stored << qs(k);
            QSettings().setValue(settingsKey, stored);
        });
    }
    menu.exec(QCursor::pos());
}

void SheetView::keyPressEvent(QKeyEvent* event) {
    if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && state() != EditingState) {
        int step = event->modifiers() & Qt::ShiftModifier ? -1 : 1;
        if (QModelIndex next = currentIndex().siblingAtRow(currentIndex().row() + step); next.isValid())
            setCurrentIndex(next);
        return;
    }
    if (event->key() == Qt::Key_Space && state() != EditingState && currentIndex().isValid()) {
        emit playRequested(model_->fileAt(currentIndex().row()));
        return;
    }
    QTableView::keyPressEvent(event);
}

void SheetView::contextMenuEvent(QContextMenuEvent* event) {
    emit menuRequested(event->globalPos());
}

} // namespace moorfrost::app
