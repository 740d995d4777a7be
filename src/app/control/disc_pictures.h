// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of the release that a disc is held to be: fetched when an answer is chosen, and put into the files
// that are ripped where they are ticked.
#pragma once

#include <QObject>

#include <map>
#include <set>

#include "app/control/discs_controller.h"
#include "app/control/picture_candidates.h"

namespace moorfrost::app {

class DiscPictures : public QObject {
    Q_OBJECT
public:
    /// `folder`: where pictures are kept.
    DiscPictures(DiscsController& discs, ReferencesController& references, Path folder, JobList& jobs);

    struct Shown {
        std::string release; // reference and number
        std::vector<PictureCandidate> candidates;
        std::set<size_t> wanted; // of them
    };
    /// nullptr: none were fetched, or are being.
    const Shown* of(int disc) const;
    bool isFetching(int disc) const { return fetching_.contains(disc); }
    void setWanted(int disc, size_t candidate, bool wanted);
    /// Those that are ticked, as fields (tags/picture_changes).
    tags::Fields fieldsOf(int disc) const;
    const Path& folder() const { return folder_; }

signals:
    void changed(int disc);

private:
    void follow(int disc);

    DiscsController& discs_;
    ReferencesController& references_;
    Path folder_;
    JobList& jobs_;
    std::map<int, Shown> shown_;
    std::map<int, std::string> fetching_; // the release
};

} // namespace moorfrost::app
