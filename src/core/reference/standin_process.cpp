// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/reference/standin_process.h"

#include "core/base/log.h"

namespace moorfrost::reference {

using namespace std::chrono;

StandinProcess::StandinProcess(Path data, std::vector<std::string> options)
    : data_(std::move(data)), options_(std::move(options)) {}

StandinProcess::~StandinProcess() {
    std::lock_guard lock(mutex_);
    end();
}

bool StandinProcess::isRunning() {
    std::lock_guard lock(mutex_);
    return process_.lives();
}

void StandinProcess::end() {
    process_.end();
    address_.clear();
}

Result<std::string> StandinProcess::address() {
    std::lock_guard lock(mutex_);
    if (process_.lives())
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
    std::vector<std::string> words{data_.native(), "--with-parent"};
    words.insert(words.end(), options_.begin(), options_.end());
    if (Status begun = process_.start("moorfrost-standin", std::move(words)); !begun)
        return Error{begun.error().kind, {}, "Starting the simulated reference: " + begun.error().message};
    // It tells its address when it has read its data.
    const ChildProcess::Heard heard = process_.line(seconds(20));
    if (!heard.line || !heard.line->starts_with("http://127.0.0.1:")) {
        end();
        return Error{
            ErrorKind::Io, {}, "The simulated reference did not start. What it says is in the terminal."};
    }
    address_ = *heard.line;
    log::info(log::About::Start, "The simulated reference answers at {}", address_);
    return address_;
}

} // namespace moorfrost::reference
