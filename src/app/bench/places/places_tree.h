// SPDX-License-Identifier: GPL-3.0-or-later
// The tree of the future: the folders of a shelf as they will be, with where each file is now and what stands
// against it; all of it, or what is of one kind, or has some words.
#pragma once

#include <QTreeView>

#include "app/bench/places/places_model.h"

namespace moorfrost::app {

class PlacesTree : public QTreeView {
    Q_OBJECT
public:
    using Kind = PlacedFiles::Kind;

    /// `isDrafted`: a move of the file is.
    explicit PlacesTree(std::function<bool(int64_t)> isDrafted, QWidget* parent = nullptr);
    /// What was chosen stays chosen, where it is still there.
    void setPlaced(std::shared_ptr<const PlacedFiles> placed, const QString& shelfName);
    const PlacedFiles& placed() const { return model_->placed(); }
    /// Files that are in sight now, and one of each folder that is.
    std::vector<size_t> inSight() const;
    /// PlacesModel::preview.
    void preview(std::unordered_map<size_t, std::vector<std::string>> parts);
    /// Only files of this kind, with their folders; the first of them is in sight.
    void filter(Kind kind);
    Kind kind() const { return shown_.kind; }
    /// Only files in whose names, now or then, are all these words.
    void search(const QString& words);
    /// Files that are shown now.
    int rows() const { return model_->files(); }
    /// Files that are chosen, themselves or by their folder.
    std::vector<size_t> chosen() const;
    /// Chooses this one file, and brings it into sight. False where it is not shown.
    bool choose(size_t file);

signals:
    void chosenChanged();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void list();
    /// The place where a file is now keeps a part of the room, however narrow it is.
    void fit();

    PlacesModel* model_;
    QString shelfName_;
    PlacesModel::Shown shown_;
    int wanted_ = 400; // pixels of the first column, where there is room
    bool fitting_ = false;
};

} // namespace moorfrost::app
