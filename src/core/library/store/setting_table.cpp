// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/setting_table.h"

namespace moorfrost::library {

std::map<std::string, std::string> SettingTable::all() {
    std::map<std::string, std::string> out;
    Statement s(db_, "SELECT key, value FROM setting");
    while (s.step())
        out[s.string(0)] = s.string(1);
    return out;
}

std::string SettingTable::find(const std::string& key) {
    Statement s(db_, "SELECT value FROM setting WHERE key=?");
    s.bind(key);
    return s.step() ? s.string(0) : std::string();
}

void SettingTable::save(const std::string& key, const std::string& value) {
    Statement(db_, "INSERT OR REPLACE INTO setting VALUES (?,?)").bind(key).bind(value).run();
}

} // namespace moorfrost::library
