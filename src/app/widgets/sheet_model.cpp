// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cstdlib>
#include <unordered_map>
#include <unordered_set>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/sheet.h"

namespace moorfrost::app {

SheetModel::SheetModel(const Uses& use, QObject* parent) : FileTable(parent), use_(use) {
    auto refresh = [this] {
        findCommonest();
        if (!files_.empty() && columnCount() > 0)
            emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
    };
    connect(&use_.drafts, &DraftsController::changed, this, refresh);
    connect(&use_.drafts, &DraftsController::diskShown, this, refresh);
}

void SheetModel::setFiles(std::vector<FileId> files) {
    if (files == files_) {
        findCommonest();
        if (!files_.empty())
            emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
        return;
    }
    if (!changeRows(files)) {
        beginResetModel();
        files_ = std::move(files);
        endResetModel();
    }
    findCommonest();
}

namespace {

struct Run {
    size_t from, to; // the last one included
};

/// The runs of rows that `isOther` holds for.
std::vector<Run> runsOf(const std::vector<FileId>& files, const auto& isOther) {
    std::vector<Run> out;
    for (size_t i = 0; i < files.size(); ++i) {
        if (!isOther(files[i]))
            continue;
        if (!out.empty() && out.back().to + 1 == i)
            out.back().to = i;
        else
            out.push_back({i, i});
    }
    return out;
}

} // namespace

bool SheetModel::changeRows(const std::vector<FileId>& files) {
    constexpr size_t mostRuns = 64;
    const std::unordered_set<FileId> wanted(files.begin(), files.end()), held(files_.begin(), files_.end());
    const auto going = runsOf(files_, [&](FileId id) { return !wanted.contains(id); });
    const auto coming = runsOf(files, [&](FileId id) { return !held.contains(id); });
    if (going.size() > mostRuns || coming.size() > mostRuns || held.size() != files_.size() ||
        wanted.size() != files.size() ||
        std::none_of(files_.begin(), files_.end(), [&](FileId id) { return wanted.contains(id); }))
        return false;
    for (auto run = going.rbegin(); run != going.rend(); ++run) {
        beginRemoveRows({}, static_cast<int>(run->from), static_cast<int>(run->to));
        files_.erase(files_.begin() + static_cast<std::ptrdiff_t>(run->from),
                     files_.begin() + static_cast<std::ptrdiff_t>(run->to) + 1);
        endRemoveRows();
    }
    std::vector<FileId> order; // of those that stay
    for (FileId id : files)
        if (held.contains(id))
            order.push_back(id);
    if (order != files_) {
        std::unordered_map<FileId, int> now;
        for (size_t i = 0; i < order.size(); ++i)
            now[order[i]] = static_cast<int>(i);
        emit layoutAboutToBeChanged();
        const QModelIndexList before = persistentIndexList();
        QModelIndexList after;
        for (const QModelIndex& i : before)
            after << index(now.at(files_[static_cast<size_t>(i.row())]), i.column());
        files_ = std::move(order);
        changePersistentIndexList(before, after);
        emit layoutChanged();
    }
    for (const Run& run : coming) {
        beginInsertRows({}, static_cast<int>(run.from), static_cast<int>(run.to));
        files_.insert(files_.begin() + static_cast<std::ptrdiff_t>(run.from),
                      files.begin() + static_cast<std::ptrdiff_t>(run.from),
                      files.begin() + static_cast<std::ptrdiff_t>(run.to) + 1);
        endInsertRows();
    }
    return true;
}

void SheetModel::setColumns(std::vector<std::string> columns) {
    FileTable::setColumns(std::move(columns));
    findCommonest();
}

void SheetModel::findCommonest() {
    // Fields that are one for a release: a value that most files do not share is worth a second look.
    commonest_.clear();
    if (files_.size() < 3 || files_.size() > 400)
        return;
    for (const char* key : {"album", "album_artist", "date", "label", "catalogue_number"}) {
        std::map<std::string, size_t> counts;
        for (FileId id : files_)
            ++counts[tags::shownValues(use_.drafts.session().effective(id, key))];
        auto best = std::max_element(counts.begin(), counts.end(),
                                     [](const auto& a, const auto& b) { return a.second < b.second; });
        if (best != counts.end() && best->second * 3 >= files_.size() * 2 && best->second < files_.size())
            commonest_[key] = best->first;
    }
}

QString SheetModel::cellText(FileId id, const std::string& key) const {
    FilePtr f = use_.files.file(id);
    if (!f)
        return {};
    if (key == nameColumn)
        return shownName(f->path);
    if (key == placeColumn)
        return shownPath(f->path.parent_path());
    if (key == lengthColumn)
        return shownLength(f->tags.facts.duration);
    if (key == formatColumn)
        return f->tags.facts.codec.empty()
                   ? QString()
                   : qs(f->tags.facts.codec == "PCM" ? audio::formatName(f->tags.format)
                                                     : f->tags.facts.codec);
    if (key == kindColumn)
        return kindText(use_.kinds.of(id));
    return qs(tags::shownValues(use_.drafts.shownValues(id, key)));
}

QVariant SheetModel::data(const QModelIndex& index, int role) const {
    if (!index.isValid())
        return {};
    FileId id = fileAt(index.row());
    const std::string& key = keyAt(index.column());
    const library::Draft* draft = isField(index.column()) ? use_.drafts.session().find(id, key) : nullptr;
    switch (role) {
    case Qt::DisplayRole:
        return cellText(id, key).replace('\n', QChar(0x21B5));
    case Qt::EditRole:
        return cellText(id, key);
    case DraftRole:
        return draft != nullptr && !use_.drafts.showsDisk();
    case OddRole: {
        auto most = commonest_.find(key);
        return most != commonest_.end() && !use_.drafts.showsDisk() &&
               tags::shownValues(use_.drafts.session().effective(id, key)) != most->second;
    }
    case KeyRole:
        return qs(key);
    case Qt::ToolTipRole: {
        FilePtr f = use_.files.file(id);
        if (!f)
            return {};
        if (key == nameColumn || key == placeColumn)
            return shownPath(f->path);
        QStringList lines;
        if (QString t = cellText(id, key); !t.isEmpty())
            lines << t;
        if (draft) {
            lines << tr("Draft: %1").arg(qs(draft->origin));
            QString disk = qs(tags::shownValue(f->tags.fields, key));
            lines << (disk.isEmpty() ? tr("On disk: blank") : tr("On disk: %1").arg(disk));
        }
        if (data(index, OddRole).toBool())
            lines << tr("Most of these files say: %1")
                         .arg(commonest_.at(key).empty() ? tr("nothing") : qs(commonest_.at(key)));
        return lines.join('\n');
    }
    case Qt::TextAlignmentRole:
        return QVariant(alignmentOf(key));
    default:
        return {};
    }
}

Qt::ItemFlags SheetModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags f = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    FilePtr file = index.isValid() ? use_.files.file(fileAt(index.row())) : nullptr;
    if (file && file->mayHaveDrafts() && isField(index.column()) && !use_.drafts.showsDisk())
        f |= Qt::ItemIsEditable;
    return f;
}

bool SheetModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !index.isValid() || !isField(index.column()))
        return false;
    const std::string& key = keyAt(index.column());
    std::vector<std::string> values = tags::valuesFromText(key, ss(value.toString()));
    if (std::string why = tags::whyNotValid(key, values); !why.empty()) {
        emit refused(qs(why));
        return false;
    }
    use_.drafts.session().propose(ss(tr("Edit %1").arg(columnLabel(key))),
                                  {{fileAt(index.row()), key, values}}, ss(tr("typed")));
    return true;
}

} // namespace moorfrost::app
