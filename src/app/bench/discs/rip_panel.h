// SPDX-License-Identifier: GPL-3.0-or-later
// How a disc is ripped: the format, where to, what is checked, and the tree as it will be.
#pragma once

#include <QFrame>

#include "app/control/library_settings.h"
#include "app/control/rip_controller.h"

class QCheckBox;
class QLabel;
class QPushButton;

namespace moorfrost::app {

class Choice;
class DiscPicturesStrip;
class ShortLabel;

class RipPanel : public QFrame {
    Q_OBJECT
public:
    struct Uses {
        DiscsController& discs;
        RipController& rips;
        DriveOffsets& offsets;
        WorseFiles& worse;
        DiscPictures& pictures;
        ShelvesController& shelves;
        LibrarySettings& settings;
    };
    explicit RipPanel(const Uses& use, QWidget* parent = nullptr);

    /// 0: none. To be called again when something of the disc is otherwise.
    void setDisc(int number);
    /// Into a folder, on no shelf.
    void setFolder(const Path& folder);
    void setPlan(const QString& text);
    RipSettings settings() const;
    Choice* formats() { return format_; }
    Choice* places() { return place_; }
    Choice* plans() { return plan_; }
    QCheckBox* ejects() { return eject_; }
    QCheckBox* listens() { return listen_; }
    DiscPicturesStrip* pictures() { return strip_; }
    QPushButton* offsetButton() { return find_; }
    QString offset() const;
    /// In full, a line each; what is shown is as long as there is room.
    QString preview() const;

signals:
    /// So many tracks of the disc are to be ripped by what is set.
    void planned(int tracks);

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void fillRates(int wanted);
    void fillPlaces();
    void fillPlans();
    void chooseFolder();
    void showPlan();
    void showLines();
    void showOffset();
    void enterOffset();

    Uses use_;
    int disc_ = 0;
    Choice *format_, *bitrate_, *place_, *plan_;
    QCheckBox *verify_, *listen_, *eject_;
    QLabel *preview_, *offset_, *picturesCaption_;
    DiscPicturesStrip* strip_;
    QPushButton* find_;
    QStringList lines_; // of the tree, in full
    Path folder_;
    int64_t shelf_ = -1;
    bool filling_ = false;
};

} // namespace moorfrost::app
