// SPDX-License-Identifier: GPL-3.0-or-later
// Documents of agreements (PDF, scans, letters): copies that lie in a folder beside the library, named by
// their checksum, so that it shows whether one has vanished or was altered. Any thread.
#pragma once

#include <cstdint>
#include <stop_token>
#include <string>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::library {

struct KeptDocument {
    std::string sha256; // 64 hex digits
    uint64_t bytes = 0;
    std::string name;  // of the file that was given: "Lanterns, split sheet.pdf"
    int64_t added = 0; // seconds since 1970
    bool operator==(const KeptDocument&) const = default;
};
std::string documentText(const KeptDocument& document);
KeptDocument documentFrom(const std::string& text);
std::vector<KeptDocument> documentsFrom(const std::vector<std::string>& texts);
/// A sentence where it is none, "" where it can be kept.
std::string whyNotDocument(const std::string& text);

class DocumentStore {
public:
    /// Nothing is made before a document is added.
    explicit DocumentStore(Path folder) : folder_(std::move(folder)) {}
    /// "library.db" has "library.db.documents".
    static Path folderOf(const Path& library);

    static constexpr uint64_t mostBytes = 100u << 20;

    /// Keeps a copy. What lies there under this checksum and is not whole is made whole again. An Error (a
    /// sentence) where it cannot be read, is empty, or too large.
    Result<KeptDocument> add(const Path& file) const;
    Path fileOf(const KeptDocument& document) const;
    enum class State { Whole, Gone, Altered };
    /// Reads all of it. An Error where it cannot be read, or after a stop.
    Result<State> check(const KeptDocument& document, std::stop_token stop = {}) const;
    /// A copy somewhere else, of one that is whole; what is there already is replaced as a whole.
    Status copyTo(const KeptDocument& document, const Path& to) const;

private:
    Path folder_;
};

} // namespace moorfrost::library
