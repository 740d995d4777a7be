// SPDX-License-Identifier: GPL-3.0-or-later
// What commands are told by a number, a name or a file.
#pragma once

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "cli/common.h"
#include "core/library/releases/release_view.h"

namespace moorfrost::cli {

/// By the number of a release, or by the place of a file of it; nullopt after saying why.
std::optional<library::ReleaseRef> releaseNamed(library::Store& store, const std::string& name);
/// A file to its end, of "-" what comes in; nullopt after saying why.
std::optional<std::string> readWhole(const std::string& name);

/// The layout that is kept by this name, the first one for no name, or that of a JSON file; empty (and said)
/// where it is none of these.
template<typename Layout, typename Named, typename FromJson>
std::optional<Layout> layoutMeant(const std::vector<Layout>& layouts, const std::string& name, Named named,
                                  FromJson fromJson) {
    if (name.empty())
        return layouts.front();
    if (const Layout* layout = named(layouts, name))
        return *layout;
    std::error_code error;
    if (std::filesystem::is_regular_file(name, error)) {
        const auto text = readWhole(name);
        if (!text)
            return std::nullopt;
        auto layout = fromJson(*text);
        if (layout)
            return *layout;
        say(layout.error().message);
        return std::nullopt;
    }
    std::string names;
    for (const Layout& layout : layouts)
        names += (names.empty() ? "\"" : ", \"") + layout.name + "\"";
    say("There is no layout \"" + name + "\". There are " + names + ".");
    return std::nullopt;
}

} // namespace moorfrost::cli
