// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/audit/readiness.h"

#include <algorithm>
#include <set>
#include <tuple>

#include <fmt/format.h>

#include "core/audit/codes.h"
#include "core/placing/put_away.h"
#include "core/text/text.h"

namespace moorfrost::audit {

namespace {

using Files = std::vector<const CheckedFile*>;

/// What a rule found, before it is put in words.
class Finding {
public:
    explicit Finding(const Files& files) : files_(files) {}

    void lacks(const CheckedFile* file) { lacking_.insert(file->id); }
    /// A clause of the detail.
    void say(std::string clause) { clauses_.push_back(std::move(clause)); }
    /// "2 of 4 files ..."; nothing if it is none.
    void count(size_t n, const std::string& what) {
        if (n > 0)
            say(fmt::format("{} of {} file{} {}", n, files_.size(), files_.size() == 1 ? "" : "s", what));
    }

    ReadinessPart part(const Rule& rule, const std::string& wellDone) const {
        ReadinessPart out{rule.kind, ruleText(rule), Met::Yes, {}, {lacking_.begin(), lacking_.end()}};
        if (!clauses_.empty())
            out.met = lacking_.size() == files_.size() ? Met::No : Met::Partly;
        out.detail = clauses_.empty() ? wellDone : text::join(clauses_, "; ");
        return out;
    }

private:
    const Files& files_;
    std::set<int64_t> lacking_;
    std::vector<std::string> clauses_;
};

std::string lowerLabel(const std::string& key) {
    const tags::FieldDef* def = tags::fieldByKey(key);
    const std::string label = tags::labelOf(key);
    // "ISRC" stays as it is.
    return def && std::any_of(label.begin() + 1, label.end(), [](char c) { return c >= 'a' && c <= 'z'; })
               ? text::lower(label)
               : label;
}

void requireFields(const Rule& rule, const Files& files, Finding& finding) {
    for (const std::string& key : rule.fields) {
        size_t without = 0;
        for (const CheckedFile* f : files)
            if (!f->fields.contains(key)) {
                ++without;
                finding.lacks(f);
            }
        finding.count(without, "without " + lowerLabel(key));
    }
}

/// Where most have one value, the others are to be looked at.
void requireSame(const Rule& rule, const Files& files, Finding& finding) {
    for (const std::string& key : rule.fields) {
        std::map<std::vector<std::string>, Files> byValue;
        for (const CheckedFile* f : files)
            if (auto it = f->fields.find(key); it != f->fields.end())
                byValue[it->second].push_back(f);
            else if (!rule.required) // else it has been told
                byValue[{}].push_back(f);
        if (byValue.size() < 2)
            continue;
        auto most = std::max_element(byValue.begin(), byValue.end(), [](const auto& a, const auto& b) {
            return a.second.size() < b.second.size();
        });
        size_t told = 0;
        for (const auto& [value, of] : byValue) {
            told += value.empty() ? 0 : 1;
            if (&value != &most->first)
                for (const CheckedFile* f : of)
                    finding.lacks(f);
        }
        finding.say(told > 1 ? fmt::format("{} different values of {}", told, lowerLabel(key))
                             : fmt::format("only some files have {}", lowerLabel(key)));
    }
}

int numberOf(const CheckedFile* f, const char* key) {
    const std::string& value = tags::firstValue(f->fields, key);
    return value.size() <= 6 && text::isDigits(value) ? std::atoi(value.c_str()) : 0;
}

/// "3, 5 to 7, 9", the first few of them.
std::string ranges(const std::vector<int>& numbers) {
    std::vector<std::string> out;
    for (size_t i = 0; i < numbers.size();) {
        size_t end = i + 1;
        while (end < numbers.size() && numbers[end] == numbers[end - 1] + 1)
            ++end;
        if (out.size() == 4) {
            out.push_back("...");
            break;
        }
        out.push_back(end - i > 2 ? fmt::format("{} to {}", numbers[i], numbers[end - 1])
                                  : std::to_string(numbers[i]));
        i = end - i > 2 ? end : i + 1;
    }
    return text::join(out, ", ");
}

void requireNumbers(const Files& files, Finding& finding) {
    struct Disc {
        std::map<int, Files> tracks;
        int total = 0;
    };
    std::map<int, Disc> discs;
    int discTotal = 0;
    size_t without = 0;
    for (const CheckedFile* f : files) {
        const int track = numberOf(f, "track");
        Disc& disc = discs[numberOf(f, "disc")];
        disc.total = std::max(disc.total, numberOf(f, "tracks"));
        discTotal = std::max(discTotal, numberOf(f, "discs"));
        if (track > 0) {
            disc.tracks[track].push_back(f);
            continue;
        }
        ++without;
        finding.lacks(f);
    }
    finding.count(without, "without track number");
    const bool several = discs.size() > 1;
    for (const auto& [number, disc] : discs) {
        const std::string on = several ? fmt::format(" on disc {}", number) : std::string();
        std::vector<int> twice, missing;
        for (const auto& [track, of] : disc.tracks)
            if (of.size() > 1) {
                twice.push_back(track);
                for (const CheckedFile* f : of)
                    finding.lacks(f);
            }
        constexpr int most = 2000; // a wrong number must not make a list of a million
        int last = disc.tracks.empty() ? 0 : std::max(disc.tracks.rbegin()->first, disc.total);
        for (int track = 1; track <= std::min(last, most); ++track)
            if (!disc.tracks.contains(track))
                missing.push_back(track);
        if (!twice.empty())
            finding.say(fmt::format("number {} twice{}", ranges(twice), on));
        if (!missing.empty())
            finding.say(fmt::format("number {} missing{}", ranges(missing), on));
    }
    std::vector<int> missing;
    for (int disc = 1; disc <= std::min(std::max(discs.rbegin()->first, discTotal), 500); ++disc)
        if (!discs.contains(disc) && (discs.size() > 1 || discs.begin()->first != 0))
            missing.push_back(disc);
    if (!missing.empty())
        finding.say(fmt::format("disc {} missing", ranges(missing)));
}

void requirePictures(const Rule& rule, const Files& files, Finding& finding) {
    size_t without = 0, small = 0;
    for (const CheckedFile* f : files) {
        int largest = -1;
        for (const tags::PictureInfo& p : f->pictures)
            if (!rule.front || p.type == "front cover")
                largest = std::max(largest, std::min(p.width, p.height));
        without += largest < 0;
        small += largest >= 0 && largest < rule.side;
        if (largest < rule.side)
            finding.lacks(f);
    }
    finding.count(without, rule.front ? "without front cover" : "without picture");
    finding.count(small, fmt::format("with a smaller picture than {} pixels", rule.side));
}

void requireCodes(const Rule& rule, const Files& files, Finding& finding) {
    requireFields(rule, files, finding);
    for (const std::string& key : rule.fields) {
        std::map<std::string, Files> byCode;
        std::set<std::string> wrong;
        for (const CheckedFile* f : files)
            if (auto it = f->fields.find(key); it != f->fields.end())
                for (const std::string& value : it->second) {
                    byCode[value].push_back(f);
                    if (std::string why = whyNotCode(key, value); !why.empty()) {
                        wrong.insert(fmt::format("\"{}\": {}", text::clipBytes(value, 40), why));
                        finding.lacks(f);
                    }
                }
        if (!wrong.empty())
            finding.say(*wrong.begin() +
                        (wrong.size() > 1 ? fmt::format(" (and {} more)", wrong.size() - 1) : ""));
        for (const auto& [code, of] : byCode)
            if (key == "isrc" && of.size() > 1) {
                finding.say(fmt::format("the same ISRC in {} files", of.size()));
                for (const CheckedFile* f : of)
                    finding.lacks(f);
            }
        if (key == "barcode" && byCode.size() > 1)
            finding.say(fmt::format("{} different barcodes", byCode.size()));
    }
}

void requireNames(const Rule& rule, const Files& files, bool strays, files::NameProfile profile,
                  Finding& finding) {
    auto plan = naming::parsePlan(rule.plan);
    if (const auto* error = std::get_if<naming::PlanError>(&plan)) {
        finding.say("the plan cannot be used: " + error->message);
        return;
    }
    std::vector<placing::PutAwayFile> wanted;
    for (const CheckedFile* f : files)
        wanted.push_back({f->id, f->path, f->format, f->fields, f->facts, strays ? "" : "one"});
    const auto names = placing::namesByPlan(wanted, std::get<naming::Plan>(plan), profile);
    size_t elsewhere = 0;
    std::string example;
    for (size_t i = 0; i < files.size(); ++i) {
        Path at = files[i]->path;
        bool fits = !names[i].empty();
        for (auto part = names[i].rbegin(); part != names[i].rend() && fits; ++part) {
            fits = at.filename().native() == *part;
            at = at.parent_path();
        }
        if (fits)
            continue;
        ++elsewhere;
        finding.lacks(files[i]);
        if (example.empty())
            example = text::join(names[i], "/");
    }
    finding.count(elsewhere, "named otherwise" + (example.empty() ? "" : ", such as " + example));
}

void requireWorks(const Rule& rule, const Files& files, Finding& finding) {
    size_t without = 0;
    for (const CheckedFile* f : files)
        if (!f->song || !f->song->hasWork) {
            ++without;
            finding.lacks(f);
        }
    finding.count(without, "of which it is not said what song it is");
    const std::tuple<const char*, bool SongStanding::*, const char*> asks[] = {
        {"shares", &SongStanding::sharesAddUp, "with shares that do not add up"},
        {"numbers", &SongStanding::hasNumbers, "with a writer without a number"},
        {"agreement", &SongStanding::hasAgreement, "without an agreement"},
        {"contact", &SongStanding::hasContact, "without a contact"}};
    for (const auto& [key, standing, says] : asks) {
        if (std::ranges::find(rule.fields, key) == rule.fields.end())
            continue;
        size_t lacking = 0;
        for (const CheckedFile* f : files)
            if (f->song && f->song->hasWork && !((*f->song).*standing)) {
                ++lacking;
                finding.lacks(f);
            }
        finding.count(lacking, says);
    }
}

ReadinessPart check(const Rule& rule, const Files& files, bool strays, files::NameProfile profile) {
    Finding finding(files);
    switch (rule.kind) {
    case RuleKind::Fields:
        if (rule.required)
            requireFields(rule, files, finding);
        if (rule.same && !strays)
            requireSame(rule, files, finding);
        return finding.part(rule, rule.same ? "the same in all files" : "in all files");
    case RuleKind::Numbers:
        requireNumbers(files, finding);
        return finding.part(rule, "no gap, none twice");
    case RuleKind::Picture:
        requirePictures(rule, files, finding);
        return finding.part(rule, "in all files");
    case RuleKind::Codes:
        requireCodes(rule, files, finding);
        return finding.part(rule, "in all files");
    case RuleKind::Works:
        requireWorks(rule, files, finding);
        return finding.part(rule, "of all songs");
    case RuleKind::Names:
        requireNames(rule, files, strays, profile, finding);
        return finding.part(rule, "all files");
    }
    return {};
}

} // namespace

size_t Readiness::gaps(std::initializer_list<RuleKind> kinds) const {
    size_t n = 0;
    for (const ReadinessPart& p : parts)
        if (std::find(kinds.begin(), kinds.end(), p.rule) != kinds.end())
            n += p.lacking.size();
    return n;
}

double Readiness::share() const {
    double met = 0, asked = 0;
    for (const ReadinessPart& p : parts) {
        asked += p.met == Met::NotAsked ? 0 : 1;
        met += p.met == Met::Yes ? 1 : p.met == Met::Partly ? 0.5 : 0;
    }
    return asked > 0 ? met / asked : 1;
}

bool asksForNames(const Standard& standard) {
    return std::any_of(standard.rules.begin(), standard.rules.end(),
                       [](const Rule& r) { return r.kind == RuleKind::Names; });
}

bool asksForWorks(const Standard& standard) {
    return std::any_of(standard.rules.begin(), standard.rules.end(),
                       [](const Rule& r) { return r.kind == RuleKind::Works; });
}

Readiness readinessOf(const Standard& standard, const std::vector<CheckedFile>& files, bool strays,
                      files::NameProfile profile) {
    Files music;
    for (const CheckedFile& f : files)
        if (f.music)
            music.push_back(&f);
    Readiness out;
    for (const Rule& rule : standard.rules) {
        const bool ofReleases =
            rule.kind == RuleKind::Numbers || (rule.kind == RuleKind::Fields && rule.same && !rule.required);
        const bool untold =
            rule.kind == RuleKind::Works &&
            std::ranges::none_of(music, [](const CheckedFile* f) { return f->song.has_value(); });
        if (!music.empty() && !(strays && ofReleases) && !untold) {
            out.parts.push_back(check(rule, music, strays, profile));
            continue;
        }
        ReadinessPart part{rule.kind, ruleText(rule), Met::NotAsked, {}, {}};
        part.detail = music.empty() ? "nothing here is music"
                      : untold      ? "asked when the files stand on a shelf"
                                    : "strays are not one release";
        out.parts.push_back(std::move(part));
    }
    return out;
}

} // namespace moorfrost::audit
