// SPDX-License-Identifier: GPL-3.0-or-later
// Small things that are remembered with the library, as texts. library/settings tells what they mean.
#pragma once

#include <map>
#include <string>

#include "core/library/settings.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class SettingTable {
public:
    explicit SettingTable(Database& db) : db_(db) {}

    std::map<std::string, std::string> all();
    /// "" if there is none.
    std::string find(const std::string& key);
    void save(const std::string& key, const std::string& value);

    template<class T>
    T get(const Setting<T>& setting) {
        return settingFrom(find(setting.key), setting);
    }
    template<class T>
    void set(const Setting<T>& setting, const T& value) {
        save(setting.key, settingText(value));
    }

private:
    Database& db_;
};

} // namespace moorfrost::library
