// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/version_groups.h"

#include <algorithm>
#include <map>
#include <set>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/library/store/store.h"

namespace moorfrost::app {

namespace {

using library::FileId;

constexpr double ticked = 0.8;

/// All of them into the family of one: what was proposed otherwise gives them away.
void gather(
    std::vector<VersionGroup>& groups, FileId into, const std::vector<FileId>& files,
    const std::function<VersionGroup::Member(FileId, const std::string&, const std::string&)>& member) {
    auto has = [](const VersionGroup& g, FileId file) {
        return std::ranges::find(g.members, file, &VersionGroup::Member::file) != g.members.end();
    };
    VersionGroup family;
    if (const auto it = std::ranges::find_if(groups, [&](const VersionGroup& g) { return has(g, into); });
        it != groups.end()) {
        family = std::move(*it);
        groups.erase(it);
    }
    if (family.members.empty())
        family.members.push_back(member(into, library::leadVersion, {}));
    else if (!family.kept) // it is the one that was meant
        for (VersionGroup::Member& m : family.members)
            m.kind = m.file == into                   ? library::leadVersion
                     : m.kind == library::leadVersion ? library::otherVersion
                                                      : m.kind;
    for (const FileId file : files) {
        if (has(family, file))
            continue;
        VersionGroup::Member fresh = member(file, {}, {});
        const library::VersionName name = library::readVersionName(ss(fresh.title));
        fresh.kind = name.kind.empty() ? library::otherVersion : name.kind;
        fresh.detail = name.detail;
        for (VersionGroup& g : groups)
            if (!g.kept)
                std::erase_if(g.members, [&](const VersionGroup::Member& m) { return m.file == file; });
        family.members.push_back(std::move(fresh));
    }
    std::erase_if(groups, [](const VersionGroup& g) { return g.members.size() < 2; });
    family.taken = true;
    groups.insert(groups.begin(), std::move(family));
}

} // namespace

Result<std::vector<VersionGroup>> versionGroups(const Path& file, const library::Searcher& searcher,
                                                const std::vector<FileId>& files, FileId into,
                                                const std::vector<library::NamedFile>& beside,
                                                const std::function<double(FileId, FileId)>& soundAlike,
                                                std::stop_token stop) {
    auto opened = library::Store::open(file);
    if (!opened)
        return opened.error();
    library::Store& store = **opened;
    std::vector<VersionGroup> out;
    std::set<FileId> placed;
    auto member = [&](FileId id, const std::string& kind, const std::string& detail) {
        VersionGroup::Member m{id, {}, {}, 0, kind, detail};
        if (const auto row = searcher.rowOf(id)) {
            m.title = qs(searcher.text(*row, "title"));
            const Path path = searcher.pathOf(*row);
            m.place = shownPath(path);
            if (m.title.isEmpty())
                m.title = shownName(path);
            m.seconds = searcher.durationOf(*row);
        } else if (const auto file = std::ranges::find(beside, id, &library::NamedFile::file);
                   file != beside.end()) {
            m.title = file->title.empty() ? shownName(file->path) : qs(file->title);
            m.place = shownPath(file->path);
            m.seconds = file->seconds;
        }
        placed.insert(id);
        return m;
    };
    std::map<FileId, std::string> inFamily;
    std::set<std::string> shown;
    auto addFamily = [&](const library::Family& family) {
        if (family.id.empty() || !shown.insert(family.id).second)
            return;
        VersionGroup group;
        group.kept = true;
        for (const library::FamilyMember& m : family.members) {
            if (!m.files.empty())
                group.members.push_back(member(m.files.front(), m.kind, m.detail));
            for (const FileId id : m.files)
                inFamily[id] = family.id;
        }
        out.push_back(std::move(group));
    };
    for (const FileId id : files)
        addFamily(library::familyOf(store, store.recordings().placeOf(id).recording));
    if (files.empty())
        for (const library::Family& family : library::allFamilies(store))
            for (const library::FamilyMember& m : family.members)
                for (const FileId id : m.files)
                    inFamily[id] = family.id;
    auto familyOf = [&](FileId id) {
        const auto it = inFamily.find(id);
        return it == inFamily.end() ? std::string() : it->second;
    };
    for (const library::FamilyProposal& p :
         library::proposeFamilies(searcher, files, beside, familyOf, soundAlike, stop)) {
        // What comes to a family that is there already is shown in it.
        VersionGroup* into = nullptr;
        for (const library::VersionToKeep& v : p.versions)
            if (const std::string family = familyOf(v.file); !family.empty() && !into)
                for (VersionGroup& group : out)
                    if (group.kept && std::ranges::any_of(group.members, [&](const auto& m) {
                            return familyOf(m.file) == family;
                        }))
                        into = &group;
        // Bounces of one song and its versions on a release have one lead: they are one family.
        if (!into && p.hasLead)
            for (VersionGroup& group : out)
                if (!group.members.empty() && group.members.front().file == p.versions.front().file)
                    into = &group;
        VersionGroup fresh;
        VersionGroup& group = into ? *into : fresh;
        for (const library::VersionToKeep& v : p.versions)
            if (!placed.contains(v.file))
                group.members.push_back(
                    member(v.file, into && v.kind == library::leadVersion ? library::otherVersion : v.kind,
                           v.detail));
        if (into)
            continue;
        fresh.why = spoken(p.why);
        fresh.taken = p.sure >= ticked || !files.empty();
        if (fresh.members.size() > 1)
            out.push_back(std::move(fresh));
        else
            for (const auto& m : fresh.members)
                placed.erase(m.file);
    }
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    if (into != 0)
        gather(out, into, files, member);
    VersionGroup alone;
    for (const FileId id : files)
        if (!placed.contains(id))
            alone.members.push_back(member(id, {}, {}));
    alone.taken = false;
    out.push_back(std::move(alone)); // the last one
    return out;
}

} // namespace moorfrost::app
