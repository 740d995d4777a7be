// SPDX-License-Identifier: GPL-3.0-or-later
// What only the whole library tells.
#include <algorithm>
#include <cmath>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/library/audio_duplicates.h"
#include "core/library/findings/audit.h"
#include "core/library/findings/near_values.h"
#include "core/library/findings/release_checks.h"
#include "core/library/search/joint_field.h"
#include "core/library/sound_groups.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr double sureZ = 8.5; // of two sounds that may be the same (sound/compare)

/// Whether names of parties stand in it.
bool namesParties(std::string_view key) {
    return key == "artist" || key == "album_artist" || key == "composer" || key == "label";
}

std::string lengthOf(double seconds) {
    const auto all = static_cast<long>(std::lround(seconds));
    return fmt::format("{}:{:02}", all / 60, all % 60);
}

/// Values of one field over the library, each with its rows.
struct ValueRows {
    std::vector<CountedValue> values;
    std::vector<std::vector<uint32_t>> lists; // of each value: those that hold it
};

ValueRows valuesOf(const Searcher& searcher, const std::string& key) {
    const JointField& field = searcher.field(key);
    std::vector<size_t> counts(field.listCount());
    searcher.all().each([&](Row row) { ++counts[field.listOf(row)]; });
    std::unordered_map<std::string, size_t> at;
    ValueRows out;
    for (uint32_t list = 1; list < counts.size(); ++list) {
        if (counts[list] == 0)
            continue;
        for (const std::string& value : tags::valuesFromText(key, field.text(list))) {
            const auto [it, isNew] = at.try_emplace(value, out.values.size());
            if (isNew) {
                out.values.push_back({value, 0});
                out.lists.emplace_back();
            }
            out.values[it->second].count += counts[list];
            out.lists[it->second].push_back(list);
        }
    }
    return out;
}

class Together {
public:
    Together(Store& store, const Searcher& searcher, const AuditRules& rules, const People& people,
             sound::SoundStore* sounds, std::stop_token stop)
        : store_(store), searcher_(searcher), rules_(rules.choices), people_(people), sounds_(sounds),
          stop_(std::move(stop)) {
        out_.layBeside(store.file());
    }

    Findings take() { return std::move(out_); }
    void add(Finding&& finding) {
        if (!finding.files.empty())
            for (const FileRecord& first : store_.files().findAll({finding.files.front()}))
                finding.shelf = first.shelf;
        out_.add(finding);
    }

    void nearly(const std::string& key) {
        const ValueRows all = valuesOf(searcher_, key);
        std::vector<NearValues> groups = nearValues(all.values, stop_);
        if (groups.empty() || stop_.stop_requested())
            return;
        const JointField& field = searcher_.field(key);
        if (key == "album") // of other artists they are other albums
            keepOfSameArtist(all, groups, field);
        // The rows of all values that are to give way.
        std::unordered_map<uint32_t, std::vector<size_t>> ofList; // groups
        for (size_t g = 0; g < groups.size(); ++g)
            for (const size_t other : groups[g].others)
                for (const uint32_t list : all.lists[other])
                    ofList[list].push_back(g);
        std::vector<std::vector<FileId>> files(groups.size());
        searcher_.all().each([&](Row row) {
            if (const auto at = ofList.find(field.listOf(row)); at != ofList.end())
                for (const size_t g : at->second)
                    if (files[g].empty() || files[g].back() != searcher_.idOf(row))
                        files[g].push_back(searcher_.idOf(row));
        });
        for (size_t g = 0; g < groups.size(); ++g) {
            const CountedValue& kept = all.values[groups[g].kept];
            Finding one;
            one.rule = "near-values";
            one.about = key + " " + kept.text;
            one.title = kept.text;
            one.files = std::move(files[g]);
            std::ranges::sort(one.files);
            one.sentence = fmt::format("{} is {} in {} ways.", tags::labelOf(key),
                                       groups[g].isSure ? "written" : "spelled", groups[g].others.size() + 1);
            one.evidence.emplace_back(kept.text, tracks(kept.count));
            for (const size_t other : groups[g].others) {
                one.evidence.emplace_back(all.values[other].text, tracks(all.values[other].count));
                one.fix.replacements.push_back({key, all.values[other].text, kept.text});
            }
            one.fix.says = fmt::format("\"{}\" in all", kept.text);
            if (const CardId party = namesParties(key) ? people_.named(kept.text) : 0; party != 0) {
                one.card = party;
                one.fix.says += "; the others are remembered as other spellings of the party";
            }
            add(std::move(one));
        }
    }

    void codes() {
        std::map<std::string, std::vector<FileId>> byCode;
        std::map<RecordingId, std::map<std::string, std::vector<FileId>>> byRecording;
        const JointField& field = searcher_.field("isrc");
        std::unordered_map<FileId, RecordingId> recordings;
        std::vector<std::pair<FileId, std::string>> all; // first code of each
        searcher_.all().each([&](Row row) {
            const uint32_t list = field.listOf(row);
            if (list == 0)
                return;
            const FileId id = searcher_.idOf(row);
            for (const std::string& value : tags::valuesFromText("isrc", field.text(list))) {
                const std::string code = audit::plainForm(value);
                if (code.empty())
                    continue;
                byCode[code].push_back(id);
                all.emplace_back(id, code);
            }
        });
        for (const auto& [id, code] : all) {
            if (stop_.stop_requested())
                return;
            const RecordingId recording =
                recordings.try_emplace(id, store_.recordings().placeOf(id).recording).first->second;
            if (recording != 0)
                byRecording[recording][code].push_back(id);
        }
        if (rules_.isOn("code-twice"))
            for (const auto& [code, files] : byCode)
                codeTwice(code, files, recordings);
        if (rules_.isOn("two-codes"))
            for (const auto& [recording, codes] : byRecording)
                twoCodes(recording, codes);
        if (rules_.isOn("foreign-code"))
            checkForeignCodes(searcher_, people_, all, [this](Finding&& one) { add(std::move(one)); });
        if (rules_.isOn("reissue-date"))
            for (const auto& [code, files] : byCode)
                reissueDate(code, files);
    }

    void duplicates() {
        std::vector<FileId> ids;
        searcher_.all().each([&](Row row) {
            if (!searcher_.has(row, Absent))
                ids.push_back(searcher_.idOf(row));
        });
        std::map<RecordingId, std::vector<FileId>> together;
        for (const auto& [id, others] : store_.recordings().othersOf(ids)) {
            if (stop_.stop_requested())
                return;
            together[store_.recordings().placeOf(id).recording].push_back(id);
        }
        for (auto& [recording, files] : together) {
            std::map<std::string, std::vector<FileRecord>> byEssence;
            for (FileRecord& file : store_.files().findAll(files))
                if (std::string essence = file.absent == 0 ? knownEssence(store_, file) : "";
                    !essence.empty())
                    byEssence[essence].push_back(std::move(file));
            for (auto& [essence, same] : byEssence) {
                if (same.size() < 2)
                    continue;
                Finding one;
                one.rule = "duplicates";
                one.about = essence;
                one.title = nameOf(searcher_, same.front().id);
                for (const FileRecord& file : same) {
                    one.files.push_back(file.id);
                    one.evidence.emplace_back(fileName(file),
                                              text::forDisplay(file.path.parent_path().native()));
                }
                std::ranges::sort(one.files);
                one.sentence = fmt::format("The sound of {} files is the same, byte for byte.", same.size());
                add(std::move(one));
            }
        }
    }

private:
    void keepOfSameArtist(const ValueRows& all, std::vector<NearValues>& groups, const JointField& field) {
        const JointField &artist = searcher_.field("artist"), &albumArtist = searcher_.field("album_artist");
        std::unordered_map<uint32_t, std::set<std::pair<int, uint32_t>>> artists; // by list of the field
        for (const NearValues& group : groups) {
            for (const uint32_t list : all.lists[group.kept])
                artists[list];
            for (const size_t other : group.others)
                for (const uint32_t list : all.lists[other])
                    artists[list];
        }
        searcher_.all().each([&](Row row) {
            if (const auto at = artists.find(field.listOf(row)); at != artists.end()) {
                at->second.insert({0, artist.listOf(row)});
                at->second.insert({1, albumArtist.listOf(row)});
            }
        });
        auto ofValue = [&](size_t value) {
            std::set<std::pair<int, uint32_t>> out;
            for (const uint32_t list : all.lists[value])
                out.insert(artists[list].begin(), artists[list].end());
            out.erase({0, 0}); // nobody
            out.erase({1, 0});
            return out;
        };
        for (NearValues& group : groups) {
            const auto kept = ofValue(group.kept);
            std::erase_if(group.others, [&](size_t other) {
                return std::ranges::none_of(ofValue(other),
                                            [&](const auto& one) { return kept.contains(one); });
            });
        }
        std::erase_if(groups, [](const NearValues& group) { return group.others.empty(); });
    }

    void codeTwice(const std::string& code, const std::vector<FileId>& files,
                   const std::unordered_map<FileId, RecordingId>& recordings) {
        if (files.size() < 2 || files.size() > 50)
            return;
        // Of each recording one; those that sound as the first are one with it.
        std::map<RecordingId, FileId> first;
        for (const FileId file : files)
            first.try_emplace(recordings.at(file) == 0 ? -file : recordings.at(file), file);
        std::vector<FileId> different;
        for (const auto& [recording, file] : first)
            if (std::ranges::none_of(different, [&](FileId other) { return maySoundSame(file, other); }))
                different.push_back(file);
        if (different.size() < 2)
            return;
        Finding one;
        one.rule = "code-twice";
        one.about = code;
        one.title = code;
        one.files = files;
        std::ranges::sort(one.files);
        one.files.erase(std::unique(one.files.begin(), one.files.end()), one.files.end());
        one.sentence = fmt::format("{} recordings have this ISRC, and they {}.", different.size(),
                                   heard(different) ? "sound otherwise" : "are of other lengths");
        for (const FileId file : different)
            one.evidence.emplace_back(nameOf(searcher_, file), lengthOf(durationOf(file)));
        add(std::move(one));
    }

    bool heard(const std::vector<FileId>& files) {
        return sounds_ && std::ranges::all_of(files, [&](FileId file) { return sounds_->has(file); });
    }

    /// By what was heard; else by their lengths.
    bool maySoundSame(FileId one, FileId other) {
        if (heard({one, other}))
            return linkBetween(*sounds_, one, other).z >= sureZ;
        const double a = durationOf(one), b = durationOf(other);
        return a <= 0 || b <= 0 || std::abs(a - b) <= std::max(3.0, 0.02 * std::max(a, b));
    }

    double durationOf(FileId file) {
        const auto row = searcher_.rowOf(file);
        return row ? searcher_.durationOf(*row) : 0;
    }

    void twoCodes(RecordingId recording, const std::map<std::string, std::vector<FileId>>& codes) {
        if (codes.size() < 2)
            return;
        Finding one;
        one.rule = "two-codes";
        one.about = std::to_string(recording);
        size_t most = 0;
        std::string kept;
        for (const auto& [code, files] : codes) {
            one.files.insert(one.files.end(), files.begin(), files.end());
            one.evidence.emplace_back(code, tracks(files.size()));
            if (files.size() > most) {
                most = files.size();
                kept = code;
            }
        }
        std::ranges::sort(one.files);
        one.files.erase(std::unique(one.files.begin(), one.files.end()), one.files.end());
        if (one.files.size() < 2)
            return; // one file with several codes: somebody meant it
        one.title = nameOf(searcher_, one.files.front());
        one.sentence =
            fmt::format("{} files of one recording have {} different ISRCs.", one.files.size(), codes.size());
        if (most * 2 > one.files.size()) {
            one.fix.says = kept + " for all";
            for (const FileId file : one.files)
                one.fix.wishes.push_back({file, "isrc", {kept}});
        }
        add(std::move(one));
    }

    /// The same recording has an earlier date elsewhere, and nothing here says so.
    void reissueDate(const std::string& code, const std::vector<FileId>& files) {
        if (files.size() < 2 || files.size() > 50)
            return;
        std::string earliest;
        FileId where = 0;
        for (const FileId file : files)
            if (const auto row = searcher_.rowOf(file))
                for (const char* key : {"original_date", "date"}) {
                    const std::string date = searcher_.text(*row, key);
                    if (date.size() >= 4 && text::isDigits(date.substr(0, 4)) &&
                        (earliest.empty() || date < earliest)) {
                        earliest = date;
                        where = file;
                    }
                }
        if (where == 0)
            return;
        for (const FileId file : files) {
            const auto row = searcher_.rowOf(file);
            if (!row || !maySoundSame(file, where))
                continue;
            const std::string date = searcher_.text(*row, "date"),
                              original = searcher_.text(*row, "original_date");
            if (!original.empty() || date.size() < 4 || date.substr(0, 4) <= earliest.substr(0, 4))
                continue;
            Finding one;
            one.rule = "reissue-date";
            one.about = fmt::format("{} {}", code, file);
            one.title = nameOf(searcher_, file);
            one.files = {file};
            one.sentence =
                fmt::format("It says {}; the same recording was there in {}.", date, earliest.substr(0, 4));
            one.evidence = {
                {nameOf(searcher_, where) + ", " + searcher_.text(*searcher_.rowOf(where), "album"),
                 earliest},
                {"ISRC of both", code}};
            one.fix.says = "Original date: " + earliest;
            one.fix.wishes = {{file, "original_date", {earliest}}};
            add(std::move(one));
        }
    }

    Store& store_;
    const Searcher& searcher_;
    const RuleChoices& rules_;
    const People& people_;
    sound::SoundStore* sounds_;
    std::stop_token stop_;
    Findings out_;
};

} // namespace

std::optional<Findings> auditTogether(Store& store, const Searcher& searcher, const AuditRules& rules,
                                      sound::SoundStore* sounds, std::stop_token stop,
                                      work::Progress& progress) {
    const RuleChoices& choices = rules.choices;
    const auto people = People::make(keptCards(store), stop);
    if (!people)
        return std::nullopt;
    Together together(store, searcher, rules, *people, sounds, stop);
    progress.begin(8);
    if (choices.isOn("near-values"))
        for (const char* key : {"artist", "album_artist", "album", "composer", "label", "genre"}) {
            if (stop.stop_requested())
                return std::nullopt;
            together.nearly(key);
            progress.step({});
        }
    if (choices.isOn("code-twice") || choices.isOn("two-codes") || choices.isOn("foreign-code") ||
        choices.isOn("reissue-date"))
        together.codes();
    progress.step({});
    if (choices.isOn("duplicates") && !stop.stop_requested())
        together.duplicates();
    if (choices.isOn("fixity") && !stop.stop_requested())
        checkFixityKept(store, [&](Finding&& one) { together.add(std::move(one)); });
    checkPeople(*people, searcher, choices, [&](Finding&& one) { together.add(std::move(one)); });
    progress.step({});
    if (stop.stop_requested())
        return std::nullopt;
    return together.take();
}

} // namespace moorfrost::library
