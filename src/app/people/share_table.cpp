// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/share_table.h"

#include <QCompleter>
#include <QContextMenuEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLineEdit>
#include <QMenu>
#include <QMessageBox>
#include <QPainter>
#include <QPushButton>
#include <QStringListModel>
#include <QStyledItemDelegate>

#include <algorithm>

#include "app/people/share_terms.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::Fraction;
using library::Share;
using library::Side;

constexpr int lineHeight = 28, barWidth = 96;

} // namespace

namespace {

using Tone = ShareModel::Tone;

class ShareDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    QWidget* createEditor(QWidget* parent, const QStyleOptionViewItem&,
                          const QModelIndex& index) const override {
        auto* line = new QLineEdit(parent);
        line->setAccessibleName(index.model()->headerData(index.column(), Qt::Horizontal).toString());
        switch (index.column()) {
        case ShareTable::Name:
            line->setPlaceholderText(ShareTable::tr("a name"));
            break;
        case ShareTable::Administered:
            line->setPlaceholderText(ShareTable::tr("writers, with commas between them"));
            break;
        case ShareTable::Part:
            line->setPlaceholderText(ShareTable::tr("1/3, 50 %, 1/4 each"));
            break;
        default:
            break;
        }
        if (const QStringList choices = index.data(ShareModel::ChoicesRole).toStringList();
            !choices.isEmpty()) {
            auto* completer = new QCompleter(choices, line);
            completer->setCaseSensitivity(Qt::CaseInsensitive);
            completer->setFilterMode(Qt::MatchContains);
            line->setCompleter(completer);
        }
        return line;
    }
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const auto& c = theme::colours();
        const QRect r = option.rect;
        const bool sum = index.data(ShareModel::SumRole).toBool();
        const auto tone = static_cast<Tone>(index.data(ShareModel::ToneRole).toInt());
        const QColor loud = tone == Tone::Good                               ? c.moss
                            : tone == Tone::Open                             ? c.lichen
                            : tone == Tone::TooMuch || tone == Tone::Missing ? c.rowan
                                                                             : c.fjord;
        p->save();
        p->fillRect(r, option.state & QStyle::State_Selected ? c.fjordBack : c.panel);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        const paint::Mirror side(*p, r);
        const QRect room = r.adjusted(8, 0, -8, 0);
        if (const QVariant part = index.data(ShareModel::FractionRole); part.isValid()) {
            const QRect bar(room.left(), r.center().y() - 3, std::min(barWidth, room.width() / 2), 7);
            p->fillRect(side(bar), c.faint);
            p->fillRect(side(QRect(bar.left(), bar.top(),
                                   qRound(bar.width() * std::min(1.0, part.toDouble())), bar.height())),
                        loud);
        }
        const bool mono = index.column() == ShareTable::Number;
        p->setFont(mono                                         ? theme::monoFont()
                   : index.column() == ShareTable::Part         ? theme::uiFont(13, QFont::DemiBold)
                   : index.column() == ShareTable::Name && !sum ? theme::uiFont(13, QFont::Medium)
                                                                : theme::uiFont(13));
        p->setPen(sum                     ? (index.column() == ShareTable::Part ? loud
                                             : tone == Tone::TooMuch            ? c.rowan
                                                                                : c.second)
                  : tone == Tone::Missing ? c.rowan
                  : index.column() == ShareTable::Name || index.column() == ShareTable::Part ? c.ink
                                                                                             : c.second);
        const Qt::Alignment align = index.column() == ShareTable::Part ? Qt::AlignRight : Qt::AlignLeft;
        if (!(sum && index.column() != ShareTable::Name && index.column() != ShareTable::Part))
            p->drawText(room, Qt::AlignVCenter | align,
                        p->fontMetrics().elidedText(index.data().toString(), Qt::ElideRight, room.width()));
        if (option.state & QStyle::State_HasFocus && !sum) {
            p->setPen(c.fjord);
            p->drawRect(r.adjusted(0, 0, -1, -2));
        }
        p->restore();
    }
};

} // namespace

ShareTable::ShareTable(Side side, QWidget* parent)
    : QTableView(parent), side_(side), model_(new ShareModel(side, this)) {
    setModel(model_);
    setItemDelegate(new ShareDelegate(this));
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(lineHeight);
    verticalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setSectionResizeMode(QHeaderView::Fixed);
    horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    horizontalHeader()->setHighlightSections(false);
    setShowGrid(false);
    setFrameShape(NoFrame);
    setSelectionMode(ExtendedSelection);
    setSelectionBehavior(SelectItems);
    setTabKeyNavigation(false);
    setEditTriggers(DoubleClicked | EditKeyPressed | AnyKeyPressed | SelectedClicked);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    // After the editor has closed: something may be asked.
    connect(
        model_, &ShareModel::typed, this,
        [this](int row, int column, const QString& text) { take(row, static_cast<Column>(column), text); },
        Qt::QueuedConnection);
    setAccessibleName(side == Side::Writers      ? tr("Writers")
                      : side == Side::Publishers ? tr("Publishers")
                                                 : tr("Owners of the master"));
}

const std::vector<Share>& ShareTable::shares() const {
    return model_->shares();
}

void ShareTable::show(std::vector<Share> shares, std::vector<Share> writers, std::vector<Share> publishers,
                      PeopleController::List people) {
    if (isEditing()) { // nobody's editor is closed under the hands
        pending_ = {std::move(shares), std::move(writers), std::move(publishers), std::move(people)};
        return;
    }
    pending_.reset();
    const QModelIndex had = currentIndex();
    model_->show(std::move(shares), std::move(writers), std::move(publishers), std::move(people));
    if (had.isValid() && had.row() < model_->sumRow())
        setCurrentIndex(model_->index(had.row(), had.column()));
    // What is shown nowhere else gets the room.
    setColumnHidden(Number, side_ == Side::Owners);
    setColumnHidden(Administered, side_ == Side::Owners);
    fit();
}

void ShareTable::closeEditor(QWidget* editor, QAbstractItemDelegate::EndEditHint hint) {
    const auto* line = qobject_cast<QLineEdit*>(editor);
    nobody_ = hint == QAbstractItemDelegate::RevertModelCache || !line || line->text().trimmed().isEmpty();
    QTableView::closeEditor(editor, hint);
    // Behind what was typed, which is told later.
    QMetaObject::invokeMethod(this, &ShareTable::endEditing, Qt::QueuedConnection);
}

void ShareTable::endEditing() {
    if (isEditing())
        return;
    if (model_->isAdding() && nobody_) {
        model_->setAdding(false);
        fit();
    }
    if (pending_) {
        Pending p = std::move(*pending_);
        show(std::move(p.shares), std::move(p.writers), std::move(p.publishers), std::move(p.people));
    }
    emit editorClosed();
}

void ShareTable::addShare() {
    model_->setAdding(true);
    fit();
    const QModelIndex index = model_->index(static_cast<int>(model_->shares().size()), Name);
    setFocus();
    setCurrentIndex(index);
    edit(index);
}

std::vector<size_t> ShareTable::chosenRows() const {
    std::vector<size_t> out;
    for (const QModelIndex& index : selectionModel()->selectedIndexes())
        if (index.row() < static_cast<int>(model_->shares().size()) &&
            std::ranges::find(out, static_cast<size_t>(index.row())) == out.end())
            out.push_back(static_cast<size_t>(index.row()));
    std::ranges::sort(out);
    return out;
}

void ShareTable::change(std::vector<Share> shares, const QString& title) {
    // At once: what is typed next is of these, and what is still being read is older.
    pending_.reset();
    const QModelIndex had = currentIndex();
    model_->replace(shares);
    if (had.isValid() && had.row() < model_->sumRow())
        setCurrentIndex(model_->index(had.row(), had.column()));
    fit();
    emit typed(shares, title);
}

void ShareTable::removeChosen() {
    const std::vector<size_t> rows = chosenRows();
    if (rows.empty())
        return;
    std::vector<Share> left;
    for (size_t i = 0; i < model_->shares().size(); ++i)
        if (std::ranges::find(rows, i) == rows.end())
            left.push_back(model_->shares()[i]);
    change(std::move(left), tr("Take out of the shares"));
}

void ShareTable::shareEqually() {
    std::vector<size_t> rows = chosenRows();
    if (rows.size() < 2) {
        rows.clear();
        for (size_t i = 0; i < model_->shares().size(); ++i)
            rows.push_back(i);
    }
    if (rows.empty())
        return;
    // What the others have is left to them.
    Fraction rest(1, 1);
    std::vector<Share> shares = model_->shares();
    for (size_t i = 0; i < shares.size(); ++i)
        if (std::ranges::find(rows, i) == rows.end() && shares[i].part)
            rest = rest - *shares[i].part;
    if (!(Fraction() < rest)) {
        emit troubled(tr("Nothing is left to be shared: the others have all of it."));
        return;
    }
    const Fraction each = rest * Fraction(1, static_cast<long>(rows.size()));
    for (const size_t i : rows)
        shares[i].part = each;
    change(std::move(shares), tr("Shared equally"));
}

std::optional<library::TypedShare> ShareTable::partFrom(const QString& text) {
    auto typed = library::shareFromTyping(ss(text));
    if (!typed) {
        emit troubled(spoken(typed.error().message));
        return std::nullopt;
    }
    if (typed->meant) {
        QMessageBox box(this);
        box.setIcon(QMessageBox::Question);
        box.setWindowTitle(tr("Which share?"));
        box.setText(tr("%1 was typed. Is %2 meant, which is %3?")
                        .arg(text, qs(typed->meant->text()), qs(typed->meant->percent())));
        QPushButton* meant =
            box.addButton(tr("%1 exactly").arg(qs(typed->meant->text())), QMessageBox::AcceptRole);
        box.addButton(qs(typed->part.percent()), QMessageBox::DestructiveRole);
        QPushButton* cancel = box.addButton(QMessageBox::Cancel);
        box.setDefaultButton(meant);
        box.exec();
        if (box.clickedButton() == cancel || !box.clickedButton())
            return std::nullopt;
        if (box.clickedButton() == meant)
            typed->part = *typed->meant;
    }
    return *typed;
}

void ShareTable::take(int row, Column column, const QString& text) {
    ++taking_; // something may be asked: what is shown stays
    takeNow(row, column, text);
    if (--taking_ == 0)
        endEditing();
}

void ShareTable::takeNow(int row, Column column, const QString& text) {
    std::vector<Share> shares = model_->shares();
    if (row > static_cast<int>(shares.size()))
        return;
    const auto at = static_cast<size_t>(row);
    const auto& people = model_->people();
    auto setName = [&](Share& share) {
        share.party = people ? people->named(ss(text)) : 0;
        share.name = share.party == 0 ? ss(text) : std::string();
    };
    if (at == shares.size()) {
        Share fresh;
        setName(fresh);
        if (const auto& roles = library::rolesOf(side_); side_ != Side::Writers)
            fresh.roles = {roles.front()};
        shares.push_back(fresh);
        return change(std::move(shares), tr("Share of %1").arg(text));
    }
    Share& share = shares[at];
    const QString who = model_->nameOf(share);
    switch (column) {
    case Name:
        setName(share);
        break;
    case Role:
        share.roles.clear();
        for (const QString& one : text.split(QRegularExpression("[,;]"), Qt::SkipEmptyParts))
            if (!one.trimmed().isEmpty())
                share.roles.push_back(ss(one.trimmed().toLower()));
        break;
    case Number:
        emit numberTyped(share.party, text);
        return;
    case Administered:
        share.forWhom.clear();
        for (const QString& one : text.split(QRegularExpression("[,;]"), Qt::SkipEmptyParts)) {
            const QString name = one.trimmed();
            CardId party = people ? people->named(ss(name)) : 0;
            for (const Share& w : model_->writers()) // a part of the name will do among the writers
                if (party == 0 && w.party != 0 && people &&
                    qs(people->nameOf(w.party)).contains(name, Qt::CaseInsensitive))
                    party = w.party;
            if (party == 0) {
                emit troubled(
                    tr("\u201C%1\u201D is no writer of this song, and nobody who is known.").arg(name));
                return;
            }
            share.forWhom.push_back(party);
        }
        break;
    default:
        if (text.isEmpty()) {
            share.part.reset();
            break;
        }
        const auto typed = partFrom(text);
        if (!typed)
            return;
        if (typed->each) {
            const std::vector<size_t> rows = chosenRows();
            for (size_t i = 0; i < shares.size(); ++i)
                if (rows.size() < 2 || std::ranges::find(rows, i) != rows.end())
                    shares[i].part = typed->part;
        } else {
            share.part = typed->part;
        }
        break;
    }
    change(std::move(shares), tr("Share of %1").arg(who));
}

QString ShareTable::textOf(int row, Column column) const {
    return model_->index(row, column).data().toString();
}

QString ShareTable::sumText() const {
    return textOf(model_->sumRow(), Name);
}

bool ShareTable::editCell(int row, Column column) {
    const QModelIndex index = model_->index(row, column);
    if (!(index.flags() & Qt::ItemIsEditable))
        return false;
    setFocus();
    setCurrentIndex(index);
    edit(index);
    return true;
}

QSize ShareTable::sizeHint() const {
    return {480, horizontalHeader()->sizeHint().height() + model_->rowCount() * lineHeight + 1};
}

void ShareTable::fit() {
    const int width = viewport()->width();
    const bool owners = side_ == Side::Owners;
    const int part = std::min(owners ? 190 : 160, width / 3), number = owners ? 0 : width > 560 ? 110 : 96;
    const int rest = std::max(160, width - part - number);
    setColumnWidth(Part, part);
    setColumnWidth(Number, number);
    setColumnWidth(Name, owners ? rest * 6 / 10 : rest * 34 / 100);
    setColumnWidth(Role, owners ? rest - rest * 6 / 10 : rest * 29 / 100);
    setColumnWidth(Administered, rest - rest * 34 / 100 - rest * 29 / 100);
    setFixedHeight(sizeHint().height());
    clearSpans();
    setSpan(model_->sumRow(), Name, 1, Part);
}

void ShareTable::resizeEvent(QResizeEvent* event) {
    QTableView::resizeEvent(event);
    fit();
}

void ShareTable::keyPressEvent(QKeyEvent* event) {
    if (state() != EditingState) {
        if ((event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) && currentIndex().isValid()) {
            if (!editCell(currentIndex().row(), static_cast<Column>(currentIndex().column())))
                addShare();
            return;
        }
        if (event->key() == Qt::Key_Delete)
            return removeChosen();
        if (event->key() == Qt::Key_Insert)
            return addShare();
    }
    QTableView::keyPressEvent(event);
}

void ShareTable::askTerms(int row) {
    if (row < 0 || row >= static_cast<int>(model_->shares().size()))
        return;
    const auto at = static_cast<size_t>(row);
    ++taking_; // what is shown stays while it is asked
    std::vector<Share> shares = model_->shares();
    ShareTerms dialog(model_->nameOf(shares[at]), shares[at], side_, this);
    if (dialog.exec() == QDialog::Accepted && dialog.share() != shares[at]) {
        if (dialog.isAnother())
            shares.insert(shares.begin() + row + 1, dialog.share());
        else
            shares[at] = dialog.share();
        change(std::move(shares), tr("Where and since when"));
    }
    if (--taking_ == 0)
        endEditing();
}

void ShareTable::contextMenuEvent(QContextMenuEvent* event) {
    const bool mouse = event->reason() == QContextMenuEvent::Mouse;
    const QModelIndex at = mouse ? indexAt(event->pos()) : currentIndex();
    QMenu menu(this);
    const bool known = at.isValid() && at.row() < static_cast<int>(model_->shares().size());
    if (known) {
        const Share& share = model_->shares()[static_cast<size_t>(at.row())];
        if (share.party != 0)
            menu.addAction(tr("Show %1").arg(model_->nameOf(share)), this,
                           [this, party = share.party] { emit partyWanted(party); });
        menu.addAction(tr("Where and since when\u2026"), this, [this, row = at.row()] { askTerms(row); });
        if (at.flags() & Qt::ItemIsEditable)
            menu.addAction(tr("Change"), this,
                           [this, at] { editCell(at.row(), static_cast<Column>(at.column())); });
    }
    menu.addAction(tr("Add\u2026\tIns"), this, &ShareTable::addShare);
    if (!model_->shares().empty()) {
        menu.addAction(tr("Share equally"), this, &ShareTable::shareEqually);
        menu.addAction(tr("How it came about\u2026"), this, &ShareTable::historyWanted);
    }
    if (known)
        menu.addAction(tr("Take out\tDel"), this, &ShareTable::removeChosen);
    menu.exec(mouse ? event->globalPos() : viewport()->mapToGlobal(visualRect(at).bottomLeft()));
}

} // namespace moorfrost::app
