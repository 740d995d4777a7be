// SPDX-License-Identifier: GPL-3.0-or-later
// The strays of the batch and what each may be: ticked ones are taken, and go to the sleeve of their release.
#pragma once

#include <QWidget>

#include "app/control/stray_identifier.h"

class QPushButton;
class QTreeWidget;

namespace moorfrost::app {

class ShortLabel;

class StrayList : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        FilesController& files;
        SleeveViews& sleeves;
        StrayIdentifier& strays;
    };
    explicit StrayList(const Uses& use, QWidget* parent = nullptr);
    void refresh();
    QTreeWidget* tree() { return tree_; }

signals:
    void playRequested(moorfrost::app::FileId id);

private:
    void count();
    std::vector<FileId> ticked() const;

    Uses use_;
    QTreeWidget* tree_;
    ShortLabel* summary_;
    QPushButton *look_, *take_;
    std::map<FileId, bool> ticks_; // by hand
};

} // namespace moorfrost::app
