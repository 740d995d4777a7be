// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/edits.h"

#include <map>

#include <fmt/format.h>

namespace moorfrost::edits {

const std::vector<std::string>& valuesOf(const Subject& file, const std::string& field) {
    static const std::vector<std::string> none;
    auto it = file.fields.find(field);
    return it == file.fields.end() ? none : it->second;
}

Proposals blank(const std::vector<Subject>& files) {
    Proposals out;
    for (const Subject& file : files)
        for (const std::string& field : file.chosen)
            if (!valuesOf(file, field).empty())
                out.push_back({file.file, field, {}, "blanked"});
    return out;
}

Proposals fillDown(const std::vector<Subject>& files) {
    std::map<std::string, const Subject*> first;
    Proposals out;
    for (const Subject& file : files)
        for (const std::string& field : file.chosen)
            if (auto [it, isFirst] = first.try_emplace(field, &file); !isFirst)
                out.push_back({file.file, field, valuesOf(*it->second, field), "filled down"});
    return out;
}

Proposals mendText(const std::vector<Subject>& files, const std::string& encoding) {
    Proposals out;
    for (const Subject& file : files) {
        const std::string in = encoding.empty() ? tags::likelyEncoding(file.fields) : encoding;
        if (in.empty())
            continue;
        for (auto& [field, values] : tags::readAgain(file.fields, in))
            out.push_back({file.file, field, values, fmt::format("read again as {}", in)});
    }
    return out;
}

Proposals number(const std::vector<Subject>& files, const Series& series) {
    Proposals out;
    int64_t next = series.first;
    const std::string* folder = nullptr;
    for (const Subject& file : files) {
        if (series.eachFolder && folder && *folder != file.folder)
            next = series.first;
        folder = &file.folder;
        out.push_back({file.file,
                       series.field,
                       {fmt::format("{:0{}}", next, std::max(1, series.digits))},
                       "numbered in the order shown"});
        next += series.by;
    }
    return out;
}

} // namespace moorfrost::edits
