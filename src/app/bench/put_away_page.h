// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Put away: the shelf, the plan, and the tree as it will be with where each file is now; what stands
// against a file is told beside it, and mended there.
#pragma once

#include <QPushButton>

#include <map>

#include "app/bench/places/place_tools.h"
#include "app/bench/places/places_tree.h"
#include "app/bench/places/trouble_box.h"
#include "app/control/places_controller.h"

class QLabel;
class QStackedWidget;

namespace moorfrost::app {

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
        const bench::Batch& batch;
    };

    PutAwayPage(const Uses& use, QWidget* parent = nullptr);
    void setFiles(std::vector<FileId> files);
    PlaceTools* tools() { return tools_; }
    ChipEditor* editor() { return tools_->editor(); }
    PlacesTree* tree() { return tree_; }
    TroubleBox* troubles() { return troubles_; }
    /// Tells how many files are of this kind, and shows them alone.
    QPushButton* countButton(PlacesTree::Kind kind);
    QPushButton* draftButton() { return draft_; }
    void addShelf() { tools_->addShelf(); }
    bool isPlanned() const { return planned_; }
    /// What is to be done with these where they clash.
    void choose(placing::OnClash choice, const std::vector<FileId>& files);

signals:
    /// The field of these files is to be seen in the sheet.
    void describeWanted(const std::string& key, const std::vector<moorfrost::app::FileId>& files);

private:
    QWidget* counts();
    void connectAll();
    bench::PlaceWish wishOf(FileId file) const;
    bool isDrafted(FileId file) const;
    void soon();
    /// Moves that are drafted already follow the plan.
    void adjust();
    void planAgain();
    /// Of very many files: names of those in sight at once, before all are planned.
    void preview();
    void show(std::shared_ptr<const PlacedFiles> placed);
    void showCounts();
    void tellTroubles();
    void filter(PlacesTree::Kind kind);
    void draftMoves();
    void dropMoves();

    Uses use_;
    std::vector<FileId> files_;
    std::map<FileId, placing::OnClash> choices_;
    PlaceTools* tools_;
    PlacesTree* tree_;
    TroubleBox* troubles_;
    QWidget* side_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QPushButton *draft_, *drop_;
    struct Count {
        PlacesTree::Kind kind;
        QPushButton* button;
    };
    std::vector<Count> counts_;
    QLabel* trouble_; // of the shelf as a whole
    QTimer timer_{this};
    int run_ = 0, previewRun_ = 0;
    bool planned_ = false;
    bool draftThen_ = false; // as soon as it is planned
};

} // namespace moorfrost::app
