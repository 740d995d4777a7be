// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/sandbox/worker.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <csignal>
#include <cstring>
#include <ctime>

#include <poll.h>
#include <spawn.h>
#include <sys/prctl.h>
#include <sys/resource.h>
#include <sys/socket.h>
#include <sys/wait.h>
#include <unistd.h>

extern char** environ;

namespace moorfrost::sandbox {

namespace {

using namespace std::chrono_literals;

constexpr size_t longestMessage = size_t{1} << 30;
constexpr rlim_t mostMemory = rlim_t{2} << 30;

bool sendAll(int socket, const char* data, size_t n) {
    while (n > 0) {
        ssize_t sent = ::send(socket, data, n, MSG_NOSIGNAL);
        if (sent < 0 && errno == EINTR)
            continue;
        if (sent <= 0)
            return false;
        data += sent;
        n -= static_cast<size_t>(sent);
    }
    return true;
}

std::string framed(std::string_view message) {
    std::string out(4 + message.size(), '\0');
    auto n = static_cast<uint32_t>(message.size());
    std::memcpy(out.data(), &n, 4);
    std::copy(message.begin(), message.end(), out.begin() + 4);
    return out;
}

/// The message at `at`, and `at` behind it; false if it is not all there yet.
bool takeMessage(const std::string& buffer, size_t& at, std::string& message, bool& tooLong) {
    if (buffer.size() < at + 4)
        return false;
    uint32_t n = 0;
    std::memcpy(&n, buffer.data() + at, 4);
    tooLong = n > longestMessage;
    if (tooLong || buffer.size() - at - 4 < n)
        return false;
    message.assign(buffer, at + 4, n);
    at += 4 + size_t{n};
    return true;
}

/// Adds what has arrived; 0 at the end, negative on trouble.
ssize_t receiveMore(int socket, std::string& buffer, size_t& taken) {
    if (taken == buffer.size() || taken > (1u << 20)) {
        buffer.erase(0, taken);
        taken = 0;
    }
    static thread_local std::array<char, 1u << 16> chunk;
    ssize_t n = 0;
    do
        n = ::recv(socket, chunk.data(), chunk.size(), 0);
    while (n < 0 && errno == EINTR);
    if (n > 0)
        buffer.append(chunk.data(), static_cast<size_t>(n));
    return n;
}

} // namespace

Worker::Worker(int socket, pid_t process)
    : socket_(socket), process_(process), politeness_(politenessOfThread()), owner_(::getpid()) {}

int Worker::politenessOfThread() {
    return ::getpriority(PRIO_PROCESS, static_cast<id_t>(::gettid()));
}

Result<std::unique_ptr<Worker>> Worker::start(const Path& program) {
    std::array<int, 2> ends{};
    if (::socketpair(AF_UNIX, SOCK_STREAM | SOCK_CLOEXEC, 0, ends.data()) != 0)
        return systemError(errno, program, "Starting a reading process");
    posix_spawn_file_actions_t actions;
    posix_spawn_file_actions_init(&actions);
    posix_spawn_file_actions_adddup2(&actions, ends[1], STDIN_FILENO); // and closed on exec no more
    posix_spawn_file_actions_addclosefrom_np(&actions, STDERR_FILENO + 1);
    std::string name = program.native();
    std::array<char*, 2> arguments{name.data(), nullptr};
    pid_t process = 0;
    int failed = ::posix_spawn(&process, name.c_str(), &actions, nullptr, arguments.data(), environ);
    posix_spawn_file_actions_destroy(&actions);
    ::close(ends[1]);
    if (failed != 0) {
        ::close(ends[0]);
        return Error{ErrorKind::Io, program,
                     "The program that reads files for Moorfrost (" + program.filename().native() +
                         ") could not be started: " + std::string(std::strerror(failed)) +
                         ". Install Moorfrost again."};
    }
    return std::unique_ptr<Worker>(new Worker(ends[0], process));
}

Worker::~Worker() {
    ::close(socket_);
    if (owner_ != ::getpid())
        return;
    if (process_ == 0)
        return;
    ::kill(process_, SIGKILL);
    while (::waitpid(process_, nullptr, 0) < 0 && errno == EINTR) {
    }
}

std::string Worker::whatHappened() {
    int status = 0;
    ::kill(process_, SIGKILL); // it may only have closed its end
    while (::waitpid(process_, &status, 0) < 0)
        if (errno != EINTR)
            break;
    process_ = 0;
    if (WIFEXITED(status) && WEXITSTATUS(status) == outOfMemory)
        return "needed more memory than Moorfrost allows for one file (2 GB)";
    return "crashed";
}

bool Worker::send(const std::string& request) {
    unsent_ += framed(request);
    return sendMore();
}

bool Worker::sendMore() {
    while (!unsent_.empty()) {
        ssize_t n = ::send(socket_, unsent_.data(), unsent_.size(), MSG_NOSIGNAL | MSG_DONTWAIT);
        if (n < 0 && errno == EINTR)
            continue;
        if (n < 0)
            return errno == EAGAIN || errno == EWOULDBLOCK;
        unsent_.erase(0, static_cast<size_t>(n));
    }
    return true;
}

std::chrono::nanoseconds Worker::computed() const {
    clockid_t clock{};
    timespec t{};
    if (::clock_getcpuclockid(process_, &clock) != 0 || ::clock_gettime(clock, &t) != 0)
        return 0ns;
    return std::chrono::seconds(t.tv_sec) + std::chrono::nanoseconds(t.tv_nsec);
}

Worker::Outcome Worker::receive(std::string& answer, const Limits& limits, std::stop_token stop) {
    auto began = std::chrono::steady_clock::now();
    auto computedBefore = -1ns;
    for (;;) {
        bool tooLong = false;
        if (takeMessage(buffer_, taken_, answer, tooLong))
            return Outcome::Answer;
        if (tooLong)
            return Outcome::Died;
        pollfd wait{socket_, static_cast<short>(unsent_.empty() ? POLLIN : POLLIN | POLLOUT), 0};
        int ready = ::poll(&wait, 1, 50);
        if (ready < 0 && errno != EINTR)
            return Outcome::Died;
        if (ready > 0) {
            if ((wait.revents & POLLOUT) && !sendMore())
                return Outcome::Died;
            if ((wait.revents & ~POLLOUT) && receiveMore(socket_, buffer_, taken_) <= 0)
                return Outcome::Died;
            continue;
        }
        if (stop.stop_requested())
            return Outcome::Stopped;
        // Looked at only after a while without any news, so it costs nothing when all is well.
        auto now = computed();
        if (computedBefore < 0ns)
            computedBefore = now;
        if (now - computedBefore > limits.computing ||
            std::chrono::steady_clock::now() - began > limits.waiting)
            return Outcome::TooLong;
    }
}

void serve(int socket, const std::function<void(std::string_view, const Answers&)>& answer) {
    std::string in, out, request;
    size_t taken = 0;
    auto sentLast = std::chrono::steady_clock::now();
    bool open = true;
    auto flush = [&] {
        open = open && sendAll(socket, out.data(), out.size());
        out.clear();
        sentLast = std::chrono::steady_clock::now();
    };
    const Answers send = [&](const std::string& message) {
        out += framed(message);
        if (out.size() > (1u << 15) || std::chrono::steady_clock::now() - sentLast > 200ms)
            flush();
    };
    while (open) {
        bool tooLong = false;
        if (takeMessage(in, taken, request, tooLong)) {
            answer(request, send);
            flush();
        } else if (tooLong || receiveMore(socket, in, taken) <= 0) {
            return;
        }
    }
}

void limitOneself() {
    ::prctl(PR_SET_NO_NEW_PRIVS, 1, 0, 0, 0);
    auto limit = [](__rlimit_resource what, rlim_t value) {
        rlimit l{value, value};
        ::setrlimit(what, &l);
    };
    limit(RLIMIT_CORE, 0);
    limit(RLIMIT_FSIZE, 0);
    std::signal(SIGXFSZ, SIG_IGN);
#if !defined(__SANITIZE_ADDRESS__) && !defined(__SANITIZE_THREAD__)
    limit(RLIMIT_AS, mostMemory);
#endif
}

} // namespace moorfrost::sandbox
