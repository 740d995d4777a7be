// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/between_fields.h"

#include <algorithm>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::edits {

namespace {

using Values = std::vector<std::string>;

std::string nameOf(const std::string& field) {
    const tags::FieldDef* def = tags::fieldByKey(field);
    return def ? text::lower(def->label) : field;
}

bool holdsSeveral(const std::string& field) {
    const tags::FieldDef* def = tags::fieldByKey(field);
    return !def || def->several;
}

Values together(const std::string& field, Values first, const Values& second) {
    if (holdsSeveral(field)) {
        for (const std::string& v : second)
            if (std::ranges::find(first, v) == first.end())
                first.push_back(v);
        return first;
    }
    first.insert(first.end(), second.begin(), second.end());
    return {text::join(first, " ")};
}

/// Several values for a field that holds one become one text.
Values fitting(const std::string& field, const Values& values) {
    return values.size() > 1 && !holdsSeveral(field) ? Values{text::join(values, ", ")} : values;
}

Values meeting(const std::string& field, const Values& present, const Values& coming, Present how) {
    if (present.empty() || how == Present::Replaced)
        return fitting(field, coming);
    return how == Present::Before ? together(field, coming, present) : together(field, present, coming);
}

} // namespace

Proposals copyField(const std::vector<Subject>& files, const std::string& from, const std::string& to,
                    Present present) {
    Proposals out;
    for (const Subject& file : files) {
        const Values& values = valuesOf(file, from);
        const Values& there = valuesOf(file, to);
        if (values.empty() || (present == Present::Kept && !there.empty()))
            continue;
        out.push_back({file.file, to, meeting(to, there, values, present),
                       fmt::format("copied from {}", nameOf(from))});
    }
    return out;
}

Proposals moveField(const std::vector<Subject>& files, const std::string& from, const std::string& to,
                    Present present) {
    Proposals out = copyField(files, from, to, present);
    const size_t n = out.size();
    for (size_t i = 0; i < n; ++i) {
        out[i].origin = fmt::format("moved from {}", nameOf(from));
        out.push_back({out[i].file, from, {}, fmt::format("moved to {}", nameOf(to))});
    }
    return out;
}

Proposals swapFields(const std::vector<Subject>& files, const std::string& a, const std::string& b) {
    Proposals out;
    for (const Subject& file : files) {
        const Values &inA = valuesOf(file, a), &inB = valuesOf(file, b);
        if (inA == inB)
            continue;
        out.push_back({file.file, a, fitting(a, inB), fmt::format("swapped with {}", nameOf(b))});
        out.push_back({file.file, b, fitting(b, inA), fmt::format("swapped with {}", nameOf(a))});
    }
    return out;
}

Proposals splitField(const std::vector<Subject>& files, const std::string& field,
                     const std::string& separator, const std::vector<std::string>& into) {
    const std::string origin = fmt::format("split at \"{}\"", separator);
    Proposals out;
    for (const Subject& file : files) {
        Values parts;
        bool found = false;
        for (const std::string& value : valuesOf(file, field)) {
            const Values pieces = text::split(value, separator);
            found = found || pieces.size() > 1;
            for (const std::string& piece : pieces)
                if (std::string part = text::trim(piece); !part.empty())
                    parts.push_back(std::move(part));
        }
        if (!found)
            continue;
        if (into.empty()) {
            out.push_back({file.file, field, parts, origin});
            continue;
        }
        for (size_t i = 0; i < into.size() && i < parts.size(); ++i) {
            const bool rest = i + 1 == into.size();
            out.push_back(
                {file.file,
                 into[i],
                 {rest ? text::join(Values(parts.begin() + static_cast<std::ptrdiff_t>(i), parts.end()),
                                    separator)
                       : parts[i]},
                 origin});
        }
        if (std::ranges::find(into, field) == into.end())
            out.push_back({file.file, field, {}, origin});
    }
    return out;
}

Proposals joinFields(const std::vector<Subject>& files, const std::vector<std::string>& fields,
                     const std::string& separator, const std::string& into) {
    Values names;
    for (const std::string& field : fields)
        names.push_back(nameOf(field));
    const std::string origin = "joined from " + text::join(names, ", ");
    Proposals out;
    for (const Subject& file : files) {
        Values parts;
        for (const std::string& field : fields)
            for (const std::string& value : valuesOf(file, field))
                parts.push_back(value);
        if (!parts.empty())
            out.push_back({file.file, into, {text::join(parts, separator)}, origin});
    }
    return out;
}

} // namespace moorfrost::edits
