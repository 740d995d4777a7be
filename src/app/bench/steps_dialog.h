// SPDX-License-Identifier: GPL-3.0-or-later
// Steps put in a row, and what they would make of the chosen files: shown before anything is taken. A row of
// steps can be kept as a chain.
#pragma once

#include <QDialog>
#include <QTimer>

#include "app/bench/proposal_model.h"
#include "app/bench/step_form.h"
#include "app/control/chains.h"
#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/places_controller.h"

class QLabel;
class QTreeView;
class QVBoxLayout;

namespace moorfrost::app {

class StepsDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        FilesController& files;
        DraftsController& drafts;
        CustomFields& customFields;
        Chains& chains;
    };

    /// `files` in the order in which they are numbered; the first is the one that "copy from the first file"
    /// means.
    StepsDialog(const Uses& use, const std::vector<FileId>& files, edits::Chain chain,
                QWidget* parent = nullptr);

    edits::Chain chain() const;
    void setChain(edits::Chain chain);
    const ProposalModel& model() const { return *model_; }
    /// What is shown is what the steps make.
    bool isCurrent() const { return shownRun_ == run_ && !soon_.isActive(); }
    QPushButton* takeButton() { return take_; }
    /// Asked for a name unless it is given.
    void keepAs(QString name = {});

private:
    struct Run {
        edits::Chain chain;
        Result<edits::Outcome> outcome = edits::Outcome{};
    };
    void addStep(const edits::Step& step);
    void rebuild(const std::vector<edits::Step>& steps);
    void placeForms();
    void tryAgain();
    void work();
    void showRun(const Run& run);
    void count();
    void take();
    void fillChains();
    void openFile();
    void saveFile();
    QMenu* kindsMenu();

    Uses use_;
    std::shared_ptr<const std::vector<edits::Subject>> subjects_;
    std::string name_;
    std::vector<StepForm*> forms_;
    std::vector<std::string> keys_;
    QVBoxLayout* list_;
    QPushButton *chains_, *take_;
    QLabel *caption_, *error_, *summary_;
    ProposalModel* model_;
    QTreeView* table_;
    QTimer soon_;
    int run_ = 0, shownRun_ = -1;
    work::JobId job_ = 0;
    size_t refused_ = 0;
};

} // namespace moorfrost::app
