// SPDX-License-Identifier: GPL-3.0-or-later
// Edits as functions: from the values of some files to values that are proposed for them, each with where it
// comes from. Nothing is changed here. Pages, the command line and chains of steps use the same ones. Any
// thread.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::edits {

/// A file as an edit sees it.
struct Subject {
    int64_t file = 0;                // the caller's number for it
    tags::Fields fields;             // as they will be: drafts put in
    std::vector<std::string> chosen; // keys of the fields that the edit is about
};

struct Proposal {
    int64_t file = 0;
    std::string field;
    std::vector<std::string> values; // none: the field is to be blank
    std::string origin;              // "casing", "copied from artist"; for people
    bool operator==(const Proposal&) const = default;
};
using Proposals = std::vector<Proposal>;

enum class Casing { Title, Sentence, Lower, Upper };

/// Of the chosen fields, those that hold free text; codes, numbers and dates stay as they are. By the rules
/// of text/text.
Proposals changeCase(const std::vector<Subject>& files, Casing casing);
/// Track numbers in the order of the files.
Proposals numberTracks(const std::vector<Subject>& files, int first = 1);
/// The values of one field into another, where there are any.
Proposals copyField(const std::vector<Subject>& files, const std::string& from, const std::string& to);
/// The chosen fields, where they hold anything.
Proposals blank(const std::vector<Subject>& files);
/// For each chosen field: what the first file of those that have it chosen says, for all that follow.
Proposals fillDown(const std::vector<Subject>& files);
/// Text that was read in the wrong encoding, read again. `encoding`: a name of text::encodingNames(); none:
/// of each file the one that it most likely was in.
Proposals mendText(const std::vector<Subject>& files, const std::string& encoding = {});

// The same by name, for scripts and chains.

struct StepOptions {
    std::vector<std::string> fields = {}; // keys
    std::string casing = {};              // "title", "sentence", "lower", "upper"
    std::string encoding = {};            // as for mendText
    std::string from = {}, to = {};       // keys
    int first = 1;
};
struct StepInfo {
    const char* name;
    const char* does; // a few words
    /// An Error (kind Invalid) where the options make no sense. `files`: what is chosen of each is taken from
    /// the options.
    Result<Proposals> (*run)(const std::vector<Subject>& files, const StepOptions& options);
};
const std::vector<StepInfo>& allSteps();
/// nullptr if there is none of that name.
const StepInfo* stepByName(const std::string& name);

} // namespace moorfrost::edits
