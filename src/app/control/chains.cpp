// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/chains.h"

#include <algorithm>

#include "core/text/text.h"

namespace moorfrost::app {

Chains::Chains(LibrarySettings& settings) : settings_(settings) {
    connect(&settings_, &LibrarySettings::loaded, this, &Chains::read);
    connect(&settings_, &LibrarySettings::changed, this, [this](const std::string& key) {
        if (LibrarySettings::is(key, library::settings::chains))
            read();
    });
}

void Chains::read() {
    all_.clear();
    for (const std::string& json : settings_.get(library::settings::chains))
        if (Result<edits::Chain> chain = edits::chainFromJson(json)) // a newer one is left where it is
            all_.push_back(std::move(*chain));
    std::ranges::stable_sort(
        all_, [](const edits::Chain& a, const edits::Chain& b) { return text::compare(a.name, b.name) < 0; });
    emit changed();
}

const edits::Chain* Chains::find(const std::string& name) const {
    const auto it = std::ranges::find(all_, name, &edits::Chain::name);
    return it == all_.end() ? nullptr : &*it;
}

namespace {

/// Those that are kept, without the one of that name; what cannot be read stays as it is.
std::vector<std::string> without(std::vector<std::string> kept, const std::string& name) {
    std::erase_if(kept, [&](const std::string& json) {
        const Result<edits::Chain> chain = edits::chainFromJson(json);
        return chain && chain->name == name;
    });
    return kept;
}

} // namespace

void Chains::keep(const edits::Chain& chain) {
    std::vector<std::string> kept = without(settings_.get(library::settings::chains), chain.name);
    kept.push_back(edits::chainJson(chain, true));
    settings_.set(library::settings::chains, kept);
}

void Chains::remove(const std::string& name) {
    settings_.set(library::settings::chains, without(settings_.get(library::settings::chains), name));
}

} // namespace moorfrost::app
