// SPDX-License-Identifier: GPL-3.0-or-later
// The simulated reference: a catalogue served on the loopback address (docs/reference-protocol.md). It can be
// told to misbehave, so that what a real one may do can be shown and tested.
#pragma once

#include <memory>
#include <string_view>

#include "core/base/result.h"

namespace moorfrost::standin {

/// How answers are wrong.
enum class Wrong { No, Json, Types, Huge, Hostile, Slow, Bomb };
/// "json", "types", "huge", "hostile", "slow", "bomb"; No for anything else.
Wrong wrongFrom(std::string_view word);

struct Manners {
    int delayMs = 25;    // before each answer
    int failEvery = 0;   // each so many-th answer is an error of the server; 0: none
    int perSecond = 100; // requests that are answered; what is more is told to wait. 0: no limit
    int dieAfter = 0;    // so many answers, then the program ends in the middle of one; 0: never
    Wrong wrong = Wrong::No;
};

class Server {
public:
    /// Reads the data: "cairn.jsonl" and the folder "pictures" in `folder`; fingerprints of recordings, where
    /// there are any ("cairn.sounds" with reference::soundsRevision, and
    /// "cairn.recordings").
    static Result<std::unique_ptr<Server>> open(const Path& folder, const Manners& manners);
    ~Server();

    /// Takes a port of the loopback address (0: a free one) and tells which. Exists if it is taken.
    Result<int> listen(int port);
    /// Answers until stop() is called, from any thread.
    void serve();
    void stop();
    /// How many requests there were, refused ones included.
    size_t asked() const;
    /// From now on.
    void setManners(const Manners& manners);

private:
    struct Impl;
    explicit Server(std::unique_ptr<Impl> impl);
    std::unique_ptr<Impl> impl_;
};

} // namespace moorfrost::standin
