// SPDX-License-Identifier: GPL-3.0-or-later
// What is remembered with the library, held in memory; every change is written at once.
#pragma once

#include <QObject>

#include "app/control/library_access.h"
#include "core/library/settings.h"

namespace moorfrost::app {

class LibrarySettings : public QObject {
    Q_OBJECT
public:
    explicit LibrarySettings(LibraryAccess& library) : library_(library) {}

    /// Reads all of them; `loaded` follows.
    void load();
    template<class T>
    T get(const library::Setting<T>& setting) const {
        auto it = values_.find(setting.key);
        return it == values_.end() ? setting.byDefault : library::settingFrom(it->second, setting);
    }
    template<class T>
    void set(const library::Setting<T>& setting, const std::type_identity_t<T>& value) {
        store(setting.key, library::settingText(value));
    }
    /// As the library keeps them, by key.
    const std::map<std::string, std::string>& all() const { return values_; }
    /// Takes the place of those of these keys; `loaded` follows.
    void take(const std::map<std::string, std::string>& values);
    /// Whether `key`, which changed() told, is this one.
    template<class T>
    static bool is(const std::string& key, const library::Setting<T>& setting) {
        return key == setting.key;
    }

signals:
    void loaded();
    void changed(const std::string& key);

private:
    void store(const std::string& key, const std::string& text);

    LibraryAccess& library_;
    std::map<std::string, std::string> values_;
};

} // namespace moorfrost::app
