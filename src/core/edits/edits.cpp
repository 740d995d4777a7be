// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/edits/edits.h"

#include <algorithm>
#include <map>

#include <fmt/format.h>

#include "core/tags/tag_io.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::edits {

namespace {

const std::vector<std::string>& valuesOf(const Subject& file, const std::string& field) {
    static const std::vector<std::string> none;
    auto it = file.fields.find(field);
    return it == file.fields.end() ? none : it->second;
}

} // namespace

Proposals changeCase(const std::vector<Subject>& files, Casing casing) {
    std::string (*change)(std::string_view) = casing == Casing::Title      ? text::titleCase
                                              : casing == Casing::Sentence ? text::sentenceCase
                                              : casing == Casing::Lower    ? text::lower
                                                                           : text::upper;
    Proposals out;
    for (const Subject& file : files)
        for (const std::string& field : file.chosen) {
            const tags::FieldDef* def = tags::fieldByKey(field);
            std::vector<std::string> values = valuesOf(file, field);
            if ((def && def->kind != tags::FieldKind::Text) || values.empty())
                continue;
            for (std::string& v : values)
                v = change(v);
            out.push_back({file.file, field, std::move(values), "casing"});
        }
    return out;
}

Proposals numberTracks(const std::vector<Subject>& files, int first) {
    Proposals out;
    for (const Subject& file : files)
        out.push_back({file.file, "track", {std::to_string(first++)}, "numbered in the order shown"});
    return out;
}

Proposals copyField(const std::vector<Subject>& files, const std::string& from, const std::string& to) {
    const tags::FieldDef* def = tags::fieldByKey(from);
    Proposals out;
    for (const Subject& file : files)
        if (const auto& values = valuesOf(file, from); !values.empty())
            out.push_back(
                {file.file, to, values, fmt::format("copied from {}", def ? text::lower(def->label) : from)});
    return out;
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

namespace {

Error wrong(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

std::vector<Subject> choosing(const std::vector<Subject>& files, const std::vector<std::string>& fields) {
    std::vector<Subject> out = files;
    for (Subject& file : out)
        file.chosen = fields;
    return out;
}

Result<Proposals> casingStep(const std::vector<Subject>& files, const StepOptions& o) {
    const std::map<std::string, Casing> known = {{"title", Casing::Title},
                                                 {"sentence", Casing::Sentence},
                                                 {"lower", Casing::Lower},
                                                 {"upper", Casing::Upper}};
    const auto casing = known.find(o.casing);
    if (casing == known.end())
        return wrong("Say which casing: title, sentence, lower or upper.");
    return changeCase(choosing(files, o.fields.empty() ? std::vector<std::string>{"title"} : o.fields),
                      casing->second);
}

Result<Proposals> numberStep(const std::vector<Subject>& files, const StepOptions& o) {
    if (o.first < 0)
        return wrong("Track numbers begin with 0 or more.");
    return numberTracks(files, o.first);
}

Result<Proposals> copyStep(const std::vector<Subject>& files, const StepOptions& o) {
    if (o.from.empty() || o.to.empty() || o.from == o.to)
        return wrong("Say which field is copied, and into which other one.");
    return copyField(files, o.from, o.to);
}

Result<Proposals> blankStep(const std::vector<Subject>& files, const StepOptions& o) {
    if (o.fields.empty())
        return wrong("Say which fields are to be blank.");
    return blank(choosing(files, o.fields));
}

Result<Proposals> fillStep(const std::vector<Subject>& files, const StepOptions& o) {
    if (o.fields.empty())
        return wrong("Say which fields all files get from the first one.");
    return fillDown(choosing(files, o.fields));
}

Result<Proposals> mendStep(const std::vector<Subject>& files, const StepOptions& o) {
    const std::vector<std::string> known = text::encodingNames();
    if (!o.encoding.empty() && std::ranges::find(known, o.encoding) == known.end())
        return wrong("The encoding is one of: " + text::join(known, ", ") + ".");
    return mendText(files, o.encoding);
}

} // namespace

const std::vector<StepInfo>& allSteps() {
    static const std::vector<StepInfo> steps = {
        {"casing", "changes capital and small letters", casingStep},
        {"number", "numbers tracks in the order of the files", numberStep},
        {"copy", "copies one field into another", copyStep},
        {"blank", "makes fields blank", blankStep},
        {"fill", "gives all files what the first one says", fillStep},
        {"mend-text", "reads text again that was read in the wrong encoding", mendStep},
    };
    return steps;
}

const StepInfo* stepByName(const std::string& name) {
    const auto it = std::ranges::find_if(allSteps(), [&](const StepInfo& s) { return s.name == name; });
    return it == allSteps().end() ? nullptr : &*it;
}

} // namespace moorfrost::edits
