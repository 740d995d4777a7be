// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/files/trash.h"

#include <cctype>
#include <cerrno>
#include <cstdlib>
#include <ctime>

#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>

#include "core/files/io.h"

namespace moorfrost::files {

namespace {

namespace fs = std::filesystem;

dev_t deviceOf(const Path& path) {
    struct stat st {};
    return ::stat(path.c_str(), &st) == 0 ? st.st_dev : 0;
}

/// The folder at the top of the disk that it lies on.
Path topOf(const Path& file) {
    Path top = file.parent_path();
    const dev_t device = deviceOf(top);
    while (top.has_relative_path() && deviceOf(top.parent_path()) == device)
        top = top.parent_path();
    return top;
}

Path homeTrash() {
    if (const char* data = std::getenv("XDG_DATA_HOME"); data && *data == '/')
        return Path(data) / "Trash";
    const char* home = std::getenv("HOME");
    return home && *home == '/' ? Path(home) / ".local/share/Trash" : Path();
}

/// Of what is there, the nearest.
Path existing(Path path) {
    while (!path.empty() && path.has_relative_path() && !fs::exists(path))
        path = path.parent_path();
    return path;
}

Status makeFolders(const Path& folder) {
    if (fs::is_directory(folder))
        return Done{};
    if (folder.has_relative_path())
        if (Status s = makeFolders(folder.parent_path()); !s)
            return s;
    const int error = io::makeFolder(folder);
    return error == 0 || error == EEXIST ? Status(Done{}) : systemError(error, folder, "Making the trash");
}

/// As in a URI, with slashes (RFC 2396).
std::string escaped(const std::string& path) {
    std::string out;
    for (char c : path) {
        const auto u = static_cast<unsigned char>(c);
        if ((std::isalnum(u) && u < 128) || c == '/' || c == '-' || c == '_' || c == '.' || c == '~')
            out += c;
        else
            out += fmt::format("%{:02X}", u);
    }
    return out;
}

Path noteOf(const Path& placed) {
    Path name = placed.filename();
    name += ".trashinfo";
    return placed.parent_path().parent_path() / "info" / name;
}

} // namespace

Result<Path> placeInTrash(const Path& file) {
    const Path home = homeTrash();
    const bool atHome = !home.empty() && deviceOf(existing(home)) == deviceOf(file.parent_path());
    const Path top = topOf(file);
    const Path trash = atHome ? home : top / (".Trash-" + std::to_string(::getuid()));
    for (const char* folder : {"files", "info"})
        if (Status s = makeFolders(trash / folder); !s)
            return s.error();
    const std::time_t now = std::time(nullptr);
    std::tm local{};
    ::localtime_r(&now, &local);
    char date[32];
    std::strftime(date, sizeof date, "%Y-%m-%dT%H:%M:%S", &local);
    const std::string from = atHome ? file.native() : file.lexically_relative(top).native();
    const std::string note = "[Trash Info]\nPath=" + escaped(from) + "\nDeletionDate=" + date + "\n";
    for (int n = 1; n < 10000; ++n) {
        Path name = file.filename();
        if (n > 1) {
            name = file.stem();
            name += fmt::format(" {}", n);
            name += file.extension();
        }
        const Path placed = trash / "files" / name;
        if (fs::exists(fs::symlink_status(placed)))
            continue;
        int fd = -1;
        const int error = io::create(noteOf(placed), fd);
        if (error == EEXIST)
            continue;
        if (error != 0)
            return systemError(error, noteOf(placed), "Putting into the trash");
        const int written = io::write(fd, 0, note.data(), note.size());
        ::close(fd);
        if (written != 0) {
            io::unlink(noteOf(placed));
            return systemError(written, noteOf(placed), "Putting into the trash");
        }
        return placed;
    }
    return Error{ErrorKind::Exists, file, "There is no free name for it in the trash."};
}

void forgetTrashed(const Path& placed) {
    const Path folder = placed.parent_path(), trash = folder.parent_path();
    const std::string name = trash.filename().native();
    if (folder.filename() == "files" && (name == "Trash" || name.starts_with(".Trash-")))
        io::unlink(noteOf(placed));
}

} // namespace moorfrost::files
