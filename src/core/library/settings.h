// SPDX-License-Identifier: GPL-3.0-or-later
// What is remembered with a library: one table of settings, each with its type and what holds where nothing
// was set. The library keeps them as texts (store/setting_table).
#pragma once

#include <map>
#include <string>
#include <vector>

#include "core/files/safe_name.h"

namespace moorfrost::library {

template<class T>
struct Setting {
    const char* key; // in the library
    T byDefault;
};

enum class SleeveOrder { Title, LeastReady, MostFiles };
/// Where in a text the words of a question are looked for.
enum class WordPlaces { Anywhere, Beginnings };

namespace settings {
using Strings = std::vector<std::string>;
// Bringing in, batches.
inline const Setting<Strings> recentFolders{"recent folders", {}}; // the latest first
inline const Setting<int64_t> batch{"batch", 0};                   // the one in sight
inline const Setting<SleeveOrder> sleeveOrder{"sleeve order", SleeveOrder::Title};
// Names.
inline const Setting<files::NameProfile> names{"names", files::NameProfile::Portable};
inline const Setting<std::string> lastPlan{"last plan", {}};
inline const Setting<Strings> plans{"plans", {}}; // kept under a name, each as the Put away page writes it
inline const Setting<std::string> lastNamePlan{"last name plan", {}}; // by which names were read
inline const Setting<Strings> chains{"chains", {}};                   // each as edits/chain writes it
// Fields.
inline const Setting<std::string> customFields{"custom fields", {}}; // as JSON (tags/custom_fields)
inline const Setting<std::string> unreadCustomFields{"custom fields, unread", {}}; // that could not be read
// Putting away, writing.
inline const Setting<int64_t> lastShelf{"last shelf", 0};
inline const Setting<std::string> putAwayMode{"put away mode", "move"};           // or "copy", "rename"
inline const Setting<std::string> asideFolder{"folder for what is replaced", {}}; // none: the trash
inline const Setting<bool> keepTimes{"keep-times", false};                  // of files whose tags are written
inline const Setting<int64_t> historyLimit{"history-limit", 2'000'000'000}; // bytes kept for taking back
// Identifying.
inline const Setting<Strings> references{"references", {}}; // reference/settings; none: the simulated one
inline const Setting<std::string> referenceData{"reference data",
                                                {}};       // of the simulated one; none: beside the library
inline const Setting<Strings> takeRules{"take rules", {}}; // bench/taking
// Standards.
inline const Setting<std::string> standards{"standards", {}};      // as JSON; none: those that are shipped
inline const Setting<std::string> defaultStandard{"standard", {}}; // its name; none: the first
inline const Setting<Strings> batchStandards{"standards of batches", {}}; // "number name"
// The library.
inline const Setting<Strings> mirrorRules{"mirror rules", {}}; // library/mirror
inline const Setting<Strings> releaseFactsLeftOut{"release facts left out of tags",
                                                  {}}; // releases/release_tags
// Delivering.
inline const Setting<Strings> sheetLayouts{"sheet layouts", {}};            // deliver/sheet_layout
inline const Setting<std::string> lastSheetLayout{"last sheet layout", {}}; // its name
inline const Setting<Strings> shareTemplates{"share templates", {}};        // people/share_template
inline const Setting<Strings> keywords{"keywords", {}}; // the library's own list, beside those that are used
inline const Setting<WordPlaces> words{"words", WordPlaces::Anywhere};
inline const Setting<bool> readShelves{"read shelves", false}; // its folders are to be read: it was made anew
} // namespace settings

// How values are kept. What cannot be read is what holds by default.
std::string settingText(const std::string& value);
std::string settingText(bool value);
std::string settingText(int64_t value);
std::string settingText(const std::vector<std::string>& value);
std::string settingText(files::NameProfile value);
std::string settingText(SleeveOrder value);
std::string settingText(WordPlaces value);
void readSetting(const std::string& text, std::string& value);
void readSetting(const std::string& text, bool& value);
void readSetting(const std::string& text, int64_t& value);
void readSetting(const std::string& text, std::vector<std::string>& value);
void readSetting(const std::string& text, files::NameProfile& value);
void readSetting(const std::string& text, SleeveOrder& value);
void readSetting(const std::string& text, WordPlaces& value);

template<class T>
T settingFrom(const std::string& text, const Setting<T>& setting) {
    T value = setting.byDefault;
    if (!text.empty())
        readSetting(text, value);
    return value;
}

} // namespace moorfrost::library
