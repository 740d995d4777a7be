// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/page/page_layout.h"

#include <algorithm>

#include "core/audio/encode.h"
#include "core/deliver/layout_json.h"
#include "core/deliver/rows/row_layout.h"
#include "core/tags/fields.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;

constexpr const char* thing = "a share page";

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
    const auto json = readLayoutJson(text, "page_layout", thing);
    if (!json)
        return json.error();
    PageLayout out;
    LayoutReader in(*json);
    in.text("page_layout", out.name);
    in.text("from", out.from);
    in.text("words", out.words);
    in.among("listen", listenFormats(), out.listen);
    in.text("take", out.take);
    in.text("one_sheet", out.oneSheet);
    in.flag("artists", out.artists);
    in.flag("versions", out.versions);
    in.flag("stems", out.stems);
    in.flag("lyrics", out.lyrics);
    in.flag("marks", out.marks);
    in.flag("take_all", out.takeAll);
    in.flag("notes", out.notes);
    if (const Json* facts = in.at("facts")) {
        if (!facts->is_array())
            return notALayout(thing, "\"facts\" is to be a list.");
        for (const Json& one : *facts) {
            const std::string key = one.is_string() ? one.get<std::string>() : std::string();
            if (key.empty() || (key.starts_with('@') && !rowFact(key)))
                return notALayout(thing, "there is nothing called " + one.dump() + ".");
            out.facts.push_back(key.starts_with('@') ? key : tags::keyFromName(key));
        }
    }
    if (const Json* bitrate = in.at("bitrate")) {
        if (bitrate->is_number_integer())
            out.bitrate = bitrate->get<int>();
        else
            in.wrong("\"bitrate\" is to be a number.");
    }
    const audio::EncodeFormat* format = audio::encodeFormat(out.listen);
    if (format && std::ranges::find(format->bitrates, out.bitrate) == format->bitrates.end())
        out.bitrate = format->usual;
    if (out.take != "nothing" && out.take != "listen" && out.take != "original" &&
        !audio::encodeFormat(out.take))
        in.wrong(fmt::format("\"take\" cannot be \"{}\".", out.take));
    if (!in.why.empty())
        return notALayout(thing, in.why);
    return out;
}

std::vector<PageLayout> pageLayoutsFrom(const std::vector<std::string>& kept) {
    return layoutsThere(kept, pageLayoutFromJson, shippedPageLayouts());
}

const PageLayout* pageLayoutNamed(const std::vector<PageLayout>& layouts, std::string_view name) {
    return layoutOfName(layouts, name);
}

} // namespace moorfrost::deliver
