// SPDX-License-Identifier: GPL-3.0-or-later
// The folder beside a library in which the pictures lie that drafts and the journal need: each once, whatever
// number of files it is for. Any thread; several programs may add at once.
#pragma once

#include <set>
#include <string>

#include "core/base/result.h"
#include "core/tags/tag_file.h"

namespace moorfrost::library {

class PictureStore {
public:
    /// Nothing is made before a picture is added.
    explicit PictureStore(Path folder) : folder_(std::move(folder)) {}
    /// "library.db" has "library.db.pictures".
    static Path folderOf(const Path& library);
    const Path& folder() const { return folder_; }

    /// Bytes that one picture may have.
    static constexpr uint64_t mostBytes = 32u << 20;

    /// Keeps a picture, which is told as it will be in a tag. An Error (a sentence) where the bytes are no
    /// picture, have more bytes or pixels than are taken, or cannot be kept. `type`: tags::pictureTypes.
    Result<tags::PictureInfo> add(std::string_view bytes, const std::string& type,
                                  const std::string& description = {}) const;
    /// The same from a file, which is read to its end at once: what becomes of it later makes no difference.
    Result<tags::PictureInfo> addFile(const Path& file, const std::string& type,
                                      const std::string& description = {}) const;
    Result<std::string> bytesOf(const tags::PictureInfo& picture) const;
    Path fileOf(const tags::PictureInfo& picture) const;

    /// Removes what nobody needs: `needed` are names (tags::keptName). How many bytes that made free. What
    /// was added less than `youngest` seconds ago stays: another program may be about to need it.
    uint64_t keepOnly(const std::set<std::string>& needed, int64_t youngest = 3600) const;

private:
    Path folder_;
};

} // namespace moorfrost::library
