// SPDX-License-Identifier: GPL-3.0-or-later
// Bench / Identify: the releases that a sleeve may be side by side, and which file is which of their tracks.
// With no sleeve, or several, chosen: all of the batch.
#pragma once

#include <QWidget>

#include "app/control/release_pictures.h"
#include "app/control/stray_identifier.h"
#include "app/widgets/controls.h"

class QCheckBox;
class QLineEdit;
class QStackedWidget;
class QTreeWidget;

namespace moorfrost::app {

class ComparisonTable;
class IdentifyOverview;
class LineUpTable;
class ReleasePicturesView;
class StrayList;

class IdentifyPage : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        SleeveViews& sleeves;
        ReferencesController& references;
        IdentifyController& identify;
        StrayIdentifier& strays;
        ReleasePictures& releasePictures;
    };
    explicit IdentifyPage(const Uses& use, QWidget* parent = nullptr);
    /// Keys of the sleeves that are chosen ("": the strays); all of the batch where there are none or
    /// several.
    void setSleeves(const std::vector<std::string>& keys);
    LineUpTable* lineUp() { return lineUp_; }
    ComparisonTable* candidates() { return candidates_; }
    QTreeWidget* changes() { return changes_; }
    QPushButton* showChanges() { return showChanges_; }
    IdentifyOverview* overview() { return overview_; }
    StrayList* strays() { return strays_; }
    ReleasePicturesView* pictures() { return pictures_; }
    /// Those of the release; looked up first where nothing is known of it.
    void goToPictures();
    QPushButton* showPictures() { return showPictures_; }
    void lookUp();
    void lookUpAll();
    void lookUpBySound();
    void take();
    void editRules();

signals:
    void playRequested(moorfrost::app::FileId id);
    void sleeveWanted(const std::string& key);
    void filesWanted();

protected:
    void showEvent(QShowEvent* event) override;

private:
    void find();
    void refresh();
    void refreshCandidates(const SleeveAnswer& answer);
    void refreshChanges();
    void fillWords();

    Uses use_;
    std::string sleeve_; // "": none
    QLineEdit *artist_, *album_, *code_;
    QPushButton *find_, *look_, *listen_, *take_, *rules_, *showSeats_, *showChanges_, *showPictures_;
    QStackedWidget *stack_, *work_, *below_;
    ComparisonTable* candidates_;
    QCheckBox *onlyDifferent_, *reasons_;
    ShortLabel *found_, *seated_;
    EmptyHint* nothing_;
    LineUpTable* lineUp_;
    QTreeWidget* changes_;
    IdentifyController::Left left_; // unticked in it
    std::string leftOf_;            // the sleeve and release that it is about
    IdentifyOverview* overview_;
    StrayList* strays_;
    ReleasePicturesView* pictures_;
    QLabel* trouble_;
};

} // namespace moorfrost::app
