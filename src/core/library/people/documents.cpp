// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/people/documents.h"

#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <ctime>

#include <fmt/format.h>

#include "core/base/byte_source.h"
#include "core/files/checksums.h"
#include "core/files/disk.h"
#include "core/library/people/cards.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

constexpr size_t sumLength = 64;

/// Documents are small: nobody is told how far it is.
void unheard(uint64_t) {}

bool isSum(std::string_view text) {
    return text.size() == sumLength &&
           std::ranges::all_of(text, [](char c) { return (c >= '0' && c <= '9') || (c >= 'a' && c <= 'f'); });
}

/// ".pdf"; nothing that could be anything else than an ending.
std::string endingOf(const std::string& name) {
    const std::string ending = text::lower(Path(name).extension().native());
    const bool plain = ending.size() > 1 && ending.size() <= 8 &&
                       std::all_of(ending.begin() + 1, ending.end(),
                                   [](char c) { return (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9'); });
    return plain ? ending : std::string();
}

std::string quoted(const Path& file) {
    return "\"" + text::forDisplay(file.filename().native()) + "\"";
}

} // namespace

std::string documentText(const KeptDocument& d) {
    return fmt::format("{}{}{}{}{}{}{}", d.sha256, cardBreak, d.bytes, cardBreak, d.name, cardBreak, d.added);
}

KeptDocument documentFrom(const std::string& text) {
    std::vector<std::string> parts = text::split(text, std::string(1, cardBreak));
    parts.resize(4);
    return {parts[0], std::strtoull(parts[1].c_str(), nullptr, 10), parts[2],
            std::strtoll(parts[3].c_str(), nullptr, 10)};
}

std::vector<KeptDocument> documentsFrom(const std::vector<std::string>& texts) {
    std::vector<KeptDocument> out;
    for (const std::string& one : texts)
        out.push_back(documentFrom(one));
    return out;
}

std::string whyNotDocument(const std::string& text) {
    const KeptDocument d = documentFrom(text);
    if (!isSum(d.sha256) || d.name.empty() || d.name.find_first_of("\n\r/") != std::string::npos)
        return "This is no document that is kept.";
    return {};
}

Path DocumentStore::folderOf(const Path& library) {
    Path out = library;
    out += ".documents";
    return out;
}

Path DocumentStore::fileOf(const KeptDocument& document) const {
    // The name comes from the library: only what is a checksum becomes part of a path.
    return folder_ /
           ((isSum(document.sha256) ? document.sha256 : std::string("none")) + endingOf(document.name));
}

Result<KeptDocument> DocumentStore::add(const Path& file) const {
    std::error_code error;
    if (!std::filesystem::is_regular_file(file, error))
        return Error{ErrorKind::NotFound, file, quoted(file) + " is no file."};
    auto source = FileSource::open(file);
    if (!source)
        return source.error();
    const uint64_t size = (*source)->size();
    if (size == 0)
        return Error{ErrorKind::Invalid, file, quoted(file) + " is empty."};
    if (size > mostBytes)
        return Error{ErrorKind::Invalid, file,
                     fmt::format("{} has {} MB; a document has at most {}.", quoted(file), size >> 20,
                                 mostBytes >> 20)};
    const std::string bytes = (*source)->bytes(0, static_cast<size_t>(size));
    if (bytes.size() != size)
        return Error{ErrorKind::Io, file, quoted(file) + " cannot be read to its end."};
    if (const Status made = files::makeFolders(folder_); !made)
        return made.error();
    // Written under a name of its own, read back, and named by what was read: what lies here is what was
    // seen.
    KeptDocument out{std::string(sumLength, '0'), size, text::forDisplay(file.filename().native()),
                     static_cast<int64_t>(std::time(nullptr))};
    // Several may be added at once.
    static std::atomic<uint64_t> number = 0;
    const Path fresh = folder_ / fmt::format("new {} {}{}", ::getpid(), ++number, endingOf(out.name));
    if (const Status written = files::writeWhole(fresh, bytes); !written)
        return written.error();
    const auto sum = files::sha256Of(fresh, {}, unheard);
    if (!sum)
        return sum.error();
    out.sha256 = *sum;
    if (const auto there = check(out); there && *there == State::Whole) {
        if (const Status removed = files::removeFile(fresh); !removed)
            return removed.error();
        return out;
    }
    if (const Status written = files::writeWhole(fileOf(out), bytes); !written)
        return written.error();
    if (const Status removed = files::removeFile(fresh); !removed)
        return removed.error();
    const auto kept = check(out);
    if (!kept)
        return kept.error();
    if (*kept != State::Whole)
        return Error{ErrorKind::Io, file, quoted(file) + " changed while it was being kept. Add it again."};
    return out;
}

Result<DocumentStore::State> DocumentStore::check(const KeptDocument& document, std::stop_token stop) const {
    const Path file = fileOf(document);
    if (!files::isThere(file))
        return State::Gone;
    const auto sum = files::sha256Of(file, stop, unheard);
    if (!sum)
        return sum.error();
    return *sum == document.sha256 ? State::Whole : State::Altered;
}

Status DocumentStore::copyTo(const KeptDocument& document, const Path& to) const {
    const auto state = check(document);
    if (!state)
        return state.error();
    if (*state == State::Gone)
        return Error{ErrorKind::NotFound,
                     {},
                     "\"" + document.name + "\" has vanished from the folder beside the library."};
    if (*state == State::Altered)
        return Error{
            ErrorKind::Damaged, {}, "\"" + document.name + "\" is not what was kept: it was altered."};
    auto source = FileSource::open(fileOf(document));
    if (!source)
        return source.error();
    return files::writeWhole(to, (*source)->bytes(0, static_cast<size_t>((*source)->size())));
}

} // namespace moorfrost::library
