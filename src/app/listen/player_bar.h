// SPDX-License-Identifier: GPL-3.0-or-later
// The player in the foot of the window: cover, what is heard, its shape to seek in, what comes before and
// after it, how loud.
#pragma once

#include <QToolButton>
#include <QWidget>

#include "app/control/drafts_controller.h"
#include "app/control/peaks.h"
#include "app/listen/play_queue.h"

class QCheckBox;
class QLabel;
class QSlider;

namespace moorfrost::app {

class ShortLabel;
class Waveform;

class PlayerBar : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        FilesController& files;
        DraftsController& drafts;
        Peaks& peaks;
        PlayQueue& queue;
        Player& player;
    };
    explicit PlayerBar(const Uses& use, QWidget* parent = nullptr);
    QToolButton* playButton() { return play_; }
    QToolButton* nextButton() { return next_; }
    QToolButton* previousButton() { return previous_; }
    QToolButton* volumeButton() { return volume_; }
    Waveform* waveform() { return wave_; }
    QSlider* volumeSlider() { return slider_; }
    QCheckBox* loudnessBox() { return equal_; }
    QString text() const; // what it says of what is heard
    /// In a narrow window what matters less makes room.
    void setRoom(int width);

signals:
    /// What is heard is to be shown where it stands.
    void fileWanted(moorfrost::app::FileId id);

protected:
    bool eventFilter(QObject* object, QEvent* event) override;

private:
    void show();
    void showCover();
    void loadPeaks();
    void makeVolume();

    Uses use_;
    QLabel* cover_;
    QToolButton *previous_, *play_, *next_, *volume_;
    Waveform* wave_;
    ShortLabel *title_, *artist_;
    QLabel* time_;
    QSlider* slider_;
    QCheckBox* equal_;
    QString trouble_;
    FileId peaksOf_ = 0;
    int room_ = 1280;
};

} // namespace moorfrost::app
