// SPDX-License-Identifier: GPL-3.0-or-later
// A reference: a catalogue of releases in which one can look things up. Who implements it says how it is
// reached; the calls wait, so they belong into jobs. Any thread, several at once.
#pragma once

#include <stop_token>
#include <string>
#include <vector>

#include "core/base/result.h"
#include "core/reference/hearing.h"
#include "core/reference/question.h"
#include "core/reference/release.h"

namespace moorfrost::reference {

/// The key of the library itself, which is a reference, too.
inline constexpr const char* libraryKey = "library";

/// What is left in tags: "cairn:night-post-cd". What the library has from another reference keeps its number.
std::string numberOf(const std::string& reference, const std::string& id);
/// In the library, the number of a track's recording is that of its file.
std::string recordingOfFile(int64_t file);

class Reference {
public:
    virtual ~Reference() = default;
    /// Stays the same for good: it stands in origins and in the tags of files.
    virtual std::string key() const = 0;
    virtual std::string name() const = 0; // for people

    /// The best first.
    virtual Result<std::vector<Release>> find(const Question& question, std::stop_token stop) = 0;
    /// find() tells all that is known.
    virtual bool tellsAllAtOnce() const { return false; }
    /// All that is known of one.
    virtual Result<Release> fetch(const std::string& id, std::stop_token stop) = 0;
    /// Which of its recordings these sounds are. A reference that hears nothing says nothing.
    virtual Result<Heard> hear(const std::vector<sound::Fingerprint>& sounds, std::stop_token stop) {
        (void)sounds, (void)stop;
        return Heard();
    }
    /// The bytes of a picture, not looked at; `pixels`: about that size will do, 0: as large as there is.
    virtual Result<std::string> picture(const std::string& id, int pixels, std::stop_token stop) = 0;
};

} // namespace moorfrost::reference
