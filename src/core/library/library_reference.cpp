// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/library_reference.h"

#include <algorithm>
#include <cstdlib>
#include <functional>
#include <map>
#include <set>
#include <unordered_map>

#include "core/base/bytes_hash.h"
#include "core/library/search/phrases.h"
#include "core/matching/clues.h"
#include "core/reference/catalogue.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using reference::Credit;
using reference::Release;

std::string valueOf(const tags::Fields& fields, const char* key) {
    return tags::firstValue(fields, key);
}

Credit creditOf(const tags::Fields& fields, const char* names, const char* sortForms) {
    Credit out;
    const auto values = fields.find(names);
    if (values == fields.end())
        return out;
    const auto sorted = fields.find(sortForms);
    const bool known = sorted != fields.end() && sorted->second.size() == values->second.size();
    for (size_t i = 0; i < values->second.size(); ++i)
        out.names.push_back({values->second[i],
                             {},
                             known ? sorted->second[i] : std::string(),
                             i + 1 < values->second.size() ? ", " : ""});
    return out;
}

std::string idOf(const Release& r, const std::string& number) {
    if (number.find(':') != std::string::npos)
        return number;
    BytesHash hash;
    for (const std::string& part :
         {text::fold(r.title), text::fold(r.credit.text()), r.date(), reference::plainCode(r.barcode),
          r.labels.empty() ? std::string() : reference::plainCode(r.labels[0].catalogueNumber)}) {
        hash.add(part);
        hash.add("\n");
    }
    return hash.text().substr(0, 16);
}

/// What all tracks of a release share, told by one of them.
Release headOf(const Searcher& library, Row row) {
    const tags::Fields fields = library.fieldsOf(row);
    Release out;
    out.title = valueOf(fields, "album");
    out.credit = creditOf(fields, "album_artist", "album_artist_sort");
    if (out.credit.names.empty())
        out.credit = creditOf(fields, "artist", "artist_sort");
    if (const auto labels = fields.find("label"); labels != fields.end())
        for (const std::string& label : labels->second)
            out.labels.push_back({label, {}});
    if (const auto numbers = fields.find("catalogue_number"); numbers != fields.end())
        for (size_t i = 0; i < numbers->second.size(); ++i) {
            if (i >= out.labels.size())
                out.labels.emplace_back();
            out.labels[i].catalogueNumber = numbers->second[i];
        }
    out.barcode = valueOf(fields, "barcode");
    if (const std::string date = valueOf(fields, "date"); !date.empty())
        out.dates.push_back({date, valueOf(fields, "country")});
    out.firstDate = valueOf(fields, "original_date");
    out.language = valueOf(fields, "language");
    out.script = valueOf(fields, "script");
    if (const auto genres = fields.find("genre"); genres != fields.end())
        out.genres = genres->second;
    out.id = idOf(out, valueOf(fields, matching::referenceNumberField));
    return out;
}

reference::Track trackOf(const Searcher& library, Row row) {
    const tags::Fields fields = library.fieldsOf(row);
    reference::Track out;
    out.position = valueOf(fields, "track");
    out.title = valueOf(fields, "title");
    out.credit = creditOf(fields, "artist", "artist_sort");
    out.lengthMs = static_cast<int64_t>(library.durationOf(row) * 1000);
    out.recording = reference::recordingOfFile(library.idOf(row));
    if (const auto isrcs = fields.find("isrc"); isrcs != fields.end())
        out.isrcs = isrcs->second;
    return out;
}

constexpr size_t mostTitles = 6, mostIsrcs = 60, mostRows = 400;
constexpr int mostMedia = 500;
constexpr double byCode = 4, byTracks = 1.2; // as the catalogue has it

} // namespace

Release releaseOf(const Searcher& library, const std::vector<Row>& rows) {
    Release out;
    if (rows.empty())
        return out;
    out = headOf(library, rows.front());
    std::map<int, reference::Medium> media;
    for (Row row : rows) {
        reference::Medium& medium = media[std::max(1, std::atoi(library.text(row, "disc").c_str()))];
        if (medium.carrier.empty())
            medium.carrier = library.text(row, "carrier");
        medium.tracks.push_back(trackOf(library, row));
    }
    for (auto& [disc, medium] : media)
        out.media.push_back(std::move(medium));
    return out;
}

/// What is said of it lies over what its files tell.
void layFacts(Release& out, const Facts& facts) {
    for (const FactDef& def : releaseFacts())
        if (const auto fact = facts.find(def.key); fact != facts.end())
            putFact(out, def.key, fact->second.values);
    if (const auto set = facts.find(setFact); set != facts.end() && !set->second.values.empty())
        out.editionSet = set->second.values.front();
}

/// The library, gone through: what its releases are called, and which rows they are. Tracks are told when
/// they are asked for.
struct LibraryReference::Known {
    std::shared_ptr<const Searcher> library;
    reference::Catalogue catalogue;     // without tracks
    std::vector<std::vector<Row>> rows; // of each of its releases
    std::vector<ReleaseId> ids;         // 0: only files tell of it
    KeptReleases kept;
    std::unordered_map<Row, uint32_t> releaseOfRow = {};

    /// All there is to tell of one of them.
    Release tell(size_t release) const {
        Release out = releaseOf(*library, rows[release]);
        if (const ReleaseId id = ids[release]; id != 0) {
            layFacts(out, kept.facts.at(id));
            if (rows[release].empty())
                out.id = numberInTags(id);
            layMedia(out, id);
        }
        return out;
    }
    /// Tracks that are kept; their recordings are told where they have a file that is told in the same place.
    void layMedia(Release& out, ReleaseId id) const {
        const auto tracks = kept.tracks.find(id);
        if (tracks != kept.tracks.end())
            for (const auto& [medium, some] : tracks->second) {
                if (medium < 0 || medium >= mostMedia)
                    continue;
                if (out.media.size() <= static_cast<size_t>(medium))
                    out.media.resize(static_cast<size_t>(medium) + 1);
                std::vector<reference::Track> before;
                before.swap(out.media[static_cast<size_t>(medium)].tracks);
                for (const KeptTrack& t : some) {
                    reference::Track track = trackFrom(t.content);
                    const auto same = std::ranges::find_if(before, [&](const reference::Track& b) {
                        return text::fold(b.title) == text::fold(track.title);
                    });
                    track.recording = same == before.end() ? "" : same->recording;
                    out.media[static_cast<size_t>(medium)].tracks.push_back(std::move(track));
                }
            }
        const auto carriers = kept.facts.at(id).find(mediaFact);
        if (carriers == kept.facts.at(id).end())
            return;
        Release said;
        putFact(said, mediaFact, carriers->second.values);
        if (out.media.size() < said.media.size())
            out.media.resize(said.media.size());
        for (size_t i = 0; i < said.media.size(); ++i) {
            out.media[i].carrier = said.media[i].carrier;
            out.media[i].title = said.media[i].title;
            out.media[i].discTable = said.media[i].discTable;
        }
    }

    /// The releases that questions about single tracks mean, with what that is worth.
    void addTracks(const reference::Question& question, std::map<size_t, double>& scores) const {
        auto add = [&](const char* key, const std::string& phrase, double worth) {
            std::set<uint32_t> releases;
            for (Row row : rowsWith(*library, key, phrase, mostRows))
                if (const auto it = releaseOfRow.find(row); it != releaseOfRow.end())
                    releases.insert(it->second);
            for (uint32_t r : releases)
                scores[r] += worth;
        };
        const size_t codes = std::min(mostIsrcs, question.isrcs.size());
        for (size_t i = 0; i < codes; ++i)
            add("isrc", question.isrcs[i], byCode / static_cast<double>(codes));
        std::vector<std::string> titles = question.tracks;
        std::ranges::stable_sort(titles, std::greater(), &std::string::size); // long ones say more
        titles.resize(std::min(mostTitles, titles.size()));
        for (const std::string& title : titles)
            if (title.size() > 2)
                add("title", title, byTracks / static_cast<double>(titles.size()));
    }
};

LibraryReference::LibraryReference(std::string name) : name_(std::move(name)) {}
LibraryReference::~LibraryReference() = default;

void LibraryReference::setLibrary(std::shared_ptr<const Searcher> library) {
    std::lock_guard lock(mutex_);
    if (library == library_)
        return;
    library_ = std::move(library);
    ++version_;
    known_.reset(); // it holds the library as it was
}

void LibraryReference::setKept(std::function<KeptReleases()> read) {
    std::lock_guard lock(mutex_);
    readKept_ = std::move(read);
    ++version_;
    known_.reset();
}

void LibraryReference::keptChanged() {
    std::lock_guard lock(mutex_);
    ++version_;
    known_.reset();
}

std::shared_ptr<const LibraryReference::Known> LibraryReference::known(std::stop_token stop) {
    std::lock_guard building(building_);
    std::shared_ptr<const Searcher> library;
    std::function<KeptReleases()> readKept;
    uint64_t version = 0;
    {
        std::lock_guard lock(mutex_);
        if (known_ || !library_)
            return known_ ? known_ : std::make_shared<Known>(nullptr, reference::Catalogue({}));
        library = library_;
        readKept = readKept_;
        version = version_;
    }
    KeptReleases kept = readKept ? readKept() : KeptReleases();
    const ReleaseGroups groups = releaseGroups(*library, kept, stop);
    if (stop.stop_requested())
        return nullptr;
    std::vector<Release> releases;
    std::vector<std::vector<Row>> rowsOf;
    std::vector<ReleaseId> ids;
    std::unordered_map<std::string, size_t> places;
    auto add = [&](const std::vector<Row>& all, ReleaseId id) {
        std::vector<Row> some;
        std::ranges::copy_if(all, std::back_inserter(some),
                             [&](Row row) { return !library->has(row, Absent); });
        if (some.empty() && id == 0)
            return;
        Release head = some.empty() ? Release() : headOf(*library, some.front());
        if (id != 0)
            layFacts(head, kept.facts.at(id));
        if (some.empty()) {
            if (head.title.empty())
                return; // there is nothing to find it by
            head.id = numberInTags(id);
        }
        const auto [at, isNew] = places.try_emplace(head.id, releases.size());
        if (isNew) {
            releases.push_back(std::move(head));
            rowsOf.push_back(std::move(some));
            ids.push_back(id);
        } else if (some.size() > rowsOf[at->second].size()) { // the fuller copy stands for all
            releases[at->second] = std::move(head);
            rowsOf[at->second] = std::move(some);
            ids[at->second] = id;
        }
    };
    for (const auto& [id, rows] : groups.kept)
        add(rows, id);
    for (const std::vector<Row>& rows : groups.told) {
        if (stop.stop_requested())
            return nullptr;
        add(rows, 0);
    }
    auto fresh = std::make_shared<Known>(library, reference::Catalogue(std::move(releases)),
                                         std::move(rowsOf), std::move(ids), std::move(kept));
    for (uint32_t r = 0; r < fresh->rows.size(); ++r)
        for (Row row : fresh->rows[r])
            fresh->releaseOfRow[row] = r;
    std::lock_guard lock(mutex_);
    if (version_ == version)
        known_ = fresh;
    return fresh;
}

Result<std::vector<Release>> LibraryReference::find(const reference::Question& question,
                                                    std::stop_token stop) {
    const auto here = known(stop);
    if (!here)
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    std::vector<Release> out;
    if (!here->library)
        return out;
    const size_t end = question.from + question.limit;
    std::map<size_t, double> scores;
    for (const auto& a : here->catalogue.ask(question, std::max<size_t>(end, 50)))
        scores[a.release] += a.score;
    here->addTracks(question, scores);
    std::vector<std::pair<double, size_t>> order;
    for (const auto& [release, score] : scores)
        order.emplace_back(-score, release);
    std::ranges::sort(order);
    for (size_t i = question.from; i < std::min(end, order.size()); ++i)
        out.push_back(here->tell(order[i].second));
    return out;
}

Result<Release> LibraryReference::fetch(const std::string& id, std::stop_token stop) {
    const auto here = known(stop);
    if (!here)
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    const Release* release = here->catalogue.find(id);
    if (!release) // as it stands in tags
        release = here->catalogue.find(key() + ":" + id);
    if (!release)
        return Error{ErrorKind::NotFound, {}, name_ + " does not have it."};
    return here->tell(static_cast<size_t>(release - here->catalogue.releases().data()));
}

void LibraryReference::setSounds(std::shared_ptr<sound::SoundStore> sounds) {
    std::lock_guard lock(mutex_);
    sounds_ = std::move(sounds);
}

Result<reference::Heard> LibraryReference::hear(const std::vector<sound::Fingerprint>& sounds,
                                                std::stop_token stop) {
    constexpr size_t mostReleases = 40;
    reference::Heard out;
    out.sounds.resize(sounds.size());
    std::shared_ptr<sound::SoundStore> store;
    {
        std::lock_guard lock(mutex_);
        store = sounds_;
    }
    const auto here = store ? known(stop) : nullptr;
    if (store && !here)
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    if (!store || !here->library)
        return out;
    std::set<uint32_t> releases;
    for (size_t i = 0; i < sounds.size() && !stop.stop_requested(); ++i)
        for (const sound::Hit& hit : store->find(sounds[i].items)) {
            const auto row = here->library->rowOf(hit.id); // files of batches are no part of it
            if (!row)
                continue;
            out.sounds[i].push_back({reference::recordingOfFile(hit.id), hit.overlap.z,
                                     static_cast<double>(hit.overlap.offset) * sound::secondsPerItem,
                                     static_cast<double>(hit.overlap.items) * sound::secondsPerItem});
            if (const auto on = here->releaseOfRow.find(*row);
                on != here->releaseOfRow.end() && releases.size() < mostReleases)
                releases.insert(on->second);
        }
    for (uint32_t r : releases)
        out.releases.push_back(here->tell(r));
    return out;
}

Result<std::string> LibraryReference::picture(const std::string&, int, std::stop_token) {
    return Error{ErrorKind::NotFound, {}, name_ + " shows no pictures."};
}

} // namespace moorfrost::library
