// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/playlist_match.h"

#include <algorithm>
#include <unordered_map>

#include <fmt/format.h>

#include "core/library/audio_duplicates.h"
#include "core/library/fixity.h"
#include "core/library/name_match.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using exchange::PlaylistEntry;
using Evidence = PlaylistMatch::Evidence;

class Matching {
public:
    Matching(Store& store, const exchange::Playlist& playlist, const Path& folder, std::stop_token stop,
             work::Progress& progress)
        : store_(store), folder_(folder), stop_(std::move(stop)), progress_(progress) {
        for (const PlaylistEntry& e : playlist.entries) {
            PlaylistMatch match;
            match.entry = e;
            out_.push_back(std::move(match));
        }
    }

    std::vector<PlaylistMatch> run() {
        progress_.begin(out_.size());
        for (PlaylistMatch& m : out_) {
            if (stop_.stop_requested())
                return std::move(out_);
            byPlace(m);
            progress_.step({});
        }
        if (std::ranges::any_of(out_, [](const PlaylistMatch& m) { return m.file == 0; }))
            bySound();
        for (const PlaylistMatch& m : out_)
            if (m.file == 0) {
                if (!m.entry.place.empty() && !exchange::isAddress(m.entry.place))
                    names_.wantName(decoded(m.entry.place));
                names_.wantTitle(m.entry.title);
            }
        names_.collect(stop_);
        for (PlaylistMatch& m : out_)
            if (m.file == 0 && !stop_.stop_requested()) {
                byName(m);
                if (m.file == 0 && m.candidates.empty())
                    byTitle(m);
                if (m.file == 0 && m.told.empty())
                    m.told = m.entry.title.empty() ? "No file of the library has this name."
                                                   : "No file of the library has this name or this title.";
            }
        return std::move(out_);
    }

private:
    static std::string decoded(const std::string& place) {
        return place.find('%') == std::string::npos
                   ? place
                   : exchange::pathOfPlace(place.starts_with("file:") ? place : "file:" + place, {}).native();
    }

    void take(PlaylistMatch& m, FileId file, Evidence evidence, std::string told) {
        m.file = file;
        m.evidence = evidence;
        m.told = std::move(told);
        m.candidates.clear();
    }

    void byPlace(PlaylistMatch& m) {
        if (m.entry.place.empty())
            return;
        if (exchange::isAddress(m.entry.place)) {
            m.told = "It is an address on a network, not a file.";
            return;
        }
        for (const std::string& place : {m.entry.place, decoded(m.entry.place)}) {
            const Path path = exchange::pathOfPlace(place, folder_);
            if (path.empty())
                continue;
            if (const FileId id = store_.files().idOf(path); id != 0)
                if (store_.recordings().placeOf(id).recording != 0)
                    return take(m, id, Evidence::SamePlace, "It is at this place.");
        }
    }

    void bySound() {
        for (PlaylistMatch& m : out_) {
            if (m.file != 0 || stop_.stop_requested())
                continue;
            std::string hash = m.entry.essenceHash;
            const Path path = exchange::pathOfPlace(m.entry.place, folder_);
            bool elsewhere = false; // a file is there that the library does not have
            if (hash.empty() && !path.empty())
                if (auto state = files::stateOf(path); state) {
                    elsewhere = true;
                    if (auto read = fixityOf(path, false))
                        hash = read->essence;
                }
            if (hash.empty())
                continue;
            if (const auto same = known().find(hash); same != known().end() && isStill(same->second, hash))
                take(m, same->second, Evidence::SameSound,
                     elsewhere ? "The file at this place has the same sound, byte for byte."
                               : "It has the same sound, byte for byte.");
        }
    }

    /// What is kept may be of the file as it was.
    bool isStill(FileId id, const std::string& hash) {
        const auto file = store_.files().find(id);
        return file && knownEssence(store_, *file) == hash;
    }

    const std::unordered_map<std::string, FileId>& known() {
        if (!known_)
            known_ = store_.workedOut().filesByFirst(essenceField);
        return *known_;
    }

    void take(PlaylistMatch& m, NameMatch::Found found, Evidence evidence) {
        if (found.file != 0)
            return take(m, found.file, evidence, std::move(found.told));
        if (found.candidates.empty())
            return;
        m.candidates = std::move(found.candidates);
        m.told = std::move(found.told);
    }

    void byName(PlaylistMatch& m) {
        if (m.entry.place.empty() || exchange::isAddress(m.entry.place))
            return;
        NameMatch::Found found = names_.byName(decoded(m.entry.place), m.entry.seconds);
        const Evidence evidence = found.sameFolders ? Evidence::SameFolders : Evidence::SameName;
        take(m, std::move(found), evidence);
    }

    void byTitle(PlaylistMatch& m) {
        if (!m.entry.title.empty())
            take(m, names_.byTitle(m.entry.title, m.entry.artist, m.entry.seconds), Evidence::SameTitle);
    }

    Store& store_;
    const Path folder_;
    std::stop_token stop_;
    work::Progress& progress_;
    std::vector<PlaylistMatch> out_;
    NameMatch names_{store_};
    std::optional<std::unordered_map<std::string, FileId>> known_;
};

} // namespace

std::vector<PlaylistMatch> matchPlaylist(Store& store, const exchange::Playlist& playlist, const Path& folder,
                                         std::stop_token stop, work::Progress& progress) {
    return Matching(store, playlist, folder, std::move(stop), progress).run();
}

exchange::Playlist playlistOf(Store& store, const std::string& title, const std::vector<FileId>& files,
                              const Path& folder, const exchange::PlaceStyle& style) {
    exchange::Playlist out;
    out.title = title;
    for (const FileId id : files) {
        const auto file = store.files().find(id);
        if (!file)
            continue;
        PlaylistEntry entry;
        entry.place = exchange::placeFor(file->path, folder, style);
        entry.title = tags::firstValue(file->tags.fields, "title");
        if (entry.title.empty())
            entry.title = text::forDisplay(file->path.stem().native());
        if (const auto artist = file->tags.fields.find("artist"); artist != file->tags.fields.end())
            entry.artist = text::join(artist->second, ", ");
        entry.album = tags::firstValue(file->tags.fields, "album");
        entry.seconds = file->tags.facts.duration;
        entry.essenceHash = knownEssence(store, *file);
        out.entries.push_back(std::move(entry));
    }
    return out;
}

} // namespace moorfrost::library
