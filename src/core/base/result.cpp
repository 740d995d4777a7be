// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/base/result.h"

#include <cerrno>
#include <cstring>
#include <new>

namespace moorfrost {

Error systemError(int errorNumber, const Path& path, const std::string& doing) {
    switch (errorNumber) {
    case ENOENT:
        return {ErrorKind::NotFound, path, doing + " failed: it is not there any more."};
    case EACCES:
    case EPERM:
        return {ErrorKind::Permission, path, doing + " failed: you have no permission for it."};
    case EROFS:
        return {ErrorKind::Permission, path, doing + " failed: the disk is read-only."};
    case ENOSPC:
    case EDQUOT:
        return {ErrorKind::NoSpace, path,
                doing + " failed: the disk is full. Free some space and try again."};
    case EEXIST:
        return {ErrorKind::Exists, path, doing + " failed: something with that name is there already."};
    case ELOOP:
        return {ErrorKind::Invalid, path, doing + " failed: its links lead round in a circle."};
    case ENAMETOOLONG:
        return {ErrorKind::Invalid, path, doing + " failed: the name is longer than the disk allows."};
    default:
        return {ErrorKind::Io, path, doing + " failed: " + std::strerror(errorNumber) + "."};
    }
}

Error errorOfException() {
    try {
        throw;
    } catch (const Failure& f) {
        return f.error();
    } catch (const std::bad_alloc&) {
        return {ErrorKind::Io, {}, "There is not enough memory for this."};
    } catch (const std::exception& e) {
        return {ErrorKind::Invalid, {}, std::string("Something unexpected went wrong: ") + e.what() + "."};
    } catch (...) {
        return {ErrorKind::Invalid, {}, "Something unexpected went wrong."};
    }
}

} // namespace moorfrost
