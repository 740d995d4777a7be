// SPDX-License-Identifier: GPL-3.0-or-later
// A program of ours that is started by this one and talks with it in lines of text, over its standard input
// and output. One thread at a time.
#pragma once

#include <chrono>
#include <optional>
#include <string>
#include <vector>

#include <sys/types.h>

#include "core/base/result.h"

namespace moorfrost {

class ChildProcess {
public:
    ChildProcess() = default;
    ~ChildProcess(); // ends it: its input is closed; it is killed where that does not help within two seconds
    ChildProcess(const ChildProcess&) = delete;
    ChildProcess& operator=(const ChildProcess&) = delete;

    /// A helper program (helperProgram()). Ends the one before.
    Status start(const std::string& program, std::vector<std::string> arguments);
    bool lives();
    /// Gives it a line. An Error where it has ended.
    Status say(const std::string& line);
    /// What it reads has come to its end; it should end, too.
    void closeInput();
    struct Heard {
        std::optional<std::string> line; // without its end; none: it takes longer than that, or
        bool ended = false;              // it has ended
    };
    /// Waits at most so long. Lines longer than `mostBytes` end it.
    Heard line(std::chrono::milliseconds most);
    void end();

    static constexpr size_t mostBytes = 16 << 20;

private:
    pid_t process_ = 0;
    int input_ = -1, output_ = -1;
    std::string heard_;
    size_t looked_ = 0; // of it, for an end of a line
};

} // namespace moorfrost
