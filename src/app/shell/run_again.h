// SPDX-License-Identifier: GPL-3.0-or-later
// The application runs until it ends for good. A run that ends because its library is to be put back, or made
// anew, or brought elsewhere, is followed by just that and by another run, which is told what came of it.
#pragma once

#include <functional>
#include <optional>

#include "app/control/job_list.h"
#include "core/base/result.h"

namespace moorfrost::app {

/// `run` opens the library and returns the code of QApplication::exec(); it has closed everything by then.
/// `told`: what was done about the library just before, to be looked at until it is dismissed; nothing in the
/// first run. Returns the code of the last run. On the interface thread.
int runUntilEnded(const Path& library, const std::function<int(const std::optional<Trouble>& told)>& run);

/// The code of a last run after which another library is this person's: the application is to be started
/// again with the one that `startsWith` tells.
constexpr int startAgainCode = 80;
const Path& startsWith();

} // namespace moorfrost::app
