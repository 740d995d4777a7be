// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/phrases.h"

#include "core/library/search/query.h"

namespace moorfrost::library {

std::vector<Row> rowsWith(const Searcher& searcher, const std::string& key, std::string phrase, size_t most) {
    std::erase(phrase, '"');
    std::erase(phrase, '\\');
    if (phrase.find_first_not_of(' ') == std::string::npos)
        return {};
    const ParsedQuery parsed = parseQuery(key + ":\"" + phrase + "\"");
    if (parsed.error)
        return {};
    return searcher.ordered(searcher.find(parsed.query), {}, most);
}

} // namespace moorfrost::library
