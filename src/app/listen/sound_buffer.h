// SPDX-License-Identifier: GPL-3.0-or-later
// Between what decodes and the sound device: at most about a second of samples, and of which files they are.
// Samples of one file follow those of the one before without a gap.
#pragma once

#include <QIODevice>

#include <condition_variable>
#include <deque>
#include <mutex>
#include <stop_token>

#include "app/control/files_controller.h"

namespace moorfrost::app {

class SoundBuffer : public QIODevice {
    Q_OBJECT
public:
    /// What is heard of one file.
    struct Part {
        FilePtr file;
        double from = 0;   // seconds of the file, where it begins
        double gainDb = 0; // what would be louder than full scale is cut off
        double slower = 1;
        qint64 start = 0; // bytes that were put before it
    };

    SoundBuffer();
    /// Empties it; `mostBytes` are held from now on.
    void clear(qsizetype mostBytes);
    /// What is put from now on is of this file.
    void begin(Part part);
    /// Blocks while the buffer is full; false once a stop was asked for.
    bool put(const QByteArray& data, const std::stop_token& stop);
    void markEnd();
    bool isDrained() const;
    /// Of the bytes that are heard now: `played` were taken. nullopt: nothing was put.
    std::optional<Part> partAt(qint64 played) const;
    /// Those behind it: begun already.
    std::vector<FilePtr> behind(qint64 played) const;
    void setGain(FileId file, double db);
    bool isSequential() const override { return true; }
    qint64 bytesAvailable() const override;

protected:
    qint64 readData(char* data, qint64 most) override;
    qint64 writeData(const char*, qint64) override { return -1; }

private:
    void amplify(char* data, qint64 from, qint64 to) const; // with the lock

    mutable std::mutex mutex_;
    std::condition_variable_any space_;
    QByteArray data_;
    std::deque<Part> parts_;
    qint64 put_ = 0, taken_ = 0; // bytes since it was cleared
    qsizetype most_ = 0;
    bool ended_ = false;
};

} // namespace moorfrost::app
