// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/song_standing.h"

#include <algorithm>

#include "core/library/people/agreements.h"
#include "core/library/people/card_changes.h"

namespace moorfrost::library {

namespace {

CardId numberOf(const std::string& text) {
    return std::strtoll(text.c_str(), nullptr, 10);
}

bool addsUp(const std::vector<Share>& shares) {
    return !shares.empty() && std::ranges::all_of(sumsOf(shares, {}), &SideSum::isWhole);
}

/// Of a party, that standards ask for.
bool isAsked(std::string_view fact) {
    return fact == "ipi" || fact == "contacts" || fact == "represented";
}

} // namespace

const Facts& SongStandings::party(CardId id) {
    const auto [at, isNew] = parties_.try_emplace(id);
    if (isNew)
        at->second = store_.cards().facts(id);
    return at->second;
}

bool SongStandings::hasNumber(CardId id) {
    if (id == 0)
        return false;
    const Facts& facts = party(id);
    const auto ipi = facts.find(std::string_view("ipi"));
    return ipi != facts.end() && (ipi->second.none || !ipi->second.values.empty());
}

bool SongStandings::hasContact(CardId id, int depth) {
    constexpr int deepest = 4; // who is represented by whom
    if (id == 0 || depth > deepest)
        return false;
    if (!factValues(party(id), "contacts").empty())
        return true;
    const std::vector<std::string> represented = factValues(party(id), "represented");
    return std::ranges::any_of(represented,
                               [&](const std::string& one) { return hasContact(numberOf(one), depth + 1); });
}

const std::set<CardId>& SongStandings::covered() {
    if (!covered_) {
        covered_.emplace();
        const std::string today = todayText();
        for (const auto& [id, facts] : store_.cards().allFacts(CardKind::Agreement))
            if (holdingOf(facts, today).holds != Holds::Over)
                for (const std::string& one : factValues(facts, "works"))
                    covered_->insert(numberOf(one));
    }
    return *covered_;
}

const SongStandings::Work& SongStandings::work(CardId id) {
    const auto [at, isNew] = works_.try_emplace(id);
    Work& out = at->second;
    if (!isNew)
        return out;
    const Facts facts = store_.cards().facts(id);
    const std::vector<Share> writers = sharesFrom(factValues(facts, sideKey(Side::Writers))),
                             publishers = sharesFrom(factValues(facts, sideKey(Side::Publishers)));
    out.sharesAddUp = addsUp(writers) && (publishers.empty() || addsUp(publishers));
    out.hasNumbers =
        !writers.empty() && std::ranges::all_of(writers, [&](const Share& s) { return hasNumber(s.party); });
    out.hasAgreement = covered().contains(id);
    for (const auto* shares : {&writers, &publishers})
        for (const Share& s : *shares)
            out.parties.insert(s.party);
    return out;
}

audit::SongStanding SongStandings::of(FileId file) {
    audit::SongStanding out;
    const RecordingId recording = store_.recordings().placeOf(file).recording;
    if (recording == 0)
        return out;
    const std::vector<std::string> works = store_.recordings().values(recording, workField);
    if (works.empty())
        return out;
    const std::vector<Share> owners = sharesFrom(store_.recordings().values(recording, masterField));
    out = {true, addsUp(owners), true, true, true};
    for (const std::string& one : works) {
        const Work& w = work(numberOf(one));
        out.sharesAddUp = out.sharesAddUp && w.sharesAddUp;
        out.hasNumbers = out.hasNumbers && w.hasNumbers;
        out.hasAgreement = out.hasAgreement && w.hasAgreement;
        bool contact = std::ranges::any_of(w.parties, [&](CardId id) { return hasContact(id); });
        for (const Share& s : owners)
            contact = contact || hasContact(s.party);
        out.hasContact = out.hasContact && contact;
    }
    return out;
}

void noteStandings(Store& store, const std::vector<ChangePart>& parts, std::set<FileId>& touched) {
    using Kind = ChangePart::Kind;
    std::set<CardId> works, parties;
    std::vector<FileId> files;
    auto filesOf = [&](RecordingId recording) {
        for (const FileId file : store.recordings().filesOf(recording))
            files.push_back(file);
    };
    for (const ChangePart& part : parts) {
        if (part.kind == Kind::Value && (part.field == workField || part.field == masterField))
            filesOf(part.subject);
        if (part.kind != Kind::CardFact)
            continue;
        if (part.field == sideKey(Side::Writers) || part.field == sideKey(Side::Publishers))
            works.insert(part.subject);
        else if (isAsked(part.field))
            parties.insert(part.subject);
        else if (part.field == "works") // of an agreement: those that it covers, and covered
            for (const auto* texts : {&part.before, &part.after})
                for (const std::string& one : *texts)
                    works.insert(numberOf(one));
        else if (part.field == "ends" || part.field == "begins") {
            const Facts agreement = store.cards().facts(part.subject);
            for (const std::string& one : factValues(agreement, "works"))
                works.insert(numberOf(one));
        }
    }
    if (!parties.empty()) {
        // Whom they represent, too.
        const auto all = store.cards().allFacts(CardKind::Party);
        for (size_t before = 0; before != parties.size();) {
            before = parties.size();
            for (const auto& [id, facts] : all)
                for (const std::string& one : factValues(facts, "represented"))
                    if (parties.contains(numberOf(one)))
                        parties.insert(id);
        }
        auto isNamed = [&](const std::vector<Share>& shares) {
            return std::ranges::any_of(shares, [&](const Share& s) { return parties.contains(s.party); });
        };
        for (const auto& [id, facts] : store.cards().allFacts(CardKind::Work))
            for (const Side side : {Side::Writers, Side::Publishers})
                if (isNamed(sharesFrom(factValues(facts, sideKey(side)))))
                    works.insert(id);
        for (const auto& [recording, values] : store.recordings().allWith(masterField))
            if (isNamed(sharesFrom(values)))
                filesOf(recording);
    }
    for (const CardId work : works)
        for (const RecordingId recording : store.recordings().withValue(workField, std::to_string(work)))
            filesOf(recording);
    if (files.empty())
        return;
    store.revisions().note(files);
    touched.insert(files.begin(), files.end());
}

} // namespace moorfrost::library
