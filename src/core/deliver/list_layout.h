// SPDX-License-Identifier: GPL-3.0-or-later
// Layouts of lists for players: the form of the file, and how it tells where the tracks are. Kept by name, as
// JSON that can be handed on. Any thread.
#pragma once

#include "core/exchange/playlist.h"

namespace moorfrost::deliver {

enum class ListForm { M3u8, Xspf, Cue };

struct ListLayout {
    std::string name;
    ListForm form = ListForm::M3u8;
    exchange::PlaceStyle places;
    bool operator==(const ListLayout&) const = default;
    const char* ending() const; // ".m3u8", ".xspf", ".cue"
};

const std::vector<ListLayout>& shippedListLayouts();
std::string listLayoutJson(const ListLayout& layout);
/// An Error (Invalid) says what was not understood.
Result<ListLayout> listLayoutFromJson(std::string_view json);
std::vector<ListLayout> listLayoutsFrom(const std::vector<std::string>& kept);
const ListLayout* listLayoutNamed(const std::vector<ListLayout>& layouts, std::string_view name);

/// The list as a file of that form.
std::string listText(const exchange::Playlist& list, ListForm form);

} // namespace moorfrost::deliver
