// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/kept_pictures.h"

#include <fmt/format.h>
#include <xxhash.h>

#include "core/base/byte_source.h"

namespace moorfrost::tags {

std::string keptName(const PictureInfo& picture) {
    return fmt::format("{:016x}-{}", picture.hash, picture.bytes);
}

PictureBytes keptIn(const Path& folder) {
    return [folder](const PictureInfo& picture) -> Result<std::string> {
        const Error gone{ErrorKind::NotFound, {}, "The picture is not kept any more. Add it again."};
        if (folder.empty())
            return gone;
        auto source = FileSource::open(folder / keptName(picture));
        if (!source || (*source)->size() != picture.bytes)
            return gone;
        std::string bytes = (*source)->bytes(0, static_cast<size_t>(picture.bytes));
        if (bytes.size() != picture.bytes || XXH3_64bits(bytes.data(), bytes.size()) != picture.hash)
            return Error{ErrorKind::Damaged, {}, "The picture that was kept is damaged. Add it again."};
        return bytes;
    };
}

} // namespace moorfrost::tags
