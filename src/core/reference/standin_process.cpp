// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/standin_process.h"

#include <array>
#include <cerrno>
#include <csignal>
#include <cstdlib>

#include <fcntl.h>
#include <poll.h>
#include <spawn.h>
#include <sys/wait.h>
#include <unistd.h>

#include "core/base/helper_program.h"
#include "core/base/log.h"

extern char** environ;

namespace moorfrost::reference {

using namespace std::chrono;

StandinProcess::StandinProcess(Path data, std::vector<std::string> options)
    : data_(std::move(data)), options_(std::move(options)) {}

StandinProcess::~StandinProcess() {
    std::lock_guard lock(mutex_);
    end();
}

bool StandinProcess::lives() {
    return process_ > 0 && ::waitpid(process_, nullptr, WNOHANG) == 0;
}

bool StandinProcess::isRunning() {
    std::lock_guard lock(mutex_);
    return lives();
}

void StandinProcess::end() {
    if (input_ >= 0)
        ::close(input_);
    input_ = -1;
    if (process_ > 0) {
        for (int i = 0; i < 100 && ::waitpid(process_, nullptr, WNOHANG) == 0; ++i) {
            if (i == 50)
                ::kill(process_, SIGKILL);
            ::usleep(20000);
        }
    }
    process_ = 0;
    address_.clear();
}

Result<std::string> StandinProcess::address() {
    std::lock_guard lock(mutex_);
    if (lives())
        return address_;
    end();
    // One that ends again and again is not started for each question.
    const auto now = steady_clock::now();
    if (starts_ >= 3 && now - started_ < seconds(30))
        return Error{ErrorKind::Io,
                     {},
                     "The simulated reference ended several times. It is tried again in half a minute."};
    starts_ = now - started_ < minutes(5) ? starts_ + 1 : 1;
    started_ = now;
    std::error_code error;
    if (!std::filesystem::exists(data_ / "cairn.jsonl", error))
        return Error{ErrorKind::NotFound, data_,
                     "The data of the simulated reference are not there. Make them with moorfrost-demo, or "
                     "choose another "
                     "folder in Settings."};
    int input[2], output[2];
    if (::pipe2(input, O_CLOEXEC) != 0)
        return systemError(errno, {}, "Starting the simulated reference");
    if (::pipe2(output, O_CLOEXEC) != 0) {
        ::close(input[0]);
        ::close(input[1]);
        return systemError(errno, {}, "Starting the simulated reference");
    }
    const std::string program = helperProgram("moorfrost-standin").native();
    std::vector<std::string> words{program, data_.native(), "--with-parent"};
    words.insert(words.end(), options_.begin(), options_.end());
    std::vector<char*> arguments;
    for (std::string& w : words)
        arguments.push_back(w.data());
    arguments.push_back(nullptr);
    posix_spawn_file_actions_t actions;
    posix_spawn_file_actions_init(&actions);
    posix_spawn_file_actions_adddup2(&actions, input[0], STDIN_FILENO);
    posix_spawn_file_actions_adddup2(&actions, output[1], STDOUT_FILENO);
    posix_spawn_file_actions_addclosefrom_np(&actions, STDERR_FILENO + 1);
    const int failed =
        ::posix_spawnp(&process_, program.c_str(), &actions, nullptr, arguments.data(), environ);
    posix_spawn_file_actions_destroy(&actions);
    ::close(input[0]);
    ::close(output[1]);
    input_ = input[1];
    if (failed != 0) {
        process_ = 0;
        ::close(output[0]);
        end();
        return systemError(failed, {}, "Starting the simulated reference");
    }
    // It tells its address when it has read its data.
    std::string line;
    const auto until = now + seconds(20);
    while (line.find('\n') == std::string::npos && line.size() < 200) {
        pollfd wait{output[0], POLLIN, 0};
        const auto left = duration_cast<milliseconds>(until - steady_clock::now()).count();
        if (left <= 0 || ::poll(&wait, 1, static_cast<int>(left)) == 0)
            break;
        std::array<char, 200> chunk{};
        const ssize_t n = ::read(output[0], chunk.data(), chunk.size());
        if (n < 0 && errno == EINTR)
            continue;
        if (n <= 0)
            break;
        line.append(chunk.data(), static_cast<size_t>(n));
    }
    ::close(output[0]);
    const size_t ends = line.find('\n');
    if (ends == std::string::npos || !line.starts_with("http://127.0.0.1:")) {
        end();
        return Error{
            ErrorKind::Io, {}, "The simulated reference did not start. What it says is in the terminal."};
    }
    address_ = line.substr(0, ends);
    log::info(log::About::Start, "The simulated reference answers at {}", address_);
    return address_;
}

} // namespace moorfrost::reference
