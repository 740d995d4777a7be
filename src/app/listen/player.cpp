// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/listen/player.h"

#include <QAudio>

#include <algorithm>
#include <cmath>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/sandbox/parser_pool.h"

namespace moorfrost::app {

namespace {

constexpr int channels = 2;
constexpr int bytesPerFrame = channels * 2;
constexpr qint64 longestSilence = 3000; // ms

/// What the device likes best: where it is the rate of the file, no sample is changed.
int rateOf(const QAudioDevice& device) {
    const int rate = device.preferredFormat().sampleRate();
    return rate >= 44100 && rate <= 192000 ? rate : 48000;
}

} // namespace

Player::Player(QObject* parent) : QObject(parent) {
    timer_.setInterval(50);
    connect(&timer_, &QTimer::timeout, this, &Player::look);
}

Player::~Player() {
    halt();
}

void Player::play(const FilePtr& file, double from) {
    play(file, from, {});
}

void Player::play(const FilePtr& file, double from, const Manner& manner) {
    if (!file || !file->readable())
        return;
    file_ = file;
    manner_ = manner;
    lost_ = false;
    halt(); // nothing takes any more what follows
    {
        std::lock_guard lock(nextMutex_);
        next_ = manner.goesOn ? Next::Awaited : Next::None;
    }
    startAt(std::max(0.0, from));
    emit began(false);
}

void Player::setNext(const FilePtr& file, double gainDb) {
    if (sink_ && !buffer_.behind(playedBytes()).empty()) {
        std::lock_guard lock(nextMutex_);
        if (next_ == Next::Taken && file && nextFile_ && nextFile_->id == file->id)
            return; // it is being decoded already
        next_ = Next::Awaited;
    }
    if (sink_ && !buffer_.behind(playedBytes()).empty()) { // another one is
        const bool was = playing_;
        startAt(position());
        if (!was && playing_)
            toggle();
    }
    std::lock_guard lock(nextMutex_);
    next_ = file && file->readable() ? Next::Told : Next::None;
    nextFile_ = file;
    nextGain_ = gainDb;
    nextCame_.notify_all();
}

void Player::setGain(FileId file, double db) {
    if (file_ && file_->id == file)
        manner_.gainDb = db;
    buffer_.setGain(file, db);
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
        startAt(lost_ ? resumeAt_ : 0);
    }
    emit changed();
}

void Player::seek(double seconds) {
    if (!file_)
        return;
    const double length = file_->tags.facts.duration;
    seconds = std::max(0.0, length > 0 ? std::min(seconds, length) : seconds);
    const bool paused = !playing_ && sink_; // it stays so
    startAt(seconds);
    if (paused && playing_)
        toggle();
}

void Player::follow(const FilePtr& file) {
    if (!file_ || !file || file->id != file_->id || file == file_)
        return;
    file_ = file; // what is being decoded is open already, wherever it lies now
    emit changed();
}

void Player::stop() {
    lost_ = false;
    halt();
    emit changed();
}

void Player::setVolume(double volume) {
    volume_ = std::clamp(volume, 0.0, 1.0);
    if (sink_)
        sink_->setVolume(static_cast<double>(QAudio::convertVolume(
            static_cast<float>(volume_), QAudio::LogarithmicVolumeScale, QAudio::LinearVolumeScale)));
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
        sink_->disconnect(this);
        sink_->stop();
        sink_.reset();
    }
    buffer_.clear(0);
}

qint64 Player::playedBytes() const {
    return sink_ ? sink_->processedUSecs() * rate_ / 1000000 * bytesPerFrame : 0;
}

void Player::look() {
    if (!sink_)
        return;
    if (const auto part = buffer_.partAt(playedBytes()); part && part->start != heardPart_) {
        heardPart_ = part->start;
        file_ = part->file;
        manner_ = {part->gainDb, part->slower, true};
        {
            std::lock_guard lock(nextMutex_);
            if (next_ == Next::Taken) // that was it
                next_ = Next::Awaited;
        }
        emit began(true);
    }
    // A device that is taken away may say nothing of it: then nothing is played any more.
    if (const qint64 now = playedBytes(); now != lastHeard_ || !playing_ || buffer_.bytesAvailable() == 0) {
        lastHeard_ = now;
        sinceHeard_.restart();
    } else if (sinceHeard_.elapsed() > longestSilence) {
        return lose(tr("The sound device is gone. Press play to go on."));
    }
    if (playing_ && buffer_.isDrained() && sink_->state() == QAudio::IdleState) {
        halt();
        emit ended();
    }
    emit changed();
}

void Player::decode(const std::stop_token& stop, FilePtr file, double from, Manner manner, int rate) {
    for (;;) {
        // More samples a second than are put out make it slower.
        const int decoded = static_cast<int>(std::lround(rate * manner.slower));
        const Status played = sandbox::ParserPool::shared().play(
            file->path, decoded, channels, from, stop, [&](std::vector<int16_t> samples) {
                return buffer_.put(QByteArray(reinterpret_cast<const char*>(samples.data()),
                                              static_cast<qsizetype>(samples.size() * sizeof(int16_t))),
                                   stop);
            });
        if (!played && played.error().kind != ErrorKind::Cancelled)
            QMetaObject::invokeMethod(
                this, [this, s = spoken(played.error().message)] { emit trouble(s); }, Qt::QueuedConnection);
        std::unique_lock lock(nextMutex_);
        nextCame_.wait(lock, stop, [&] { return next_ == Next::None || next_ == Next::Told; });
        if (stop.stop_requested())
            return;
        if (next_ == Next::None) {
            lock.unlock();
            buffer_.markEnd();
            return;
        }
        file = nextFile_;
        manner = {nextGain_, 1, true};
        from = 0;
        next_ = Next::Taken;
        lock.unlock();
        buffer_.begin({file, from, manner.gainDb, manner.slower, 0});
    }
}

void Player::startAt(double seconds) {
    halt();
    lost_ = false;
    if (!devices_) { // asking for a sound server that is not there takes its time
        devices_ = std::make_unique<QMediaDevices>();
        connect(devices_.get(), &QMediaDevices::audioOutputsChanged, this, &Player::followDevices);
    }
    device_ = QMediaDevices::defaultAudioOutput();
    if (device_.isNull()) {
        lose(tr("No sound device: nothing can be played"));
        resumeAt_ = seconds;
        return;
    }
    rate_ = rateOf(device_);
    QAudioFormat format;
    format.setSampleRate(rate_);
    format.setChannelCount(channels);
    format.setSampleFormat(QAudioFormat::Int16);
    sink_ = std::make_unique<QAudioSink>(device_, format);
    setVolume(volume_);
    heardPart_ = 0;
    buffer_.clear(qsizetype{rate_} * bytesPerFrame); // a second
    {
        std::lock_guard lock(nextMutex_);
        // What was told to follow still does.
        if (!manner_.goesOn)
            next_ = Next::None;
        else if (next_ == Next::Taken)
            next_ = Next::Told;
    }
    buffer_.begin({file_, seconds, manner_.gainDb, manner_.slower, 0}); // where it is, is known from now on
    decoder_ = std::jthread([this, seconds, file = file_, manner = manner_, rate = rate_](
                                const std::stop_token& stop) { decode(stop, file, seconds, manner, rate); });
    sink_->start(&buffer_);
    playing_ = sink_->error() == QAudio::NoError;
    if (!playing_) {
        lose(tr("The sound device could not be opened."));
        resumeAt_ = seconds;
        return;
    }
    connect(sink_.get(), &QAudioSink::stateChanged, this, [this, sink = sink_.get()](QAudio::State state) {
        if (state == QAudio::StoppedState && sink->error() != QAudio::NoError)
            QMetaObject::invokeMethod( // it is in the middle of its own work
                this,
                [this, sink] {
                    if (sink_.get() == sink)
                        lose(tr("The sound device is gone. Press play to go on."));
                },
                Qt::QueuedConnection);
    });
    lastHeard_ = 0;
    sinceHeard_.start();
    timer_.start();
    emit changed();
}

void Player::lose(const QString& sentence) {
    resumeAt_ = position();
    lost_ = true;
    halt();
    emit trouble(sentence);
    emit changed();
}

void Player::followDevices() {
    const QAudioDevice now = QMediaDevices::defaultAudioOutput();
    if (sink_ && !QMediaDevices::audioOutputs().contains(device_)) {
        lose(tr("The sound device is gone. Press play to go on."));
    } else if (sink_ && now != device_ && !now.isNull()) { // another one is the one to be heard now
        const double at = position();
        const bool was = playing_;
        startAt(at);
        if (!was && playing_)
            toggle();
    } else if (!sink_ && !now.isNull()) {
        emit trouble({}); // nothing is wrong any more
    }
    emit changed();
}

double Player::position() const {
    if (!sink_)
        return lost_ ? resumeAt_ : 0;
    const qint64 played = playedBytes();
    const auto part = buffer_.partAt(played);
    if (!part)
        return 0;
    return part->from + static_cast<double>(std::max<qint64>(0, played - part->start)) / bytesPerFrame /
                            rate_ / part->slower;
}

} // namespace moorfrost::app
