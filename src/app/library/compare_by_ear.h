// SPDX-License-Identifier: GPL-3.0-or-later
// Two tracks, A and B, listened to in turn: at the same place of the music, equally loud, until one of them
// is the better one.
#pragma once

#include <QDialog>

#include "app/control/loudness_levels.h"
#include "app/control/peaks.h"
#include "app/control/recordings_controller.h"
#include "app/control/sound_prints.h"
#include "core/library/sound_groups.h"

class QCheckBox;
class QLabel;
class QPushButton;

namespace moorfrost::app {

class Player;
class RatingBar;
class SoundStrip;

class CompareByEar : public QDialog {
    Q_OBJECT
public:
    struct Uses {
        Peaks& peaks;
        LoudnessLevels& levels;
        SoundPrints& sounds;
        RecordingsController& recordings;
        Player& player;
    };
    CompareByEar(const Uses& use, const FilePtr& a, const FilePtr& b, QWidget* parent);
    ~CompareByEar() override;

    void listen();
    /// The other one, where this one is.
    void changeOver();
    bool hearsB() const { return hearsB_; }
    QPushButton* listenButton() { return listen_; }
    QPushButton* overButton() { return over_; }
    QCheckBox* loudnessBox() { return equal_; }
    QString told() const;

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    struct Side {
        FilePtr file;
        SoundStrip* strip = nullptr;
        RatingBar* rating = nullptr;
        Peaks::Shape shape;
        std::optional<LoudnessLevel> level;
    };
    void play(bool b, double seconds);
    void show();
    double gainOf(bool b) const;
    /// Where in the one a place of the other is.
    double placeIn(bool b, double secondsOfOther) const;

    Uses use_;
    Side sides_[2];
    QCheckBox* equal_;
    QLabel* told_;
    QPushButton *listen_, *over_;
    library::SoundLink link_; // of B over A
    bool linked_ = false;     // they are the same sound
    bool hearsB_ = false;
};

} // namespace moorfrost::app
