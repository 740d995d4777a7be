// SPDX-License-Identifier: GPL-3.0-or-later
// What moorfrost-cli does. Each returns the exit code: 0 all is well, 1 some files failed, 2 it was asked
// wrongly.
#pragma once

#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::cli {

struct Options {
    double fromSeconds = 0, untilSeconds = 0; // of a spectrogram
    int highest = 0;                          // Hz
    int width = 1000, height = 360;           // pixels
    bool measure = false;                     // of audit
    double oldest = 0;                        // gigabytes, of verify
    std::vector<std::string> paths;
    std::vector<std::string> fields;     // name=value; of a step: names
    std::vector<std::string> pictures;   // type=file
    std::vector<std::string> noPictures; // types
    std::string step, casing, encoding, from, to;
    std::string first;
    std::vector<std::string> stepOptions; // name=value
    std::string chain;                    // a file
    std::string plan;
    std::string shelf;
    std::string library; // "": the default
    std::string query;
    std::string names = "portable";
    int64_t set = 0;
    bool copy = false, rename = false;
    std::string onClash = "ask", along = "all", replacedTo;
    bool dryRun = false;
    bool suggest = false;
    bool noSubfolders = false;
    bool evenDamaged = false; // files that are cut short are written to where their sound stays as it is
    std::string otherNames;   // "all" or "this": what to do with hard links; "": leave such files out
    bool keepTimes = false;
    bool sha256 = false;
    bool store = false;
    std::string against;           // a file of fixity lines
    std::string list;              // of checksums
    std::vector<std::string> sort; // field or field:down
    std::vector<std::string> by;   // facets
    size_t limit = 0;              // 0: all
    bool count = false;
    bool beginnings = false;
    std::string ways = "name,codes"; // to identify by
    bool takeSure = false;
    std::string referenceData; // a folder; "": as the library has it
    int port = 0;
    std::string into; // a folder
    std::string format = "flac";
    std::string edition, offset, log; // of a rip
    std::string when, where, note;    // of a use
    std::string name, rewrite;        // of a collection; FROM=TO of places in a playlist
    bool absolute = false;            // places in a playlist
    bool eject = false;
    bool json = false;
    std::vector<std::string> writers, publishers; // name=share=roles
    bool csv = false;
    std::vector<std::string> rules; // of the audit: their keys
    bool take = false;              // what is sure, as drafts
    std::string layout;             // of a sheet: its name, or a file with one
    std::string forWhom;            // of a delivery
};

int scan(const Options& options);
int releases(const Options& options);
int release(const Options& options);
int families(const Options& options);
int party(const Options& options);
int work(const Options& options);
int shares(const Options& options);
int oneSheet(const Options& options);
int exportRows(const Options& options);
int importRows(const Options& options);
int sharePage(const Options& options);
int device(const Options& options);
int package(const Options& options);
int setFields(const Options& options);
int step(const Options& options);
int runChain(const Options& options);
int readNames(const Options& options);
int putAway(const Options& options);
int misplaced(const Options& options);
int settings(const Options& options);
int libraryPlace(const Options& options);
int journal(const Options& options);
int takeBack(const Options& options);
int recording(const Options& options);
int rate(const Options& options);
int uses(const Options& options);
int rescanShelves(const Options& options);
int collections(const Options& options);
int lists(const Options& options);
int exportPlaylist(const Options& options);
int importPlaylist(const Options& options);
int identify(const Options& options);
int reference(const Options& options);
int fingerprint(const Options& options);
int sound(const Options& options);
int spectrogram(const Options& options);
int match(const Options& options);
int duplicates(const Options& options);
int disc(const Options& options);
int search(const Options& options);
int facets(const Options& options);
int stats(const Options& options);
int fixity(const Options& options);
int audit(const Options& options);
int codes(const Options& options);
int verify(const Options& options);
int decode(const Options& options);
int checksums(const Options& options);

} // namespace moorfrost::cli
