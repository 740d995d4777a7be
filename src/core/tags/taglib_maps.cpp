// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/taglib_maps.h"

#include <algorithm>
#include <string_view>
#include <unordered_map>

#include <taglib/textidentificationframe.h>
#include <taglib/unknownframe.h>

#include "core/text/text.h"

namespace moorfrost::tags {

std::string utf8(const TagLib::String& s) {
    std::string out;
    out.reserve(s.size());
    auto put = [&](uint32_t first, uint32_t c) { out += static_cast<char>(first | c); };
    for (auto it = s.begin(); it != s.end(); ++it) {
        auto c = static_cast<uint32_t>(*it); // a unit of UTF-16
        if (c < 0x80) {
            out += static_cast<char>(c);
        } else if (c < 0x800) {
            put(0xC0, c >> 6);
            put(0x80, c & 0x3F);
        } else if (c >= 0xD800 && c < 0xE000) {
            auto next = it + 1;
            const uint32_t low = next == s.end() ? 0 : static_cast<uint32_t>(*next);
            if (c >= 0xDC00 || low < 0xDC00 || low >= 0xE000)
                return s.to8Bit(true); // half of a pair: as TagLib takes it
            it = next;
            c = 0x10000 + ((c - 0xD800) << 10) + (low - 0xDC00);
            put(0xF0, c >> 18);
            put(0x80, c >> 12 & 0x3F);
            put(0x80, c >> 6 & 0x3F);
            put(0x80, c & 0x3F);
        } else if (c < 0x10000) {
            put(0xE0, c >> 12);
            put(0x80, c >> 6 & 0x3F);
            put(0x80, c & 0x3F);
        } else {
            return s.to8Bit(true);
        }
    }
    return out;
}

std::vector<std::string> strings(const TagLib::StringList& list) {
    std::vector<std::string> out;
    out.reserve(list.size());
    for (const TagLib::String& s : list)
        out.push_back(utf8(s));
    return out;
}

TagLib::StringList stringList(const std::vector<std::string>& values) {
    TagLib::StringList list;
    for (const std::string& v : values)
        list.append(wide(v));
    return list;
}

Properties fromMap(const TagLib::Map<TagLib::String, TagLib::StringList>& map) {
    Properties out;
    for (const auto& [key, values] : map)
        out.emplace_hint(out.end(), utf8(key), strings(values));
    return out;
}

TagLib::PropertyMap toMap(const Properties& properties) {
    TagLib::PropertyMap map;
    for (const auto& [property, values] : properties)
        map.insert(wide(property), stringList(values));
    return map;
}

namespace {

/// TagLib writes several people of one role with a bare comma between them; a comma inside a name has a space
/// behind it.
std::vector<std::string> namesIn(const std::string& list) {
    std::vector<std::string> names(1);
    for (size_t i = 0; i < list.size(); ++i) {
        if (list[i] == ',' && i + 1 < list.size() && list[i + 1] != ' ')
            names.emplace_back();
        else
            names.back() += list[i];
    }
    return names;
}

/// The properties of one frame; in TagLib only the tag as a whole gives them to everyone.
struct FrameAccess : TagLib::ID3v2::Frame {
    static auto properties() { return &FrameAccess::asProperties; }
    static auto head() { return static_cast<Header* (Frame::*)() const>(&FrameAccess::header); }
    static void keep(const Frame& frame) {
        Header* header = (frame.*head())();
        header->setTagAlterPreservation(false);
    }
};

} // namespace

void keepUnknownFrames(TagLib::ID3v2::Tag& tag) {
    for (const TagLib::ID3v2::Frame* frame : tag.frameList())
        if (dynamic_cast<const TagLib::ID3v2::UnknownFrame*>(frame) && frame->frameID() != "TDAT" &&
            frame->frameID() != "TIME") // these two are in the date
            FrameAccess::keep(*frame);
}

namespace {

/// Frames that are plain texts, most of all there are: they need none of the cases that TagLib looks through.
const char* plainTextProperty(std::string_view id) {
    static const std::unordered_map<std::string_view, const char*> names = {
        {"TIT2", "TITLE"},
        {"TPE1", "ARTIST"},
        {"TPE2", "ALBUMARTIST"},
        {"TALB", "ALBUM"},
        {"TRCK", "TRACKNUMBER"},
        {"TPOS", "DISCNUMBER"},
        {"TCOM", "COMPOSER"},
        {"TSRC", "ISRC"},
        {"TPE3", "CONDUCTOR"},
        {"TPE4", "REMIXER"},
        {"TEXT", "LYRICIST"},
        {"TPUB", "LABEL"},
        {"TBPM", "BPM"},
        {"TCOP", "COPYRIGHT"},
        {"TENC", "ENCODEDBY"},
        {"TMED", "MEDIA"},
        {"TSOT", "TITLESORT"},
        {"TSOP", "ARTISTSORT"},
        {"TSOA", "ALBUMSORT"},
        {"TSO2", "ALBUMARTISTSORT"},
        {"TSOC", "COMPOSERSORT"},
        {"TIT1", "GROUPING"}}; // "content group" in the standard; TagLib calls it a work
    auto it = names.find(id);
    return it == names.end() ? nullptr : it->second;
}

void append(Properties& properties, const std::string& key, const TagLib::StringList& values) {
    std::vector<std::string>& list = properties[key];
    for (const TagLib::String& value : values)
        list.push_back(utf8(value));
}

/// The people of one list, after those that are there.
void appendPeople(Properties& properties, const TagLib::ID3v2::Frame& list) {
    static const std::map<std::string, std::string> roles = {{"PRODUCER", "PRODUCER"},
                                                             {"ENGINEER", "ENGINEER"},
                                                             {"ARRANGER", "ARRANGER"},
                                                             {"MIX", "MIXER"},
                                                             {"DJ-MIX", "DJMIXER"}};
    const auto* text = dynamic_cast<const TagLib::ID3v2::TextIdentificationFrame*>(&list);
    if (!text)
        return;
    const std::vector<std::string> pairs = strings(text->fieldList());
    for (size_t i = 0; i + 1 < pairs.size(); i += 2) {
        const std::string said = text::upper(pairs[i]);
        auto role = roles.find(said);
        std::vector<std::string>& names =
            properties[role != roles.end() ? role->second : "PERFORMER:" + said];
        for (std::string& name : namesIn(pairs[i + 1]))
            if (std::find(names.begin(), names.end(), name) == names.end())
                names.push_back(std::move(name));
    }
}

} // namespace

Properties id3Properties(const TagLib::ID3v2::Tag& tag) {
    Properties out;
    std::vector<const TagLib::ID3v2::Frame*> involved, musicians;
    for (const TagLib::ID3v2::Frame* frame : tag.frameList()) {
        const TagLib::ByteVector bytes = frame->frameID();
        const std::string_view id(bytes.data(), bytes.size());
        const char* plain = plainTextProperty(id);
        const auto* text =
            plain ? dynamic_cast<const TagLib::ID3v2::TextIdentificationFrame*>(frame) : nullptr;
        if (id == "TIPL")
            involved.push_back(frame);
        else if (id == "TMCL")
            musicians.push_back(frame);
        else if (text)
            append(out, plain, text->fieldList());
        else
            for (const auto& [key, values] : (frame->*FrameAccess::properties())())
                append(out, utf8(key), values);
    }
    for (const auto* lists : {&involved, &musicians})
        for (const TagLib::ID3v2::Frame* list : *lists)
            appendPeople(out, *list);
    return out;
}

const std::map<std::string, const char*>& infoIds() {
    static const std::map<std::string, const char*> ids = {
        {"TITLE", "INAM"},    {"ARTIST", "IART"},   {"ALBUM", "IPRD"},       {"DATE", "ICRD"},
        {"GENRE", "IGNR"},    {"COMMENT", "ICMT"},  {"TRACKNUMBER", "IPRT"}, {"COPYRIGHT", "ICOP"},
        {"ENGINEER", "IENG"}, {"COMPOSER", "IMUS"}, {"LANGUAGE", "ILNG"},    {"ENCODEDBY", "ITCH"}};
    return ids;
}

Properties infoProperties(const TagLib::RIFF::Info::Tag& tag) {
    Properties out;
    for (const auto& [property, id] : infoIds())
        if (TagLib::String value = tag.fieldText(id); !value.isEmpty())
            out[property] = {utf8(value)};
    return out;
}

namespace {

class InfoText : public TagLib::RIFF::Info::StringHandler {
public:
    TagLib::String parse(const TagLib::ByteVector& data) const override {
        std::string bytes(data.data(), data.size());
        bytes = bytes.substr(0, bytes.find('\0'));
        return TagLib::String(bytes, text::isUtf8(bytes) ? TagLib::String::UTF8 : TagLib::String::Latin1);
    }
};

} // namespace

void readInfoTextSafely() {
    static const bool once = [] {
        static const InfoText handler;
        TagLib::RIFF::Info::Tag::setStringHandler(&handler);
        return true;
    }();
    (void)once;
}

} // namespace moorfrost::tags
