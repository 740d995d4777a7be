// SPDX-License-Identifier: GPL-3.0-or-later
// Encoding beside reading: on a thread of its own, a little behind.
#pragma once

#include <condition_variable>
#include <deque>
#include <mutex>
#include <optional>
#include <string_view>
#include <thread>

#include "core/audio/encode.h"

namespace moorfrost::disc {

/// A sample of 16 bit, the lower byte first, at this byte.
inline int16_t sampleIn(std::string_view bytes, size_t at) {
    return static_cast<int16_t>(static_cast<uint8_t>(bytes[at]) | static_cast<uint8_t>(bytes[at + 1]) << 8);
}

/// Encodes what is handed to it; reading waits only when it is far ahead.
class Encoding {
public:
    explicit Encoding(std::unique_ptr<audio::SoundEncoder> encoder);
    ~Encoding(); // what was not encoded is not wanted
    Status add(std::string_view bytes);
    /// Waits until all is encoded, and the file is whole.
    Status finish();

private:
    /// Portions of two seconds that reading may be ahead: 13 MB. One track may still be encoded while the
    /// next is read, so that two processors have something to do.
    static constexpr size_t most = 36;

    void run();

    std::unique_ptr<audio::SoundEncoder> encoder_; // the thread's, until it has ended
    std::mutex mutex_;                             // guards what follows
    std::condition_variable changed_;
    std::deque<std::string> waiting_;
    bool ended_ = false, given_ = false; // nothing more comes; what is there is not wanted
    std::optional<Error> error_;
    std::jthread thread_; // last: it uses the others
};

} // namespace moorfrost::disc
