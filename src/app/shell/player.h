// SPDX-License-Identifier: GPL-3.0-or-later
// Plays one file at a time: decoded in a reading process, put out by Qt Multimedia. Where there
// is no sound device it says so and everything else goes on.
#pragma once

#include <QAudioSink>
#include <QIODevice>
#include <QTimer>

#include <atomic>
#include <condition_variable>
#include <memory>
#include <mutex>
#include <thread>

#include "core/library/records.h"

namespace moorfrost::app {

/// A bounded buffer between the decoding thread and the sound device.
class SoundBuffer : public QIODevice {
    Q_OBJECT
public:
    SoundBuffer();
    void clear();
    /// Blocks while the buffer is full; false once closed for good.
    bool put(const QByteArray& data, const std::stop_token& stop);
    void markEnd();
    bool isDrained() const;
    bool isSequential() const override { return true; }
    qint64 bytesAvailable() const override;

protected:
    qint64 readData(char* data, qint64 most) override;
    qint64 writeData(const char*, qint64) override { return -1; }

private:
    mutable std::mutex mutex_;
    std::condition_variable_any space_;
    QByteArray data_;
    bool ended_ = false;
};

class Player : public QObject {
    Q_OBJECT
public:
    explicit Player(QObject* parent = nullptr);
    ~Player() override;

    /// How it is put out, to be compared with another one.
    struct Manner {
        double gainDb = 0; // what would be louder than full scale is cut off
        double slower = 1; // 1.015: slowed down by that, pitch and all
    };
    void play(const std::shared_ptr<const library::FileRecord>& file, double from = 0);
    void play(const std::shared_ptr<const library::FileRecord>& file, double from, const Manner& manner);
    /// Pause and go on; starts the loaded file if it had ended.
    void toggle();
    void seek(double seconds);
    void stop();
    /// What is known of the loaded file is otherwise now: its place, its fields.
    void follow(const std::shared_ptr<const library::FileRecord>& file);
    bool isPlaying() const { return playing_; }
    double position() const; // seconds
    const std::shared_ptr<const library::FileRecord>& file() const { return file_; }

signals:
    void changed();
    void trouble(const QString& sentence);

private:
    void startAt(double seconds);
    void halt();

    std::shared_ptr<const library::FileRecord> file_;
    std::unique_ptr<QAudioSink> sink_;
    SoundBuffer buffer_;
    std::jthread decoder_;
    QTimer timer_;
    double startedAt_ = 0;
    Manner manner_;
    bool playing_ = false;
};

} // namespace moorfrost::app
