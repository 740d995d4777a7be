// SPDX-License-Identifier: GPL-3.0-or-later
// A share page as a folder: the page, its sounds, its picture, what can be taken from it. Made beside its
// place, and under its name when it is whole. Any thread; takes its time.
#pragma once

#include <stop_token>

#include "core/deliver/page/page_html.h"
#include "core/work/progress.h"

namespace moorfrost::deliver {

struct PagePlan {
    PageSubject subject;
    PageLayout layout;
    std::string oneSheet; // a PDF that goes with it; "" for none
    Path target;          // the folder; one of an earlier page is replaced
    std::string id;       // by which comments are told to be of this page: newPageId()
};
/// Letters that say nothing of the library.
std::string newPageId();

struct PageMade {
    Path page; // to be opened
    size_t tracks = 0, sounds = 0;
    uint64_t bytes = 0;
    std::vector<std::string> trouble;                  // sentences: what could not be made
    std::map<std::string, library::FileId> tracksById; // for comments that come back
};

/// Sounds that cannot be read are told, and stand on the page without being heard. An Error where the folder
/// cannot be made (it is there and is none of ours, the disk is full), or (Cancelled) after a stop: nothing
/// is left then, and an earlier page is as it was.
Result<PageMade> makePage(const PagePlan& plan, std::stop_token stop, work::Progress& progress);

/// Whether the folder is a page that was made here.
bool isPageFolder(const Path& folder);

} // namespace moorfrost::deliver
