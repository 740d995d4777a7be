// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures in drafts, in changes of tags and in the journal. They travel with the fields: under a key for
// each type ("@picture:front cover", which no field of a file has) stand the pictures of that type as texts
// that tell them apart, without their bytes. Their bytes are kept once (tags/kept_pictures).
#pragma once

#include <functional>
#include <map>
#include <optional>
#include <string>
#include <vector>

#include "core/audio/format.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

/// Types as ID3v2 and FLAC number them, by their names here ("front cover").
const std::vector<std::string>& pictureTypes();
/// -1 where there is none of that name.
int pictureTypeNumber(std::string_view name);

/// The type that a person means by "front" or "front cover"; "" where there is none.
std::string pictureTypeFrom(std::string_view typed);

std::string pictureKey(std::string_view type);
bool isPictureKey(std::string_view key);
/// The type that a key is of; "" for other keys.
std::string pictureTypeOf(std::string_view key);

/// "image/png 600x600 81234 01234567890abcdef description": the same for the same picture, wherever it is.
std::string pictureText(const PictureInfo& picture);
/// nullopt where it is no such text.
std::optional<PictureInfo> pictureFromText(std::string_view type, std::string_view text);

/// By key, in their order.
Fields pictureFields(const std::vector<PictureInfo>& pictures);
/// The pictures that these tell of.
std::vector<PictureInfo> picturesIn(const Fields& fields);
/// What is left without them.
Fields withoutPictures(const Fields& fields);
/// The pictures as they will be: those of changed types make way for others.
std::vector<PictureInfo> appliedPictures(const std::vector<PictureInfo>& pictures, const Fields& changes);

/// Gives the bytes of a picture that is kept; an Error (a sentence) where they are no more what they were.
using PictureBytes = std::function<Result<std::string>(const PictureInfo&)>;

/// What a tag is to hold: of each type that is changed all pictures. Those that the tag holds already are
/// left as they stand; others are taken from `bytes`.
struct PictureChanges {
    /// The front cover comes first: it is what most programs show. Then by number.
    struct Order {
        bool operator()(const std::string& a, const std::string& b) const { return rank(a) < rank(b); }
        static int rank(const std::string& type) {
            return type == "front cover" ? -2 : pictureTypeNumber(type);
        }
    };
    std::map<std::string, std::vector<PictureInfo>, Order> byType;
    PictureBytes bytes;
    bool isEmpty() const { return byType.empty(); }
};
/// An Error (Invalid) where a key or a text makes no sense.
Result<PictureChanges> pictureChangesOf(const Fields& changes, PictureBytes bytes);

/// Why files of this format cannot hold these pictures of a type, a sentence; "" where they can. To be asked
/// before anything is written.
std::string whyNotHeld(audio::Format format, const std::string& type,
                       const std::vector<PictureInfo>& pictures);
/// The picture as the format holds it: without a description, where it has no place for one.
PictureInfo asHeldBy(audio::Format format, PictureInfo picture);

} // namespace moorfrost::tags
