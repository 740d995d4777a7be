// SPDX-License-Identifier: GPL-3.0-or-later
// The JSON Lines that moorfrost-cli prints. docs/cli.md describes them.
#pragma once

#include <nlohmann/json.hpp>

#include "core/files/scan.h"
#include "core/library/records.h"

namespace moorfrost::cli {

using Json = nlohmann::ordered_json;

/// Sets "path", and "path_bytes" (hexadecimal) where the path is not UTF-8: then "path" is escaped.
void putPath(Json& object, const Path& path, const std::string& name = "path");
Json fileJson(const files::ScannedFile& file);
Json fileJson(const library::FileRecord& file);
Json stepJson(const files::StepRecord& record);
void print(const Json& object);

} // namespace moorfrost::cli
