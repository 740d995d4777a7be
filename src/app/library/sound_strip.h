// SPDX-License-Identifier: GPL-3.0-or-later
// One of two files that are listened to in turn: its letter, name and shape, and where it is being played.
#pragma once

#include <QFrame>

#include "app/control/peaks.h"

class QLabel;

namespace moorfrost::app {

class ShortLabel;
class Waveform;

class SoundStrip : public QFrame {
    Q_OBJECT
public:
    explicit SoundStrip(const QString& letter, QWidget* parent = nullptr);
    /// nullptr: not known yet. `verdict`: what is thought of it.
    void show(const FilePtr& file, const Peaks::Shape& shape, const QString& verdict);
    /// `position`: seconds; less than 0: it is not this one that is in the player.
    void setPlaying(double position, bool on);
    double seconds() const { return seconds_; } // how long it is

signals:
    void placeChosen(double seconds);

private:
    QLabel* letter_;
    ShortLabel* name_;
    QLabel *verdict_, *time_;
    Waveform* wave_;
    double seconds_ = 0;
};

} // namespace moorfrost::app
