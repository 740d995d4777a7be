// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/arena.h"

#include <algorithm>
#include <array>

#include <fcntl.h>
#include <sys/mman.h>
#include <sys/stat.h>
#include <unistd.h>

#include "core/audio/essence.h"
#include "core/files/disk.h"

namespace moorfrost::library {

namespace {

constexpr std::string_view magic = "Moorfrost columns 1\n";
constexpr size_t headSize = 256; // magic, stamp, checksum; the arena behind it

size_t aligned(size_t n) {
    return (n + 63) & ~size_t{63};
}

std::string headOf(std::span<const std::string_view> arena, const std::string& stamp) {
    std::string head = std::string(magic) + stamp + '\n' + audio::bytesHash(arena) + '\n';
    head.resize(std::max(head.size(), headSize), '\0');
    return head;
}

} // namespace

Arena::~Arena() {
    if (mapped_)
        ::munmap(mapped_, mappedSize_);
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
        std::memcpy(data + at, p.data, p.size);
        std::memset(data + at + p.size, 0, aligned(p.size) - p.size);
        at += aligned(p.size);
        p.owner.reset();
    }
    parts_.clear();
    out->data_ = data;
    out->size_ = size;
    out->takeEntries();
    return out;
}

Status ArenaWriter::save(const Path& file, const std::string& stamp) {
    static constexpr char zeros[64] = {};
    const std::string entries = this->entries();
    std::vector<std::string_view> pieces{{}, entries};
    for (const Part& p : parts_) {
        pieces.emplace_back(p.data, p.size);
        pieces.emplace_back(zeros, aligned(p.size) - p.size);
    }
    const std::string head = headOf(pieces, stamp);
    if (head.size() > headSize)
        return Error{ErrorKind::Invalid, file, "The stamp is too long."};
    pieces.front() = head;
    return files::writeWhole(file, pieces);
}

std::shared_ptr<const Arena> Arena::map(const Path& file, const std::string& stamp) {
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
    const std::string_view all[] = {{out->data_, out->size_}};
    std::string head = headOf(all, stamp);
    if (std::memcmp(mapped, head.data(), headSize) != 0 || !out->takeEntries())
        return nullptr;
    return out;
}

} // namespace moorfrost::library
