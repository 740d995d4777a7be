// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/search/release_rows.h"

#include <array>
#include <unordered_map>

#include "core/library/search/joint_field.h"
#include "core/matching/clues.h"
#include "core/matching/sleeves.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

/// Numbers for texts: the same for the same. Those of lists of a field are worked out once for each list.
class Numbered {
public:
    uint32_t of(const std::string& text) {
        return numbers_.try_emplace(text, static_cast<uint32_t>(numbers_.size())).first->second;
    }

private:
    std::unordered_map<std::string, uint32_t> numbers_;
};

template<class How>
std::vector<uint32_t> numbersOfLists(const JointField& field, How how) {
    Numbered numbered;
    std::vector<uint32_t> out;
    for (uint32_t list = 0; list < field.listCount(); ++list)
        out.push_back(numbered.of(how(list == 0 ? std::string() : field.text(list))));
    return out;
}

/// What makes rows one release. Two copies stand in two folders; two editions may stand in one; plans scatter
/// a compilation over the folders of its artists.
class Groups {
public:
    using Key = std::array<uint32_t, 5>;

    explicit Groups(const Searcher& s)
        : album_(s.field("album")), artist_(s.field("album_artist")), folder_(s.field(folderColumn)),
          compilation_(s.field("compilation")), number_(s.field("catalogue_number")),
          match_(s.field(matching::referenceNumberField)), albums_(numbersOfLists(album_, text::fold)),
          folders_(numbersOfLists(folder_,
                                  [](const std::string& folder) {
                                      return matching::releaseFolder(Path(folder) / "a").native();
                                  })),
          flagged_(compilation_.listCount()) {
        for (uint32_t list = 1; list < flagged_.size(); ++list)
            flagged_[list] = compilation_.text(list) == "1";
    }
    bool hasAlbum(Row row) const { return album_.listOf(row) != 0; }
    Key of(Row row) const {
        const bool scattered = flagged_[compilation_.listOf(row)];
        return {albums_[album_.listOf(row)], scattered ? UINT32_MAX : folders_[folder_.listOf(row)],
                scattered ? artist_.listOf(row) : 0, number_.listOf(row), match_.listOf(row)};
    }
    /// Number and match may be missing from some of the tracks.
    static bool hasMarks(const Key& key) { return key[3] != 0 || key[4] != 0; }
    static Key withMarks(Key key, const Key& of) {
        key[3] = of[3];
        key[4] = of[4];
        return key;
    }

private:
    const JointField &album_, &artist_, &folder_, &compilation_, &number_, &match_;
    std::vector<uint32_t> albums_, folders_; // numbers of lists
    std::vector<bool> flagged_;
};

struct KeyHash {
    size_t operator()(const Groups::Key& key) const {
        size_t out = 0;
        for (const uint32_t part : key)
            out = (out ^ part) * 0x9E3779B97F4A7C15u;
        return out ^ (out >> 32);
    }
};

} // namespace

std::vector<std::vector<Row>> rowsByRelease(const Searcher& library, std::stop_token stop) {
    const Groups groups(library);
    const std::vector<Row> ordered = library.ordered(library.all(), {});
    // Of each place that has one release with numbers, the key of that: tracks without any go there.
    struct Marked {
        Groups::Key key{};
        bool several = false;
    };
    std::unordered_map<Groups::Key, Marked, KeyHash> marked;
    for (const Row row : ordered)
        if (const Groups::Key key = groups.of(row); groups.hasAlbum(row) && Groups::hasMarks(key)) {
            const auto [at, isNew] = marked.try_emplace(Groups::withMarks(key, {}), Marked{key, false});
            at->second.several |= at->second.key != key;
        }
    std::vector<std::vector<Row>> out;
    std::unordered_map<Groups::Key, size_t, KeyHash> places;
    for (const Row row : ordered) {
        if (stop.stop_requested())
            return {};
        if (!groups.hasAlbum(row))
            continue;
        Groups::Key key = groups.of(row);
        if (!Groups::hasMarks(key))
            if (const auto one = marked.find(key); one != marked.end() && !one->second.several)
                key = one->second.key;
        const auto [at, isNew] = places.try_emplace(key, out.size());
        if (isNew)
            out.emplace_back();
        out[at->second].push_back(row);
    }
    return out;
}

} // namespace moorfrost::library
