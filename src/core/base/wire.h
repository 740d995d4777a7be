// SPDX-License-Identifier: GPL-3.0-or-later
// Values as bytes, for one process to tell another. Whole numbers in seven bits a byte, the low ones first;
// texts with their length in front. Reading is safe with any bytes: what is wrong or missing reads as zero or
// nothing, and ok() is false from then on.
#pragma once

#include <bit>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost {

class WireWriter {
public:
    WireWriter& number(uint64_t v) {
        for (; v > 0x7F; v >>= 7)
            bytes_ += static_cast<char>(v | 0x80);
        bytes_ += static_cast<char>(v);
        return *this;
    }
    WireWriter& real(double v) { return number(std::bit_cast<uint64_t>(v)); }
    WireWriter& text(std::string_view v) {
        number(v.size());
        bytes_.append(v);
        return *this;
    }
    WireWriter& texts(const std::vector<std::string>& list) {
        number(list.size());
        for (const std::string& v : list)
            text(v);
        return *this;
    }
    const std::string& bytes() const { return bytes_; }

private:
    std::string bytes_;
};

class WireReader {
public:
    explicit WireReader(std::string_view bytes) : rest_(bytes) {}

    uint64_t number() {
        uint64_t v = 0;
        for (unsigned shift = 0; shift < 64 && !rest_.empty(); shift += 7) {
            auto byte = static_cast<uint8_t>(rest_.front());
            rest_.remove_prefix(1);
            v |= uint64_t{byte & 0x7Fu} << shift;
            if (!(byte & 0x80))
                return v;
        }
        return fail();
    }
    int whole() { return static_cast<int>(static_cast<int64_t>(number())); }
    double real() { return std::bit_cast<double>(number()); }
    std::string text() { return std::string(view()); }
    /// The same, within the bytes that are read from.
    std::string_view view() {
        std::string_view v = rest_.substr(0, count());
        rest_.remove_prefix(v.size());
        return v;
    }
    std::vector<std::string> texts() {
        std::vector<std::string> list(count());
        for (std::string& v : list)
            v = text();
        return list;
    }
    /// The length of a list to come. Each item takes a byte at least, so no more memory is asked for than was
    /// sent.
    size_t count() {
        uint64_t n = number();
        return n <= rest_.size() ? static_cast<size_t>(n) : static_cast<size_t>(fail());
    }
    bool ok() const { return ok_; }

private:
    uint64_t fail() {
        ok_ = false;
        rest_ = {};
        return 0;
    }

    std::string_view rest_;
    bool ok_ = true;
};

} // namespace moorfrost
