// SPDX-License-Identifier: GPL-3.0-or-later
// Audit: what is wrong in the whole library. The rules with their counts on the left, the findings in the
// middle, the chosen one with its evidence and its fix on the right.
#pragma once

#include <QLineEdit>
#include <QListView>
#include <QPushButton>
#include <QStackedWidget>
#include <QWidget>

#include <array>

#include "app/audit/course_plot.h"
#include "app/audit/facet_row.h"
#include "app/audit/finding_box.h"
#include "app/audit/findings_model.h"
#include "app/audit/fixity_view.h"
#include "app/audit/rules_list.h"
#include "app/codes/codes_view.h"

namespace moorfrost::app {

class AuditPage : public QWidget {
    Q_OBJECT
public:
    enum Part { FindingsPart, CodesPart, FixityPart };
    struct Uses {
        AuditController& audit;
        CodesController& codes;
        FixityController& fixity;
        SoundPanel::Uses sound;
    };
    explicit AuditPage(const Uses& use, QWidget* parent = nullptr);
    void showPart(Part part);
    Part part() const { return static_cast<Part>(parts_->currentIndex()); }
    QPushButton* partButton(Part part) { return partButtons_[part]; }
    CodesView* codes() { return codesView_; }
    FixityView* fixity() { return fixityView_; }
    RulesList* rules() { return rules_; }
    RuleBox* ruleBox() { return rule_; }
    QListView* list() { return list_; }
    FindingsModel* model() { return model_; }
    FindingBox* box() { return box_; }
    CoursePlot* plot() { return plot_; }
    QLineEdit* search() { return search_; }
    FacetRow* facets() { return facets_; }
    QPushButton* weightButton(int at) { return weights_[static_cast<size_t>(at)]; } // 0: all
    QPushButton* takeButton() { return take_; }
    QPushButton* takeAllButton() { return takeAll_; }
    QPushButton* leaveButton() { return leave_; }
    QString told() const { return told_->text(); }
    QString course() const { return was_->text(); }
    void takeKeyboard();
    /// Those that are chosen.
    void takeFixes();
    void leave(const std::string& reason);
    /// Those that are shown and have a fix, after a look at them.
    void takeAll();

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

signals:
    void libraryWanted(moorfrost::library::FileId file);
    void playWanted(moorfrost::library::FileId file, double seconds);
    void stopWanted();

private:
    QWidget* partChoice();
    QWidget* left();
    QWidget* middle();
    QWidget* right();
    void refresh();
    void filter();
    /// What is listed now, with what is chosen of it as before.
    void showList();
    void sayNothing();
    void tellCounts();
    void showChosen();
    void askToLeave();
    std::vector<size_t> chosen() const;

    AuditController& audit_;
    CodesController& codes_;
    SoundPanel::Uses soundUses_;
    std::array<QPushButton*, 3> partButtons_;
    QStackedWidget* parts_;
    CodesView* codesView_;
    FixityView* fixityView_;
    RulesList* rules_;
    RuleBox* rule_;
    CoursePlot* plot_;
    QLineEdit* search_;
    std::array<QPushButton*, 4> weights_;
    int weight_ = 0;
    FacetRow* facets_;
    library::FindingFilter shown_; // of the rows
    FindingsModel* model_;
    QListView* list_;
    QStackedWidget* stack_;
    EmptyHint* empty_;
    FindingBox* box_;
    ShortLabel *told_, *was_;
    QLabel* count_;
    QPushButton *take_, *takeAll_, *leave_, *show_;
};

} // namespace moorfrost::app
