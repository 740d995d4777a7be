// SPDX-License-Identifier: GPL-3.0-or-later
// How alike two names are, whatever their script, their order of words, small misspellings and what was cut
// off: by the groups of three letters that their words have in common. Any thread.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::text {

/// Lower-case Latin letters and digits in words with one space between them: "Åse-Linn Brække & Хор" is
/// "ase linn braekke and khor". "" where nothing can be spelled so.
std::string likenessForm(std::string_view text);

/// Groups of letters of a text in likenessForm(), each once, in rising order. A group is below groupCount.
inline constexpr uint32_t groupCount = 37 * 37 * 37;
std::vector<uint16_t> letterGroups(std::string_view likenessForm);

/// A name, prepared to be compared with many.
struct Likened {
    std::string form;
    std::vector<uint16_t> groups;

    Likened() = default;
    explicit Likened(std::string_view text) : form(likenessForm(text)), groups(letterGroups(form)) {}
    bool empty() const { return groups.empty(); }
};

/// 0 (nothing in common) to 1 (the same); what is one name cut short, or a part of the other, is held to be
/// nearly the same the longer it is. 0 if one is empty.
double likeness(const Likened& a, const Likened& b);

} // namespace moorfrost::text
