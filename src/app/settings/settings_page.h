// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: how it looks, the standards, what names must suit, the shelves, how files are written, what the
// journal keeps.
#pragma once

#include <QWidget>

#include "app/shell/session.h"

class QGridLayout;
class QButtonGroup;
class QCheckBox;
class QComboBox;
class QLabel;
class QScrollArea;

namespace moorfrost::app {

class StandardEditor;

class SettingsPage : public QWidget {
    Q_OBJECT
public:
    SettingsPage(Session& session, QWidget* parent = nullptr);
    /// Brings the standard that the batch is held to into sight.
    void showStandards();
    StandardEditor* standards() { return standards_; }

signals:
    void themeChanged();
    /// One of what is kept with the library: "names", "words".
    void choiceChanged(const std::string& setting);
    void shelfWanted();

private:
    void refreshShelves();
    Session& session_;
    QScrollArea* scroll_;
    StandardEditor* standards_;
    QGridLayout* shelves_;
    QButtonGroup *names_, *words_;
    QCheckBox* keepTimes_;
    QComboBox* historyLimit_;
    QLabel* historyUse_;
    void refreshJournal();
};

} // namespace moorfrost::app
