// SPDX-License-Identifier: GPL-3.0-or-later
// Recordings without an ISRC: which they are, what was found for them, and its taking as drafts.
#pragma once

#include <QObject>

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/references_controller.h"
#include "app/control/refresh.h"
#include "app/control/sound_prints.h"
#include "core/library/codes/own_codes.h"

namespace moorfrost::app {

class CodesController : public QObject {
    Q_OBJECT
public:
    struct Uses {
        LibraryAccess& library;
        JobList& jobs;
        Messages& messages;
        FilesController& files;
        DraftsController& drafts;
        LibraryIndex& index;
        SoundPrints& sounds;
        ReferencesController& references;
    };
    explicit CodesController(const Uses& use);

    void setInSight(bool inSight) { refresh_.setInSight(inSight); }
    /// From now on of these releases alone, wherever their files lie; else of all that stands on the shelves.
    void showReleases(library::ReleaseFiles releases);
    bool isTrue() const { return refresh_.isTrue() && !isAsking(); }
    /// In the order of releases.
    const std::vector<library::CodeGap>& gaps() const { return gaps_; }
    /// nullptr: nobody was asked yet.
    const library::CodeAnswer* answer(size_t gap) const;
    /// There are drafts of a code for all of its files.
    bool isTaken(size_t gap) const;
    size_t sure() const; // that may be taken together

    void lookUpAll();
    void stop();
    bool isAsking() const { return asking_; }
    size_t asked() const { return asked_; } // of those that are looked up now

    /// In the place of a draft, too.
    void take(const library::CodeGap& gap, const std::string& isrc);
    void takeSure();
    /// Own codes for these, in the register at once, as drafts.
    void giveOwn(const std::vector<library::CodeGap>& gaps, const library::IsrcSeries& series);
    /// The next one that is free; "" and a sentence where there is none.
    void withNext(QObject* asker, const library::IsrcSeries& series,
                  std::function<void(QString code, QString why)> then);
    void withRegister(QObject* asker, std::function<void(std::string csv)> then);
    /// Those that nobody knows a code of, as far as anybody was asked, and that have no draft.
    std::vector<library::CodeGap> unknown() const;

signals:
    void changed();

private:
    bool read(int run);
    void askNext();
    /// `replacing`: drafts that are there give way.
    void propose(std::vector<library::DraftSession::Wish> wishes, bool replacing = false);

    Uses use_;
    std::optional<library::ReleaseFiles> releases_; // else those of the shelves
    std::vector<library::CodeGap> gaps_;
    std::map<FileId, library::CodeAnswer> answers_; // by the first file of the gap
    std::vector<library::CodeGap> waiting_;         // to be asked for
    matching::PrintsOf prints_;
    QStringList errors_;
    bool asking_ = false;
    size_t asked_ = 0;
    work::JobId job_ = 0;
    Refresh refresh_{[this](int run) { return read(run); }, this};
};

} // namespace moorfrost::app
