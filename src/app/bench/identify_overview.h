// SPDX-License-Identifier: GPL-3.0-or-later
// All sleeves of the batch by how sure it is what they are.
#pragma once

#include <QWidget>

#include "app/control/identify_controller.h"

class QPushButton;
class QTreeWidget;
class QTreeWidgetItem;

namespace moorfrost::app {

class ShortLabel;

class EmptyHint;

/// "this edition, 6 files, better than these"; "" where nothing of it is on a shelf.
QString hereText(const library::AlreadyHere& here);

class IdentifyOverview : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        SleeveViews& sleeves;
        IdentifyController& identify;
    };
    explicit IdentifyOverview(const Uses& use, QWidget* parent = nullptr);
    void refresh();

signals:
    void sleeveWanted(const std::string& key);
    void filesWanted();

private:
    Uses use_;
    QTreeWidget* tree_;
    EmptyHint* empty_;
    ShortLabel* summary_;
    QPushButton *all_, *take_;
};

} // namespace moorfrost::app
