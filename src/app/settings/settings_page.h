// SPDX-License-Identifier: GPL-3.0-or-later
// Settings: how it looks, what names must suit, the shelves.
#pragma once

#include <QWidget>

#include "app/shell/session.h"

class QGridLayout;
class QButtonGroup;

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
};

} // namespace moorfrost::app
