// SPDX-License-Identifier: GPL-3.0-or-later
// Review: every draft and every move, what will be beside what is, with its origin; each can be dropped.
// After a write it says how each file fared.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QTreeWidget>

#include <set>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/journal_controller.h"
#include "app/control/pictures_controller.h"
#include "app/control/places_controller.h"
#include "app/control/shelves_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/writing_controller.h"

class QStackedWidget;

namespace moorfrost::app {

class ShortLabel;

class EmptyHint;

class ReviewPage : public QWidget {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        ShelvesController& shelves;
        JournalController& journal;
        PlacesController& places;
        SleeveViews& sleeves;
        WritingController& writing;
        PicturesController& pictures;
    };

    ReviewPage(const Uses& use, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    void dropChosen();
    QPushButton* retryButton() { return retry_; }
    QPushButton* readAgainButton() { return readAgain_; }
    QPushButton* allNamesButton() { return allNames_; }
    QPushButton* thisNameButton() { return thisName_; }
    QPushButton* evenDamagedButton() { return evenDamaged_; }
    QPushButton* takeBackTheseButton() { return takeBackThese_; }
    QPushButton* showFolderButton() { return showFolder_; }
    QString bannerText() const { return banner_->text(); }

protected:
    void showEvent(QShowEvent* event) override;

private:
    enum Column { What, Future, Present, Origin };

    void refresh();
    void showDrafts();
    std::vector<FilePtr> inReadingOrder() const;
    // What was written (review_report.cpp).
    void showReport();
    QTreeWidgetItem* reportRow(const files::StepRecord& step);
    /// Of what is chosen, those that were done, by their numbers in the set.
    std::set<size_t> chosenSteps() const;
    /// Of what is chosen; empty: of nothing, or of several.
    Path chosenFolder() const;
    void showFolder();
    void tellChosen();
    void setBanner(const QString& text, const char* look);

    Uses use_;
    QLabel *title_, *banner_;
    ShortLabel* note_;
    QPushButton *drop_, *dropAll_, *takeBack_, *back_, *retry_, *readAgain_, *allNames_, *thisName_,
        *evenDamaged_, *showFolder_, *takeBackThese_;
    QTreeWidget* tree_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    QTimer timer_{this};
    bool isOld_ = true; // something has changed since it was filled
};

} // namespace moorfrost::app
