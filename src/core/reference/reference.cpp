// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/reference.h"

namespace moorfrost::reference {

std::string numberOf(const std::string& reference, const std::string& id) {
    return reference == libraryKey && id.find(':') != std::string::npos ? id : reference + ":" + id;
}

std::string recordingOfFile(int64_t file) {
    return "file:" + std::to_string(file);
}

} // namespace moorfrost::reference
