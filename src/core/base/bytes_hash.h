// SPDX-License-Identifier: GPL-3.0-or-later
// What bytes are told by: XXH3 with 128 bits, as 32 hex digits. Not against people who mean harm.
#pragma once

#include <memory>
#include <string>
#include <string_view>

#include <fmt/format.h>
#include <xxhash.h>

namespace moorfrost {

/// Of bytes that come in pieces.
class BytesHash {
public:
    BytesHash() : state_(XXH3_createState(), &XXH3_freeState) { XXH3_128bits_reset(state_.get()); }
    void add(std::string_view bytes) { XXH3_128bits_update(state_.get(), bytes.data(), bytes.size()); }
    std::string text() const {
        const XXH128_hash_t h = XXH3_128bits_digest(state_.get());
        return fmt::format("{:016x}{:016x}", h.high64, h.low64);
    }

private:
    std::unique_ptr<XXH3_state_t, XXH_errorcode (*)(XXH3_state_t*)> state_;
};

} // namespace moorfrost
