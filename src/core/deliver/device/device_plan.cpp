// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/deliver/device/device_plan.h"

#include <algorithm>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/audio/encode.h"
#include "core/deliver/device/device_entries.h"
#include "core/files/disk.h"
#include "core/placing/put_away.h"
#include "core/text/text.h"

namespace moorfrost::deliver {

namespace {

using Kind = DeviceStep::Kind;

constexpr int64_t coarsest = 2'000'000'000; // nanoseconds: FAT tells times of change by two seconds
using library::FileRecord;

bool isLossless(const FileRecord& file) {
    return file.tags.facts.bitDepth > 0;
}

/// Why the file cannot go as it is; "" where it can.
std::string whyAnew(const DeviceProfile& profile, const FileRecord& file) {
    const std::string ending = text::lower(file.path.extension().native());
    if (!profile.plays.empty() && std::ranges::find(profile.plays, ending) == profile.plays.end())
        return "format";
    if (profile.highestRate > 0 && file.tags.facts.sampleRate > profile.highestRate)
        return "rate";
    if (profile.highestBits > 0 && isLossless(file) && file.tags.facts.bitDepth > profile.highestBits)
        return "bits";
    return {};
}

bool picturesFit(const DeviceProfile& profile, const FileRecord& file) {
    if (profile.pictureSide == 0 || file.tags.pictures.empty())
        return true;
    return profile.pictureSide > 0 &&
           std::ranges::all_of(file.tags.pictures, [&](const tags::PictureInfo& p) {
               return p.width <= profile.pictureSide && p.height <= profile.pictureSide &&
                      p.mime == "image/jpeg";
           });
}

uint64_t sizeOf(const DeviceProfile& profile, const FileRecord& file, bool encoded) {
    if (!encoded)
        return file.state.size;
    const audio::EncodeFormat* format = audio::encodeFormat(profile.format);
    const double rate = format && !format->lossless ? profile.bitrate : 900000;
    return static_cast<uint64_t>(file.tags.facts.duration * rate / 8) + 60000;
}

/// At most so many characters, with its ending.
std::string shortened(const std::string& name, const std::string& ending, size_t longest) {
    const size_t room = longest > ending.size() + 1 ? longest - ending.size() : 1;
    std::string out = text::firstCharacters(name, static_cast<int>(room));
    while (out.ends_with(' ') || out.ends_with('.'))
        out.pop_back();
    return (out.empty() ? "_" : out) + ending;
}

class Planning {
public:
    Planning(library::Store& store, const Device& device, std::stop_token stop)
        : store_(store), stop_(std::move(stop)) {
        out_.device = device;
    }

    Result<DevicePlan> run(const std::vector<Path>& mounts) {
        const Device& device = out_.device;
        out_.folder = placeOfDevice(device, mounts);
        if (out_.folder.empty())
            return Error{ErrorKind::NotFound, device.folder,
                         device.key.empty() ? "This folder is not there."
                                            : "The device is not there: plug it in, and look again."};
        const auto plan = naming::parsePlan(device.profile.plan, {"place"});
        if (const auto* error = std::get_if<naming::PlanError>(&plan))
            return Error{ErrorKind::Invalid, {}, "The plan of the device: " + error->message};
        const auto room = roomOnDevice(device.profile, out_.folder);
        if (!room)
            return room.error();
        out_.room = *room;
        lookAtDevice();
        wanted(std::get<naming::Plan>(plan));
        going();
        fit();
        return std::move(out_);
    }

private:
    /// What we put there, and whether it is as we left it.
    void lookAtDevice() {
        for (const OnDevice& entry : entriesOf(store_, out_.device.id)) {
            const auto now = files::stateOf(out_.folder / entry.path);
            if (!now)
                continue; // gone: it comes again if it is wanted
            if (now->size != entry.size || std::abs(now->modifiedNs - entry.modified) > coarsest) {
                out_.foreign.push_back(entry.path);
                foreign_.insert(text::fold(entry.path));
                continue;
            }
            out_.there.push_back(entry);
        }
        for (const OnDevice& entry : out_.there)
            byFile_[entry.file] = &entry;
    }

    void wanted(const naming::Plan& plan) {
        const DeviceProfile& profile = out_.device.profile;
        const std::string madeBy = deviceMadeBy(profile);
        std::vector<placing::PutAwayFile> named;
        std::vector<FileRecord> records;
        std::set<library::FileId> seen;
        for (const library::FileId id : out_.device.wanted) {
            if (!seen.insert(id).second)
                continue;
            auto record = store_.files().find(id);
            if (!record)
                continue;
            if (record->absent != 0 || !record->readable()) {
                DeviceStep step;
                step.kind = Kind::Refuse;
                step.file = id;
                step.source = record->path;
                step.why = record->absent != 0 ? "Its file is not there." : record->error;
                out_.steps.push_back(std::move(step));
                continue;
            }
            placing::PutAwayFile file;
            file.id = id;
            file.path = record->path;
            file.format = record->tags.format;
            file.fields = record->tags.fields;
            file.fields["place"] = {std::to_string(seen.size())};
            file.facts = placing::factsOf(record->path, record->tags);
            named.push_back(std::move(file));
            records.push_back(std::move(*record));
        }
        const auto names = placing::namesByPlan(named, plan, files::NameProfile::Portable);
        for (size_t i = 0; i < records.size() && !stop_.stop_requested(); ++i) {
            const FileRecord& record = records[i];
            DeviceStep step;
            step.file = record.id;
            step.source = record.path;
            step.state = record.state;
            step.seconds = record.tags.facts.duration;
            const bool encoded = !whyAnew(profile, record).empty();
            step.anew = encoded || !picturesFit(profile, record);
            step.bytes = sizeOf(profile, record, encoded);
            const std::string ending = encoded ? audio::encodeFormat(profile.format)->ending
                                               : text::lower(record.path.extension().native());
            step.path = placeFor(names[i], record.path.extension().native(), ending);
            if (step.path.empty()) {
                step.kind = Kind::Refuse;
                step.why = "The plan gives it no name.";
                out_.steps.push_back(std::move(step));
                continue;
            }
            if (step.anew) {
                step.fields = record.tags.fields;
                step.pictures = record.tags.pictures;
            }
            const auto there = byFile_.find(record.id);
            if (there == byFile_.end()) {
                step.kind = Kind::Come;
                if (files::isThere(out_.folder / step.path) && !isOurs(step.path)) {
                    step.kind = Kind::Refuse;
                    step.why = "Something else is at its place on the device.";
                }
            } else {
                const OnDevice& entry = *there->second;
                const bool same =
                    entry.sourceSize == record.state.size && entry.sourceModified == record.state.modifiedNs;
                if (!same || entry.made != madeBy) {
                    step.kind = Kind::Change;
                    step.why = same ? "The profile is another." : "The track was changed.";
                } else if (entry.path != step.path) {
                    step.kind = Kind::Change;
                    step.why = "It has another name.";
                }
                step.before = entry.path;
                if (step.kind == Kind::Change && entry.path != step.path &&
                    files::isThere(out_.folder / step.path) && !isOurs(step.path)) {
                    step.kind = Kind::Refuse;
                    step.why = "Something else is at its new place on the device.";
                }
            }
            out_.steps.push_back(std::move(step));
        }
    }

    bool isOurs(const std::string& path) const {
        return std::ranges::any_of(out_.there, [&](const OnDevice& e) { return e.path == path; });
    }

    /// The path on the device, each once whatever the case; "" where there is none.
    /// `had`: the ending that the last part has.
    std::string placeFor(const std::vector<std::string>& parts, const std::string& had,
                         const std::string& ending) {
        if (parts.empty())
            return {};
        std::string name = parts.back();
        if (text::lower(name).ends_with(text::lower(had)))
            name.resize(name.size() - had.size());
        const size_t longest = out_.device.profile.longestName;
        std::string folders;
        for (size_t i = 0; i + 1 < parts.size(); ++i)
            folders += shortened(parts[i], {}, longest) + "/";
        std::string out = folders + shortened(name, ending, longest);
        for (int n = 2; !taken_.insert(text::fold(out)).second || foreign_.contains(text::fold(out)); ++n)
            out = folders + shortened(name, fmt::format(" ({}){}", n, ending), longest);
        return out;
    }

    void going() {
        std::set<library::FileId> wanted(out_.device.wanted.begin(), out_.device.wanted.end());
        for (const OnDevice& entry : out_.there) {
            if (wanted.contains(entry.file))
                continue;
            DeviceStep step;
            step.kind = Kind::Go;
            step.file = entry.file;
            step.path = entry.path;
            step.bytes = entry.size;
            out_.goes += entry.size;
            out_.steps.push_back(std::move(step));
        }
    }

    /// What there is no room for does not come: the first are those that do.
    void fit() {
        uint64_t room = out_.room + out_.goes;
        for (DeviceStep& step : out_.steps) {
            if (step.kind != Kind::Come && step.kind != Kind::Change)
                continue;
            uint64_t more = step.bytes;
            if (step.kind == Kind::Change)
                if (const auto there = byFile_.find(step.file); there != byFile_.end())
                    more = more > there->second->size ? more - there->second->size : 0;
            if (more > room) {
                step.why = "There is no room for it.";
                step.kind = Kind::Refuse;
                continue;
            }
            room -= more;
            out_.comes += step.bytes;
        }
    }

    library::Store& store_;
    std::stop_token stop_;
    DevicePlan out_;
    std::unordered_map<library::FileId, const OnDevice*> byFile_;
    std::set<std::string> taken_, foreign_; // folded
};

} // namespace

size_t DevicePlan::count(DeviceStep::Kind kind) const {
    return static_cast<size_t>(std::ranges::count(steps, kind, &DeviceStep::kind));
}

bool DevicePlan::isInStep() const {
    return std::ranges::all_of(
        steps, [](const DeviceStep& s) { return s.kind == Kind::Same || s.kind == Kind::Refuse; });
}

Result<DevicePlan> planDevice(library::Store& store, const Device& device, std::stop_token stop,
                              const std::vector<Path>& mounts) {
    return Planning(store, device, std::move(stop)).run(mounts);
}

} // namespace moorfrost::deliver
