// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/sleeves.h"

#include <algorithm>
#include <cstdlib>
#include <deque>
#include <list>
#include <map>
#include <set>
#include <tuple>
#include <unordered_map>
#include <unordered_set>

#include <fmt/format.h>
#include <xxhash.h>

#include "core/matching/release_clustering.h"
#include "core/text/text.h"

namespace moorfrost::matching {

namespace {

uint64_t hashOf(std::string_view bytes) {
    return XXH3_64bits(bytes.data(), bytes.size());
}

/// "Its track numbers are complete: 1 to 8."
std::string sequenceReason(const Slots& slots, size_t files) {
    if (slots.size() < 3 || slots.size() != files || slots.front().second != 1)
        return {};
    const int disc = slots.front().first;
    const Slot last = slots.back();
    if (last.first != disc || static_cast<size_t>(last.second) != slots.size())
        return {};
    return fmt::format("Its track numbers are complete: 1 to {}.", last.second);
}

/// `why`: how it was joined, if it was.
Sleeve sleeveOf(const std::vector<const Part*>& parts, std::string key, const char* why) {
    Sleeve out{std::move(key), {}, {}, false};
    std::vector<std::string> reasons = parts.front()->reasons;
    if (*why)
        reasons.emplace_back(why);
    Slots slots;
    std::vector<const FileTraits*> files;
    for (const Part* p : parts) {
        out.compilation = out.compilation || p->compilation;
        slots = joined(slots, p->slots);
        files.insert(files.end(), p->files.begin(), p->files.end());
    }
    if (parts.size() > 1)
        std::sort(files.begin(), files.end(), comesBefore);
    for (const FileTraits* f : files)
        out.ids.push_back(f->id);
    if (out.compilation)
        reasons.emplace_back("It is a compilation: its artists differ.");
    if (std::string sequence = sequenceReason(slots, files.size()); !sequence.empty())
        reasons.push_back(std::move(sequence));
    out.why = text::join(reasons, " ");
    return out;
}

} // namespace

struct SleeveForming::Impl {
    using Parts = std::unordered_set<const ClusteringPart*>;
    /// Sleeves of several parts.
    struct Group {
        Sleeve sleeve;
        std::vector<const ClusteringPart*> members;
    };
    struct Place { // of a part
        const std::string* folder;
        size_t index;
        auto operator<=>(const Place& other) const {
            return std::tie(*folder, index) <=> std::tie(*other.folder, other.index);
        }
    };
    struct Known { // of a part
        Place place;
        const Sleeve* alone;
        Group* group = nullptr; // if it is joined to others
    };
    struct Folder {
        std::vector<const FileTraits*> files;
        // Made of them.
        FolderParts parts;
        std::deque<ClusteringPart> join;
        std::deque<Sleeve> alone; // each part, if it is joined to no other
        bool changed = false;
    };
    std::unordered_map<int64_t, FileTraits> files; // nodes stay where they are
    std::map<std::string, Folder> folders;
    std::set<std::string> changed; // of them
    std::unordered_map<const ClusteringPart*, Known> parts;
    std::unordered_map<uint64_t, std::vector<const ClusteringPart*>> byNumber;
    std::list<Group> groups;
    Sleeve strays;
    std::unordered_map<std::string, uint64_t> told; // what changes() told last, by key

    void take(int64_t id) {
        auto it = files.find(id);
        if (it == files.end())
            return;
        const std::string& path = it->second.folder.native();
        std::erase(folders.find(path)->second.files, &it->second);
        changed.insert(path);
        files.erase(it);
    }

    void forgetParts(Folder& f, Parts& touched) {
        for (const ClusteringPart& p : f.join) {
            for (uint64_t n : p.numbers()) {
                std::vector<const ClusteringPart*>& all = byNumber[n];
                std::erase(all, &p);
                touched.insert(all.begin(), all.end()); // may belong otherwise without it
                if (all.empty())
                    byNumber.erase(n);
            }
            parts.erase(&p);
        }
        for (const ClusteringPart& p : f.join)
            touched.erase(&p);
        f.join.clear();
        f.alone.clear();
    }

    /// The parts of a folder anew.
    void workOut(const std::string& path, Folder& f, Parts& touched) {
        f.parts = partsOfFolder(f.files);
        std::map<std::string, int> uses;
        for (const Part& p : f.parts.parts) {
            const ClusteringPart& join = f.join.emplace_back(p);
            std::string told = p.exactFolder.native() + '\n' + p.album + '\n' + p.artist + '\n' +
                               p.files.front()->name.before;
            if (const int n = uses[told]++; n > 0)
                told += '\n' + p.format + std::to_string(n);
            f.alone.push_back(sleeveOf({&p}, fmt::format("s{:014x}", hashOf(told) >> 8), ""));
            parts[&join] = {{&path, f.join.size() - 1}, &f.alone.back(), nullptr};
            for (uint64_t n : join.numbers())
                byNumber[n].push_back(&join);
            touched.insert(&join);
        }
    }

    /// Joins anew what may be joined to these.
    void joinAround(const Parts& touched) {
        Parts reached = touched;
        std::vector<const ClusteringPart*> queue(touched.begin(), touched.end());
        std::unordered_set<uint64_t> seen;
        while (!queue.empty()) {
            const ClusteringPart* p = queue.back();
            queue.pop_back();
            for (uint64_t n : p->numbers())
                if (seen.insert(n).second)
                    for (const ClusteringPart* other : byNumber[n])
                        if (reached.insert(other).second)
                            queue.push_back(other);
        }
        std::vector<std::pair<Place, const ClusteringPart*>> order;
        for (const ClusteringPart* p : reached) {
            Known& known = parts.at(p);
            known.group = nullptr;
            order.emplace_back(known.place, p);
        }
        std::sort(order.begin(), order.end());
        std::vector<const ClusteringPart*> all;
        for (const auto& [place, p] : order)
            all.push_back(p);
        groups.remove_if([&](const Group& g) {
            return std::any_of(g.members.begin(), g.members.end(), [&](const ClusteringPart* p) {
                return !parts.contains(p) || reached.contains(p);
            });
        });
        ReleaseClustering joining(all);
        for (const ReleaseClustering::Group& found : joining.groups()) {
            Group& group = groups.emplace_back();
            std::vector<const Part*> members;
            std::string key = parts.at(all[found.members.front()]).alone->key;
            for (size_t i : found.members) {
                members.push_back(all[i]->part);
                group.members.push_back(all[i]);
                key = std::min(key, parts.at(all[i]).alone->key);
                parts.at(all[i]).group = &group;
            }
            group.sleeve = sleeveOf(members, key, found.why);
        }
    }

    void update() {
        Parts touched;
        for (const std::string& path : changed) {
            auto it = folders.find(path);
            forgetParts(it->second, touched);
            if (it->second.files.empty())
                folders.erase(it);
        }
        for (const std::string& path : changed)
            if (auto it = folders.find(path); it != folders.end())
                workOut(it->first, it->second, touched);
        if (changed.empty())
            return;
        changed.clear();
        joinAround(touched);
        strays = {{}, {}, "They name no album, and neither their numbers nor their folder make one of them."};
        for (const auto& [path, folder] : folders)
            for (const FileTraits* f : folder.parts.strays)
                strays.ids.push_back(f->id);
    }
};

SleeveForming::SleeveForming() : impl_(std::make_unique<Impl>()) {}
SleeveForming::~SleeveForming() = default;
SleeveForming::SleeveForming(SleeveForming&&) noexcept = default;
SleeveForming& SleeveForming::operator=(SleeveForming&&) noexcept = default;

size_t SleeveForming::size() const {
    return impl_->files.size();
}

void SleeveForming::remove(int64_t id) {
    impl_->take(id);
}

void SleeveForming::put(const SleeveInput& file) {
    impl_->take(file.id);
    const FileTraits& t = impl_->files[file.id] = traitsOf(file);
    impl_->folders[t.folder.native()].files.push_back(&t);
    impl_->changed.insert(t.folder.native());
}

std::vector<const Sleeve*> SleeveForming::sleeves() {
    impl_->update();
    std::vector<const Sleeve*> out;
    std::set<const Impl::Group*> there; // each at the place of the first of its parts
    for (const auto& [path, folder] : impl_->folders)
        for (const ClusteringPart& p : folder.join) {
            const Impl::Known& known = impl_->parts.at(&p);
            if (!known.group)
                out.push_back(known.alone);
            else if (there.insert(known.group).second)
                out.push_back(&known.group->sleeve);
        }
    if (!impl_->strays.ids.empty())
        out.push_back(&impl_->strays);
    return out;
}

SleeveChanges SleeveForming::changes() {
    SleeveChanges out;
    std::unordered_map<std::string, uint64_t> now;
    for (const Sleeve* s : sleeves()) {
        const uint64_t mark =
            hashOf({reinterpret_cast<const char*>(s->ids.data()), s->ids.size() * sizeof(int64_t)}) ^
            hashOf(s->why);
        now[s->key] = mark;
        auto before = impl_->told.find(s->key);
        if (before == impl_->told.end() || before->second != mark)
            out.changed.push_back(*s);
    }
    for (const auto& [key, mark] : impl_->told)
        if (!now.contains(key))
            out.gone.push_back(key);
    impl_->told = std::move(now);
    return out;
}

std::vector<Sleeve> formSleeves(const std::vector<SleeveInput>& files) {
    SleeveForming forming;
    for (const SleeveInput& f : files)
        forming.put(f);
    std::vector<Sleeve> out;
    for (const Sleeve* s : forming.sleeves())
        out.push_back(*s);
    return out;
}

SleeveInput sleeveInput(int64_t id, const Path& path, const tags::TagFile& t, const tags::Fields& fields,
                        int64_t modifiedNs) {
    SleeveInput in{
        id, path, fields, audio::formatName(t.format), 0, t.facts.duration, modifiedNs / 1000000000};
    for (const tags::PictureInfo& p : t.pictures)
        if (in.picture == 0 || p.type == "front cover")
            in.picture = p.hash != 0 ? p.hash : hashOf(fmt::format("{} {} {}", p.width, p.height, p.bytes));
    return in;
}

Path releaseFolder(const Path& file) {
    Path folder = file.parent_path();
    return discOfFolder(folder) > 0 ? folder.parent_path() : folder;
}

PlayKey playKey(const SleeveInput& file) {
    auto number = [&](const char* key) { return std::atoi(tags::firstValue(file.fields, key).c_str()); };
    const int track = number("track");
    return {number("disc"), track == 0 ? 100000 : track,
            text::sortKey(text::escapeBytes(file.path.native()))};
}

} // namespace moorfrost::matching
