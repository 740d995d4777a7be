// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/findings/rules.h"

#include <algorithm>

#include <nlohmann/json.hpp>

namespace moorfrost::library {

namespace {

using Json = nlohmann::ordered_json;
using enum RuleGroup;
using enum Weight;

} // namespace

const std::vector<AuditRule>& auditRules() {
    static const std::vector<AuditRule> rules = {
        {"near-values", "Nearly the same value",
         "Whoever looks for one spelling does not find the tracks that have the other.", Words, Plain},
        {"disagrees", "Album disagrees with itself",
         "Players show such an album as two, and plans put it in two folders.", Words, Plain},
        {"encoding", "Text in a wrong encoding", "Nobody can read it, and no search finds it.", Words, Grave},
        {"elsewhere", "Words in the wrong field",
         "An artist or guest who is named in the wrong field is not found among the artists.", Words, Slight},
        {"dates", "Dates that cannot be", "Such a track stands in the wrong place wherever dates count.",
         Words, Plain},
        {"reissue-date", "Date of a reissue", "The recording seems to be younger than it is.", Words, Slight},
        {"numbers", "Numbers missing or twice",
         "The order of the album cannot be told, or a track is missing.", Words, Plain},
        {"standard", "Standard not met", "Your own rules of a ready release ask for it.", Words, Slight},
        {"off-plan", "Names and places off their plan",
         "Whoever looks for it where the plan says does not find it.", Words, Slight},
        {"no-picture", "No picture", "A release without a picture is hard to tell from others.", Pictures,
         Slight},
        {"small-picture",
         "Too small",
         "Too small to be printed or shown large.",
         Pictures,
         Slight,
         {"pixels, the shorter side at least", 500, 50, 4000}},
        {"enlarged-picture",
         "Enlarged",
         "It has more pixels than it shows: printed, or shown large, it is soft.",
         Pictures,
         Slight,
         {"per cent of its side that it must show", 70, 20, 95}},
        {"heavy-picture",
         "Too heavy",
         "Every copy of every track carries it.",
         Pictures,
         Slight,
         {"megabytes at most", 2, 0.1, 50}},
        {"other-picture", "Front covers differ",
         "Which of them is shown depends on the track that comes first.", Pictures, Slight},
        {"code-form", "Cannot be right", "Others refuse the track, or pay somebody else for it.", Codes,
         Grave},
        {"code-twice", "One ISRC, two sounds",
         "An ISRC stands for one recording: uses of both are counted as one.", Codes, Grave},
        {"two-codes", "Two ISRCs, one recording", "Uses of the same recording are counted apart.", Codes,
         Plain},
        {"foreign-code", "Another label's ISRC",
         "The code may be of another recording, or typed from the wrong line.", Codes, Slight},
        {"party-codes", "Numbers of parties and works",
         "Societies pay by IPI, ISNI and ISWC: a wrong one pays somebody else, or nobody.", Codes, Plain},
        {"barcodes", "Barcodes differ", "A release has one.", Codes, Plain},
        {"coded-before", "Coded with loss before",
         "It takes the room of a lossless file and is none: somebody may take it for the original.", Sound,
         Grave},
        {"raised-rate", "Raised from a lower rate", "It takes more room and holds nothing more.", Sound,
         Plain},
        {"unused-bits", "Unused bits", "It takes the room of more bits than its samples have.", Sound,
         Slight},
        {"clipped",
         "Clipped",
         "The tops of the wave are cut off: it sounds harsh, and no later step brings them back.",
         Sound,
         Plain,
         {"places at least", 5, 1, 10000}},
        {"true-peaks",
         "Peaks between samples",
         "Players and coders with loss may cut them off.",
         Sound,
         Slight,
         {"dB of full scale at most", 1, -3, 6}},
        {"silence",
         "Silence at the ends",
         "Whoever plays one after the other waits for it.",
         Sound,
         Slight,
         {"seconds at most", 5, 0.5, 60}},
        {"dropouts", "Drop-outs", "A part of the sound is lost: look for another copy, or transfer it again.",
         Sound, Grave},
        {"one-channel", "One channel twice or missing",
         "Half of the room is for nothing, or half of the recording is lost.", Sound, Plain},
        {"phase", "One channel turned", "Played on one loudspeaker most of it is gone.", Sound, Plain},
        {"offset",
         "Offset of direct current",
         "The wave does not lie in the middle: it clicks where it begins and ends.",
         Sound,
         Slight,
         {"per cent of full scale", 0.5, 0.05, 10}},
        {"hum", "Hum", "Where the music is soft, the mains are heard.", Sound, Slight},
        {"broken-off", "Broken off", "It ends in the midst of the sound: the rest may be lost.", Sound,
         Plain},
        {"loudness", "Loudness not kept", "Players that bring all to one loudness cannot do so with this.",
         Sound, Slight},
        {"absent", "Absent files", "The library knows of them, but they are not where they were.", Keeping,
         Grave},
        {"unreadable", "Damaged files", "Parts of the sound may be lost: look for another copy.", Keeping,
         Grave},
        {"fixity", "Fixity that changed",
         "The sound is not the one that was kept: bring a copy from your backup, and listen to both.",
         Keeping, Grave},
        {"duplicates", "The same sound twice", "Room is used twice, and one of them is not kept up.", Keeping,
         Slight},
        {"shares", "Shares do not add up", "Nobody can be paid right.", Keeping, Plain},
        {"agreements", "Agreements that end", "What rests on it may not be used any more.", Keeping, Plain},
    };
    return rules;
}

const AuditRule* auditRule(std::string_view key) {
    const auto at = std::ranges::find_if(auditRules(), [&](const AuditRule& r) { return r.key == key; });
    return at == auditRules().end() ? nullptr : &*at;
}

const char* groupName(RuleGroup group) {
    switch (group) {
    case Words:
        return "Words";
    case Pictures:
        return "Pictures";
    case Codes:
        return "Codes";
    case Sound:
        return "Sound";
    case Keeping:
        return "Keeping";
    }
    return "";
}

const char* weightName(Weight weight) {
    switch (weight) {
    case Grave:
        return "grave";
    case Plain:
        return "plain";
    case Slight:
        return "slight";
    }
    return "";
}

RuleChoices::Choice RuleChoices::of(const AuditRule& rule) const {
    const auto at = choices_.find(std::string_view(rule.key));
    return at == choices_.end() ? Choice{true, rule.weight, rule.limit.usual} : at->second;
}

void RuleChoices::set(const AuditRule& rule, const Choice& choice) {
    choices_.erase(rule.key);
    if (choice != of(rule))
        choices_[rule.key] = choice;
}

bool RuleChoices::isOn(std::string_view key) const {
    const AuditRule* rule = auditRule(key);
    return rule && of(*rule).on;
}

double RuleChoices::limit(std::string_view key) const {
    const AuditRule* rule = auditRule(key);
    return rule ? of(*rule).limit : 0;
}

std::string RuleChoices::json() const {
    Json out = Json::object();
    for (const auto& [key, choice] : choices_)
        out[key] = {{"on", choice.on}, {"weight", weightName(choice.weight)}, {"limit", choice.limit}};
    return out.dump();
}

Result<RuleChoices> RuleChoices::fromJson(std::string_view text) {
    const Json json = Json::parse(text, nullptr, false);
    if (json.is_discarded() || !json.is_object())
        return Error{ErrorKind::Invalid, {}, "These are no choices of rules: JSON is expected."};
    RuleChoices out;
    for (const AuditRule& rule : auditRules()) {
        const auto at = json.find(rule.key);
        if (at == json.end() || !at->is_object())
            continue;
        Choice choice = out.of(rule);
        if (at->contains("on") && (*at)["on"].is_boolean())
            choice.on = (*at)["on"].get<bool>();
        if (at->contains("limit") && (*at)["limit"].is_number())
            choice.limit = std::clamp((*at)["limit"].get<double>(), rule.limit.least, rule.limit.most);
        for (const Weight weight : {Grave, Plain, Slight})
            if (at->contains("weight") && (*at)["weight"] == weightName(weight))
                choice.weight = weight;
        out.set(rule, choice);
    }
    return out;
}

} // namespace moorfrost::library
