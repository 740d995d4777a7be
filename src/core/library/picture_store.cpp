// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/picture_store.h"

#include <chrono>
#include <system_error>

#include <fmt/format.h>

#include "core/base/byte_source.h"
#include "core/files/disk.h"
#include "core/pictures/raster.h"
#include "core/tags/kept_pictures.h"
#include "core/tags/picture.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

Error invalid(const std::string& sentence) {
    return {ErrorKind::Invalid, {}, sentence};
}

std::string megabytes(uint64_t bytes) {
    return fmt::format("{} MB", (bytes + 999999) / 1000000);
}

} // namespace

Path PictureStore::folderOf(const Path& library) {
    Path out = library;
    out += ".pictures";
    return out;
}

Path PictureStore::fileOf(const tags::PictureInfo& picture) const {
    return folder_ / tags::keptName(picture);
}

Result<std::string> PictureStore::bytesOf(const tags::PictureInfo& picture) const {
    return tags::keptIn(folder_)(picture);
}

Result<tags::PictureInfo> PictureStore::add(std::string_view bytes, const std::string& type,
                                            const std::string& description) const {
    if (bytes.empty())
        return invalid("There is nothing in it: it has no bytes at all.");
    if (bytes.size() > mostBytes)
        return invalid(
            fmt::format("The picture has {}; at most {} are put into a tag. Make it smaller first.",
                        megabytes(bytes.size()), megabytes(mostBytes)));
    if (tags::pictureMime(bytes).empty())
        return invalid("This is no picture that tags can hold: JPEG, PNG, GIF, BMP or WebP.");
    const tags::PictureInfo info = tags::makePicture(type, bytes, {}, description, false).info;
    if (info.width <= 0 || info.height <= 0)
        return invalid("The picture is damaged: its header does not tell how large it is.");
    if (!tags::isWholePicture(bytes))
        return invalid("The picture is cut short: it ends too early.");
    if (int64_t{info.width} * info.height > pictures::mostPixels)
        return invalid(fmt::format("The picture has {} x {} pixels; at most 100 million are taken.",
                                   info.width, info.height));
    const Path file = fileOf(info);
    if (auto there = FileSource::open(file); there && (*there)->size() == bytes.size()) {
        if ((*there)->bytes(0, bytes.size()) == bytes) {
            std::error_code ignored; // it is needed again from now on
            std::filesystem::last_write_time(file, std::filesystem::file_time_type::clock::now(), ignored);
            return info;
        }
        if (bytesOf(info)) // two pictures with one checksum do not come by themselves
            return invalid("Another picture with the same checksum is kept already.");
    }
    if (Status made = files::makeFolders(folder_); !made)
        return made.error();
    if (Status written = files::writeWhole(file, std::string(bytes)); !written)
        return written.error();
    return info;
}

Result<tags::PictureInfo> PictureStore::addFile(const Path& file, const std::string& type,
                                                const std::string& description) const {
    auto source = FileSource::open(file);
    if (!source)
        return source.error();
    if ((*source)->size() > mostBytes)
        return invalid(fmt::format("\"{}\" has {}; at most {} are put into a tag. Make it smaller first.",
                                   text::forDisplay(file.filename().native()), megabytes((*source)->size()),
                                   megabytes(mostBytes)));
    auto added = add((*source)->bytes(0, static_cast<size_t>((*source)->size())), type, description);
    if (!added)
        return Error{added.error().kind, file,
                     "\"" + text::forDisplay(file.filename().native()) + "\": " + added.error().message};
    return added;
}

uint64_t PictureStore::keepOnly(const std::set<std::string>& needed, int64_t youngest) const {
    uint64_t freed = 0;
    std::error_code error;
    const auto now = std::filesystem::file_time_type::clock::now();
    std::vector<Path> gone;
    for (std::filesystem::directory_iterator i(folder_, error), end; !error && i != end; i.increment(error)) {
        const auto age = now - i->last_write_time(error);
        if (!error && i->is_regular_file(error) && !needed.contains(i->path().filename().native()) &&
            age >= std::chrono::seconds(youngest))
            gone.push_back(i->path());
    }
    for (const Path& file : gone) {
        const auto size = std::filesystem::file_size(file, error);
        if (!error && files::removeFile(file))
            freed += size;
    }
    return freed;
}

} // namespace moorfrost::library
