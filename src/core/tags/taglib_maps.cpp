// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/taglib_maps.h"

#include <taglib/textidentificationframe.h>
#include <taglib/unknownframe.h>

#include "core/text/text.h"

namespace moorfrost::tags {

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
        out.emplace(utf8(key), strings(values));
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

TagLib::PropertyMap id3Properties(const TagLib::ID3v2::Tag& tag) {
    static const std::map<std::string, std::string> roles = {{"PRODUCER", "PRODUCER"},
                                                             {"ENGINEER", "ENGINEER"},
                                                             {"ARRANGER", "ARRANGER"},
                                                             {"MIX", "MIXER"},
                                                             {"DJ-MIX", "DJMIXER"}};
    // Most frames are plain texts: they need none of the cases that TagLib looks through for each.
    static const std::map<TagLib::ByteVector, TagLib::String> plain = {
        {"TIT2", "TITLE"},       {"TPE1", "ARTIST"},     {"TPE2", "ALBUMARTIST"}, {"TALB", "ALBUM"},
        {"TRCK", "TRACKNUMBER"}, {"TPOS", "DISCNUMBER"}, {"TCOM", "COMPOSER"},    {"TSRC", "ISRC"},
        {"TIT1", "GROUPING"}}; // "content group" in the standard; TagLib calls it a work
    TagLib::PropertyMap map;
    for (const TagLib::ID3v2::Frame* frame : tag.frameList()) {
        auto known = plain.find(frame->frameID());
        const auto* text = known == plain.end()
                               ? nullptr
                               : dynamic_cast<const TagLib::ID3v2::TextIdentificationFrame*>(frame);
        if (text)
            map.insert(known->second, text->fieldList());
        else
            map.merge((frame->*FrameAccess::properties())());
    }
    if (tag.frameListMap().contains("TIPL") || tag.frameListMap().contains("TMCL")) {
        std::vector<TagLib::String> read;
        for (const auto& [key, values] : map)
            if (utf8(key).starts_with("PERFORMER:"))
                read.push_back(key);
        for (const auto& [id, property] : roles)
            read.push_back(wide(property));
        for (const TagLib::String& key : read)
            map.erase(key);
    }
    for (const char* id : {"TIPL", "TMCL"}) {
        for (const TagLib::ID3v2::Frame* frame : tag.frameListMap()[id]) {
            const auto* text = dynamic_cast<const TagLib::ID3v2::TextIdentificationFrame*>(frame);
            if (!text)
                continue;
            TagLib::StringList pairs = text->fieldList();
            for (unsigned int i = 0; i + 1 < pairs.size(); i += 2) {
                auto role = roles.find(utf8(pairs[i].upper()));
                TagLib::String key =
                    role != roles.end() ? wide(role->second) : "PERFORMER:" + pairs[i].upper();
                for (const std::string& name : namesIn(utf8(pairs[i + 1])))
                    if (!map[key].contains(wide(name)))
                        map[key].append(wide(name));
            }
        }
    }
    return map;
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
