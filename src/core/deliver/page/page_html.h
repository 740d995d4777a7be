// SPDX-License-Identifier: GPL-3.0-or-later
// A share page as HTML: one file with its style and program inside, which may load nothing but the sounds and
// the picture beside it. All text is escaped. Any thread.
#pragma once

#include <map>

#include "core/deliver/page/page_subject.h"

namespace moorfrost::deliver {

/// What was made for the page, as it lies beside it. Names are told from the page.
struct PageFiles {
    struct Sound {
        std::string listen;       // "sound/01 Lanterns.mp3"; "" where it could not be made
        std::string take;         // "": it cannot be taken
        std::vector<float> shape; // heights, 0 to 1
        double seconds = 0;       // of what was made
    };
    std::map<std::string, Sound> sounds; // by id
    std::string picture, all, oneSheet;  // "" for none
};

/// `id`: by which comments that come back are told to be of this page.
std::string pageHtml(const PageSubject& subject, const PageLayout& layout, const PageFiles& files,
                     const std::string& id, const std::string& style, const std::string& program);

/// A waveform as the path of a picture of 480 by 60.
std::string wavePath(const std::vector<float>& shape);
/// A name as it stands in an address.
std::string addressOf(const std::string& name);

} // namespace moorfrost::deliver
