// SPDX-License-Identifier: GPL-3.0-or-later
// Settings, plans, standards, chains and layouts as one file, to be handed on and taken in: JSON, described
// in docs/settings-file.md. What belongs to one machine or one batch (folders, what was used last) is not in
// it. Any thread.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::library {

/// Settings that go out and come in together.
struct SettingGroup {
    const char* key;                   // in the file and on the command line: "plans"
    std::vector<const char*> settings; // keys in the library
};
const std::vector<SettingGroup>& settingGroups();

/// `all`: as the library keeps them (store/setting_table). `groups`: keys; none: all of them. What holds by
/// default is not in the file.
std::string settingsFile(const std::map<std::string, std::string>& all,
                         const std::vector<std::string>& groups = {});

struct SettingsTaken {
    struct Group {
        std::string key;
        size_t entries = 0; // plans, standards, layouts ...; 1 where it is no list
    };
    std::vector<Group> groups;                   // that the file has, in the order of settingGroups()
    std::map<std::string, std::string> settings; // as the library keeps them
    std::vector<std::string> passedOver;         // what is not understood, but does no harm left out

    /// Only of these groups.
    std::map<std::string, std::string> of(const std::vector<std::string>& groups) const;
};
/// All of it, or an Error that names what is wrong: not JSON, no such file, of a newer version, an entry that
/// does not hold.
Result<SettingsTaken> settingsFromFile(std::string_view json);

} // namespace moorfrost::library
