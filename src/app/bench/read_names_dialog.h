// SPDX-License-Identifier: GPL-3.0-or-later
// Reading from names: a plan, and what it gives for every file before any of it is taken.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/places_controller.h"
#include "app/control/sleeve_views.h"
#include "core/naming/read_names.h"

class QLabel;

namespace moorfrost::app {

class ChipEditor;
class Choice;

class ReadNamesDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        LibrarySettings& settings;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        CustomFields& customFields;
        SleeveViews& sleeves;
    };

    ReadNamesDialog(const Uses& use, std::vector<FileId> files, QWidget* parent = nullptr);
    void setPlan(const QString& plan);
    QPushButton* takeButton() { return take_; }
    QTreeWidget* results() { return tree_; }
    /// Whether the results are those of the plan as it stands.
    bool isRead() const { return shownRun_ == run_; }

private:
    /// What a reading needs, and what it gives: worked out in a job.
    struct Reading;
    void readAgain();
    void showReading(const Reading& reading);
    void take();
    void countTicked();

    Uses use_;
    std::vector<FileId> files_;
    struct Artists;
    std::shared_ptr<Artists> artists_;
    std::vector<naming::NameReading> readings_;
    int run_ = 0, shownRun_ = 0; // only the answer to the last plan is shown
    ChipEditor* editor_;
    Choice* plans_;
    QTreeWidget* tree_;
    QLabel *error_, *summary_;
    QPushButton* take_;
};

} // namespace moorfrost::app
