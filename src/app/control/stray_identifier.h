// SPDX-License-Identifier: GPL-3.0-or-later
// Which tracks the strays of the batch may be, each for itself; taking them puts each into the sleeve of its
// release, or into a new one.
#pragma once

#include <QObject>

#include <map>

#include "app/control/batch_controller.h"
#include "app/control/identify_controller.h"
#include "core/matching/single_file.h"

namespace moorfrost::app {

class StrayIdentifier : public QObject {
    Q_OBJECT
public:
    StrayIdentifier(FilesController& files, DraftsController& drafts, BatchController& batch,
                    const SleeveViews& sleeves, SoundPrints& sounds, ReferencesController& references,
                    IdentifyController& identify, JobList& jobs, Messages& messages);

    /// The strays, in their order; without what cannot be read.
    std::vector<FileId> strays() const;
    /// nullptr: it was not looked up.
    const matching::FileIdentified* answer(FileId file) const;
    size_t chosen(FileId file) const;
    void choose(FileId file, size_t candidate);
    void identifyAll();
    bool isAsking() const { return asking_ != 0 || preparing_; }
    /// The sleeve that a file would come to, by its chosen candidate; "": a new one.
    std::string sleeveFor(FileId file) const;
    void take(const std::vector<FileId>& files);

signals:
    void changed();

private:
    const matching::TrackCandidate* best(FileId file) const;
    struct Asked {
        FileId file;
        matching::SleeveClues clues;
        matching::FileIdentified found;
        bool done = false;
    };
    void ask(std::shared_ptr<std::vector<Asked>> all, const matching::PrintsOf& prints);
    void forgetOld();

    FilesController& files_;
    DraftsController& drafts_;
    BatchController& batch_;
    const SleeveViews& sleeves_;
    SoundPrints& sounds_;
    ReferencesController& references_;
    IdentifyController& identify_;
    JobList& jobs_;
    Messages& messages_;
    std::map<FileId, matching::FileIdentified> answers_;
    std::map<FileId, matching::FileClues> clues_; // with what was heard
    std::map<FileId, size_t> chosen_;
    work::JobId asking_ = 0;
    bool preparing_ = false;
};

} // namespace moorfrost::app
