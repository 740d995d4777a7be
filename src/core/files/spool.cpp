// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/spool.h"

#include <cerrno>
#include <cstring>

#include <fcntl.h>
#include <sys/mman.h>
#include <unistd.h>

#include "core/files/io.h"

namespace moorfrost::files {

Spool::Spool(const Path& beside) {
    Path folder = beside.parent_path();
    fd_ = ::open(folder.empty() ? "." : folder.c_str(), O_TMPFILE | O_RDWR | O_CLOEXEC, 0600);
}

Spool::~Spool() {
    if (fd_ >= 0)
        ::close(fd_);
}

Spool::Piece Spool::keep(std::string_view bytes) {
    if (bytes.empty())
        return {};
    if (fd_ >= 0) {
        // Pieces are of numbers, which are to lie at full ones.
        const uint64_t at = end_.fetch_add((bytes.size() + 7) & ~size_t{7});
        if (io::write(fd_, at, bytes.data(), bytes.size()) == 0)
            return {nullptr, at, bytes.size()};
    }
    auto own = std::make_unique_for_overwrite<char[]>(bytes.size());
    std::memcpy(own.get(), bytes.data(), bytes.size());
    std::lock_guard lock(mutex_);
    memory_.push_back(std::move(own));
    return {memory_.back().get(), 0, bytes.size()};
}

Spool::View::View(const Spool& spool) {
    if (spool.fd_ < 0 || spool.end_ == 0)
        return;
    size_ = spool.end_;
    void* all = ::mmap(nullptr, size_, PROT_READ, MAP_SHARED, spool.fd_, 0);
    if (all == MAP_FAILED)
        throw std::bad_alloc();
    mapped_ = static_cast<char*>(all);
}

Spool::View::~View() {
    if (mapped_)
        ::munmap(mapped_, size_);
}

std::string_view Spool::View::operator[](const Piece& piece) const {
    return {piece.memory ? piece.memory : mapped_ + piece.at, piece.size};
}

void Spool::View::letGo() const {
    if (mapped_)
        ::madvise(mapped_, size_, MADV_DONTNEED);
}

std::string Spool::read(const Piece& piece) const {
    if (piece.memory)
        return {piece.memory, piece.size};
    std::string out(piece.size, '\0');
    size_t done = 0;
    while (done < out.size()) {
        const ssize_t n =
            ::pread(fd_, out.data() + done, out.size() - done, static_cast<off_t>(piece.at + done));
        if (n == 0 || (n < 0 && errno != EINTR))
            break;
        done += n > 0 ? static_cast<size_t>(n) : 0;
    }
    out.resize(done);
    return out;
}

} // namespace moorfrost::files
