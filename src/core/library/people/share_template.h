// SPDX-License-Identifier: GPL-3.0-or-later
// Shares that are given again and again, kept by name: "we two, half and half". Any thread.
#pragma once

#include <array>

#include "core/library/people/share.h"

namespace moorfrost::library {

struct ShareTemplate {
    std::string name;
    std::array<std::vector<Share>, 3> sides; // by Side; a side without shares is left as it is
    bool operator==(const ShareTemplate&) const = default;
};

std::string templateText(const ShareTemplate& shares);
/// An Error (Invalid) where it is none.
Result<ShareTemplate> templateFrom(const std::string& text);
/// As the setting `shareTemplates` has them; what cannot be read is left out.
std::vector<ShareTemplate> templatesFrom(const std::vector<std::string>& texts);
/// With this one, in the place of one of its name, whatever the case.
std::vector<std::string> withTemplate(const std::vector<std::string>& texts, const ShareTemplate& shares);
std::vector<std::string> withoutTemplate(const std::vector<std::string>& texts, const std::string& name);

} // namespace moorfrost::library
