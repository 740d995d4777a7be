// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/card_view.h"

#include <algorithm>

#include "core/library/families/families.h"
#include "core/library/recordings.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

RecordingOfWork recordingOfWork(Store& store, RecordingId id) {
    RecordingOfWork r;
    r.id = id;
    const std::vector<FileId> files = store.recordings().filesOf(id);
    if (!files.empty()) {
        const RecordingView view = recordingOf(store, files.front());
        if (!view.files.empty()) {
            const FileRecord& best = view.files.front();
            r.file = best.id;
            r.title = tags::firstValue(best.tags.fields, "title");
            if (r.title.empty())
                r.title = text::forDisplay(best.path.stem().native());
            r.seconds = best.tags.facts.duration;
        }
    }
    if (const std::vector<std::string> family = store.recordings().values(id, familyField);
        family.size() > 1) {
        r.version = family[1];
        r.detail = family.size() > 2 ? family[2] : std::string();
    }
    r.owners = sharesFrom(store.recordings().values(id, masterField));
    return r;
}

} // namespace

std::vector<Share> CardView::shares(Side side) const {
    if (side != Side::Owners)
        return sharesFrom(factValues(facts, sideKey(side)));
    for (const RecordingOfWork& r : recordings)
        if (!r.owners.empty())
            return r.owners;
    return {};
}

size_t CardView::otherOwners() const {
    const std::vector<Share> lead = shares(Side::Owners);
    return static_cast<size_t>(std::ranges::count_if(
        recordings, [&](const RecordingOfWork& r) { return !r.owners.empty() && r.owners != lead; }));
}

size_t CardView::withoutOwners() const {
    return static_cast<size_t>(
        std::ranges::count_if(recordings, [](const RecordingOfWork& r) { return r.owners.empty(); }));
}

CardView cardView(Store& store, CardId card) {
    CardView out;
    const CardTable::Row row = store.cards().find(card);
    if (row.since == 0)
        return out;
    out.id = card;
    out.kind = row.kind;
    out.facts = store.cards().facts(card);
    if (row.kind == CardKind::Work) {
        out.claims = claimsFrom(factValues(out.facts, claimsFact));
        for (const RecordingId id : store.recordings().withValue(workField, std::to_string(card)))
            out.recordings.push_back(recordingOfWork(store, id));
        std::ranges::stable_sort(out.recordings, {},
                                 [](const RecordingOfWork& r) { return versionOrder(r.version); });
    }
    const std::string number = std::to_string(card);
    for (const auto& [id, facts] : store.cards().allFacts(CardKind::Agreement)) {
        const char* key = row.kind == CardKind::Party ? "parties" : "works";
        const auto& named = factValues(facts, key);
        if (std::ranges::find(named, number) != named.end())
            out.agreements.emplace_back(id, facts);
    }
    std::ranges::stable_sort(out.agreements, std::greater(),
                             [](const auto& a) { return firstFact(a.second, "signed"); });
    return out;
}

std::vector<FactHistory> historyOf(Store& store, CardId card, const std::string& key) {
    std::vector<FactHistory> out;
    for (const auto& [change, part] : store.changes().ofSubject(ChangePart::Kind::CardFact, card, key)) {
        if (change.takenBack)
            continue;
        FactHistory& h = out.emplace_back();
        h.when = change.when;
        h.title = change.title;
        if (part.after.size() >= 3)
            h.fact = Fact{{part.after.begin() + 3, part.after.end()},
                          part.after[0] == "1",
                          part.after[1],
                          std::strtoll(part.after[2].c_str(), nullptr, 10)};
    }
    return out;
}

} // namespace moorfrost::library
