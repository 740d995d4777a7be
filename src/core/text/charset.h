// SPDX-License-Identifier: GPL-3.0-or-later
// Texts of other systems as UTF-8 and back, a part at a time, by ICU's converters. One object, one thread.
#pragma once

#include <memory>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::text {

/// Names for people, which are also names for ICU: "UTF-8", "UTF-16LE", "Windows-1252" ...
const std::vector<std::string>& charsetNames();

/// Bytes that came from elsewhere. What cannot be read becomes U+FFFD.
class CharsetReader {
public:
    /// An Error (Invalid) where there is no such encoding.
    static Result<CharsetReader> of(const std::string& charset);
    CharsetReader(CharsetReader&&) noexcept;
    CharsetReader& operator=(CharsetReader&&) noexcept;
    ~CharsetReader();
    /// A character may be cut in two by the parts. `last`: nothing follows.
    std::string read(std::string_view bytes, bool last);
    size_t unread() const; // characters that could not be read so far

private:
    struct State;
    explicit CharsetReader(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

/// Text that goes elsewhere. What the encoding does not have becomes "?".
class CharsetWriter {
public:
    static Result<CharsetWriter> of(const std::string& charset);
    CharsetWriter(CharsetWriter&&) noexcept;
    CharsetWriter& operator=(CharsetWriter&&) noexcept;
    ~CharsetWriter();
    std::string write(std::string_view text);
    size_t replaced() const; // characters that it does not have, so far

private:
    struct State;
    explicit CharsetWriter(std::unique_ptr<State> state);
    std::unique_ptr<State> state_;
};

/// What tells the encoding in front of a text: EF BB BF, FF FE, FE FF; "" for encodings without one.
std::string byteOrderMark(const std::string& charset);

} // namespace moorfrost::text
