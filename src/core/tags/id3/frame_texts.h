// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: what stands in the frames of an ID3v2 tag, as texts, and the other way round.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace moorfrost::tags {

/// Inserted zeros taken out and put in (ID3v2.4 structure, 6.1).
std::string synchronised(std::string_view bytes);
std::string unsynchronised(std::string_view bytes);

/// The texts behind an encoding byte: separated by zeros, the last one with or without.
std::vector<std::string> textsIn(std::string_view content);
/// An encoding byte and texts: Latin-1 where that can hold them, else UTF-8 in 2.4 and UTF-16 before.
std::string textContent(const std::vector<std::string>& texts, int version);

/// Frames that have a language and a description in front of their text: comments and lyrics.
struct WordsFrame {
    std::string language; // three bytes as they stand
    std::string description;
    std::string text;
};
std::optional<WordsFrame> wordsIn(std::string_view content);
std::string wordsContent(const WordsFrame& words, int version);

/// Frames with a description in front: user-defined texts, and links, whose last text is Latin-1.
struct NamedFrame {
    std::string description;
    std::vector<std::string> texts;
};
std::optional<NamedFrame> namedIn(std::string_view content, bool link);
/// nullopt where a link cannot be Latin-1.
std::optional<std::string> namedContent(const NamedFrame& named, bool link, int version);

/// Which frame holds a field. "" where a version has none.
struct FrameName {
    const char* key;
    const char* id;  // 2.3 and 2.4
    const char* id2; // 2.2
    bool since24 = false;
};
const FrameName* frameNameOf(std::string_view key);
/// The property that a frame of text or a link says, by its name in 2.3 and 2.4; "" for others.
std::string propertyOfFrame(std::string_view id);
/// The frame of text of a property without a standard field; "" where a version has none.
std::string textFrameOf(std::string_view property, int version);
/// The name in 2.3 and 2.4 of a frame of 2.2; "" where there is none that holds the same.
std::string modernId(std::string_view id2);

/// Names of comments and lyrics as fields: "comment", "comment [deu]", "lyrics:chorus", "lyrics:chorus
/// [deu]".
struct WordsName {
    bool lyrics = false;
    std::string description; // lower case
    std::string language;    // "": the first one of that description
};
std::optional<WordsName> wordsName(std::string_view key);
/// As a property: in capitals.
std::string wordsProperty(const WordsName& name);

/// The property of a role in the lists of people.
std::string roleProperty(std::string_view role);
/// Several people of one role in one text: a comma without a space behind it parts them.
std::vector<std::string> namesIn(std::string_view list);

} // namespace moorfrost::tags
