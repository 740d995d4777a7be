// SPDX-License-Identifier: GPL-3.0-or-later
// The desktop's list of what was used lately: recently-used.xbel in the XDG data folder, as the
// freedesktop.org Desktop Bookmark specification has it. What other programs put there stays.
#pragma once

#include <QByteArray>
#include <QDateTime>
#include <QString>

#include <optional>

#include "core/base/result.h"

namespace moorfrost::app::recent_files {

/// Where the list is.
Path listOfDesktop();
/// The list with this file or folder in it, used then by this program; nothing where `list` cannot be read:
/// it is to stay as it is then. An empty one is a new list. Any thread.
std::optional<QByteArray> withUse(const QByteArray& list, const Path& used, const QDateTime& when);
/// Puts it there, in the background. Where that fails, nothing comes of it.
void note(const Path& used, const Path& list = listOfDesktop());
/// Until all that was to be noted is.
void wait();

} // namespace moorfrost::app::recent_files
