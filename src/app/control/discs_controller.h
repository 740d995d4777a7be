// SPDX-License-Identifier: GPL-3.0-or-later
// The discs that are on the bench: their tables, what they are corrected to before they are ripped, and the
// rip that runs. One disc is ripped at a time; what is ripped is brought in.
#pragma once

#include <QObject>

#include "app/control/bring_in.h"
#include "app/control/job_list.h"
#include "app/control/messages.h"
#include "app/control/references_controller.h"
#include "core/disc/find_disc.h"
#include "core/disc/rip_plan.h"

namespace moorfrost::app {

class DiscsController : public QObject {
    Q_OBJECT
public:
    struct Track {
        disc::TocTrack entry;
        tags::Fields fields;                      // as they will be in the file
        tags::Fields own;                         // as the disc says
        std::map<std::string, std::string> typed; // by hands: it stays, whatever is chosen
        bool wanted = true;
        enum class State { Waiting, Reading, Ripped, Failed } state = State::Waiting;
        int32_t done = 0;             // sectors read, while it is
        size_t doubtful = 0, bad = 0; // sectors so far
        disc::TrackReport report;     // when it has ended
        std::string format;           // that it was ripped to, or is
        Path into;
    };
    struct Disc {
        int number = 0; // among those of this run of the program
        Path sheet;
        QString name; // of the drive or image
        disc::Toc toc;
        disc::CdText text;
        std::vector<std::string> notes;
        tags::Fields fields; // of the disc: album, album artist, genre, date
        std::vector<Track> tracks;
        bool looked = false;                 // the references were asked
        std::vector<disc::Variant> variants; // what they say
        int chosen = -1;                     // of them; -1: what the disc says itself
        tags::Fields own;                    // that, for the disc; Track::own for its tracks
        std::map<std::string, std::string> typed;
        Path folder;   // in which its files are, when it was ripped
        QString ended; // why a rip did not come to its end
        QString title() const;
        /// Of a track, among those of the table: one may stand before them.
        size_t placeOf(size_t track) const;
    };
    /// How it is ripped.
    struct Settings {
        std::string format = "flac";
        int bitrate = 0;
        Path into;
        bool verify = true;
    };

    DiscsController(BringIn& bringIn, ReferencesController& references, JobList& jobs, Messages& messages);

    const std::vector<Disc>& all() const { return discs_; }
    const Disc* find(int number) const;
    /// Reads the table of an image; `opened` or a message follows.
    void openImage(const Path& sheet);
    void close(int number);
    void setWanted(int disc, size_t track, bool wanted);
    /// Of a track, or (-1) of the disc: then of all its tracks, too, where they said the same.
    void setField(int disc, int track, const std::string& field, const std::string& text);
    /// Asks the references for its table, then by what is known of it.
    void findByTable(int disc);
    /// What this one of the variants says becomes the fields; -1: what the disc says itself.
    void choose(int disc, int variant);
    /// As the settings say it now.
    disc::RipPlan planOf(const Disc& disc, const Settings& settings) const;
    static Settings remembered();
    void rip(int disc, const Settings& settings);
    void stop();
    /// The disc that is ripped now; 0: none.
    int ripping() const { return ripping_; }

signals:
    void opened(int disc);
    void changed();
    /// The references have answered, or another answer was chosen: its fields are otherwise.
    void told(int disc);
    /// The rip goes on.
    void progressed(int disc);
    /// Its files are brought in.
    void ended(int disc);

private:
    Disc* disc(int number);
    void take(int number, const disc::RipProgress& progress, const std::vector<size_t>& tracks);
    void end(int number, const disc::RipReport& report, const std::vector<size_t>& tracks);

    BringIn& bringIn_;
    ReferencesController& references_;
    JobList& jobs_;
    Messages& messages_;
    std::vector<Disc> discs_;
    int last_ = 0, ripping_ = 0;
    work::JobId job_ = 0;
};

} // namespace moorfrost::app
