// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/library_reference.h"

#include <algorithm>
#include <cstdlib>
#include <map>
#include <unordered_map>

#include "core/base/bytes_hash.h"
#include "core/matching/clues.h"
#include "core/matching/sleeves.h"
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

/// Rows with the same are one release. Two copies stand in two folders; two editions may stand in one; plans
/// scatter a compilation over the folders of its artists.
std::string groupOf(const Searcher& library, Row row) {
    const bool scattered = library.text(row, "compilation") == "1";
    std::string out = text::fold(library.text(row, "album"));
    for (const std::string& part : {scattered ? text::fold(library.text(row, "album_artist"))
                                              : matching::releaseFolder(library.pathOf(row)).native(),
                                    reference::plainCode(library.text(row, "catalogue_number")),
                                    library.text(row, matching::referenceNumberField)})
        out += "\n" + part;
    return out;
}

} // namespace

Release releaseOf(const Searcher& library, const std::vector<Row>& rows) {
    Release out;
    std::map<int, reference::Medium> media;
    std::string number;
    for (Row row : rows) {
        const tags::Fields fields = library.fieldsOf(row);
        if (out.title.empty()) {
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
            number = valueOf(fields, matching::referenceNumberField);
        }
        reference::Medium& medium = media[std::max(1, std::atoi(valueOf(fields, "disc").c_str()))];
        if (medium.carrier.empty())
            medium.carrier = valueOf(fields, "carrier");
        reference::Track track;
        track.position = valueOf(fields, "track");
        track.title = valueOf(fields, "title");
        track.credit = creditOf(fields, "artist", "artist_sort");
        track.lengthMs = static_cast<int64_t>(library.durationOf(row) * 1000);
        track.recording = reference::recordingOfFile(library.idOf(row));
        if (const auto isrcs = fields.find("isrc"); isrcs != fields.end())
            track.isrcs = isrcs->second;
        medium.tracks.push_back(std::move(track));
    }
    for (auto& [disc, medium] : media)
        out.media.push_back(std::move(medium));
    out.id = idOf(out, number);
    return out;
}

/// The library, gone through.
struct LibraryReference::Known {
    std::shared_ptr<const Searcher> library;
    reference::Catalogue catalogue;
};

LibraryReference::LibraryReference(std::string name) : name_(std::move(name)) {}
LibraryReference::~LibraryReference() = default;

void LibraryReference::setLibrary(std::shared_ptr<const Searcher> library) {
    std::lock_guard lock(mutex_);
    library_ = std::move(library);
}

std::shared_ptr<const LibraryReference::Known> LibraryReference::known(std::stop_token stop) {
    std::lock_guard building(building_);
    std::shared_ptr<const Searcher> library;
    {
        std::lock_guard lock(mutex_);
        if (!library_ || (known_ && known_->library == library_))
            return library_ ? known_ : std::make_shared<Known>(nullptr, reference::Catalogue({}));
        library = library_;
    }
    std::map<std::string, std::vector<Row>> groups;
    for (Row row : library->ordered(library->all(), {})) {
        if (stop.stop_requested())
            return nullptr;
        if (!library->has(row, Absent) && !library->text(row, "album").empty())
            groups[groupOf(*library, row)].push_back(row);
    }
    std::vector<Release> releases;
    std::unordered_map<std::string, size_t> places;
    for (const auto& [key, rows] : groups) {
        if (stop.stop_requested())
            return nullptr;
        Release release = releaseOf(*library, rows);
        const auto [at, isNew] = places.try_emplace(release.id, releases.size());
        if (isNew)
            releases.push_back(std::move(release));
        else if (release.trackCount() > releases[at->second].trackCount())
            releases[at->second] = std::move(release); // the fuller copy stands for all
    }
    auto fresh = std::make_shared<const Known>(library, reference::Catalogue(std::move(releases)));
    std::lock_guard lock(mutex_);
    known_ = fresh;
    return fresh;
}

Result<std::vector<Release>> LibraryReference::find(const reference::Question& question,
                                                    std::stop_token stop) {
    const auto here = known(stop);
    if (!here)
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    std::vector<Release> out;
    const auto answers = here->catalogue.ask(question, question.from + question.limit);
    for (size_t i = question.from; i < answers.size(); ++i)
        out.push_back(here->catalogue.releases()[answers[i].release]);
    return out;
}

Result<Release> LibraryReference::fetch(const std::string& id, std::stop_token stop) {
    const auto here = known(stop);
    if (!here)
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    const Release* release = here->catalogue.find(id);
    if (!release)
        return Error{ErrorKind::NotFound, {}, name_ + " does not have it."};
    return *release;
}

Result<std::string> LibraryReference::picture(const std::string&, int, std::stop_token) {
    return Error{ErrorKind::NotFound, {}, name_ + " shows no pictures."};
}

} // namespace moorfrost::library
