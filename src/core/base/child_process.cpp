// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/child_process.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <csignal>

#include <fcntl.h>
#include <poll.h>
#include <spawn.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/base/helper_program.h"

extern char** environ;

namespace moorfrost {

ChildProcess::~ChildProcess() {
    end();
}

void ChildProcess::closeInput() {
    if (input_ >= 0)
        ::close(input_);
    input_ = -1;
}

void ChildProcess::end() {
    closeInput();
    if (output_ >= 0)
        ::close(output_);
    output_ = -1;
    if (process_ > 0) {
        for (int i = 0; i < 150 && ::waitpid(process_, nullptr, WNOHANG) == 0; ++i) {
            if (i == 100)
                ::kill(process_, SIGKILL);
            ::usleep(20000);
        }
    }
    process_ = 0;
    heard_.clear();
    looked_ = 0;
}

bool ChildProcess::lives() {
    return process_ > 0 && ::waitpid(process_, nullptr, WNOHANG) == 0;
}

Status ChildProcess::start(const std::string& program, std::vector<std::string> arguments) {
    end();
    // A socket as its input: writing to one that has ended is an error, not a signal.
    std::array<int, 2> input{-1, -1}, output{-1, -1};
    if (::socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, input.data()) != 0)
        return systemError(errno, {}, "Starting " + program);
    if (::pipe2(output.data(), O_CLOEXEC) != 0) {
        const int error = errno;
        ::close(input[0]);
        ::close(input[1]);
        return systemError(error, {}, "Starting " + program);
    }
    std::vector<std::string> words{helperProgram(program).native()};
    words.insert(words.end(), arguments.begin(), arguments.end());
    std::vector<char*> pointers;
    for (std::string& w : words)
        pointers.push_back(w.data());
    pointers.push_back(nullptr);
    posix_spawn_file_actions_t actions;
    posix_spawn_file_actions_init(&actions);
    posix_spawn_file_actions_adddup2(&actions, input[1], STDIN_FILENO);
    posix_spawn_file_actions_adddup2(&actions, output[1], STDOUT_FILENO);
    posix_spawn_file_actions_addclosefrom_np(&actions, STDERR_FILENO + 1);
    const int failed =
        ::posix_spawnp(&process_, words.front().c_str(), &actions, nullptr, pointers.data(), environ);
    posix_spawn_file_actions_destroy(&actions);
    ::close(input[1]);
    ::close(output[1]);
    input_ = input[0];
    output_ = output[0];
    if (failed != 0) {
        process_ = 0;
        end();
        return systemError(failed, {}, "Starting " + program);
    }
    return Done{};
}

Status ChildProcess::say(const std::string& line) {
    const std::string whole = line + "\n";
    for (size_t at = 0; at < whole.size();) {
        const ssize_t n =
            input_ < 0 ? -1 : ::send(input_, whole.data() + at, whole.size() - at, MSG_NOSIGNAL);
        if (n < 0 && input_ >= 0 && errno == EINTR)
            continue;
        if (n < 0)
            return Error{ErrorKind::Io, {}, "A program of Moorfrost has ended unexpectedly."};
        at += static_cast<size_t>(n);
    }
    return Done{};
}

ChildProcess::Heard ChildProcess::line(std::chrono::milliseconds most) {
    const auto until = std::chrono::steady_clock::now() + most;
    for (;;) {
        if (const size_t at = heard_.find('\n', looked_); at != std::string::npos) {
            Heard out{heard_.substr(0, at), false};
            heard_.erase(0, at + 1);
            looked_ = 0;
            return out;
        }
        looked_ = heard_.size();
        const auto left =
            std::chrono::duration_cast<std::chrono::milliseconds>(until - std::chrono::steady_clock::now());
        if (output_ < 0 || heard_.size() > mostBytes)
            return {std::nullopt, true};
        pollfd wait{output_, POLLIN, 0};
        const int ready = ::poll(&wait, 1, static_cast<int>(std::max<int64_t>(0, left.count())));
        if (ready == 0)
            return {};
        if (ready < 0) {
            if (errno == EINTR)
                continue;
            return {std::nullopt, true};
        }
        std::array<char, 1 << 14> chunk{};
        const ssize_t n = ::read(output_, chunk.data(), chunk.size());
        if (n < 0 && errno == EINTR)
            continue;
        if (n <= 0)
            return {std::nullopt, true};
        heard_.append(chunk.data(), static_cast<size_t>(n));
    }
}

} // namespace moorfrost
