// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/places/places_model.h"

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

namespace {

constexpr int shelfDepth = 0, nowhereDepth = -1;

paint::Tone toneOf(placing::MarkKind kind) {
    switch (kind) {
    case placing::MarkKind::Gap:
    case placing::MarkKind::Split:
    case placing::MarkKind::Replaces:
    case placing::MarkKind::Shortened:
    case placing::MarkKind::Beside:
    case placing::MarkKind::Cased:
        return paint::Tone::Attention;
    case placing::MarkKind::Clash:
    case placing::MarkKind::Taken:
    case placing::MarkKind::Blocked:
        return paint::Tone::Wrong;
    case placing::MarkKind::InPlace:
    case placing::MarkKind::GoesAlong:
    case placing::MarkKind::LeftOut:
    case placing::MarkKind::Suffixed:
    case placing::MarkKind::Adapted:
        break;
    }
    return paint::Tone::Neutral;
}

QString pillOf(paint::Tone tone, const QString& text) {
    return QString::number(static_cast<int>(tone)) + "|" + text;
}

} // namespace

PlacesModel::PlacesModel(std::function<bool(int64_t)> isDrafted, QObject* parent)
    : QAbstractItemModel(parent), isDrafted_(std::move(isDrafted)) {}

int PlacesModel::add(int parent, Node node) {
    const int id = static_cast<int>(nodes_.size());
    node.parent = parent;
    node.row = static_cast<int>(nodes_[static_cast<size_t>(parent)].children.size());
    nodes_.push_back(std::move(node));
    nodes_[static_cast<size_t>(parent)].children.push_back(id);
    return id;
}

void PlacesModel::show(std::shared_ptr<const PlacedFiles> placed, const QString& shelfName,
                       const Shown& shown) {
    beginResetModel();
    placed_ = std::move(placed);
    shelfName_ = shelfName;
    nodes_.assign(1, Node{});
    nodeOf_.clear();
    preview_.clear();
    std::vector<int> way; // folders from the shelf to where the last file went
    const std::vector<std::string>* last = nullptr;
    int nowhere = -1;
    for (const uint32_t i : placed_->order()) {
        if ((shown.kind != PlacedFiles::All && (placed_->kindsOf(i) & shown.kind) == 0) ||
            !placed_->hasWords(i, shown.words))
            continue;
        const auto& parts = placed_->at(i).parts;
        const int file = static_cast<int>(i);
        if (parts.empty()) {
            if (nowhere < 0)
                nowhere = add(0, {.like = file, .depth = nowhereDepth});
            nodeOf_[i] = add(nowhere, {.file = file});
            continue;
        }
        if (way.empty())
            way.push_back(add(0, {.like = file, .depth = shelfDepth}));
        size_t same = 0;
        while (last && same + 1 < parts.size() && same + 1 < way.size() && same + 1 < last->size() &&
               (*last)[same] == parts[same])
            ++same;
        way.resize(same + 1);
        for (size_t depth = same + 1; depth < parts.size(); ++depth)
            way.push_back(add(way.back(), {.like = file, .depth = static_cast<int>(depth)}));
        nodeOf_[i] = add(way.back(), {.file = file});
        last = &parts;
    }
    endResetModel();
}

void PlacesModel::preview(std::unordered_map<size_t, std::vector<std::string>> parts) {
    preview_ = std::move(parts);
}

const std::vector<std::string>& PlacesModel::partsOf(int file) const {
    const auto at = preview_.find(static_cast<size_t>(file));
    return at != preview_.end() ? at->second : placed_->at(static_cast<size_t>(file)).parts;
}

QString PlacesModel::nameOf(int file) const {
    const std::vector<std::string>& parts = partsOf(file);
    return parts.empty() ? shownName(placed_->at(static_cast<size_t>(file)).from) : shownName(parts.back());
}

std::optional<size_t> PlacesModel::fileAt(const QModelIndex& index) const {
    if (!index.isValid())
        return std::nullopt;
    const int file = nodes_[index.internalId()].file;
    return file < 0 ? std::nullopt : std::optional(static_cast<size_t>(file));
}

std::vector<size_t> PlacesModel::likeOf(const QModelIndex& folder) const {
    const int like = nodes_[folder.internalId()].like;
    return like < 0 ? std::vector<size_t>() : std::vector<size_t>{static_cast<size_t>(like)};
}

QModelIndex PlacesModel::indexOf(size_t file) const {
    const auto at = nodeOf_.find(file);
    if (at == nodeOf_.end())
        return {};
    return createIndex(nodes_[static_cast<size_t>(at->second)].row, 0, static_cast<quintptr>(at->second));
}

std::vector<size_t> PlacesModel::filesBelow(const QModelIndex& index) const {
    std::vector<size_t> out;
    std::vector<int> open;
    if (index.isValid())
        open.push_back(static_cast<int>(index.internalId()));
    while (!open.empty()) {
        const Node& node = nodes_[static_cast<size_t>(open.back())];
        open.pop_back();
        if (node.file >= 0)
            out.push_back(static_cast<size_t>(node.file));
        open.insert(open.end(), node.children.rbegin(), node.children.rend());
    }
    return out;
}

QModelIndex PlacesModel::index(int row, int column, const QModelIndex& parent) const {
    const std::vector<int>& children = nodes_[parent.isValid() ? parent.internalId() : 0].children;
    if (row < 0 || static_cast<size_t>(row) >= children.size() || column < 0 || column >= Columns)
        return {};
    return createIndex(row, column, static_cast<quintptr>(children[static_cast<size_t>(row)]));
}

QModelIndex PlacesModel::parent(const QModelIndex& index) const {
    if (!index.isValid())
        return {};
    const int parent = nodes_[index.internalId()].parent;
    return parent <= 0
               ? QModelIndex()
               : createIndex(nodes_[static_cast<size_t>(parent)].row, 0, static_cast<quintptr>(parent));
}

int PlacesModel::rowCount(const QModelIndex& parent) const {
    if (parent.column() > 0)
        return 0;
    return static_cast<int>(nodes_[parent.isValid() ? parent.internalId() : 0].children.size());
}

QVariant PlacesModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole)
        return {};
    return section == Future ? tr("Where each file will be") : tr("Where it is now");
}

QVariant PlacesModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid())
        return {};
    const Node& node = nodes_[index.internalId()];
    return node.file < 0 ? ofFolder(node, index, role) : ofFile(node, index, role);
}

QVariant PlacesModel::ofFolder(const Node& node, const QModelIndex& index, int role) const {
    const bool isName = index.column() == Future;
    if (role == Qt::FontRole && isName)
        return theme::uiFont(13, QFont::DemiBold);
    if (node.depth == nowhereDepth)
        return role == Qt::DisplayRole && isName ? tr("No place yet") : QVariant();
    if (role == Qt::DisplayRole && isName) {
        const std::vector<std::string>& parts = partsOf(node.like);
        return node.depth == shelfDepth ? shelfName_
               : static_cast<size_t>(node.depth) < parts.size()
                   ? shownName(parts[static_cast<size_t>(node.depth) - 1])
                   : QString(QChar(0x2026));
    }
    if (role == PillsRole && !isName && node.depth != shelfDepth) {
        Path folder = placed_->shelf();
        const auto& parts = placed_->at(static_cast<size_t>(node.like)).parts;
        for (int i = 0; i < node.depth; ++i)
            folder /= parts[static_cast<size_t>(i)];
        if (placed_->isNew(folder))
            return QStringList{pillOf(paint::Tone::Good, tr("new folder"))};
    }
    return {};
}

QVariant PlacesModel::ofFile(const Node& node, const QModelIndex& index, int role) const {
    const placing::Placement& p = placed_->at(static_cast<size_t>(node.file));
    const bool isName = index.column() == Future;
    switch (role) {
    case Qt::DisplayRole:
        return isName ? nameOf(node.file) : shownPath(p.from.lexically_relative(placed_->common()));
    case Qt::FontRole:
        return isName ? QVariant() : theme::monoFont();
    case Qt::ForegroundRole:
        return !isName       ? QVariant(theme::colours().third)
               : p.blocked() ? QVariant(theme::colours().rowan)
               : p.leftOut() ? QVariant(theme::colours().third)
                             : QVariant();
    case Qt::ToolTipRole: {
        QString text = shownPath(isName && !p.to.empty() ? p.to : p.from);
        if (!isName)
            for (const placing::Mark& m : p.marks)
                text += "\n" + spoken(m.text);
        return text;
    }
    case Qt::AccessibleTextRole: {
        QStringList text{isName ? shownName(p.to.empty() ? p.from : p.to) : shownPath(p.from)};
        if (isName)
            for (const placing::Mark& m : p.marks)
                text << spoken(m.text);
        return text.join(", ");
    }
    case PillsRole: {
        QStringList pills;
        if (!isName)
            for (const placing::Mark& m : p.marks)
                pills << pillOf(toneOf(m.kind), spoken(m.text));
        return pills;
    }
    case DraftRole:
        return isName && p.id > 0 && p.moves() && isDrafted_(p.id);
    default:
        return {};
    }
}

} // namespace moorfrost::app
