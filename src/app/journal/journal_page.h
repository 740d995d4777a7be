// SPDX-License-Identifier: GPL-3.0-or-later
// The journal: everything that was written to files or changed in what the library keeps, and taking it back.
#pragma once

#include <QListWidget>
#include <QPushButton>
#include <QTreeWidget>

#include "app/control/journal_controller.h"
#include "app/control/kept_changes.h"
#include "app/control/pictures_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/writing_controller.h"

class QLabel;
class QStackedWidget;

namespace moorfrost::app {

class JournalPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        ShelvesController& shelves;
        JournalController& journal;
        WritingController& writing;
        KeptChanges& kept;
        PicturesController& pictures;
    };

    JournalPage(const Uses& use, QWidget* parent = nullptr);
    QListWidget* sets() { return list_; }
    QTreeWidget* files() { return tree_; }
    QPushButton* takeBackButton() { return takeBack_; }

private:
    void refill();
    void readSteps();
    void showSteps(std::vector<library::SetStep> steps);
    void showParts(const library::LibraryChange& change, const std::vector<library::ChangePart>& parts);
    void takeBack(bool onlyChosen);
    const JournalEntry* chosen() const;

    Uses use_;
    QListWidget* list_;
    QTreeWidget* tree_;
    QStackedWidget* stack_;
    QLabel *title_, *note_;
    QPushButton *takeBack_, *takeBackChosen_;
    std::pair<JournalEntry::Kind, int64_t> shown_{JournalEntry::Written, 0};
};

} // namespace moorfrost::app
