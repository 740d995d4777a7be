// SPDX-License-Identifier: GPL-3.0-or-later
#include <fmt/format.h>

#include "core/library/findings/release_checks.h"
#include "core/library/fixity_plan.h"
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

} // namespace moorfrost::library
