// SPDX-License-Identifier: GPL-3.0-or-later
// Edits that take values from one field to another. Any thread.
#pragma once

#include "core/edits/edits.h"

namespace moorfrost::edits {

/// What becomes of values that stand where others go.
enum class Present { Replaced, Kept, Before, After }; // Before, After: what comes is put before or after it

/// The values of one field into another, where there are any. Text that is put before or after is parted from
/// what is there by a space; in fields that hold several values it becomes another value.
Proposals copyField(const std::vector<Subject>& files, const std::string& from, const std::string& to,
                    Present present = Present::Replaced);
/// The same, and the first field is blank then. Where the other one is kept, nothing is moved.
Proposals moveField(const std::vector<Subject>& files, const std::string& from, const std::string& to,
                    Present present = Present::Replaced);
Proposals swapFields(const std::vector<Subject>& files, const std::string& a, const std::string& b);
/// The text of a field at a separator: into several values of the same field, or into one field after the
/// other; the last takes what is left. Files without the separator stay as they are.
Proposals splitField(const std::vector<Subject>& files, const std::string& field,
                     const std::string& separator, const std::vector<std::string>& into);
/// All values of these fields as one text, with the separator between them.
Proposals joinFields(const std::vector<Subject>& files, const std::vector<std::string>& fields,
                     const std::string& separator, const std::string& into);

} // namespace moorfrost::edits
