// SPDX-License-Identifier: GPL-3.0-or-later
// Releases of the library that may be editions of one and the same, with the evidence: joined by ticks, or
// kept apart.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/control/releases_controller.h"
#include "app/widgets/controls.h"

namespace moorfrost::app {

class SetProposals : public QDialog {
    Q_OBJECT
public:
    explicit SetProposals(ReleasesController& releases, QWidget* parent = nullptr);
    QTreeWidget* tree() { return tree_; }
    QPushButton* joinButton() { return join_; }
    QPushButton* apartButton() { return apart_; }

private:
    void fill();
    void tell();
    void join();
    void keepApart();

    ReleasesController& releases_;
    ReleasesController::List list_; // that the proposals shown are of
    std::vector<library::SetProposal> proposals_;
    QTreeWidget* tree_;
    QPushButton *join_, *apart_;
    QLabel* summary_;
};

} // namespace moorfrost::app
