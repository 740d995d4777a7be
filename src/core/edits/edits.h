// SPDX-License-Identifier: GPL-3.0-or-later
// Edits as functions: from the values of some files to values that are proposed for them, each with where it
// comes from. Nothing is changed here. Pages, the command line and chains of steps use the same ones. Any
// thread.
#pragma once

#include <cstdint>
#include <map>
#include <string>
#include <vector>

#include "core/tags/fields.h"

namespace moorfrost::edits {

/// A file as an edit sees it.
struct Subject {
    int64_t file = 0;                              // the caller's number for it
    tags::Fields fields;                           // as they will be: drafts put in
    std::vector<std::string> chosen = {};          // keys of the fields that the edit is about
    std::map<std::string, std::string> facts = {}; // placing::factsOf; only for steps that ask for them
    std::string folder = {};                       // that it lies in; only for steps that ask for it
};

struct Proposal {
    int64_t file = 0;
    std::string field;
    std::vector<std::string> values; // none: the field is to be blank
    std::string origin;              // "casing", "copied from artist"; for people
    bool operator==(const Proposal&) const = default;
};
using Proposals = std::vector<Proposal>;

/// None where the field is blank.
const std::vector<std::string>& valuesOf(const Subject& file, const std::string& field);

/// The chosen fields, where they hold anything.
Proposals blank(const std::vector<Subject>& files);
/// For each chosen field: what the first file of those that have it chosen says, for all that follow.
Proposals fillDown(const std::vector<Subject>& files);
/// Text that was read in the wrong encoding, read again. `encoding`: a name of text::encodingNames(); none:
/// of each file the one that it most likely was in.
Proposals mendText(const std::vector<Subject>& files, const std::string& encoding = {});

struct Series {
    std::string field = "track";
    int first = 1;
    int by = 1;
    int digits = 0;          // at least so many; 0: as it comes
    bool eachFolder = false; // begins anew in each folder
    bool operator==(const Series&) const = default;
};
/// 1, 2, 3 ... in the order of the files.
Proposals number(const std::vector<Subject>& files, const Series& series = {});

} // namespace moorfrost::edits
