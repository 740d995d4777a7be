// SPDX-License-Identifier: GPL-3.0-or-later
// Checking files: their sound against what was stored, whether they decode, whole files against a list of
// checksums. The work is a job on the shelf and goes on when this window is closed; a report can be saved.
#pragma once

#include <QDialog>
#include <QPointer>
#include <QTreeWidget>

#include "app/control/job_list.h"
#include "app/control/library_access.h"
#include "app/control/messages.h"
#include "core/library/file_check.h"

class QButtonGroup;
class QCheckBox;
class QLabel;
class QProgressBar;
class QPushButton;

namespace moorfrost::app {

class CheckFilesDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        Messages& messages;
        JobList& jobs;
        LibraryAccess& library;
    };

    enum Kind { Fixity, Decoding, CheckList, WriteList };

    /// `where`: what the files are, for people ("the batch", "3 selected files").
    CheckFilesDialog(const Uses& use, std::vector<Path> files, const QString& where,
                     QWidget* parent = nullptr);
    ~CheckFilesDialog() override;

    bool isRunning() const { return running_; }
    /// Shows the last one again, where it was closed before it was done or its results were seen.
    static bool showAgain(const QPointer<CheckFilesDialog>& last);
    /// Whether it has ended while the window was closed.
    bool hasUnseen() const { return unseen_; }
    void choose(Kind kind);
    /// Starts the chosen check; `list` and `folder` where it needs them.
    void start(const Path& list = {}, const Path& folder = {});
    QTreeWidget* results() { return tree_; }
    QLabel* summary() { return summary_; }
    /// CSV, or a page if the name ends in .html.
    void saveReport(const Path& file);
    QPushButton* startButton() { return start_; }
    QPushButton* stopButton() { return stop_; }

protected:
    void showEvent(QShowEvent* event) override;

private:
    struct Shared;
    void startAsked();
    void askAndSave();
    void takeNews();
    void addRow(const library::CheckedFile& file);
    void ended();

    Uses use_;
    std::vector<Path> files_;
    QButtonGroup* kinds_;
    QCheckBox *onlyTrouble_, *storeNew_;
    QTreeWidget* tree_;
    QProgressBar* bar_;
    QLabel *rate_, *summary_;
    QPushButton *start_, *stop_, *save_;
    QTimer timer_;
    std::shared_ptr<Shared> shared_;
    std::vector<library::CheckedFile> found_;
    QString title_;
    bool running_ = false, unseen_ = false;
};

} // namespace moorfrost::app
