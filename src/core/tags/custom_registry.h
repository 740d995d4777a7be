// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the table of fields: the custom ones that were described. It is read by any thread at any time and
// changed hardly ever, so what was told once is kept to the end of the process and readers need no lock.
#pragma once

#include <atomic>
#include <map>
#include <memory>
#include <mutex>

#include "core/tags/custom_fields.h"

namespace moorfrost::tags {

class CustomRegistry {
public:
    static CustomRegistry& instance();

    void define(const std::vector<CustomField>& fields);
    /// nullptr if there is none.
    const FieldDef* byKey(std::string_view key) const;
    /// By key or label, ignoring case.
    const FieldDef* byName(std::string_view name) const;
    std::vector<CustomField> fields() const;

private:
    struct State {
        std::vector<CustomField> fields;
        std::vector<FieldDef> defs;
        std::map<std::string, const FieldDef*, std::less<>> byKey, byName;
    };
    std::mutex writing_;                      // guards all_
    std::vector<std::unique_ptr<State>> all_; // that were ever told
    std::atomic<const State*> now_ = nullptr; // one of all_
};

} // namespace moorfrost::tags
