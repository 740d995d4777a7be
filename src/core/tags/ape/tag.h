// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: APE tags, version 1 and 2 (behind the sound of Monkey's Audio, Musepack, WavPack, some
// MP3).
#pragma once

#include <optional>

#include "core/base/byte_source.h"
#include "core/tags/tag.h"

namespace moorfrost::tags {

class ApeTag : public Tag {
public:
    static constexpr size_t footerLength = 32;

    ApeTag() = default;
    /// From its footer, the 32 bytes at its end, and the items in front of it. nullopt where they make no
    /// sense.
    static std::optional<ApeTag> parse(std::string_view items, std::string_view footer);

    std::string name() const override { return "APE"; }
    /// With header, where it had one, and footer.
    std::string render() const;

protected:
    std::optional<Picture> pictureOf(const TagItem& item, bool withBytes) const override;
    Result<TagItem> pictureItem(const Picture& picture) override;
    Status set(const std::string& key, const std::vector<std::string>& values) override;

private:
    uint32_t version_ = 2000;
    uint32_t flags_ = 0x80000000u; // of the footer; the highest bit: there is a header, too
    std::string tail_;             // behind the last item that could be read
    uint32_t beyond_ = 0;          // items that are said to be there, too
};

/// Where an APE tag that ends at `end` lies.
struct ApePlace {
    uint64_t begin = 0;             // with its header
    uint64_t items = 0, footer = 0; // where they begin
};
std::optional<ApePlace> apeAt(const ByteSource& source, uint64_t end);

} // namespace moorfrost::tags
