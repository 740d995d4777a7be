// SPDX-License-Identifier: GPL-3.0-or-later
// Fields as they will be when their drafts are written. Any thread.
#pragma once

#include "core/library/records.h"

namespace moorfrost::library {

/// Puts the drafts of a file over its fields; those of places and pictures are left out.
inline void putDrafts(tags::Fields& fields, const std::map<std::string, Draft>& drafts) {
    for (const auto& [field, draft] : drafts) {
        if (field.starts_with('@'))
            continue;
        if (draft.values.empty())
            fields.erase(field);
        else
            fields[field] = draft.values;
    }
}

} // namespace moorfrost::library
