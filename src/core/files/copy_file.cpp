// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/copy_file.h"

#include <string>

#include "core/base/byte_source.h"
#include "core/files/growing_file.h"

namespace moorfrost::files {

namespace {
constexpr size_t portion = 1 << 20;
} // namespace

Result<uint64_t> copyFile(const Path& source, const Path& target, std::stop_token stop,
                          const std::function<void(std::string_view)>& read) {
    auto from = FileSource::open(source);
    if (!from)
        return from.error();
    auto to = GrowingFile::create(target, Naming::Any);
    if (!to)
        return to.error();
    std::string buffer(portion, '\0');
    for (uint64_t at = 0; at < (*from)->size();) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "It was stopped."};
        const size_t n = (*from)->read(at, buffer.data(), buffer.size());
        if (n == 0)
            return Error{ErrorKind::Io, source, "It could not be read to its end."};
        const std::string_view some = std::string_view(buffer).substr(0, n);
        to->add(some);
        if (read)
            read(some);
        at += n;
        if (!to->isWell())
            break;
    }
    if (const Status done = to->finish(); !done)
        return done.error();
    return (*from)->size();
}

} // namespace moorfrost::files
