// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/people.h"

#include <algorithm>
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
    return std::ranges::all_of(words,
                               [&](const std::string& w) { return searched.find(w) != std::string::npos; });
}

/// Where nobody said it: people are found under their last name.
std::string sortFormOf(const std::string& name, const std::string& kind) {
    const size_t space = name.rfind(' ');
    const bool plain = name.find(',') == std::string::npos && !text::likenessForm(name).empty();
    return kind == "person" && plain && space != std::string::npos && space + 1 < name.size()
               ? name.substr(space + 1) + ", " + name.substr(0, space)
               : text::sortForm(name);
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

std::shared_ptr<const People> People::make(const KeptCards& kept, std::stop_token stop) {
    auto out = std::make_shared<People>();
    std::unordered_map<CardId, size_t> shareCounts;
    std::unordered_map<CardId, std::string> names;
    for (const auto& [id, facts] : kept.parties)
        names[id] = nameOfCard(CardKind::Party, facts);
    auto nameOf = [&](CardId id) {
        const auto it = names.find(id);
        return it == names.end() ? std::string() : it->second;
    };
    for (const auto& [id, facts] : kept.agreements) {
        for (const char* key : {"parties", "works"})
            for (const std::string& one : factValues(facts, key))
                out->agreements_[std::strtoll(one.c_str(), nullptr, 10)].push_back(id);
    }
    for (const auto& [id, facts] : kept.works) {
        if (stop.stop_requested())
            return nullptr;
        WorkEntry work;
        work.id = id;
        work.title = nameOfCard(CardKind::Work, facts);
        work.iswc = firstFact(facts, "iswc");
        work.disagrees = !factValues(facts, claimsFact).empty();
        std::vector<Share> owners, writers = sharesFrom(factValues(facts, "writers")),
                                   publishers = sharesFrom(factValues(facts, "publishers"));
        if (const auto recordings = kept.recordingsOf.find(id); recordings != kept.recordingsOf.end()) {
            work.recordings = recordings->second;
            work.lead = kept.recordings.at(work.recordings.front()).file;
            for (const RecordingId r : work.recordings) // those of the lead, else of another
                if (owners.empty())
                    owners = kept.recordings.at(r).owners;
        }
        if (!writers.empty())
            work.writers = sumsOf(writers, {});
        if (!publishers.empty())
            work.publishers = sumsOf(publishers, {});
        if (!owners.empty())
            work.owners = sumsOf(owners, {});
        std::set<CardId> who;
        std::string searched = work.title + "\n" + work.iswc + "\n" + reference::plainCode(work.iswc);
        for (const std::string& t : factValues(facts, "titles"))
            searched += "\n" + t;
        for (const auto* shares : {&writers, &publishers, &owners})
            for (const Share& s : *shares) {
                searched += "\n" + shownParty(s, nameOf);
                if (s.party != 0)
                    who.insert(s.party);
            }
        for (const CardId party : who)
            ++shareCounts[party];
        for (const auto& [side, shares] :
             {std::pair(Side::Writers, &writers), {Side::Publishers, &publishers}, {Side::Owners, &owners}})
            for (const Share& s : *shares)
                if (s.party != 0)
                    out->sharesOf_[s.party].push_back({id, side, s});
        for (const Share& s : writers)
            work.by += (work.by.empty() ? "" : ", ") + shownParty(s, nameOf);
        work.searched = text::fold(searched);

        auto sums = [&](Gap::What what, const char* side, const std::vector<SideSum>& all) {
            if (all.empty())
                work.gaps.push_back({what, fmt::format("{}: nobody is named yet", side), 0, true});
            for (const SideSum& s : all)
                if (!s.isWhole())
                    work.gaps.push_back(
                        {what, fmt::format("{}: {}", side, sumSentence(s, 1)), 0, s.isTooMuch()});
        };
        sums(Gap::What::Writers, "Writers", work.writers);
        if (!publishers.empty())
            sums(Gap::What::Publishers, "Publishers", work.publishers);
        if (!work.recordings.empty())
            sums(Gap::What::Owners, "Owners of the master", work.owners);
        std::set<std::string> told;
        for (const Share& s : writers) {
            const auto facts = kept.parties.find(s.party);
            const bool has = facts != kept.parties.end() &&
                             (!firstFact(facts->second, "ipi").empty() ||
                              (facts->second.contains("ipi") && facts->second.at("ipi").none));
            if (!has && told.insert(shownParty(s, nameOf)).second)
                work.gaps.push_back({Gap::What::Number,
                                     fmt::format("{} has no IPI number", shownParty(s, nameOf)), s.party,
                                     true});
        }
        const auto iswc = facts.find(std::string_view("iswc"));
        if (work.iswc.empty() && !(iswc != facts.end() && iswc->second.none))
            work.gaps.push_back({Gap::What::Iswc, "No ISWC", 0, false});
        out->works_.push_back(std::move(work));
    }
    for (const auto& [id, facts] : kept.parties) {
        if (stop.stop_requested())
            return nullptr;
        PartyEntry party;
        party.id = id;
        party.name = nameOf(id);
        party.kind = firstFact(facts, "kind");
        party.sort = firstFact(facts, "sort");
        if (party.sort.empty())
            party.sort = sortFormOf(party.name, party.kind);
        party.society = firstFact(facts, "society");
        party.ipi = firstFact(facts, "ipi");
        party.isni = firstFact(facts, "isni");
        party.spellings = factValues(facts, "spellings");
        party.shares = shareCounts[id];
        std::string searched = party.name + "\n" + party.sort + "\n" + party.society + "\n" + party.ipi +
                               "\n" + reference::plainCode(party.ipi) + "\n" +
                               reference::plainCode(party.isni);
        for (const std::string& s : party.spellings)
            searched += "\n" + s;
        for (const std::string& r : factValues(facts, "roles"))
            searched += "\n" + r;
        party.searched = text::fold(searched);
        out->parties_.push_back(std::move(party));
    }
    std::vector<std::pair<std::string, size_t>> order;
    auto sorted = [&](auto& entries, auto&& keyOf) {
        order.clear();
        for (size_t i = 0; i < entries.size(); ++i)
            order.emplace_back(text::sortKey(keyOf(entries[i])), i);
        std::ranges::sort(order);
        std::remove_reference_t<decltype(entries)> all;
        all.reserve(entries.size());
        for (const auto& [key, i] : order)
            all.push_back(std::move(entries[i]));
        entries = std::move(all);
    };
    sorted(out->parties_, [](const PartyEntry& p) { return p.sort; });
    sorted(out->works_, [](const WorkEntry& w) { return text::sortForm(w.title); });
    for (size_t i = 0; i < out->works_.size(); ++i)
        out->workAt_[out->works_[i].id] = i;
    for (auto& [party, shares] : out->sharesOf_)
        std::ranges::stable_sort(shares, {}, [&](const PartyShare& s) { return out->workAt_.at(s.work); });
    for (size_t i = 0; i < out->parties_.size(); ++i) {
        const PartyEntry& p = out->parties_[i];
        out->partyAt_[p.id] = i;
        std::set<std::string> called = {text::fold(p.name)};
        for (const std::string& s : p.spellings)
            called.insert(text::fold(s));
        for (const std::string& name : called)
            out->byName_[name].push_back(p.id);
        std::set<uint16_t> groups;
        for (const uint16_t g : text::letterGroups(text::likenessForm(p.name)))
            groups.insert(g);
        for (const std::string& s : p.spellings)
            for (const uint16_t g : text::letterGroups(text::likenessForm(s)))
                groups.insert(g);
        for (const uint16_t g : groups)
            out->byLetters_[g].push_back(static_cast<uint32_t>(i));
    }
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

std::string People::nameOf(CardId id) const {
    const size_t at = party(id);
    return at == SIZE_MAX ? std::string() : parties_[at].name;
}

CardId People::named(std::string_view name) const {
    const auto it = byName_.find(text::fold(text::trim(name)));
    return it == byName_.end() || it->second.size() != 1 ? 0 : it->second.front();
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

std::vector<CardId> People::agreementsOf(CardId card) const {
    const auto it = agreements_.find(card);
    return it == agreements_.end() ? std::vector<CardId>() : it->second;
}

std::vector<PartyProposal> proposeSameParties(const People& people, std::stop_token stop) {
    constexpr double alikeEnough = 0.82;
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
