// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: what is looked for within one release, as its files tell it, and in what is kept of all.
// On the thread of the store where it says so.
#pragma once

#include <functional>
#include <map>
#include <span>
#include <stop_token>

#include "core/library/findings/finding.h"
#include "core/library/misplaced.h"
#include "core/library/people/people.h"
#include "core/library/search/searcher.h"
#include "core/library/store/store.h"
#include "core/measure/sound_report.h"

namespace moorfrost::library {

/// The files of a release (or a folder of strays without an album), those that can be read.
struct CheckedRelease {
    std::span<const FileRecord> files; // rising
    std::string name;                  // for people: "Lanterns, Kestrel & Rook"
    bool isAlbum = false;
    FileId unit = 0; // the first of all its files: also of those that cannot be read
};

using FindingSink = std::function<void(Finding&&)>;

/// A finding of a rule about a release; `part`: what of it ("date").
Finding findingOf(const char* rule, const CheckedRelease& release, std::string_view part,
                  const std::vector<FileId>& files);
/// Of a track or disc; 0 where it has none.
int numberOf(const FileRecord& file, const char* key);
std::string fileName(const FileRecord& file);
/// "Gorse", else the name of the file.
std::string trackName(const FileRecord& file);
/// "Gorse, Kestrel & Rook", as the library's columns have it; "" where there is no such file.
std::string nameOf(const Searcher& searcher, FileId file);
/// "1 track".
std::string tracks(size_t n);
/// Lower case, unless it is one ("ISRC").
std::string fieldName(std::string_view key);

void checkWords(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found);
void checkPictures(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found);
/// By the details (pixels) of those front covers that were looked at.
void checkPictureDetails(const RuleChoices& rules, const CheckedRelease& release,
                         const std::map<FileId, int>& details, const FindingSink& found);
void checkCodes(const RuleChoices& rules, const CheckedRelease& release, const FindingSink& found);
/// Any rule of sound is asked.
bool asksForSound(const RuleChoices& rules);
/// By what was measured of these files; what was not is left out.
void checkSound(const RuleChoices& rules, const CheckedRelease& release,
                const std::map<FileId, measure::SoundReport>& reports, const FindingSink& found);

/// Names and places that are not as the plan of their shelf has them.
void checkPlan(const ShelfPlans& plans, const CheckedRelease& release, const FindingSink& found);

/// Of the whole library: what comparing the fixity of files found last. On the thread of the store.
void checkFixityKept(Store& store, const FindingSink& found);
/// Of the whole library: ISRCs (plain, each with its file) by the registrant of another label: whose a prefix
/// is says a person, else nearly all codes that begin with it.
void checkForeignCodes(const Searcher& searcher, const People& people,
                       const std::vector<std::pair<FileId, std::string>>& codes, const FindingSink& found);
/// Of the whole library: shares that do not add up, agreements that end, numbers of parties and works.
void checkPeople(const People& people, const Searcher& searcher, const RuleChoices& rules,
                 const FindingSink& found);

} // namespace moorfrost::library
