// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/references.h"

#include "core/library/library_reference.h"
#include "core/library/search/library_search.h"
#include "core/library/settings.h"
#include "core/library/sound_prints.h"
#include "core/reference/http_reference.h"
#include "core/reference/standin_process.h"

namespace moorfrost::cli {

using reference::EntryKind;

Path dataFolder(library::Store& store, const Options& options) {
    const std::string kept = options.referenceData.empty()
                                 ? store.settings().get(library::settings::referenceData)
                                 : options.referenceData;
    return kept.empty() ? store.file().parent_path() / "reference" : std::filesystem::absolute(kept);
}

References referencesOf(library::Store& store, const Options& options) {
    References out;
    out.entries = reference::entriesFrom(store.settings().get(library::settings::references));
    out.rules = bench::takeRulesFrom(store.settings().get(library::settings::takeRules));
    Path answers = store.file();
    answers += ".answers";
    auto cache = std::make_shared<reference::AnswerCache>(answers);
    auto standin = std::make_shared<reference::StandinProcess>(dataFolder(store, options));
    const auto shelved = library::searchOf(store).searcher;
    std::vector<std::string> genres;
    for (library::FacetValue& v : shelved->facet(shelved->all(), "genre", 2000))
        genres.push_back(std::move(v.value));
    out.genres = bench::OwnGenres(std::move(genres));
    for (const reference::Entry& e : out.entries) {
        if (!e.on)
            continue;
        if (e.kind == EntryKind::Library) {
            auto shelves = std::make_unique<library::LibraryReference>(e.name);
            shelves->setLibrary(shelved);
            shelves->setKept([&store] { return library::keptReleases(store); });
            shelves->setSounds(std::make_shared<sound::SoundStore>(library::soundsOf(store.file())));
            out.all.push_back(std::move(shelves));
            continue;
        }
        out.all.push_back(std::make_unique<reference::HttpReference>(
            e.key, e.name,
            e.kind == EntryKind::Simulated
                ? std::function<Result<std::string>()>([standin] { return standin->address(); })
                : [at = e.address]() -> Result<std::string> { return at; },
            cache));
    }
    return out;
}

Json releaseJson(const reference::Release& r, const std::string& reference) {
    Json out;
    out["reference"] = reference;
    out["id"] = r.id;
    out["title"] = r.title;
    out["artist"] = r.credit.text();
    out["date"] = r.date();
    out["country"] = r.country();
    out["carrier"] = r.carrier();
    out["labels"] = Json::array();
    for (const reference::Label& l : r.labels)
        out["labels"].push_back({{"name", l.name}, {"catalogue_number", l.catalogueNumber}});
    out["barcode"] = r.barcode;
    out["tracks"] = r.trackCount();
    return out;
}

} // namespace moorfrost::cli
