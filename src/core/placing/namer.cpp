// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/placing/namer.h"

#include <algorithm>
#include <cstdlib>

#include "core/naming/render.h"
#include "core/text/text.h"

namespace moorfrost::placing {

namespace {

constexpr size_t longestName = 255; // bytes

/// The first sign of the text that names cannot have; 0: all can stay.
char forbiddenIn(std::string_view text, files::NameProfile profile) {
    const size_t at = text.find_first_of(profile == files::NameProfile::Linux ? "/" : "/\\|:\"<>?*");
    return at == std::string_view::npos ? '\0' : text[at];
}

/// A plan takes the position of a track out of two fields.
std::string fieldToFill(const std::string& key) {
    return key == naming::positionFact ? "track" : key;
}

} // namespace

std::string endingOf(const PutAwayFile& file) {
    std::string ending = text::lower(file.path.extension().native());
    const std::vector<std::string>& usual = audio::extensionsOf(file.format);
    if (usual.empty() || std::ranges::find(usual, ending) != usual.end())
        return ending;
    return usual.front();
}

Namer::Namer(const std::vector<PutAwayFile>& files, const naming::Plan& plan, files::NameProfile profile)
    : plan_(plan), profile_(profile) {
    std::vector<std::string> keys = plan.keys();
    keys.emplace_back("disc"); // of positions
    for (const PutAwayFile& file : files) {
        if (file.sleeve.empty())
            continue;
        auto& values = values_[file.sleeve];
        for (const std::string& key : keys)
            if (const auto at = file.fields.find(key); at != file.fields.end())
                if (std::set<std::string>& all = values[key];
                    all.size() != 1 || *all.begin() != at->second.front())
                    all.insert(at->second.front());
    }
}

bool Namer::several(const PutAwayFile& file, const std::string& key) const {
    if (key == "disc" && std::atoi(tags::firstValue(file.fields, "discs").c_str()) > 1)
        return true;
    return valuesOf(file.sleeve, key).size() > 1;
}

const std::set<std::string>& Namer::valuesOf(const std::string& sleeve, const std::string& key) const {
    static const std::set<std::string> none;
    const auto s = values_.find(sleeve);
    if (s == values_.end())
        return none;
    const auto k = s->second.find(key);
    return k == s->second.end() ? none : k->second;
}

Namer::Named Namer::nameOf(const PutAwayFile& file) const {
    const naming::Rendered rendered = naming::render(
        plan_, {file.fields, file.facts, [&](const std::string& key) { return several(file, key); }});
    Named out;
    for (size_t i = 0; i < rendered.parts.size(); ++i) {
        const std::string& text = rendered.parts[i];
        const bool isName = i + 1 == rendered.parts.size();
        if (text::trim(text).empty()) {
            std::vector<std::string> labels;
            for (const std::string& key : rendered.missing)
                labels.push_back(tags::labelOf(key));
            const std::string key = rendered.missing.empty() ? "" : fieldToFill(rendered.missing.front());
            out.parts.clear();
            out.marks = {{MarkKind::Blocked,
                          (isName ? "no name: " : "no folder: ") + text::join(labels, ", ") + " is blank",
                          key}};
            return out;
        }
        const std::string ending = isName ? endingOf(file) : std::string();
        out.parts.push_back(files::safeName(text, profile_, ending));
        if (text.size() + ending.size() > longestName)
            out.marks.push_back({MarkKind::Shortened, isName ? "name shortened" : "folder's name shortened"});
        else if (const char sign = forbiddenIn(text, profile_); sign != '\0')
            out.marks.push_back({MarkKind::Adapted, std::string("names cannot have ") + sign});
    }
    for (const std::string& key : rendered.missing)
        out.marks.push_back({MarkKind::Gap, "no " + text::lower(tags::labelOf(key)), fieldToFill(key)});
    return out;
}

} // namespace moorfrost::placing
