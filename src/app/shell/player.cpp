// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/player.h"

#include <QAudioDevice>
#include <QMediaDevices>

#include <algorithm>
#include <cmath>

#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

namespace {
constexpr int rate = 48000;
constexpr int channels = 2;
constexpr qsizetype mostBuffered = rate * channels * 2; // one second
} // namespace

SoundBuffer::SoundBuffer() {
    open(QIODevice::ReadOnly | QIODevice::Unbuffered);
}

void SoundBuffer::clear() {
    std::lock_guard lock(mutex_);
    data_.clear();
    ended_ = false;
    space_.notify_all();
}

bool SoundBuffer::put(const QByteArray& data, const std::stop_token& stop) {
    std::unique_lock lock(mutex_);
    space_.wait(lock, stop, [&] { return data_.size() < mostBuffered; });
    if (stop.stop_requested())
        return false;
    const bool wasEmpty = data_.isEmpty();
    data_.append(data);
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

qint64 SoundBuffer::bytesAvailable() const {
    std::lock_guard lock(mutex_);
    return data_.size();
}

qint64 SoundBuffer::readData(char* into, qint64 most) {
    std::lock_guard lock(mutex_);
    qint64 n = std::min<qint64>(most, data_.size());
    std::copy_n(data_.constData(), n, into);
    data_.remove(0, n);
    space_.notify_all();
    return n;
}

Player::Player(QObject* parent) : QObject(parent) {
    timer_.setInterval(50);
    connect(&timer_, &QTimer::timeout, this, [this] {
        if (playing_ && buffer_.isDrained() && sink_ && sink_->state() == QAudio::IdleState)
            halt();
        emit changed();
    });
}

Player::~Player() {
    halt();
}

void Player::play(const std::shared_ptr<const library::FileRecord>& file, double from) {
    play(file, from, {});
}

void Player::play(const std::shared_ptr<const library::FileRecord>& file, double from, const Manner& manner) {
    if (!file || !file->readable())
        return;
    file_ = file;
    manner_ = manner;
    startAt(std::max(0.0, from));
}

void Player::toggle() {
    if (!file_)
        return;
    if (!playing_ && sink_ && sink_->state() == QAudio::SuspendedState) {
        sink_->resume();
        playing_ = true;
        timer_.start();
    } else if (playing_) {
        sink_->suspend();
        playing_ = false;
        timer_.stop();
    } else {
        startAt(0);
    }
    emit changed();
}

void Player::seek(double seconds) {
    if (file_)
        startAt(std::max(0.0, seconds));
}

void Player::follow(const std::shared_ptr<const library::FileRecord>& file) {
    if (!file_ || !file || file->id != file_->id || file == file_)
        return;
    file_ = file; // what is being decoded is open already, wherever it lies now
    emit changed();
}

void Player::stop() {
    halt();
    emit changed();
}

void Player::halt() {
    playing_ = false;
    timer_.stop();
    if (decoder_.joinable()) {
        decoder_.request_stop();
        decoder_.join();
    }
    if (sink_) {
        sink_->stop();
        sink_.reset();
    }
    buffer_.clear();
    startedAt_ = 0;
}

void Player::startAt(double seconds) {
    halt();
    QAudioDevice device = QMediaDevices::defaultAudioOutput();
    if (device.isNull()) {
        emit trouble(tr("No sound device: nothing can be played"));
        emit changed();
        return;
    }
    QAudioFormat format;
    format.setSampleRate(rate);
    format.setChannelCount(channels);
    format.setSampleFormat(QAudioFormat::Int16);
    sink_ = std::make_unique<QAudioSink>(device, format);
    startedAt_ = seconds;
    decoder_ = std::jthread([this, seconds, path = file_->path, manner = manner_](std::stop_token stop) {
        const auto factor = static_cast<float>(std::pow(10, manner.gainDb / 20));
        // More samples a second than are put out make it slower.
        const int decoded = static_cast<int>(std::lround(rate * manner.slower));
        const Status played = sandbox::ParserPool::shared().play(
            path, decoded, channels, seconds, stop, [&](std::vector<int16_t> samples) {
                if (manner.gainDb != 0)
                    for (int16_t& s : samples)
                        s = static_cast<int16_t>(
                            std::clamp(std::lround(static_cast<float>(s) * factor), -32768L, 32767L));
                return buffer_.put(QByteArray(reinterpret_cast<const char*>(samples.data()),
                                              static_cast<qsizetype>(samples.size() * sizeof(int16_t))),
                                   stop);
            });
        if (!played && played.error().kind != ErrorKind::Cancelled)
            QMetaObject::invokeMethod(
                this, [this, s = qs(played.error().message)] { emit trouble(s); }, Qt::QueuedConnection);
        buffer_.markEnd();
    });
    sink_->start(&buffer_);
    playing_ = sink_->error() == QAudio::NoError;
    if (!playing_)
        emit trouble(tr("The sound device could not be opened."));
    timer_.start();
    emit changed();
}

double Player::position() const {
    return sink_ ? startedAt_ + static_cast<double>(sink_->processedUSecs()) / 1e6 / manner_.slower : 0;
}

} // namespace moorfrost::app
