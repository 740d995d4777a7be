// SPDX-License-Identifier: GPL-3.0-or-later
// Whatever bytes the group log holds: reading it must end, in groups or in an error, and what is read must be
// written and read again the same. Once as a payload, past the checksums; once as a whole file.
#include <cstdint>
#include <cstdlib>
#include <cstring>

#include <fcntl.h>
#include <sys/mman.h>
#include <unistd.h>

#include "core/files/patching.h"
#include "core/files/write_ahead_log.h"

using namespace moorfrost;

namespace {

void asPayload(std::string_view bytes) {
    auto steps = files::WriteAheadLog::decode(bytes);
    if (!steps)
        return;
    std::string again = files::WriteAheadLog::encode(*steps);
    auto twice = files::WriteAheadLog::decode(again);
    if (!twice || files::WriteAheadLog::encode(*twice) != again)
        std::abort();
    // What recovery does first with a step: looking whether the patches are in the file.
    static int file = ::memfd_create("file", 0);
    for (const files::NumberedStep& s : *steps)
        files::patchState(file, s.patches, s.record.stateBefore.size);
}

void asFile(std::string_view bytes) {
    static const Path path = [] {
        char name[] = "/dev/shm/moorfrost-fuzz-XXXXXX";
        ::close(::mkstemp(name));
        return Path(name);
    }();
    int fd = ::open(path.c_str(), O_RDWR | O_TRUNC);
    if (::write(fd, bytes.data(), bytes.size()) < 0)
        std::abort();
    ::close(fd);
    if (auto log = files::WriteAheadLog::open(path))
        (void)(*log)->pending();
}

} // namespace

extern "C" int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size);
int LLVMFuzzerTestOneInput(const uint8_t* data, size_t size) {
    if (size == 0)
        return 0;
    std::string_view bytes(reinterpret_cast<const char*>(data) + 1, size - 1);
    if (data[0] % 16 == 0)
        asFile(bytes);
    else
        asPayload(bytes);
    return 0;
}
