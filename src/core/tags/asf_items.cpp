// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/asf_items.h"

#include "core/tags/taglib_maps.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

struct Item {
    const char* name;
    const char* property;
};

/// Names as in Microsoft's "Windows Media Format SDK", attribute list. Several programs write the first of
/// two.
const std::vector<Item>& items() {
    static const std::vector<Item> table = {
        {"WM/AlbumTitle", "ALBUM"},
        {"WM/AlbumArtist", "ALBUMARTIST"},
        {"WM/TrackNumber", "TRACKNUMBER"},
        {"WM/PartOfSet", "DISCNUMBER"},
        {"WM/Year", "DATE"},
        {"WM/OriginalReleaseTime", "ORIGINALDATE"},
        {"WM/OriginalReleaseYear", "ORIGINALYEAR"},
        {"WM/Genre", "GENRE"},
        {"WM/Composer", "COMPOSER"},
        {"WM/Writer", "LYRICIST"},
        {"WM/Conductor", "CONDUCTOR"},
        {"WM/ModifiedBy", "REMIXER"},
        {"WM/Producer", "PRODUCER"},
        {"WM/Engineer", "ENGINEER"},
        {"WM/Publisher", "LABEL"},
        {"WM/CatalogNo", "CATALOGNUMBER"},
        {"WM/Barcode", "BARCODE"},
        {"WM/ISRC", "ISRC"},
        {"WM/Language", "LANGUAGE"},
        {"WM/Script", "SCRIPT"},
        {"WM/Media", "MEDIA"},
        {"WM/IsCompilation", "COMPILATION"},
        {"WM/ContentGroupDescription", "GROUPING"},
        {"WM/Mood", "MOOD"},
        {"WM/BeatsPerMinute", "BPM"},
        {"WM/InitialKey", "INITIALKEY"},
        {"WM/Lyrics", "LYRICS"},
        {"WM/EncodedBy", "ENCODEDBY"},
        {"WM/AuthorURL", "WEBSITE"},
        {"WM/TitleSortOrder", "TITLESORT"},
        {"WM/ArtistSortOrder", "ARTISTSORT"},
        {"WM/AlbumSortOrder", "ALBUMSORT"},
        {"WM/AlbumArtistSortOrder", "ALBUMARTISTSORT"},
        {"WM/ComposerSortOrder", "COMPOSERSORT"},
    };
    return table;
}

/// Facts of the encoding, not fields.
bool isTechnical(const std::string& name) {
    static const std::vector<std::string> names = {"IsVBR",
                                                   "WMFSDKNeeded",
                                                   "WMFSDKVersion",
                                                   "DeviceConformanceTemplate",
                                                   "ASFLeakyBucketPairs",
                                                   "WM/WMADRCPeakReference",
                                                   "WM/WMADRCAverageReference",
                                                   "WM/EncodingSettings"};
    return std::find(names.begin(), names.end(), name) != names.end();
}

std::string propertyOf(const std::string& name) {
    for (const Item& item : items())
        if (name == item.name)
            return item.property;
    return text::upper(name);
}

std::string nameOf(const std::string& property) {
    for (const Item& item : items())
        if (property == item.property)
            return item.name;
    return property;
}

void add(Properties& out, const char* property, const TagLib::String& value) {
    if (!value.isEmpty())
        out[property].push_back(utf8(value));
}

TagLib::String firstOf(const std::vector<std::string>& values) {
    return wide(text::join(values, "; "));
}

} // namespace

Properties asfProperties(const TagLib::ASF::Tag& tag, std::vector<std::string>& others) {
    Properties out;
    add(out, "TITLE", tag.title());
    add(out, "ARTIST", tag.artist());
    add(out, "COPYRIGHT", tag.copyright());
    add(out, "COMMENT", tag.comment());
    for (const auto& [name, attributes] : const_cast<TagLib::ASF::Tag&>(tag).attributeListMap()) {
        std::string key = utf8(name);
        if (isTechnical(key) || key == "WM/Picture")
            continue;
        for (const TagLib::ASF::Attribute& a : attributes) {
            using enum TagLib::ASF::Attribute::AttributeTypes;
            if (a.type() == UnicodeType)
                out[propertyOf(key)].push_back(utf8(a.toString()));
            else if (a.type() == DWordType)
                out[propertyOf(key)].push_back(std::to_string(a.toUInt()));
            else if (a.type() == WordType)
                out[propertyOf(key)].push_back(std::to_string(a.toUShort()));
            else if (a.type() == BoolType)
                out[propertyOf(key)].push_back(a.toBool() ? "1" : "0");
            else if (a.type() == QWordType)
                out[propertyOf(key)].push_back(std::to_string(a.toULongLong()));
            else
                others.push_back("WMA attribute " + key);
        }
    }
    // The first artist stands in the description of the content, further ones in an attribute of their own.
    if (auto more = out.find("AUTHOR"); more != out.end()) {
        for (const std::string& v : more->second)
            if (std::find(out["ARTIST"].begin(), out["ARTIST"].end(), v) == out["ARTIST"].end())
                out["ARTIST"].push_back(v);
        out.erase("AUTHOR");
    }
    return out;
}

void writeAsf(TagLib::ASF::Tag& tag, const Properties& changes, bool lastFirst) {
    for (const auto& [property, values] : changes) {
        std::vector<TagLib::String> twins; // also of what has a place of its own
        for (const auto& [name, attributes] : tag.attributeListMap())
            if (propertyOf(utf8(name)) == property)
                twins.push_back(name);
        for (const TagLib::String& name : twins)
            tag.removeItem(name);
        if (property == "TITLE") {
            tag.setTitle(firstOf(values));
        } else if (property == "COPYRIGHT") {
            tag.setCopyright(firstOf(values));
        } else if (property == "COMMENT") {
            tag.setComment(firstOf(values));
        } else if (property == "ARTIST") {
            tag.setArtist(values.empty() ? TagLib::String() : wide(values.front()));
            tag.removeItem("Author");
            for (size_t i = 1; i < values.size(); ++i)
                tag.addAttribute("Author", wide(values[i]));
        } else {
            for (const std::string& v : values)
                tag.addAttribute(wide(nameOf(property)), wide(v));
        }
    }
    if (!lastFirst)
        return;
    for (auto& [name, attributes] : tag.attributeListMap())
        if (attributes.size() > 1) {
            TagLib::ASF::Attribute last = attributes.back();
            attributes.erase(--attributes.end());
            attributes.prepend(last);
        }
}

} // namespace moorfrost::tags
