// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the store: what is known of a file and is shown, but never searched or sorted by, as one JSON text.
#pragma once

#include <string>

#include "core/tags/tag_file.h"

namespace moorfrost::library {

/// "" where there is nothing to tell.
std::string detailsText(const tags::TagFile& file);
/// What is not understood is left out.
void takeDetails(const std::string& text, tags::TagFile& file);

} // namespace moorfrost::library
