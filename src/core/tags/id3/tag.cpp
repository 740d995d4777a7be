// SPDX-License-Identifier: GPL-3.0-or-later
// Taking the tag apart, what its frames say, and putting it together again.
#include "core/tags/id3/tag.h"

#include <algorithm>

#include <taglib/id3v1genres.h>
#include <taglib/id3v2framefactory.h>
#include <taglib/id3v2header.h>
#include <taglib/textidentificationframe.h>

#include "core/base/numbers.h"
#include "core/tags/picture.h"
#include "core/tags/taglib_strings.h"
#include "core/text/encodings.h"
#include "core/text/text.h"

namespace moorfrost::tags {

namespace {

constexpr uint64_t mostTag = 256u << 20;

/// Frames of the standard that hold neither text nor a field.
bool isKnown(const std::string& id) {
    static const std::set<std::string> others = {
        "AENC", "APIC", "ASPI", "CHAP", "COMR", "CTOC", "ENCR", "EQU2", "EQUA", "ETCO", "GEOB",
        "GRID", "LINK", "MCDI", "MLLT", "OWNE", "PCNT", "PCST", "POPM", "POSS", "PRIV", "RBUF",
        "RVA2", "RVAD", "RVRB", "SEEK", "SIGN", "SYLT", "SYTC", "UFID", "USER", "PIC",  "CRM",
        "CRA",  "EQU",  "ETC",  "GEO",  "LNK",  "MLL",  "REV",  "RVA",  "SLT",  "STC",  "BUF"};
    return id[0] == 'T' || id[0] == 'W' || others.contains(id);
}

bool isIdChar(char c) {
    return (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
}

/// Genres as version 2.3 writes them, "(17)(80)Harbour folk", and as numbers.
std::vector<std::string> genresIn(const std::vector<std::string>& texts) {
    std::vector<std::string> out;
    auto byNumber = [&](const std::string& n) {
        if (n == "RX")
            out.emplace_back("Remix");
        else if (n == "CR")
            out.emplace_back("Cover");
        else if (text::isDigits(n) && n.size() <= 3 && std::stoi(n) < 256 &&
                 !TagLib::ID3v1::genre(std::stoi(n)).isEmpty())
            out.push_back(utf8(TagLib::ID3v1::genre(std::stoi(n))));
        else
            return false;
        return true;
    };
    for (const std::string& t : texts) {
        if (byNumber(t))
            continue;
        std::string_view rest = t;
        while (rest.starts_with("(") && !rest.starts_with("((")) {
            const size_t close = rest.find(')');
            if (close == std::string_view::npos || !byNumber(std::string(rest.substr(1, close - 1))))
                break;
            rest.remove_prefix(close + 1);
        }
        if (rest.starts_with("(("))
            rest.remove_prefix(1);
        if (!rest.empty() && (out.empty() || out.back() != rest))
            out.emplace_back(rest);
    }
    return out;
}

/// Walks over the frames of a tag, also past damaged ones.
class FrameWalk {
public:
    FrameWalk(std::string_view body, int version) : body_(body), version_(version) {}

    struct Frame {
        std::string_view bytes;
        bool damaged = false;
    };
    std::optional<Frame> next() {
        const std::string_view h = body_.substr(at_, headLength());
        if (h.size() < headLength() || h[0] == 0)
            return std::nullopt;
        const bool damaged = !isId(h.substr(0, idLength()));
        const std::string_view size = h.substr(idLength(), idLength());
        uint64_t n = version_ == 4 ? synchSafe(size) : bigEndian(size);
        // Some programs write the sizes of version 2.4 as in 2.3.
        if (version_ == 4 && !mayEnd(at_ + headLength() + n) && mayEnd(at_ + headLength() + bigEndian(size)))
            n = bigEndian(size);
        const uint64_t whole = headLength() + n;
        if (at_ + whole > body_.size() || (damaged && !mayEnd(at_ + whole)))
            return std::nullopt;
        Frame out{body_.substr(at_, static_cast<size_t>(whole)), damaged};
        at_ += static_cast<size_t>(whole);
        return out;
    }
    std::string_view rest() const { return body_.substr(at_); }

private:
    size_t idLength() const { return version_ == 2 ? 3 : 4; }
    size_t headLength() const { return version_ == 2 ? 6 : 10; }
    static bool isId(std::string_view id) { return std::all_of(id.begin(), id.end(), isIdChar); }
    /// Whether another frame, padding or the end of the tag is there.
    bool mayEnd(uint64_t at) const {
        if (at + headLength() >= body_.size())
            return at <= body_.size();
        const std::string_view id = body_.substr(static_cast<size_t>(at), idLength());
        return id[0] == 0 || isId(id);
    }

    std::string_view body_;
    int version_;
    size_t at_ = 0;
};

std::string asSynchSafe(uint64_t n) {
    const auto v = static_cast<uint32_t>(n);
    return asBigEndian((v >> 21 & 0x7F) << 24 | (v >> 14 & 0x7F) << 16 | (v >> 7 & 0x7F) << 8 | (v & 0x7F),
                       4);
}

bool isDamaged(const TagItem& item) {
    return item.unknown == "damaged ID3v2 frame";
}
bool isTail(const TagItem& item) {
    return item.unknown.ends_with("at the end of the ID3v2 tag");
}

/// Frames whose content is not plain bytes: compressed or encrypted.
bool isCoded(const std::string& head, int version) {
    return version == 4 ? (head[9] & 0x0C) != 0 : version == 3 && (head[9] & 0xC0) != 0;
}

/// The texts of a compressed frame; TagLib takes it apart.
std::optional<std::string> compressedTexts(const std::string& frame, int version) {
    TagLib::ID3v2::Header header;
    header.setData(byteVector("ID3" + std::string(1, static_cast<char>(version)) + std::string(6, '\0')));
    std::unique_ptr<TagLib::ID3v2::Frame> read(
        TagLib::ID3v2::FrameFactory::instance()->createFrame(byteVector(frame), &header));
    const auto* texts = dynamic_cast<const TagLib::ID3v2::TextIdentificationFrame*>(read.get());
    if (!texts)
        return std::nullopt;
    std::vector<std::string> list;
    for (const TagLib::String& s : texts->fieldList())
        list.push_back(utf8(s));
    return textContent(list, 4);
}

} // namespace

std::string id3v2Bytes(const ByteSource& source, uint64_t offset) {
    const uint64_t n = audio::id3v2Length(source, offset);
    return n == 0 || n > mostTag ? std::string() : source.bytes(offset, static_cast<size_t>(n));
}

std::optional<Id3v2Tag> Id3v2Tag::parse(std::string_view bytes) {
    if (bytes.size() < 10 || !bytes.starts_with("ID3"))
        return std::nullopt;
    Id3v2Tag out;
    out.version_ = bytes[3];
    const auto flags = static_cast<uint8_t>(bytes[5]);
    if (out.version_ < 2 || out.version_ > 4 || (out.version_ == 2 && (flags & 0x40)))
        return std::nullopt;
    out.unsynchronised_ = (flags & 0x80) != 0;
    out.footer_ = out.version_ == 4 && (flags & 0x10);
    const std::string_view raw = bytes.substr(10, synchSafe(bytes.substr(6, 4)));
    std::string decoded;
    std::string_view body = raw;
    if (out.unsynchronised_ && out.version_ < 4)
        body = decoded = synchronised(raw);
    if ((flags & 0x40) && out.version_ > 2) {
        const std::string_view size = body.substr(0, 4);
        const uint64_t n = out.version_ == 4 ? synchSafe(size) : uint64_t{bigEndian(size)} + 4;
        if (n < 6 || n > body.size())
            return std::nullopt;
        const bool checksum = out.version_ == 4 ? (body[5] & 0x20) != 0 : (body[4] & 0x80) != 0;
        if (!checksum) // one that is there would be wrong after any change
            out.extended_ = body.substr(0, static_cast<size_t>(n));
        body.remove_prefix(static_cast<size_t>(n));
    }
    FrameWalk walk(body, out.version_);
    while (auto frame = walk.next()) {
        TagItem item{std::string(frame->bytes), {}, {}};
        if (frame->damaged)
            item.unknown = "damaged ID3v2 frame";
        out.items_.push_back(std::move(item));
    }
    const std::string_view rest = walk.rest();
    if (const size_t last = rest.find_last_not_of('\0'); last != std::string_view::npos) {
        TagItem tail{
            std::string(rest), {}, std::to_string(rest.size()) + " bytes at the end of the ID3v2 tag"};
        out.items_.push_back(std::move(tail));
    }
    out.understand();
    return out;
}

std::string Id3v2Tag::idOf(const TagItem& item) const {
    if (isDamaged(item) || isTail(item))
        return {};
    const std::string id = item.bytes.substr(0, version_ == 2 ? 3 : 4);
    const std::string modern = version_ == 2 ? modernId(id) : id;
    return modern.empty() ? id : modern;
}

std::string Id3v2Tag::contentOf(const TagItem& item) const {
    std::string content = item.bytes.substr(headLength());
    if (version_ == 2)
        return content;
    const std::string head = item.bytes.substr(0, 10);
    if (isCoded(head, version_)) {
        const bool encrypted = head[9] & (version_ == 4 ? 0x04 : 0x40);
        return encrypted ? std::string() : compressedTexts(item.bytes, version_).value_or(std::string());
    }
    size_t skip = 0;
    if (version_ == 3) {
        skip = head[9] & 0x20 ? 1 : 0; // a group
    } else {
        skip = (head[9] & 0x40 ? 1u : 0u) + (head[9] & 0x01 ? 4u : 0u); // a group, a length
        if ((head[9] & 0x02) || unsynchronised_)
            content = synchronised(content);
    }
    return content.substr(std::min(skip, content.size()));
}

void Id3v2Tag::understand() {
    // The languages of the first comment and lyrics of each description: those have no language in their
    // name.
    std::map<std::string, std::string> languages;
    const TagItem *day = nullptr, *time = nullptr;
    bool hasDate = false;
    for (TagItem& item : items_) {
        if (isDamaged(item) || isTail(item))
            continue;
        item.says.clear();
        item.unknown.clear();
        const std::string id = idOf(item);
        day = id == "TDAT" && !day ? &item : day;
        time = id == "TIME" && !time ? &item : time;
        hasDate = hasDate || id == "TDRC";
    }
    for (TagItem& item : items_) {
        const std::string id = idOf(item);
        if (id.empty())
            continue;
        const std::string content = contentOf(item);
        if (id == "TXXX") {
            if (auto named = namedIn(content, false); named && !named->texts.empty())
                item.says[named->description.empty() ? id : text::upper(named->description)] = named->texts;
        } else if (id == "COMM" || id == "USLT") {
            auto words = wordsIn(content);
            if (!words || words->description.starts_with("iTun")) // facts of the encoding
                continue;
            WordsName name{id == "USLT", text::lower(words->description), {}};
            const std::string language = text::lower(text::fromLatin1(words->language));
            const auto& first = languages.try_emplace(wordsProperty(name), language).first->second;
            if (first != language)
                name.language = language;
            item.says[wordsProperty(name)] = {words->text};
        } else if (id == "IPLS" || id == "TIPL" || id == "TMCL") {
            const std::vector<std::string> pairs = textsIn(content);
            for (size_t i = 0; i + 1 < pairs.size(); i += 2)
                for (std::string& name : namesIn(pairs[i + 1]))
                    item.says[roleProperty(pairs[i])].push_back(std::move(name));
        } else if (id == "TYER" || id == "TDAT" || id == "TIME") {
            std::vector<std::string>& values = item.says["DATE"]; // carries it, even if it says nothing alone
            const std::vector<std::string> texts = textsIn(content);
            if (id != "TYER" || hasDate || texts.empty())
                continue;
            std::string date = texts.front();
            const auto part = [&](const TagItem* other) {
                const std::vector<std::string> t =
                    other ? textsIn(contentOf(*other)) : std::vector<std::string>();
                return t.size() == 1 && t[0].size() == 4 && text::isDigits(t[0]) ? t[0] : std::string();
            };
            if (const std::string d = part(day); date.size() == 4 && text::isDigits(date) && !d.empty()) {
                date += "-" + d.substr(2, 2) + "-" + d.substr(0, 2);
                if (const std::string t = part(time); !t.empty())
                    date += "T" + t.substr(0, 2) + ":" + t.substr(2, 2);
            }
            values = {date};
        } else if (id == "TCON") {
            item.says["GENRE"] = genresIn(textsIn(content));
        } else if (id == "WXXX") {
            if (auto named = namedIn(content, true))
                item.says[named->description.empty() ? "URL" : "URL:" + text::upper(named->description)] =
                    named->texts;
        } else if (const std::string property = propertyOfFrame(id); !property.empty()) {
            if (id[0] == 'W')
                item.says[property] = {text::fromLatin1(content.substr(0, content.find('\0')))};
            else if (auto texts = textsIn(content); !texts.empty())
                item.says[property] = std::move(texts);
        } else if (!isKnown(id)) {
            item.unknown = "ID3v2 frame " + id;
        }
    }
}

std::vector<std::pair<std::string, std::string>> Id3v2Tag::languages() const {
    std::vector<std::pair<std::string, std::string>> out;
    for (const TagItem& item : items_)
        for (const auto& [property, label] :
             {std::pair<std::string, std::string>("COMMENT", "Language of the comment"),
              {"LYRICS", "Language of the lyrics"}}) {
            const std::string id = idOf(item);
            if ((id != "COMM" && id != "USLT") || !item.says.contains(property))
                continue;
            const auto words = wordsIn(contentOf(item));
            const std::string code = words ? text::lower(text::fromLatin1(words->language)) : std::string();
            const bool letters = code.size() == 3 && std::all_of(code.begin(), code.end(),
                                                                 [](char c) { return c >= 'a' && c <= 'z'; });
            if (letters && code != "eng" && code != "xxx" && code != "und")
                out.emplace_back(label, code);
        }
    return out;
}

std::optional<Picture> Id3v2Tag::pictureOf(const TagItem& item, bool withBytes) const {
    const std::string id = idOf(item);
    if (id != "APIC" && id != "PIC")
        return std::nullopt;
    const std::string content = contentOf(item);
    std::string_view b = content;
    if (b.size() < 6)
        return std::nullopt;
    const char encoding = b[0];
    b.remove_prefix(1);
    const size_t mimeEnd = id == "PIC" ? 3 : b.find('\0');
    if (mimeEnd == std::string_view::npos || mimeEnd + 2 > b.size())
        return std::nullopt;
    const std::string mime(b.substr(0, mimeEnd));
    b.remove_prefix(mimeEnd + (id == "PIC" ? 0 : 1));
    const auto type = static_cast<uint8_t>(b[0]);
    // Type, description: as in a frame with a name in front.
    b.remove_prefix(1);
    auto described = namedIn(encoding + std::string(b.substr(0, std::min<size_t>(b.size(), 4096))), true);
    if (!described)
        return std::nullopt;
    const bool wide = encoding == 1 || encoding == 2;
    size_t end = 0;
    while (end < b.size() && (b[end] != '\0' || (wide && end + 1 < b.size() && b[end + 1] != '\0')))
        end += wide ? 2 : 1;
    b.remove_prefix(std::min(b.size(), end + (wide ? 2 : 1)));
    return makePicture(pictureTypeName(type), b, mime, described->description, withBytes);
}

namespace {
/// Version 2.2 names two kinds of pictures, by three letters; "" for others.
std::string shortKind(const std::string& mime) {
    return mime == "image/jpeg" ? "JPG" : mime == "image/png" ? "PNG" : "";
}
} // namespace

Result<bool> Id3v2Tag::changePictures(const PictureChanges& changes, bool mayAdd) {
    bool newer = false;
    for (const auto& [type, wanted] : changes.byType)
        for (const PictureInfo& p : wanted)
            newer = newer || shortKind(p.mime).empty();
    if (version_ == 2 && mayAdd && newer)
        if (Status done = upgrade(); !done)
            return done.error();
    return Tag::changePictures(changes, mayAdd);
}

Result<TagItem> Id3v2Tag::pictureItem(const Picture& picture) {
    const std::string& mime = picture.info.mime;
    const auto type = static_cast<char>(std::max(0, pictureTypeNumber(picture.info.type)));
    const std::string described = *namedContent({picture.info.description, {""}}, true, version_);
    // Encoding, what it is, type, description with its end, the picture.
    const std::string what =
        version_ == 2 ? shortKind(mime) : (mime.empty() ? std::string("image/") : mime) + '\0';
    return frame(version_ == 2 ? "PIC" : "APIC",
                 described.substr(0, 1) + what + type + described.substr(1) + picture.data);
}

size_t Id3v2Tag::appendAt() const {
    // In front of what stands behind the frames and is no padding.
    return items_.size() - (!items_.empty() && isTail(items_.back()) ? 1 : 0);
}

std::string Id3v2Tag::bodyBytes() const {
    std::string body = extended_;
    for (const TagItem& item : items_)
        body += item.bytes;
    return unsynchronised_ && version_ < 4 ? unsynchronised(body) : body;
}

uint64_t Id3v2Tag::leastLength() const {
    return 10 + bodyBytes().size() + (footer_ ? 10 : 0);
}

std::string Id3v2Tag::render(uint64_t length) const {
    std::string body = bodyBytes();
    if (!footer_ && length > 10 + body.size()) {
        const auto zeros = static_cast<size_t>(length - 10 - body.size());
        if (version_ == 3 && extended_.size() >= 10 && !unsynchronised_)
            body.replace(6, 4, asBigEndian(static_cast<uint32_t>(zeros), 4)); // it tells how many
        body.append(zeros, '\0');
    }
    const int flags = (unsynchronised_ ? 0x80 : 0) | (extended_.empty() ? 0 : 0x40) | (footer_ ? 0x10 : 0);
    const std::string rest = std::string(1, static_cast<char>(version_)) + '\0' + static_cast<char>(flags) +
                             asSynchSafe(body.size());
    return "ID3" + rest + body + (footer_ ? "3DI" + rest : std::string());
}

TagItem Id3v2Tag::frame(std::string_view id, std::string_view content) const {
    std::string head(id);
    std::string body(content);
    if (version_ == 2)
        head += asBigEndian(static_cast<uint32_t>(body.size()), 3);
    else if (version_ == 3)
        head += asBigEndian(static_cast<uint32_t>(body.size()), 4) + std::string(2, '\0');
    else {
        if (unsynchronised_)
            body = unsynchronised(body);
        head += asSynchSafe(body.size()) + '\0' + (unsynchronised_ ? '\x02' : '\0');
    }
    return {head + body, {}, {}};
}

} // namespace moorfrost::tags
