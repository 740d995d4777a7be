// SPDX-License-Identifier: GPL-3.0-or-later
// Steps of the bench, single or as a chain.
#include <algorithm>
#include <fstream>
#include <iterator>

#include <fmt/format.h>

#include "cli/json_out.h"
#include "cli/sets.h"
#include "core/edits/chain.h"
#include "core/placing/put_away.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

constexpr int wrongly = 2;
using Kind = edits::OptionDef::Kind;

/// False, after saying why, where the step has no such option.
bool put(const edits::StepKind& kind, edits::Step& step, const std::string& name,
         const std::vector<std::string>& values) {
    const auto def = std::ranges::find(kind.options, name, &edits::OptionDef::name);
    if (def == kind.options.end()) {
        std::vector<std::string> all;
        for (const edits::OptionDef& d : kind.options)
            all.push_back(d.name);
        say(fmt::format("\"{}\" has no option \"{}\". It has: {}.", kind.name, name, text::join(all, ", ")));
        return false;
    }
    const bool keys = def->kind == Kind::Field || def->kind == Kind::Fields;
    for (const std::string& value : values)
        for (const std::string& v :
             def->kind == Kind::Fields ? text::split(value, ",") : std::vector<std::string>{value})
            step.options[name].push_back(keys ? tags::keyFromName(v) : v);
    return true;
}

int runOn(const edits::Chain& chain, const Options& options, const std::string& title) {
    if (const auto senseless = edits::run(chain, {}); !senseless) {
        say(senseless.error().message);
        return wrongly;
    }
    bool fine = true;
    const std::vector<files::ScannedFile> found = readAll(options, fine);
    const bool facts = edits::needsFacts(chain);
    std::vector<edits::Subject> files;
    for (size_t i = 0; i < found.size(); ++i) {
        if (!found[i].tags) {
            printRefused(found[i], found[i].error);
            continue;
        }
        edits::Subject& file = files.emplace_back();
        file.file = static_cast<int64_t>(i + 1);
        file.fields = found[i].tags->fields;
        if (facts) {
            file.facts = placing::factsOf(found[i].path, *found[i].tags);
            file.folder = found[i].path.parent_path().native();
        }
    }
    const Result<edits::Outcome> outcome = edits::run(chain, std::move(files));
    if (!outcome) {
        say(outcome.error().message);
        return wrongly;
    }
    for (const edits::Outcome::Refused& r : outcome->refused) {
        printRefused(found[static_cast<size_t>(r.file) - 1], r.why);
        fine = false;
    }
    std::map<int64_t, tags::Fields> changes;
    for (const edits::Proposal& p : outcome->proposals)
        changes[p.file][p.field] = p.values;
    if (options.dryRun) {
        for (const auto& [number, fields] : changes) {
            Json line;
            putPath(line, found[static_cast<size_t>(number) - 1].path);
            line["state"] = "would be written";
            line["fields"] = fields;
            line["error"] = nullptr;
            print(line);
        }
        return fine ? 0 : 1;
    }
    auto store = openLibrary(options);
    if (!store)
        return 1;
    std::vector<bench::Proposal> proposals;
    for (const auto& [number, fields] : changes)
        proposals.push_back({recordOf(found[static_cast<size_t>(number) - 1], number), fields, {}, {}});
    return writeAndReport(*store, setOf(title, proposals), options, fine);
}

} // namespace

int step(const Options& options) {
    const edits::StepKind& kind = *edits::stepKind(options.step);
    edits::Step step{kind.name, {}};
    auto has = [&](const char* name) {
        return std::ranges::find(kind.options, name, &edits::OptionDef::name) != kind.options.end();
    };
    bool fine = true;
    if (!options.fields.empty())
        fine = put(kind, step, has("fields") ? "fields" : "field", options.fields);
    const std::pair<const char*, const std::string*> said[] = {{"casing", &options.casing},
                                                               {"from", &options.from},
                                                               {"into", &options.to},
                                                               {"first", &options.first},
                                                               {"encoding", &options.encoding}};
    for (const auto& [name, value] : said)
        if (!value->empty())
            fine = fine && put(kind, step, name, {*value});
    for (const std::string& assignment : options.stepOptions) {
        const size_t equals = assignment.find('=');
        if (equals == std::string::npos || equals == 0) {
            say("\"" + assignment + "\" is not name=value, such as find=\"_\".");
            return wrongly;
        }
        fine = fine && put(kind, step, assignment.substr(0, equals), {assignment.substr(equals + 1)});
    }
    if (!fine)
        return wrongly;
    return runOn({{}, {std::move(step)}}, options,
                 fmt::format("Step \"{}\" from the command line", options.step));
}

int runChain(const Options& options) {
    std::ifstream file(options.chain, std::ios::binary);
    if (!file) {
        say("The chain \"" + options.chain + "\" cannot be opened.");
        return wrongly;
    }
    std::string json;
    for (char part[65536]; json.size() <= (1u << 20) && (file.read(part, sizeof part) || file.gcount() > 0);)
        json.append(part, static_cast<size_t>(file.gcount()));
    const Result<edits::Chain> chain = edits::chainFromJson(json);
    if (!chain) {
        say(options.chain + ": " + chain.error().message);
        return wrongly;
    }
    return runOn(
        *chain, options,
        fmt::format("Chain \"{}\" from the command line", chain->name.empty() ? options.chain : chain->name));
}

} // namespace moorfrost::cli
