// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: a tag taken apart into its parts (frames, comments, atoms, items, attributes) as they
// stand in the file. An edit of a field makes the parts anew that carry this field; all others stay byte for
// byte, in their order. Objects are used by one thread at a time.
#pragma once

#include <map>
#include <optional>
#include <set>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/tags/picture_changes.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

/// Upper-case names as in Vorbis comments, several values each: what every format's parts are turned into.
using Properties = std::map<std::string, std::vector<std::string>>;

/// The key of the field that a property belongs to: a standard key, or the lower-case custom name.
std::string keyOfProperty(std::string_view property);

/// Fields as they are shown from properties as they are stored: numbers in two values or in one ("3/12"),
/// people with their roles.
Fields fieldsFromProperties(const Properties& properties);

/// One part of a tag.
struct TagItem {
    std::string bytes; // with its own header, as in the file
    Properties
        says; // empty for pictures, and for what is not understood; a name without values: a place for it
    std::string unknown; // its name for people, where it is not understood; else ""
};

/// Whether the item says something of one of the fields.
bool carries(const TagItem& item, const std::set<std::string, std::less<>>& keys);

/// What one tag says as a whole.
struct TagPart {
    std::string name; // "ID3v2.3", "APE", "Vorbis comment" ...
    Properties properties;
    std::vector<std::string> unknown = {}; // names of what was not understood
};

class Tag {
public:
    virtual ~Tag() = default;

    virtual std::string name() const = 0;
    const std::vector<TagItem>& items() const { return items_; }
    /// Values of one property in the order of the items, and what was not understood.
    TagPart part() const;
    virtual std::vector<Picture> pictures(bool withBytes) const;

    /// Pictures of the types that are changed, as asked; a picture that is there already keeps its bytes as
    /// they stand. `mayAdd`: else these types only go from the tag, because another tag holds them. True if
    /// anything changed; an Error where a picture cannot be held, or its bytes are not there any more.
    virtual Result<bool> changePictures(const PictureChanges& changes, bool mayAdd = true);

    /// Puts `changes` (an empty list removes the field) into the tag. Of a number and its total both are
    /// given where one changes. What already is so stays untouched, byte for byte. `mayAdd`: also fields that
    /// the tag does not carry yet; else only those it carries. True if anything changed; an Error where the
    /// tag cannot hold a value.
    Result<bool> change(const Fields& changes, bool mayAdd = true);
    /// Sentences on what had to be stored otherwise than before.
    const std::vector<std::string>& notes() const { return notes_; }

    /// The items that carry none of these fields and no picture of these types, as they stand; without those
    /// that are a blank place.
    std::vector<std::string> bytesOfOthers(const std::set<std::string, std::less<>>& keys,
                                           const std::set<std::string>& pictureTypes = {}) const;

protected:
    /// The picture that an item holds; nullopt where it holds none.
    virtual std::optional<Picture> pictureOf(const TagItem& item, bool withBytes) const;
    /// An item that holds the picture.
    virtual Result<TagItem> pictureItem(const Picture& picture);
    /// Makes the items anew that carry the field.
    virtual Status set(const std::string& key, const std::vector<std::string>& values) = 0;
    /// A number together with its total. Unless overridden, both stand in one value of the number.
    virtual Status setPair(const std::string& numberKey, const std::string& number,
                           const std::string& totalKey, const std::string& total);

    /// Puts `fresh` where the first item stands that carries the field, and takes the others away; at the end
    /// where there is none.
    void replace(const std::string& key, std::vector<TagItem> fresh);
    /// Where new items go.
    virtual size_t appendAt() const { return items_.size(); }
    /// The first item that carries the field; nullptr if none does.
    const TagItem* carrierOf(const std::string& key) const;

    std::vector<TagItem> items_;
    std::vector<std::string> notes_;
};

/// Whether a picture is the one that is wanted.
bool isSamePicture(const PictureInfo& there, const PictureInfo& wanted);
/// A picture that is not there yet, with its bytes.
Result<Picture> takePicture(const PictureChanges& changes, const PictureInfo& wanted);

/// The name under which a field is written in formats that name things freely: that of the part which holds
/// it, if it is the field's own in another spelling, else the standard one.
std::string freeName(const std::string& key, const std::string& stored);

/// The property of a key: the standard name, or the custom one in capitals.
std::string propertyOf(const std::string& key);

} // namespace moorfrost::tags
