// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/scan.h"

#include <algorithm>
#include <cerrno>
#include <mutex>
#include <set>
#include <system_error>

#include <sys/stat.h>

#include "core/tags/tag_io.h"
#include "core/work/parallel.h"

namespace moorfrost::files {

namespace fs = std::filesystem;

namespace {

using Identity = std::pair<dev_t, ino_t>;

void walkFolder(const Path& folder, bool subfolders, std::stop_token stop, std::set<Identity>& seen,
                std::vector<Path>& out, ScanSummary& summary) {
    struct stat st {};
    if (::stat(folder.c_str(), &st) != 0) {
        summary.folders.push_back(systemError(errno, folder, "Opening the folder"));
        return;
    }
    if (!seen.insert({st.st_dev, st.st_ino}).second)
        return; // a link that leads back, or the same folder given twice
    std::error_code error;
    std::vector<Path> entries;
    for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error))
        entries.push_back(it->path());
    if (error)
        summary.folders.push_back(systemError(error.value(), folder, "Reading the folder"));
    std::sort(entries.begin(), entries.end());
    std::vector<Path> folders;
    for (const Path& entry : entries) {
        if (stop.stop_requested())
            return;
        struct stat info {};
        bool audio = audio::formatByExtension(entry) != audio::Format::Unknown;
        if (::stat(entry.c_str(), &info) != 0) {
            if (audio) // a broken link, a loop: it is listed with its reason
                out.push_back(entry);
        } else if (S_ISDIR(info.st_mode)) {
            folders.push_back(entry);
        } else if (audio) {
            out.push_back(entry);
        } else {
            ++summary.others;
        }
    }
    if (subfolders)
        for (const Path& sub : folders)
            walkFolder(sub, subfolders, stop, seen, out, summary);
}

} // namespace

Result<FileState> stateOf(const Path& path) {
    struct stat st {};
    if (::stat(path.c_str(), &st) != 0)
        return systemError(errno, path, "Looking at the file");
    return FileState{static_cast<uint64_t>(st.st_size),
                     int64_t{st.st_mtim.tv_sec} * 1000000000 + st.st_mtim.tv_nsec};
}

std::vector<Path> findFiles(const std::vector<Path>& roots, bool subfolders, std::stop_token stop,
                            ScanSummary& summary) {
    std::vector<Path> out;
    std::set<Identity> seen;
    for (const Path& root : roots) {
        std::error_code error;
        Path absolute = fs::absolute(root, error).lexically_normal();
        if (fs::is_directory(absolute, error)) {
            if (!absolute.has_filename())
                absolute = absolute.parent_path();
            walkFolder(absolute, subfolders, stop, seen, out, summary);
        } else {
            out.push_back(absolute);
        }
    }
    std::set<Path> unique;
    std::erase_if(out, [&](const Path& p) { return !unique.insert(p).second; });
    return out;
}

ScannedFile scanFile(const Path& path) {
    ScannedFile file;
    file.path = path;
    auto state = stateOf(path);
    if (!state) {
        file.error = state.error().message;
        return file;
    }
    file.state = *state;
    auto tags = tags::readTags(path);
    if (tags)
        file.tags = std::move(*tags);
    else
        file.error = tags.error().message;
    return file;
}

ScanSummary scan(const std::vector<Path>& roots, const ScanOptions& options, std::stop_token stop,
                 work::Progress& progress, const std::function<void(ScannedFile)>& found) {
    ScanSummary summary;
    std::vector<Path> files = findFiles(roots, options.subfolders, stop, summary);
    progress.begin(files.size());
    std::mutex mutex;
    auto scanOne = [&](size_t i) {
        if (stop.stop_requested())
            return;
        ScannedFile file = scanFile(files[i]);
        std::lock_guard lock(mutex);
        ++(file.tags ? summary.read : summary.failed);
        progress.step(files[i].filename().native());
        found(std::move(file));
    };
    work::inParallel(files.size(), scanOne, options.threads);
    summary.stopped = stop.stop_requested();
    return summary;
}

} // namespace moorfrost::files
