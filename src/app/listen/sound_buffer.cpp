// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/listen/sound_buffer.h"

#include <algorithm>
#include <cmath>

namespace moorfrost::app {

SoundBuffer::SoundBuffer() {
    open(QIODevice::ReadOnly | QIODevice::Unbuffered);
}

void SoundBuffer::clear(qsizetype mostBytes) {
    std::lock_guard lock(mutex_);
    data_.clear();
    parts_.clear();
    put_ = taken_ = 0;
    most_ = mostBytes;
    ended_ = false;
    space_.notify_all();
}

void SoundBuffer::begin(Part part) {
    std::lock_guard lock(mutex_);
    part.start = put_;
    parts_.push_back(std::move(part));
}

bool SoundBuffer::put(const QByteArray& data, const std::stop_token& stop) {
    std::unique_lock lock(mutex_);
    space_.wait(lock, stop, [&] { return data_.size() < most_; });
    if (stop.stop_requested())
        return false;
    const bool wasEmpty = data_.isEmpty();
    data_.append(data);
    put_ += data.size();
    lock.unlock();
    if (wasEmpty) // a sound device that found nothing does not look again by itself
        QMetaObject::invokeMethod(this, &SoundBuffer::readyRead, Qt::QueuedConnection);
    return true;
}

void SoundBuffer::markEnd() {
    std::lock_guard lock(mutex_);
    ended_ = true;
}

bool SoundBuffer::isDrained() const {
    std::lock_guard lock(mutex_);
    return ended_ && data_.isEmpty();
}

std::optional<SoundBuffer::Part> SoundBuffer::partAt(qint64 played) const {
    std::lock_guard lock(mutex_);
    const Part* found = nullptr;
    for (const Part& part : parts_)
        if (part.start <= played || !found)
            found = &part;
    return found ? std::optional(*found) : std::nullopt;
}

std::vector<FilePtr> SoundBuffer::behind(qint64 played) const {
    std::lock_guard lock(mutex_);
    std::vector<FilePtr> out;
    for (const Part& part : parts_)
        if (part.start > played)
            out.push_back(part.file);
    return out;
}

void SoundBuffer::setGain(FileId file, double db) {
    std::lock_guard lock(mutex_);
    for (Part& part : parts_)
        if (part.file->id == file)
            part.gainDb = db;
}

qint64 SoundBuffer::bytesAvailable() const {
    std::lock_guard lock(mutex_);
    return data_.size();
}

void SoundBuffer::amplify(char* data, qint64 from, qint64 to) const {
    for (size_t i = 0; i < parts_.size(); ++i) {
        const qint64 begin = std::max(from, parts_[i].start),
                     end = i + 1 < parts_.size() ? std::min(to, parts_[i + 1].start) : to;
        if (parts_[i].gainDb == 0 || begin >= end)
            continue;
        const auto factor = static_cast<float>(std::pow(10, parts_[i].gainDb / 20));
        auto* samples = reinterpret_cast<int16_t*>(data + (begin - from));
        for (qint64 k = 0; k < (end - begin) / 2; ++k)
            samples[k] = static_cast<int16_t>(
                std::clamp(std::lround(static_cast<float>(samples[k]) * factor), -32768L, 32767L));
    }
}

qint64 SoundBuffer::readData(char* into, qint64 most) {
    std::lock_guard lock(mutex_);
    const qint64 n = std::min<qint64>(most, data_.size()) & ~qint64{1}; // whole samples
    std::copy_n(data_.constData(), n, into);
    data_.remove(0, n);
    amplify(into, taken_, taken_ + n);
    taken_ += n;
    space_.notify_all();
    return n;
}

} // namespace moorfrost::app
