// SPDX-License-Identifier: GPL-3.0-or-later
// Looking through folders: what is there, without reading it.
#include <algorithm>
#include <array>
#include <cerrno>
#include <climits>
#include <iterator>
#include <map>
#include <set>
#include <unordered_set>

#include <dirent.h>
#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>

#include "core/files/scan.h"
#include "core/text/text.h"

namespace moorfrost::files {

namespace fs = std::filesystem;

namespace {

using Identity = std::pair<dev_t, ino_t>;

FileState stateFrom(const struct stat& st) {
    return {static_cast<uint64_t>(st.st_size), int64_t{st.st_mtim.tv_sec} * 1000000000 + st.st_mtim.tv_nsec};
}

std::string whyNotAFile(mode_t mode) {
    if (S_ISFIFO(mode))
        return "This is a pipe, not a file.";
    if (S_ISSOCK(mode))
        return "This is a socket, not a file.";
    if (S_ISDIR(mode))
        return "This is a folder that is named like a sound file. What is in it was looked through.";
    return "This is a device, not a file.";
}

/// Whether a file whose name says nothing is looked into. Those that go along with music are not.
bool mayHoldSound(const Path& path) {
    static const std::set<std::string> others = {
        ".jpg", ".jpeg", ".png",  ".gif", ".webp", ".bmp", ".tif", ".tiff", ".pdf", ".txt",  ".log", ".cue",
        ".md5", ".sfv",  ".ffp",  ".m3u", ".pls",  ".nfo", ".htm", ".html", ".xml", ".json", ".csv", ".db",
        ".ini", ".doc",  ".docx", ".odt", ".rtf",  ".zip", ".gz",  ".tar",  ".iso", ".url",  ".md",  ".m3u8",
        ".7z",  ".rar",  ".xspf", ".sh",  ".py",   ".so",  ".exe", ".lnk",  ".yml", ".svg",  ".xls", ".xlsx"};
    return !others.contains(text::fold(path.extension().native()));
}

bool beginsLikeSound(const Path& path) {
    auto source = FileSource::open(path);
    if (!source)
        return false;
    audio::Format format = audio::detectFormat(**source);
    // Two bytes can look like MP3 by chance; an ID3v2 tag in front cannot.
    return format != audio::Format::Unknown &&
           (format != audio::Format::Mp3 || audio::id3v2Length(**source, 0) > 0);
}

/// The last part of a path: cheaper than Path::filename(), for every file of a scan.
std::string_view nameIn(const Path& path) {
    std::string_view all = path.native();
    return all.substr(all.rfind('/') + 1);
}

void describeName(const Path& path, std::vector<std::string>& notes) {
    std::string_view name = nameIn(path);
    if (!text::isUtf8(name))
        notes.emplace_back("The name is not valid UTF-8 text.");
    else if (std::any_of(name.begin(), name.end(), [](char c) { return c >= 0 && c < 0x20; }))
        notes.emplace_back("The name holds a line break or another control character.");
}

void describeRoom(const struct stat& st, std::vector<std::string>& notes) {
    auto size = static_cast<uint64_t>(st.st_size), there = static_cast<uint64_t>(st.st_blocks) * 512;
    if (size > (1u << 20) && there < size / 2)
        notes.push_back(fmt::format("Most of the file is holes: {} MB long, {} MB are stored.",
                                    size / 1000000, there / 1000000));
}

class Finder {
public:
    /// `mayRepeat`: a file may be come upon more than once.
    Finder(bool subfolders, bool mayRepeat, std::stop_token stop, ScanSummary& summary,
           const FoundSome& found)
        : subfolders_(subfolders), mayRepeat_(mayRepeat), stop_(std::move(stop)), summary_(summary),
          tell_(found) {}

    void root(const Path& given) {
        std::error_code error;
        Path absolute = fs::absolute(given, error).lexically_normal();
        if (!absolute.has_filename())
            absolute = absolute.parent_path();
        struct stat st {};
        if (::stat(absolute.c_str(), &st) == 0 && S_ISDIR(st.st_mode))
            folder(absolute, {st.st_dev, st.st_ino});
        else
            file(absolute);
    }

    /// Whatever it is, it is listed.
    void file(const Path& path) {
        entry(path, true);
        handOver();
    }

private:
    struct Sub {
        Path path;
        Identity identity;
        bool link = false;
    };

    void folder(const Path& path, Identity identity) {
        seen_.insert(identity);
        std::vector<std::string> entries;
        DIR* open = ::opendir(path.c_str());
        if (!open) {
            summary_.folders.push_back(systemError(errno, path, "Reading the folder"));
            return;
        }
        errno = 0;
        while (const dirent* e = ::readdir(open))
            if (std::string_view name = e->d_name; name != "." && name != "..")
                entries.emplace_back(path.native() + "/" + e->d_name);
        if (errno != 0)
            summary_.folders.push_back(systemError(errno, path, "Reading the folder"));
        ::closedir(open);
        std::sort(entries.begin(), entries.end());
        std::vector<Sub> subs;
        for (std::string& e : entries) {
            if (stop_.stop_requested())
                return;
            if (auto sub = entry(std::move(e), false))
                subs.push_back(std::move(*sub));
        }
        tellTwins();
        handOver();
        if (!subfolders_)
            return;
        for (const Sub& sub : subs) {
            if (!seen_.contains(sub.identity))
                folder(sub.path, sub.identity);
            else if (sub.link)
                summary_.folders.push_back({ErrorKind::Unsupported, sub.path,
                                            "This link leads to a folder that was looked through already."});
        }
    }

    /// One name of a folder. Folders come back. `always`: it was named by a person.
    std::optional<Sub> entry(Path path, bool always) {
        struct stat st {};
        FoundFile file;
        file.path = std::move(path);
        bool audio = always || audio::formatByExtension(file.path) != audio::Format::Unknown;
        if (::lstat(file.path.c_str(), &st) != 0) {
            file.error = systemError(errno, file.path, "Looking at the file").message;
            if (audio)
                found_.push_back(std::move(file));
            return std::nullopt;
        }
        bool link = S_ISLNK(st.st_mode);
        if (link) {
            std::array<char, PATH_MAX> target{};
            ssize_t n = ::readlink(file.path.c_str(), target.data(), target.size());
            if (n > 0)
                file.notes.push_back("This is a link to " +
                                     text::forDisplay({target.data(), static_cast<size_t>(n)}) + ".");
            if (::stat(file.path.c_str(), &st) != 0) {
                file.error = systemError(errno, file.path, "Following the link").message;
                if (audio)
                    found_.push_back(std::move(file));
                return std::nullopt;
            }
        }
        if (!S_ISREG(st.st_mode)) {
            std::optional<Sub> sub;
            if (S_ISDIR(st.st_mode))
                sub = Sub{file.path, {st.st_dev, st.st_ino}, link};
            file.error = whyNotAFile(st.st_mode);
            if (audio)
                found_.push_back(std::move(file));
            return sub;
        }
        if (!audio && !(mayHoldSound(file.path) && beginsLikeSound(file.path))) {
            ++summary_.others;
            return std::nullopt;
        }
        file.state = stateFrom(st);
        describeRoom(st, file.notes);
        describeName(file.path, file.notes);
        found_.push_back(std::move(file));
        return std::nullopt;
    }

    /// Names that a person cannot tell apart: the same letters in another Unicode form.
    void tellTwins() {
        std::map<std::string, size_t> names;
        for (size_t i = 0; i < found_.size(); ++i) {
            std::string_view name = nameIn(found_[i].path);
            bool plain = std::all_of(name.begin(), name.end(), [](char c) { return c > 0; });
            if (plain || !text::isUtf8(name))
                continue;
            auto [twin, fresh] = names.try_emplace(text::nfc(name), i);
            if (fresh)
                continue;
            for (size_t k : {i, twin->second})
                found_[k].notes.emplace_back(
                    "Another file here has the same name, written in another Unicode form.");
        }
    }

    void handOver() {
        if (mayRepeat_)
            std::erase_if(found_,
                          [&](const FoundFile& f) { return !unique_.insert(f.path.native()).second; });
        if (!found_.empty())
            tell_(std::move(found_));
        found_.clear();
    }

    bool subfolders_, mayRepeat_;
    std::stop_token stop_;
    ScanSummary& summary_;
    const FoundSome& tell_;
    std::set<Identity> seen_;
    std::unordered_set<std::string> unique_;
    std::vector<FoundFile> found_; // in this folder
};

} // namespace

Result<FileState> stateOf(const Path& path) {
    struct stat st {};
    if (::stat(path.c_str(), &st) != 0)
        return systemError(errno, path, "Looking at the file");
    return stateFrom(st);
}

std::vector<OtherFile> otherFilesIn(const Path& folder) {
    namespace fs = std::filesystem;
    std::vector<OtherFile> out;
    std::error_code error;
    for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
        std::error_code ignored;
        if (!it->is_regular_file(ignored) || audio::formatByExtension(it->path()) != audio::Format::Unknown)
            continue;
        const uintmax_t size = it->file_size(ignored);
        out.push_back({it->path(), ignored ? 0 : static_cast<uint64_t>(size)});
    }
    std::sort(out.begin(), out.end(),
              [](const OtherFile& a, const OtherFile& b) { return a.path.native() < b.path.native(); });
    return out;
}

FoundFile findFile(const Path& path) {
    ScanSummary summary;
    FoundFile out;
    FoundSome take = [&](std::vector<FoundFile>&& found) { out = std::move(found.front()); };
    Finder(false, false, {}, summary, take).file(path);
    return out;
}

void findFiles(const std::vector<Path>& roots, bool subfolders, std::stop_token stop, ScanSummary& summary,
               const FoundSome& found) {
    Finder finder(subfolders, roots.size() > 1, std::move(stop), summary, found);
    for (const Path& root : roots)
        finder.root(root);
}

std::vector<FoundFile> findFiles(const std::vector<Path>& roots, bool subfolders, std::stop_token stop,
                                 ScanSummary& summary) {
    std::vector<FoundFile> out;
    findFiles(roots, subfolders, std::move(stop), summary, [&](std::vector<FoundFile>&& some) {
        std::move(some.begin(), some.end(), std::back_inserter(out));
    });
    return out;
}

} // namespace moorfrost::files
