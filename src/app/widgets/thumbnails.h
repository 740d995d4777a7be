// SPDX-License-Identifier: GPL-3.0-or-later
// Small square covers on disk, in the cache folder of the person, under the hash of what they were made from:
// the place of a file, its size and its time. Any thread.
#pragma once

#include <QImage>

#include "core/files/scan.h"

namespace moorfrost::app::thumbnails {

/// The front cover of the file, `side` pixels wide and high; null where it has none. Small ones are kept on
/// disk from the first time on.
QImage of(const Path& file, const files::FileState& state, int side);

/// A picture that lies in a file of its own, or else in a file of sound under its checksum, `side` pixels
/// wide and high. Not kept on disk.
QImage ofPicture(const Path& picture, const Path& holder, uint64_t hash, int side);

/// Where they are kept.
QString folder();
/// Removes those that were made longest ago, when all together are more than `most` bytes.
void prune(qint64 most);

} // namespace moorfrost::app::thumbnails
