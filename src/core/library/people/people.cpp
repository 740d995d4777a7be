// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/people.h"

#include <algorithm>
#include <cstring>
#include <set>

#include <fmt/format.h>

#include "core/library/families/families.h"
#include "core/reference/catalogue.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Strings = std::vector<std::string>;

std::vector<std::string> wordsOf(std::string_view words) {
    std::vector<std::string> out;
    for (std::string& word : text::split(text::fold(words), " "))
        if (!word.empty())
            out.push_back(std::move(word));
    return out;
}

bool hasAll(const std::string& searched, const std::vector<std::string>& words) {
    return std::ranges::all_of(words, [&](const std::string& w) {
        return memmem(searched.data(), searched.size(), w.data(), w.size()) !=
               nullptr; // the fastest there is
    });
}

/// "Rook, Tom" and "Tom Rook" have the same.
std::string sortedWords(std::string_view name) {
    std::vector<std::string> words = text::split(text::likenessForm(name), " ");
    std::ranges::sort(words);
    return fmt::format("{}", fmt::join(words, " "));
}

} // namespace

size_t versionOrder(const std::string& version) {
    const auto& kinds = versionKinds();
    return version == leadVersion ? 0
           : version.empty()      ? 1
                             : 2 + static_cast<size_t>(std::ranges::find(kinds, version) - kinds.begin());
}

KeptCards keptCards(Store& store) {
    KeptCards out;
    out.parties = store.cards().allFacts(CardKind::Party);
    out.works = store.cards().allFacts(CardKind::Work);
    out.agreements = store.cards().allFacts(CardKind::Agreement);
    auto recording = [&](RecordingId id) -> KeptCards::Recording& {
        const auto [at, isNew] = out.recordings.try_emplace(id);
        if (!isNew)
            return at->second;
        // No file is read here: there may be as many recordings as the library has.
        if (const std::vector<FileId> files = store.recordings().filesOf(id); !files.empty())
            at->second.file = files.front();
        if (const Strings family = store.recordings().values(id, familyField); family.size() > 1)
            at->second.version = family[1];
        return at->second;
    };
    for (const auto& [id, works] : store.recordings().allWith(workField)) {
        recording(id);
        for (const std::string& work : works)
            out.recordingsOf[std::strtoll(work.c_str(), nullptr, 10)].push_back(id);
    }
    for (const auto& [id, owners] : store.recordings().allWith(masterField))
        recording(id).owners = sharesFrom(owners);
    for (auto& [work, recordings] : out.recordingsOf)
        std::ranges::stable_sort(recordings, {}, [&](RecordingId id) {
            return std::pair(versionOrder(out.recordings.at(id).version), id);
        });
    return out;
}

std::string WorkEntry::state() const {
    if (writers.empty() && publishers.empty() && owners.empty())
        return "no shares yet";
    if (gaps.empty())
        return "complete";
    std::string out;
    auto add = [&](const char* name, const std::vector<SideSum>& sums) {
        if (sums.empty())
            return;
        const auto worst = std::ranges::find_if(sums, [](const SideSum& s) { return !s.isWhole(); });
        const SideSum& shown = worst == sums.end() ? sums.front() : *worst;
        out += out.empty() ? "" : ", ";
        out += shown.sum.isZero() ? fmt::format("{} without shares", name)
                                  : fmt::format("{} {}", name, shown.sum.percent());
    };
    add("writers", writers);
    add("publishers", publishers);
    add("owners", owners);
    return out;
}

size_t People::party(CardId id) const {
    const auto it = partyAt_.find(id);
    return it == partyAt_.end() ? SIZE_MAX : it->second;
}

size_t People::work(CardId id) const {
    const auto it = workAt_.find(id);
    return it == workAt_.end() ? SIZE_MAX : it->second;
}

size_t People::agreement(CardId id) const {
    const auto it = agreementAt_.find(id);
    return it == agreementAt_.end() ? SIZE_MAX : it->second;
}

size_t People::find(CardKind kind, CardId id) const {
    return kind == CardKind::Party ? party(id) : kind == CardKind::Work ? work(id) : agreement(id);
}

std::string People::nameOf(CardId id) const {
    const size_t at = party(id);
    return at == SIZE_MAX ? std::string() : parties_[at].name;
}

CardId People::named(std::string_view name) const {
    const auto it = byName_.find(text::fold(text::trim(name)));
    return it == byName_.end() || it->second.size() != 1 ? 0 : it->second.front();
}

CardId People::workTitled(std::string_view title) const {
    const auto it = byTitle_.find(text::fold(text::trim(title)));
    return it == byTitle_.end() || it->second.size() != 1 ? 0 : it->second.front();
}

std::vector<size_t> People::findAgreements(std::string_view words) const {
    const std::vector<std::string> wanted = wordsOf(words);
    std::vector<size_t> out;
    for (size_t i = 0; i < agreements_.size(); ++i)
        if (hasAll(agreements_[i].searched, wanted))
            out.push_back(i);
    return out;
}

std::vector<size_t> People::findParties(std::string_view words, size_t most) const {
    const std::vector<std::string> wanted = wordsOf(words);
    std::vector<size_t> out;
    for (size_t i = 0; i < parties_.size() && out.size() < most; ++i)
        if (hasAll(parties_[i].searched, wanted))
            out.push_back(i);
    return out;
}

std::vector<size_t> People::findWorks(std::string_view words, WorkOrder order) const {
    const std::vector<std::string> wanted = wordsOf(words);
    std::vector<size_t> out;
    for (size_t i = 0; i < works_.size(); ++i)
        if (hasAll(works_[i].searched, wanted))
            out.push_back(i);
    if (order == WorkOrder::LeastComplete)
        std::ranges::stable_sort(out, std::greater(), [&](size_t i) {
            const WorkEntry& w = works_[i];
            const auto hard = std::ranges::count_if(w.gaps, &Gap::isHard);
            return std::pair(w.writers.empty() ? 1 : 0, hard * 100 + static_cast<long>(w.gaps.size()));
        });
    return out;
}

std::vector<People::Alike> People::alike(std::string_view name, size_t most) const {
    constexpr size_t mostCompared = 400;
    const text::Likened wanted(name);
    std::unordered_map<uint32_t, int> counts;
    // Letters that many names have tell little, and cost most.
    const size_t often = std::max<size_t>(2000, parties_.size() / 20);
    size_t asked = 0;
    for (const bool all : {false, true}) {
        for (const uint16_t g : wanted.groups)
            if (const auto it = byLetters_.find(g);
                it != byLetters_.end() && (all || it->second.size() <= often)) {
                ++asked;
                for (const uint32_t party : it->second)
                    ++counts[party];
            }
        if (asked > 0)
            break;
    }
    std::vector<std::pair<int, uint32_t>> order;
    for (const auto& [party, count] : counts)
        if (count * 3 >= static_cast<int>(asked))
            order.emplace_back(-count, party);
    const size_t some = std::min(mostCompared, order.size());
    std::ranges::partial_sort(order, order.begin() + static_cast<std::ptrdiff_t>(some));
    std::vector<Alike> out;
    for (size_t i = 0; i < some; ++i) {
        const PartyEntry& p = parties_[order[i].second];
        double best = text::likeness(wanted, text::Likened(p.name));
        for (const std::string& s : p.spellings)
            best = std::max(best, text::likeness(wanted, text::Likened(s)));
        out.push_back({order[i].second, best});
    }
    std::ranges::stable_sort(out, std::greater(), &Alike::likeness);
    out.resize(std::min(most, out.size()));
    return out;
}

std::vector<PartyShare> People::sharesOf(CardId party) const {
    const auto it = sharesOf_.find(party);
    return it == sharesOf_.end() ? std::vector<PartyShare>() : it->second;
}

std::vector<CardId> People::representedBy(CardId party) const {
    const auto it = represents_.find(party);
    return it == represents_.end() ? std::vector<CardId>() : it->second;
}

std::vector<CardId> People::agreementsOf(CardId card) const {
    const auto it = agreementsOf_.find(card);
    return it == agreementsOf_.end() ? std::vector<CardId>() : it->second;
}

std::vector<PartyProposal> proposeSameParties(const People& people, std::stop_token stop) {
    constexpr double alikeEnough = 0.82;
    constexpr size_t mostLikened = 20000; // names; beyond that, only those that are the same are found
    size_t likened = 0;
    std::map<std::pair<CardId, CardId>, PartyProposal> found;
    const auto& parties = people.parties();
    auto propose = [&](const PartyEntry& a, const PartyEntry& b, double sure, const std::string& why) {
        auto& p = found[{std::min(a.id, b.id), std::max(a.id, b.id)}];
        if (sure > p.sure) {
            // The one with more shares, else the older one, is the one that stays.
            const bool aFirst = a.shares != b.shares ? a.shares > b.shares : a.id < b.id;
            p = {aFirst ? a.id : b.id, aFirst ? b.id : a.id, sure, why};
        }
    };
    std::unordered_map<std::string, const PartyEntry*> byNumber, byWords;
    for (const PartyEntry& p : parties) {
        if (stop.stop_requested())
            return {};
        for (const auto& [code, what] : {std::pair(p.ipi, "IPI number"), std::pair(p.isni, "ISNI")}) {
            if (code.empty())
                continue;
            std::string plain = reference::plainCode(code);
            plain.erase(0, std::min(plain.find_first_not_of('0'), plain.size()));
            const auto [at, isNew] = byNumber.try_emplace(std::string(what) + plain, &p);
            if (!isNew)
                propose(*at->second, p, 0.97, fmt::format("one {}", what));
        }
        const std::string words = sortedWords(p.name);
        if (words.empty())
            continue;
        const auto [at, isNew] = byWords.try_emplace(words, &p);
        if (!isNew)
            propose(*at->second, p, 0.93, "the same name");
        // Two numbers are two people: who has one is found by those who have none.
        if (!p.ipi.empty() || ++likened > mostLikened)
            continue;
        for (const People::Alike& alike : people.alike(p.name, 6)) {
            const PartyEntry& other = parties[alike.party];
            if (other.id != p.id && alike.likeness >= alikeEnough)
                propose(p, other, 0.6 + (alike.likeness - alikeEnough) * 1.5, "names much alike");
        }
    }
    std::vector<PartyProposal> out;
    for (auto& [pair, p] : found) {
        const PartyEntry &a = parties[people.party(p.first)], &b = parties[people.party(p.second)];
        // Two numbers are two people; a person is no organisation.
        const bool two = (!a.ipi.empty() && !b.ipi.empty() && p.why != "one IPI number" &&
                          reference::plainCode(a.ipi) != reference::plainCode(b.ipi)) ||
                         (!a.kind.empty() && !b.kind.empty() && a.kind != b.kind && p.sure < 0.95);
        if (!two)
            out.push_back(std::move(p));
    }
    std::ranges::stable_sort(out, std::greater(), &PartyProposal::sure);
    return out;
}

} // namespace moorfrost::library
