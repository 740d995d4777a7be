// SPDX-License-Identifier: GPL-3.0-or-later
// The sound that a finding is about: its picture at the place that is meant, played from there, saved.
#pragma once

#include <QFrame>

#include "app/audit/sound_view.h"
#include "app/control/messages.h"
#include "core/library/findings/finding.h"

class QPushButton;

namespace moorfrost::app {

class ShortLabel;

class SoundPanel : public QFrame {
    Q_OBJECT
public:
    struct Uses {
        FilesController& files;
        JobList& jobs;
        Messages& messages;
    };
    explicit SoundPanel(const Uses& use, QWidget* parent = nullptr);
    /// `lineText`: what stands at the line across, where the place has one.
    void show(FileId file, const library::SoundPlace& place, const QString& lineText);
    void showNothing();
    /// What is heard, and where; nullptr: nothing.
    void setHeard(const FilePtr& file, double seconds, bool isPlaying);
    SoundPicture& picture() { return picture_; }
    SoundView* view() { return view_; }
    QPushButton* playButton() { return play_; }
    QPushButton* allButton() { return all_; }
    QPushButton* placeButton() { return there_; }
    /// Writes what is in sight as a picture; what became of it is said.
    void save(const Path& to);

signals:
    /// From there on, or, where it is heard already, to be stopped.
    void playWanted(moorfrost::library::FileId file, double seconds);
    void stopWanted();

private:
    void play();
    void lookAtPlace();
    void askToSave();

    Uses use_;
    SoundPicture picture_;
    SoundView* view_;
    QPushButton *play_, *there_, *all_, *save_;
    ShortLabel* facts_;
    FileId file_ = 0;
    library::SoundPlace place_;
    bool heard_ = false; // it is playing
    int run_ = 0;        // of what was shown
};

} // namespace moorfrost::app
