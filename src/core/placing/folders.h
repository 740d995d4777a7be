// SPDX-License-Identifier: GPL-3.0-or-later
// Paths as text, for what is done once a file of very many: std::filesystem::path takes each apart anew.
// Inside placing/ only.
#pragma once

#include <functional>
#include <string>
#include <string_view>
#include <unordered_map>

#include "core/placing/placement.h"

namespace moorfrost::placing {

inline std::string_view folderOf(const Path& file) {
    const std::string& all = file.native();
    const size_t slash = all.rfind('/');
    return std::string_view(all).substr(0, slash == std::string::npos ? 0 : slash == 0 ? 1 : slash);
}

inline std::string_view nameIn(const Path& file) {
    const std::string& all = file.native();
    return std::string_view(all).substr(all.rfind('/') + 1); // npos + 1 is 0
}

inline bool isBelow(std::string_view path, std::string_view folder) {
    return path.size() > folder.size() && path.starts_with(folder) &&
           (folder.ends_with('/') || path[folder.size()] == '/');
}

inline bool isSame(const Path& a, const Path& b) {
    return a.native() == b.native();
}

/// The folder that it is in; the same for "/".
inline std::string_view above(std::string_view folder) {
    const size_t slash = folder.rfind('/');
    return folder.substr(0, slash == std::string_view::npos ? 0 : slash == 0 ? 1 : slash);
}

/// Placement::moves().
inline bool goes(const Placement& p) {
    return !p.to.empty() && !isSame(p.from, p.to) && !p.leftOut() && !p.blocked();
}

struct TextHash {
    using is_transparent = void;
    size_t operator()(std::string_view text) const { return std::hash<std::string_view>()(text); }
};
/// Something worked out once for each folder.
template<class Value>
class ByFolder {
public:
    template<class Make>
    Value& get(std::string_view folder, Make&& make) {
        if (last_ && lastFolder_ == folder)
            return *last_;
        auto at = values_.find(folder);
        if (at == values_.end())
            at = values_.emplace(std::string(folder), make(folder)).first;
        lastFolder_ = at->first;
        last_ = &at->second;
        return *last_;
    }

private:
    std::unordered_map<std::string, Value, TextHash, std::equal_to<>> values_;
    std::string_view lastFolder_;
    Value* last_ = nullptr; // elements of the map stay where they are
};

} // namespace moorfrost::placing
