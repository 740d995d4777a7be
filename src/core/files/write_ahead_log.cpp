// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/write_ahead_log.h"

#include <algorithm>
#include <cerrno>
#include <cstring>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>
#include <xxhash.h>

#include "core/files/io.h"

namespace moorfrost::files {

namespace {

constexpr std::string_view headMagic = "MFLOGHD1", groupMagic = "MFGROUP1";
constexpr uint32_t version = 1;
constexpr uint64_t slotSize = 512, groupStart = 4096, reserved = 8u << 20;
constexpr size_t slotBytes = 32, groupHeader = 56;

class Writer {
public:
    void number(uint64_t v, int bytes = 8) {
        for (int i = 0; i < bytes; ++i)
            out_ += static_cast<char>(v >> (8 * i));
    }
    void raw(std::string_view s) { out_ += s; }
    void string(std::string_view s) {
        number(s.size());
        out_ += s;
    }
    std::string take() { return std::move(out_); }
    const std::string& bytes() const { return out_; }

private:
    std::string out_;
};

/// Reads what Writer wrote; `good` turns false at the first thing that does not fit, and stays so.
class Reader {
public:
    explicit Reader(std::string_view in) : in_(in) {}
    uint64_t number(int bytes = 8) {
        std::string_view b = raw(static_cast<uint64_t>(bytes));
        uint64_t v = 0;
        for (size_t i = b.size(); i-- > 0;)
            v = v << 8 | static_cast<unsigned char>(b[i]);
        return v;
    }
    std::string_view raw(uint64_t n) {
        if (n > in_.size()) {
            good_ = false;
            in_ = {};
            return {};
        }
        std::string_view out = in_.substr(0, static_cast<size_t>(n));
        in_.remove_prefix(static_cast<size_t>(n));
        return out;
    }
    std::string_view string() { return raw(number()); }
    bool good() const { return good_; }
    bool atEnd() const { return in_.empty(); }

private:
    std::string_view in_;
    bool good_ = true;
};

uint64_t checksum(std::string_view bytes) {
    return XXH3_64bits(bytes.data(), bytes.size());
}

XXH128_hash_t groupHash(uint64_t number, std::string_view payload) {
    return XXH3_128bits_withSeed(payload.data(), payload.size(), number);
}

Error damaged() {
    return {ErrorKind::Damaged,
            {},
            "The log of what is being written holds something that is not a group of steps."};
}

} // namespace

std::string WriteAheadLog::encode(const std::vector<NumberedStep>& steps) {
    Writer w;
    w.number(steps.size());
    for (const NumberedStep& s : steps) {
        w.number(static_cast<uint64_t>(s.set));
        w.number(s.number);
        w.number(s.takingBack ? 1 : 0, 1);
        w.string(toText(s.record));
        w.string(s.record.undo.fresh); // with patches: what was there before, one after the other
        w.number(s.patches.size());
        for (const Patch& p : s.patches) {
            w.number(p.offset);
            w.number(p.before.size());
            w.string(p.after);
        }
    }
    return w.take();
}

Result<std::vector<NumberedStep>> WriteAheadLog::decode(std::string_view payload) {
    Reader r(payload);
    std::vector<NumberedStep> steps;
    for (uint64_t count = r.number(); r.good() && steps.size() < count;) {
        NumberedStep s;
        s.set = static_cast<int64_t>(r.number());
        s.number = static_cast<size_t>(r.number());
        s.takingBack = r.number(1) == 1;
        auto record = recordFromText(std::string(r.string()));
        std::string_view kept = r.string();
        if (!r.good() || !record)
            return damaged();
        s.record = std::move(*record);
        s.record.undo.fresh = kept;
        uint64_t end = 0;
        for (uint64_t left = r.number(); r.good() && left > 0; --left) {
            Patch p;
            p.offset = r.number();
            uint64_t before = r.number();
            p.after = r.string();
            if (!r.good() || before > kept.size() || p.offset < end ||
                p.offset > UINT64_MAX - std::max<uint64_t>(before, p.after.size()))
                return damaged();
            p.before = kept.substr(0, static_cast<size_t>(before));
            kept.remove_prefix(static_cast<size_t>(before));
            end = p.offset + std::max(p.before.size(), p.after.size());
            s.patches.push_back(std::move(p));
        }
        for (const Extent& e : s.record.undo.extents)
            if (e.offset > UINT64_MAX - e.length ||
                (e.fresh && e.offset + e.length > s.record.undo.fresh.size()))
                return damaged();
        steps.push_back(std::move(s));
    }
    if (!r.good() || !r.atEnd())
        return damaged();
    return steps;
}

Result<std::unique_ptr<WriteAheadLog>> WriteAheadLog::open(const Path& file) {
    int fd = ::open(file.c_str(), O_RDWR | O_CLOEXEC | O_NOFOLLOW);
    bool made = false;
    if (fd < 0 && errno == ENOENT) {
        if (int error = io::create(file, fd); error != 0)
            return systemError(error, file, "Making the log of what is being written");
        made = true;
    }
    if (fd < 0)
        return systemError(errno, file, "Opening the log of what is being written");
    std::unique_ptr<WriteAheadLog> log(new WriteAheadLog(fd, file));
    uint32_t newest = 0;
    bool found = false;
    for (uint64_t slot = 0; slot < 2; ++slot) {
        std::string b = readAt(fd, slot * slotSize, slotBytes);
        Reader r(b);
        bool magic = r.raw(headMagic.size()) == headMagic;
        auto v = static_cast<uint32_t>(r.number(4));
        r.number(4);
        uint64_t retired = r.number();
        if (!magic || b.size() < slotBytes || r.number() != checksum(std::string_view(b).substr(0, 24)))
            continue;
        newest = std::max(newest, v);
        log->retired_ = std::max(log->retired_, retired);
        found = true;
    }
    if (newest > version)
        return Error{ErrorKind::Unsupported, file,
                     "The log of what is being written comes from a newer Moorfrost. Use that one to open "
                     "this library."};
    std::string head = readAt(fd, groupStart, groupHeader);
    Reader r(head);
    if (r.raw(groupMagic.size()) == groupMagic && head.size() == groupHeader &&
        checksum(std::string_view(head).substr(0, 48)) == Reader(std::string_view(head).substr(48)).number())
        log->last_ = r.number(); // even where the payload is torn: numbers only grow
    log->last_ = std::max(log->last_, log->retired_);
    struct stat st {};
    if (made || !found || (::fstat(fd, &st) == 0 && static_cast<uint64_t>(st.st_size) < reserved)) {
        if (int error = io::allocate(fd, reserved); error != 0)
            return systemError(error, file, "Setting space aside for the log of what is being written");
        if (!found)
            if (Status s = log->retire(log->retired_, true); !s)
                return s.error();
        if (int error = io::flush(fd); error != 0)
            return systemError(error, file, "Writing the log of what is being written");
        if (int error = io::flushFolder(file.parent_path().empty() ? Path(".") : file.parent_path());
            error != 0)
            return systemError(error, file, "Writing the log of what is being written");
    }
    return log;
}

WriteAheadLog::~WriteAheadLog() {
    ::close(fd_);
}

Result<std::optional<WriteAheadLog::Group>> WriteAheadLog::pending() const {
    std::string head = readAt(fd_, groupStart, groupHeader);
    Reader r(head);
    if (head.size() < groupHeader || r.raw(groupMagic.size()) != groupMagic)
        return std::optional<Group>();
    Group group;
    group.number = r.number();
    uint64_t length = r.number();
    uint64_t low = r.number(), high = r.number();
    r.number();
    struct stat st {};
    if (r.number() != checksum(std::string_view(head).substr(0, 48)) || group.number <= retired_ ||
        ::fstat(fd_, &st) != 0 || static_cast<uint64_t>(st.st_size) < groupStart + groupHeader ||
        length > static_cast<uint64_t>(st.st_size) - groupStart - groupHeader)
        return std::optional<Group>();
    std::string payload = readAt(fd_, groupStart + groupHeader, static_cast<size_t>(length));
    XXH128_hash_t hash = groupHash(group.number, payload);
    if (payload.size() != length || hash.low64 != low || hash.high64 != high)
        return std::optional<Group>();
    auto steps = decode(payload);
    if (!steps) { // whole, and yet not understood: never to be passed over
        Error error = steps.error();
        error.path = path_;
        return error;
    }
    group.steps = std::move(*steps);
    return std::optional<Group>(std::move(group));
}

Result<uint64_t> WriteAheadLog::append(const std::vector<NumberedStep>& steps) {
    std::string payload = encode(steps);
    uint64_t number = last_ + 1;
    XXH128_hash_t hash = groupHash(number, payload);
    Writer w;
    w.raw(groupMagic);
    w.number(number);
    w.number(payload.size());
    w.number(hash.low64);
    w.number(hash.high64);
    w.number(0);
    w.number(checksum(w.bytes()));
    std::string all = w.take() + payload;
    int error = io::write(fd_, groupStart, all.data(), all.size());
    if (error == 0)
        error = io::flushData(fd_);
    if (error != 0)
        return systemError(error, path_, "Writing the log of what is being written");
    last_ = number;
    return number;
}

Status WriteAheadLog::retire(uint64_t number, bool flush) {
    Writer w;
    w.raw(headMagic);
    w.number(version, 4);
    w.number(0, 4);
    w.number(number);
    w.number(checksum(w.bytes()));
    std::string slot = w.take();
    int error = io::write(fd_, (number % 2) * slotSize, slot.data(), slot.size());
    if (error == 0 && flush)
        error = io::flushData(fd_);
    if (error != 0)
        return systemError(error, path_, "Writing the log of what is being written");
    retired_ = std::max(retired_, number);
    return Done{};
}

} // namespace moorfrost::files
