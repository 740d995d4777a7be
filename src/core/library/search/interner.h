// SPDX-License-Identifier: GPL-3.0-or-later
// Numbers for texts: the same text always gets the same number, from 0 on in the order of arrival. Little
// memory a text; the texts lie one behind the other.
#pragma once

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
        uint32_t& slot = slots_[placeOf(text)];
        if (slot == 0) {
            bytes_.append(text);
            starts_.push_back(static_cast<uint32_t>(bytes_.size()));
            slot = static_cast<uint32_t>(size());
        }
        return slot - 1;
    }
    size_t size() const { return starts_.size() - 1; }
    std::string_view operator[](size_t i) const {
        return std::string_view(bytes_).substr(starts_[i], starts_[i + 1] - starts_[i]);
    }
    /// All of them, and where each begins and the last ends.
    std::string takeBytes() { return std::move(bytes_); }
    std::vector<uint32_t> takeStarts() { return std::move(starts_); }
    void forgetSlots() { slots_ = {}; }

private:
    size_t placeOf(std::string_view text) const {
        size_t mask = slots_.size() - 1;
        size_t i = XXH3_64bits(text.data(), text.size()) & mask;
        while (slots_[i] != 0 && (*this)[slots_[i] - 1] != text)
            i = (i + 1) & mask;
        return i;
    }
    void grow() {
        slots_.assign(slots_.empty() ? 64 : slots_.size() * 2, 0);
        for (size_t i = 0; i < size(); ++i)
            slots_[placeOf((*this)[i])] = static_cast<uint32_t>(i + 1);
    }

    std::string bytes_;
    std::vector<uint32_t> starts_;
    std::vector<uint32_t> slots_; // number + 1; 0: free
};

} // namespace moorfrost::library
