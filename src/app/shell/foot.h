// SPDX-License-Identifier: GPL-3.0-or-later
// The foot of the window, in every workspace: the player on the left, the draft bar on the right; above it
// the job shelf.
#pragma once

#include <QFrame>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QToolButton>

#include "app/control/batch_controller.h"
#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/peaks.h"
#include "app/control/places_controller.h"
#include "app/control/writing_controller.h"
#include "app/listen/player_bar.h"

namespace moorfrost::app {

class ShortLabel;

class Foot : public QFrame {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        FilesController& files;
        DraftsController& drafts;
        BatchController& batch;
        PlacesController& places;
        WritingController& writing;
        Peaks& peaks;
        PlayQueue& queue;
        Player& player;
    };

    explicit Foot(const Uses& use, QWidget* parent = nullptr);
    PlayerBar* playerBar() { return bar_; }
    QPushButton* reviewButton() { return review_; }
    QPushButton* writeButton() { return write_; }
    /// On the review page the button writes; elsewhere it leads there.
    void setReviewing(bool on);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void showDrafts();

    Uses use_;
    PlayerBar* bar_;
    QLabel *drafts_, *moves_;
    QPushButton *review_, *write_;
    bool reviewing_ = false;
};

/// One line a job: what, how far, how fast, how long still, Stop. Below them what went wrong, with Retry.
class JobShelf : public QFrame {
    Q_OBJECT
public:
    explicit JobShelf(JobList& jobs, QWidget* parent = nullptr);
    QPushButton* retryButton() { return retry_; }
    QString troubleText() const;

signals:
    void lookWanted();

private:
    struct Row {
        work::JobId job; // that Stop is for
        QWidget* box;
        QLabel *title, *detail;
        QProgressBar* bar;
        QPushButton* stop;
    };
    void refresh();
    JobList& jobs_;
    std::vector<Row> rows_;
    QWidget* trouble_;
    QLabel* troubleTitle_;
    ShortLabel* troubleDetail_;
    QPushButton *look_, *retry_;
};

} // namespace moorfrost::app
