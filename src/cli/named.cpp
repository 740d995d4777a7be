// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/named.h"

#include <fstream>
#include <iostream>
#include <sstream>

#include "core/library/releases/release_list.h"
#include "core/library/search/library_search.h"
#include "core/text/text.h"

namespace moorfrost::cli {

std::optional<library::ReleaseRef> releaseNamed(library::Store& store, const std::string& name) {
    if (text::isDigits(name) && !name.empty() && name.size() < 18) {
        const int64_t id = std::stoll(name);
        if (store.releases().has(id))
            return library::ReleaseRef{id, {}};
        say("The library has no release " + name + ".");
        return std::nullopt;
    }
    const library::FileId file = store.files().idOf(std::filesystem::absolute(name).lexically_normal());
    if (file == 0) {
        say("\"" + name + "\" is neither the number of a release nor a file that the library knows.");
        return std::nullopt;
    }
    const auto list =
        library::ReleaseList::make(library::searchOf(store).searcher, library::keptReleases(store));
    const size_t at = list->ofFile(file);
    return at == SIZE_MAX ? library::ReleaseRef{0, {file}} : list->entries()[at].ref;
}

std::optional<std::string> readWhole(const std::string& name) {
    std::ostringstream out;
    if (name == "-") {
        out << std::cin.rdbuf();
        return out.str();
    }
    std::ifstream in(name, std::ios::binary);
    if (!in) {
        say("\"" + name + "\" cannot be read.");
        return std::nullopt;
    }
    out << in.rdbuf();
    return out.str();
}

} // namespace moorfrost::cli
