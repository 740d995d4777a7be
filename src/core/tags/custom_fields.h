// SPDX-License-Identifier: GPL-3.0-or-later
// Custom fields that were described: with a label, a kind, choices of their own and a place in files. Once
// they are told to defineCustomFields, the table of fields (tags/fields) knows them as it knows the standard
// ones. Others found in files stay text under their own name.
#pragma once

#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/tags/fields.h"

namespace moorfrost::tags {

struct CustomField {
    std::string label; // "Source tape"
    /// The name under which it is in files, in capitals: in Vorbis comments, as user text in ID3, as free
    /// name in M4A, APE and ASF. It never changes, so that what is in files is never lost from sight.
    std::string place;
    FieldKind kind = FieldKind::Text; // Text, Decimal, Date, YesNo or Choice
    bool several = false;
    std::vector<std::string> choices; // of a Choice

    /// Its key everywhere else: what it would have without being described.
    std::string key() const;
    bool operator==(const CustomField&) const = default;
};

/// A name in files made of a label: "Källband nr" gives "KALLBAND NR".
std::string placeFromLabel(const std::string& label);
/// Empty if it may stand beside `others`, else a sentence that says why not. `reserved`: lower-case names
/// that mean something else in plans and in searches.
std::string whyNotDescribed(const CustomField& field, const std::vector<CustomField>& others,
                            const std::vector<std::string>& reserved);

/// One word for a kind: "text", "number", "date", "yes or no", "choice"; as JSON has it.
const char* wordOf(FieldKind kind);

std::string customFieldsJson(const std::vector<CustomField>& fields);
/// An Error (Damaged) where it is no such list. What whyNotDescribed speaks against is an error, too.
Result<std::vector<CustomField>> customFieldsFromJson(const std::string& json);

/// From now on the table of fields knows these, in this process, and no longer those of before. Any thread;
/// definitions that others hold stay valid to the end of the process.
void defineCustomFields(const std::vector<CustomField>& fields);
/// As they were told last.
std::vector<CustomField> definedCustomFields();
/// The keys of all custom fields: of those that were described, in the order of their labels, then of the
/// others among `found`.
std::vector<std::string> withDescribed(const std::vector<std::string>& found);

} // namespace moorfrost::tags
