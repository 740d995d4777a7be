// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/layout_json.h"

namespace moorfrost::deliver {

Error notALayout(const char* what, const std::string& why) {
    return {ErrorKind::Invalid, {}, fmt::format("This is no layout of {}: {}", what, why)};
}

Result<nlohmann::ordered_json> readLayoutJson(std::string_view text, const char* key, const char* what) {
    auto json = nlohmann::ordered_json::parse(text, nullptr, false);
    if (json.is_discarded() || !json.is_object())
        return notALayout(what, "JSON is expected.");
    if (!json.contains(key) || !json[key].is_string() || text::trim(json[key].get<std::string>()).empty())
        return notALayout(what, fmt::format("it has no name (\"{}\").", key));
    json[key] = text::trim(json[key].get<std::string>());
    return json;
}

} // namespace moorfrost::deliver
