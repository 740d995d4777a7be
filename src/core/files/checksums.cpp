// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/checksums.h"

#include <memory>

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/sha.h>
}

#include "core/base/byte_source.h"
#include "core/text/text.h"

namespace moorfrost::files {

Result<std::string> sha256Of(const Path& path, std::stop_token stop,
                             const std::function<void(uint64_t)>& read) {
    auto source = FileSource::open(path);
    if (!source)
        return source.error();
    std::unique_ptr<AVSHA, void (*)(void*)> sha(av_sha_alloc(), &av_free);
    av_sha_init(sha.get(), 256);
    std::string buffer(1u << 18, '\0');
    for (uint64_t at = 0; at < (*source)->size();) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, path, "Stopped."};
        size_t n = (*source)->read(at, buffer.data(), buffer.size());
        if (n == 0)
            return Error{ErrorKind::Io, path, "The file could not be read to its end."};
        av_sha_update(sha.get(), reinterpret_cast<const uint8_t*>(buffer.data()), n);
        at += n;
        read(n);
    }
    std::string digest(32, '\0');
    av_sha_final(sha.get(), reinterpret_cast<uint8_t*>(digest.data()));
    return text::hex(digest);
}

std::string checksumsText(const std::vector<Checksum>& list) {
    std::string out;
    for (const Checksum& c : list) {
        std::string name;
        for (char b : c.path.native())
            name += b == '\\' ? "\\\\" : b == '\n' ? "\\n" : b == '\r' ? "\\r" : std::string(1, b);
        if (name != c.path.native())
            out += '\\';
        out += c.sum + "  " + name + "\n";
    }
    return out;
}

Result<std::vector<Checksum>> checksumsFrom(std::string_view text) {
    std::vector<Checksum> out;
    size_t number = 0;
    for (const std::string& whole : text::split(text, "\n")) {
        ++number;
        std::string line = whole.ends_with('\r') ? whole.substr(0, whole.size() - 1) : whole;
        if (line.empty())
            continue;
        bool escaped = line.front() == '\\';
        if (escaped)
            line.erase(0, 1);
        Checksum c;
        c.sum = text::lower(line.substr(0, 64));
        bool fine = c.sum.size() == 64 && c.sum.find_first_not_of("0123456789abcdef") == std::string::npos &&
                    line.size() > 66 && line[64] == ' ' && (line[65] == ' ' || line[65] == '*');
        if (!fine)
            return Error{ErrorKind::Invalid,
                         {},
                         "Line " + std::to_string(number) +
                             " of the list is not a SHA-256 sum, two spaces and a name."};
        std::string name;
        for (size_t i = 66; i < line.size(); ++i) {
            char next = escaped && line[i] == '\\' && i + 1 < line.size() ? line[++i] : '\0';
            name += next == 'n' ? '\n' : next == 'r' ? '\r' : next ? next : line[i];
        }
        c.path = name;
        out.push_back(std::move(c));
    }
    return out;
}

} // namespace moorfrost::files
