// SPDX-License-Identifier: GPL-3.0-or-later
// Gathering: all sound of some formats out of a folder, however deep, leaving the rest.
#pragma once

#include <QDialog>

#include <map>

#include "app/control/bring_in.h"
#include "app/control/job_list.h"

class QLabel;
class QPushButton;
class QTreeWidget;

namespace moorfrost::app {

class ShortLabel;

class GatherDialog : public QDialog {
    Q_OBJECT
public:
    /// What it uses.
    struct Uses {
        JobList& jobs;
        BringIn& bringIn;
    };

    GatherDialog(const Uses& use, QWidget* parent = nullptr);

    /// Looks what is there; nothing is read yet.
    void look(const Path& folder);
    QTreeWidget* formats() { return tree_; }
    QPushButton* takeButton() { return take_; }

private:
    struct Share {
        size_t files = 0;
        uint64_t bytes = 0;
        std::set<Path> folders;
    };
    using Shares = std::map<audio::Format, Share>;
    void choose();
    void fill(const Shares& shares);
    void count();
    void take();

    Uses use_;
    Path folder_;
    std::shared_ptr<std::stop_source> looking_; // the look that counts: others are stopped
    ShortLabel* where_;
    QTreeWidget* tree_;
    QLabel* summary_;
    QPushButton* take_;
};

} // namespace moorfrost::app
