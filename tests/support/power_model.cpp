// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/power_model.h"

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <set>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include "support/sample_files.h"

namespace moorfrost::test {

using files::io::Call;
namespace fs = std::filesystem;

namespace {

uint64_t inodeOf(const Path& path) {
    struct stat st {};
    return ::lstat(path.c_str(), &st) == 0 ? st.st_ino : 0;
}

uint64_t inodeOf(int fd) {
    struct stat st {};
    return ::fstat(fd, &st) == 0 ? st.st_ino : 0;
}

void put(std::string& content, uint64_t offset, const std::string& data) {
    if (content.size() < offset + data.size())
        content.resize(static_cast<size_t>(offset + data.size()), '\0');
    content.replace(static_cast<size_t>(offset), data.size(), data);
}

std::string parentOf(const std::string& path) {
    return Path(path).parent_path().native();
}

} // namespace

/// The folders in which it changes a name.
std::vector<std::string> PowerModel::foldersOf(const Event& e) {
    switch (e.call) {
    case Call::Rename:
        return {parentOf(e.path), parentOf(e.to)};
    case Call::Create:
    case Call::Unlink:
    case Call::MakeFolder:
    case Call::RemoveFolder:
        return {parentOf(e.path)};
    default:
        return {};
    }
}

PowerModel::PowerModel(Path root, Path aside, Path unflushed)
    : root_(std::move(root)), aside_(std::move(aside)) {
    fs::create_directories(aside_);
    for (const auto& e : fs::recursive_directory_iterator(root_)) {
        if (e.is_directory()) {
            folders_.push_back(relative(e.path()));
        } else {
            names_[relative(e.path())] = inodeOf(e.path());
            contents_[inodeOf(e.path())] = readBytes(e.path());
        }
    }
    std::sort(folders_.begin(), folders_.end());
    if (!unflushed.empty())
        unflushed_ = inodeOf(unflushed);
    files::io::observe(this);
}

PowerModel::~PowerModel() {
    stop();
}

bool PowerModel::inside(const Path& path) const {
    return path.native().starts_with(root_.native() + "/");
}

/// A file that is about to lose its name stays within reach.
void PowerModel::keep(const Path& path) {
    if (uint64_t inode = inodeOf(path); inode != 0 && fs::is_regular_file(fs::symlink_status(path)))
        (void)::link(path.c_str(), (aside_ / std::to_string(inode)).c_str());
}

int PowerModel::before(files::io::Event& event) {
    if (recording_ && event.call == Call::Unlink)
        keep(event.path);
    if (recording_ && event.call == Call::Rename)
        keep(event.to);
    return 0;
}

void PowerModel::after(const files::io::Event& event) {
    if (!recording_)
        return;
    Event e{event.call, event.fd >= 0 ? inodeOf(event.fd) : 0, {}, {}, {}, event.offset};
    switch (event.call) {
    case Call::Write:
        e.data.assign(event.data, static_cast<size_t>(event.length));
        break;
    case Call::Copy: {
        e.call = Call::Write;
        e.data.resize(static_cast<size_t>(event.length));
        if (::pread(event.fd, e.data.data(), e.data.size(), static_cast<off_t>(event.offset)) < 0)
            qFatal("the copy cannot be read");
        break;
    }
    case Call::Flush:
        if (unflushed_ != 0 && e.inode == unflushed_)
            return;
        break;
    case Call::Create:
        e.inode = inodeOf(event.path);
        [[fallthrough]];
    case Call::Rename:
    case Call::Unlink:
    case Call::MakeFolder:
    case Call::RemoveFolder:
    case Call::FlushFolder:
        e.path = relative(event.path);
        e.to = event.to.empty() ? "" : relative(event.to);
        break;
    case Call::Truncate:
    case Call::Allocate:
    case Call::FlushDisk:
    case Call::Attributes:
        break;
    }
    events_.push_back(std::move(e));
}

int PowerModel::lastMark(size_t moment) const {
    int last = -1;
    for (const auto& [at, what] : marks_)
        if (at <= moment)
            last = what;
    return last;
}

void PowerModel::stop() {
    if (!recording_)
        return;
    recording_ = false;
    files::io::observe(nullptr);
    for (const auto& e : fs::recursive_directory_iterator(root_))
        if (e.is_regular_file())
            keep(e.path());
}

void PowerModel::cut(size_t moment, std::mt19937& random) {
    // Bytes.
    std::map<uint64_t, std::string> contents = contents_;
    std::map<uint64_t, std::vector<const Event*>> pending;
    auto settle = [&](uint64_t inode) {
        for (const Event* e : pending[inode]) {
            if (e->call == Call::Write)
                put(contents[inode], e->offset, e->data);
            else if (e->call == Call::Truncate || contents[inode].size() < e->offset)
                contents[inode].resize(static_cast<size_t>(e->offset));
        }
        pending[inode].clear();
    };
    for (size_t i = 0; i < moment; ++i) {
        const Event& e = events_[i];
        if (e.call == Call::Write || e.call == Call::Truncate || e.call == Call::Allocate)
            pending[e.inode].push_back(&e);
        else if (e.call == Call::Flush)
            settle(e.inode);
        else if (e.call == Call::FlushDisk)
            for (auto& [inode, list] : pending)
                if (unflushed_ == 0 || inode != unflushed_)
                    settle(inode);
    }
    auto odds = random() % 5; // from nothing to nearly everything
    for (auto& [inode, list] : pending)
        for (const Event* e : list) {
            if (e->call != Call::Write) {
                if (random() % 2 && (e->call == Call::Truncate || contents[inode].size() < e->offset))
                    contents[inode].resize(static_cast<size_t>(e->offset));
                continue;
            }
            for (uint64_t at = e->offset, end = e->offset + e->data.size(); at < end;) {
                uint64_t next = std::min<uint64_t>(end, (at / 512 + 1) * 512);
                if (random() % 4 < odds)
                    put(contents[inode], at,
                        e->data.substr(static_cast<size_t>(at - e->offset), static_cast<size_t>(next - at)));
                at = next;
            }
        }
    // Names: what a flush of their folder followed, and of each other folder some first part of what was
    // changed in it.
    std::map<std::string, size_t> flushed; // folder -> behind its last flush
    for (size_t i = 0; i < moment; ++i) {
        if (events_[i].call == Call::FlushFolder)
            flushed[events_[i].path == "." ? "" : events_[i].path] = i;
        else if (events_[i].call == Call::FlushDisk)
            for (auto& [folder, at] : flushed)
                at = i;
        for (const std::string& folder : foldersOf(events_[i]))
            flushed.try_emplace(folder, 0);
    }
    std::map<std::string, size_t> reached; // folder -> up to where its changes are on the disk
    for (const auto& [folder, at] : flushed)
        reached[folder] = at + random() % (moment - at + 1);
    std::map<std::string, uint64_t> names = names_;
    std::set<std::string> folders(folders_.begin(), folders_.end());
    std::set<std::string> behind; // of these something is missing, and so is all that came later
    for (size_t i = 0; i < moment; ++i) {
        const Event& e = events_[i];
        const std::vector<std::string> touched = foldersOf(e);
        if (touched.empty())
            continue;
        // A change of names is one thing: it is there with either of its folders.
        const bool sure = std::ranges::any_of(touched, [&](const auto& f) { return i < flushed[f]; });
        const bool there = std::ranges::all_of(
            touched, [&](const auto& f) { return i < reached[f] && !behind.contains(f); });
        if (!sure && !there) {
            behind.insert(touched.begin(), touched.end());
            continue;
        }
        switch (e.call) {
        case Call::Create:
            names[e.path] = e.inode;
            break;
        case Call::Rename:
            names[e.to] = names[e.path];
            names.erase(e.path);
            break;
        case Call::Unlink:
            names.erase(e.path);
            break;
        case Call::MakeFolder:
            folders.insert(e.path);
            break;
        case Call::RemoveFolder:
            folders.erase(e.path);
            break;
        default:
            break;
        }
    }
    // A folder that is not there takes with it what would have been in it.
    std::erase_if(names, [&](const auto& n) {
        const std::string parent = parentOf(n.first);
        return !parent.empty() && !folders.contains(parent);
    });
    for (const auto& e : fs::directory_iterator(root_))
        fs::remove_all(e.path());
    for (const std::string& folder : folders)
        fs::create_directories(root_ / folder);
    for (const auto& [name, inode] : names) {
        Path there = aside_ / std::to_string(inode);
        int fd = ::open(there.c_str(), O_WRONLY | O_TRUNC);
        const std::string& bytes = contents[inode];
        if (fd < 0 || ::write(fd, bytes.data(), bytes.size()) != static_cast<ssize_t>(bytes.size()) ||
            ::link(there.c_str(), (root_ / name).c_str()) != 0)
            qFatal("the state cannot be made: %s", name.c_str());
        ::close(fd);
    }
}

} // namespace moorfrost::test
