// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/scan.h"

#include <algorithm>
#include <condition_variable>
#include <deque>
#include <mutex>

#include "core/sandbox/parser_pool.h"
#include "core/work/parallel.h"

namespace moorfrost::files {

namespace {

ScannedFile scanned(FoundFile&& file, Result<tags::TagFile>&& tags) {
    ScannedFile out{std::move(file.path), file.state, std::nullopt, {}};
    if (tags) {
        out.tags = std::move(*tags);
        out.tags->notes.insert(out.tags->notes.end(), file.notes.begin(), file.notes.end());
    } else {
        out.error = tags.error().message;
        for (const std::string& note : file.notes)
            out.error += " " + note;
    }
    return out;
}

Error reasonOf(const FoundFile& file) {
    return {ErrorKind::Unsupported, file.path, file.error};
}

} // namespace

ScannedFile scanFile(const Path& path) {
    FoundFile file = findFile(path);
    Result<tags::TagFile> tags = reasonOf(file);
    if (file.error.empty())
        tags = sandbox::ParserPool::shared().readTags(path);
    return scanned(std::move(file), std::move(tags));
}

namespace {

/// What was found and is to be read; filled by one thread while others take from it.
class Waiting {
public:
    void add(FoundFile&& file) {
        std::lock_guard lock(mutex_);
        files_.push_back(std::move(file));
        more_.notify_one();
    }
    void noMore() {
        std::lock_guard lock(mutex_);
        complete_ = true;
        more_.notify_all();
    }
    std::optional<sandbox::ParserPool::Question> take(bool wait) {
        std::unique_lock lock(mutex_);
        if (wait)
            more_.wait(lock, [&] { return next_ < files_.size() || complete_; });
        if (next_ == files_.size())
            return std::nullopt;
        size_t number = next_++;
        return sandbox::ParserPool::Question{number, files_[number].path.native(), {}};
    }
    FoundFile moveOut(size_t number) {
        std::lock_guard lock(mutex_);
        return std::move(files_[number]);
    }

private:
    std::mutex mutex_;
    std::condition_variable more_;
    std::deque<FoundFile> files_;
    size_t next_ = 0;
    bool complete_ = false;
};

} // namespace

ScanSummary scan(const std::vector<Path>& roots, const ScanOptions& options, std::stop_token stop,
                 work::Progress& progress, const std::function<void(ScannedFile)>& found,
                 const std::function<void(const Path&)>& unchanged) {
    ScanSummary summary;
    Waiting waiting;
    std::mutex mutex; // one call at a time
    // Where something throws, all threads end, and it is thrown on.
    std::stop_source ending;
    const std::stop_callback asked(stop, [&] { ending.request_stop(); });
    const std::stop_token end = ending.get_token();
    progress.begin(0);
    auto tell = [&](FoundFile&& file, Result<tags::TagFile>&& tags) {
        ScannedFile read = scanned(std::move(file), std::move(tags));
        std::lock_guard lock(mutex);
        ++(read.tags ? summary.read : summary.failed);
        progress.stepPath(read.path);
        found(std::move(read));
    };
    auto look = [&](FoundFile&& file) {
        if (!file.error.empty()) {
            auto reason = reasonOf(file);
            tell(std::move(file), reason);
        } else if (options.known && options.known(file.path) == file.state) {
            std::lock_guard lock(mutex);
            ++summary.unchanged;
            progress.stepPath(file.path);
            if (unchanged)
                unchanged(file.path);
        } else {
            waiting.add(std::move(file));
        }
    };
    auto find = [&] {
        uint64_t count = 0;
        findFiles(roots, options.subfolders, end, summary, [&](std::vector<FoundFile>&& some) {
            if (options.wanted)
                std::erase_if(some, [&](const FoundFile& file) { return !options.wanted(file); });
            count += some.size();
            progress.expect(count);
            for (FoundFile& file : some)
                look(std::move(file));
        });
        waiting.noMore();
    };
    auto read = [&] {
        sandbox::ParserPool::shared().readEach([&](bool wait) { return waiting.take(wait); }, end,
                                               [&](size_t number, Result<tags::TagFile> tags) {
                                                   if (!end.stop_requested())
                                                       tell(waiting.moveOut(number), std::move(tags));
                                               });
    };
    // Reading begins with the first file that is found; whoever has found all of them then reads, too.
    work::inParallel(
        work::threadsFor(options.threads),
        [&](size_t i) {
            try {
                if (i == 0)
                    find();
                read();
            } catch (...) {
                ending.request_stop();
                waiting.noMore();
                throw;
            }
        },
        options.threads);
    summary.stopped = stop.stop_requested();
    return summary;
}

} // namespace moorfrost::files
