// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/json_out.h"

#include <cmath>
#include <cstdio>

#include "core/tags/picture_changes.h"
#include "core/text/text.h"

namespace moorfrost::cli {

void putPath(Json& object, const Path& path, const std::string& name) {
    object[name] = text::escapeBytes(path.native());
    if (!text::isUtf8(path.native()))
        object[name + "_bytes"] = text::hex(path.native());
}

namespace {

Json pictureJson(const tags::PictureInfo& p) {
    return {{"type", p.type},   {"mime", p.mime},     {"description", p.description},
            {"width", p.width}, {"height", p.height}, {"bytes", p.bytes}};
}

Json tagsJson(Json object, const tags::TagFile* t, uint64_t size, const std::string& error) {
    object["format"] = t ? Json(audio::formatName(t->format)) : Json(nullptr);
    Json facts;
    if (t) {
        facts["codec"] = t->facts.codec;
        facts["duration"] = std::round(t->facts.duration * 1000) / 1000;
        facts["sample_rate"] = t->facts.sampleRate;
        facts["channels"] = t->facts.channels;
        facts["bit_depth"] = t->facts.bitDepth;
        facts["bitrate"] = t->facts.bitrate;
        facts["variable_bitrate"] = t->facts.rateKind == tags::RateKind::Unknown
                                        ? Json(nullptr)
                                        : Json(t->facts.rateKind == tags::RateKind::Variable);
        facts["encoder"] = t->facts.encoder;
        if (t->facts.gapless.known)
            facts["gapless"] = {{"delay", t->facts.gapless.delay}, {"padding", t->facts.gapless.padding}};
        if (!t->facts.remarks.empty())
            facts["recorder"] = Json::object();
        for (const auto& [name, value] : t->facts.remarks)
            facts["recorder"][name] = value;
    }
    facts["size"] = size;
    object["facts"] = facts;
    object["fields"] = Json::object();
    object["pictures"] = Json::array();
    if (t) {
        for (const auto& [key, values] : t->fields)
            object["fields"][key] = values;
        for (const tags::PictureInfo& p : t->pictures)
            object["pictures"].push_back(pictureJson(p));
    }
    if (t) {
        object["tags"] = t->tags;
        object["differences"] = Json::array();
        for (const tags::Difference& d : t->differences)
            object["differences"].push_back({{"field", d.key}, {"tag", d.tag}, {"values", d.values}});
        object["not_understood"] = t->unknown;
        object["damaged"] = t->damaged;
        object["read_only"] = t->readOnly.empty() ? Json(nullptr) : Json(t->readOnly);
        std::string encoding = tags::likelyEncoding(t->fields);
        object["likely_encoding"] = encoding.empty() ? Json(nullptr) : Json(encoding);
    }
    object["notes"] = t ? Json(t->notes) : Json::array();
    object["error"] = error.empty() ? Json(nullptr) : Json(error);
    return object;
}

} // namespace

Json fileJson(const files::ScannedFile& file) {
    Json object;
    putPath(object, file.path);
    return tagsJson(std::move(object), file.tags ? &*file.tags : nullptr, file.state.size, file.error);
}

Json fileJson(const library::FileRecord& file) {
    Json object;
    putPath(object, file.path);
    return tagsJson(std::move(object), file.readable() ? &file.tags : nullptr, file.state.size, file.error);
}

Json stepJson(const files::StepRecord& r) {
    static const char* states[] = {"planned", "begun", "done", "failed", "taken back"};
    Json object;
    putPath(object, r.step.source);
    if (!r.step.target.empty())
        putPath(object, r.step.target, r.step.made ? "made" : r.step.copy ? "copied_to" : "moved_to");
    object["state"] = states[static_cast<size_t>(r.state)];
    Json changes = Json::object();
    Json pictures = Json::object();
    for (const auto& [key, values] : r.step.changes) {
        if (tags::isPictureKey(key)) {
            const std::string type = tags::pictureTypeOf(key);
            auto list = [&](const tags::Fields& fields) {
                Json out = Json::array();
                if (const auto it = fields.find(key); it != fields.end())
                    for (const tags::PictureInfo& p : tags::picturesIn({{key, it->second}}))
                        out.push_back(pictureJson(p));
                return out;
            };
            pictures[type] = {{"before", list(r.before)}, {"after", list({{key, values}})}};
            continue;
        }
        auto before = r.before.find(key);
        changes[key] = {{"before", before == r.before.end() ? std::vector<std::string>() : before->second},
                        {"after", values}};
    }
    object["fields"] = changes;
    if (!pictures.empty())
        object["pictures"] = pictures;
    if (!r.notes.empty())
        object["notes"] = r.notes;
    object["error"] = r.error.empty() ? Json(nullptr) : Json(r.error);
    return object;
}

void print(const Json& object) {
    std::string line = object.dump(-1, ' ', false, Json::error_handler_t::replace) + "\n";
    std::fwrite(line.data(), 1, line.size(), stdout);
}

} // namespace moorfrost::cli
