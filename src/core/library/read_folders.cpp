// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/read_folders.h"

#include <chrono>
#include <mutex>

namespace moorfrost::library {

KnownStates knownStates(Store& store) {
    KnownStates out;
    store.files().eachKnown(
        [&](std::string_view path, const FileTable::Known& known) { out.emplace(path, known); });
    return out;
}

Result<FoldersRead> readFolders(const Path& library, const std::vector<Path>& roots, bool subfolders,
                                std::stop_token stop, work::Progress& progress,
                                const std::function<void(std::vector<files::ScannedFile>&&)>& some,
                                const std::function<bool(const files::FoundFile&)>& wanted,
                                const KnownStates* known) {
    using Clock = std::chrono::steady_clock;
    constexpr auto longest = std::chrono::milliseconds(250);
    constexpr size_t most = 500;
    FoldersRead out;
    auto opened = Store::open(library);
    if (!opened)
        return opened.error();
    Store* store = opened->get();
    std::mutex mutex; // several threads ask
    files::ScanOptions options;
    options.subfolders = subfolders;
    options.wanted = wanted;
    options.known = [&](const Path& path) -> std::optional<files::FileState> {
        if (known) {
            const auto it = known->find(path.native());
            return it != known->end() && it->second.whole ? std::optional(it->second.state) : std::nullopt;
        }
        std::lock_guard lock(mutex);
        const auto file = store->files().knownAt(path);
        return file && file->whole ? std::optional(file->state) : std::nullopt;
    };
    std::vector<files::ScannedFile> waiting;
    auto last = Clock::now();
    out.summary = files::scan(
        roots, options, stop, progress,
        [&](files::ScannedFile file) {
            waiting.push_back(std::move(file));
            if (waiting.size() < most && Clock::now() - last < longest)
                return;
            last = Clock::now();
            some(std::move(waiting));
            waiting.clear();
        },
        [&](const Path& path) {
            std::lock_guard lock(mutex);
            const auto it = known ? known->find(path.native()) : KnownStates::const_iterator();
            out.unchanged.push_back(known && it != known->end() ? it->second.id : store->files().idOf(path));
        });
    if (!waiting.empty())
        some(std::move(waiting));
    return out;
}

} // namespace moorfrost::library
