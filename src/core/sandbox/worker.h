// SPDX-License-Identifier: GPL-3.0-or-later
// One reading process: a program of its own that opens the files, so that a file that crashes a parser, makes
// it run without end or asks for all memory takes only that process with it. Requests and answers go over a
// socket, each with its length in front (four bytes). One thread at a time.
#pragma once

#include <chrono>
#include <functional>
#include <memory>
#include <stop_token>
#include <string>

#include "core/base/result.h"

#include <sys/types.h>

namespace moorfrost::sandbox {

struct Limits {
    /// Of computing, without any answer. Waiting for a slow disk does not count.
    std::chrono::milliseconds computing{5000};
    /// Of waiting for anything at all.
    std::chrono::milliseconds waiting{60000};
};

class Worker {
public:
    enum class Outcome { Answer, Died, TooLong, Stopped };

    static Result<std::unique_ptr<Worker>> start(const Path& program);
    /// Ends the process.
    ~Worker();
    Worker(const Worker&) = delete;
    Worker& operator=(const Worker&) = delete;

    /// False if the process is gone. Does not wait: what the process is too busy to take is sent while an
    /// answer is waited for.
    bool send(const std::string& request);
    /// The next answer. After anything but Answer the process must not be used again.
    Outcome receive(std::string& answer, const Limits& limits, std::stop_token stop);
    /// After Died: what happened to it, as the end of a sentence ("crashed", "needed more memory than ...").
    std::string whatHappened();
    /// How much it gives way to others (nice): as the thread did that started it.
    int politeness() const { return politeness_; }
    static int politenessOfThread();

private:
    Worker(int socket, pid_t process);
    bool sendMore();
    std::chrono::nanoseconds computed() const;

    int socket_;
    pid_t process_;
    int politeness_;
    pid_t owner_; // a copy of this program made by fork() must not end the process
    std::string unsent_;
    std::string buffer_;
    size_t taken_ = 0;
};

/// The other side: what the reading process does. `answer` gets each request and what to call for each of its
/// answers. Returns when the program at the other end is gone.
using Answers = std::function<void(const std::string& answer)>;
void serve(int socket, const std::function<void(std::string_view request, const Answers& send)>& answer);

/// Limits that the reading process puts on itself: memory, no files of its own, no core dumps.
void limitOneself();

/// With this code the reading process says that its memory did not suffice.
inline constexpr int outOfMemory = 3;

/// What the reading process does with a request.
void answerRequest(std::string_view request, const Answers& send);

} // namespace moorfrost::sandbox
