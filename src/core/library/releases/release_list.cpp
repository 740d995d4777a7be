// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/releases/release_list.h"

#include <algorithm>
#include <cstdlib>
#include <numeric>
#include <set>

#include "core/library/releases/release_pictures.h"
#include "core/library/search/joint_field.h"
#include "core/reference/catalogue.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Texts = std::vector<std::string>;

/// What most of some rows have in a field; 0: nothing.
uint32_t mostFrequent(const JointField& field, const std::vector<Row>& rows) {
    std::vector<std::pair<uint32_t, size_t>> counts;
    for (const Row row : rows) {
        const uint32_t list = field.listOf(row);
        if (list == 0)
            continue;
        const auto same = std::ranges::find(counts, list, &std::pair<uint32_t, size_t>::first);
        if (same == counts.end())
            counts.emplace_back(list, 1);
        else
            ++same->second;
    }
    const auto most = std::ranges::max_element(counts, {}, &std::pair<uint32_t, size_t>::second);
    return most == counts.end() ? 0 : most->first;
}

/// The columns that an entry is told by.
class Told {
public:
    explicit Told(const Searcher& library)
        : library_(library), album_(library.field("album")), albumArtist_(library.field("album_artist")),
          artist_(library.field("artist")), label_(library.field("label")),
          number_(library.field("catalogue_number")), barcode_(library.field("barcode")),
          date_(library.field("date")), country_(library.field("country")),
          carrier_(library.field("carrier")), track_(library.field("track")), disc_(library.field("disc")),
          title_(library.field("title")) {}

    void tell(ReleaseEntry& out, const std::vector<Row>& rows) const {
        auto most = [&](const JointField& field) {
            const uint32_t list = mostFrequent(field, rows);
            return list == 0 ? std::string() : field.text(list);
        };
        out.title = most(album_);
        out.artist = most(albumArtist_);
        if (out.artist.empty()) {
            const uint32_t list = rows.empty() ? 0 : artist_.listOf(rows.front());
            if (list != 0 && std::ranges::all_of(rows, [&](Row row) { return artist_.listOf(row) == list; }))
                out.artist = artist_.text(list);
        }
        out.label = most(label_);
        out.number = most(number_);
        out.barcode = most(barcode_);
        out.date = most(date_);
        out.country = most(country_);
        out.carrier = most(carrier_);
        std::set<std::pair<uint32_t, uint32_t>> places;
        bool lengths = true;
        for (const Row row : rows) {
            const uint32_t track = track_.listOf(row);
            if (track != 0 && !places.emplace(disc_.listOf(row), track).second)
                continue; // the same in another quality
            ++out.tracks;
            const auto ms = static_cast<int64_t>(library_.durationOf(row) * 1000);
            lengths &= ms > 0;
            out.lengthMs += ms;
            const uint32_t title = title_.listOf(row);
            out.titles.emplace_back(title == 0 ? std::string() : text::fold(title_.text(title)), ms);
        }
        if (!lengths)
            out.lengthMs = 0;
        for (const Row row : rows)
            if (library_.has(row, HasPicture)) {
                out.cover = library_.idOf(row);
                break;
            }
    }

private:
    const Searcher& library_;
    const JointField &album_, &albumArtist_, &artist_, &label_, &number_, &barcode_, &date_, &country_,
        &carrier_, &track_, &disc_, &title_;
};

/// What is kept of it takes the place of what files tell.
void lay(ReleaseEntry& out, const Facts& facts) {
    reference::Release r;
    auto has = [&](const char* key) {
        const auto it = facts.find(key);
        if (it == facts.end())
            return false;
        putFact(r, key, it->second.values);
        return true;
    };
    auto numbers = [&](const char* key) {
        std::vector<ReleaseId> list;
        if (const auto it = facts.find(key); it != facts.end())
            for (const std::string& one : it->second.values)
                list.push_back(std::strtoll(one.c_str(), nullptr, 10));
        return list;
    };
    if (has("title"))
        out.title = r.title;
    if (has("credit"))
        out.artist = r.credit.text();
    if (has("labels")) {
        out.label = r.labels.empty() ? "" : r.labels.front().name;
        out.number = r.labels.empty() ? "" : r.labels.front().catalogueNumber;
    }
    if (has("barcode"))
        out.barcode = r.barcode;
    if (has("dates")) {
        out.date = r.date();
        out.country = r.country();
    }
    if (has("edition"))
        out.edition = r.edition;
    if (has(mediaFact))
        out.carrier = r.carrier();
    if (const auto it = facts.find(picturesFact); it != facts.end()) {
        std::vector<ReleasePicture> pictures = picturesOfRelease({}, &it->second);
        if (const ReleasePicture* cover = coverOf(pictures))
            out.picture = cover->info;
    }
    const auto sets = numbers(setFact);
    out.set = sets.empty() ? 0 : sets.front();
    out.apart = numbers(apartFact);
}

void layTracks(ReleaseEntry& out, const std::map<int, std::vector<KeptTrack>>& media) {
    if (media.empty())
        return;
    out.tracks = 0;
    out.lengthMs = 0;
    out.titles.clear();
    bool lengths = true;
    for (const auto& [medium, tracks] : media)
        for (const KeptTrack& kept : tracks) {
            const reference::Track track = trackFrom(kept.content);
            ++out.tracks;
            lengths &= track.lengthMs > 0;
            out.lengthMs += track.lengthMs;
            out.titles.emplace_back(text::fold(track.title), track.lengthMs);
        }
    if (!lengths)
        out.lengthMs = 0;
}

std::string searchedOf(const ReleaseEntry& e) {
    std::string all;
    for (const std::string* part :
         {&e.title, &e.artist, &e.label, &e.number, &e.barcode, &e.date, &e.country, &e.carrier, &e.edition})
        all += *part + "\n";
    // Numbers are found as they are printed and without what stands between.
    all += reference::plainCode(e.number) + "\n" + reference::plainCode(e.barcode);
    return text::fold(all);
}

} // namespace

std::shared_ptr<const ReleaseList> ReleaseList::make(std::shared_ptr<const Searcher> library,
                                                     const KeptReleases& kept, std::stop_token stop) {
    auto list = std::make_shared<ReleaseList>();
    ReleaseGroups groups;
    if (library)
        groups = releaseGroups(*library, kept, stop);
    if (stop.stop_requested())
        return nullptr;
    const auto columns = library ? std::make_unique<Told>(*library) : nullptr;
    auto add = [&](ReleaseId id, const std::vector<Row>& rows) {
        ReleaseEntry entry;
        entry.ref.id = id;
        for (const Row row : rows)
            entry.ref.files.push_back(library->idOf(row));
        if (columns)
            columns->tell(entry, rows);
        if (id != 0) {
            lay(entry, kept.facts.at(id));
            if (const auto tracks = kept.tracks.find(id); tracks != kept.tracks.end()) {
                layTracks(entry, tracks->second);
                // What has no file of its own is shown by the picture of what it shares.
                for (const auto& [medium, some] : tracks->second)
                    for (const KeptTrack& t : some)
                        if (const auto file = kept.fileOf.find(t.recording);
                            library && entry.cover == 0 && file != kept.fileOf.end())
                            if (const auto row = library->rowOf(file->second);
                                row && library->has(*row, HasPicture))
                                entry.cover = file->second;
            }
        }
        entry.searched = searchedOf(entry);
        list->entries_.push_back(std::move(entry));
    };
    for (const auto& [id, facts] : kept.facts)
        add(id, groups.kept[id]);
    for (const std::vector<Row>& rows : groups.told) {
        if (stop.stop_requested())
            return nullptr;
        add(0, rows);
    }
    auto& entries = list->entries_;
    for (size_t i = 0; i < entries.size(); ++i) {
        if (entries[i].ref.id != 0)
            list->byId_[entries[i].ref.id] = i;
        for (const FileId file : entries[i].ref.files)
            list->byFile_[file] = i;
        if (entries[i].set != 0)
            list->sets_[entries[i].set].push_back(i);
    }
    for (auto it = list->sets_.begin(); it != list->sets_.end();) {
        if (it->second.size() < 2) { // its other editions are no more
            entries[it->second.front()].set = 0;
            it = list->sets_.erase(it);
        } else {
            std::ranges::stable_sort(it->second, {}, [&](size_t i) {
                // Of one day those that are here first.
                return std::tuple(entries[i].date.empty() ? std::string("9999") : entries[i].date,
                                  entries[i].ref.files.empty(), entries[i].ref.id);
            });
            ++it;
        }
    }
    // Orders are worked out once: lines() are asked for with every letter.
    struct Keys {
        std::string title, artist, label;
    };
    std::vector<Keys> keys;
    keys.reserve(entries.size());
    for (const ReleaseEntry& e : entries)
        keys.push_back({text::sortKey(text::sortForm(e.title)), text::sortKey(text::sortForm(e.artist)),
                        text::sortKey(e.label.empty() ? "\uFFFD" : e.label + " " + e.number)});
    for (int order = 0; order < 4; ++order) {
        if (stop.stop_requested())
            return nullptr;
        std::vector<uint32_t> sorted(entries.size());
        std::iota(sorted.begin(), sorted.end(), 0u);
        auto before = [&](uint32_t a, uint32_t b) {
            const Keys &x = keys[a], &y = keys[b];
            switch (static_cast<ReleaseOrder>(order)) {
            case ReleaseOrder::Title:
                return std::tie(x.title, x.artist, entries[a].date) <
                       std::tie(y.title, y.artist, entries[b].date);
            case ReleaseOrder::Artist:
                return std::tie(x.artist, entries[a].date, x.title) <
                       std::tie(y.artist, entries[b].date, y.title);
            case ReleaseOrder::Date:
                return std::tuple(entries[a].date.empty(), entries[a].date, x.title) <
                       std::tuple(entries[b].date.empty(), entries[b].date, y.title);
            case ReleaseOrder::Label:
                return std::tie(x.label, x.title) < std::tie(y.label, y.title);
            }
            return a < b;
        };
        std::ranges::stable_sort(sorted, before);
        list->places_[order].resize(entries.size());
        for (uint32_t i = 0; i < sorted.size(); ++i)
            list->places_[order][sorted[i]] = i;
    }
    return list;
}

size_t ReleaseList::find(const ReleaseRef& ref) const {
    if (ref.id != 0)
        if (const auto it = byId_.find(ref.id); it != byId_.end())
            return it->second;
    for (const FileId file : ref.files)
        if (const size_t at = ofFile(file); at != SIZE_MAX)
            return at;
    return SIZE_MAX;
}

size_t ReleaseList::ofFile(FileId file) const {
    const auto it = byFile_.find(file);
    return it == byFile_.end() ? SIZE_MAX : it->second;
}

std::vector<size_t> ReleaseList::editionsOf(size_t entry) const {
    const auto set = sets_.find(entries_[entry].set);
    return set == sets_.end() ? std::vector<size_t>{entry} : set->second;
}

std::vector<ReleaseList::Line> ReleaseList::lines(std::string_view words, ReleaseOrder order) const {
    std::vector<std::string> wanted;
    for (std::string& word : text::split(text::fold(words), " "))
        if (!word.empty())
            wanted.push_back(std::move(word));
    const std::vector<uint32_t>& places = places_[static_cast<size_t>(order)];
    std::vector<bool> found(entries_.size());
    for (size_t i = 0; i < entries_.size(); ++i)
        found[i] = std::ranges::all_of(wanted, [&](const std::string& word) {
            return entries_[i].searched.find(word) != std::string::npos;
        });
    // A set stands where the first of its editions would.
    std::vector<uint32_t> firsts(entries_.size(), UINT32_MAX);
    std::vector<size_t> heads;
    for (size_t i = 0; i < entries_.size(); ++i) {
        if (!found[i])
            continue;
        const auto set = entries_[i].set == 0 ? sets_.end() : sets_.find(entries_[i].set);
        const size_t head = set == sets_.end() ? i : set->second.front();
        if (firsts[head] == UINT32_MAX)
            heads.push_back(head);
        firsts[head] = std::min(firsts[head], places[i]);
    }
    std::ranges::sort(heads, {}, [&](size_t i) { return firsts[i]; });
    std::vector<Line> out;
    for (const size_t head : heads) {
        if (entries_[head].set == 0) {
            out.push_back({head, false, false, 0});
            continue;
        }
        const std::vector<size_t>& editions = sets_.at(entries_[head].set);
        out.push_back({head, true, true, editions.size()});
        for (const size_t i : editions)
            out.push_back({i, false, true, 0});
    }
    return out;
}

} // namespace moorfrost::library
