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

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "core/audit/codes.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::Fraction;
using library::Share;
using library::Side;

constexpr int lineHeight = 28, barWidth = 96;
enum Role { FractionRole = Qt::UserRole + 1, SumRole, ToneRole, ChoicesRole };
enum class Tone { Plain, Missing, Good, Open, TooMuch };

QString joined(const std::vector<std::string>& list) {
    QStringList out;
    for (const std::string& one : list)
        out << qs(one);
    return out.join(", ");
}

/// 33 1/3 % is told as the fraction that it is, 60 % as per cent.
QString partText(const Fraction& part) {
    const mpz_class below = part.value().get_den();
    const bool plain = below == 1 || (below != 2 && below != 4 && 100 % below.get_si() == 0) || below > 999;
    return qs(plain ? part.percent() : part.text());
}

} // namespace

class ShareModel : public QAbstractTableModel {
public:
    explicit ShareModel(ShareTable* table) : QAbstractTableModel(table), table_(table) {}

    void show(std::vector<Share> shares, std::vector<Share> writers, std::vector<Share> publishers,
              PeopleController::List people) {
        beginResetModel();
        shares_ = std::move(shares);
        writers_ = std::move(writers);
        publishers_ = std::move(publishers);
        people_ = std::move(people);
        adding_ = false;
        endResetModel();
    }
    const std::vector<Share>& shares() const { return shares_; }
    const std::vector<Share>& writers() const { return writers_; }
    const PeopleController::List& people() const { return people_; }
    void setAdding(bool on) {
        if (on == adding_)
            return;
        const int at = static_cast<int>(shares_.size());
        if (on) {
            beginInsertRows({}, at, at);
            adding_ = true;
            endInsertRows();
        } else {
            beginRemoveRows({}, at, at);
            adding_ = false;
            endRemoveRows();
        }
    }
    bool isAdding() const { return adding_; }
    int sumRow() const { return static_cast<int>(shares_.size()) + (adding_ ? 1 : 0); }

    int rowCount(const QModelIndex& parent = {}) const override {
        return parent.isValid() ? 0 : sumRow() + 1;
    }
    int columnCount(const QModelIndex& = {}) const override { return ShareTable::ColumnCount; }
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override {
        if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
            return {};
        switch (section) {
        case ShareTable::Name:
            return ShareTable::tr("Name");
        case ShareTable::Role:
            return ShareTable::tr("Role");
        case ShareTable::Number:
            return ShareTable::tr("IPI number");
        case ShareTable::Administered:
            return table_->side() == Side::Publishers ? ShareTable::tr("Administers")
                                                      : ShareTable::tr("Administered by");
        default:
            return ShareTable::tr("Share");
        }
    }
    Qt::ItemFlags flags(const QModelIndex& index) const override {
        if (index.row() == sumRow())
            return Qt::ItemIsEnabled;
        Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
        const bool known = index.row() < static_cast<int>(shares_.size());
        const bool party = known && shares_[static_cast<size_t>(index.row())].party != 0;
        if (index.column() == ShareTable::Name ||
            (known && index.column() != ShareTable::Number && index.column() != ShareTable::Administered) ||
            (party && index.column() == ShareTable::Number && table_->side() != Side::Owners) ||
            (known && index.column() == ShareTable::Administered && table_->side() == Side::Publishers))
            out |= Qt::ItemIsEditable;
        return out;
    }
    QVariant data(const QModelIndex& index, int role) const override {
        if (index.row() == sumRow())
            return sum(index.column(), role);
        if (index.row() >= static_cast<int>(shares_.size())) // the one that is being added
            return role == ChoicesRole && index.column() == ShareTable::Name ? names() : QVariant();
        const Share& s = shares_[static_cast<size_t>(index.row())];
        switch (role) {
        case Qt::DisplayRole:
        case Qt::EditRole:
            return cell(s, index.column(), role == Qt::EditRole);
        case Qt::ToolTipRole: {
            QStringList lines{cell(s, index.column(), false)};
            if (index.column() == ShareTable::Number)
                if (const QString odd = oddNumber(s); !odd.isEmpty())
                    lines << odd;
            if (!s.territory.empty())
                lines << ShareTable::tr("in %1").arg(qs(s.territory));
            if (!s.from.empty())
                lines << ShareTable::tr("from %1 on").arg(qs(s.from));
            return lines.join("\n");
        }
        case FractionRole:
            return index.column() == ShareTable::Part && s.part ? QVariant(s.part->rough()) : QVariant();
        case ToneRole:
            if (index.column() == ShareTable::Number && table_->side() == Side::Writers)
                return static_cast<int>(numberOf(s).isEmpty() || !oddNumber(s).isEmpty() ? Tone::Missing
                                                                                         : Tone::Plain);
            if (index.column() == ShareTable::Part && !s.part)
                return static_cast<int>(Tone::Missing);
            return static_cast<int>(Tone::Plain);
        case ChoicesRole:
            return index.column() == ShareTable::Name   ? names()
                   : index.column() == ShareTable::Role ? roles()
                                                        : QVariant();
        default:
            return {};
        }
    }
    bool setData(const QModelIndex& index, const QVariant& value, int role) override {
        if (role != Qt::EditRole)
            return false;
        const QString text = value.toString().trimmed();
        const bool adds = index.row() >= static_cast<int>(shares_.size());
        if (adds ? text.isEmpty() : text == data(index, Qt::EditRole).toString())
            return false;
        // After the editor has closed: something may be asked.
        QMetaObject::invokeMethod(
            table_,
            [table = table_, row = index.row(), column = static_cast<ShareTable::Column>(index.column()),
             text] { table->take(row, column, text); },
            Qt::QueuedConnection);
        return true;
    }
    QString nameOf(const Share& s) const {
        return qs(library::shownParty(
            s, [this](CardId id) { return people_ ? people_->nameOf(id) : std::string(); }));
    }

private:
    QString numberOf(const Share& s) const {
        const size_t at = people_ && s.party != 0 ? people_->party(s.party) : SIZE_MAX;
        return at == SIZE_MAX ? QString() : qs(people_->parties()[at].ipi);
    }
    QString oddNumber(const Share& s) const {
        const QString number = numberOf(s);
        return number.isEmpty() ? QString() : qs(audit::whyNotCode("ipi", ss(number)));
    }
    QString cell(const Share& s, int column, bool typing) const {
        switch (column) {
        case ShareTable::Name:
            return s.party == 0 && s.name.empty()
                       ? (typing ? QString() : ShareTable::tr("held by the writer"))
                       : nameOf(s);
        case ShareTable::Role: {
            QString out = joined(s.roles);
            if (!typing && !s.territory.empty())
                out += ShareTable::tr(" in %1").arg(qs(s.territory));
            return out;
        }
        case ShareTable::Number: {
            const QString number = numberOf(s);
            return number.isEmpty() && !typing && table_->side() == Side::Writers ? ShareTable::tr("missing")
                                                                                  : number;
        }
        case ShareTable::Administered: {
            QStringList out;
            if (table_->side() == Side::Publishers) {
                for (const CardId id : s.forWhom)
                    if (people_)
                        out << qs(people_->nameOf(id));
                return out.isEmpty() || typing ? out.join(", ")
                                               : ShareTable::tr("for %1").arg(out.join(", "));
            }
            for (const Share& p : publishers_)
                if (std::ranges::find(p.forWhom, s.party) != p.forWhom.end() && s.party != 0 &&
                    (p.party != 0 || !p.name.empty()))
                    out << nameOf(p);
            return out.isEmpty() ? QStringLiteral("\u2013") : out.join(", ");
        }
        default:
            return s.part ? partText(*s.part) : typing ? QString() : ShareTable::tr("not known");
        }
    }
    QVariant sum(int column, int role) const {
        const auto sums = library::sumsOf(shares_, {});
        const auto worst = std::ranges::find_if(sums, [](const library::SideSum& s) { return !s.isWhole(); });
        const library::SideSum& shown = worst == sums.end() ? sums.front() : *worst;
        if (role == SumRole)
            return true;
        if (role == ToneRole)
            return static_cast<int>(shown.isTooMuch() ? Tone::TooMuch
                                    : shown.isWhole() ? Tone::Good
                                                      : Tone::Open);
        if (role == Qt::DisplayRole && column == ShareTable::Name) {
            QStringList out;
            for (const library::SideSum& s : sums)
                if (!s.isWhole() || sums.size() == 1)
                    out << qs(library::sumSentence(s, shares_.size()));
            return out.isEmpty() ? ShareTable::tr("Adds up exactly, everywhere.") : out.join(" ");
        }
        if (column == ShareTable::Part && !shares_.empty()) {
            if (role == Qt::DisplayRole)
                return qs(shown.sum.percent());
            if (role == FractionRole)
                return std::min(1.0, shown.sum.rough());
        }
        return {};
    }
    QStringList names() const {
        QStringList out;
        if (people_)
            for (const library::PartyEntry& p : people_->parties())
                out << qs(p.name);
        return out;
    }
    QStringList roles() const {
        QStringList out;
        const auto& roles = library::rolesOf(table_->side());
        for (const std::string& role : roles)
            out << qs(role);
        if (table_->side() == Side::Writers)
            out << "author, composer";
        return out;
    }

    ShareTable* table_;
    std::vector<Share> shares_, writers_, publishers_;
    PeopleController::List people_;
    bool adding_ = false;
};

namespace {

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
        if (const QStringList choices = index.data(ChoicesRole).toStringList(); !choices.isEmpty()) {
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
        const bool sum = index.data(SumRole).toBool();
        const auto tone = static_cast<Tone>(index.data(ToneRole).toInt());
        const QColor loud = tone == Tone::Good                               ? c.moss
                            : tone == Tone::Open                             ? c.lichen
                            : tone == Tone::TooMuch || tone == Tone::Missing ? c.rowan
                                                                             : c.fjord;
        p->save();
        p->fillRect(r, option.state & QStyle::State_Selected ? c.fjordBack : c.panel);
        p->fillRect(QRect(r.left(), r.bottom(), r.width(), 1), c.faint);
        QRect room = r.adjusted(8, 0, -8, 0);
        if (const QVariant part = index.data(FractionRole); part.isValid()) {
            const QRect bar(room.left(), r.center().y() - 3, std::min(barWidth, room.width() / 2), 7);
            p->fillRect(bar, c.faint);
            p->fillRect(QRect(bar.left(), bar.top(), qRound(bar.width() * std::min(1.0, part.toDouble())),
                              bar.height()),
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
    : QTableView(parent), side_(side), model_(new ShareModel(this)) {
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
    setAccessibleName(side == Side::Writers      ? tr("Writers")
                      : side == Side::Publishers ? tr("Publishers")
                                                 : tr("Owners of the master"));
}

const std::vector<Share>& ShareTable::shares() const {
    return model_->shares();
}

void ShareTable::show(std::vector<Share> shares, std::vector<Share> writers, std::vector<Share> publishers,
                      PeopleController::List people) {
    if (state() == EditingState) { // nobody's editor is closed under the hands
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
    const bool nobody =
        hint == QAbstractItemDelegate::RevertModelCache || !line || line->text().trimmed().isEmpty();
    QTableView::closeEditor(editor, hint);
    if (state() == EditingState)
        return;
    if (model_->isAdding() && nobody) // when the view is done with its editor
        QMetaObject::invokeMethod(
            this,
            [this] {
                if (state() != EditingState) {
                    model_->setAdding(false);
                    fit();
                }
            },
            Qt::QueuedConnection);
    if (pending_) {
        Pending p = std::move(*pending_);
        show(std::move(p.shares), std::move(p.writers), std::move(p.publishers), std::move(p.people));
    }
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
        emit troubled(qs(typed.error().message));
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
