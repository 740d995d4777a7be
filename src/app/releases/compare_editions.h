// SPDX-License-Identifier: GPL-3.0-or-later
// Two editions side by side: what they differ in, and which recordings they share. What is certain is taken
// with one key.
#pragma once

#include <QDialog>
#include <QTreeWidget>

#include "app/control/releases_controller.h"
#include "app/control/sound_prints.h"
#include "app/widgets/controls.h"
#include "core/library/releases/track_pairs.h"

namespace moorfrost::app {

class ComparisonTable;

class CompareEditions : public QDialog {
    Q_OBJECT
public:
    struct Uses {
        ReleasesController& releases;
        SoundPrints& sounds;
        JobList& jobs;
    };
    CompareEditions(const Uses& use, const ShownRelease& a, QWidget* parent = nullptr);
    Choice* otherChoice() { return other_; }
    QTreeWidget* tracks() { return tracks_; }
    QPushButton* certainButton() { return certain_; }
    QPushButton* sameButton() { return same_; }
    QPushButton* apartButton() { return apart_; }
    QPushButton* takeButton() { return take_; }
    /// Nothing is being worked out.
    bool isThere() const { return there_; }
    /// What is to be changed.
    std::vector<library::SharedTrack> changes() const;
    library::ReleaseRef a() const { return a_.view.ref; }
    library::ReleaseRef b() const { return b_.view.ref; }

private:
    struct Line {
        size_t a = SIZE_MAX, b = SIZE_MAX; // in the lists of tracks; SIZE_MAX: none
        std::optional<library::TrackPair> pair;
        bool was = false;    // they are one recording
        bool shared = false; // they are to be
        bool byHand = false;
    };
    void readOther();
    void pair();
    void show(const std::vector<library::TrackPair>& pairs);
    void fill();
    void showFacts();
    void toggle(const std::vector<int>& lines, bool shared);
    void join();
    std::vector<int> chosenLines() const;

    Uses use_;
    ShownRelease a_, b_;
    std::vector<library::PairedTrack> tracksA_, tracksB_;
    std::vector<Line> lines_;
    std::vector<library::ReleaseRef> others_;
    Choice* other_;
    ComparisonTable* facts_;
    QTreeWidget* tracks_;
    QPushButton *certain_, *same_, *apart_, *take_;
    QLabel* summary_;
    size_t measure_ = 0; // the edition by which differences are marked
    bool there_ = false;
    int run_ = 0;
};

} // namespace moorfrost::app
