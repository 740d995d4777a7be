// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/sheet_pictures.h"

#include <algorithm>

#include "core/library/picture_store.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::deliver {

namespace {
constexpr int side = 480; // pixels: 76 points at 450 dots per inch
} // namespace

std::map<size_t, PictureFrom> picturesOf(library::Store& store, const SheetSubject& subject,
                                         const SheetDocument& document) {
    std::map<size_t, PictureFrom> out;
    const library::PictureStore kept(library::PictureStore::folderOf(store.file()));
    auto add = [&](size_t item, const tags::PictureInfo& picture, library::FileId holder) {
        if (holder == 0)
            out[item] = {kept.fileOf(picture), 0};
        else if (const auto file = store.files().find(holder))
            out[item] = {file->path, picture.hash};
    };
    const size_t heads = subject.isRelease ? 1 : 0;
    for (size_t i = 0; i < document.items.size(); ++i) {
        if (!document.items[i].hasPicture)
            continue;
        if (i < heads)
            add(i, subject.picture, subject.pictureIn);
        else if (i - heads < subject.songs.size())
            add(i, subject.songs[i - heads].picture, subject.songs[i - heads].pictureIn);
    }
    return out;
}

SheetPictures readPictures(const std::map<size_t, PictureFrom>& from) {
    SheetPictures out;
    std::vector<std::pair<PictureFrom, size_t>> read; // the songs of a release mostly have the same
    auto& pool = sandbox::ParserPool::shared();
    for (const auto& [item, where] : from) {
        const auto same = std::ranges::find(read, where, &std::pair<PictureFrom, size_t>::first);
        if (same != read.end()) {
            if (const auto at = out.find(same->second); at != out.end())
                out.emplace(item, SheetPicture(at->second));
            continue;
        }
        read.emplace_back(where, item);
        auto square = pool.pictureOf(where.file, where.hash, side);
        auto fitted = pool.fitPicture(where.file, where.hash, {side, 200'000, 88});
        if (square && fitted)
            out[item] = {std::move(fitted->jpeg), std::move(*square)};
    }
    return out;
}

} // namespace moorfrost::deliver
