// SPDX-License-Identifier: GPL-3.0-or-later
// Put away, for files that are on shelves already: those whose names no longer fit the plan of their shelf,
// or those that were chosen.
#pragma once

#include <QDialog>

#include "app/bench/put_away_page.h"
#include "app/control/library_index.h"

namespace moorfrost::app {

class ShortLabel;

class MisplacedDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        LibraryAccess& library;
        LibraryIndex& index;
        PutAwayPage::Uses page;
    };
    /// `chosen`: these and no others; none: what is misplaced on a shelf.
    MisplacedDialog(const Uses& use, const std::vector<FileId>& chosen, QWidget* parent = nullptr);
    PutAwayPage* page() { return page_; }
    QString told() const;

signals:
    void reviewWanted();

private:
    /// On the shelf that is chosen, by the plan as it is typed.
    void look();
    void take(const std::vector<FileId>& files, const QString& told);

    Uses use_;
    ShortLabel* told_;
    PutAwayPage* page_;
    QTimer soon_{this};
    std::pair<int64_t, std::string> looked_; // shelf and plan
    int run_ = 0;
};

} // namespace moorfrost::app
