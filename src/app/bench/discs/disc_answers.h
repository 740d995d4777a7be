// SPDX-License-Identifier: GPL-3.0-or-later
// What the references say of a disc, side by side with what it says itself; one of them is chosen.
#pragma once

#include <QWidget>

#include "app/control/discs_controller.h"

class QLabel;

namespace moorfrost::app {

class ComparisonTable;

class DiscAnswers : public QWidget {
    Q_OBJECT
public:
    explicit DiscAnswers(DiscsController& discs, QWidget* parent = nullptr);
    /// Hidden where there are none. 0: no disc.
    void setDisc(int number);
    ComparisonTable* table() { return table_; }
    /// How many there are, and by what they were found.
    QString found() const;

private:
    void fill(const DiscsController::Disc& disc);

    DiscsController& discs_;
    int disc_ = 0;
    std::vector<std::pair<int, std::string>> picks_; // of each row: the track (-1: the disc) and the field
    QLabel* found_;
    ComparisonTable* table_;
};

} // namespace moorfrost::app
