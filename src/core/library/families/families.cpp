// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/families/families.h"

#include <algorithm>
#include <cstdlib>
#include <map>
#include <set>
#include <unordered_map>

#include <fmt/format.h>

#include "core/library/recordings.h"
#include "core/library/search/joint_field.h"
#include "core/sound/compare.h"
#include "core/text/text.h"

namespace moorfrost::library {

namespace {

using Texts = std::vector<std::string>;

Error invalid(std::string sentence) {
    return {ErrorKind::Invalid, {}, std::move(sentence)};
}

/// Family, kind, detail, place: as it is kept (families that an earlier version made have the first two).
struct Kept {
    std::string family, kind, detail;
    int place = 0;
};

Kept keptFrom(const Texts& texts) {
    Kept out;
    if (texts.size() < 2)
        return out;
    out.family = texts[0];
    out.kind = texts[1];
    if (texts.size() > 2)
        out.detail = texts[2];
    out.place = texts.size() > 3 ? std::atoi(texts[3].c_str()) : INT32_MAX;
    return out;
}

bool isKind(const std::string& kind) {
    return kind == leadVersion || std::ranges::find(versionKinds(), kind) != versionKinds().end();
}

std::vector<FileId> bestFirst(Store& store, RecordingId recording) {
    const std::vector<FileId> ids = store.recordings().filesOf(recording);
    if (ids.size() < 2)
        return ids;
    RecordingView view = recordingOf(store, ids.front());
    std::vector<FileId> out;
    for (const FileRecord& f : view.files)
        out.push_back(f.id);
    return out;
}

Family familyFrom(Store& store, const std::string& id) {
    Family out;
    out.id = id;
    std::vector<std::pair<Kept, RecordingId>> members;
    for (const RecordingId recording : FamilyTable(store.database()).members(id))
        members.emplace_back(keptFrom(store.recordings().values(recording, familyField)), recording);
    std::ranges::stable_sort(members, [](const auto& a, const auto& b) {
        const bool leadA = a.first.kind == leadVersion, leadB = b.first.kind == leadVersion;
        return leadA != leadB ? leadA : a.first.place < b.first.place;
    });
    for (const auto& [kept, recording] : members)
        out.members.push_back({recording, bestFirst(store, recording), kept.kind, kept.detail});
    return out;
}

/// One list of `keepFamilies`; `what`: the title of its lead.
Status keepOne(Store& store, KeptChange& change, const std::vector<VersionToKeep>& versions,
               std::string& what) {
    struct Member {
        RecordingId recording = 0;
        std::string kind, detail;
    };
    std::vector<Member> members;
    std::set<std::string> joined;
    std::set<RecordingId> named;
    size_t leads = 0;
    for (const VersionToKeep& v : versions) {
        if (!isKind(v.kind))
            return invalid(fmt::format("There is no kind of version \"{}\".", v.kind));
        if (v.detail.size() > 300 || v.detail.find_first_of("\n\r\x1f") != std::string::npos)
            return invalid("What is said of a version is one line of at most 300 letters.");
        const auto file = store.files().find(v.file);
        if (!file)
            return invalid("One of the files is not known any more.");
        const RecordingId recording = store.recordings().ensure(v.file);
        if (!named.insert(recording).second)
            continue; // two files of one recording
        members.push_back({recording, v.kind, text::trim(v.detail)});
        leads += v.kind == leadVersion;
        if (v.kind == leadVersion || what.empty()) {
            what = tags::firstValue(file->tags.fields, "title");
            if (what.empty())
                what = text::forDisplay(file->path.filename().native());
        }
        if (const Kept kept = keptFrom(store.recordings().values(recording, familyField));
            !kept.family.empty())
            joined.insert(kept.family);
    }
    if (leads > 1)
        return invalid("A family has one lead version, not several.");
    for (const std::string& family : joined)
        for (const FamilyMember& m : familyFrom(store, family).members)
            if (named.insert(m.recording).second) {
                const bool leadsStill = m.kind == leadVersion && leads == 0;
                members.push_back(
                    {m.recording, m.kind == leadVersion && !leadsStill ? otherVersion : m.kind, m.detail});
                leads += leadsStill;
            }
    if (members.size() < 2)
        return invalid("A family has at least two versions.");
    if (leads == 0)
        members.front().kind = leadVersion;
    std::ranges::stable_partition(members, [](const Member& m) { return m.kind == leadVersion; });
    const std::string id = joined.empty() ? std::to_string(members.front().recording) : *joined.begin();
    for (size_t i = 0; i < members.size(); ++i)
        change.setValues(members[i].recording, familyField,
                         {id, members[i].kind, members[i].detail, std::to_string(i)});
    return Done{};
}

/// Of families that somebody has left: nobody is one alone, and one of them leads.
void seeToRest(Store& store, KeptChange& change, const std::set<std::string>& left) {
    for (const std::string& id : left) {
        const Family family = familyFrom(store, id);
        if (family.members.size() == 1)
            change.setValues(family.members.front().recording, familyField, {});
        else if (!family.members.empty() && family.members.front().kind != leadVersion)
            change.setValues(family.members.front().recording, familyField, {id, leadVersion, {}, "0"});
    }
}

} // namespace

std::string shownVersionOf(const std::vector<std::string>& kept) {
    const Kept version = keptFrom(kept);
    return version.family.empty() ? std::string() : shownVersion(version.kind, version.detail);
}

Family familyOf(Store& store, RecordingId recording) {
    const Kept kept = keptFrom(store.recordings().values(recording, familyField));
    return kept.family.empty() ? Family{} : familyFrom(store, kept.family);
}

std::vector<Family> allFamilies(Store& store) {
    std::vector<Family> out;
    for (const std::string& id : FamilyTable(store.database()).all())
        if (Family family = familyFrom(store, id); family.members.size() > 1)
            out.push_back(std::move(family));
    return out;
}

Result<ChangeOutcome> keepFamilies(Store& store, const std::vector<std::vector<VersionToKeep>>& families) {
    KeptChange change(store);
    std::string what;
    for (const auto& family : families) {
        what.clear();
        if (const Status kept = keepOne(store, change, family, what); !kept)
            return kept.error();
    }
    return change.commit(families.size() == 1 ? fmt::format("Versions of \"{}\"", what)
                                              : fmt::format("{} families of versions", families.size()));
}

Result<ChangeOutcome> settleFamilies(Store& store, const std::vector<std::vector<VersionToKeep>>& families,
                                     const std::vector<FileId>& alone) {
    KeptChange change(store);
    std::vector<FileId> all = alone;
    for (const auto& family : families)
        for (const VersionToKeep& v : family)
            all.push_back(v.file);
    std::set<std::string> left;
    for (const FileId file : all) {
        const RecordingId recording = store.recordings().placeOf(file).recording;
        if (const Kept kept = keptFrom(store.recordings().values(recording, familyField));
            !kept.family.empty()) {
            left.insert(kept.family);
            change.setValues(recording, familyField, {});
        }
    }
    seeToRest(store, change, left);
    std::string what;
    for (const auto& family : families) {
        what.clear();
        if (const Status kept = keepOne(store, change, family, what); !kept)
            return kept.error();
    }
    return change.commit(families.size() == 1 ? fmt::format("Versions of \"{}\"", what)
                         : families.empty()   ? std::string("Out of the family")
                                              : fmt::format("{} families of versions", families.size()));
}

Result<ChangeOutcome> leaveFamily(Store& store, const std::vector<FileId>& files) {
    KeptChange change(store);
    std::set<std::string> left;
    for (const FileId file : files) {
        const RecordingId recording = store.recordings().placeOf(file).recording;
        const Kept kept = keptFrom(store.recordings().values(recording, familyField));
        if (kept.family.empty())
            continue;
        left.insert(kept.family);
        change.setValues(recording, familyField, {});
    }
    if (left.empty())
        return invalid("These are in no family.");
    seeToRest(store, change, left);
    return change.commit("Out of the family");
}

namespace {

struct Candidate {
    FileId file = 0;
    VersionName name;
    double seconds = 0;
};

/// How well a version goes with its lead, by lengths: an instrumental is about as long, an edit no longer.
double lengthFit(const std::string& kind, double lead, double version) {
    if (lead <= 0 || version <= 0)
        return 0.9;
    const double ratio = version / lead;
    if (kind == "instrumental" || kind == "a cappella" || kind == "clean" || kind == "remaster" ||
        kind == stemVersion)
        return ratio > 0.85 && ratio < 1.18 ? 1 : ratio > 0.6 && ratio < 1.6 ? 0.8 : 0.55;
    if (kind == "edit" || kind == "excerpt")
        return ratio <= 1.05 ? 1 : 0.7;
    return ratio > 0.3 && ratio < 3.5 ? 0.95 : 0.6;
}

/// "Kestrel & Rook feat. Wren-Low": the version is theirs.
std::string whose(const std::string& artist) {
    std::string out = text::fold(artist);
    for (const char* with : {" feat. ", " feat ", " ft. ", " featuring "})
        if (const size_t at = out.find(with); at != std::string::npos)
            out.resize(at);
    return out;
}

/// As the columns of the search have it.
std::string folderOf(const Path& path) {
    const std::string& all = path.native();
    const size_t slash = all.rfind('/');
    return slash == std::string::npos ? std::string() : all.substr(0, std::max<size_t>(slash, 1));
}

} // namespace

std::vector<FamilyProposal> proposeFamilies(const Searcher& library, const std::vector<FileId>& only,
                                            const std::vector<NamedFile>& beside,
                                            const std::function<std::string(FileId)>& inFamily,
                                            const std::function<double(FileId, FileId)>& soundAlike,
                                            std::stop_token stop) {
    const JointField &titles = library.field("title"), &artists = library.field("artist"),
                     &folders = library.field(folderColumn);
    // Names are read once for each title that there is.
    std::vector<std::optional<VersionName>> names(titles.listCount());
    std::vector<std::optional<std::string>> folded(artists.listCount());
    std::unordered_map<std::string, std::vector<Candidate>> groups;
    library.all().each([&](Row row) {
        if (stop.stop_requested())
            return;
        Candidate c{library.idOf(row), {}, library.durationOf(row)};
        const uint32_t title = titles.listOf(row);
        if (title != 0) {
            if (!names[title])
                names[title] = readVersionName(titles.text(title));
            c.name = *names[title];
        } else {
            c.name = readVersionName(library.pathOf(row).stem().native());
        }
        if (c.name.core.empty())
            return;
        const uint32_t artist = artists.listOf(row);
        std::string key = c.name.core + "\n";
        if (artist == 0) {
            key += "/" + folders.text(folders.listOf(row)); // of whom is not known: those that lie together
        } else {
            if (!folded[artist])
                folded[artist] = whose(artists.text(artist));
            key += *folded[artist];
        }
        groups[key].push_back(std::move(c));
    });
    for (const NamedFile& f : beside) {
        Candidate c{f.file, readVersionName(f.title.empty() ? f.path.stem().native() : f.title), f.seconds};
        if (!c.name.core.empty())
            groups[c.name.core + "\n" + (f.artist.empty() ? "/" + folderOf(f.path) : whose(f.artist))]
                .push_back(std::move(c));
    }
    if (stop.stop_requested())
        return {};
    std::set<FileId> chosen(only.begin(), only.end());
    std::vector<FamilyProposal> out;
    std::map<std::string, std::vector<const Candidate*>> leadsByCore; // where the artist is not told
    if (!only.empty())
        for (const auto& [key, group] : groups)
            for (const Candidate& c : group)
                if (c.name.kind.empty())
                    leadsByCore[c.name.core].push_back(&c);
    for (const auto& [key, group] : groups) {
        if (stop.stop_requested())
            return {};
        if (!chosen.empty() &&
            std::ranges::none_of(group, [&](const Candidate& c) { return chosen.contains(c.file); }))
            continue;
        std::vector<const Candidate*> leads, versions;
        for (const Candidate& c : group)
            (c.name.kind.empty() ? leads : versions).push_back(&c);
        if (versions.empty())
            continue;
        bool elsewhere = false;
        if (leads.empty() && !chosen.empty())
            if (const auto it = leadsByCore.find(versions.front()->name.core); it != leadsByCore.end()) {
                leads = it->second;
                elsewhere = true;
            }
        if (leads.empty() && versions.size() < 2)
            continue;
        // Of several that are called the same the one that most versions are as long as; else the first.
        const Candidate* lead = leads.empty() ? nullptr : leads.front();
        if (leads.size() > 1) {
            double best = -1;
            for (const Candidate* l : leads) {
                double fit = chosen.contains(l->file) ? 0.5 : 0;
                for (const Candidate* v : versions)
                    fit += lengthFit(v->name.kind, l->seconds, v->seconds);
                if (fit > best + 1e-6) {
                    best = fit;
                    lead = l;
                }
            }
        }
        FamilyProposal p;
        p.hasLead = lead != nullptr;
        double sure = 1;
        size_t heard = 0;
        std::set<std::string> families;
        bool gets = false;
        auto add = [&](const Candidate& c, const std::string& kind) {
            const FileId file = c.file;
            const std::string family = inFamily ? inFamily(file) : std::string();
            gets |= family.empty();
            families.insert(family);
            p.versions.push_back({file, kind, kind == leadVersion ? std::string() : c.name.detail});
        };
        if (lead)
            add(*lead, leadVersion);
        std::set<std::pair<std::string, std::string>> seen;
        std::ranges::stable_sort(versions, {}, [](const Candidate* c) {
            return std::ranges::find(versionKinds(), c->name.kind) - versionKinds().begin();
        });
        for (const Candidate* v : versions) {
            // The same on another release is the same recording, not another version.
            if (!seen.emplace(v->name.kind, text::fold(v->name.detail)).second && !chosen.contains(v->file))
                continue;
            double fit = lead ? lengthFit(v->name.kind, lead->seconds, v->seconds) : 0.8;
            if (lead && soundAlike && soundAlike(lead->file, v->file) >= sound::possibly) {
                fit = 1;
                ++heard;
            }
            sure = std::min(sure, fit);
            add(*v, v->name.kind);
        }
        if (!gets && families.size() == 1)
            continue; // all of it is one family already
        if (!p.hasLead)
            sure *= 0.75;
        if (elsewhere)
            sure *= 0.8;
        p.sure = sure * 0.95;
        p.why =
            heard > 0 ? fmt::format("names and the sound of {} alike", heard) : std::string("names alike");
        if (elsewhere)
            p.why += ", the lead lies elsewhere";
        if (p.versions.size() > 1)
            out.push_back(std::move(p));
    }
    std::ranges::stable_sort(out, [](const FamilyProposal& a, const FamilyProposal& b) {
        return a.sure != b.sure ? a.sure > b.sure : a.versions.front().file < b.versions.front().file;
    });
    return out;
}

} // namespace moorfrost::library
