// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/tags/overlay_stream.h"

#include <algorithm>
#include <cstring>

namespace moorfrost::tags {

OverlayStream::OverlayStream(std::shared_ptr<FileSource> original, const Path& path)
    : original_(std::move(original)), name_(path.native()), size_(original_->size()) {
    if (size_ > 0)
        runs_.push_back({false, 0, size_});
}

size_t OverlayStream::locate(uint64_t offset, uint64_t& startOfRun) const {
    size_t i = cursorRun_;
    uint64_t start = cursorStart_;
    if (i > runs_.size() || start > offset) {
        i = 0;
        start = 0;
    }
    while (i < runs_.size() && start + runs_[i].length <= offset)
        start += runs_[i++].length;
    cursorRun_ = i;
    cursorStart_ = start;
    startOfRun = start;
    return i;
}

size_t OverlayStream::read(uint64_t offset, char* into, size_t n) const {
    if (offset >= size_)
        return 0;
    n = static_cast<size_t>(std::min<uint64_t>(n, size_ - offset));
    size_t got = 0;
    uint64_t start = 0;
    for (size_t i = locate(offset, start); i < runs_.size() && got < n; start += runs_[i].length, ++i) {
        uint64_t skip = offset + got - start;
        size_t part = static_cast<size_t>(std::min<uint64_t>(n - got, runs_[i].length - skip));
        uint64_t from = runs_[i].offset + skip;
        if (runs_[i].fresh) {
            std::memcpy(into + got, fresh_.data() + from, part);
        } else {
            size_t r = original_->read(from, into + got, part);
            if (r < part)
                return got + r;
        }
        got += part;
    }
    return got;
}

TagLib::ByteVector OverlayStream::readBlock(unsigned long length) {
    const bool inside = position_ >= 0 && static_cast<uint64_t>(position_) < size_;
    size_t n = inside
                   ? static_cast<size_t>(std::min<uint64_t>(length, size_ - static_cast<uint64_t>(position_)))
                   : 0;
    // Asking costs something, too: a parser may be led to ask for nothing millions of times.
    asked_ += std::max<uint64_t>(n, 1024);
    if (!inside || isExhausted())
        return {};
    if (runs_.size() == 1 && !runs_.front().fresh) { // all of it as on the disk
        std::string_view there =
            original_->window(runs_.front().offset + static_cast<uint64_t>(position_), n);
        if (there.size() == n) {
            position_ += static_cast<long>(n);
            return {there.data(), static_cast<unsigned int>(n)};
        }
    }
    TagLib::ByteVector out(static_cast<unsigned int>(n), 0);
    size_t got = read(static_cast<uint64_t>(position_), out.data(), n);
    out.resize(static_cast<unsigned int>(got));
    position_ += static_cast<long>(got);
    return out;
}

size_t OverlayStream::splitAt(uint64_t offset) {
    uint64_t start = 0;
    size_t i = locate(offset, start);
    if (i == runs_.size() || start == offset)
        return i;
    uint64_t head = offset - start;
    Extent tail = runs_[i];
    tail.offset += head;
    tail.length -= head;
    runs_[i].length = head;
    runs_.insert(runs_.begin() + static_cast<std::ptrdiff_t>(i) + 1, tail);
    return i + 1;
}

void OverlayStream::replaceRange(uint64_t start, uint64_t length, std::string_view data) {
    if (start > size_) { // TagLib may write past the end; the gap reads as zeros
        std::string gap(static_cast<size_t>(start - size_), '\0');
        replaceRange(size_, 0, gap);
    }
    length = std::min(length, size_ - start);
    size_t first = splitAt(start);
    size_t last = splitAt(start + length);
    auto at = runs_.erase(runs_.begin() + static_cast<std::ptrdiff_t>(first),
                          runs_.begin() + static_cast<std::ptrdiff_t>(last));
    if (!data.empty()) {
        runs_.insert(at, {true, fresh_.size(), data.size()});
        fresh_.append(data);
    }
    size_ = size_ - length + data.size();
    if (cursorStart_ > start || cursorRun_ > first) {
        cursorRun_ = 0;
        cursorStart_ = 0;
    }
    if (cursorRun_ == 0 && first > 0) {
        cursorStart_ = start; // continue near the change instead of from the beginning
        cursorRun_ = first;
    }
}

void OverlayStream::writeBlock(const TagLib::ByteVector& data) {
    if (data.isEmpty())
        return;
    replaceRange(static_cast<uint64_t>(position_), data.size(), {data.data(), data.size()});
    position_ += static_cast<long>(data.size());
}

void OverlayStream::insert(const TagLib::ByteVector& data, unsigned long start, unsigned long replace) {
    replaceRange(start, replace, {data.data(), data.size()});
    position_ = static_cast<long>(start + data.size());
}

void OverlayStream::removeBlock(unsigned long start, unsigned long length) {
    if (start < size_)
        replaceRange(start, length, {});
}

void OverlayStream::seek(long offset, Position p) {
    long base = p == Beginning ? 0 : p == Current ? position_ : static_cast<long>(size_);
    position_ = std::max(0L, base + offset);
}

void OverlayStream::truncate(long length) {
    auto keep = static_cast<uint64_t>(std::max(0L, length));
    if (keep < size_)
        replaceRange(keep, size_ - keep, {});
}

Recipe OverlayStream::recipe() const {
    Recipe out;
    for (Extent run : runs_) {
        if (run.length == 0)
            continue;
        if (run.fresh) {
            uint64_t at = out.fresh.size();
            out.fresh.append(fresh_, static_cast<size_t>(run.offset), static_cast<size_t>(run.length));
            run.offset = at;
        }
        if (!out.extents.empty() && out.extents.back().fresh == run.fresh &&
            out.extents.back().offset + out.extents.back().length == run.offset)
            out.extents.back().length += run.length;
        else
            out.extents.push_back(run);
    }
    return out;
}

} // namespace moorfrost::tags
