// SPDX-License-Identifier: GPL-3.0-or-later
// Beside a work: what is missing, where sources disagree, agreements, its recordings.
#pragma once

#include <QFrame>
#include <QLabel>
#include <QPushButton>

#include "app/control/people_controller.h"

class QVBoxLayout;

namespace moorfrost::app {

class WorkSide : public QFrame {
    Q_OBJECT
public:
    explicit WorkSide(QWidget* parent = nullptr);
    /// `entry`: of the list; nullptr: not there yet.
    void show(const library::CardView& view, const library::WorkEntry* entry,
              const PeopleController::List& people);
    /// All text, for tests.
    QString text() const;

signals:
    void gapChosen(const moorfrost::library::Gap& gap);
    void settled(const moorfrost::library::Claim& claim, bool take);
    void recordingWanted(moorfrost::library::FileId file);

private:
    void caption(const QString& text);
    QLabel* line(const QString& html);
    void showGaps(const library::WorkEntry* entry);
    void showClaims(const library::CardView& view, const PeopleController::List& people);
    void showRecordings(const library::CardView& view);

    QVBoxLayout* rows_;
};

} // namespace moorfrost::app
