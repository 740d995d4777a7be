// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/list_layout.h"

#include "core/deliver/layout_json.h"
#include "core/exchange/cue_list.h"

namespace moorfrost::deliver {

namespace {

using Json = nlohmann::ordered_json;
using Kind = exchange::PlaceStyle::Kind;

constexpr const char* thing = "a list";
constexpr LayoutWords<ListForm, 3> formWords = {
    {"m3u8", ListForm::M3u8}, {"xspf", ListForm::Xspf}, {"cue", ListForm::Cue}};
constexpr LayoutWords<Kind, 3> placeWords = {
    {"relative", Kind::Relative}, {"absolute", Kind::Absolute}, {"rewritten", Kind::Rewritten}};

} // namespace

const char* ListLayout::ending() const {
    return form == ListForm::Cue ? ".cue" : form == ListForm::Xspf ? ".xspf" : ".m3u8";
}

const std::vector<ListLayout>& shippedListLayouts() {
    static const std::vector<ListLayout> shipped = {
        {"For nearly every player", ListForm::M3u8, {}},
        {"XSPF", ListForm::Xspf, {}},
        {"Cue sheet", ListForm::Cue, {}},
        {"For another machine", ListForm::M3u8, {Kind::Rewritten, {}, {}}},
    };
    return shipped;
}

std::string listLayoutJson(const ListLayout& l) {
    Json out = {{"list_layout", l.name},
                {"form", wordOf(formWords, l.form)},
                {"places", wordOf(placeWords, l.places.kind)}};
    if (!l.places.from.empty() || !l.places.to.empty())
        out["paths"] = {{"from", l.places.from}, {"to", l.places.to}};
    return out.dump(-1, ' ', false, Json::error_handler_t::replace);
}

Result<ListLayout> listLayoutFromJson(std::string_view text) {
    const auto json = readLayoutJson(text, "list_layout", thing);
    if (!json)
        return json.error();
    ListLayout out;
    LayoutReader in(*json);
    in.text("list_layout", out.name);
    in.word("form", formWords, out.form);
    in.word("places", placeWords, out.places.kind);
    if (const Json* paths = in.at("paths")) {
        if (!paths->is_object())
            return notALayout(thing, "\"paths\" is to be an object.");
        LayoutReader part(*paths);
        part.text("from", out.places.from);
        part.text("to", out.places.to);
        in.wrong(part.why);
    }
    if (!in.why.empty())
        return notALayout(thing, in.why);
    return out;
}

std::vector<ListLayout> listLayoutsFrom(const std::vector<std::string>& kept) {
    return layoutsThere(kept, listLayoutFromJson, shippedListLayouts());
}

const ListLayout* listLayoutNamed(const std::vector<ListLayout>& layouts, std::string_view name) {
    return layoutOfName(layouts, name);
}

std::string listText(const exchange::Playlist& list, ListForm form) {
    if (form == ListForm::Cue)
        return exchange::cueText(list);
    return exchange::playlistText(list, form == ListForm::Xspf ? exchange::PlaylistFormat::Xspf
                                                               : exchange::PlaylistFormat::M3u8);
}

} // namespace moorfrost::deliver
