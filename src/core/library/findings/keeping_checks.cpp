// SPDX-License-Identifier: GPL-3.0-or-later
#include <fmt/format.h>

#include "core/library/findings/release_checks.h"
#include "core/library/fixity_plan.h"
#include "core/library/people/agreements.h"
#include "core/library/people/people.h"
#include "core/text/text.h"

namespace moorfrost::library {

void checkFixityKept(Store& store, const FindingSink& found) {
    for (const FixityDue& file : FixityRoundTable(store.database()).troubled()) {
        if (file.trouble == name(CheckState::Missing))
            continue; // that is another rule's
        Finding one;
        one.rule = "fixity";
        one.about = file.path.native();
        one.title = text::forDisplay(file.path.filename().native());
        one.files = {file.file};
        const bool changed = file.trouble == name(CheckState::Changed);
        one.sentence = changed ? "Its sound is not the one whose fixity was kept."
                               : "Its sound cannot be read any more.";
        one.evidence = {{"Lies in", text::forDisplay(file.path.parent_path().native())}};
        if (const auto stored = store.fixity().find(file.path))
            one.evidence.push_back({"Kept on", dayText(stored->when), ""});
        if (file.verified > 0)
            one.evidence.push_back({"Compared on", dayText(file.verified), ""});
        found(std::move(one));
    }
}

void checkPeople(Store& store, const RuleChoices& rules, std::stop_token stop, const FindingSink& found) {
    const auto people = People::make(keptCards(store), stop);
    if (!people)
        return;
    if (rules.isOn("shares"))
        for (const WorkEntry& work : people->works())
            for (const Gap& gap : work.gaps) {
                if (gap.what != Gap::What::Writers && gap.what != Gap::What::Publishers &&
                    gap.what != Gap::What::Owners)
                    continue;
                if (gap.isHard)
                    continue; // nobody is named yet: the standard asks for that
                Finding one;
                one.rule = "shares";
                one.about = fmt::format("{} {}", work.id, static_cast<int>(gap.what));
                one.title = work.title;
                one.sentence = gap.sentence;
                if (work.lead != 0)
                    one.files = {work.lead};
                found(std::move(one));
            }
    if (!rules.isOn("agreements"))
        return;
    const std::string today = todayText();
    for (const AgreementEntry& entry : people->agreements()) {
        const Holding holding = holdingOf(entry.facts, today);
        if (holding.holds != Holds::Soon && holding.holds != Holds::Over)
            continue;
        Finding one;
        one.rule = "agreements";
        one.about = std::to_string(entry.id);
        one.title = entry.title;
        one.sentence = fmt::format("The agreement {}.", holdingText(entry.facts, today));
        found(std::move(one));
    }
}

} // namespace moorfrost::library
