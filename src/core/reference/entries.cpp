// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/entries.h"

#include "core/text/text.h"

namespace moorfrost::reference {

std::vector<std::string> textsOf(const std::vector<Entry>& entries) {
    std::vector<std::string> out;
    for (const Entry& e : entries)
        out.push_back(std::string(e.simulated ? "simulated" : "at") + (e.on ? " on " : " off ") + e.key +
                      (e.simulated ? "" : " " + e.address) + " " + e.name);
    return out;
}

std::vector<Entry> entriesFrom(const std::vector<std::string>& texts) {
    std::vector<Entry> out;
    for (const std::string& line : texts) {
        std::vector<std::string> words = text::split(line, " ");
        const bool simulated = words.size() >= 4 && words[0] == "simulated";
        if (!simulated && (words.size() < 5 || words[0] != "at"))
            continue;
        Entry e{simulated, words[2], {}, simulated ? std::string() : words[3], words[1] == "on"};
        words.erase(words.begin(), words.begin() + (simulated ? 3 : 4));
        e.name = text::join(words, " ");
        out.push_back(std::move(e));
    }
    if (out.empty())
        out.push_back({true, "cairn", "Cairn", {}, true});
    return out;
}

} // namespace moorfrost::reference
