// SPDX-License-Identifier: GPL-3.0-or-later
// Comments that somebody noted on a share page and sent back, as the file that the page saves. Any thread.
#pragma once

#include "core/base/result.h"
#include "core/library/kept_change.h"
#include "core/library/store/delivery_table.h"
#include "core/library/store/store.h"

namespace moorfrost::deliver {

struct PageNotes {
    std::string page, title, who;
    struct Note {
        std::string track; // its id on the page
        double seconds = 0;
        std::string text;
        int rating = 0;
        int64_t when = 0;
    };
    std::vector<Note> notes;
};
/// Untrusted: sizes are bounded, texts are plain. An Error (Invalid) says what it is not.
Result<PageNotes> readPageNotes(const Path& file);
Result<PageNotes> pageNotesFrom(std::string_view json);

/// Of which delivery they are, by the id of the page; with the file of each track. On the thread of the
/// store.
struct NotesOfDelivery {
    int64_t delivery = 0; // 0: no such page was delivered from this library
    std::vector<library::DeliveryNote> notes;
    size_t unknown = 0; // of tracks that the page does not have
};
NotesOfDelivery notesOf(library::Store& store, const PageNotes& notes);

/// Comments with a place as bookmarks of the tracks, with who said so, beside those that there are: one
/// change of the journal. On the thread of the store.
Result<library::ChangeOutcome>
markNotes(library::Store& store, const std::vector<library::DeliveryNote>& notes, const std::string& title);

/// What a delivery of a page keeps for that, and the way back.
std::string pageContent(const std::string& id, const std::map<std::string, library::FileId>& tracks);

} // namespace moorfrost::deliver
