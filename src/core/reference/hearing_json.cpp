// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/hearing_json.h"

#include "core/reference/json_reader.h"

namespace moorfrost::reference {

std::string toJson(const std::vector<sound::Fingerprint>& sounds) {
    Json all = Json::array();
    for (const sound::Fingerprint& f : sounds)
        all.push_back({{"seconds", f.seconds}, {"items", f.items}});
    return writtenAnswer({{"algorithm", 2}, {"sounds", std::move(all)}});
}

Result<std::vector<sound::Fingerprint>> soundsFromJson(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j)
        return j.error();
    Reader r;
    std::vector<sound::Fingerprint> out;
    if (r.number(*j, "algorithm", 100) != 2)
        r.fail("\"algorithm\" is not 2");
    r.objects(*j, "sounds", maxSounds, [&](const Json& v) {
        sound::Fingerprint f;
        f.seconds = r.real(v, "seconds", 0, 1e7);
        for (const Json& item : r.list(v, "items", maxItems)) {
            if (!item.is_number_unsigned() || item.get<uint64_t>() > UINT32_MAX) {
                r.fail("\"items\" has a part that is no whole number of 32 bits");
                return;
            }
            f.items.push_back(item.get<uint32_t>());
        }
        out.push_back(std::move(f));
    });
    if (!r.error.empty())
        return wrongAnswer(r.error);
    return out;
}

std::string toJson(const Heard& heard) {
    Page page;
    page.releases = heard.releases;
    page.total = page.releases.size();
    Json out = Json::parse(toJson(page));
    out["sounds"] = Json::array();
    for (const auto& matches : heard.sounds) {
        Json list = Json::array();
        for (const HeardRecording& m : matches)
            list.push_back(
                {{"recording", m.recording}, {"z", m.z}, {"offset", m.offset}, {"overlap", m.overlap}});
        out["sounds"].push_back({{"matches", std::move(list)}});
    }
    return writtenAnswer(out);
}

Result<Heard> heardFromJson(std::string_view json) {
    auto j = parsedAnswer(json);
    if (!j)
        return j.error();
    Heard out;
    Reader r;
    r.objects(*j, "sounds", maxSounds, [&](const Json& v) {
        out.sounds.emplace_back();
        r.objects(v, "matches", maxHeard, [&](const Json& m) {
            HeardRecording h{r.text(m, "recording", 200), r.real(m, "z", 0, 1000),
                             r.real(m, "offset", -1e7, 1e7), r.real(m, "overlap", 0, 1e7)};
            if (!h.recording.empty())
                out.sounds.back().push_back(std::move(h));
        });
    });
    if (!r.error.empty())
        return wrongAnswer(r.error);
    auto page = pageFromJson(json);
    if (!page)
        return page.error();
    out.releases = std::move(page->releases);
    return out;
}

} // namespace moorfrost::reference
