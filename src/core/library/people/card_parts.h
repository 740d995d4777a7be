// SPDX-License-Identifier: GPL-3.0-or-later
// What changes of parties and works are put together from. On the thread of the store.
#pragma once

#include "core/library/people/card_changes.h"

namespace moorfrost::library::cards {

Error invalid(std::string sentence);
/// Of a card that is no more.
Error gone();
/// Said now.
Fact factOf(const std::vector<std::string>& values, const std::string& origin, bool none = false);
/// In quotes, for the journal.
std::string nameOf(Store& store, CardId card);
std::vector<std::string> numbers(const std::vector<CardId>& ids);
std::vector<CardId> numbersFrom(const std::vector<std::string>& texts);

/// A part of another change: a new card, which needs a name or a title.
Result<CardId> addCard(Store& store, KeptChange& change, CardKind kind, const CardValues& facts,
                       const std::string& origin);
/// All parties by what they are called or spelled, folded; 0 where several are called so.
std::map<std::string, CardId> partiesByName(Store& store);

} // namespace moorfrost::library::cards
