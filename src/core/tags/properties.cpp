// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>

#include "core/tags/taglib_file.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

using audio::Format;

constexpr std::string_view performerPrefix = "PERFORMER:";

bool isVorbis(Format format) {
    return format == Format::Flac || format == Format::OggVorbis || format == Format::Opus ||
           format == Format::Speex;
}

/// ID3v2 keeps people by role.
bool hasRoles(Format format) {
    return format == Format::Mp3 || format == Format::Wav || format == Format::Aiff ||
           format == Format::TrueAudio;
}

void addOnce(Fields& fields, const std::string& key, const std::string& value) {
    if (value.empty())
        return;
    std::vector<std::string>& values = fields[key];
    if (std::find(values.begin(), values.end(), value) == values.end())
        values.push_back(value);
}

void splitPair(Fields& fields, const char* numberKey, const char* totalKey) {
    auto it = fields.find(numberKey);
    if (it == fields.end())
        return;
    size_t slash = it->second.front().find('/');
    if (slash == std::string::npos)
        return;
    std::string total = it->second.front().substr(slash + 1);
    it->second = {it->second.front().substr(0, slash)};
    if (it->second.front().empty())
        fields.erase(it);
    if (!total.empty() && !fields.contains(totalKey))
        fields[totalKey] = {total};
}

void addPair(Properties& out, const Fields& after, const char* numberKey, const char* totalKey,
             Format format) {
    const std::string& number = firstValue(after, numberKey);
    const std::string& total = firstValue(after, totalKey);
    auto one = [](const std::string& v) {
        return v.empty() ? std::vector<std::string>{} : std::vector<std::string>{v};
    };
    const FieldDef* n = fieldByKey(numberKey);
    const FieldDef* t = fieldByKey(totalKey);
    for (const FieldDef* def : {n, t})
        for (const std::string& alias : def->aliases)
            out[alias] = {};
    if (isVorbis(format)) {
        out[n->property] = one(number);
        out[t->property] = one(total);
    } else {
        out[n->property] = one(total.empty() ? number : number + "/" + total);
        out[t->property] = {};
    }
}

} // namespace

Fields fieldsFromProperties(const Properties& properties) {
    Fields fields;
    for (const auto& [property, values] : properties) {
        for (const std::string& value : values) {
            if (property.starts_with(performerPrefix)) {
                std::string role = text::lower(std::string_view(property).substr(performerPrefix.size()));
                addOnce(fields, "performer", role.empty() ? value : value + " (" + role + ")");
            } else if (const FieldDef* def = fieldByProperty(property)) {
                addOnce(fields, def->key, value);
            } else {
                addOnce(fields, text::lower(property), value);
            }
        }
    }
    splitPair(fields, "track", "tracks");
    splitPair(fields, "disc", "discs");
    return fields;
}

Properties propertiesForChange(const Fields& after, const std::vector<std::string>& changed, Format format) {
    Properties out;
    for (const std::string& key : changed) {
        if (key == "track" || key == "tracks") {
            addPair(out, after, "track", "tracks", format);
            continue;
        }
        if (key == "disc" || key == "discs") {
            addPair(out, after, "disc", "discs", format);
            continue;
        }
        auto it = after.find(key);
        std::vector<std::string> values = it == after.end() ? std::vector<std::string>{} : it->second;
        const FieldDef* def = fieldByKey(key);
        if (!def) {
            out[text::upper(key)] = values;
            continue;
        }
        for (const std::string& alias : def->aliases)
            out[alias] = {};
        out[def->property] = values;
        if (key == "performer" && hasRoles(format)) {
            // What has no role stays a plain PERFORMER.
            out["PERFORMER"] = {};
            for (const std::string& value : values) {
                size_t open = value.rfind(" (");
                bool role = open != std::string::npos && value.ends_with(")") && open + 3 < value.size();
                std::string name = role ? value.substr(0, open) : value;
                std::string property =
                    role ? "PERFORMER:" + text::upper(value.substr(open + 2, value.size() - open - 3))
                         : std::string("PERFORMER");
                out[property].push_back(name);
            }
            out["PERFORMER:*"] = {}; // every role that is not named here goes
        }
    }
    return out;
}

} // namespace moorfrost::tags
