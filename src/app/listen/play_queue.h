// SPDX-License-Identifier: GPL-3.0-or-later
// What is played one after the other: the tracks of the list or the page from which something was played, in
// their order.
#pragma once

#include <QObject>

#include "app/control/files_controller.h"
#include "app/control/loudness_levels.h"
#include "app/listen/player.h"

namespace moorfrost::app {

class PlayQueue : public QObject {
    Q_OBJECT
public:
    PlayQueue(FilesController& files, LoudnessLevels& levels, Player& player);

    /// From the track at `index` on, from that place in it; without a place: if it is in the player already,
    /// pauses it or goes on.
    void play(std::vector<FileId> files, size_t index, std::optional<double> from = {});
    void next();
    /// The one before; where this one has been heard for a while, it begins anew.
    void previous();
    bool hasNext() const { return isOurs() && index_ + 1 < files_.size(); }
    bool hasPrevious() const { return isOurs(); }
    size_t index() const { return index_; }
    size_t count() const { return isOurs() ? files_.size() : 0; }
    /// All are heard equally loud.
    bool matchesLoudness() const { return matched_; }
    void setMatchesLoudness(bool matched);

    // To find out quickly what a track is: parts of the file that is in the player.
    void onBySeconds(double seconds);
    void toMiddle();
    void toLastSeconds(double seconds);

signals:
    void changed();

private:
    /// Whether what is in the player is the track of ours.
    bool isOurs() const;
    void begin(size_t index, int direction, double from = 0);
    void prepareNext();
    /// The gain of a file, when it is known.
    void withGain(const FilePtr& file, std::function<void(double)> then);
    void follow(bool byItself);

    FilesController& files_controller_;
    LoudnessLevels& levels_;
    Player& player_;
    std::vector<FileId> files_;
    size_t index_ = 0;
    bool matched_ = false;
    int run_ = 0;       // what is fetched for another begin is too late
    bool ours_ = false; // we tell the player to play
};

} // namespace moorfrost::app
