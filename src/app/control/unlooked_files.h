// SPDX-License-Identifier: GPL-3.0-or-later
// Files on the shelves that were not looked at in this run, for those who look at each once in the
// background.
#pragma once

#include <functional>
#include <memory>
#include <vector>

#include "app/control/library_access.h"
#include "core/library/search/searcher.h"

namespace moorfrost::app {

class UnlookedFiles {
public:
    /// `then` gets those that are there, can be read and were not looked at yet; from now on they are. A
    /// million rows are gone through on the thread of the library.
    void take(LibraryAccess& library, QObject* asker, std::shared_ptr<const library::Searcher> searcher,
              std::function<void(Result<std::vector<library::FileId>>)> then);

private:
    std::vector<bool> looked_; // by the number of the file
};

} // namespace moorfrost::app
