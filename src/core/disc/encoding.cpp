// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/encoding.h"

#include <bit>
#include <span>

namespace moorfrost::disc {

Encoding::Encoding(std::unique_ptr<audio::SoundEncoder> encoder) : encoder_(std::move(encoder)) {
    thread_ = std::jthread([this] { run(); });
}

Encoding::~Encoding() {
    {
        const std::lock_guard lock(mutex_);
        given_ = ended_ = true;
        waiting_.clear();
    }
    changed_.notify_all();
}

Status Encoding::add(std::string_view bytes) {
    std::unique_lock lock(mutex_);
    changed_.wait(lock, [this] { return waiting_.size() < most || error_; });
    if (error_)
        return *error_;
    waiting_.emplace_back(bytes);
    changed_.notify_all();
    return Done{};
}

Status Encoding::finish() {
    {
        const std::lock_guard lock(mutex_);
        ended_ = true;
    }
    changed_.notify_all();
    thread_.join();
    if (error_)
        return *error_;
    return encoder_->finish();
}

void Encoding::run() {
    for (;;) {
        std::string bytes;
        {
            std::unique_lock lock(mutex_);
            changed_.wait(lock, [this] { return !waiting_.empty() || ended_; });
            if (waiting_.empty() || given_)
                return;
            bytes = std::move(waiting_.front());
            waiting_.pop_front();
        }
        changed_.notify_all();
        if (std::endian::native != std::endian::little)
            for (size_t i = 0; i + 1 < bytes.size(); i += 2)
                std::swap(bytes[i], bytes[i + 1]);
        const std::span samples(reinterpret_cast<const int16_t*>(bytes.data()), bytes.size() / 2);
        if (Status added = encoder_->add(samples); !added) {
            const std::lock_guard lock(mutex_);
            error_ = added.error();
            waiting_.clear();
            changed_.notify_all();
            return;
        }
    }
}

} // namespace moorfrost::disc
