// SPDX-License-Identifier: GPL-3.0-or-later
// The folders of a shelf as they will be, with the files in them and where each is now: all, or those that
// are asked for.
#pragma once

#include <QAbstractItemModel>

#include <functional>
#include <optional>
#include <unordered_map>

#include "app/bench/places/placed_files.h"

namespace moorfrost::app {

class PlacesModel : public QAbstractItemModel {
    Q_OBJECT
public:
    enum Column { Future, Present, Columns };
    enum Role {
        PillsRole = Qt::UserRole + 1, // list of "tone|text"
        DraftRole,                    // a move of it is drafted
    };
    struct Shown {
        PlacedFiles::Kind kind = PlacedFiles::All;
        std::vector<std::string> words; // folded
        bool operator==(const Shown&) const = default;
    };
    /// `isDrafted`: a move of the file is.
    PlacesModel(std::function<bool(int64_t)> isDrafted, QObject* parent = nullptr);

    void show(std::shared_ptr<const PlacedFiles> placed, const QString& shelfName, const Shown& shown);
    /// Names that these will have, shown in place of those of `placed()` until it is shown anew; parts of
    /// their places, by the file.
    void preview(std::unordered_map<size_t, std::vector<std::string>> parts);
    const PlacedFiles& placed() const { return *placed_; }
    const std::shared_ptr<const PlacedFiles>& shared() const { return placed_; }
    /// Of `placed()`; nullopt for a folder.
    std::optional<size_t> fileAt(const QModelIndex& index) const;
    QModelIndex indexOf(size_t file) const;
    /// A file in the folder.
    std::vector<size_t> likeOf(const QModelIndex& folder) const;
    /// All files in the folder, or the file itself.
    std::vector<size_t> filesBelow(const QModelIndex& index) const;
    int files() const { return static_cast<int>(nodeOf_.size()); }

    QModelIndex index(int row, int column, const QModelIndex& parent = {}) const override;
    QModelIndex parent(const QModelIndex& index) const override;
    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex&) const override { return Columns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    struct Node {
        int parent = -1; // 0: the root, which is not shown
        int row = 0;
        int file = -1; // -1: a folder
        int like = -1; // of a folder: a file in it
        int depth = 0; // of a folder: parts of its name below the shelf
        std::vector<int> children = {};
    };
    int add(int parent, Node node);
    /// Of a place, as it is or will be; empty: there is none.
    const std::vector<std::string>& partsOf(int file) const;
    QString nameOf(int file) const;
    QVariant ofFolder(const Node& node, const QModelIndex& index, int role) const;
    QVariant ofFile(const Node& node, const QModelIndex& index, int role) const;

    std::function<bool(int64_t)> isDrafted_;
    std::shared_ptr<const PlacedFiles> placed_ = std::make_shared<PlacedFiles>();
    QString shelfName_;
    std::vector<Node> nodes_{Node{}};
    std::unordered_map<size_t, int> nodeOf_;
    std::unordered_map<size_t, std::vector<std::string>> preview_;
};

} // namespace moorfrost::app
