// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/folder_watch.h"

#include <array>
#include <atomic>
#include <cerrno>
#include <map>
#include <optional>
#include <thread>
#include <unordered_map>

#include <fmt/format.h>
#include <poll.h>
#include <sys/eventfd.h>
#include <sys/inotify.h>
#include <sys/stat.h>
#include <unistd.h>

namespace moorfrost::files {

namespace {

using Clock = std::chrono::steady_clock;

constexpr uint32_t wanted = IN_CLOSE_WRITE | IN_CREATE | IN_DELETE | IN_MOVED_FROM | IN_MOVED_TO | IN_ATTRIB |
                            IN_DELETE_SELF | IN_MOVE_SELF | IN_ONLYDIR | IN_EXCL_UNLINK;

/// What a folder is beyond its name: another disk may be mounted there.
struct Identity {
    dev_t device = 0;
    ino_t number = 0;
    bool operator==(const Identity&) const = default;
};

std::optional<Identity> identityOf(const Path& folder) {
    struct stat st {};
    if (::stat(folder.c_str(), &st) != 0 || !S_ISDIR(st.st_mode))
        return std::nullopt;
    return Identity{st.st_dev, st.st_ino};
}

bool isWithin(const Path& path, const Path& folder) {
    const std::string &p = path.native(), &f = folder.native();
    return p == f || (p.starts_with(f) && p[f.size()] == '/');
}

} // namespace

struct FolderWatch::State {
    std::vector<Path> roots;
    Options options;
    std::function<void(Told)> tell;
    std::function<void(std::string)> trouble;
    int notify = -1, wake = -1;
    std::unordered_map<int, Path> folders; // by number of the watch
    std::map<Path, int> numbers;
    std::map<Path, std::optional<Identity>> identities; // of roots, as they were seen last
    bool limited = false;
    Told told;
    bool any = false;
    Clock::time_point first, last;
    std::atomic<bool> ends = false;
    std::thread thread;

    void say(std::string sentence) {
        if (!std::exchange(limited, true))
            trouble(std::move(sentence));
    }

    void noteTime() {
        last = Clock::now();
        if (!std::exchange(any, true))
            first = last;
    }

    /// The folder and all in it.
    void watch(const Path& folder) {
        if (ends || limited)
            return;
        if (numbers.size() >= options.mostFolders) {
            say("This system watches no more folders at a time (its limit is reached).");
            return;
        }
        const int number = ::inotify_add_watch(notify, folder.c_str(), wanted);
        if (number < 0) {
            if (errno == ENOSPC || errno == ENOMEM)
                say("This system watches no more folders at a time (its limit, "
                    "fs.inotify.max_user_watches, is reached).");
            return; // it is gone again, or may not be read
        }
        if (const auto before = folders.find(number); before != folders.end())
            numbers.erase(before->second); // the same folder by another name
        folders[number] = folder;
        numbers[folder] = number;
        std::error_code error;
        std::filesystem::directory_iterator it(folder, error), end;
        while (!error && it != end) {
            std::error_code unclear;
            if (it->is_directory(unclear) && !it->is_symlink(unclear))
                watch(it->path());
            it.increment(error);
        }
    }

    void unwatch(const Path& folder) {
        for (auto it = numbers.lower_bound(folder); it != numbers.end();) {
            if (!isWithin(it->first, folder)) {
                if (it->first.native().starts_with(folder.native())) { // "Ab" between "A" and "A/b"
                    ++it;
                    continue;
                }
                break;
            }
            ::inotify_rm_watch(notify, it->second);
            folders.erase(it->second);
            it = numbers.erase(it);
        }
    }

    /// Whether roots have come, gone, or are others now.
    void lookAtRoots(bool atStart) {
        for (const Path& root : roots) {
            const auto now = identityOf(root);
            auto& before = identities[root];
            if (!atStart && now == before)
                continue;
            before = now;
            unwatch(root);
            if (now)
                watch(root);
            if (!atStart) {
                told.trees.insert(root);
                noteTime();
            }
        }
    }

    void take(const inotify_event& event, const char* name) {
        if (event.mask & IN_Q_OVERFLOW) {
            told.all = true;
            noteTime();
            return;
        }
        const auto it = folders.find(event.wd);
        if (it == folders.end())
            return;
        const Path folder = it->second;
        if (event.mask & (IN_DELETE_SELF | IN_MOVE_SELF | IN_UNMOUNT | IN_IGNORED)) {
            if (event.mask & IN_IGNORED) {
                numbers.erase(folder);
                folders.erase(it);
            }
            if (identities.contains(folder)) {
                identities[folder] = std::nullopt; // looked at again soon
                told.trees.insert(folder);
                noteTime();
            }
            return;
        }
        if (event.mask & IN_ISDIR && *name != '\0') {
            const Path inside = folder / name;
            if (event.mask & (IN_MOVED_FROM | IN_DELETE))
                unwatch(inside);
            else if (event.mask & (IN_CREATE | IN_MOVED_TO))
                watch(inside);
            else
                return; // its rights or times
            told.trees.insert(inside);
        } else {
            told.folders.insert(folder);
        }
        noteTime();
    }

    void readEvents() {
        alignas(inotify_event) std::array<char, 65536> bytes{};
        for (;;) {
            const ssize_t n = ::read(notify, bytes.data(), bytes.size());
            if (n <= 0)
                return;
            for (ssize_t at = 0; at + static_cast<ssize_t>(sizeof(inotify_event)) <= n;) {
                const auto* event = reinterpret_cast<const inotify_event*>(bytes.data() + at);
                take(*event, event->len > 0 ? event->name : "");
                at += static_cast<ssize_t>(sizeof(inotify_event) + event->len);
            }
        }
    }

    void run() {
        lookAtRoots(true);
        Clock::time_point looked = Clock::now();
        while (!ends) {
            const auto now = Clock::now();
            auto until = looked + options.roots;
            if (any)
                until = std::min({until, last + options.quiet, first + options.most});
            const auto wait = std::chrono::duration_cast<std::chrono::milliseconds>(until - now).count() + 1;
            std::array<pollfd, 2> polled{{{notify, POLLIN, 0}, {wake, POLLIN, 0}}};
            ::poll(polled.data(), polled.size(), static_cast<int>(std::max<long long>(wait, 0)));
            if (ends)
                return;
            readEvents();
            const auto then = Clock::now();
            if (then >= looked + options.roots) {
                lookAtRoots(false);
                looked = then;
            }
            if (any && (then >= last + options.quiet || then >= first + options.most)) {
                any = false;
                tell(std::exchange(told, {}));
            }
        }
    }
};

FolderWatch::FolderWatch(std::vector<Path> roots, Options options, std::function<void(Told)> tell,
                         std::function<void(std::string)> trouble)
    : state_(std::make_unique<State>()) {
    State& s = *state_;
    s.roots = std::move(roots);
    s.options = options;
    s.tell = std::move(tell);
    s.trouble = std::move(trouble);
    s.notify = ::inotify_init1(IN_CLOEXEC | IN_NONBLOCK);
    s.wake = ::eventfd(0, EFD_CLOEXEC | EFD_NONBLOCK);
    if (s.notify < 0 || s.wake < 0) {
        s.say("This system watches no folders (inotify cannot be begun: its limit of watchers is reached).");
        return;
    }
    s.thread = std::thread([&s] { s.run(); });
}

FolderWatch::~FolderWatch() {
    State& s = *state_;
    s.ends = true;
    if (s.thread.joinable()) {
        ::eventfd_write(s.wake, 1);
        s.thread.join();
    }
    for (const int fd : {s.notify, s.wake})
        if (fd >= 0)
            ::close(fd);
}

} // namespace moorfrost::files
