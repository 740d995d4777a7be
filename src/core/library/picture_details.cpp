// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/picture_details.h"

#include <algorithm>
#include <mutex>
#include <optional>
#include <unordered_map>
#include <utility>

#include "core/library/file_portions.h"
#include "core/pictures/detail.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::library {

namespace {

bool isOf(const std::vector<std::string>& kept, const tags::PictureInfo& front) {
    return kept.size() == 2 && kept[1] == std::to_string(front.hash);
}

/// nullopt: stopped, or not there for the moment.
std::optional<int> detailIn(const FileRecord& file, const tags::PictureInfo& front) {
    const int shorter = std::min(front.width, front.height);
    const auto square =
        sandbox::ParserPool::shared().pictureOf(file.path, front.hash, pictures::sideToLookAt(shorter));
    if (square)
        return pictures::detailOf(*square, shorter);
    const bool never =
        square.error().kind == ErrorKind::Unsupported || square.error().kind == ErrorKind::Damaged;
    return never ? std::optional(0) : std::nullopt;
}

} // namespace

const tags::PictureInfo* frontCoverOf(const FileRecord& file) {
    const auto at = std::ranges::find(file.tags.pictures, "front cover", &tags::PictureInfo::type);
    return at == file.tags.pictures.end() ? nullptr : &*at;
}

std::map<FileId, int> pictureDetailsOf(Store& store, const std::vector<FileRecord>& files) {
    std::vector<FileId> ids;
    for (const FileRecord& file : files)
        if (frontCoverOf(file))
            ids.push_back(file.id);
    const KeptValues kept = store.workedOut().find(pictureDetailField, ids);
    std::map<FileId, int> out;
    for (const FileRecord& file : files)
        if (const tags::PictureInfo* front = frontCoverOf(file))
            if (const auto at = kept.find(file.id); at != kept.end() && isOf(at->second, *front))
                out[file.id] = std::atoi(at->second.front().c_str());
    return out;
}

Result<size_t> lookAtPictures(Store& store, const std::vector<FileId>& files, unsigned threads,
                              std::stop_token stop, work::Progress& progress,
                              const std::function<void(KeptValues&&)>& keep) {
    KeptValues some;
    std::unordered_map<uint64_t, int> known; // by the hash of the picture
    std::mutex mutex;                        // of both
    FilePortions portions;
    portions.unknown = [&](const std::vector<FileId>& ids) {
        const KeptValues kept = store.workedOut().find(pictureDetailField, ids);
        std::vector<FileRecord> out;
        for (FileRecord& file : store.files().findAll(ids)) {
            const tags::PictureInfo* front =
                file.readable() && file.absent == 0 ? frontCoverOf(file) : nullptr;
            if (!front || front->hash == 0 || front->width <= 0)
                continue;
            const auto at = kept.find(file.id);
            if (at == kept.end() || !isOf(at->second, *front))
                out.push_back(std::move(file));
        }
        return out;
    };
    portions.work = [&](const FileRecord& file) {
        const tags::PictureInfo& front = *frontCoverOf(file);
        std::optional<int> detail;
        {
            std::lock_guard lock(mutex);
            if (const auto at = known.find(front.hash); at != known.end())
                detail = at->second;
        }
        if (!detail)
            detail = detailIn(file, front);
        if (!detail)
            return;
        std::lock_guard lock(mutex);
        known[front.hash] = *detail;
        some[file.id] = {std::to_string(*detail), std::to_string(front.hash)};
    };
    portions.end = [&] {
        const size_t looked = some.size();
        if (!some.empty())
            keep(std::exchange(some, {}));
        return looked;
    };
    return workInPortions(files, portions, threads, stop, progress);
}

} // namespace moorfrost::library
