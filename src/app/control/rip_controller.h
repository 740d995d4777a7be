// SPDX-License-Identifier: GPL-3.0-or-later
// Ripping: where the tracks of a disc will be, the rip that runs (one at a time), and what is found out about
// it. What is ripped is in the journal as one set, and on a shelf or in the batch.
#pragma once

#include <QObject>

#include <chrono>

#include "app/control/bring_in.h"
#include "app/control/disc_pictures.h"
#include "app/control/drive_offsets.h"
#include "app/control/places_controller.h"
#include "app/control/rip_settings.h"
#include "app/control/rip_task.h"
#include "app/control/worse_files.h"
#include "core/disc/rip_places.h"

namespace moorfrost::app {

class RipController : public QObject {
    Q_OBJECT
public:
    struct Track {
        enum class State { Waiting, Reading, Ripped, Failed } state = State::Waiting;
        int32_t done = 0;             // sectors read, while it is
        size_t doubtful = 0, bad = 0; // sectors so far
        disc::TrackReport report;     // when it has ended
        std::string format;           // that it was ripped to
        Path root;                    // below which it was ripped
        disc::HeardTrack heard;       // what it sounds like
    };
    struct Rip {
        std::vector<Track> tracks;    // as those of the disc
        Path folder;                  // in which its first files are
        QString ended;                // why it did not come to its end
        QString heard;                // what listening has shown
        QStringList troubles;         // that kept no track from being a file
        std::map<Path, int64_t> sets; // of the journal, by root and format: each is a rip of its own
        std::set<Path> looked;        // of these, at which an earlier rip was looked for
    };
    struct Planned {
        disc::RipPlan plan;                     // of the tracks that are wanted and can be ripped
        std::vector<placing::Placement> places; // of all that are wanted; id: number of the track + 1
        std::vector<Path> targets;              // of all tracks
        QString problem;                        // why nothing can be: a sentence
    };
    struct Progress {
        int32_t done = 0, all = 0; // sectors
        double speed = 0;          // times as fast as it plays
        double secondsLeft = -1;   // less than 0: not known yet
    };
    struct Uses {
        DiscsController& discs;
        DiscPictures& pictures;
        LibraryAccess& library;
        ShelvesController& shelves;
        PlacesController& places;
        ReferencesController& references;
        BringIn& bringIn;
        WritingController& writing;
        DriveOffsets& offsets;
        WorseFiles& worse;
        JobList& jobs;
        Messages& messages;
    };

    explicit RipController(const Uses& use);

    /// What became of its tracks so far.
    const Rip& of(int disc) const;
    Planned planOf(const DiscsController::Disc& disc, const RipSettings& settings);
    void rip(int disc, const RipSettings& settings);
    void stop();
    /// The disc that is ripped now; 0: none.
    int ripping() const { return ripping_; }
    Progress progress() const;

signals:
    void changed();
    /// The rip goes on.
    void progressed(int disc);
    /// Its files are brought in, or on their shelf.
    void ended(int disc);

private:
    Path rootOf(const RipSettings& settings) const;
    void noticeEarlier(const DiscsController::Disc& disc, Rip& rip, const disc::RipPlan& plan,
                       const Path& root);
    void take(int number, const disc::RipProgress& progress, const std::vector<size_t>& tracks);
    void takeEnded(int number, const disc::TrackReport& report, const std::vector<size_t>& tracks);
    void end(int number, const RipSettings& settings, const std::vector<size_t>& tracks, RipOutcome outcome);
    void tellEnd(const DiscsController::Disc& disc, const Rip& rip, size_t wanted, size_t files,
                 size_t unproven);

    Uses use_;
    std::map<int, Rip> rips_; // by disc
    int ripping_ = 0;
    work::JobId job_ = 0;
    std::vector<size_t> running_; // tracks of the disc that is ripped, in order
    std::chrono::steady_clock::time_point begun_;
};

} // namespace moorfrost::app
