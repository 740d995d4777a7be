// SPDX-License-Identifier: GPL-3.0-or-later
// Chains: steps in a row, with a name, that can be run again and shared as a JSON file (docs/chains.md). Any
// thread.
#pragma once

#include <stop_token>
#include <string>
#include <string_view>
#include <vector>

#include "core/edits/steps.h"

namespace moorfrost::edits {

struct Step {
    std::string kind; // name of a StepKind
    Options options;
    bool operator==(const Step&) const = default;
};

struct Chain {
    std::string name;
    std::vector<Step> steps;
    bool operator==(const Chain&) const = default;
};

inline constexpr size_t mostSteps = 100;

struct Outcome {
    Proposals proposals; // each field of a file once, and only what is otherwise than before
    struct Refused {
        int64_t file = 0;
        std::string field, why;
    };
    std::vector<Refused> refused; // what a field cannot hold: it stays as it is
};

/// Each step sees what those before it made. An Error (Invalid) says which step makes no sense, and why;
/// Cancelled if it was stopped.
Result<Outcome> run(const Chain& chain, std::vector<Subject> files, std::stop_token stop = {});
/// Whether Subject::facts and Subject::folder are to be given.
bool needsFacts(const Chain& chain);

/// `oneLine`: without line breaks.
std::string chainJson(const Chain& chain, bool oneLine = false);
/// An Error (Damaged) with a sentence that names the line: what is no chain, an unknown step or option, a
/// value that an option cannot take. Nothing of such a file is used.
Result<Chain> chainFromJson(std::string_view json);

} // namespace moorfrost::edits
