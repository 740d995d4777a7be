// SPDX-License-Identifier: GPL-3.0-or-later
// Agreements: whether one holds, and how long; those that a party, a work or a release is named in. What is
// changed of them are facts of cards (card_changes), documents too. Any thread but where it says otherwise.
#pragma once

#include "core/library/people/card_changes.h"
#include "core/library/people/documents.h"
#include "core/library/people/people.h"

namespace moorfrost::library {

inline constexpr const char* documentsFact = "documents";  // documentText()
inline constexpr const char* coveredReleases = "releases"; // numbers

/// Days before its end from which it is said to end soon.
inline constexpr int soonDays = 90;
enum class Holds { NotYet, Open, Running, Soon, Over }; // Open: no end is known
struct Holding {
    Holds holds = Holds::Open;
    int days = 0; // until it ends (Running, Soon), or since it ended (Over); until it begins (NotYet)
    bool operator==(const Holding&) const = default;
};
/// `today`: ISO 8601. A partial date ends with its year or month, and begins with it.
Holding holdingOf(const Facts& agreement, const std::string& today);
/// "ends in 12 days", "over since 2024-12-31", "holds".
std::string holdingText(const Facts& agreement, const std::string& today);
std::string todayText();

/// An agreement as a line of a list.
struct AgreementLine {
    CardId id = 0;
    std::string title, says; // holdingText()
    Holding holding;
    std::vector<KeptDocument> documents;
};
AgreementLine agreementLine(CardId id, const Facts& facts, const std::string& today);
/// What names a card, or a release: those that end first come first, those that are over last.
/// On the thread of the store.
std::vector<AgreementLine> agreementsOfCard(Store& store, CardId card);
/// `release`: 0 where it is not kept; then those of its songs. On the thread of the store.
std::vector<AgreementLine> agreementsOfRelease(Store& store, ReleaseId release,
                                               const std::vector<RecordingId>& recordings);
/// Beside those that it has; one that it has already is left out. On the thread of the store.
Result<ChangeOutcome> addDocuments(Store& store, CardId agreement,
                                   const std::vector<KeptDocument>& documents);
Result<ChangeOutcome> removeDocument(Store& store, CardId agreement, const KeptDocument& document);
/// A song, or a release (`coveredReleases`), beside those that it is about; or no longer. On the thread of
/// the store.
Result<ChangeOutcome> setCovered(Store& store, CardId agreement, const char* key, int64_t number,
                                 bool covered);
/// Works of these recordings, each once. On the thread of the store.
std::vector<CardId> worksOf(Store& store, const std::vector<RecordingId>& recordings);
std::vector<AgreementLine> inOrder(std::vector<AgreementLine> lines);

} // namespace moorfrost::library
