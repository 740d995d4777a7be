// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/details.h"

#include <nlohmann/json.hpp>

namespace moorfrost::library {

using nlohmann::json;

std::string detailsText(const tags::TagFile& f) {
    json out = json::object();
    if (!f.facts.encoder.empty())
        out["encoder"] = f.facts.encoder;
    if (f.facts.rateKind != tags::RateKind::Unknown)
        out["variable"] = f.facts.rateKind == tags::RateKind::Variable;
    if (f.facts.gapless.known)
        out["gapless"] = {f.facts.gapless.delay, f.facts.gapless.padding};
    for (const auto& [name, value] : f.facts.remarks)
        out["remarks"].push_back({name, value});
    if (!f.tags.empty())
        out["tags"] = f.tags;
    for (const tags::Difference& d : f.differences)
        out["differences"].push_back({{"key", d.key}, {"tag", d.tag}, {"values", d.values}});
    if (!f.unknown.empty())
        out["unknown"] = f.unknown;
    if (!f.readOnly.empty())
        out["read_only"] = f.readOnly;
    return out.empty() ? std::string() : out.dump(-1, ' ', false, json::error_handler_t::replace);
}

void takeDetails(const std::string& text, tags::TagFile& f) {
    if (text.empty())
        return;
    json in = json::parse(text, nullptr, false);
    if (!in.is_object())
        return;
    try {
        f.facts.encoder = in.value("encoder", std::string());
        if (in.contains("variable"))
            f.facts.rateKind =
                in["variable"].get<bool>() ? tags::RateKind::Variable : tags::RateKind::Constant;
        if (in.contains("gapless"))
            f.facts.gapless = {true, in["gapless"].at(0).get<uint32_t>(),
                               in["gapless"].at(1).get<uint32_t>()};
        for (const json& r : in.value("remarks", json::array()))
            f.facts.remarks.emplace_back(r.at(0).get<std::string>(), r.at(1).get<std::string>());
        f.tags = in.value("tags", std::vector<std::string>());
        for (const json& d : in.value("differences", json::array()))
            f.differences.push_back({d.at("key").get<std::string>(), d.at("tag").get<std::string>(),
                                     d.at("values").get<std::vector<std::string>>()});
        f.unknown = in.value("unknown", std::vector<std::string>());
        f.readOnly = in.value("read_only", std::string());
    } catch (const json::exception&) {
        // Written by something else: what was taken so far stays.
    }
}

} // namespace moorfrost::library
