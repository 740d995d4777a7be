// SPDX-License-Identifier: GPL-3.0-or-later
// Errors as values: what went wrong, with what, and a sentence for a person.
#pragma once

#include <filesystem>
#include <stdexcept>
#include <string>
#include <utility>
#include <variant>

namespace moorfrost {

using Path = std::filesystem::path;

enum class ErrorKind {
    Io,          // the system refused or failed
    NotFound,    // the thing is not there (any more)
    Permission,  // no right to read or write
    Changed,     // the file is no longer what was read
    Exists,      // the place is taken
    NoSpace,     // the disk is full
    Unsupported, // a format or value that cannot be handled
    Damaged,     // content that breaks its own format
    Invalid,     // input that means nothing (a plan, a field value)
    Cancelled,   // stopped on request
    CutShort,    // content that ends too early: usable as far as it goes
};

struct Error {
    ErrorKind kind = ErrorKind::Io;
    Path path;           // empty when the error is not about one file
    std::string message; // one sentence in UTF-8 that says what happened and, where it helps, what to do
};

/// A value or an Error. Test it before use; asking for the wrong one throws std::bad_variant_access.
template<class T>
class [[nodiscard]] Result {
public:
    Result(T value) : state_(std::move(value)) {}
    Result(Error error) : state_(std::move(error)) {}

    explicit operator bool() const { return std::holds_alternative<T>(state_); }
    T& value() { return std::get<T>(state_); }
    const T& value() const { return std::get<T>(state_); }
    T& operator*() { return value(); }
    const T& operator*() const { return value(); }
    T* operator->() { return &value(); }
    const T* operator->() const { return &value(); }
    const Error& error() const { return std::get<Error>(state_); }
    /// Where it makes no difference whether it failed; why is told beside it.
    void ignore() const {}

private:
    std::variant<T, Error> state_;
};

struct Done {};
using Status = Result<Done>;

/// An Error as an exception, for code in which no function can hand one back. It ends at the edges of a
/// module: at the latest where a job or the library's thread hands back its Result (errorOf).
class Failure : public std::runtime_error {
public:
    explicit Failure(Error error) : std::runtime_error(error.message), error_(std::move(error)) {}
    const Error& error() const { return error_; }

private:
    Error error_;
};

/// What the exception that is being handled says, as a value. To be called in a catch block.
Error errorOfException();

/// The error of a failed system call, in words.
Error systemError(int errorNumber, const Path& path, const std::string& doing);

} // namespace moorfrost
