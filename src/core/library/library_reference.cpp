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
#include "core/library/search/release_rows.h"
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

/// The library, gone through: what its releases are called, and which rows they are. Tracks are told when
/// they are asked for.
struct LibraryReference::Known {
    std::shared_ptr<const Searcher> library;
    reference::Catalogue catalogue;     // without tracks
    std::vector<std::vector<Row>> rows; // of each of its releases
    std::unordered_map<Row, uint32_t> releaseOfRow = {};

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
    known_.reset(); // it holds the library as it was
}

std::shared_ptr<const LibraryReference::Known> LibraryReference::known(std::stop_token stop) {
    std::lock_guard building(building_);
    std::shared_ptr<const Searcher> library;
    {
        std::lock_guard lock(mutex_);
        if (known_ || !library_)
            return known_ ? known_ : std::make_shared<Known>(nullptr, reference::Catalogue({}));
        library = library_;
    }
    const std::vector<std::vector<Row>> rows = rowsByRelease(*library, stop);
    if (stop.stop_requested())
        return nullptr;
    std::vector<Release> releases;
    std::vector<std::vector<Row>> rowsOf;
    std::unordered_map<std::string, size_t> places;
    for (const std::vector<Row>& all : rows) {
        if (stop.stop_requested())
            return nullptr;
        std::vector<Row> some;
        std::ranges::copy_if(all, std::back_inserter(some),
                             [&](Row row) { return !library->has(row, Absent); });
        if (some.empty())
            continue;
        Release head = headOf(*library, some.front());
        const auto [at, isNew] = places.try_emplace(head.id, releases.size());
        if (isNew) {
            releases.push_back(std::move(head));
            rowsOf.push_back(std::move(some));
        } else if (some.size() > rowsOf[at->second].size()) { // the fuller copy stands for all
            releases[at->second] = std::move(head);
            rowsOf[at->second] = std::move(some);
        }
    }
    auto fresh =
        std::make_shared<Known>(library, reference::Catalogue(std::move(releases)), std::move(rowsOf));
    for (uint32_t r = 0; r < fresh->rows.size(); ++r)
        for (Row row : fresh->rows[r])
            fresh->releaseOfRow[row] = r;
    std::lock_guard lock(mutex_);
    if (library_ == library)
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
        out.push_back(releaseOf(*here->library, here->rows[order[i].second]));
    return out;
}

Result<Release> LibraryReference::fetch(const std::string& id, std::stop_token stop) {
    const auto here = known(stop);
    if (!here)
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    const Release* release = here->catalogue.find(id);
    if (!release)
        return Error{ErrorKind::NotFound, {}, name_ + " does not have it."};
    return releaseOf(*here->library,
                     here->rows[static_cast<size_t>(release - here->catalogue.releases().data())]);
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
        out.releases.push_back(releaseOf(*here->library, here->rows[r]));
    return out;
}

Result<std::string> LibraryReference::picture(const std::string&, int, std::stop_token) {
    return Error{ErrorKind::NotFound, {}, name_ + " shows no pictures."};
}

} // namespace moorfrost::library
