// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/playlist_match.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/library/audio_duplicates.h"
#include "core/library/fixity.h"
#include "core/tags/packed.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using exchange::PlaylistEntry;
using Evidence = PlaylistMatch::Evidence;

constexpr double lengthsDiffer = 3; // seconds: more is another length
constexpr size_t mostCandidates = 20;

/// What may be meant, of the files that have a wanted name or title.
struct Candidate {
    FileId id = 0;
    std::string path, title, artist; // folded
    double seconds = 0;
    bool absent = false;
};

using ByText = std::unordered_map<std::string, std::vector<Candidate>>;

std::string_view nameIn(std::string_view path) {
    const size_t slash = path.find_last_of("/\\");
    return slash == std::string_view::npos ? path : path.substr(slash + 1);
}

/// The name without what tells the format: an MP3 stands for the FLAC of today.
std::string stemOf(std::string_view path) {
    const std::string_view name = nameIn(path);
    const size_t dot = name.find_last_of('.');
    return text::fold(dot == std::string_view::npos || dot == 0 ? name : name.substr(0, dot));
}

/// How many names at the end of both paths are the same, without looking at the name of the file.
size_t foldersInCommon(std::string_view a, std::string_view b) {
    size_t out = 0;
    auto parent = [](std::string_view p) {
        const size_t slash = p.find_last_of("/\\");
        return slash == std::string_view::npos ? std::string_view() : p.substr(0, slash);
    };
    a = parent(a);
    b = parent(b);
    while (!a.empty() && !b.empty() && nameIn(a) == nameIn(b)) {
        ++out;
        a = parent(a);
        b = parent(b);
    }
    return out;
}

bool sameLength(double told, double known) {
    return told <= 0 || known <= 0 || std::abs(told - known) <= lengthsDiffer;
}

std::string lengthText(double seconds) {
    const auto all = static_cast<long>(std::lround(seconds));
    return fmt::format("{}:{:02}", all / 60, all % 60);
}

/// Fills the lists of those texts that are wanted.
void collect(Store& store, ByText& byStem, ByText& byTitle, std::stop_token stop) {
    tags::PackedView view;
    store.files().eachPacked([&](const PackedRecord& record) {
        if (stop.stop_requested())
            return false;
        const auto stem = byStem.find(stemOf(record.path));
        auto title = byTitle.end();
        std::string folded, artist;
        if (!view.read(record.content))
            view.fields.clear();
        for (const auto& field : view.fields) {
            if (field.count > 0 && field.key == "title")
                title = byTitle.find(folded = text::fold(view.values[field.first]));
            else if (field.count > 0 && field.key == "artist")
                artist = text::fold(view.values[field.first]);
        }
        if (stem == byStem.end() && title == byTitle.end())
            return true;
        const Candidate one{record.id, text::fold(record.path), folded, artist, view.duration, record.absent};
        if (stem != byStem.end())
            stem->second.push_back(one);
        if (title != byTitle.end())
            title->second.push_back(one);
        return true;
    });
}

/// The one that is better than all others by `rank`; else all that are best.
struct Best {
    std::vector<const Candidate*> all;
    int rank = 0;
};
Best bestOf(const std::vector<Candidate>& from, const std::function<int(const Candidate&)>& rank) {
    Best out;
    for (const Candidate& c : from) {
        const int r = rank(c);
        if (r <= 0 || r < out.rank)
            continue;
        if (r > out.rank)
            out.all.clear();
        out.rank = r;
        out.all.push_back(&c);
    }
    return out;
}

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
                    byStem_[stemOf(decoded(m.entry.place))];
                if (!m.entry.title.empty())
                    byTitle_[text::fold(m.entry.title)];
            }
        if (!byStem_.empty() || !byTitle_.empty())
            collect(store_, byStem_, byTitle_, stop_);
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

    void chooseOf(PlaylistMatch& m, const Best& best, Evidence evidence, const std::string& told) {
        std::vector<const Candidate*> there;
        for (const Candidate* c : best.all)
            if (!c->absent)
                there.push_back(c);
        const auto& from = there.empty() ? best.all : there;
        std::set<RecordingId> recordings;
        for (const Candidate* c : from)
            recordings.insert(store_.recordings().placeOf(c->id).recording);
        if (from.size() == 1 || (recordings.size() == 1 && !recordings.contains(0))) {
            take(m, from.front()->id, evidence, told);
            return;
        }
        for (const Candidate* c : from)
            if (m.candidates.size() < mostCandidates)
                m.candidates.push_back(c->id);
        m.told = fmt::format("{} files are as likely: choose one.", from.size());
    }

    void byName(PlaylistMatch& m) {
        if (m.entry.place.empty() || exchange::isAddress(m.entry.place))
            return;
        const std::string path = text::fold(decoded(m.entry.place));
        const auto it = byStem_.find(stemOf(decoded(m.entry.place)));
        if (it == byStem_.end())
            return;
        const Best best = bestOf(it->second, [&](const Candidate& c) {
            if (!sameLength(m.entry.seconds, c.seconds))
                return 0;
            const auto folders = static_cast<int>(std::min<size_t>(foldersInCommon(path, c.path), 20));
            const bool told = m.entry.seconds > 0 && c.seconds > 0;
            // The same name alone is not enough: many a file is called "01".
            if (folders == 0 && !told)
                return 0;
            return folders * 4 + (told ? 2 : 0) + (nameIn(path) == nameIn(c.path) ? 1 : 0);
        });
        if (best.all.empty())
            return;
        const size_t folders = foldersInCommon(path, best.all.front()->path);
        const bool told = m.entry.seconds > 0 && best.all.front()->seconds > 0;
        std::string why = folders > 0 ? fmt::format("Same file name, and {} same folder{} above it", folders,
                                                    folders == 1 ? "" : "s")
                                      : std::string("Same file name");
        why += told ? fmt::format("; same length, {}.", lengthText(best.all.front()->seconds)) : ".";
        chooseOf(m, best, folders > 0 ? Evidence::SameFolders : Evidence::SameName, why);
    }

    void byTitle(PlaylistMatch& m) {
        const auto it = m.entry.title.empty() ? byTitle_.end() : byTitle_.find(text::fold(m.entry.title));
        if (it == byTitle_.end())
            return;
        const std::string artist = text::fold(m.entry.artist);
        const Best best = bestOf(it->second, [&](const Candidate& c) {
            if (!sameLength(m.entry.seconds, c.seconds))
                return 0;
            const bool told = m.entry.seconds > 0 && c.seconds > 0;
            const bool byArtist = !artist.empty() && artist == c.artist;
            return !byArtist && !told ? 0 : (byArtist ? 2 : 0) + (told ? 1 : 0);
        });
        if (best.all.empty())
            return;
        const bool byArtist = best.rank >= 2, told = (best.rank & 1) != 0;
        chooseOf(m, best, Evidence::SameTitle,
                 fmt::format("Same title{}{}.", byArtist ? " and artist" : "",
                             told ? ", same length, " + lengthText(best.all.front()->seconds) : ""));
    }

    Store& store_;
    const Path folder_;
    std::stop_token stop_;
    work::Progress& progress_;
    std::vector<PlaylistMatch> out_;
    ByText byStem_, byTitle_;
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
