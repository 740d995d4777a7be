// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/matching/sleeves.h"

#include <algorithm>
#include <cstdlib>
#include <deque>
#include <map>
#include <unordered_map>

#include <fmt/format.h>
#include <xxhash.h>

#include "core/matching/joining.h"
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
    struct Folder {
        std::vector<const FileTraits*> files;
        // Made of them.
        FolderParts parts;
        std::vector<JoinPart> join;
        std::vector<Sleeve> alone; // each part, if it is joined to no other
        bool changed = false;
    };
    std::unordered_map<int64_t, FileTraits> files; // nodes stay where they are
    std::map<std::string, Folder> folders;
    std::deque<Sleeve> joined; // with the strays

    void take(int64_t id) {
        auto it = files.find(id);
        if (it == files.end())
            return;
        auto folder = folders.find(it->second.folder.native());
        std::erase(folder->second.files, &it->second);
        folder->second.changed = true;
        if (folder->second.files.empty())
            folders.erase(folder);
        files.erase(it);
    }

    static void workOut(Folder& f) {
        f.parts = partsOfFolder(f.files);
        f.join.clear();
        f.alone.clear();
        f.changed = false;
        std::map<std::string, int> uses;
        for (const Part& p : f.parts.parts) {
            f.join.emplace_back(p);
            std::string told = p.exactFolder.native() + '\n' + p.album + '\n' + p.artist + '\n' +
                               p.files.front()->name.before;
            if (const int n = uses[told]++; n > 0)
                told += '\n' + p.format + std::to_string(n);
            f.alone.push_back(sleeveOf({&p}, fmt::format("s{:014x}", hashOf(told) >> 8), ""));
        }
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
    Impl::Folder& folder = impl_->folders[t.folder.native()];
    folder.files.push_back(&t);
    folder.changed = true;
}

std::vector<const Sleeve*> SleeveForming::sleeves() {
    std::vector<const JoinPart*> parts;
    std::vector<const Sleeve*> alone, out;
    impl_->joined.clear();
    Sleeve strays{{}, {}, "They name no album, and neither their numbers nor their folder make one of them."};
    for (auto& [path, folder] : impl_->folders) {
        if (folder.changed)
            Impl::workOut(folder);
        for (size_t i = 0; i < folder.join.size(); ++i) {
            parts.push_back(&folder.join[i]);
            alone.push_back(&folder.alone[i]);
        }
        for (const FileTraits* f : folder.parts.strays)
            strays.ids.push_back(f->id);
    }
    Joining joining(parts);
    std::map<size_t, const Sleeve*> together; // at the place of the first of their parts
    for (const Joining::Group& group : joining.groups()) {
        std::vector<const Part*> members;
        std::string key = alone[group.members.front()]->key;
        for (size_t i : group.members) {
            members.push_back(parts[i]->part);
            key = std::min(key, alone[i]->key);
        }
        impl_->joined.push_back(sleeveOf(members, key, group.why));
        together[*std::min_element(group.members.begin(), group.members.end())] = &impl_->joined.back();
    }
    for (size_t i = 0; i < parts.size(); ++i)
        if (joining.isAlone(i))
            out.push_back(alone[i]);
        else if (auto it = together.find(i); it != together.end())
            out.push_back(it->second);
    if (!strays.ids.empty()) {
        impl_->joined.push_back(std::move(strays));
        out.push_back(&impl_->joined.back());
    }
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

SleeveInput sleeveInput(int64_t id, const Path& path, const tags::TagFile& t, const tags::Fields& fields) {
    SleeveInput in{id, path, fields, audio::formatName(t.format), 0};
    for (const tags::PictureInfo& p : t.pictures)
        if (in.picture == 0 || p.type == "front cover") // not the bytes, but seldom wrong among neighbours
            in.picture = hashOf(fmt::format("{} {} {}", p.width, p.height, p.bytes));
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
