// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures that a reference shows of a release: fetched, kept, measured, to be looked at and taken.
#pragma once

#include <QCoreApplication>
#include <QImage>

#include <stop_token>

#include "core/library/picture_store.h"
#include "core/reference/reference.h"
#include "core/work/progress.h"

namespace moorfrost::app {

struct PictureCandidate {
    reference::Picture told; // as the reference has it
    tags::PictureInfo info;  // as it was found to be
    int detail = 0;          // pixels of real detail on the shorter side; 0: not known
    QImage image;            // its middle, for looking at
    QString refused;         // why it cannot be taken; "" if it can
    bool isEnlarged() const;
    int shorterSide() const { return std::min(info.width, info.height); }
};

/// Looks at the middle of a picture as large as it is, in a reading process: of a file of sound (`hash`), or
/// of one that is a picture itself (0). False where it cannot be shown. Waits.
bool lookAtPicture(const Path& file, uint64_t hash, const tags::PictureInfo& info, int& detail, QImage& image,
                   std::string& why);

/// Fetches these, at most two dozen. Waits; after a stop the rest is left out.
std::vector<PictureCandidate> fetchPictures(reference::Reference& from,
                                            const std::vector<reference::Picture>& told,
                                            const library::PictureStore& store, std::stop_token stop,
                                            work::Progress& progress);

} // namespace moorfrost::app
