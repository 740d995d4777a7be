// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/content_kinds.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>

#include <fmt/format.h>

#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

const std::array<std::pair<ContentKind, std::string>, 5> names = {{{ContentKind::Music, "music"},
                                                                   {ContentKind::Speech, "speech"},
                                                                   {ContentKind::Ident, "ident"},
                                                                   {ContentKind::Effect, "effect"},
                                                                   {ContentKind::Tone, "tone"}}};

/// In the order in which they are looked for: a "spoken ident" is an ident.
const std::vector<std::pair<ContentKind, std::set<std::string>>>& words() {
    static const std::vector<std::pair<ContentKind, std::set<std::string>>> list = {
        {ContentKind::Tone,
         {"testtone", "test tone", "line up tone", "pink noise", "white noise", "sine", "1khz", "sweep"}},
        {ContentKind::Ident, {"ident", "idents", "jingle", "jingles", "station id", "sting"}},
        {ContentKind::Effect, {"sfx", "sound effect", "sound effects", "foley", "atmos", "wildtrack"}},
        {ContentKind::Speech,
         {"speech", "spoken", "spoken word", "interview", "announcement", "lecture", "talk", "audiobook"}},
    };
    return list;
}

/// Single words and pairs of neighbours, folded.
std::set<std::string> wordsOf(const std::string& text) {
    std::set<std::string> out;
    std::string before;
    std::string word;
    auto end = [&] {
        if (word.empty())
            return;
        out.insert(word);
        if (!before.empty())
            out.insert(before + " " + word);
        before = std::exchange(word, {});
    };
    for (char c : text::fold(text))
        if (c == ' ' || c == '_' || c == '-' || c == '.' || c == '(' || c == ')' || c == ',' || c == '/')
            end();
        else
            word += c;
    end();
    return out;
}

} // namespace

const std::vector<ContentKind>& allKinds() {
    static const std::vector<ContentKind> kinds = {
        ContentKind::Music, ContentKind::Speech, ContentKind::Ident, ContentKind::Effect, ContentKind::Tone};
    return kinds;
}

const std::string& kindName(ContentKind kind) {
    return names[static_cast<size_t>(kind)].second;
}

std::optional<ContentKind> kindByName(const std::string& name) {
    for (const auto& [kind, of] : names)
        if (of == name)
            return kind;
    return std::nullopt;
}

bool mayBeOther(const tags::Fields& fields) {
    return !fields.contains("artist") && !fields.contains("album_artist");
}

std::optional<KindProposal> kindByWords(const Path& path, const tags::Fields& fields) {
    // A song may be called "Interview"; a genre is told to sort by.
    std::vector<std::pair<std::string, std::string>> sources = {{"genre", tags::shownValue(fields, "genre")}};
    if (mayBeOther(fields)) {
        sources.emplace_back("name", text::escapeBytes(path.stem().native()));
        sources.emplace_back("title", tags::shownValue(fields, "title"));
    }
    for (const auto& [source, text] : sources) {
        const std::set<std::string> of = wordsOf(text);
        for (const auto& [kind, wanted] : words())
            for (const std::string& word : wanted)
                if (of.contains(word))
                    return KindProposal{kind, fmt::format("Its {} says \"{}\".", source, word)};
    }
    return std::nullopt;
}

KindProposal kindBySound(double seconds, const audio::SoundTraits& t) {
    if (t.seconds < 0.5 || t.level < -70)
        return {ContentKind::Music, "There is too little sound to tell."};
    if (t.oneTone > 0.7)
        return {ContentKind::Tone,
                fmt::format("{} of about {} Hz.", t.pauses > 0.2 ? "Pips" : "One steady tone",
                            std::lround(t.toneHertz / 10) * 10)};
    if (t.pureTones > 0.9 && t.spread < 1.5)
        return {ContentKind::Tone, "A tone that goes up or down, always as loud."};
    if (t.flatness > 0.25 && t.spread < 1.5)
        return {ContentKind::Tone, "Steady noise."};
    if (t.flatness > 0.25 && t.regularity < 0.3)
        return {ContentKind::Effect, "No artist; it is noise that comes and goes."};
    if (seconds >= 3 && t.lowFrames > 0.3 && t.syllables > 0.45 && t.regularity < 0.35)
        return {ContentKind::Speech, "No artist; its level goes up and down as syllables do, with pauses."};
    if (seconds < 15)
        return {ContentKind::Ident,
                fmt::format("No artist; only {} seconds long.", std::max(1L, std::lround(seconds)))};
    return {ContentKind::Music, "It sounds like music."};
}

} // namespace moorfrost::matching
