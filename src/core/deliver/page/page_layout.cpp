// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page/page_layout.h"

#include <algorithm>

#include <nlohmann/json.hpp>

#include "core/audio/encode.h"
#include "core/deliver/rows/row_layout.h"
#include "core/tags/fields.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

Error notUnderstood(const std::string& what) {
    return {ErrorKind::Invalid, {}, "This is no layout of a share page: " + what};
}

} // namespace

const std::vector<std::string>& listenFormats() {
    static const std::vector<std::string> formats = {"mp3", "opus"};
    return formats;
}

const std::vector<PageLayout>& shippedPageLayouts() {
    static const std::vector<PageLayout> shipped = [] {
        PageLayout listen, all, plain;
        listen.name = "To listen and comment";
        listen.facts = {"tempo", "key"};
        all.name = "With stems and originals";
        all.facts = {"tempo", "key", "isrc", "@keywords"};
        all.stems = all.lyrics = true;
        all.take = "original";
        all.oneSheet = "For a licence request";
        plain.name = "Only to listen";
        plain.versions = plain.marks = plain.takeAll = plain.notes = false;
        plain.take = "nothing";
        return std::vector<PageLayout>{listen, all, plain};
    }();
    return shipped;
}

std::string pageLayoutJson(const PageLayout& l) {
    const Json out = {{"page_layout", l.name}, {"from", l.from},          {"words", l.words},
                      {"facts", l.facts},      {"artists", l.artists},    {"versions", l.versions},
                      {"stems", l.stems},      {"lyrics", l.lyrics},      {"marks", l.marks},
                      {"listen", l.listen},    {"bitrate", l.bitrate},    {"take", l.take},
                      {"take_all", l.takeAll}, {"one_sheet", l.oneSheet}, {"notes", l.notes}};
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<PageLayout> pageLayoutFromJson(std::string_view text) {
    const Json json = Json::parse(text, nullptr, false);
    if (json.is_discarded() || !json.is_object())
        return notUnderstood("JSON is expected.");
    PageLayout out;
    std::string why;
    auto wrong = [&](const std::string& key) {
        if (why.empty())
            why = "\"" + key + "\" is not understood.";
    };
    auto words = [&](const char* key, std::string& value) {
        if (!json.contains(key))
            return;
        if (json[key].is_string())
            value = json[key].get<std::string>();
        else
            wrong(key);
    };
    auto flag = [&](const char* key, bool& value) {
        if (!json.contains(key))
            return;
        if (json[key].is_boolean())
            value = json[key].get<bool>();
        else
            wrong(key);
    };
    words("page_layout", out.name);
    out.name = text::trim(out.name);
    if (out.name.empty())
        return notUnderstood("it has no name (\"page_layout\").");
    words("from", out.from);
    words("words", out.words);
    words("listen", out.listen);
    words("take", out.take);
    words("one_sheet", out.oneSheet);
    flag("artists", out.artists);
    flag("versions", out.versions);
    flag("stems", out.stems);
    flag("lyrics", out.lyrics);
    flag("marks", out.marks);
    flag("take_all", out.takeAll);
    flag("notes", out.notes);
    if (json.contains("facts")) {
        if (!json["facts"].is_array())
            return notUnderstood("\"facts\" is to be a list.");
        for (const Json& one : json["facts"]) {
            const std::string key = one.is_string() ? one.get<std::string>() : std::string();
            if (key.empty() || (key.starts_with('@') && !rowFact(key)))
                return notUnderstood("there is nothing called " + one.dump() + ".");
            out.facts.push_back(key.starts_with('@') ? key : tags::keyFromName(key));
        }
    }
    if (json.contains("bitrate")) {
        if (json["bitrate"].is_number_integer())
            out.bitrate = json["bitrate"].get<int>();
        else
            wrong("bitrate");
    }
    if (std::ranges::find(listenFormats(), out.listen) == listenFormats().end())
        wrong("listen");
    const audio::EncodeFormat* format = audio::encodeFormat(out.listen);
    if (format && std::ranges::find(format->bitrates, out.bitrate) == format->bitrates.end())
        out.bitrate = format->usual;
    if (out.take != "nothing" && out.take != "listen" && out.take != "original" &&
        !audio::encodeFormat(out.take))
        wrong("take");
    if (!why.empty())
        return notUnderstood(why);
    return out;
}

std::vector<PageLayout> pageLayoutsFrom(const std::vector<std::string>& kept) {
    std::vector<PageLayout> out;
    for (const std::string& one : kept)
        if (auto layout = pageLayoutFromJson(one); layout && !pageLayoutNamed(out, layout->name))
            out.push_back(std::move(*layout));
    for (const PageLayout& one : shippedPageLayouts())
        if (!pageLayoutNamed(out, one.name))
            out.push_back(one);
    return out;
}

const PageLayout* pageLayoutNamed(const std::vector<PageLayout>& layouts, std::string_view name) {
    const std::string wanted = text::fold(text::trim(name));
    const auto at =
        std::ranges::find_if(layouts, [&](const PageLayout& l) { return text::fold(l.name) == wanted; });
    return at == layouts.end() ? nullptr : &*at;
}

} // namespace moorfrost::deliver
