// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of a release, large beside those that the files have; ticked ones are taken for all files.
#pragma once

#include <QWidget>

#include "app/control/release_pictures.h"

class QLabel;
class QPushButton;
class QTreeWidget;

namespace moorfrost::app {

class PictureMat;

class ReleasePicturesView : public QWidget {
    Q_OBJECT
public:
    explicit ReleasePicturesView(ReleasePictures& pictures, QWidget* parent = nullptr);
    /// Fetches them if that was not done.
    void show(const std::string& sleeve);
    QTreeWidget* list() { return list_; }
    QPushButton* takeButton() { return take_; }

private:
    void refresh();
    void showCurrent();
    void showLarge();
    std::vector<size_t> ticked() const;

    ReleasePictures& pictures_;
    std::string sleeve_, number_; // of the release that is shown
    QTreeWidget* list_;
    PictureMat *there_, *candidate_;
    QLabel* note_;
    QPushButton* take_;
};

} // namespace moorfrost::app
