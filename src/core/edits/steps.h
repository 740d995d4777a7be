// SPDX-License-Identifier: GPL-3.0-or-later
// Edits by name, with options by name: what chains are made of. One table says what there is; the command
// line, the window with its forms, and chain files go by it. Any thread.
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/edits/edits.h"

namespace moorfrost::edits {

struct OptionDef {
    enum class Kind {
        Fields, // keys, in order
        Field,  // a key
        Text,   // as it stands: a space is a space
        Number, // whole, may be negative
        Choice, // one of `choices`
        Flag,   // "yes" or "no"
        Plan,   // text of a plan (docs/plans.md)
    };
    struct Choice {
        std::string value, label;
    };
    std::string name;  // in files: "with"
    std::string label; // for people: "put"
    Kind kind = Kind::Text;
    std::string preset = {}; // what it is, unless it is said; of Fields: with "," between
    std::vector<Choice> choices = {};
    bool mayBeBlank = false; // Fields: none is all of them; Text: nothing
    std::string hint = {};   // shown where nothing is said yet
};

/// By name of the option. Only Fields may hold several.
using Options = std::map<std::string, std::vector<std::string>>;

struct StepKind {
    std::string name;  // in files and on the command line: "find-replace"
    std::string label; // "Find and replace"
    std::string does;  // a few words
    std::vector<OptionDef> options;
    bool needsFacts = false; // Subject::facts and Subject::folder
    /// What is left out of the options is as preset. An Error (Invalid) where they make no sense.
    Result<Proposals> (*run)(const std::vector<Subject>& files, const Options& options);
};

const std::vector<StepKind>& stepKinds();
/// nullptr if there is none of that name.
const StepKind* stepKind(const std::string& name);
/// What an option says, else its preset. Flag: "yes" or "no".
std::string said(const Options& options, const OptionDef& option);
std::vector<std::string> saidFields(const Options& options, const OptionDef& option);
/// Empty, or a sentence: an option that the step does not have, or a value that it cannot take. What is
/// missing is not complained of.
std::string whyNotOptions(const StepKind& kind, const Options& options);

} // namespace moorfrost::edits
