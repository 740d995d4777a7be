// SPDX-License-Identifier: GPL-3.0-or-later
// The pictures of a release, large beside those that the files have; ticked ones are taken, for all
// files of the sleeve or some.
#pragma once

#include <QWidget>

#include "app/control/release_pictures.h"

class QLabel;
class QPushButton;
class QTreeWidget;

namespace moorfrost::app {

class Choice;
class PictureMat;

class ReleasePicturesView : public QWidget {
    Q_OBJECT
public:
    explicit ReleasePicturesView(ReleasePictures& pictures, QWidget* parent = nullptr);
    /// Fetches them if that was not done.
    void show(const std::string& sleeve);
    QTreeWidget* list() { return list_; }
    QPushButton* takeButton() { return take_; }
    Choice* receivers() { return for_; }
    /// These and no others.
    void takeFor(const std::vector<FileId>& files);

private:
    void refresh();
    void showCurrent();
    void showLarge();
    std::vector<size_t> ticked() const;
    void fillReceivers();
    void receiversChosen(int index);
    void chooseReceivers();
    void count();

    ReleasePictures& pictures_;
    std::string sleeve_, number_; // of the release that is shown
    QTreeWidget* list_;
    PictureMat *there_, *candidate_;
    QLabel* note_;
    Choice* for_;
    QPushButton* take_;
    enum For { All = -3, Seated = -2, Some = -1 }; // or a medium of the release
    int forWhom_ = All;
    std::vector<FileId> some_, files_; // those that were chosen; those that get them
};

} // namespace moorfrost::app
