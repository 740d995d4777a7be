// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of the release that a disc is held to be, small, in a row: those that are ticked go into the
// files.
#pragma once

#include <QListWidget>

#include "app/control/disc_pictures.h"

namespace moorfrost::app {

class DiscPicturesStrip : public QListWidget {
    Q_OBJECT
public:
    explicit DiscPicturesStrip(DiscPictures& pictures, QWidget* parent = nullptr);
    /// 0: no disc.
    void setDisc(int number);
    QSize sizeHint() const override { return {200, 74}; }
    QSize minimumSizeHint() const override { return {100, 74}; }

private:
    void fill();

    DiscPictures& pictures_;
    int disc_ = 0;
    bool filling_ = false;
};

} // namespace moorfrost::app
