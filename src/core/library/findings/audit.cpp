// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/audit.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/library/findings/audit_settings.h"
#include "core/library/findings/release_checks.h"
#include "core/library/people/song_standing.h"
#include "core/library/picture_details.h"
#include "core/library/settings.h"
#include "core/library/sleeve_files.h"
#include "core/library/sound_reports.h"
#include "core/tags/custom_fields.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

std::string nameOf(const std::vector<FileRecord>& files) {
    const tags::Fields& fields = files.front().tags.fields;
    const std::string& album = tags::firstValue(fields, "album");
    if (album.empty())
        return files.size() == 1 ? trackName(files.front())
                                 : text::forDisplay(files.front().path.parent_path().filename().native());
    std::string by = tags::firstValue(fields, "album_artist");
    if (by.empty()) {
        by = tags::firstValue(fields, "artist");
        for (const FileRecord& file : files)
            if (tags::firstValue(file.tags.fields, "artist") != by)
                return album;
    }
    return by.empty() ? album : album + ", " + by;
}

void checkStandard(const AuditRules& rules, const CheckedRelease& release, SongStandings& standings,
                   bool works, const FindingSink& found) {
    std::vector<audit::CheckedFile> files;
    for (const FileRecord& file : release.files) {
        const bool music = file.kind.empty() || file.kind == "music";
        files.push_back(checkedFile(rules.shelf.standard, file, file.tags.fields, file.path, music));
        if (works)
            files.back().song = standings.of(file.id);
    }
    const audit::Readiness readiness =
        audit::readinessOf(rules.shelf.standard, files, false, rules.shelf.names);
    size_t asked = 0, unmet = 0;
    std::set<FileId> lacking;
    std::vector<Evidence> evidence;
    for (const audit::ReadinessPart& part : readiness.parts) {
        asked += part.met != audit::Met::NotAsked;
        if (part.met != audit::Met::No && part.met != audit::Met::Partly)
            continue;
        ++unmet;
        lacking.insert(part.lacking.begin(), part.lacking.end());
        evidence.emplace_back(part.name, part.detail);
    }
    if (unmet == 0)
        return;
    if (lacking.empty())
        for (const FileRecord& file : release.files)
            lacking.insert(file.id);
    Finding one = findingOf("standard", release, "", {lacking.begin(), lacking.end()});
    one.sentence = fmt::format("{} of {} rules of \"{}\" {} not met.", unmet, asked,
                               rules.shelf.standard.name, unmet == 1 ? "is" : "are");
    one.evidence = std::move(evidence);
    found(std::move(one));
}

void checkKeeping(const RuleChoices& rules, const CheckedRelease& release, const std::vector<FileRecord>& all,
                  const FindingSink& found) {
    std::vector<FileId> absent, bad;
    std::vector<Evidence> where, why;
    for (const FileRecord& file : all) {
        if (file.absent != 0) {
            absent.push_back(file.id);
            if (where.size() < 6)
                where.emplace_back(fileName(file), text::forDisplay(file.path.parent_path().native()));
        } else if (!file.readable() || file.tags.damaged) {
            bad.push_back(file.id);
            if (why.size() < 6)
                why.emplace_back(fileName(file),
                                 file.readable()
                                     ? (file.tags.notes.empty() ? "It is damaged." : file.tags.notes.front())
                                     : file.error);
        }
    }
    auto tell = [&](const char* rule, const std::vector<FileId>& files, std::string sentence,
                    std::vector<Evidence> evidence) {
        if (files.empty() || !rules.isOn(rule))
            return;
        Finding one = findingOf(rule, release, "", files);
        one.sentence = std::move(sentence);
        one.evidence = std::move(evidence);
        found(std::move(one));
    };
    tell("absent", absent,
         absent.size() == 1 ? "A file is not where it was."
                            : fmt::format("{} files are not where they were.", absent.size()),
         where);
    tell("unreadable", bad,
         bad.size() == 1 ? "A file is damaged, or cannot be read."
                         : fmt::format("{} files are damaged, or cannot be read.", bad.size()),
         why);
}

/// Calls `found` for all of these releases, until a stop.
void checkReleases(Store& store, const Searcher& searcher, const RowsBySleeve& sleeves,
                   const AuditRules& rules, std::stop_token stop, work::Progress& progress,
                   const FindingSink& told) {
    SongStandings standings(store);
    const bool works = audit::asksForWorks(rules.shelf.standard);
    const bool sound = asksForSound(rules.choices), details = rules.choices.isOn("enlarged-picture");
    const ShelfPlans plans(store, rules.choices.isOn("off-plan") ? rules.placing : PlacingRules(),
                           tags::withDescribed(searcher.customFields()), rules.shelf.names);
    eachSleeve(store, searcher, sleeves, stop, progress, [&](size_t, std::vector<FileRecord>&& all) {
        std::ranges::sort(all, {}, &FileRecord::id);
        std::vector<FileRecord> files, music;
        for (const FileRecord& file : all)
            if (file.readable() && file.absent == 0)
                files.push_back(file);
        CheckedRelease release{files, nameOf(all),
                               !tags::firstValue(all.front().tags.fields, "album").empty(), all.front().id};
        const FindingSink found = [&, shelf = all.front().shelf](Finding&& one) {
            one.release = release.name;
            one.shelf = shelf;
            told(std::move(one));
        };
        checkKeeping(rules.choices, release, all, found);
        if (files.empty())
            return;
        checkWords(rules.choices, release, found);
        checkCodes(rules.choices, release, found);
        if (rules.choices.isOn("standard"))
            checkStandard(rules, release, standings, works, found);
        if (sound) {
            const std::map<FileId, measure::SoundReport> reports = reportsOf(store, files);
            if (!reports.empty())
                checkSound(rules.choices, release, reports, found);
        }
        // Idents, tones and speech need no pictures, and have plans of their own.
        std::ranges::copy_if(files, std::back_inserter(music), [](const FileRecord& file) {
            return file.kind.empty() || file.kind == "music";
        });
        release.files = music;
        if (music.empty())
            return;
        checkPlan(plans, release, found);
        checkPictures(rules.choices, release, found);
        if (details)
            checkPictureDetails(rules.choices, release, pictureDetailsOf(store, music), found);
    });
}

} // namespace

ReleaseUnits::ReleaseUnits(Pairs units) {
    std::ranges::sort(units);
    auto turned = std::make_shared<Pairs>();
    turned->reserve(units.size());
    for (const auto& [file, unit] : units)
        turned->emplace_back(unit, file);
    std::ranges::sort(*turned);
    byUnit_ = std::move(turned);
    byFile_ = std::make_shared<Pairs>(std::move(units));
}

FileId ReleaseUnits::of(FileId file) const {
    if (const auto at = changed_.find(file); at != changed_.end())
        return at->second;
    const auto at = std::ranges::lower_bound(*byFile_, file, {}, &Pairs::value_type::first);
    return at != byFile_->end() && at->first == file ? at->second : 0;
}

std::vector<FileId> ReleaseUnits::filesOf(FileId unit) const {
    std::vector<FileId> out;
    for (auto at = std::ranges::lower_bound(*byUnit_, unit, {}, &Pairs::value_type::first);
         at != byUnit_->end() && at->first == unit; ++at)
        if (!changed_.contains(at->second))
            out.push_back(at->second);
    for (const auto& [file, of] : changed_)
        if (of == unit)
            out.push_back(file);
    return out;
}

size_t ReleaseUnits::size() const {
    size_t out = byFile_->size();
    for (const auto& [file, unit] : changed_) {
        const auto at = std::ranges::lower_bound(*byFile_, file, {}, &Pairs::value_type::first);
        const bool wasThere = at != byFile_->end() && at->first == file;
        out += (unit != 0 && !wasThere) ? 1 : 0;
        out -= (unit == 0 && wasThere) ? 1 : 0;
    }
    return out;
}

AuditRules auditRulesOf(Store& store) {
    AuditRules out;
    if (auto choices = RuleChoices::fromJson(store.settings().get(settings::auditRules)))
        out.choices = std::move(*choices);
    out.shelf = rulesOf(store);
    out.placing = placingRulesFrom(store.settings().get(settings::shelfPlans));
    return out;
}

std::shared_ptr<const ReleaseAudit> auditReleases(Store& store, const LibrarySearch& search,
                                                  const AuditRules& rules,
                                                  std::shared_ptr<const ReleaseAudit> held,
                                                  const std::vector<FileId>& measured, std::stop_token stop,
                                                  work::Progress& progress) {
    const Searcher& searcher = *search.searcher;
    auto out = std::make_shared<ReleaseAudit>();
    out->rules = rules;
    out->findings.layBeside(store.file());
    RowSet rows = searcher.all();
    std::vector<FileId> again; // releases of before whose findings are of no use any more
    std::vector<FileId> gone;
    if (held && (held->rules != rules || held->units.isWorn()))
        held = nullptr;
    if (held) {
        auto changed = store.revisions().changedSince(held->revision);
        if (changed)
            changed->insert(changed->end(), measured.begin(), measured.end());
        if (!changed || changed->size() > searcher.count() / 4) {
            held = nullptr;
        } else {
            rows = RowSet(searcher.all().size());
            for (const FileId id : *changed) {
                if (const auto row = searcher.rowOf(id))
                    rows.add(*row);
                else
                    gone.push_back(id);
                if (const FileId unit = held->units.of(id); unit != 0)
                    again.push_back(unit);
            }
            std::ranges::sort(again);
            again.erase(std::unique(again.begin(), again.end()), again.end());
        }
    }
    // What changes from here on is told by the new revision; what `search` has not seen yet by an older.
    out->revision = store.revisions().begin();
    if (store.revisions().current() != search.revision)
        out->revision = held ? held->revision : search.columnsRevision;
    RowsBySleeve sleeves;
    if (held) {
        for (const FileId unit : again)
            for (const FileId file : held->units.filesOf(unit))
                if (const auto row = searcher.rowOf(file))
                    rows.add(*row);
        sleeves = wholeSleevesOf(searcher, rows);
        // A file that came may have made one release of two.
        for (const Row row : sleeves.rows)
            if (const FileId unit = held->units.of(searcher.idOf(row)); unit != 0)
                again.push_back(unit);
        std::ranges::sort(again);
        out->findings = held->findings;
        out->findings.removeUnits(again);
    } else {
        sleeves = wholeSleevesOf(searcher, rows);
    }
    checkReleases(store, searcher, sleeves, rules, stop, progress,
                  [&](Finding&& one) { out->findings.add(one); });
    if (stop.stop_requested())
        return nullptr;
    std::vector<std::pair<FileId, FileId>> units;
    for (size_t i = 0; i < sleeves.size(); ++i) {
        FileId first = INT64_MAX;
        for (const Row row : sleeves[i])
            first = std::min(first, searcher.idOf(row));
        for (const Row row : sleeves[i])
            units.emplace_back(searcher.idOf(row), first);
    }
    if (held) {
        out->units = held->units;
        for (const FileId file : gone)
            out->units.set(file, 0);
        for (const auto& [file, unit] : units)
            out->units.set(file, unit);
    } else {
        out->units = ReleaseUnits(std::move(units));
    }
    try {
        store.settings().save(auditRevisionKey, out->revision);
        store.revisions().keep(revisionsUsed(store, search.columnsRevision));
    } catch (const DatabaseError&) { // of a full disk: all of it will be looked at again
    }
    return out;
}

std::vector<DraftSession::Wish> wishesOf(Store& store, const std::vector<Finding>& findings) {
    std::map<std::pair<FileId, std::string>, DraftSession::Wish> wishes;
    std::vector<std::pair<FileId, std::string>> order;
    auto put = [&](DraftSession::Wish&& wish, const Finding& finding) {
        const std::pair key(wish.file, wish.field);
        if (!wishes.contains(key))
            order.push_back(key);
        const AuditRule* rule = auditRule(finding.rule);
        wish.origin = fmt::format("audit: {}", rule ? rule->name : "");
        wishes[key] = std::move(wish);
    };
    for (const Finding& finding : findings) {
        for (DraftSession::Wish wish : finding.fix.wishes)
            put(std::move(wish), finding);
        if (finding.fix.replacements.empty())
            continue;
        for (const FileRecord& file : store.files().findAll(finding.files)) {
            const std::map<std::string, Draft> drafts = store.drafts().of(file.id);
            for (const Fix::Replacement& one : finding.fix.replacements) {
                std::vector<std::string> values;
                if (const auto before = wishes.find({file.id, one.field}); before != wishes.end())
                    values = before->second.values;
                else if (const auto draft = drafts.find(one.field); draft != drafts.end())
                    values = draft->second.values;
                else if (const auto at = file.tags.fields.find(one.field); at != file.tags.fields.end())
                    values = at->second;
                if (std::ranges::find(values, one.from) == values.end())
                    continue;
                std::vector<std::string> once; // both may have been there
                for (const std::string& value : values)
                    if (const std::string& said = value == one.from ? one.to : value;
                        std::ranges::find(once, said) == once.end())
                        once.push_back(said);
                put({file.id, one.field, std::move(once), {}}, finding);
            }
        }
    }
    std::vector<DraftSession::Wish> out;
    for (const auto& key : order)
        out.push_back(std::move(wishes[key]));
    return out;
}

} // namespace moorfrost::library
