// SPDX-License-Identifier: GPL-3.0-or-later
// In the details of a track: the shape of its sound to listen anywhere in it, and the places in it that were
// marked.
#pragma once

#include <QWidget>

#include "app/control/peaks.h"
#include "app/control/recordings_controller.h"
#include "app/listen/player.h"

class QPushButton;
class QVBoxLayout;

namespace moorfrost::app {

class Waveform;

class TrackStrip : public QWidget {
    Q_OBJECT
public:
    struct Uses {
        Peaks& peaks;
        RecordingsController& recordings;
        Player& player;
    };
    explicit TrackStrip(const Uses& use, QWidget* parent = nullptr);
    void show(const FilePtr& file); // nullptr: nothing
    /// Asks for a text and marks the place that is heard, or the beginning.
    void markHere();
    Waveform* waveform() { return wave_; }
    QPushButton* markButton() { return mark_; }
    const std::vector<library::Bookmark>& bookmarks() const { return bookmarks_; }
    /// Lines of the list, as they are told.
    QStringList lines() const;

signals:
    /// It is to be heard from there.
    void playWanted(moorfrost::library::FileId id, double seconds);

private:
    void readBookmarks();
    void showBookmarks(std::vector<library::Bookmark> bookmarks);
    void showPosition();
    bool isHeard() const;

    Uses use_;
    FilePtr file_;
    Waveform* wave_;
    QPushButton* mark_;
    QVBoxLayout* list_;
    std::vector<library::Bookmark> bookmarks_;
    int run_ = 0;
};

} // namespace moorfrost::app
