// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: the tags of a WMA file ("Advanced Systems Format Specification", revision 01.20.06): a
// content description with five texts, and lists of named attributes.
#pragma once

#include <optional>

#include "core/base/byte_source.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag.h"

namespace moorfrost::tags {

/// The attribute, or the text of the content description, that holds a field.
std::string asfNameOf(const std::string& key);

class AsfTag : public Tag {
public:
    /// nullopt where the header makes no sense.
    static std::optional<AsfTag> read(const ByteSource& source);

    std::string name() const override { return "WMA attributes"; }
    /// The first value of an attribute as text; "" if there is none.
    std::string textOf(std::string_view attribute) const;

    /// Puts the objects of the header anew that changed. Empty room in the header grows or shrinks so that
    /// the sound stays where it is, if it can.
    Status place(OverlayStream& stream) const;

protected:
    std::optional<Picture> pictureOf(const TagItem& item, bool withBytes) const override;
    Result<TagItem> pictureItem(const Picture& picture) override;
    size_t appendAt() const override;
    Status set(const std::string& key, const std::vector<std::string>& values) override;

private:
    /// Which object of the header an item stands in.
    enum class Place { Description, Extended, Metadata, Library };
    struct Attribute;

    static TagItem described(size_t slot, std::string_view bytes);
    static TagItem attributeItem(Place place, std::string bytes);
    static Place placeOf(const TagItem& item);
    static std::optional<Attribute> attributeOf(const TagItem& item);
    std::string object(Place place) const;

    bool hasDescription_ = false, hasExtended_ = false;
};

} // namespace moorfrost::tags
