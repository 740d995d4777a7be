// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/device/device_sync.h"

#include <algorithm>
#include <mutex>
#include <set>

#include <fmt/format.h>
#include <nlohmann/json.hpp>
#include <xxhash.h>

#include "core/audio/encode.h"
#include "core/base/bytes_hash.h"
#include "core/deliver/device/device_entries.h"
#include "core/deliver/page/page_make.h"
#include "core/deliver/sound_copy.h"
#include "core/exchange/playlist.h"
#include "core/files/copy_file.h"
#include "core/files/disk.h"
#include "core/files/io.h"
#include "core/files/safe_name.h"
#include "core/library/picture_store.h"
#include "core/sandbox/parser_pool.h"
#include "core/tags/picture_changes.h"
#include "core/text/text.h"
#include "core/work/parallel.h"

namespace moorfrost::deliver {

namespace {

using Kind = DeviceStep::Kind;

/// What means that the device itself is the trouble: nothing more is tried.
bool endsAll(const Error& error) {
    return error.kind == ErrorKind::NoSpace || error.kind == ErrorKind::Permission;
}

std::string hashOf(const Path& path) {
    const auto source = FileSource::open(path);
    if (!source)
        return {};
    BytesHash hash;
    std::string buffer(1 << 20, '\0');
    for (uint64_t at = 0; at < (*source)->size();) {
        const size_t n = (*source)->read(at, buffer.data(), buffer.size());
        if (n == 0)
            return {};
        hash.add(std::string_view(buffer).substr(0, n));
        at += n;
    }
    return hash.text();
}

class Syncing {
public:
    Syncing(library::Store& store, const DevicePlan& plan, const Path& pictures, std::stop_token stop,
            work::Progress& progress)
        : store_(store), plan_(plan), profile_(plan.device.profile), pictures_(pictures),
          stop_(std::move(stop)), progress_(progress), madeBy_(deviceMadeBy(plan.device.profile)) {}

    Result<DeviceReport> run(const std::vector<DeviceList>& lists) {
        if (Status marked = mark(); !marked)
            return marked.error();
        std::vector<const DeviceStep*> works;
        for (const DeviceStep& step : plan_.steps) {
            if (step.kind == Kind::Go)
                go(step);
            else if (step.kind == Kind::Come || step.kind == Kind::Change)
                works.push_back(&step);
        }
        progress_.begin(works.size());
        clearWays(works);
        // Names first: those that change places make way for each other.
        std::vector<const DeviceStep*> moves;
        for (const DeviceStep* step : works)
            if (isMove(*step))
                moves.push_back(step);
        for (const DeviceStep* step : moves)
            if (files::isThere(plan_.folder / step->path))
                makeWay(step->path, moves);
        for (const DeviceStep* step : moves)
            move(*step);
        work::inParallel(works.size(), [&](size_t i) {
            {
                std::lock_guard lock(mutex_);
                if (failed_ || stop_.stop_requested())
                    return;
            }
            if (!isMove(*works[i]))
                one(*works[i]);
            progress_.stepPath(works[i]->source);
        });
        if (!failed_ && !stop_.stop_requested())
            writeLists(lists);
        removeEmptied();
        report_.complete = !failed_ && !stop_.stop_requested() && report_.trouble.empty();
        if (failed_)
            report_.ended = failed_->message;
        else if (stop_.stop_requested())
            report_.ended = "It was stopped: what is there stays, and the rest follows the next time.";
        return std::move(report_);
    }

private:
    Status mark() {
        Device device = plan_.device;
        if (!device.key.empty())
            return Done{};
        device.key = newPageId();
        if (Status written = files::writeWhole(plan_.folder / deviceMark, device.key + "\n"); !written)
            return written;
        // What a person has changed of it meanwhile stays.
        library::DeviceTable table(store_.database());
        for (const auto& [id, content] : table.all())
            if (id == device.id) {
                Device now = deviceFrom(id, content);
                now.key = device.key;
                now.folder = plan_.folder;
                table.change(id, deviceContent(now));
            }
        return Done{};
    }

    /// Only its name is another.
    bool isMove(const DeviceStep& step) const {
        const OnDevice* entry = entryAt(step.before);
        return step.kind == Kind::Change && entry && step.before != step.path && entry->made == madeBy_ &&
               entry->sourceSize == step.state.size && entry->sourceModified == step.state.modifiedNs;
    }

    const OnDevice* entryAt(const std::string& path) const {
        const auto at = std::ranges::find(plan_.there, path, &OnDevice::path);
        return path.empty() || at == plan_.there.end() ? nullptr : &*at;
    }

    void trouble(const std::string& name, const Error& error) {
        std::lock_guard lock(mutex_);
        if (endsAll(error) || !files::isThere(plan_.folder / deviceMark)) {
            if (!failed_)
                failed_ = files::isThere(plan_.folder / deviceMark)
                              ? error
                              : Error{ErrorKind::NotFound, plan_.folder,
                                      "The device was taken out: what is on it stays, and the rest follows "
                                      "the next time."};
            return;
        }
        report_.trouble.push_back(name + ": " + error.message);
    }

    void go(const DeviceStep& step) {
        const Path target = plan_.folder / step.path;
        if (const Status removed = files::removeFile(target); !removed && files::isThere(target))
            return trouble(step.path, removed.error());
        emptied_.insert(target.parent_path().native());
        library::DeviceTable(store_.database()).drop(plan_.device.id, step.path);
        ++report_.gone;
    }

    /// Copies that are made anew under another name, and stand where something else is to be: they go first.
    void clearWays(const std::vector<const DeviceStep*>& works) {
        std::set<std::string> targets;
        for (const DeviceStep* step : works)
            if (step->path != step->before)
                targets.insert(text::fold(step->path));
        for (const DeviceStep* step : works)
            if (!isMove(*step) && targets.contains(text::fold(step->before))) {
                dropBefore(*step);
                cleared_.insert(step->file);
            }
    }

    /// The copy of before, which has another name, goes; nothing that has its place by now.
    void dropBefore(const DeviceStep& step) {
        if (step.before.empty() || step.before == step.path || cleared_.contains(step.file))
            return;
        std::lock_guard lock(mutex_);
        const Path before = plan_.folder / step.before;
        if (const Status removed = files::removeFile(before); !removed && files::isThere(before))
            return;
        library::DeviceTable(store_.database()).drop(plan_.device.id, step.before);
        emptied_.insert(before.parent_path().native());
    }

    /// The one that is at this path, and will be elsewhere, waits under another name.
    void makeWay(const std::string& path, const std::vector<const DeviceStep*>& moves) {
        for (const DeviceStep* other : moves) {
            if (other->before != path)
                continue;
            const Path from = plan_.folder / path, parked = besideOf(*other);
            bool crossDevice = false;
            Status moved = files::makeFolders(parked.parent_path());
            if (moved)
                moved = files::renameFree(from, parked, crossDevice);
            if (moved)
                parked_[other->file] = parked;
        }
    }

    Path besideOf(const DeviceStep& step) const {
        const Path target = plan_.folder / step.path;
        return target.parent_path() /
               (".moorfrost-" + std::to_string(step.file) + target.extension().native());
    }

    void move(const DeviceStep& step) {
        const auto parked = parked_.find(step.file);
        const Path from = parked == parked_.end() ? plan_.folder / step.before : parked->second;
        const Path to = plan_.folder / step.path;
        bool crossDevice = false;
        Status moved = files::makeFolders(to.parent_path());
        if (moved)
            moved = files::renameFree(from, to, crossDevice);
        if (!moved)
            return trouble(step.path, moved.error());
        OnDevice entry = *entryAt(step.before);
        entry.path = step.path;
        library::DeviceTable table(store_.database());
        table.drop(plan_.device.id, step.before);
        table.put(plan_.device.id, entryOf(entry));
        emptied_.insert((plan_.folder / step.before).parent_path().native());
        ++report_.changed;
    }

    /// The pictures as the device takes them, kept for a moment.
    tags::Fields picturesFor(const DeviceStep& step) {
        tags::Fields out;
        if (profile_.pictureSide < 0) {
            for (const tags::PictureInfo& picture : step.pictures)
                out[tags::pictureKey(picture.type)];
            return out;
        }
        const library::PictureStore store(pictures_);
        for (const tags::PictureInfo& picture : step.pictures) {
            auto& texts = out[tags::pictureKey(picture.type)];
            if (!texts.empty())
                continue; // one of a type is enough there
            const int side = profile_.pictureSide > 0 ? profile_.pictureSide : 1200;
            const auto fitted =
                sandbox::ParserPool::shared().fitPicture(step.source, picture.hash, {side, 500'000, 85});
            if (!fitted)
                continue;
            const auto kept = store.add(fitted->jpeg, picture.type, picture.description);
            if (kept)
                texts.push_back(tags::pictureText(*kept));
        }
        return out;
    }

    SoundCopy copyOf(const DeviceStep& step, const Path& target) {
        SoundCopy out;
        out.source = step.source;
        out.seconds = step.seconds;
        out.target = target;
        out.format = profile_.format;
        out.bitrate = profile_.bitrate;
        out.fields = step.fields;
        out.pictures = pictures_;
        for (auto& [key, texts] : picturesFor(step))
            if (!texts.empty())
                out.fields[key] = texts;
        if (profile_.loudness) {
            const std::string& gain = tags::firstValue(step.fields, "replaygain_track_gain");
            if (!gain.empty())
                out.gain = std::clamp(std::strtod(gain.c_str(), nullptr), -20.0, 12.0);
            for (const char* key : {"replaygain_track_gain", "replaygain_track_peak", "replaygain_album_gain",
                                    "replaygain_album_peak"})
                out.fields.erase(key);
        }
        return out;
    }

    /// Into a file beside its place; why it could not be.
    Status make(const DeviceStep& step, const Path& beside) {
        const std::string ending = text::lower(step.source.extension().native());
        const bool encoded = step.anew && Path(step.path).extension().native() != ending;
        if (encoded) {
            const auto made = makeSoundCopy(copyOf(step, beside), 0, stop_);
            if (!made)
                return made.error();
            if (const auto read = sandbox::ParserPool::shared().readTags(beside); !read)
                return read.error();
            return Done{};
        }
        BytesHash hash;
        const auto copied =
            files::copyFile(step.source, beside, stop_, [&](std::string_view some) { hash.add(some); });
        if (!copied)
            return copied.error();
        if (hashOf(beside) != hash.text())
            return Error{
                ErrorKind::Damaged, {}, "What was written to the device cannot be read back as it was."};
        if (!step.anew)
            return Done{};
        // Its pictures are made to fit.
        auto edit = sandbox::ParserPool::shared().prepareEdit(beside, picturesFor(step), tags::Damage::Refuse,
                                                              pictures_);
        if (!edit)
            return edit.error();
        auto file = files::NewFile::create(beside, true);
        if (!file)
            return file.error();
        if (Status filled = file->fill(*edit->original, edit->recipe); !filled)
            return filled;
        return file->replaceTarget();
    }

    void one(const DeviceStep& step) {
        const Path target = plan_.folder / step.path;
        if (Status made = files::makeFolders(target.parent_path()); !made)
            return trouble(step.path, made.error());
        const Path beside = besideOf(step);
        files::removeFile(beside).ignore(); // of a time before
        Status made = make(step, beside);
        if (!made) {
            files::removeFile(beside).ignore();
            if (made.error().kind != ErrorKind::Cancelled)
                trouble(step.path, made.error());
            return;
        }
        dropBefore(step);
        const bool replaces = step.before == step.path;
        bool crossDevice = false;
        Status placed = Done{};
        if (replaces) {
            if (const int error = files::io::rename(beside, target); error != 0)
                placed = systemError(error, target, "Giving the file its name");
        } else {
            placed = files::renameFree(beside, target, crossDevice);
        }
        if (!placed) {
            files::removeFile(beside).ignore();
            return trouble(step.path, placed.error());
        }
        const auto state = files::stateOf(target);
        if (!state)
            return trouble(step.path, state.error());
        const OnDevice entry{step.path, step.file,   step.state.size,  step.state.modifiedNs,
                             madeBy_,   state->size, state->modifiedNs};
        std::lock_guard lock(mutex_);
        library::DeviceTable table(store_.database());
        table.put(plan_.device.id, entryOf(entry));
        report_.bytes += state->size;
        ++(step.kind == Kind::Come ? report_.came : report_.changed);
    }

    void writeLists(const std::vector<DeviceList>& lists) {
        if (profile_.lists.empty() || lists.empty())
            return;
        std::map<library::FileId, std::string> places;
        for (const OnDevice& entry : entriesOf(store_, plan_.device.id))
            places[entry.file] = entry.path;
        const Path folder = plan_.folder / files::safeName(profile_.lists, files::NameProfile::Portable);
        if (Status made = files::makeFolders(folder); !made)
            return trouble(profile_.lists, made.error());
        for (const DeviceList& list : lists) {
            exchange::Playlist out;
            out.title = list.name;
            for (const library::FileId id : list.files) {
                const auto place = places.find(id);
                const auto file = store_.files().find(id);
                if (place == places.end() || !file)
                    continue;
                exchange::PlaylistEntry entry;
                entry.place = exchange::placeFor(plan_.folder / place->second, folder, {});
                entry.title = tags::firstValue(file->tags.fields, "title");
                entry.artist = tags::firstValue(file->tags.fields, "artist");
                entry.seconds = file->tags.facts.duration;
                out.entries.push_back(std::move(entry));
            }
            const Path target = folder / files::safeName(list.name, files::NameProfile::Portable, ".m3u8");
            if (const Status saved = exchange::savePlaylist(out, target); !saved)
                trouble(list.name, saved.error());
            else
                ++report_.lists;
        }
    }

    void removeEmptied() {
        for (const std::string& folder : emptied_)
            for (Path at = folder; at != plan_.folder && at.native().starts_with(plan_.folder.native() + "/");
                 at = at.parent_path())
                if (!files::removeIfEmpty(at))
                    break;
    }

    library::Store& store_;
    const DevicePlan& plan_;
    const DeviceProfile& profile_;
    const Path& pictures_;
    std::stop_token stop_;
    work::Progress& progress_;
    std::string madeBy_;
    std::mutex mutex_; // guards store_ while files are made in parallel, and what follows
    std::optional<Error> failed_;
    std::set<std::string> emptied_;
    std::map<library::FileId, Path> parked_;
    std::set<library::FileId> cleared_; // whose copies of before are gone; from clearWays() on it stays so
    DeviceReport report_;
};

} // namespace

std::vector<OnDevice> entriesOf(library::Store& store, int64_t device) {
    std::vector<OnDevice> out;
    for (const library::DeviceTable::Entry& entry : library::DeviceTable(store.database()).entries(device)) {
        const auto json = nlohmann::json::parse(entry.content, nullptr, false);
        if (!json.is_object())
            continue;
        out.push_back({entry.path, entry.file, json.value("source_size", uint64_t{0}),
                       json.value("source_modified", int64_t{0}), json.value("made", std::string()),
                       json.value("size", uint64_t{0}), json.value("modified", int64_t{0})});
    }
    return out;
}

library::DeviceTable::Entry entryOf(const OnDevice& on) {
    return {on.path, on.file,
            nlohmann::json{{"source_size", on.sourceSize},
                           {"source_modified", on.sourceModified},
                           {"made", on.made},
                           {"size", on.size},
                           {"modified", on.modified}}
                .dump()};
}

Result<DeviceReport> syncDevice(library::Store& store, const DevicePlan& plan,
                                const std::vector<DeviceList>& lists, const Path& pictures,
                                std::stop_token stop, work::Progress& progress) {
    return Syncing(store, plan, pictures, std::move(stop), progress).run(lists);
}

} // namespace moorfrost::deliver
