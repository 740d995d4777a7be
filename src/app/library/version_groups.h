// SPDX-License-Identifier: GPL-3.0-or-later
// What a person settles versions with: the families that are kept, and those that names and sound propose.
#pragma once

#include <QString>

#include "core/library/families/families.h"

namespace moorfrost::app {

/// A family, or what stands alone, as it is shown to be settled.
struct VersionGroup {
    struct Member {
        library::FileId file = 0;
        QString title, place;
        double seconds = 0;
        std::string kind, detail;
    };
    std::vector<Member> members;
    bool kept = false; // it is one already
    bool taken = true; // a proposal that is ticked
    QString why;
};
/// What the library keeps of these files and what their names propose; without files: proposals of the whole
/// library. The last one: those that stand alone. `into`: one of the files, of whose family the others are to
/// be; 0: of none. `beside`: those that the searcher does not know. Opens the library itself, for a job.
Result<std::vector<VersionGroup>> versionGroups(
    const Path& library, const library::Searcher& searcher, const std::vector<library::FileId>& files,
    library::FileId into, const std::vector<library::NamedFile>& beside,
    const std::function<double(library::FileId, library::FileId)>& soundAlike, std::stop_token stop);

} // namespace moorfrost::app
