// SPDX-License-Identifier: GPL-3.0-or-later
// Where drafted files will be, and how many drafts there are: worked out anew, in the background, whenever
// drafts, files, shelves or what names must suit have changed. Meant are the files that go with the batch in
// sight.
#pragma once

#include <QObject>
#include <QTimer>

#include "app/control/custom_fields.h"
#include "app/control/drafts_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/shelves_controller.h"
#include "core/bench/batch.h"
#include "core/bench/planning.h"

namespace moorfrost::app {

class PlacesController : public QObject {
    Q_OBJECT
public:
    PlacesController(FilesController& files, DraftsController& drafts, const bench::Batch& batch,
                     ShelvesController& shelves, LibrarySettings& settings, const CustomFields& fields,
                     JobList& jobs);

    const bench::Places& places() const { return places_; }
    /// They are those of the drafts as they are now.
    bool areCurrent() const { return !waiting_ && running_ == 0 && !failed_; }
    const bench::DraftCounts& counts() const;
    /// The drafts as they are now.
    std::vector<bench::Proposal> proposals() const;
    bench::PlaceRules rules() const;
    /// Folders that the batch was brought in from.
    void setRoots(std::vector<Path> roots);
    /// These as a plan sees them; those that cannot be read are left out.
    std::vector<placing::PutAwayFile> toPlace(const std::vector<FileId>& ids) const;

signals:
    void changed();

private:
    void soon();
    void workOut();
    void take(bench::Places places);

    FilesController& files_;
    DraftsController& drafts_;
    const bench::Batch& batch_;
    ShelvesController& shelves_;
    LibrarySettings& settings_;
    const CustomFields& fields_;
    JobList& jobs_;
    std::vector<Path> roots_;
    bench::Places places_;
    mutable bench::DraftCounts counts_;
    mutable std::optional<uint64_t> counted_; // in which revision of the feed
    QTimer timer_{this};
    bool failed_ = false;     // they could not be, or it was stopped
    bool waiting_ = false;    // they are to be worked out
    work::JobId running_ = 0; // by this job
};

} // namespace moorfrost::app
