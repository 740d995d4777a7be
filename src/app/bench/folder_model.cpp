// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/folder_model.h"

#include <QIcon>
#include <QLocale>

#include <algorithm>

#include "app/shell/text_utils.h"
#include "app/shell/theme.h"
#include "app/widgets/file_drag.h"
#include "core/tags/tag_io.h"

namespace moorfrost::app {

namespace {

std::string_view folderOf(const Path& file) {
    const std::string_view all = file.native();
    return all.substr(0, std::max<size_t>(all.rfind('/'), 1));
}

bool byPath(const FilePtr& a, const FilePtr& b) {
    return a->path.native() < b->path.native();
}

} // namespace

bool FolderModel::ByFolder::operator()(std::string_view a, std::string_view b) const {
    return std::lexicographical_compare(a.begin(), a.end(), b.begin(), b.end(), [](char x, char y) {
        auto rank = [](char c) { return c == '/' ? 0 : static_cast<unsigned char>(c); };
        return rank(x) < rank(y);
    });
}

FolderModel::FolderModel(const Uses& use, QObject* parent) : QAbstractItemModel(parent), use_(use) {}

void FolderModel::Totals::add(const Totals& more) {
    files += more.files;
    along += more.along;
    wrong += more.wrong;
    attention += more.attention;
    untagged += more.untagged;
    bytes += more.bytes;
    for (const auto& [format, n] : more.formats)
        formats[format] += n;
}

FolderModel::Totals FolderModel::totalsOf(const std::vector<FilePtr>& files) const {
    Totals out;
    for (const FilePtr& f : files) {
        const paint::Tone tone = known_.at(f.get()).finding.tone;
        ++out.files;
        out.bytes += f->state.size;
        if (f->readable())
            ++out.formats[audio::formatName(f->tags.format)];
        out.wrong += tone == paint::Tone::Wrong;
        out.attention += tone == paint::Tone::Attention;
        out.untagged += f->readable() && f->tags.fields.empty();
    }
    return out;
}

void FolderModel::exchange(ShownGroup& group, std::vector<FilePtr>&& files, Changes& changes) {
    std::sort(files.begin(), files.end());
    std::vector<FilePtr> gone, come;
    std::set_difference(group.files.begin(), group.files.end(), files.begin(), files.end(),
                        std::back_inserter(gone));
    std::set_difference(files.begin(), files.end(), group.files.begin(), group.files.end(),
                        std::back_inserter(come));
    for (const FilePtr& f : gone)
        if (--known_.at(f.get()).groups == 0)
            changes[folderOf(f->path)].gone.push_back(f);
    for (const FilePtr& f : come) {
        Known& known = known_[f.get()];
        if (!known.of)
            known = {f, find(f)};
        if (known.groups++ == 0)
            changes[folderOf(f->path)].come.push_back(f);
    }
    group.files = std::move(files);
    group.totals = totalsOf(group.files);
}

/// What is otherwise than before.
FolderModel::Changes FolderModel::take(const std::vector<Group>& groups) {
    Changes changes;
    ++run_;
    for (const Group& g : groups) {
        ShownGroup& shown = shownGroups_[g.key];
        shown.run = run_;
        if (std::exchange(shown.version, g.version) != g.version)
            exchange(shown, g.files(), changes);
    }
    totals_ = {};
    for (auto it = shownGroups_.begin(); it != shownGroups_.end();) {
        const bool here = it->second.run == run_;
        if (here)
            totals_.add(it->second.totals);
        else
            exchange(it->second, {}, changes);
        it = here ? std::next(it) : shownGroups_.erase(it);
    }
    if (known_.size() > static_cast<size_t>(totals_.files) * 2 + 1000) // of other batches
        std::erase_if(known_, [](const auto& entry) { return entry.second.groups == 0; });
    for (auto& [path, c] : changes) {
        if (const size_t place = placeOf(path); isAt(place, path))
            c.now = folders_[place]->files;
        std::sort(c.gone.begin(), c.gone.end());
        std::erase_if(c.now, [&gone = c.gone](const FilePtr& f) {
            return std::binary_search(gone.begin(), gone.end(), f);
        });
        c.now.insert(c.now.end(), c.come.begin(), c.come.end());
        std::sort(c.now.begin(), c.now.end(), byPath);
    }
    return changes;
}

size_t FolderModel::placeOf(std::string_view folder) const {
    return static_cast<size_t>(std::lower_bound(folders_.begin(), folders_.end(), folder,
                                                [](const auto& f, std::string_view path) {
                                                    return ByFolder()(f->path.native(), path);
                                                }) -
                               folders_.begin());
}

/// In runs.
void FolderModel::removeEmptied(const Changes& changes) {
    std::vector<size_t> emptied;
    for (const auto& [path, change] : changes)
        if (const size_t place = placeOf(path); change.now.empty() && isAt(place, path))
            emptied.push_back(place);
    for (size_t end = emptied.size(); end > 0;) {
        size_t first = end - 1;
        while (first > 0 && emptied[first - 1] + 1 == emptied[first])
            --first;
        const size_t from = emptied[first], to = emptied[end - 1] + 1;
        beginRemoveRows({}, static_cast<int>(from), static_cast<int>(to) - 1);
        folders_.erase(folders_.begin() + static_cast<std::ptrdiff_t>(from),
                       folders_.begin() + static_cast<std::ptrdiff_t>(to));
        numberFrom(from);
        endRemoveRows();
        end = first;
    }
}

void FolderModel::setGroups(const std::vector<Group>& groups) {
    Changes changes = take(groups);
    removeEmptied(changes);
    std::erase_if(changes, [](const auto& entry) { return entry.second.now.empty(); });
    std::vector<size_t> fresh;
    for (auto it = changes.begin(); it != changes.end();) {
        const size_t at = placeOf(it->first);
        if (isAt(at, it->first)) {
            fill(at, std::move(it->second.now));
            ++it;
            continue;
        }
        std::vector<std::unique_ptr<Folder>> run; // up to the next that is there
        for (; it != changes.end() &&
               (at == folders_.size() || ByFolder()(it->first, folders_[at]->path.native()));
             ++it) {
            auto folder = std::make_unique<Folder>();
            folder->path = it->first;
            folder->files = std::move(it->second.now);
            fresh.push_back(at + run.size());
            run.push_back(std::move(folder));
        }
        beginInsertRows({}, static_cast<int>(at), static_cast<int>(at + run.size()) - 1);
        folders_.insert(folders_.begin() + static_cast<std::ptrdiff_t>(at),
                        std::make_move_iterator(run.begin()), std::make_move_iterator(run.end()));
        numberFrom(at);
        endInsertRows();
    }
    for (size_t i : fresh)
        fillOthersOf(i);
    for (const auto& f : folders_)
        totals_.along += static_cast<int>(f->others.size());
    nameFolders();
}

void FolderModel::setAlong(std::shared_ptr<const AlongFiles::Folders> along) {
    if (std::exchange(along_, along) == along)
        return;
    totals_.along = 0;
    for (size_t i = 0; i < folders_.size(); ++i) {
        fillOthersOf(i);
        totals_.along += static_cast<int>(folders_[i]->others.size());
    }
}

void FolderModel::fillOthersOf(size_t folder) {
    static const std::vector<files::OtherFile> none;
    const auto others = along_->find(folders_[folder]->path);
    fillOthers(folder, others == along_->end() ? none : others->second);
}

void FolderModel::numberFrom(size_t folder) {
    for (size_t i = folder; i < folders_.size(); ++i)
        folders_[i]->row = static_cast<int>(i);
}

/// Only what is new, or is no more, makes rows come and go.
void FolderModel::fill(size_t folder, std::vector<FilePtr>&& files) {
    Folder& f = *folders_[folder];
    if (f.files == files)
        return;
    const QModelIndex parent = index(static_cast<int>(folder), 0);
    std::vector<FilePtr> before = f.files;
    for (size_t i = before.size(); i-- > 0;)
        if (!std::binary_search(files.begin(), files.end(), before[i], byPath)) {
            beginRemoveRows(parent, static_cast<int>(i), static_cast<int>(i));
            f.files.erase(f.files.begin() + static_cast<std::ptrdiff_t>(i));
            endRemoveRows();
        }
    for (size_t i = 0; i < files.size();) {
        if (i < f.files.size() && f.files[i]->path == files[i]->path) {
            if (f.files[i] != files[i]) {
                f.files[i] = files[i];
                emit dataChanged(index(static_cast<int>(i), 0, parent),
                                 index(static_cast<int>(i), ColumnCount - 1, parent));
            }
            ++i;
            continue;
        }
        size_t end = i + 1; // a run of new ones
        while (end < files.size() && (i == f.files.size() || files[end]->path != f.files[i]->path))
            ++end;
        beginInsertRows(parent, static_cast<int>(i), static_cast<int>(end) - 1);
        f.files.insert(f.files.begin() + static_cast<std::ptrdiff_t>(i),
                       files.begin() + static_cast<std::ptrdiff_t>(i),
                       files.begin() + static_cast<std::ptrdiff_t>(end));
        endInsertRows();
        i = end;
    }
}

void FolderModel::fillOthers(size_t folder, const std::vector<files::OtherFile>& others) {
    Folder& f = *folders_[folder];
    if (f.others == others)
        return;
    const QModelIndex parent = index(static_cast<int>(folder), 0);
    const auto first = static_cast<int>(f.files.size());
    if (!f.others.empty()) {
        beginRemoveRows(parent, first, first + static_cast<int>(f.others.size()) - 1);
        f.others.clear();
        endRemoveRows();
    }
    if (!others.empty()) {
        beginInsertRows(parent, first, first + static_cast<int>(others.size()) - 1);
        f.others = others;
        endInsertRows();
    }
}

/// The part of the paths that all share says nothing.
void FolderModel::nameFolders() {
    if (folders_.empty())
        return;
    // They are in order: what the first and the last share, all share. Only whole parts of it.
    const std::string &first = folders_.front()->path.native(), &last = folders_.back()->path.native();
    size_t common = static_cast<size_t>(
        std::mismatch(first.begin(), first.end(), last.begin(), last.end()).first - first.begin());
    const bool whole =
        (common == first.size() || first[common] == '/') && (common == last.size() || last[common] == '/');
    if (!whole)
        common = first.rfind('/', common);
    if (folders_.size() == 1) // its last two parts
        common = first.rfind('/', std::max<size_t>(first.rfind('/'), 1) - 1);
    const bool others = std::exchange(shared_, common) != common;
    for (const auto& f : folders_) {
        if (!others && f->noted == f->files.size())
            continue;
        const std::string& all = f->path.native();
        f->noted = f->files.size();
        f->note = tr("%n file(s)", "", static_cast<int>(f->noted));
        f->shown = shownPath(common > 0 && common + 1 < all.size() ? Path(all.substr(common + 1)) : f->path);
        if (!others)
            emit dataChanged(index(f->row, Name), index(f->row, Note));
    }
    if (others)
        emit dataChanged(index(0, Name), index(static_cast<int>(folders_.size()) - 1, Note));
}

FilePtr FolderModel::fileAt(const QModelIndex& i) const {
    auto* folder = static_cast<Folder*>(i.internalPointer());
    return i.isValid() && folder && static_cast<size_t>(i.row()) < folder->files.size()
               ? folder->files[static_cast<size_t>(i.row())]
               : nullptr;
}

std::vector<FilePtr> FolderModel::filesAt(const QModelIndex& i) const {
    if (!i.isValid())
        return {};
    FilePtr file = fileAt(i);
    return file                  ? std::vector<FilePtr>{file}
           : i.internalPointer() ? std::vector<FilePtr>{}
                                 : folders_[static_cast<size_t>(i.row())]->files;
}

std::vector<FileId> FolderModel::files() const {
    std::vector<FileId> out;
    for (const auto& folder : folders_)
        for (const FilePtr& f : folder->files)
            out.push_back(f->id);
    return out;
}

QModelIndex FolderModel::index(int row, int column, const QModelIndex& parent) const {
    if (!hasIndex(row, column, parent))
        return {};
    return createIndex(row, column,
                       parent.isValid() ? folders_[static_cast<size_t>(parent.row())].get() : nullptr);
}

QModelIndex FolderModel::parent(const QModelIndex& child) const {
    auto* folder = static_cast<Folder*>(child.internalPointer());
    if (!child.isValid() || !folder)
        return {};
    return createIndex(folder->row, 0, nullptr);
}

int FolderModel::rowCount(const QModelIndex& parent) const {
    if (!parent.isValid())
        return static_cast<int>(folders_.size());
    return parent.internalPointer() || parent.column() > 0
               ? 0
               : static_cast<int>(folders_[static_cast<size_t>(parent.row())]->files.size() +
                                  folders_[static_cast<size_t>(parent.row())]->others.size());
}

Qt::ItemFlags FolderModel::flags(const QModelIndex& i) const {
    if (!i.isValid())
        return Qt::NoItemFlags;
    const Qt::ItemFlags plain = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    const auto* folder = static_cast<const Folder*>(i.internalPointer());
    if (!folder)
        return plain | Qt::ItemIsDragEnabled;
    const bool goesAlong = static_cast<size_t>(i.row()) >= folder->files.size();
    // The tree asks every row, again and again, whether there is more below it.
    return plain | Qt::ItemNeverHasChildren | (goesAlong ? Qt::NoItemFlags : Qt::ItemIsDragEnabled);
}

QStringList FolderModel::mimeTypes() const {
    return {drag::mimeType};
}

QMimeData* FolderModel::mimeData(const QModelIndexList& indexes) const {
    std::set<FileId> ids;
    for (const QModelIndex& i : indexes)
        if (i.column() == Name)
            for (const FilePtr& f : filesAt(i))
                ids.insert(f->id);
    return drag::dataOf({ids.begin(), ids.end()}).release();
}

} // namespace moorfrost::app
