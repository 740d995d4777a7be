// SPDX-License-Identifier: GPL-3.0-or-later
// The rules by which the whole library is looked through, and what a person says of them: which are asked,
// how much they weigh, their limits. Kept as JSON. Any thread.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::library {

enum class RuleGroup { Words, Pictures, Codes, Sound, Keeping };
enum class Weight { Grave, Plain, Slight };

/// A number that a rule goes by.
struct RuleLimit {
    const char* name = ""; // "" for none: "pixels at least"
    double usual = 0, least = 0, most = 0;
};

struct AuditRule {
    const char* key;
    const char* name;
    const char* why; // a sentence: why it matters
    RuleGroup group;
    Weight weight;
    RuleLimit limit = {};
};

/// In the order in which they are shown.
const std::vector<AuditRule>& auditRules();
/// nullptr where there is none of that key.
const AuditRule* auditRule(std::string_view key);
const char* groupName(RuleGroup group);
const char* weightName(Weight weight);

/// What a person says of rules; what is not said is as the rule has it.
class RuleChoices {
public:
    struct Choice {
        bool on = true;
        Weight weight = Weight::Plain;
        double limit = 0;
        bool operator==(const Choice&) const = default;
    };
    Choice of(const AuditRule& rule) const;
    void set(const AuditRule& rule, const Choice& choice);
    bool isOn(std::string_view key) const;
    double limit(std::string_view key) const;
    bool operator==(const RuleChoices&) const = default;

    std::string json() const;
    /// What is not understood of it is as the rules have it; an Error (Invalid) where it is none at all.
    static Result<RuleChoices> fromJson(std::string_view json);

private:
    std::map<std::string, Choice, std::less<>> choices_; // those that are otherwise
};

} // namespace moorfrost::library
