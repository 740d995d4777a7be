// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/share_template.h"

#include <nlohmann/json.hpp>

#include "core/text/text.h"

namespace moorfrost::library {

using Json = nlohmann::ordered_json;

std::string templateText(const ShareTemplate& shares) {
    Json out = {{"name", shares.name}};
    for (const Side side : allSides)
        if (const auto& some = shares.sides[static_cast<size_t>(side)]; !some.empty())
            out[sideKey(side)] = shareTexts(some);
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<ShareTemplate> templateFrom(const std::string& text) {
    const Json in = Json::parse(text, nullptr, false);
    const Error none{ErrorKind::Invalid, {}, "These are no shares that were kept by name."};
    if (!in.is_object() || !in.contains("name") || !in["name"].is_string())
        return none;
    ShareTemplate out;
    out.name = in["name"].get<std::string>();
    bool any = false;
    for (const Side side : allSides) {
        if (!in.contains(sideKey(side)))
            continue;
        const Json& texts = in[sideKey(side)];
        if (!texts.is_array())
            return none;
        std::vector<std::string> some;
        for (const Json& one : texts) {
            if (!one.is_string())
                return none;
            some.push_back(one.get<std::string>());
        }
        auto& shares = out.sides[static_cast<size_t>(side)];
        shares = sharesFrom(some);
        if (const std::string why = whyNotShares(side, shares); !why.empty())
            return Error{ErrorKind::Invalid, {}, why};
        any = any || !shares.empty();
    }
    if (!any || text::trim(out.name).empty())
        return none;
    return out;
}

std::vector<ShareTemplate> templatesFrom(const std::vector<std::string>& texts) {
    std::vector<ShareTemplate> out;
    for (const std::string& one : texts)
        if (auto shares = templateFrom(one))
            out.push_back(std::move(*shares));
    return out;
}

std::vector<std::string> withTemplate(const std::vector<std::string>& texts, const ShareTemplate& shares) {
    std::vector<std::string> out = withoutTemplate(texts, shares.name);
    out.push_back(templateText(shares));
    return out;
}

std::vector<std::string> withoutTemplate(const std::vector<std::string>& texts, const std::string& name) {
    std::vector<std::string> out;
    for (const std::string& one : texts) // what cannot be read may be of a later version: it stays
        if (const auto shares = templateFrom(one); !shares || text::fold(shares->name) != text::fold(name))
            out.push_back(one);
    return out;
}

} // namespace moorfrost::library
