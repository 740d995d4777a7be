// SPDX-License-Identifier: GPL-3.0-or-later
// Long work that goes on after a restart: remembered in the library from its beginning to its end, whether
// that comes in this run of the program or in another. Who can do a kind of work says so.
#pragma once

#include <QObject>

#include <functional>
#include <map>

#include "app/control/library_access.h"

namespace moorfrost::app {

class LastingWorks : public QObject {
    Q_OBJECT
public:
    /// Goes on with work that was cut off; begins it with begin() again.
    using GoOn = std::function<void(const std::string& details)>;

    explicit LastingWorks(LibraryAccess& library) : library_(library) {}

    void setDoer(const std::string& kind, GoOn goOn) { doers_[kind] = std::move(goOn); }
    /// It begins. `details`: what it needs to go on.
    int64_t begin(const std::string& kind, const std::string& details);
    /// It has ended, was stopped by a person or failed: it is not to be gone on with.
    void end(int64_t id);
    /// Goes on with everything that an earlier run of the program left. Once, when all is loaded.
    void goOn();

private:
    LibraryAccess& library_;
    std::map<std::string, GoOn> doers_;
};

} // namespace moorfrost::app
