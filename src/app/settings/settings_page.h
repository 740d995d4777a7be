// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: how it looks, what names must suit, the shelves, how files are written, what the journal keeps.
#pragma once

#include <QWidget>

#include "app/shell/session.h"

class QGridLayout;
class QButtonGroup;
class QCheckBox;
class QComboBox;
class QLabel;

namespace moorfrost::app {

class SettingsPage : public QWidget {
    Q_OBJECT
public:
    SettingsPage(Session& session, QWidget* parent = nullptr);

signals:
    void themeChanged();
    void shelfWanted();

private:
    void refreshShelves();
    Session& session_;
    QGridLayout* shelves_;
    QButtonGroup* names_;
    QCheckBox* keepTimes_;
    QComboBox* historyLimit_;
    QLabel* historyUse_;
    void refreshJournal();
};

} // namespace moorfrost::app
