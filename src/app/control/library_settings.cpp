// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/library_settings.h"

namespace moorfrost::app {

void LibrarySettings::load() {
    library_.read(
        this, [](library::Store& store) { return store.settings().all(); },
        [this](Result<std::map<std::string, std::string>> values) {
            if (values) // what was set meanwhile stays
                values_.merge(std::move(*values));
            emit loaded();
        });
}

void LibrarySettings::take(const std::map<std::string, std::string>& values) {
    for (const auto& [key, text] : values)
        store(key, text);
    emit loaded();
}

void LibrarySettings::store(const std::string& key, const std::string& text) {
    if (auto it = values_.find(key); it != values_.end() && it->second == text)
        return;
    values_[key] = text;
    library_.write([key, text](library::Store& store) { store.settings().save(key, text); });
    emit changed(key);
}

} // namespace moorfrost::app
