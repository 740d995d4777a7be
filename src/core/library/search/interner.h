// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers for texts: the same text always gets the same number, from 0 on in the order of arrival. Little
// memory a text; the texts lie one behind the other.
#pragma once

#include <bit>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include <xxhash.h>

namespace moorfrost::library {

class Interner {
public:
    Interner() { starts_.push_back(0); }

    uint32_t add(std::string_view text) {
        if ((size() + 1) * 4 > slots_.size() * 3)
            grow();
        const uint64_t hash = XXH3_64bits(text.data(), text.size()) & ~uint64_t{UINT32_MAX};
        uint64_t& slot = slots_[placeOf(hash, text)];
        if (slot == 0) {
            bytes_.append(text);
            starts_.push_back(static_cast<uint32_t>(bytes_.size()));
            slot = hash | size();
        }
        return static_cast<uint32_t>(slot) - 1;
    }
    size_t size() const { return starts_.size() - 1; }
    std::string_view operator[](size_t i) const {
        return std::string_view(bytes_).substr(starts_[i], starts_[i + 1] - starts_[i]);
    }
    /// All of them, and where each begins and the last ends.
    std::string takeBytes() { return std::move(bytes_); }
    std::vector<uint32_t> takeStarts() { return std::move(starts_); }
    void forgetSlots() { slots_ = {}; }
    bool holds(char c) const { return bytes_.find(c) != std::string::npos; }
    /// Without the first text, which is "": the others come one number earlier.
    Interner withoutBlank() && {
        Interner out;
        starts_.erase(starts_.begin());
        out.bytes_ = std::move(bytes_);
        out.starts_ = std::move(starts_);
        return out;
    }

private:
    /// By the upper half of the hash, of which the top bits choose the place.
    size_t placeOf(uint64_t hash, std::string_view text) const {
        const size_t mask = slots_.size() - 1;
        size_t i = hash >> shift_;
        while (slots_[i] != 0 &&
               ((slots_[i] ^ hash) >> 32 != 0 || (*this)[static_cast<uint32_t>(slots_[i]) - 1] != text))
            i = (i + 1) & mask;
        return i;
    }
    void grow() {
        std::vector<uint64_t> before(slots_.empty() ? 64 : slots_.size() * 2, 0);
        before.swap(slots_);
        shift_ = 64 - std::countr_zero(slots_.size());
        for (uint64_t slot : before)
            if (slot != 0) {
                size_t i = (slot & ~uint64_t{UINT32_MAX}) >> shift_;
                while (slots_[i] != 0)
                    i = (i + 1) & (slots_.size() - 1);
                slots_[i] = slot;
            }
    }

    std::string bytes_;
    std::vector<uint32_t> starts_;
    std::vector<uint64_t> slots_; // upper half of the hash, number + 1; 0: free
    int shift_ = 0;
};

} // namespace moorfrost::library
