// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/release_clustering.h"

#include <algorithm>
#include <map>
#include <numeric>
#include <set>

#include <xxhash.h>

#include "core/text/similarity.h"

namespace moorfrost::matching {

namespace {

uint64_t numberOf(const std::string& a, const std::string& b) {
    const std::string both = a + '\n' + b;
    return XXH3_64bits(both.data(), both.size());
}

bool agree(const std::string& a, const std::string& b) {
    return a.empty() || b.empty() || a == b;
}

} // namespace

ClusteringPart::ClusteringPart(const Part& p) : part(&p), inDiscFolder(p.inDiscFolder) {
    release = numberOf(p.folder.native(), {});
    if (p.album.empty())
        return;
    if (!p.artist.empty() && p.artist != "*") {
        albumArtist = numberOf(p.album, p.artist);
        neighbours = numberOf(p.folder.parent_path().native(), p.artist);
    }
    if (!p.byAlbumArtist || p.artist == "*") {
        album = numberOf(p.album, {});
        albumHere = numberOf(p.album, p.folder.parent_path().parent_path().native());
    }
}

std::vector<uint64_t> ClusteringPart::numbers() const {
    std::vector<uint64_t> out;
    uint64_t of = 0;
    for (uint64_t n : {release, albumArtist, neighbours, album, albumHere}) {
        if (n != 0)
            out.push_back((n & ~uint64_t{7}) | of);
        ++of;
    }
    return out;
}

ReleaseClustering::ReleaseClustering(const std::vector<const ClusteringPart*>& parts)
    : parts_(parts), leader_(parts.size()), joined_(parts.size()), togetherOf_(parts.size()) {
    std::iota(leader_.begin(), leader_.end(), size_t{0});
    joinDiscs();
    joinFolders();
    joinMisspelled();
    joinCompilations(&ClusteringPart::albumHere); // others may have the same name elsewhere
    joinCompilations(&ClusteringPart::album);
}

std::vector<ReleaseClustering::Group> ReleaseClustering::groups() {
    std::map<size_t, Group> out;
    for (size_t i = 0; i < parts_.size(); ++i)
        if (joined_[i])
            out[find(i)].members.push_back(i);
    std::vector<Group> list;
    for (auto& [leader, group] : out) {
        std::stable_sort(group.members.begin(), group.members.end(),
                         [&](size_t a, size_t b) { return part(a).files.size() > part(b).files.size(); });
        group.why = togetherOf(leader)->why;
        list.push_back(std::move(group));
    }
    return list;
}

size_t ReleaseClustering::find(size_t i) {
    while (leader_[i] != i)
        i = leader_[i] = leader_[leader_[i]];
    return i;
}

ReleaseClustering::Together* ReleaseClustering::togetherOf(size_t i) {
    const uint32_t at = togetherOf_[find(i)];
    return at == 0 ? nullptr : &together_[at - 1];
}

const Slots& ReleaseClustering::slotsOf(size_t i) {
    const Together* t = togetherOf(i);
    return t ? t->slots : part(i).slots;
}

const std::string& ReleaseClustering::barcodeOf(size_t i) {
    const Together* t = togetherOf(i);
    return t ? t->barcode : part(i).barcode;
}

bool ReleaseClustering::belong(size_t a, size_t b) {
    return complete(slotsOf(a), slotsOf(b)) && agree(barcodeOf(a), barcodeOf(b)) &&
           part(a).exactFolder.native() != part(b).exactFolder.native();
}

void ReleaseClustering::join(size_t a, size_t b, const char* why) {
    a = find(a);
    b = find(b);
    if (a == b)
        return;
    Together all{joined(slotsOf(a), slotsOf(b)), barcodeOf(a).empty() ? barcodeOf(b) : barcodeOf(a), why};
    for (size_t i : {b, a})
        if (const Together* t = togetherOf(i))
            all.why = t->why; // how it began says most
    leader_[b] = a;
    joined_[a] = joined_[b] = true;
    if (Together* t = togetherOf(a)) {
        *t = std::move(all);
        return;
    }
    together_.push_back(std::move(all));
    togetherOf_[a] = static_cast<uint32_t>(together_.size());
}

std::vector<std::vector<size_t>> ReleaseClustering::alike(uint64_t ClusteringPart::*number) const {
    std::vector<std::pair<uint64_t, size_t>> order;
    for (size_t i = 0; i < parts_.size(); ++i)
        if (uint64_t n = parts_[i]->*number; n != 0)
            order.emplace_back(n, i);
    std::sort(order.begin(), order.end());
    std::vector<std::vector<size_t>> out;
    for (size_t i = 0; i < order.size();) {
        size_t end = i + 1;
        while (end < order.size() && order[end].first == order[i].first)
            ++end;
        if (end - i > 1) {
            out.emplace_back();
            for (size_t j = i; j < end; ++j)
                out.back().push_back(order[j].second);
        }
        i = end;
    }
    return out;
}

/// Folders of discs beside each other.
void ReleaseClustering::joinDiscs() {
    constexpr size_t most = 60;
    for (const std::vector<size_t>& members : alike(&ClusteringPart::release)) {
        const bool discs =
            std::any_of(members.begin(), members.end(), [&](size_t i) { return parts_[i]->inDiscFolder; });
        if (!discs || members.size() > most)
            continue;
        std::set<std::pair<std::string, std::string>> seen; // several copies beside each other?
        bool copies = false;
        for (size_t i : members)
            copies = !seen.emplace(part(i).exactFolder.native(), part(i).album).second || copies;
        for (size_t i = 0; i < members.size(); ++i)
            for (size_t j = i + 1; j < members.size(); ++j) {
                const Part &a = part(members[i]), &b = part(members[j]);
                if (a.exactFolder.native() == b.exactFolder.native() ||
                    !agree(barcodeOf(members[i]), barcodeOf(members[j])))
                    continue;
                const bool named = !a.album.empty() && !b.album.empty();
                const bool album =
                    named ? text::isMisspelling(a.album, b.album) : a.inDiscFolder && b.inDiscFolder;
                if (album && (!copies || (a.format == b.format && a.year == b.year)))
                    join(members[i], members[j], "The folders of its discs lie beside each other.");
            }
    }
}

/// One album by one artist whose parts complete each other.
void ReleaseClustering::joinFolders() {
    constexpr size_t most = 64;
    for (const std::vector<size_t>& members : alike(&ClusteringPart::albumArtist)) {
        std::vector<size_t> groups;
        for (size_t i : members) {
            auto from = groups.end() - static_cast<std::ptrdiff_t>(std::min(most, groups.size()));
            auto fit = std::find_if(from, groups.end(),
                                    [&](size_t g) { return find(g) == find(i) || belong(g, i); });
            if (fit == groups.end())
                groups.push_back(i);
            else
                join(*fit, i,
                     "They come from several folders: the same album and artist, and their numbers complete "
                     "each other.");
        }
    }
}

void ReleaseClustering::joinMisspelled() {
    constexpr size_t most = 50;
    for (const std::vector<size_t>& members : alike(&ClusteringPart::neighbours)) {
        if (members.size() > most)
            continue;
        for (size_t i = 0; i < members.size(); ++i)
            for (size_t j = i + 1; j < members.size(); ++j)
                if (find(members[i]) != find(members[j]) &&
                    part(members[i]).album != part(members[j]).album &&
                    text::isMisspelling(part(members[i]).album, part(members[j]).album) &&
                    belong(members[i], members[j]))
                    join(members[i], members[j],
                         "They come from several folders: the same artist, an album that is spelled nearly "
                         "alike, and numbers that complete each other.");
    }
}

/// One album whose tracks lie in the folders of their artists.
void ReleaseClustering::joinCompilations(uint64_t ClusteringPart::*number) {
    constexpr size_t most = 400;
    for (const std::vector<size_t>& members : alike(number)) {
        if (members.size() > most)
            continue;
        std::set<size_t> groups;
        bool said = true, pictures = part(members.front()).picture != 0, numbered = true;
        for (size_t i : members) {
            groups.insert(find(i));
            said = said && part(i).compilation;
            pictures = pictures && part(i).picture == part(members.front()).picture;
        }
        Slots slots;
        size_t all = 0, last = 0;
        for (size_t g : groups) {
            const Slots& more = slotsOf(g);
            numbered = numbered && !more.empty(); // without numbers nothing shows that it belongs
            all += more.size();
            slots = joined(slots, more);
        }
        if (groups.size() < 2 || !numbered || slots.size() < all)
            continue;
        for (size_t i = 0; i < slots.size(); ++i)
            if (i + 1 == slots.size() || slots[i + 1].first != slots[i].first)
                last += static_cast<size_t>(slots[i].second); // of a disc
        const bool whole = groups.size() > 2 && slots.size() * 10 >= last * 7;
        if (!said && !pictures && !whole)
            continue;
        for (size_t i : members)
            join(
                members.front(), i,
                "They come from several folders: one album of different artists, whose numbers complete each "
                "other.");
    }
}

} // namespace moorfrost::matching
