// SPDX-License-Identifier: GPL-3.0-or-later
// The tree of the future: the folders of a shelf as they will be, with where each file is now and what stands
// against it; all of it, or what is of one kind.
#pragma once

#include <QTreeWidget>

#include <functional>

#include "core/library/records.h"
#include "core/naming/put_away.h"

namespace moorfrost::app {

class PlacesTree : public QTreeWidget {
    Q_OBJECT
public:
    enum Kind {
        All = 0,
        Moving = 1,
        IntoNewFolder = 2,
        OutOfEmptied = 4, // its folder becomes empty, and goes
        Splitting = 8,
        WithGap = 16,
        Problem = 32,
    };

    explicit PlacesTree(QWidget* parent = nullptr);
    /// `isDrafted`: a move of the file is drafted.
    void show(const naming::PutAwayResult& result, const QString& shelfName, const Path& shelf,
              const std::function<bool(library::FileId)>& isDrafted);
    /// Only files of this kind, with their folders; the first of them is in sight.
    void filter(Kind kind);
    Kind kind() const { return kind_; }
    /// Files that are shown now.
    int rows() const;

private:
    void hideOthers();

    Kind kind_ = All;
};

} // namespace moorfrost::app
