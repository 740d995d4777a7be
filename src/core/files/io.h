// SPDX-License-Identifier: GPL-3.0-or-later
// The system calls that change the disk, and nothing else changes it: each is one step that an observer can
// count, refuse, cut short or record. That is how crashes, full disks and power cuts are tested. All return 0
// or the errno. Any thread; the observer is for one process and must be set before threads start.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::files::io {

enum class Call {
    Create,
    Write,
    Copy,
    Truncate,
    Allocate,
    Flush,       // one file
    FlushFolder, // the names in a folder
    FlushDisk,   // everything on a file system
    Rename,
    Unlink,
    MakeFolder,
    RemoveFolder,
    Attributes, // owner, mode, times, extended attributes
};

struct Event {
    Call call;
    int fd = -1;
    Path path, to;
    uint64_t offset = 0, length = 0;
    const char* data = nullptr; // of a Write
};

class Observer {
public:
    virtual ~Observer() = default;
    /// Before the call; an errno other than 0 makes it fail without being made. May shorten a Write or Copy
    /// (event.length), which then fails with EIO after that part.
    virtual int before(Event& event) = 0;
    /// After a call that succeeded (or was shortened).
    virtual void after(const Event& event) = 0;
};

/// nullptr: none, which is how the program runs.
void observe(Observer* observer);
bool isObserved();

/// A new file that was not there, for reading and writing. `fd` is -1 on failure.
int create(const Path& path, int& fd);
int write(int fd, uint64_t offset, const char* data, size_t n);
/// Copies bytes between files inside the kernel (a block clone where the disk can).
int copy(int from, uint64_t fromOffset, int to, uint64_t toOffset, uint64_t n);
int truncate(int fd, uint64_t size);
int allocate(int fd, uint64_t size);
int flush(int fd);
/// The same without times and other things that are not needed to read the bytes again.
int flushData(int fd);
/// Asks the disk to begin with what was written into the file, and does not wait: a flush that follows has
/// less to wait for.
void startFlush(int fd);
int flushFolder(const Path& folder);
/// Everything that was written to the disk that `fd` lies on.
int flushDisk(int fd);
/// Replaces `to` if it is there.
int rename(const Path& from, const Path& to);
/// EEXIST if `to` is there.
int renameFree(const Path& from, const Path& to);
int unlink(const Path& path);
int makeFolder(const Path& path);
int removeFolder(const Path& path);
/// Owner, mode, extended attributes (and so ACLs) of `from`; a sentence for each kind that could not be kept.
std::vector<std::string> copyAttributes(int from, int to);
int setModified(int fd, int64_t modifiedNs);

} // namespace moorfrost::files::io
