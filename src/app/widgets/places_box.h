// SPDX-License-Identifier: GPL-3.0-or-later
// In the details of a file: the releases on which its recording stands, each a way there.
#pragma once

#include <QWidget>

#include "app/control/releases_controller.h"

class QVBoxLayout;

namespace moorfrost::app {

class PlacesBox : public QWidget {
    Q_OBJECT
public:
    explicit PlacesBox(ReleasesController& releases, QWidget* parent = nullptr);
    void show(const std::vector<library::ReleasePlace>& places);
    QString text() const;

private:
    ReleasesController& releases_;
    QVBoxLayout* rows_;
};

} // namespace moorfrost::app
