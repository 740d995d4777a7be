// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/references_controller.h"

#include <algorithm>

#include "app/shell/text_utils.h"
#include "core/base/log.h"
#include "core/library/library_reference.h"
#include "core/reference/answer_cache.h"
#include "core/reference/http_reference.h"
#include "core/reference/standin_process.h"

namespace moorfrost::app {

namespace settings = library::settings;

using reference::EntryKind;

ReferencesController::ReferencesController(LibraryAccess& library, LibraryIndex& index,
                                           const SoundPrints& sounds, LibrarySettings& settings,
                                           KeptChanges& changes, Messages& messages)
    : library_(library), settings_(settings), messages_(messages),
      shelves_(std::make_shared<library::LibraryReference>(ss(tr("Your library")))) {
    shelves_->setSounds(sounds.store());
    connect(&index, &LibraryIndex::changed, this, [this, &index] { shelves_->setLibrary(index.searcher()); });
    shelves_->setKept([file = library.file()] {
        const auto store = library::Store::open(file); // in the job that asks
        if (!store) {
            log::error(log::About::Library, "releases could not be read: {}", store.error().message);
            return library::KeptReleases();
        }
        return library::keptReleases(**store);
    });
    connect(&changes, &KeptChanges::releasesChanged, this, [this] { shelves_->keptChanged(); });
    Path answers = library.file();
    answers += ".answers";
    cache_ = std::make_shared<reference::AnswerCache>(answers);
    make();
    connect(&settings, &LibrarySettings::loaded, this, &ReferencesController::make);
    connect(&settings, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, settings::references) ||
            LibrarySettings::is(key, settings::referenceData))
            make();
    });
}

ReferencesController::~ReferencesController() = default;

Path ReferencesController::dataFolder() const {
    const std::string chosen = settings_.get(settings::referenceData);
    return chosen.empty() ? library_.file().parent_path() / "reference" : Path(chosen);
}

void ReferencesController::setDataFolder(const Path& folder) {
    cache_->clear(); // what the old data told
    settings_.set(settings::referenceData, folder.native());
}

void ReferencesController::setEntries(const std::vector<reference::Entry>& entries) {
    settings_.set(settings::references, reference::textsOf(entries));
}

void ReferencesController::make() {
    entries_ = reference::entriesFrom(settings_.get(settings::references));
    standin_ = std::make_shared<reference::StandinProcess>(dataFolder());
    held_.clear();
    for (const reference::Entry& e : entries_) {
        if (!e.on)
            continue;
        if (e.kind == EntryKind::Library) {
            held_.push_back(shelves_);
            continue;
        }
        std::function<Result<std::string>()> address;
        if (e.kind == EntryKind::Simulated)
            address = [standin = standin_] { return standin->address(); };
        else
            address = [fixed = e.address]() -> Result<std::string> { return fixed; };
        held_.push_back(
            std::make_shared<reference::HttpReference>(e.key, e.name, std::move(address), cache_));
    }
    emit changed();
}

std::vector<reference::Reference*> ReferencesController::plain(const Held& held) {
    std::vector<reference::Reference*> out;
    for (const auto& r : held)
        out.push_back(r.get());
    return out;
}

bool ReferencesController::mayBeAsked() const {
    if (held_.empty())
        messages_.say(tr("No reference is switched on. Choose one in Settings."), true);
    return !held_.empty();
}

QString ReferencesController::nameOf(const std::string& key) const {
    const auto e = std::ranges::find(entries_, key, &reference::Entry::key);
    return e == entries_.end() ? qs(key) : nameOf(*e);
}

QString ReferencesController::nameOf(const reference::Entry& e) {
    return e.kind == EntryKind::Library     ? tr("Your library")
           : e.kind == EntryKind::Simulated ? tr("%1 (simulated)").arg(qs(e.name))
                                            : qs(e.name);
}

} // namespace moorfrost::app
