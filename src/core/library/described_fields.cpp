// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/described_fields.h"

#include "core/base/log.h"
#include "core/library/search/query_fields.h"
#include "core/library/settings.h"
#include "core/library/store/store.h"
#include "core/naming/plan.h"
#include "core/tags/custom_fields.h"

namespace moorfrost::library {

void defineFieldsOf(Store& store) {
    const std::string kept = store.settings().get(settings::customFields);
    Result<std::vector<tags::CustomField>> fields =
        kept.empty() ? std::vector<tags::CustomField>() : tags::customFieldsFromJson(kept);
    if (!fields)
        log::warning(log::About::Library, "{}", fields.error().message);
    tags::defineCustomFields(fields ? *fields : std::vector<tags::CustomField>());
}

std::vector<std::string> reservedNames() {
    std::vector<std::string> out = naming::factNames();
    out.emplace_back("picture");
    for (const std::string& name : specialNames())
        out.push_back(name);
    return out;
}

} // namespace moorfrost::library
