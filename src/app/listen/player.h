// SPDX-License-Identifier: GPL-3.0-or-later
// Plays files, one after the other without a gap: decoded in a reading process, put out by Qt Multimedia.
// Where there is no sound device, or it goes away, it says so and everything else goes on. What follows is
// the matter of whoever tells it (PlayQueue).
#pragma once

#include <QAudioDevice>
#include <QAudioSink>
#include <QElapsedTimer>
#include <QMediaDevices>
#include <QTimer>

#include <memory>
#include <thread>

#include "app/listen/sound_buffer.h"

namespace moorfrost::app {

class Player : public QObject {
    Q_OBJECT
public:
    explicit Player(QObject* parent = nullptr);
    ~Player() override;

    /// How it is put out, to be compared with another one.
    struct Manner {
        double gainDb = 0;   // what would be louder than full scale is cut off
        double slower = 1;   // 1.015: slowed down by that, pitch and all
        bool goesOn = false; // setNext() will tell what follows: at the end it is waited for
    };
    void play(const FilePtr& file, double from = 0);
    void play(const FilePtr& file, double from, const Manner& manner);
    /// Behind the file that is played; nullptr: nothing. What was told before holds no longer.
    void setNext(const FilePtr& file, double gainDb = 0);
    /// Of what is played, at once.
    void setGain(FileId file, double db);
    /// Pause and go on; starts the loaded file if it had ended.
    void toggle();
    void seek(double seconds);
    void stop();
    /// 0 to 1, as the ear takes it.
    void setVolume(double volume);
    double volume() const { return volume_; }
    /// What is known of the loaded file is otherwise now: its place, its fields.
    void follow(const FilePtr& file);
    bool isPlaying() const { return playing_; }
    bool hasDevice() const { return !QMediaDevices::defaultAudioOutput().isNull(); }
    double position() const; // seconds
    const FilePtr& file() const { return file_; }

signals:
    void changed();
    /// Another file is heard now; `byItself`: behind the one before.
    void began(bool byItself);
    /// The last one has ended.
    void ended();
    void trouble(const QString& sentence);

private:
    void startAt(double seconds);
    void halt();
    void look();
    void decode(const std::stop_token& stop, FilePtr file, double from, Manner manner, int rate);
    void followDevices();
    void lose(const QString& sentence);
    qint64 playedBytes() const;

    FilePtr file_;
    Manner manner_;
    std::unique_ptr<QMediaDevices> devices_; // from the first time on that something is played
    QAudioDevice device_;
    std::unique_ptr<QAudioSink> sink_;
    SoundBuffer buffer_;
    std::jthread decoder_;
    QTimer timer_;
    int rate_ = 48000;
    qint64 heardPart_ = 0; // where in what was put the part begins that is heard
    double volume_ = 1;
    double resumeAt_ = 0;  // where it was lost
    bool lost_ = false;    // the device went away
    qint64 lastHeard_ = 0; // bytes, when it went on last
    QElapsedTimer sinceHeard_;
    bool playing_ = false;

    // What follows: told by the interface thread, taken by the one that decodes; then it is still what
    // follows until it is heard.
    enum class Next { None, Awaited, Told, Taken };
    std::mutex nextMutex_;
    std::condition_variable_any nextCame_;
    Next next_ = Next::None;
    FilePtr nextFile_;
    double nextGain_ = 0;
};

} // namespace moorfrost::app
