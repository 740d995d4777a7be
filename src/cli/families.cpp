// SPDX-License-Identifier: GPL-3.0-or-later
// Families of versions: printed, proposed, kept.
#include <fmt/format.h>

#include "cli/common.h"
#include "cli/json_out.h"
#include "core/library/families/families.h"
#include "core/library/search/library_search.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

using library::FileId;

Json versionJson(library::Store& store, FileId file, const std::string& kind, const std::string& detail) {
    Json out;
    out["version"] = kind;
    if (!detail.empty())
        out["detail"] = detail;
    if (const auto record = store.files().find(file)) {
        putPath(out, record->path);
        out["title"] = tags::firstValue(record->tags.fields, "title");
    }
    return out;
}

int print(library::Store& store) {
    for (const library::Family& family : library::allFamilies(store)) {
        Json out;
        out["family"] = family.id;
        out["versions"] = Json::array();
        for (const library::FamilyMember& m : family.members) {
            Json one = versionJson(store, m.files.empty() ? 0 : m.files.front(), m.kind, m.detail);
            one["recording"] = m.recording;
            out["versions"].push_back(std::move(one));
        }
        cli::print(out);
    }
    return 0;
}

} // namespace

int families(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    if (options.step != "propose" && options.step != "keep")
        return print(*store);
    std::vector<FileId> only;
    for (const Path& path : pathsOf(options)) {
        const FileId file = store->files().idOf(path);
        if (file == 0) {
            say("\"" + text::forDisplay(path.native()) + "\" is not in the library.");
            return 1;
        }
        only.push_back(file);
    }
    auto familyOf = [&](FileId file) {
        return library::familyOf(*store, store->recordings().placeOf(file).recording).id;
    };
    const auto proposals = library::proposeFamilies(*library::searchOf(*store).searcher, only, {}, familyOf);
    std::vector<std::vector<library::VersionToKeep>> kept;
    for (const library::FamilyProposal& p : proposals) {
        Json out;
        out["sure"] = p.sure;
        out["why"] = p.why;
        out["versions"] = Json::array();
        for (const library::VersionToKeep& v : p.versions)
            out["versions"].push_back(versionJson(*store, v.file, v.kind, v.detail));
        cli::print(out);
        kept.push_back(p.versions);
    }
    if (options.step == "keep" && !kept.empty()) {
        const auto done = library::keepFamilies(*store, kept);
        if (!done) {
            say(done.error().message);
            return 1;
        }
    }
    return 0;
}

} // namespace moorfrost::cli
