// SPDX-License-Identifier: GPL-3.0-or-later
// All parties and all works of the library, as lists: made once for one state of the library, in the
// background; immutable, any thread. What is missing of a work is worked out here.
#pragma once

#include <memory>
#include <stop_token>
#include <unordered_map>

#include "core/library/people/claims.h"

namespace moorfrost::library {

/// What the store keeps of cards, all of it.
struct KeptCards {
    std::map<CardId, Facts> parties, works, agreements;
    struct Recording {
        FileId file = 0;     // one of its files
        std::string version; // of its family: leadVersion, "instrumental" ...; "" for none
        std::vector<Share> owners;
    };
    std::map<RecordingId, Recording> recordings;             // that have a work or an owner
    std::map<CardId, std::vector<RecordingId>> recordingsOf; // of works; the lead first
};
KeptCards keptCards(Store& store);
/// In the order in which versions of a family stand; the lead first, what is in none behind it.
size_t versionOrder(const std::string& version);

/// Something that a complete sheet of a work would have.
struct Gap {
    enum class What { Writers, Publishers, Owners, Number, Iswc, Agreement, Contact };
    What what = What::Writers;
    std::string sentence;
    CardId party = 0;    // of whom a number or a contact is missing
    bool isHard = false; // nothing is known; else something is open
    bool operator==(const Gap&) const = default;
};

struct PartyEntry {
    CardId id = 0;
    std::string name, sort, kind, society, ipi, isni;
    std::vector<std::string> spellings;
    std::vector<std::string> registrants; // with which its ISRCs begin
    size_t shares = 0;                    // works in which it has one
    std::string searched;                 // folded: name, spellings, numbers
};

struct WorkEntry {
    CardId id = 0;
    std::string title, iswc;
    std::string by; // its writers, for people
    std::vector<RecordingId> recordings;
    FileId lead = 0;                                  // a file of the lead recording
    std::vector<SideSum> writers, publishers, owners; // empty: nobody is named
    std::vector<Gap> gaps;
    bool disagrees = false;    // sources say otherwise
    bool hasAgreement = false; // that is not over
    bool hasContact = false;   // one of its owners, publishers or writers, or who represents them
    std::string searched;
    /// "complete", "no shares yet", "writers 100 %, owners 90 %".
    std::string state() const;
};

struct AgreementEntry {
    CardId id = 0;
    std::string title;
    Facts facts;
    std::string searched; // folded: title, parties, songs
};

/// A share of a party: of a work, or of the master of its lead recording.
struct PartyShare {
    CardId work = 0;
    Side side = Side::Writers;
    Share share;
};

class People {
public:
    /// nullptr after a stop.
    static std::shared_ptr<const People> make(const KeptCards& kept, std::stop_token stop = {});

    const std::vector<PartyEntry>& parties() const { return parties_; }           // by their sort form
    const std::vector<WorkEntry>& works() const { return works_; }                // by title
    const std::vector<AgreementEntry>& agreements() const { return agreements_; } // by title
    /// SIZE_MAX where there is none.
    size_t party(CardId id) const;
    size_t work(CardId id) const;
    size_t agreement(CardId id) const;
    size_t find(CardKind kind, CardId id) const;
    std::string nameOf(CardId party) const; // "" where there is none
    /// The one that is called or spelled so; 0: none, or several.
    CardId named(std::string_view name) const;
    /// The work of that title; 0: none, or several.
    CardId workTitled(std::string_view title) const;
    /// Those in which every word is found, in order.
    std::vector<size_t> findParties(std::string_view words, size_t most = SIZE_MAX) const;
    std::vector<size_t> findAgreements(std::string_view words) const;
    enum class WorkOrder { Title, LeastComplete };
    std::vector<size_t> findWorks(std::string_view words, WorkOrder order) const;
    /// Those that are called much like it, the likest first: what somebody may mean, or may have misspelled.
    struct Alike {
        size_t party = 0;
        double likeness = 0;
    };
    std::vector<Alike> alike(std::string_view name, size_t most) const;
    /// Of all works, by themselves, with how many have each.
    const std::map<std::string, size_t>& keywords() const { return keywords_; }
    /// In works, by their titles.
    std::vector<PartyShare> sharesOf(CardId party) const;
    /// Whom it represents.
    std::vector<CardId> representedBy(CardId party) const;
    /// Agreements that name the card.
    std::vector<CardId> agreementsOf(CardId card) const;

private:
    friend class PeopleMaker;
    std::vector<PartyEntry> parties_;
    std::vector<WorkEntry> works_;
    std::map<std::string, size_t> keywords_;
    std::vector<AgreementEntry> agreements_;
    std::unordered_map<CardId, size_t> partyAt_, workAt_, agreementAt_;
    std::unordered_map<std::string, std::vector<CardId>> byName_;   // folded
    std::unordered_map<uint16_t, std::vector<uint32_t>> byLetters_; // groups of letters of names
    std::unordered_map<std::string, std::vector<CardId>> byTitle_;  // works; folded
    std::unordered_map<CardId, std::vector<CardId>> agreementsOf_, represents_;
    std::unordered_map<CardId, std::vector<PartyShare>> sharesOf_;
};

/// Two that seem to be one.
struct PartyProposal {
    CardId first = 0, second = 0;
    double sure = 0; // 0 to 1
    std::string why; // in words, for people
};
/// The surest first; after a stop of no use.
std::vector<PartyProposal> proposeSameParties(const People& people, std::stop_token stop = {});

} // namespace moorfrost::library
