// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/vorbis/placing.h"

#include <algorithm>
#include <set>
#include <utility>

#include <taglib/oggflacfile.h>
#include <taglib/opusfile.h>
#include <taglib/speexfile.h>
#include <taglib/vorbisfile.h>

#include "core/base/numbers.h"
#include "core/tags/taglib_strings.h"

namespace moorfrost::tags {

using audio::Format;

namespace {

constexpr uint64_t newPadding = 4096;
constexpr uint64_t mostComment = 64u << 20; // bytes of a comment that are taken into memory

struct Block {
    int type = 0;
    uint64_t at = 0, content = 0, end = 0;
};
constexpr int paddingBlock = 1, commentBlock = 4, pictureBlock = 6;

/// Empty where they cannot be walked through.
std::vector<Block> blocksIn(const ByteSource& s) {
    std::vector<Block> out;
    uint64_t at = audio::id3v2Length(s, 0);
    if (s.bytes(at, 4) != "fLaC")
        return {};
    at += 4;
    for (bool last = false; !last;) {
        const std::string h = s.bytes(at, 4);
        if (h.size() < 4 || out.size() > 4096)
            return {};
        last = (h[0] & 0x80) != 0;
        Block b{h[0] & 0x7F, at, at + 4, at + 4 + bigEndian(std::string_view(h).substr(1))};
        if (b.end > s.size())
            return {};
        at = b.end;
        out.push_back(b);
    }
    return out;
}

struct OggPage {
    uint64_t at = 0, data = 0, length = 0; // header, payload
    std::string lacing;
    std::string serial;
};

std::optional<OggPage> oggPage(const ByteSource& s, uint64_t at) {
    const std::string h = s.bytes(at, 27);
    if (h.size() < 27 || !h.starts_with("OggS"))
        return std::nullopt;
    OggPage page;
    page.at = at;
    page.lacing = s.bytes(at + 27, static_cast<unsigned char>(h[26]));
    page.data = at + 27 + page.lacing.size();
    page.serial = h.substr(14, 4);
    for (char c : page.lacing)
        page.length += static_cast<unsigned char>(c);
    return page;
}

/// The second packet of the first stream: which bytes of which pages. `isPlain`: no other stream lies in
/// between, and it begins with a page.
struct CommentPages {
    struct Piece {
        OggPage page;
        uint64_t from = 0, bytes = 0;
    };
    std::vector<Piece> pieces;
    bool isPlain = true;

    uint64_t bytes() const {
        uint64_t n = 0;
        for (const Piece& p : pieces)
            n += p.bytes;
        return n;
    }
};

/// No pieces where the packet does not end.
CommentPages commentPages(const ByteSource& s) {
    CommentPages out;
    auto page = oggPage(s, 0);
    if (!page)
        return {};
    const std::string serial = page->serial;
    int packet = 0;
    for (int pages = 0; page && pages < 4096; ++pages) {
        if (page->serial != serial) {
            out.isPlain = out.isPlain && packet != 1;
        } else {
            uint64_t at = page->data, from = page->data;
            for (size_t i = 0; i < page->lacing.size(); ++i) {
                const auto n = static_cast<unsigned char>(page->lacing[i]);
                at += n;
                const bool ends = n < 255;
                if (!ends && i + 1 < page->lacing.size())
                    continue;
                if (packet == 1) {
                    out.isPlain = out.isPlain && from == page->data;
                    out.pieces.push_back({*page, from, at - from});
                    if (ends)
                        return out;
                }
                packet += ends ? 1 : 0;
                from = at;
            }
        }
        page = oggPage(s, page->data + page->length);
    }
    return {};
}

std::string_view headOf(Format format) {
    using namespace std::string_view_literals;
    return format == Format::OggVorbis ? "\x03vorbis"sv : format == Format::Opus ? "OpusTags"sv : ""sv;
}

std::string packetOf(const ByteSource& s, const CommentPages& pages) {
    std::string out;
    if (pages.bytes() > mostComment)
        return out;
    for (const auto& piece : pages.pieces)
        out += s.bytes(piece.from, static_cast<size_t>(piece.bytes));
    return out;
}

std::unique_ptr<TagLib::Ogg::File> openOgg(OverlayStream& stream, Format format) {
    switch (format) {
    case Format::OggVorbis:
        return std::make_unique<TagLib::Ogg::Vorbis::File>(&stream, false);
    case Format::Opus:
        return std::make_unique<TagLib::Ogg::Opus::File>(&stream, false);
    case Format::Speex:
        return std::make_unique<TagLib::Ogg::Speex::File>(&stream, false);
    default:
        return std::make_unique<TagLib::Ogg::FLAC::File>(&stream, false);
    }
}

} // namespace

std::optional<FlacBlocks> readFlacBlocks(const ByteSource& source, bool withBytes) {
    const std::vector<Block> blocks = blocksIn(source);
    if (blocks.empty())
        return std::nullopt;
    FlacBlocks out;
    for (const Block& b : blocks) {
        if (b.type != commentBlock && b.type != pictureBlock)
            continue;
        const std::string bytes = source.bytes(b.content, static_cast<size_t>(b.end - b.content));
        if (b.type == commentBlock && !out.comment)
            out.comment = VorbisComment::parse(bytes);
        if (b.type != pictureBlock)
            continue;
        if (auto picture = flacPicture(bytes, withBytes)) {
            out.pictures.push_back(std::move(*picture));
            if (withBytes)
                out.pictureBlocks.push_back(bytes);
        } else
            ++out.damagedPictures;
    }
    return out;
}

Result<std::optional<std::vector<std::string>>> changedPictureBlocks(const FlacBlocks& blocks,
                                                                     const PictureChanges& changes) {
    using Changed = std::optional<std::vector<std::string>>;
    if (changes.isEmpty())
        return Changed();
    // What is new of a type stands where the first of that type stood, else at the end.
    std::vector<std::string> out;
    std::set<std::string> placed;
    auto place = [&](const std::string& type) -> Status {
        if (!placed.insert(type).second)
            return Done{};
        std::vector<size_t> used;
        for (const PictureInfo& wanted : changes.byType.at(type)) {
            size_t same = 0;
            while (same < blocks.pictures.size() && (!isSamePicture(blocks.pictures[same].info, wanted) ||
                                                     std::ranges::find(used, same) != used.end()))
                ++same;
            if (same < blocks.pictures.size()) {
                used.push_back(same);
                out.push_back(blocks.pictureBlocks[same]);
                continue;
            }
            auto picture = takePicture(changes, wanted);
            if (!picture)
                return picture.error();
            out.push_back(flacPictureBlock(*picture));
            if (out.back().size() >= (1u << 24))
                return Error{ErrorKind::Unsupported, {}, "A picture in a FLAC file can have at most 16 MB."};
        }
        return Done{};
    };
    for (size_t i = 0; i < blocks.pictures.size(); ++i) {
        const std::string& type = blocks.pictures[i].info.type;
        if (!changes.byType.contains(type))
            out.push_back(blocks.pictureBlocks[i]);
        else if (Status done = place(type); !done)
            return done.error();
    }
    for (const auto& [type, wanted] : changes.byType)
        if (Status done = place(type); !done)
            return done.error();
    return out == blocks.pictureBlocks ? Changed() : Changed(std::move(out));
}

Status placeFlacBlocks(OverlayStream& stream, const VorbisComment* comment,
                       const std::optional<std::vector<std::string>>& pictures) {
    const std::vector<Block> blocks = blocksIn(stream);
    if (blocks.empty())
        return Error{ErrorKind::Damaged, {}, "The blocks in front of the sound are damaged."};
    // Whatever stands behind the list stays.
    const std::string fresh = comment ? comment->render() + comment->rest() : std::string();
    if (fresh.size() >= (1u << 24))
        return Error{ErrorKind::Unsupported, {}, "The comments of a FLAC file can be at most 16 MB."};
    struct Piece {
        int type;
        std::string bytes; // with the header, which is written last
    };
    std::vector<Piece> pieces;
    bool placed = !comment, picturesPlaced = !pictures;
    size_t paddingAt = std::string::npos;
    auto add = [&](int type, const std::string& content) {
        pieces.push_back({type, std::string(1, static_cast<char>(type)) +
                                    asBigEndian(static_cast<uint32_t>(content.size()), 3) + content});
    };
    for (const Block& b : blocks) {
        if (b.type == paddingBlock) {
            paddingAt = pieces.size();
        } else if (b.type == commentBlock && !placed) {
            add(commentBlock, fresh);
            placed = true;
        } else if (pictures && b.type == pictureBlock &&
                   flacPicture(stream.bytes(b.content, static_cast<size_t>(b.end - b.content)), false)) {
            if (!std::exchange(picturesPlaced, true))
                for (const std::string& picture : *pictures)
                    add(pictureBlock, picture);
        } else {
            pieces.push_back({b.type, stream.bytes(b.at, static_cast<size_t>(b.end - b.at))});
        }
    }
    if (!placed) {
        const size_t at = std::min(paddingAt, pieces.size());
        add(commentBlock, fresh);
        std::rotate(pieces.begin() + static_cast<std::ptrdiff_t>(at), pieces.end() - 1, pieces.end());
        if (paddingAt != std::string::npos)
            ++paddingAt;
    }
    if (!picturesPlaced)
        for (const std::string& picture : *pictures) {
            const size_t at = std::min(paddingAt, pieces.size());
            add(pictureBlock, picture);
            std::rotate(pieces.begin() + static_cast<std::ptrdiff_t>(at), pieces.end() - 1, pieces.end());
            if (paddingAt != std::string::npos)
                ++paddingAt;
        }
    uint64_t used = 0;
    for (const Piece& p : pieces)
        used += p.bytes.size();
    const uint64_t begin = blocks.front().at, there = blocks.back().end - begin;
    const bool fits = used == there || (used + 4 <= there && there - used - 4 < (1u << 24));
    const uint64_t padding = fits ? (used == there ? 0 : there - used) : newPadding;
    if (padding > 0) {
        paddingAt = std::min(paddingAt, pieces.size());
        add(paddingBlock, std::string(static_cast<size_t>(padding - 4), '\0'));
        std::rotate(pieces.begin() + static_cast<std::ptrdiff_t>(paddingAt), pieces.end() - 1, pieces.end());
    }
    std::string out;
    for (size_t i = 0; i < pieces.size(); ++i) {
        pieces[i].bytes[0] = static_cast<char>(pieces[i].type | (i + 1 == pieces.size() ? 0x80 : 0));
        out += pieces[i].bytes;
    }
    stream.replaceRange(begin, there, out);
    return Done{};
}

std::optional<VorbisComment> readOggComment(const ByteSource& source, Format format) {
    const std::string packet = packetOf(source, commentPages(source));
    std::string_view b = packet;
    if (format == Format::OggFlac) {
        if (b.size() < 4 || (b[0] & 0x7F) != commentBlock)
            return std::nullopt;
        b.remove_prefix(4);
    }
    if (packet.empty() || !b.starts_with(headOf(format)))
        return std::nullopt;
    return VorbisComment::parse(b.substr(headOf(format).size()));
}

Status placeOggComment(OverlayStream& stream, Format format, const VorbisComment& comment) {
    const CommentPages pages = commentPages(stream);
    if (pages.pieces.empty() || !pages.isPlain)
        return Error{
            ErrorKind::Unsupported,
            {},
            "The streams of this Ogg file lie between each other. Moorfrost does not write to such files."};
    const std::string old = packetOf(stream, pages);
    std::string packet = std::string(headOf(format)) + comment.render();
    bool mayPad = true;
    if (format == Format::OggFlac) {
        mayPad = false;
        packet = old.substr(0, 1) + asBigEndian(static_cast<uint32_t>(packet.size()), 3) + packet;
    } else if (format == Format::Opus) {
        // What follows the comments is to be kept where its first bit says so (RFC 7845, 5.2).
        mayPad = comment.rest().empty() || (comment.rest()[0] & 1) == 0;
        if (!mayPad)
            packet += comment.rest();
    } else if (format == Format::OggVorbis || comment.rest().starts_with('\x01')) {
        packet += '\x01';
    }
    const uint64_t room = pages.bytes();
    if (packet.size() > room || (!mayPad && packet.size() != room)) {
        if (mayPad)
            packet.append(newPadding, '\0');
        stream.seek(0);
        auto file = openOgg(stream, format);
        if (!file || !file->isValid())
            return Error{ErrorKind::Unsupported, {}, "The pages of this file could not be made anew."};
        file->setPacket(1, byteVector(packet));
        if (!file->TagLib::Ogg::File::save())
            return Error{ErrorKind::Unsupported, {}, "The pages of this file could not be made anew."};
        return Done{};
    }
    packet.resize(static_cast<size_t>(room), '\0');
    size_t done = 0;
    for (const auto& piece : pages.pieces) {
        stream.replaceRange(piece.from, piece.bytes,
                            std::string_view(packet).substr(done, static_cast<size_t>(piece.bytes)));
        done += static_cast<size_t>(piece.bytes);
        stream.replaceRange(piece.page.at + 22, 4, std::string(4, '\0'));
        const std::string all = stream.bytes(
            piece.page.at, static_cast<size_t>(piece.page.data - piece.page.at + piece.page.length));
        stream.replaceRange(piece.page.at + 22, 4, asLittleEndian(byteVector(all).checksum()));
    }
    return Done{};
}

} // namespace moorfrost::tags
