// SPDX-License-Identifier: GPL-3.0-or-later
// The discs that are on the bench: their tables, what the references say of them, and what they are corrected
// to before they are ripped.
#pragma once

#include <QObject>

#include <set>

#include "app/control/job_list.h"
#include "app/control/messages.h"
#include "app/control/references_controller.h"
#include "core/disc/find_disc.h"
#include "core/disc/ripper.h"

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
        bool fixed = false; // it is a file: its fields stay
        /// Another than what the disc says.
        bool isChanged(const std::string& field) const;
    };
    struct Disc {
        int number = 0; // among those of this run of the program
        Path drive;     // or the cue sheet of an image
        bool isImage = true;
        QString name; // of the drive or image
        disc::Toc toc;
        disc::CdText text;
        std::vector<std::string> notes;
        tags::Fields fields; // of the disc: those of fieldsOfDisc()
        std::vector<Track> tracks;
        bool looked = false;                 // the references were asked
        std::vector<disc::Variant> variants; // what they say
        int chosen = -1;                     // of them; -1: what the disc says itself
        tags::Fields own;                    // that, for the disc; Track::own for its tracks
        std::map<std::string, std::string> typed;
        bool busy = false; // it is being ripped: nothing of it is changed
        bool out = false;  // it was taken out of its drive
        QString title() const;
        /// Of a track, among those of the table: one may stand before them.
        size_t placeOf(size_t track) const;
        const disc::Variant* variant() const; // nullptr: what the disc says
        /// Under which the offset of its drive is kept: an image has that of the drive that made it.
        QString driveKey() const;
    };

    DiscsController(ReferencesController& references, JobList& jobs, Messages& messages);

    const std::vector<Disc>& all() const { return discs_; }
    const Disc* find(int number) const;
    /// Those that are asked for the whole disc, in order.
    static const std::vector<std::string>& fieldsOfDisc();
    /// Drives of the machine, as they were when they were looked for last.
    const std::vector<disc::DriveName>& drives() const { return drives_; }
    void lookForDrives();
    /// Reads the table of a disc in a drive, or of an image by its cue sheet; `opened` or a message follows.
    void open(const Path& drive);
    void close(int number);
    /// Opens the drive; an image is put aside.
    void eject(int number);
    void setWanted(int disc, size_t track, bool wanted);
    /// Of a track, or (-1) of the disc: then of all its tracks, too, where they said the same.
    void setField(int disc, int track, const std::string& field, const std::string& text);
    /// What is all in capitals gets capitals at the beginnings of words, as if it was typed.
    void tameCapitals(int disc);
    bool hasCapitals(const Disc& disc) const;
    /// Asks the references for its table, then by what is known of it.
    void findByTable(int disc);
    /// What this one of the variants says becomes the fields; -1: what the disc says itself.
    void choose(int disc, int variant);
    /// This field of one of the variants (-1: of the disc itself), whichever is chosen: as if it was typed.
    void pick(int disc, int track, const std::string& field, int variant);
    /// As one of them (-1: the disc itself) says it.
    std::string saidBy(const Disc& disc, int variant, int track, const std::string& field) const;

    // For who rips.
    void setBusy(int disc, bool busy);
    void setFixed(int disc, size_t track, bool fixed);
    void setOut(int disc);

signals:
    void opened(int disc);
    void changed();
    /// The references have answered, or another answer was chosen: its fields are otherwise.
    void told(int disc);
    void drivesChanged();

private:
    Disc* disc(int number);
    void take(const Path& drive, disc::DriveLook look, std::vector<std::string> notes,
              const std::string& date);

    ReferencesController& references_;
    JobList& jobs_;
    Messages& messages_;
    std::vector<Disc> discs_;
    std::vector<disc::DriveName> drives_;
    int last_ = 0;
};

} // namespace moorfrost::app
