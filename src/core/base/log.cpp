// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/log.h"

#include <algorithm>
#include <atomic>
#include <cstdlib>
#include <memory>
#include <mutex>
#include <system_error>

#include <spdlog/sinks/rotating_file_sink.h>
#include <spdlog/spdlog.h>

namespace moorfrost::log {

namespace {

constexpr size_t mostBytes = 1'000'000;
constexpr size_t oldOnes = 2;

std::mutex mutex; // guards logger and its file
std::shared_ptr<spdlog::logger> logger;
Path loggedTo;
std::atomic<bool> opened = false;

spdlog::level::level_enum levelOf(Level level) {
    switch (level) {
    case Level::Debug:
        return spdlog::level::debug;
    case Level::Info:
        return spdlog::level::info;
    case Level::Warning:
        return spdlog::level::warn;
    case Level::Error:
        break;
    }
    return spdlog::level::err;
}

const char* wordFor(About about) {
    constexpr const char* words[] = {"start", "library", "job", "write", "parser"};
    return words[static_cast<size_t>(about)];
}

} // namespace

Path defaultFile() {
    const char* state = std::getenv("XDG_STATE_HOME");
    if (state && *state == '/')
        return Path(state) / "moorfrost" / "log.txt";
    const char* home = std::getenv("HOME");
    return Path(home ? home : ".") / ".local" / "state" / "moorfrost" / "log.txt";
}

Status open(const Path& file, Level lowest) {
    std::error_code error;
    std::filesystem::create_directories(file.parent_path(), error);
    if (error)
        return systemError(error.value(), file.parent_path(), "Making the folder of the log");
    try {
        auto sink = std::make_shared<spdlog::sinks::rotating_file_sink_mt>(file.native(), mostBytes, oldOnes);
        auto made = std::make_shared<spdlog::logger>("moorfrost", std::move(sink));
        made->set_pattern("%Y-%m-%d %H:%M:%S.%e %l %v");
        made->set_level(levelOf(lowest));
        made->flush_on(spdlog::level::info);
        made->set_error_handler([](const std::string&) {}); // nothing of it is in the way
        std::lock_guard lock(mutex);
        logger = std::move(made);
        loggedTo = file;
        opened = true;
    } catch (const spdlog::spdlog_ex& e) {
        return Error{ErrorKind::Io, file, std::string("The log cannot be written: ") + e.what() + "."};
    }
    return Done{};
}

void close() {
    std::lock_guard lock(mutex);
    opened = false;
    logger.reset();
    loggedTo.clear();
}

Path file() {
    std::lock_guard lock(mutex);
    return loggedTo;
}

bool isOpen() {
    return opened;
}

void write(Level level, About about, const std::string& line) {
    std::shared_ptr<spdlog::logger> to;
    {
        std::lock_guard lock(mutex);
        to = logger;
    }
    if (!to)
        return;
    std::string whole = line; // one line each, whatever is in it
    std::ranges::replace(whole, '\n', ' ');
    to->log(levelOf(level), "[{}] {}", wordFor(about), whole);
}

} // namespace moorfrost::log
