// SPDX-License-Identifier: GPL-3.0-or-later
// settings: plans, standards, chains, layouts and the rest, out and in as one file.
#include <algorithm>
#include <cstdio>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/files/disk.h"
#include "core/files/whole_file.h"
#include "core/library/settings_file.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

int putOut(library::Store& store, const Options& options, const std::vector<std::string>& only) {
    const std::string text = library::settingsFile(store.settings().all(), only);
    if (options.to.empty()) {
        std::fputs(text.c_str(), stdout);
        return 0;
    }
    if (const Status saved = files::writeWhole(Path(options.to), text); !saved) {
        say(saved.error().message);
        return 1;
    }
    return 0;
}

int takeIn(library::Store& store, const Options& options, const std::vector<std::string>& only) {
    const Result<std::string> text = files::wholeFile(Path(options.name));
    const Result<library::SettingsTaken> taken =
        text ? library::settingsFromFile(*text) : Result<library::SettingsTaken>(text.error());
    if (!taken) {
        say(taken.error().message);
        return 1;
    }
    std::vector<std::string> groups;
    for (const library::SettingsTaken::Group& group : taken->groups)
        if (only.empty() || std::ranges::find(only, group.key) != only.end()) {
            groups.push_back(group.key);
            print({{"settings", group.key}, {"entries", group.entries}, {"taken", !options.dryRun}});
        }
    for (const std::string& key : taken->passedOver)
        say("\"" + key + "\" is not understood, and left out.");
    if (options.dryRun)
        return 0;
    library::Transaction transaction(store.database()); // all of it, or nothing
    for (const auto& [key, value] : taken->of(groups))
        store.settings().save(key, value);
    transaction.commit();
    return 0;
}

} // namespace

int settings(const Options& options) {
    const bool in = options.step == "import";
    if (in && options.name.empty()) {
        say("Say which file.");
        return wrongly;
    }
    std::vector<std::string> only;
    if (!options.first.empty())
        only = text::split(options.first, ",");
    for (const std::string& one : only)
        if (std::ranges::none_of(library::settingGroups(),
                                 [&](const auto& group) { return group.key == one; })) {
            std::vector<std::string> all;
            for (const library::SettingGroup& group : library::settingGroups())
                all.emplace_back(group.key);
            say("\"" + one + "\" is none of " + text::join(all, ", ") + ".");
            return wrongly;
        }
    auto store = openLibrary(options);
    if (!store)
        return 1;
    return in ? takeIn(*store, options, only) : putOut(*store, options, only);
}

} // namespace moorfrost::cli
