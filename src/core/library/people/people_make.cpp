// SPDX-License-Identifier: GPL-3.0-or-later
// How the lists of parties, works and agreements are made of what the store keeps.
#include <algorithm>
#include <set>

#include <fmt/format.h>

#include "core/library/people/agreements.h"
#include "core/reference/catalogue.h"
#include "core/text/likeness.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

int64_t numberOf(const std::string& text) {
    return std::strtoll(text.c_str(), nullptr, 10);
}

/// Where nobody said it: people are found under their last name.
std::string sortFormOf(const std::string& name, const std::string& kind) {
    const size_t space = name.rfind(' ');
    const bool plain = name.find(',') == std::string::npos && !text::likenessForm(name).empty();
    return kind == "person" && plain && space != std::string::npos && space + 1 < name.size()
               ? name.substr(space + 1) + ", " + name.substr(0, space)
               : text::sortForm(name);
}

template<class Entries, class KeyOf>
void sortBy(Entries& entries, KeyOf&& keyOf) {
    std::vector<std::pair<std::string, size_t>> order;
    for (size_t i = 0; i < entries.size(); ++i)
        order.emplace_back(text::sortKey(keyOf(entries[i])), i);
    std::ranges::sort(order);
    Entries all;
    all.reserve(entries.size());
    for (const auto& [key, i] : order)
        all.push_back(std::move(entries[i]));
    entries = std::move(all);
}

} // namespace

class PeopleMaker {
public:
    explicit PeopleMaker(const KeptCards& kept) : kept_(kept), out_(std::make_shared<People>()) {
        for (const auto& [id, facts] : kept.parties)
            names_[id] = nameOfCard(CardKind::Party, facts);
    }

    std::shared_ptr<const People> make(std::stop_token stop) {
        for (const auto& [id, facts] : kept_.agreements)
            addAgreement(id, facts);
        for (const auto& [id, facts] : kept_.works) {
            if (stop.stop_requested())
                return nullptr;
            addWork(id, facts);
        }
        for (const auto& [id, facts] : kept_.parties) {
            if (stop.stop_requested())
                return nullptr;
            addParty(id, facts);
        }
        sortBy(out_->parties_, [](const PartyEntry& p) { return p.sort; });
        sortBy(out_->works_, [](const WorkEntry& w) { return text::sortForm(w.title); });
        sortBy(out_->agreements_, [](const AgreementEntry& a) { return text::sortForm(a.title); });
        lineUp();
        index();
        return out_;
    }

private:
    std::string nameOf(CardId id) const {
        const auto it = names_.find(id);
        return it == names_.end() ? std::string() : it->second;
    }
    std::function<std::string(CardId)> names() const {
        return [this](CardId id) { return nameOf(id); };
    }

    void addAgreement(CardId id, const Facts& facts) {
        AgreementEntry& a = out_->agreements_.emplace_back();
        a.id = id;
        a.title = nameOfCard(CardKind::Agreement, facts);
        a.facts = facts;
        std::string searched = a.title;
        const bool holds = holdingOf(facts, today_).holds != Holds::Over;
        for (const std::string& one : factValues(facts, "parties")) {
            out_->agreementsOf_[numberOf(one)].push_back(id);
            searched += "\n" + nameOf(numberOf(one));
        }
        for (const std::string& one : factValues(facts, "works")) {
            out_->agreementsOf_[numberOf(one)].push_back(id);
            if (const auto work = kept_.works.find(numberOf(one)); work != kept_.works.end())
                searched += "\n" + nameOfCard(CardKind::Work, work->second);
            if (holds)
                covered_.insert(numberOf(one));
        }
        a.searched = text::fold(searched);
    }

    /// Of the party, or of who represents it.
    bool hasContact(CardId id, int depth = 0) const {
        const auto facts = kept_.parties.find(id);
        if (facts == kept_.parties.end() || depth > 4)
            return false;
        if (!factValues(facts->second, "contacts").empty())
            return true;
        return std::ranges::any_of(factValues(facts->second, "represented"), [&](const std::string& one) {
            return hasContact(numberOf(one), depth + 1);
        });
    }

    struct Sides {
        std::vector<Share> writers, publishers, owners;
        std::array<std::pair<Side, const std::vector<Share>*>, 3> all() const {
            return {{{Side::Writers, &writers}, {Side::Publishers, &publishers}, {Side::Owners, &owners}}};
        }
    };

    void addWork(CardId id, const Facts& facts) {
        WorkEntry work;
        work.id = id;
        work.title = nameOfCard(CardKind::Work, facts);
        work.iswc = firstFact(facts, "iswc");
        work.disagrees = !factValues(facts, claimsFact).empty();
        work.hasAgreement = covered_.contains(id);
        Sides sides{
            sharesFrom(factValues(facts, "writers")), sharesFrom(factValues(facts, "publishers")), {}};
        if (const auto recordings = kept_.recordingsOf.find(id); recordings != kept_.recordingsOf.end()) {
            work.recordings = recordings->second;
            work.lead = kept_.recordings.at(work.recordings.front()).file;
            for (const RecordingId r : work.recordings) // those of the lead, else of another
                if (sides.owners.empty())
                    sides.owners = kept_.recordings.at(r).owners;
        }
        if (!sides.writers.empty())
            work.writers = sumsOf(sides.writers, {});
        if (!sides.publishers.empty())
            work.publishers = sumsOf(sides.publishers, {});
        if (!sides.owners.empty())
            work.owners = sumsOf(sides.owners, {});
        for (const std::string& word : factValues(facts, "keywords"))
            ++out_->keywords_[word];
        std::set<CardId> who;
        std::string searched = work.title + "\n" + work.iswc + "\n" + reference::plainCode(work.iswc);
        for (const std::string& t : factValues(facts, "titles"))
            searched += "\n" + t;
        for (const auto& [side, shares] : sides.all())
            for (const Share& s : *shares) {
                searched += "\n" + shownParty(s, names());
                if (s.party == 0)
                    continue;
                who.insert(s.party);
                out_->sharesOf_[s.party].push_back({id, side, s});
            }
        for (const CardId party : who) {
            ++shareCounts_[party];
            work.hasContact = work.hasContact || hasContact(party);
        }
        for (const Share& s : sides.writers)
            work.by += (work.by.empty() ? "" : ", ") + shownParty(s, names());
        work.searched = text::fold(searched);
        addGaps(work, facts, sides);
        out_->works_.push_back(std::move(work));
    }

    void addGaps(WorkEntry& work, const Facts& facts, const Sides& sides) const {
        auto sums = [&](Gap::What what, const char* side, const std::vector<SideSum>& all) {
            if (all.empty())
                work.gaps.push_back({what, fmt::format("{}: nobody is named yet", side), 0, true});
            for (const SideSum& s : all)
                if (!s.isWhole())
                    work.gaps.push_back(
                        {what, fmt::format("{}: {}", side, sumSentence(s, 1)), 0, s.isTooMuch()});
        };
        sums(Gap::What::Writers, "Writers", work.writers);
        if (!sides.publishers.empty())
            sums(Gap::What::Publishers, "Publishers", work.publishers);
        if (!work.recordings.empty())
            sums(Gap::What::Owners, "Owners of the master", work.owners);
        std::set<std::string> told;
        for (const Share& s : sides.writers) {
            const auto party = kept_.parties.find(s.party);
            const bool has = party != kept_.parties.end() &&
                             (!firstFact(party->second, "ipi").empty() ||
                              (party->second.contains("ipi") && party->second.at("ipi").none));
            if (!has && told.insert(shownParty(s, names())).second)
                work.gaps.push_back({Gap::What::Number,
                                     fmt::format("{} has no IPI number", shownParty(s, names())), s.party,
                                     true});
        }
        const auto iswc = facts.find(std::string_view("iswc"));
        if (work.iswc.empty() && !(iswc != facts.end() && iswc->second.none))
            work.gaps.push_back({Gap::What::Iswc, "No ISWC", 0, false});
    }

    void addParty(CardId id, const Facts& facts) {
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
        party.registrants = factValues(facts, "registrants");
        party.shares = shareCounts_[id];
        std::string searched = party.name + "\n" + party.sort + "\n" + party.society + "\n" + party.ipi +
                               "\n" + reference::plainCode(party.ipi) + "\n" +
                               reference::plainCode(party.isni);
        for (const std::string& s : party.spellings)
            searched += "\n" + s;
        for (const std::string& r : factValues(facts, "roles"))
            searched += "\n" + r;
        party.searched = text::fold(searched);
        for (const std::string& one : factValues(facts, "represented"))
            out_->represents_[numberOf(one)].push_back(id);
        out_->parties_.push_back(std::move(party));
    }

    /// What is searched, one after the other in memory, in the order in which it is gone through.
    void lineUp() {
        std::vector<std::string> fresh;
        fresh.reserve(out_->parties_.size());
        for (const PartyEntry& p : out_->parties_)
            fresh.emplace_back(p.searched);
        for (size_t i = 0; i < fresh.size(); ++i)
            out_->parties_[i].searched.swap(fresh[i]);
    }

    void index() {
        for (size_t i = 0; i < out_->agreements_.size(); ++i)
            out_->agreementAt_[out_->agreements_[i].id] = i;
        for (size_t i = 0; i < out_->works_.size(); ++i) {
            out_->workAt_[out_->works_[i].id] = i;
            out_->byTitle_[text::fold(out_->works_[i].title)].push_back(out_->works_[i].id);
        }
        for (auto& [party, shares] : out_->sharesOf_)
            std::ranges::stable_sort(shares, {},
                                     [&](const PartyShare& s) { return out_->workAt_.at(s.work); });
        for (size_t i = 0; i < out_->parties_.size(); ++i) {
            const PartyEntry& p = out_->parties_[i];
            out_->partyAt_[p.id] = i;
            std::set<std::string> called = {text::fold(p.name)};
            for (const std::string& s : p.spellings)
                called.insert(text::fold(s));
            for (const std::string& name : called)
                out_->byName_[name].push_back(p.id);
            std::set<uint16_t> groups;
            for (const uint16_t g : text::letterGroups(text::likenessForm(p.name)))
                groups.insert(g);
            for (const std::string& s : p.spellings)
                for (const uint16_t g : text::letterGroups(text::likenessForm(s)))
                    groups.insert(g);
            for (const uint16_t g : groups)
                out_->byLetters_[g].push_back(static_cast<uint32_t>(i));
        }
    }

    const KeptCards& kept_;
    std::shared_ptr<People> out_;
    const std::string today_ = todayText();
    std::unordered_map<CardId, std::string> names_;
    std::unordered_map<CardId, size_t> shareCounts_;
    std::set<CardId> covered_; // works, by agreements that are not over
};

std::shared_ptr<const People> People::make(const KeptCards& kept, std::stop_token stop) {
    return PeopleMaker(kept).make(stop);
}

} // namespace moorfrost::library
