// SPDX-License-Identifier: GPL-3.0-or-later
// What goes along when the lead of a family is put into a list, a playlist, or is handed on: asked once, and
// remembered.
#pragma once

#include <optional>
#include <vector>

#include "core/library/search/searcher.h"

class QWidget;

namespace moorfrost::app {

enum class GoesAlong { Ask, LeadOnly, Versions, Stems };
GoesAlong familiesInLists();
void setFamiliesInLists(GoesAlong goes);

/// These files, with the versions of the leads among them behind each. Where some of a family are chosen by
/// themselves, just these are meant. nullopt: it was not to be done after all.
std::optional<std::vector<library::FileId>>
withVersions(const library::Searcher& library, const std::vector<library::FileId>& files, QWidget* window);

} // namespace moorfrost::app
