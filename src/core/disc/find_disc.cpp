// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/find_disc.h"

#include <algorithm>
#include <optional>
#include <set>

namespace moorfrost::disc {

namespace {

constexpr int32_t lead = 150; // references count from where the lead begins
constexpr size_t most = 8;    // variants

} // namespace

Toc tocOf(const reference::Medium& medium) {
    if (medium.discTable.size() < 2)
        return {};
    std::string table = std::to_string(medium.discTable.size() - 1);
    for (const int64_t at : medium.discTable)
        table += " " + std::to_string(at);
    return tocFromTable(table);
}

namespace {

/// Those of its media that may be this disc.
void take(const reference::Release& release, const Toc& toc, reference::Reference& from, bool byTable,
          std::vector<Variant>& out) {
    for (size_t m = 0; m < release.media.size(); ++m) {
        if (release.media[m].tracks.size() != toc.tracks.size())
            continue;
        const Toc there = tocOf(release.media[m]);
        const int32_t distance = there.tracks.empty() ? -1 : tableDistance(toc, there);
        if (byTable ? distance < 0 || distance > likeTable : distance > likeTable)
            continue;
        out.push_back({from.key(), from.name(), release, m, distance});
    }
}

} // namespace

Result<std::vector<Variant>> findDisc(const std::vector<reference::Reference*>& references, const Toc& toc,
                                      const tags::Fields& said, std::stop_token stop) {
    reference::Question byTable;
    for (const TocTrack& t : toc.tracks)
        byTable.discTable.push_back(t.start + lead);
    byTable.discTable.push_back(toc.leadOut + lead);
    reference::Question byWords;
    byWords.artist = tags::firstValue(said, "album_artist");
    byWords.album = tags::firstValue(said, "album");
    byWords.barcode = toc.mediaNumber;
    std::vector<Variant> out;
    std::optional<Error> failed;
    bool asked = false;
    for (const bool table : {true, false}) {
        const reference::Question& question = table ? byTable : byWords;
        if (question.isEmpty() || (!table && !out.empty()))
            continue;
        for (reference::Reference* reference : references) {
            auto found = reference->find(question, stop);
            if (!found) {
                if (found.error().kind == ErrorKind::Cancelled)
                    return found.error();
                failed = found.error();
                continue;
            }
            asked = true;
            std::set<std::string> seen;
            for (const reference::Release& release : *found) {
                if (stop.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "Stopped."};
                if (out.size() >= most || !seen.insert(release.id).second)
                    continue;
                if (reference->tellsAllAtOnce()) {
                    take(release, toc, *reference, table, out);
                } else if (auto whole = reference->fetch(release.id, stop)) {
                    take(*whole, toc, *reference, table, out);
                } else {
                    failed = whole.error();
                }
            }
        }
    }
    if (out.empty() && failed && !asked)
        return *failed;
    std::ranges::stable_sort(out, [](const Variant& a, const Variant& b) {
        auto rank = [](const Variant& v) { return v.distance < 0 ? likeTable + 1 : v.distance; };
        return rank(a) < rank(b);
    });
    return out;
}

} // namespace moorfrost::disc
