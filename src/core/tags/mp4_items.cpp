// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/mp4_items.h"

#include <cstdlib>

#include "core/tags/taglib_maps.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

enum class Kind { Text, Pair, Integer, Flag };

struct Item {
    std::string_view name;
    std::string_view property;
    Kind kind;
};

constexpr const char* freeform = "----:com.apple.iTunes:";

const std::vector<Item>& items() {
    static const std::vector<Item> table = {
        {"\251nam", "TITLE", Kind::Text},     {"\251ART", "ARTIST", Kind::Text},
        {"\251alb", "ALBUM", Kind::Text},     {"aART", "ALBUMARTIST", Kind::Text},
        {"\251day", "DATE", Kind::Text},      {"\251gen", "GENRE", Kind::Text},
        {"\251wrt", "COMPOSER", Kind::Text},  {"\251cmt", "COMMENT", Kind::Text},
        {"\251grp", "GROUPING", Kind::Text},  {"\251lyr", "LYRICS", Kind::Text},
        {"\251too", "ENCODEDBY", Kind::Text}, {"cprt", "COPYRIGHT", Kind::Text},
        {"sonm", "TITLESORT", Kind::Text},    {"soar", "ARTISTSORT", Kind::Text},
        {"soal", "ALBUMSORT", Kind::Text},    {"soaa", "ALBUMARTISTSORT", Kind::Text},
        {"soco", "COMPOSERSORT", Kind::Text}, {"trkn", "TRACKNUMBER", Kind::Pair},
        {"disk", "DISCNUMBER", Kind::Pair},   {"tmpo", "BPM", Kind::Integer},
        {"cpil", "COMPILATION", Kind::Flag},
    };
    return table;
}

const Item* itemOf(const std::string& property) {
    for (const Item& item : items())
        if (property == item.property)
            return &item;
    return nullptr;
}

std::vector<std::string> valuesOf(const TagLib::MP4::Item& item, Kind kind) {
    std::vector<std::string> values;
    switch (kind) {
    case Kind::Text:
        for (const TagLib::String& s : item.toStringList())
            values.push_back(utf8(s));
        break;
    case Kind::Pair: {
        TagLib::MP4::Item::IntPair pair = item.toIntPair();
        std::string number = pair.first > 0 ? std::to_string(pair.first) : "";
        if (pair.second > 0)
            number += "/" + std::to_string(pair.second);
        if (!number.empty())
            values.push_back(number);
        break;
    }
    case Kind::Integer:
        if (item.toInt() > 0)
            values.push_back(std::to_string(item.toInt()));
        break;
    case Kind::Flag:
        if (item.toBool())
            values.push_back("1");
        break;
    }
    return values;
}

TagLib::MP4::Item itemFrom(const std::vector<std::string>& values, Kind kind) {
    auto number = [](const std::string& s) { return static_cast<int>(std::strtol(s.c_str(), nullptr, 10)); };
    const std::string& v = values.front();
    switch (kind) {
    case Kind::Pair: {
        size_t slash = v.find('/');
        return TagLib::MP4::Item(number(v), slash == std::string::npos ? 0 : number(v.substr(slash + 1)));
    }
    case Kind::Integer:
        return TagLib::MP4::Item(number(v));
    case Kind::Flag:
        return TagLib::MP4::Item(v == "1");
    case Kind::Text:
        break;
    }
    TagLib::StringList list;
    for (const std::string& value : values)
        list.append(TagLib::String(value, TagLib::String::UTF8));
    return TagLib::MP4::Item(list);
}

} // namespace

Properties mp4Properties(const TagLib::MP4::Tag& tag, std::vector<std::string>& others) {
    Properties out;
    for (const auto& [name, item] : tag.itemMap()) {
        std::string key = name.to8Bit(false);
        if (key.starts_with("----:")) {
            size_t colon = key.find(':', 5);
            std::string property = text::upper(utf8(name).substr(colon == std::string::npos ? 5 : colon + 1));
            if (property == "ITUNSMPB" || property == "ITUNNORM") // facts of the encoding
                continue;
            std::vector<std::string> values = valuesOf(item, Kind::Text);
            if (!values.empty())
                out.try_emplace(property, values);
            else
                others.push_back("MP4 item " + utf8(name));
            continue;
        }
        const Item* known = nullptr;
        for (const Item& i : items())
            if (key == i.name)
                known = &i;
        if (known) {
            if (std::vector<std::string> values = valuesOf(item, known->kind); !values.empty())
                out[std::string(known->property)] = values;
        } else if (key != "covr" && key != "pgap" && key != "gnre") {
            others.push_back("MP4 item " + utf8(name));
        }
    }
    return out;
}

void writeMp4(TagLib::MP4::Tag& tag, const Properties& changes) {
    for (const auto& [property, values] : changes) {
        if (property.ends_with(":*"))
            continue;
        const Item* known = itemOf(property);
        // Freeform names are compared without case: other programs write them in their own.
        std::vector<TagLib::String> twins;
        for (const auto& [name, item] : tag.itemMap()) {
            std::string key = utf8(name);
            size_t colon = key.starts_with("----:") ? key.find(':', 5) : std::string::npos;
            if (colon != std::string::npos && text::upper(key.substr(colon + 1)) == property)
                twins.push_back(name);
        }
        for (const TagLib::String& name : twins)
            tag.removeItem(name);
        TagLib::String name = known ? TagLib::String(std::string(known->name), TagLib::String::Latin1)
                                    : TagLib::String(freeform + property, TagLib::String::UTF8);
        if (values.empty())
            tag.removeItem(name);
        else
            tag.setItem(name, itemFrom(values, known ? known->kind : Kind::Text));
    }
}

} // namespace moorfrost::tags
