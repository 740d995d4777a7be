// SPDX-License-Identifier: GPL-3.0-or-later
// Files on the shelves that were not looked at in this run as they are now, for those who look at each in
// the background.
#pragma once

#include <functional>
#include <memory>
#include <vector>

#include "app/control/library_access.h"
#include "core/library/search/library_search.h"

namespace moorfrost::app {

class UnlookedFiles {
public:
    /// `then` gets those that are there, can be read and were not looked at yet, or may be otherwise since;
    /// from now on they are looked at. A million rows are gone through on the thread of the library.
    void take(LibraryAccess& library, QObject* asker, const library::LibrarySearch& search,
              std::function<void(Result<std::vector<library::FileId>>)> then);

private:
    std::vector<bool> looked_; // by the number of the file
    std::string revision_;     // of the columns in which they were: what changed since is looked at again
};

} // namespace moorfrost::app
