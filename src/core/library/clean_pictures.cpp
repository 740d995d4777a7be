// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/clean_pictures.h"

#include "core/base/log.h"
#include "core/library/releases/release_pictures.h"

namespace moorfrost::library {

Result<uint64_t> cleanPictures(const Path& library) {
    constexpr int64_t day = 24 * 3600;
    const PictureStore pictures(PictureStore::folderOf(library));
    std::error_code error;
    if (!std::filesystem::is_directory(pictures.folder(), error))
        return uint64_t{0};
    if (!std::filesystem::exists(library, error)) // opening it would make an empty one, which needs nothing
        return Error{ErrorKind::NotFound, library, "The library is not there."};
    auto store = Store::open(library);
    if (!store)
        return store.error();
    std::set<std::string> needed = (*store)->drafts().pictureNames();
    needed.merge((*store)->journal().pictureNames());
    needed.merge(releasePictureNames(**store));
    const uint64_t freed = pictures.keepOnly(needed, day);
    if (freed > 0)
        log::info(log::About::Library, "{} bytes of pictures that nobody needs were removed", freed);
    return freed;
}

} // namespace moorfrost::library
