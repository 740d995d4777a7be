// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/people/share_model.h"

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/audit/codes.h"

namespace moorfrost::app {

namespace {

using library::CardId;
using library::Fraction;
using library::Share;
using library::Side;

QString joined(const std::vector<std::string>& list) {
    QStringList out;
    for (const std::string& one : list)
        out << qs(one);
    return out.join(", ");
}

/// 33 1/3 % is told as the fraction that it is, 60 % as per cent.
QString partText(const Fraction& part) {
    const mpz_class below = part.value().get_den();
    const bool plain = below > 999 || below == 1 || (below != 2 && below != 4 && 100 % below.get_si() == 0);
    return qs(plain ? part.percent() : part.text());
}

} // namespace

ShareModel::ShareModel(Side side, QObject* parent) : QAbstractTableModel(parent), side_(side) {}

void ShareModel::show(std::vector<Share> shares, std::vector<Share> writers, std::vector<Share> publishers,
                      PeopleController::List people) {
    beginResetModel();
    shares_ = std::move(shares);
    writers_ = std::move(writers);
    publishers_ = std::move(publishers);
    people_ = std::move(people);
    adding_ = false;
    endResetModel();
}

void ShareModel::replace(std::vector<Share> shares) {
    beginResetModel();
    shares_ = std::move(shares);
    if (side_ == Side::Writers)
        writers_ = shares_;
    else if (side_ == Side::Publishers)
        publishers_ = shares_;
    adding_ = false;
    endResetModel();
}

void ShareModel::setAdding(bool on) {
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

int ShareModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : sumRow() + 1;
}

QVariant ShareModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    switch (section) {
    case ShareModel::Name:
        return tr("Name");
    case ShareModel::Role:
        return tr("Role");
    case ShareModel::Number:
        return tr("IPI number");
    case ShareModel::Administered:
        return side_ == Side::Publishers ? tr("Administers") : tr("Administered by");
    default:
        return tr("Share");
    }
}

Qt::ItemFlags ShareModel::flags(const QModelIndex& index) const {
    if (index.row() == sumRow())
        return Qt::ItemIsEnabled;
    Qt::ItemFlags out = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    const bool known = index.row() < static_cast<int>(shares_.size());
    const bool party = known && shares_[static_cast<size_t>(index.row())].party != 0;
    if (index.column() == ShareModel::Name ||
        (known && index.column() != ShareModel::Number && index.column() != ShareModel::Administered) ||
        (party && index.column() == ShareModel::Number && side_ != Side::Owners) ||
        (known && index.column() == ShareModel::Administered && side_ == Side::Publishers))
        out |= Qt::ItemIsEditable;
    return out;
}

QVariant ShareModel::data(const QModelIndex& index, int role) const {
    if (index.row() == sumRow())
        return sum(index.column(), role);
    if (index.row() >= static_cast<int>(shares_.size())) // the one that is being added
        return role == ChoicesRole && index.column() == ShareModel::Name ? names() : QVariant();
    const Share& s = shares_[static_cast<size_t>(index.row())];
    switch (role) {
    case Qt::DisplayRole:
    case Qt::EditRole:
        return cell(s, index.column(), role == Qt::EditRole);
    case Qt::ToolTipRole: {
        QStringList lines{cell(s, index.column(), false)};
        if (index.column() == ShareModel::Number)
            if (const QString odd = oddNumber(s); !odd.isEmpty())
                lines << odd;
        if (!s.territory.empty())
            lines << tr("in %1").arg(qs(s.territory));
        if (!s.from.empty())
            lines << tr("from %1 on").arg(qs(s.from));
        return lines.join("\n");
    }
    case FractionRole:
        return index.column() == ShareModel::Part && s.part ? QVariant(s.part->rough()) : QVariant();
    case ToneRole:
        if (index.column() == ShareModel::Number && side_ == Side::Writers)
            return static_cast<int>(numberOf(s).isEmpty() || !oddNumber(s).isEmpty() ? Tone::Missing
                                                                                     : Tone::Plain);
        if (index.column() == ShareModel::Part && !s.part)
            return static_cast<int>(Tone::Missing);
        return static_cast<int>(Tone::Plain);
    case ChoicesRole:
        return index.column() == ShareModel::Name   ? names()
               : index.column() == ShareModel::Role ? roles()
                                                    : QVariant();
    default:
        return {};
    }
}

bool ShareModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole)
        return false;
    const QString text = value.toString().trimmed();
    const bool adds = index.row() >= static_cast<int>(shares_.size());
    if (adds ? text.isEmpty() : text == data(index, Qt::EditRole).toString())
        return false;
    emit typed(index.row(), index.column(), text);
    return true;
}

QString ShareModel::nameOf(const Share& s) const {
    return qs(
        library::shownParty(s, [this](CardId id) { return people_ ? people_->nameOf(id) : std::string(); }));
}

QString ShareModel::numberOf(const Share& s) const {
    const size_t at = people_ && s.party != 0 ? people_->party(s.party) : SIZE_MAX;
    return at == SIZE_MAX ? QString() : qs(people_->parties()[at].ipi);
}

QString ShareModel::oddNumber(const Share& s) const {
    const QString number = numberOf(s);
    return number.isEmpty() ? QString() : spoken(audit::whyNotCode("ipi", ss(number)));
}

QString ShareModel::cell(const Share& s, int column, bool typing) const {
    switch (column) {
    case ShareModel::Name:
        return s.party == 0 && s.name.empty() ? (typing ? QString() : tr("held by the writer")) : nameOf(s);
    case ShareModel::Role: {
        QString out = joined(s.roles);
        if (!typing && !s.territory.empty())
            out += tr(" in %1").arg(qs(s.territory));
        if (!typing && !s.from.empty())
            out += tr(" since %1").arg(qs(s.from));
        return out;
    }
    case ShareModel::Number: {
        const QString number = numberOf(s);
        return number.isEmpty() && !typing && side_ == Side::Writers ? tr("missing") : number;
    }
    case ShareModel::Administered: {
        QStringList out;
        if (side_ == Side::Publishers) {
            for (const CardId id : s.forWhom)
                if (people_)
                    out << qs(people_->nameOf(id));
            return out.isEmpty() || typing ? out.join(", ") : tr("for %1").arg(out.join(", "));
        }
        for (const Share& p : publishers_)
            if (std::ranges::find(p.forWhom, s.party) != p.forWhom.end() && s.party != 0 &&
                (p.party != 0 || !p.name.empty()))
                out << nameOf(p);
        return out.isEmpty() ? QStringLiteral("\u2013") : out.join(", ");
    }
    default:
        return s.part ? partText(*s.part) : typing ? QString() : tr("not known");
    }
}

QVariant ShareModel::sum(int column, int role) const {
    const auto sums = library::sumsOf(shares_, {});
    const auto worst = std::ranges::find_if(sums, [](const library::SideSum& s) { return !s.isWhole(); });
    const library::SideSum& shown = worst == sums.end() ? sums.front() : *worst;
    if (role == SumRole)
        return true;
    if (role == ToneRole)
        return static_cast<int>(shown.isTooMuch() ? Tone::TooMuch
                                : shown.isWhole() ? Tone::Good
                                                  : Tone::Open);
    if (role == Qt::DisplayRole && column == ShareModel::Name) {
        QStringList out;
        for (const library::SideSum& s : sums)
            if (!s.isWhole() || sums.size() == 1)
                out << qs(library::sumSentence(s, shares_.size()));
        return out.isEmpty() ? tr("Adds up exactly, everywhere.") : out.join(" ");
    }
    if (column == ShareModel::Part && !shares_.empty()) {
        if (role == Qt::DisplayRole)
            return qs(shown.sum.percent());
        if (role == FractionRole)
            return std::min(1.0, shown.sum.rough());
    }
    return {};
}

QStringList ShareModel::names() const {
    QStringList out;
    if (people_)
        for (const library::PartyEntry& p : people_->parties())
            out << qs(p.name);
    return out;
}

QStringList ShareModel::roles() const {
    QStringList out;
    const auto& roles = library::rolesOf(side_);
    for (const std::string& role : roles)
        out << qs(role);
    if (side_ == Side::Writers)
        out << "author, composer";
    return out;
}

} // namespace moorfrost::app
