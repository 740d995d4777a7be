// SPDX-License-Identifier: GPL-3.0-or-later
// Text found in fields and replaced: as it stands, or by a regular expression. Any thread.
#pragma once

#include "core/base/result.h"
#include "core/edits/edits.h"

namespace moorfrost::edits {

struct FindReplace {
    std::vector<std::string> fields; // keys
    std::string find = {}, with = {};
    bool expression = false; // ICU's regular expressions; $1, ${name} in what is put
    bool matchCase = false;
    bool wholeWords = false;
};

/// What becomes blank is a value less. An Error (Invalid) with a sentence: nothing to find, an expression
/// that is not understood (with the place), or one that takes longer than a fifth of a second for one value.
Result<Proposals> findReplace(const std::vector<Subject>& files, const FindReplace& how);

} // namespace moorfrost::edits
