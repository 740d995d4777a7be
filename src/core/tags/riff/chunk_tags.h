// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: texts in chunks of their own. WAV: the list "INFO" (Microsoft, Multimedia Data Standards
// Update). AIFF: "NAME", "AUTH", "(c) ", "ANNO" (Audio Interchange File Format 1.3).
#pragma once

#include "core/base/byte_source.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag.h"

namespace moorfrost::tags {

class InfoList : public Tag {
public:
    /// The content of a LIST chunk, from "INFO" on.
    static InfoList parse(std::string_view bytes);

    std::string name() const override { return "INFO"; }
    std::string render() const;
    /// Of one item by its four letters; "" if there is none.
    std::string textOf(std::string_view id) const;
    /// Whether the list has an item for that field.
    static bool holds(const std::string& key);

protected:
    Status set(const std::string& key, const std::vector<std::string>& values) override;

private:
    std::string tail_;
};

/// Only what is there is kept in step: nothing is added. What is not ASCII cannot be held, and goes.
class AiffTexts : public Tag {
public:
    static AiffTexts read(const ByteSource& source);

    std::string name() const override { return "AIFF text"; }
    /// Puts the chunks that changed into the file.
    Status place(OverlayStream& stream) const;

protected:
    Status set(const std::string& key, const std::vector<std::string>& values) override;
};

/// Whether a chunk holds an ID3v2 tag.
bool isId3Chunk(std::string_view id);

/// Puts chunks of a WAV or AIFF anew, each in the place of an old one (in rising order), or at the end. A
/// chunk in front of the sound of a WAV that gets another length goes to the end, and an empty one takes its
/// room. An Error where the file would get too long for its format.
struct ChunkChange {
    uint64_t at = 0;     // where the old one begins; 0: a new one at the end
    std::string id;      // four letters
    std::string content; // may be empty
    bool gone = false;   // nothing in its place
};
Status placeChunks(OverlayStream& stream, audio::Format format, const std::vector<ChunkChange>& changes);

} // namespace moorfrost::tags
