// SPDX-License-Identifier: GPL-3.0-or-later
// Reading from names: the ways in which they can be read, and what one gives for every file before any of it
// is taken. What is in doubt comes first, and is settled by one key.
#pragma once

#include <QDialog>
#include <QListWidget>
#include <QTreeWidget>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/places_controller.h"
#include "app/control/sleeve_views.h"
#include "core/naming/free_reading.h"

class QLabel;

namespace moorfrost::app {

class ChipEditor;

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

    /// `artists`: who else may be meant, such as those of the candidates of a sleeve.
    ReadNamesDialog(const Uses& use, std::vector<FileId> files, QWidget* parent = nullptr,
                    const std::vector<std::string>& artists = {});
    void setPlan(const QString& plan);
    QPushButton* takeButton() { return take_; }
    QTreeWidget* results() { return tree_; }
    QListWidget* ways() { return ways_; }
    /// Of a row: the first reading, the other one, or neither; then on to the next that is in doubt.
    void settle(QTreeWidgetItem* item, int which);
    /// Whether the results are those of the plan as it stands.
    bool isRead() const { return shownRun_ == run_; }
    /// The plans are measured.
    bool isSuggested() const { return suggested_; }

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    /// What a reading needs, and what it gives: worked out in a job.
    struct Reading;
    void readAgain();
    void suggest();
    void showWays(const std::vector<naming::PlanSuggestion>& plans);
    void choose(int way);
    /// The way that is shown is the current one of the list.
    void markWay();
    void showRow(QTreeWidgetItem* item);
    void showReading(const Reading& reading);
    void take();
    void countTicked();

    Uses use_;
    std::vector<FileId> files_;
    struct Artists;
    std::shared_ptr<Artists> artists_;
    std::vector<naming::NameReading> readings_;
    int run_ = 0, shownRun_ = 0; // only the answer to the last plan is shown
    bool freely_ = true;         // each folder as its names are best read
    bool suggested_ = false;
    std::vector<std::string> keys_; // of the columns
    ChipEditor* editor_;
    QLabel* each_;
    QListWidget* ways_;
    QTreeWidget* tree_;
    QLabel *error_, *summary_;
    QPushButton* take_;
};

} // namespace moorfrost::app
