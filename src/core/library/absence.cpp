// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/absence.h"

#include <algorithm>
#include <functional>
#include <map>
#include <optional>
#include <set>
#include <system_error>
#include <utility>

#include "core/library/audio_duplicates.h"
#include "core/library/fixity.h"
#include "core/tags/packed.h"

namespace moorfrost::library {

namespace {

bool isGone(const Path& path) {
    std::error_code error;
    const auto status = std::filesystem::symlink_status(path, error);
    // Where it cannot be told (no right to look, a failing disk) nothing is said.
    return status.type() == std::filesystem::file_type::not_found;
}

/// May it be a file that was missed before it came? It is new: in no batch, without drafts, and nothing was
/// given to it.
bool isNew(Store& store, FileId id, FileId missed) {
    return id > missed && store.batches().placesOf({id}).empty() && !store.drafts().has(id) &&
           !store.recordings().isKept(id);
}

/// The one that is like it; 0 if none is, or two are alike: neither is taken for it.
FileId onlyOne(Store& store, FileId missed, const std::vector<FileId>& from,
               const std::function<bool(const FileRecord&, const FileRecord&)>& like) {
    const auto file = store.files().find(missed);
    FileId found = 0;
    for (const FileId id : from) {
        const auto other = store.files().find(id);
        if (!file || !other || !isNew(store, id, missed) || !like(*file, *other))
            continue;
        if (found != 0)
            return 0;
        found = id;
    }
    return found;
}

bool sameTags(const FileRecord& a, const FileRecord& b) {
    return tags::packed(a.tags) == tags::packed(b.tags);
}

class Following {
public:
    explicit Following(Store& store) : store_(store) {}

    void isThere(const ShelfFile& f) {
        const There one{f.id, std::hash<std::string>()(f.path.filename().native())};
        byState_[{f.state.size, f.state.modifiedNs}].push_back(one);
        bySize_[f.state.size].push_back(one);
        all_.push_back(f.id);
    }

    std::vector<Followed> follow(const std::vector<ShelfFile>& missed, std::stop_token stop) {
        std::vector<Followed> out;
        std::set<FileId> taken;
        std::vector<const ShelfFile*> open;
        auto take = [&](const ShelfFile& m, FileId now, MovedBy by) {
            if (now == 0 || !taken.insert(now).second)
                return false;
            out.push_back({m.id, now, by});
            return true;
        };
        for (const ShelfFile& m : missed) {
            const auto same = byState_.find({m.state.size, m.state.modifiedNs});
            if (same == byState_.end() || !take(m, ofState(m, same->second), MovedBy::SameState))
                open.push_back(&m);
        }
        // Copied without its time: the name tells, too.
        std::erase_if(open, [&](const ShelfFile* m) {
            const auto same = bySize_.find(m->state.size);
            return same != bySize_.end() &&
                   take(*m, onlyOne(store_, m->id, named(*m, same->second), sameTags), MovedBy::SameContent);
        });
        for (const ShelfFile* m : open) {
            if (stop.stop_requested())
                break;
            take(*m, bySound(m->id), MovedBy::SameSound);
        }
        return out;
    }

private:
    struct There {
        FileId id = 0;
        size_t name = 0; // hash
    };

    /// Those that are called the same.
    static std::vector<FileId> named(const ShelfFile& missed, const std::vector<There>& from) {
        const size_t name = std::hash<std::string>()(missed.path.filename().native());
        std::vector<FileId> out;
        for (const There& t : from)
            if (t.name == name)
                out.push_back(t.id);
        return out;
    }

    /// Where a whole folder was renamed, names tell apart what is alike in everything else.
    FileId ofState(const ShelfFile& missed, const std::vector<There>& from) {
        if (const FileId found = onlyOne(store_, missed.id, named(missed, from), sameTags))
            return found;
        constexpr size_t mostAlike = 50; // of more no one could be told from the others
        if (from.size() > mostAlike)
            return 0;
        std::vector<FileId> all;
        for (const There& t : from)
            all.push_back(t.id);
        return onlyOne(store_, missed.id, all, sameTags);
    }

    /// Its tags were changed where it is now, or on the way.
    FileId bySound(FileId missed) {
        const auto file = store_.files().find(missed);
        const std::string essence = file ? knownEssence(store_, *file) : std::string();
        if (essence.empty())
            return 0;
        return onlyOne(store_, missed, newOnes(missed), [&](const FileRecord& a, const FileRecord& b) {
            return a.tags.facts.duration == b.tags.facts.duration &&
                   a.tags.facts.codec == b.tags.facts.codec && essenceOf(b) == essence;
        });
    }

    const std::vector<FileId>& newOnes(FileId missed) {
        if (!new_) {
            new_.emplace();
            for (const FileId id : all_)
                if (isNew(store_, id, missed))
                    new_->push_back(id);
        }
        return *new_;
    }

    std::string essenceOf(const FileRecord& file) {
        auto [it, isNew] = essences_.try_emplace(file.id);
        if (isNew) {
            it->second = knownEssence(store_, file);
            if (it->second.empty())
                if (const auto read = fixityOf(file.path, false))
                    it->second = read->essence;
        }
        return it->second;
    }

    Store& store_;
    std::map<std::pair<uint64_t, int64_t>, std::vector<There>> byState_;
    std::map<uint64_t, std::vector<There>> bySize_;
    std::vector<FileId> all_;
    std::optional<std::vector<FileId>> new_; // those that may be what is missed
    std::map<FileId, std::string> essences_;
};

bool isIn(const Path& file, const Path& folder) {
    const std::string &f = file.native(), &d = folder.native();
    return f.starts_with(d) && (f.size() == d.size() || d.ends_with('/') || f[d.size()] == '/');
}

} // namespace

bool Places::has(const Path& file) const {
    if (folders.empty() && trees.empty())
        return true;
    if (folders.contains(file.parent_path()))
        return true;
    return std::ranges::any_of(trees, [&](const Path& tree) { return isIn(file, tree); });
}

bool isThere(const Shelf& shelf, bool hasFiles) {
    std::error_code error;
    if (!std::filesystem::is_directory(shelf.path, error))
        return false;
    return !hasFiles || !std::filesystem::is_empty(shelf.path, error) || error;
}

size_t AbsenceLook::stillMissed() const {
    std::set<FileId> missed(gone.begin(), gone.end());
    for (const Followed& f : followed)
        missed.erase(f.missed);
    return missed.size();
}

AbsenceLook lookForAbsent(Store& store, const std::vector<Shelf>& shelves, std::stop_token stop,
                          work::Progress& progress, const Places& places) {
    AbsenceLook out;
    Following following(store);
    std::vector<ShelfFile> missed;
    for (const Shelf& shelf : shelves) {
        const std::vector<ShelfFile> known = store.files().onShelf(shelf.id);
        if (!isThere(shelf, !known.empty())) {
            out.notThere.push_back(shelf.id);
            continue;
        }
        for (const ShelfFile& f : known) {
            if (stop.stop_requested()) {
                out.stopped = true;
                return out;
            }
            if (f.displaced)
                continue;
            if (!places.has(f.path)) {
                if (f.absent) // it may have come to one of those places
                    missed.push_back(f);
                continue;
            }
            if (!isGone(f.path)) {
                following.isThere(f);
                if (f.absent)
                    out.back.push_back(f.id);
            } else {
                missed.push_back(f);
                if (!f.absent)
                    out.gone.push_back(f.id);
            }
            progress.stepPath(f.path);
        }
    }
    out.followed = following.follow(missed, stop);
    return out;
}

void noteAbsent(Store& store, const AbsenceLook& look, int64_t now) {
    Transaction transaction(store.database());
    std::vector<FileId> gone;
    for (const FileRecord& f : store.files().findAll(look.gone))
        if (isGone(f.path))
            gone.push_back(f.id);
    store.files().setAbsent(gone, now);
    std::vector<FileId> back;
    for (const FileRecord& f : store.files().findAll(look.back))
        if (!isGone(f.path))
            back.push_back(f.id);
    store.files().setAbsent(back, 0);
    for (const auto& [missed, row, by] : look.followed) {
        const auto from = store.files().find(missed), to = store.files().find(row);
        if (!from || !to || !isGone(from->path) || isGone(to->path))
            continue;
        store.files().forget(row);
        store.fixity().moveAll({{from->path, to->path}});
        store.files().move(missed, to->path);
        if (by == MovedBy::SameState)
            store.files().setShelf({missed}, to->shelf);
        else // it is otherwise than it was
            store.files().save({to->path, to->state, to->tags, to->error}, to->shelf);
    }
    transaction.commit();
}

} // namespace moorfrost::library
