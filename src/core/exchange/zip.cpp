// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/exchange/zip.h"

#include <memory>

#include <archive.h>
#include <archive_entry.h>

#include "core/base/byte_source.h"
#include "core/files/growing_file.h"

namespace moorfrost::exchange {

namespace {

constexpr size_t portion = 1 << 20;

struct Close {
    void operator()(struct archive* a) const { archive_write_free(a); }
    void operator()(struct archive_entry* e) const { archive_entry_free(e); }
};

bool climbs(const std::string& name) {
    const Path path(name);
    if (name.empty() || path.is_absolute() || name.find('\\') != std::string::npos ||
        name.find('\0') != std::string::npos)
        return true;
    for (const Path& part : path)
        if (part == ".." || part == ".")
            return true;
    return false;
}

la_ssize_t write(struct archive*, void* file, const void* bytes, size_t n) {
    static_cast<files::GrowingFile*>(file)->add({static_cast<const char*>(bytes), n});
    return static_cast<la_ssize_t>(n);
}

} // namespace

Result<uint64_t> writeZip(const Path& target, const std::vector<ZipEntry>& entries, std::stop_token stop) {
    for (const ZipEntry& entry : entries)
        if (climbs(entry.name))
            return Error{ErrorKind::Invalid, target, "A name in the archive would lead out of it."};
    auto file = files::GrowingFile::create(target);
    if (!file)
        return file.error();
    const std::unique_ptr<struct archive, Close> zip(archive_write_new());
    archive_write_set_format_zip(zip.get());
    archive_write_set_options(zip.get(), "zip:compression=store,zip:hdrcharset=UTF-8");
    archive_write_set_bytes_in_last_block(zip.get(), 1);
    if (archive_write_open(zip.get(), &*file, nullptr, write, nullptr) != ARCHIVE_OK)
        return Error{ErrorKind::Io, target, "The archive cannot be begun."};
    const Error failed{ErrorKind::Io, target, "The archive cannot be written."};
    std::string buffer(portion, '\0');
    for (const ZipEntry& entry : entries) {
        auto source = FileSource::open(entry.file);
        if (!source)
            return source.error();
        const std::unique_ptr<struct archive_entry, Close> head(archive_entry_new());
        archive_entry_set_pathname_utf8(head.get(), entry.name.c_str());
        archive_entry_set_size(head.get(), static_cast<la_int64_t>((*source)->size()));
        archive_entry_set_filetype(head.get(), AE_IFREG);
        archive_entry_set_perm(head.get(), 0644);
        if (archive_write_header(zip.get(), head.get()) != ARCHIVE_OK)
            return failed;
        for (uint64_t at = 0; at < (*source)->size();) {
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "It was stopped."};
            const size_t n = (*source)->read(at, buffer.data(), buffer.size());
            if (n == 0)
                return Error{ErrorKind::Io, entry.file, "It could not be read to its end."};
            if (archive_write_data(zip.get(), buffer.data(), n) < 0 || !file->isWell())
                break;
            at += n;
        }
    }
    if (archive_write_close(zip.get()) != ARCHIVE_OK && file->isWell())
        return failed;
    if (Status done = file->finish(); !done)
        return done.error();
    return file->size();
}

} // namespace moorfrost::exchange
