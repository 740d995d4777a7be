// SPDX-License-Identifier: GPL-3.0-or-later
// The facts of a party, a work or an agreement as rows to be shown and typed over.
#pragma once

#include "app/control/people_controller.h"
#include "app/widgets/fact_table.h"

namespace moorfrost::app {

/// Without those that have a place of their own: shares, lyrics, notes. `people`: for those that name
/// parties.
std::vector<FactRow> cardFactRows(const library::CardView& view, const PeopleController::List& people);
/// What was typed into a row; nullopt where somebody is named who is not known: `trouble` says who.
std::optional<std::vector<std::string>> cardFactTyped(library::CardKind kind, const std::string& key,
                                                      const QString& line,
                                                      const PeopleController::List& people, QString& trouble);

} // namespace moorfrost::app
