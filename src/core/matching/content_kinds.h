// SPDX-License-Identifier: GPL-3.0-or-later
// What kind of sound a file holds, proposed by rule for a person to confirm.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/audio/sound_traits.h"
#include "core/tags/fields.h"

namespace moorfrost::matching {

enum class ContentKind { Music, Speech, Ident, Effect, Tone };

const std::vector<ContentKind>& allKinds();
/// "music", "speech" ...: in the store and for people (to be translated).
const std::string& kindName(ContentKind kind);
std::optional<ContentKind> kindByName(const std::string& name);

struct KindProposal {
    ContentKind kind = ContentKind::Music;
    std::string why; // a sentence
    bool operator==(const KindProposal&) const = default;
};

/// By the words of the name, the title and the genre; nullopt where they say nothing. "Tone" must be a word
/// of its own, and not one of a name that also has an artist.
std::optional<KindProposal> kindByWords(const Path& path, const tags::Fields& fields);
/// Whether the sound is to be listened to: no artist is told.
bool mayBeOther(const tags::Fields& fields);
/// By what it sounds like. `seconds`: of the whole file.
KindProposal kindBySound(double seconds, const audio::SoundTraits& traits);

} // namespace moorfrost::matching
