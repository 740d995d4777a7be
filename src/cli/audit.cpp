// SPDX-License-Identifier: GPL-3.0-or-later
// audit: what is wrong in the whole library.
#include <algorithm>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/findings/audit.h"
#include "core/library/picture_details.h"
#include "core/library/sound_prints.h"
#include "core/library/sound_reports.h"
#include "core/library/store/finding_table.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;

Json ruleJson(const library::AuditRule& rule, const library::RuleChoices& choices) {
    const auto choice = choices.of(rule);
    Json out{{"rule", rule.key}, {"name", rule.name},
             {"why", rule.why},  {"group", library::groupName(rule.group)},
             {"on", choice.on},  {"weight", library::weightName(choice.weight)}};
    if (*rule.limit.name != '\0') {
        out["limit"] = choice.limit;
        out["limit_of"] = rule.limit.name;
    }
    return out;
}

Json findingJson(library::Store& store, const library::Finding& finding,
                 const library::RuleChoices& choices) {
    const library::AuditRule* rule = library::auditRule(finding.rule);
    Json out{{"rule", finding.rule},
             {"weight", library::weightName(choices.of(*rule).weight)},
             {"about", finding.title},
             {"why", finding.sentence}};
    if (!finding.release.empty())
        out["release"] = finding.release;
    if (!finding.evidence.empty()) {
        out["evidence"] = Json::array();
        for (const library::Evidence& one : finding.evidence) {
            std::string said = one.says.empty() ? one.what : one.what + ": " + one.says;
            if (!one.usual.empty())
                said += " (usually " + one.usual + ")";
            out["evidence"].push_back(std::move(said));
        }
    }
    if (finding.sure < 1)
        out["sure"] = finding.sure;
    if (finding.place && finding.place->to > finding.place->from) {
        out["from"] = finding.place->from;
        out["to"] = finding.place->to;
    }
    out["files"] = Json::array();
    for (const library::FileRecord& file : store.files().findAll(finding.files)) {
        Json one;
        putPath(one, file.path);
        out["files"].push_back(one["path"]);
    }
    if (!finding.fix.isEmpty()) {
        out["fix"] = {{"says", finding.fix.says}, {"values", Json::array()}};
        for (const auto& wish : library::wishesOf(store, finding))
            out["fix"]["values"].push_back(
                {{"file", wish.file}, {"field", wish.field}, {"values", wish.values}});
    }
    return out;
}

/// Measures the sound and the front covers of what is on the shelves and was not measured yet.
void measureShelves(library::Store& store, const library::Searcher& searcher) {
    std::vector<library::FileId> ids;
    searcher.all().each([&](library::Row row) {
        if (!searcher.has(row, library::Absent) && !searcher.has(row, library::Unreadable))
            ids.push_back(searcher.idOf(row));
    });
    work::Progress progress;
    auto keep = [&store](const std::string& field) {
        return [&store, field](library::KeptValues&& values) { store.workedOut().save(field, values); };
    };
    if (const auto pictures =
            library::lookAtPictures(store, ids, 0, {}, progress, keep(library::pictureDetailField));
        !pictures)
        say(pictures.error().message);
    const auto measured = library::measureFiles(store, ids, 0, {}, progress, keep(library::soundReportField));
    if (measured && *measured > 0)
        say(std::to_string(*measured) + " files were measured first.");
}

} // namespace

int audit(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    library::AuditRules rules = library::auditRulesOf(*store);
    if (options.step == "rules") {
        for (const library::AuditRule& rule : library::auditRules())
            print(ruleJson(rule, rules.choices));
        return 0;
    }
    for (const std::string& key : options.rules)
        if (!library::auditRule(key)) {
            say("There is no rule \"" + key + "\". --rules prints those that there are.");
            return wrongly;
        }
    if (!options.rules.empty())
        for (const library::AuditRule& rule : library::auditRules()) {
            auto choice = rules.choices.of(rule);
            choice.on = std::ranges::find(options.rules, rule.key) != options.rules.end();
            rules.choices.set(rule, choice);
        }
    const library::LibrarySearch search = library::searchOf(*store);
    if (!search.searcher) {
        say("The library cannot be searched.");
        return 1;
    }
    work::Progress progress;
    if (options.measure)
        measureShelves(*store, *search.searcher);
    const auto releases = library::auditReleases(*store, search, rules, nullptr, {}, {}, progress);
    sound::SoundStore sounds(library::soundsOf(store->file()));
    const auto together = library::auditTogether(*store, *search.searcher, rules, &sounds, {}, progress);
    const auto left = library::FindingTable(store->database()).left();
    size_t open = 0;
    auto tell = [&](const library::Findings& findings) {
        for (size_t i = 0; i < findings.size(); ++i) {
            const auto& head = findings.head(i);
            const auto at = left.find(head.key);
            const bool isLeft = at != left.end() && at->second.facts == head.facts;
            open += !isLeft;
            if (isLeft && options.step != "left")
                continue;
            Json out = findingJson(*store, findings[i], rules.choices);
            if (isLeft)
                out["left"] = at->second.reason;
            print(out);
        }
    };
    tell(releases->findings);
    tell(*together);
    return open > 0 ? 1 : 0;
}

} // namespace moorfrost::cli
