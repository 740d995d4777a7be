// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/whole_file.h"

#include "core/base/byte_source.h"

namespace moorfrost::files {

Result<std::string> wholeFile(const Path& file, uint64_t most) {
    const auto source = FileSource::open(file);
    if (!source)
        return source.error();
    if ((*source)->size() > most)
        return Error{ErrorKind::Unsupported, file, "It is too large to be one."};
    return (*source)->bytes(0, static_cast<size_t>((*source)->size()));
}

} // namespace moorfrost::files
