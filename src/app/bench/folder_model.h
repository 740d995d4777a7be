// SPDX-License-Identifier: GPL-3.0-or-later
// Files under their folders, and what was found on reading them. Files may come while it is looked at: what
// is there stays where it is.
#pragma once

#include <QAbstractItemModel>

#include <functional>
#include <map>
#include <unordered_map>

#include "app/control/along_files.h"
#include "app/control/content_kinds.h"
#include "app/control/duplicates.h"
#include "app/control/shelves_controller.h"
#include "app/widgets/paint.h"

namespace moorfrost::app {

class FolderModel : public QAbstractItemModel {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        ShelvesController& shelves;
        ContentKinds& kinds;
        Duplicates& duplicates;
    };

    enum Column { Name, Length, Kind, Size, Note, ColumnCount };

    struct Totals {
        int files = 0, along = 0, wrong = 0, attention = 0, untagged = 0;
        uint64_t bytes = 0;
        std::map<std::string, int> formats;
        void add(const Totals& more);
    };
    /// Files that come and go together: a sleeve. Of one whose version was shown before nothing is looked at.
    struct Group {
        std::string key;
        uint64_t version = 0; // not 0
        std::function<std::vector<FilePtr>()> files;
    };

    explicit FolderModel(const Uses& use, QObject* parent = nullptr);

    /// Costs little where little is new. (A file on its way from one group to another may be in both; it is
    /// shown once.)
    void setGroups(const std::vector<Group>& groups);
    /// What is in their folders beside them; never nullptr.
    void setAlong(std::shared_ptr<const AlongFiles::Folders> along);
    const Totals& totals() const { return totals_; }
    /// nullptr for folders and for what goes along.
    FilePtr fileAt(const QModelIndex& index) const;
    /// Itself, or all of the folder.
    std::vector<FilePtr> filesAt(const QModelIndex& index) const;

    /// All that are shown, folder by folder.
    std::vector<FileId> files() const;

    QModelIndex index(int row, int column, const QModelIndex& parent = {}) const override;
    QModelIndex parent(const QModelIndex& child) const override;
    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& = {}) const override { return ColumnCount; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QStringList mimeTypes() const override;
    QMimeData* mimeData(const QModelIndexList& indexes) const override;

private:
    struct Folder {
        Path path;
        int row = 0;
        QString shown, note;
        size_t noted = SIZE_MAX;                   // how many files the note tells of
        std::vector<FilePtr> files = {};           // by path
        std::vector<files::OtherFile> others = {}; // behind them
    };
    struct Finding {
        paint::Tone tone = paint::Tone::Neutral;
        QString text;
    };
    struct Known {
        FilePtr of;
        Finding finding;
        size_t groups = 0; // that it is shown in
    };
    struct ShownGroup {
        uint64_t version = 0;
        uint32_t run = 0;                // of setGroups(), that it was last given to
        std::vector<FilePtr> files = {}; // in the order of their addresses
        Totals totals = {};
    };
    /// What becomes otherwise in a folder. Keys are of the paths of the files.
    struct Change {
        std::vector<FilePtr> come, gone;
        std::vector<FilePtr> now = {}; // all that will be there
    };
    struct ByFolder { // orders folders as paths are ordered, part by part, without taking them apart
        bool operator()(std::string_view a, std::string_view b) const;
    };
    using Changes = std::map<std::string_view, Change, ByFolder>;

    Changes take(const std::vector<Group>& groups);
    /// `files`: what the group has now.
    void exchange(ShownGroup& group, std::vector<FilePtr>&& files, Changes& changes);
    Totals totalsOf(const std::vector<FilePtr>& files) const;
    /// The folder, or the place where it belongs.
    size_t placeOf(std::string_view folder) const;
    bool isAt(size_t place, std::string_view folder) const {
        return place < folders_.size() && folders_[place]->path.native() == folder;
    }
    void fillOthersOf(size_t folder);
    void removeEmptied(const Changes& changes);
    void fill(size_t folder, std::vector<FilePtr>&& files);
    void fillOthers(size_t folder, const std::vector<files::OtherFile>& others);
    void nameFolders();
    static Finding find(const FilePtr& file);
    QString kindOf(const library::FileRecord& file) const;
    QString noteOf(const library::FileRecord& file, const Finding& finding) const;
    static QVariant otherData(const files::OtherFile& file, int column, int role);
    QVariant fileData(const library::FileRecord& file, int column, int role) const;

    Uses use_;
    void numberFrom(size_t folder);
    std::vector<std::unique_ptr<Folder>> folders_; // by path (ByFolder)
    size_t shared_ = 0;                            // how much of their paths is not shown
    std::unordered_map<const library::FileRecord*, Known> known_;
    std::unordered_map<std::string, ShownGroup> shownGroups_;
    std::shared_ptr<const AlongFiles::Folders> along_ = std::make_shared<AlongFiles::Folders>();
    uint32_t run_ = 0;
    Totals totals_;
};

} // namespace moorfrost::app
