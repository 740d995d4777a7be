// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Put away: the shelf, the plan, and the tree as it will be with where each file is now.
#pragma once

#include <QPushButton>

#include "app/bench/places_tree.h"
#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_settings.h"
#include "app/control/places_controller.h"
#include "app/control/shelves_controller.h"

class QCheckBox;
class QLabel;
class QStackedWidget;

namespace moorfrost::app {

class ChipEditor;
class Choice;
class EmptyHint;

class PutAwayPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        ShelvesController& shelves;
        CustomFields& customFields;
        PlacesController& places;
    };

    PutAwayPage(const Uses& use, QWidget* parent = nullptr);
    void setFiles(std::vector<FileId> files);
    ChipEditor* editor() { return editor_; }
    PlacesTree* tree() { return tree_; }
    /// Tells how many files are of this kind, and shows them alone.
    QPushButton* countButton(PlacesTree::Kind kind);
    QPushButton* draftButton() { return draft_; }
    void addShelf();
    bool isPlanned() const { return planned_; }

private:
    bench::PlaceWish wish() const;
    void refreshShelves();
    void refreshPlans();
    void planAgain();
    void show(const naming::PutAwayResult& result);
    void showCounts();
    void filter(PlacesTree::Kind kind);
    void draftMoves();
    void dropMoves();
    void savePlan();

    Uses use_;
    std::vector<FileId> files_;
    Choice *shelf_, *plan_;
    QPushButton *move_, *copy_, *draft_, *drop_;
    QCheckBox *along_, *tidy_;
    ChipEditor* editor_;
    QLabel* error_;
    PlacesTree* tree_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    struct Count {
        PlacesTree::Kind kind;
        QPushButton* button;
    };
    std::vector<Count> counts_;
    QLabel* trouble_; // of the shelf as a whole
    naming::PutAwayResult result_;
    QTimer timer_{this};
    int run_ = 0;
    bool planned_ = false;
};

} // namespace moorfrost::app
