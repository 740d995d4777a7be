// SPDX-License-Identifier: GPL-3.0-or-later
// What each screen is for, as it is told by F1.
#include "app/shell/main_window.h"

#include "app/bench/bench_page.h"

namespace moorfrost::app {

void MainWindow::explainScreen() {
    QString text;
    switch (workspace()) {
    case Bench:
        text = tr("The bench is where a batch of files is worked on, from left to right. Bring in reads "
                  "folders. Describe changes fields: "
                  "what you type is a draft, marked with a notch; hold Alt to see what is on disk. Put away "
                  "shows where each file would go. "
                  "Nothing touches a file before you say Write, and what was written can be taken back in "
                  "the Journal.");
        break;
    case Library:
        text = tr(
            "Everything that was put away. Words are found anywhere in the text. A question asks one field: "
            "artist:varnholt, year:1970-1989, length:<60, missing:isrc, genre:folk,choral, "
            "added:>2026-01-01; "
            "\"quotes\" keep words together, \"not\" and \"or\" join questions, brackets group them. A click "
            "on a "
            "value on the left asks for it. Enter goes to the tracks, Space plays, Ctrl+B sends to the "
            "bench. "
            "Click a column to sort by it, with Shift within what is sorted; right-click the columns to "
            "choose "
            "them. Above are collections: drag tracks to a list, drag lists to folders (with Ctrl they stand "
            "in "
            "both); in a list Alt+Up and Alt+Down move tracks, Del takes them out, Esc leaves it. Two chosen "
            "tracks are compared by ear with Ctrl+Alt+X.");
        break;
    case Releases:
        text = tr(
            "Every edition of the library: those on the shelves, made of their tags, and those that you "
            "enter. Type over a fact or a title to change it: it is kept in the library, the files stay as "
            "they are until you write to them. Beside each fact stands where it came from; a right click "
            "says that there is none, or goes back to what the files tell. Space plays, Alt+Up and Alt+Down "
            "move tracks, Ins adds one. Several chosen releases become editions of one set by a right "
            "click.");
        break;
    case Audit:
        text = tr(
            "What is wrong in the whole library, rule by rule, each with its reason and evidence. Enter "
            "takes the fix of what is chosen, as drafts; Delete leaves it as it is, with a reason, until "
            "its facts change. Below the rules the chosen one can be switched off, weighed and given its "
            "limit. The library is looked through again whenever something changes. \"Codes to fill\" lists "
            "the recordings that lack their ISRC, and looks them up.");
        break;
    case Deliver:
        text = tr(
            "What goes out, and what comes back. On the left are the ways, and below them the tracks that "
            "go: "
            "add them by the search, put them in order with Alt+Up and Alt+Down, take them off with Delete. "
            "Each way shows what will come of it before anything is made. Rows of lists are moved with the "
            "mouse or Alt+Up and Alt+Down. Layouts are kept by name and handed on. What was delivered is "
            "noted, with what has changed since, and is made again from there.");
        break;
    case Journal:
        text = tr("Every write is a line here, newest first. Choose one to see each file before and after. A "
                  "set, or some of its files, can be taken "
                  "back as long as nothing else has changed the files since.");
        break;
    case Settings:
        text = tr("Settings are kept at once; there is nothing to confirm.");
        break;
    case Review:
        text = tr("All drafts and moves, what will be beside what is now. Delete drops the chosen ones. "
                  "Write carries out the rest.");
        break;
    case Interruption:
        text = tr("What became of each file of a write that was interrupted. The Journal has the same, for "
                  "later.");
        break;
    }
    say(text, false);
    messageTimer_.start(30000);
}

} // namespace moorfrost::app
