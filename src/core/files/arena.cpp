// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/arena.h"

#include <algorithm>
#include <array>

#include <fcntl.h>
#include <sys/mman.h>
#include <sys/stat.h>
#include <unistd.h>

#include "core/base/bytes_hash.h"
#include "core/files/disk.h"
#include "core/files/io.h"

namespace moorfrost::files {

namespace {

constexpr std::string_view magic = "Moorfrost columns 1\n";
constexpr size_t headSize = 256; // magic, revision, checksum; the arena behind it

size_t aligned(size_t n) {
    return (n + 63) & ~size_t{63};
}

std::string headOf(const BytesHash& arena, const std::string& revision) {
    std::string head = std::string(magic) + revision + '\n' + arena.text() + '\n';
    head.resize(std::max(head.size(), headSize), '\0');
    return head;
}

} // namespace

Arena::~Arena() {
    if (mapped_)
        ::munmap(mapped_, mappedSize_);
}

void Arena::letGo() const {
    if (mapped_)
        ::madvise(mapped_, mappedSize_, MADV_DONTNEED);
}

std::string_view Arena::find(uint32_t kind, uint32_t field) const {
    auto it =
        std::lower_bound(entries_.begin(), entries_.end(), std::pair(kind, field),
                         [](const Entry& e, const auto& key) { return std::pair(e.kind, e.field) < key; });
    if (it == entries_.end() || it->kind != kind || it->field != field)
        return {};
    return {data_ + it->offset, it->length};
}

bool Arena::takeEntries() {
    uint64_t count = 0;
    if (size_ < 64)
        return false;
    std::memcpy(&count, data_, 8);
    if (count > (size_ - 64) / sizeof(Entry))
        return false;
    entries_ = {reinterpret_cast<const Entry*>(data_ + 64), static_cast<size_t>(count)};
    return std::all_of(entries_.begin(), entries_.end(), [&](const Entry& e) {
        return e.offset <= size_ && e.length <= size_ - e.offset && e.offset % 64 == 0;
    });
}

void ArenaWriter::add(uint32_t kind, uint32_t field, std::vector<std::string_view> pieces,
                      std::shared_ptr<const void> owner, std::function<void()> letGo) {
    size_t size = 0;
    std::erase_if(pieces, [](std::string_view p) { return p.empty(); });
    for (std::string_view p : pieces)
        size += p.size();
    parts_.push_back({kind, field, std::move(owner), std::move(pieces), size, std::move(letGo)});
}

std::string ArenaWriter::entries() {
    std::sort(parts_.begin(), parts_.end(), [](const Part& a, const Part& b) {
        return std::pair(a.kind, a.field) < std::pair(b.kind, b.field);
    });
    std::string out(aligned(64 + parts_.size() * sizeof(Arena::Entry)), '\0');
    uint64_t count = parts_.size(), at = out.size();
    std::memcpy(out.data(), &count, 8);
    for (size_t i = 0; i < parts_.size(); ++i) {
        const Arena::Entry entry{parts_[i].kind, parts_[i].field, at, parts_[i].size};
        std::memcpy(out.data() + 64 + i * sizeof entry, &entry, sizeof entry);
        at = aligned(at + parts_[i].size);
    }
    return out;
}

std::shared_ptr<const Arena> ArenaWriter::finish() {
    const std::string head = entries();
    size_t size = head.size();
    for (const Part& p : parts_)
        size += aligned(p.size);
    std::shared_ptr<Arena> out(new Arena);
    out->owned_ = std::make_unique_for_overwrite<char[]>(size + 64);
    void* begin = out->owned_.get();
    size_t room = size + 64;
    std::align(64, size, begin, room);
    char* data = static_cast<char*>(begin);
    std::memcpy(data, head.data(), head.size());
    size_t at = head.size();
    for (Part& p : parts_) {
        size_t to = at;
        for (std::string_view piece : p.pieces) {
            std::memcpy(data + to, piece.data(), piece.size());
            to += piece.size();
        }
        at += aligned(p.size);
        std::memset(data + to, 0, at - to);
        p.owner.reset();
    }
    parts_.clear();
    out->data_ = data;
    out->size_ = size;
    out->takeEntries();
    return out;
}

Status ArenaWriter::save(const Path& file, const std::string& revision) {
    static constexpr char zeros[64] = {};
    const std::string entries = this->entries();
    auto made = NewFile::create(file, isThere(file));
    if (!made)
        return made.error();
    BytesHash hash;
    uint64_t at = headSize;
    int error = 0;
    auto put = [&](std::string_view bytes) {
        if (error != 0)
            return;
        hash.add(bytes);
        error = io::write(made->descriptor(), at, bytes.data(), bytes.size());
        at += bytes.size();
    };
    put(entries);
    for (const Part& p : parts_) {
        for (std::string_view piece : p.pieces)
            put(piece);
        put({zeros, aligned(p.size) - p.size});
        if (p.letGo)
            p.letGo();
    }
    const std::string head = headOf(hash, revision);
    if (head.size() > headSize)
        return Error{ErrorKind::Invalid, file, "The revision is too long."};
    if (error == 0)
        error = io::write(made->descriptor(), 0, head.data(), head.size());
    return putInPlace(*made, file, error);
}

std::shared_ptr<const Arena> Arena::map(const Path& file, const std::string& revision) {
    int fd = ::open(file.c_str(), O_RDONLY | O_CLOEXEC);
    if (fd < 0)
        return nullptr;
    struct stat st {};
    void* mapped = MAP_FAILED;
    if (::fstat(fd, &st) == 0 && st.st_size > static_cast<off_t>(headSize))
        mapped = ::mmap(nullptr, static_cast<size_t>(st.st_size), PROT_READ, MAP_PRIVATE, fd, 0);
    ::close(fd);
    if (mapped == MAP_FAILED)
        return nullptr;
    std::shared_ptr<Arena> out(new Arena);
    out->mapped_ = mapped;
    out->mappedSize_ = static_cast<size_t>(st.st_size);
    out->data_ = static_cast<const char*>(mapped) + headSize;
    out->size_ = out->mappedSize_ - headSize;
    // Looked through in pieces, so that not all of it is in memory at once before it is needed.
    BytesHash hash;
    constexpr size_t piece = 1u << 24;
    for (size_t from = 0; from < out->mappedSize_; from += piece) {
        char* bytes = static_cast<char*>(mapped) + from;
        const size_t size = std::min(piece, out->mappedSize_ - from), skipped = from == 0 ? headSize : 0;
        hash.add({bytes + skipped, size - skipped});
        if (from > 0)
            ::madvise(bytes, size, MADV_DONTNEED);
    }
    std::string head = headOf(hash, revision);
    if (std::memcmp(mapped, head.data(), headSize) != 0 || !out->takeEntries())
        return nullptr;
    return out;
}

} // namespace moorfrost::files
