// SPDX-License-Identifier: GPL-3.0-or-later
// Collections, lists, playlists, and looking through the shelves.
#include <fmt/format.h>

#include "cli/common.h"
#include "cli/json_out.h"
#include "cli/named.h"
#include "core/deliver/deliver_settings.h"
#include "core/deliver/list_layout.h"
#include "core/files/disk.h"
#include "core/library/collections.h"
#include "core/library/playlist_match.h"
#include "core/library/rescan.h"
#include "core/text/text.h"

namespace moorfrost::cli {

namespace {

using library::Collection;
using library::CollectionId;

constexpr int wrongly = 2;

const char* kindName(Collection::Kind kind) {
    return kind == Collection::Kind::Folder ? "folder" : kind == Collection::Kind::List ? "list" : "search";
}

const char* seenByName(Collection::SeenBy by) {
    return by == Collection::SeenBy::OnlyMe  ? "only me"
           : by == Collection::SeenBy::Named ? "named"
                                             : "everyone";
}

Json collectionJson(const library::CollectionTree& tree, const Collection& c) {
    Json out;
    out["collection"] = c.id;
    out["kind"] = kindName(c.kind);
    out["name"] = c.name;
    out["path"] = tree.pathOf(c.id);
    if (c.kind == Collection::Kind::List) {
        const auto count = tree.counts.find(c.id);
        out["count"] = count == tree.counts.end() ? 0 : count->second;
    }
    if (c.kind == Collection::Kind::Search)
        out["query"] = c.query;
    out["note"] = c.note;
    out["seen_by"] = seenByName(c.seenBy);
    out["people"] = c.people;
    return out;
}

void printBelow(const library::CollectionTree& tree, CollectionId folder, Collection::Kind* only) {
    for (const CollectionId id : tree.in(folder))
        if (const Collection* c = tree.find(id)) {
            if (!only || c->kind == *only)
                print(collectionJson(tree, *c));
            if (c->kind == Collection::Kind::Folder)
                printBelow(tree, id, only);
        }
}

/// 0 after saying why.
CollectionId named(const library::CollectionTree& tree, const std::string& path) {
    const CollectionId id = tree.byPath(path);
    if (id == 0)
        say("There is no collection \"" + path +
            "\" (or several have this name: tell the folders, too, as in \"Folder / List\").");
    return id;
}

CollectionId namedList(const library::CollectionTree& tree, const std::string& path) {
    const CollectionId id = named(tree, path);
    if (id != 0 && tree.find(id)->kind != Collection::Kind::List) {
        say("\"" + path + "\" is no list.");
        return 0;
    }
    return id;
}

int report(const Result<library::ChangeOutcome>& outcome) {
    if (!outcome) {
        say(outcome.error().message);
        return 1;
    }
    return 0;
}

} // namespace

int rescanShelves(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    std::vector<library::Shelf> which;
    for (const library::Shelf& s : store->shelves().all())
        if (options.step.empty() || s.name == options.step || s.path.native() == options.step)
            which.push_back(s);
    if (which.empty()) {
        say(options.step.empty() ? "The library has no shelves."
                                 : "There is no shelf \"" + options.step + "\".");
        return 1;
    }
    work::Progress progress;
    const auto done = library::rescan(*store, which, {}, progress);
    if (!done) {
        say(done.error().message);
        return 1;
    }
    Json out;
    out["new_or_changed"] = done->summary.read;
    out["unchanged"] = done->summary.unchanged;
    out["absent_now"] = done->absence.stillMissed();
    out["there_again"] = done->absence.back.size();
    out["moved"] = Json::array();
    for (const library::Rescan::Move& m : done->moves) {
        Json one;
        putPath(one, m.to);
        one["was"] = text::forDisplay(m.from.native());
        one["by"] = m.by == library::MovedBy::SameState     ? "size, time and tags"
                    : m.by == library::MovedBy::SameContent ? "name, size and tags"
                                                            : "the same sound";
        out["moved"].push_back(std::move(one));
    }
    out["not_there"] = Json::array();
    for (const library::Shelf& s : which)
        if (std::ranges::find(done->absence.notThere, s.id) != done->absence.notThere.end())
            out["not_there"].push_back(s.name);
    print(out);
    for (const Error& e : done->summary.folders)
        say(e.message);
    return done->summary.folders.empty() && done->absence.notThere.empty() ? 0 : 1;
}

int collections(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const library::CollectionTree tree = library::collectionsOf(*store);
    if (options.step.empty()) {
        printBelow(tree, 0, nullptr);
        return 0;
    }
    // "--make KIND NAME", "--remove NAME"
    CollectionId folder = 0;
    if (!options.where.empty() && (folder = named(tree, options.where)) == 0)
        return 1;
    if (options.step == "remove") {
        const CollectionId id = named(tree, options.name);
        if (id == 0)
            return 1;
        const std::vector<CollectionId> folders = store->collections().foldersOf(id);
        return report(
            library::removeCollection(*store, id, folder != 0 || folders.empty() ? folder : folders.front()));
    }
    Collection made;
    made.kind = options.step == "folder" ? Collection::Kind::Folder
                : options.step == "list" ? Collection::Kind::List
                                         : Collection::Kind::Search;
    made.name = options.name;
    made.query = options.query;
    made.note = options.note;
    if (made.kind == Collection::Kind::Search && made.query.empty()) {
        say("Say with --query what the search asks.");
        return wrongly;
    }
    if (const int failed = report(library::makeCollection(*store, made, folder)); failed != 0)
        return failed;
    print(collectionJson(library::collectionsOf(*store), made));
    return 0;
}

int lists(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const library::CollectionTree tree = library::collectionsOf(*store);
    if (options.name.empty()) {
        Collection::Kind only = Collection::Kind::List;
        printBelow(tree, 0, &only);
        return 0;
    }
    const CollectionId list = namedList(tree, options.name);
    if (list == 0)
        return 1;
    if (const std::vector<Path> paths = pathsOf(options); !paths.empty()) {
        std::vector<library::FileId> files;
        for (const Path& path : paths) {
            files.push_back(store->files().idOf(path));
            if (files.back() == 0) { // rather none than others than were meant
                say("The library does not know \"" + text::forDisplay(path.native()) + "\".");
                return 1;
            }
        }
        return report(library::addToList(*store, list, files));
    }
    size_t place = 0;
    for (const library::FileId id : library::listOf(*store, list).files) {
        Json out;
        out["place"] = ++place;
        if (const auto file = store->files().find(id)) {
            putPath(out, file->path);
            out["title"] = tags::firstValue(file->tags.fields, "title");
            out["artist"] = tags::firstValue(file->tags.fields, "artist");
            out["seconds"] = file->tags.facts.duration;
            out["absent"] = file->absent != 0;
        } else {
            out["path"] = nullptr;
        }
        print(out);
    }
    return 0;
}

int exportPlaylist(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const library::CollectionTree tree = library::collectionsOf(*store);
    const CollectionId list = namedList(tree, options.name);
    if (list == 0)
        return 1;
    const Path target = std::filesystem::absolute(options.step);
    const auto layouts = deliver::listLayoutsFrom(store->settings().get(library::settings::listLayouts));
    std::optional<deliver::ListLayout> layout;
    if (options.layout.empty()) { // by the ending of the name
        layout = layouts.front();
        const auto it =
            std::ranges::find(layouts, text::fold(target.extension().native()), &deliver::ListLayout::ending);
        layout->form = it == layouts.end() ? deliver::ListForm::M3u8 : it->form;
        layout->places = {};
    } else {
        layout = layoutMeant(layouts, options.layout, deliver::listLayoutNamed, deliver::listLayoutFromJson);
        if (!layout)
            return wrongly;
    }
    exchange::PlaceStyle& style = layout->places;
    if (options.absolute)
        style.kind = exchange::PlaceStyle::Kind::Absolute;
    if (!options.rewrite.empty()) {
        const size_t equals = options.rewrite.find('=');
        if (equals == std::string::npos || equals == 0) {
            say("--rewrite is told as /folder/here=/folder/there.");
            return wrongly;
        }
        style = {exchange::PlaceStyle::Kind::Rewritten, options.rewrite.substr(0, equals),
                 options.rewrite.substr(equals + 1)};
    }
    std::vector<library::FileId> files = library::listOf(*store, list).files;
    const exchange::Playlist playlist =
        library::playlistOf(*store, tree.find(list)->name, files, target.parent_path(), style);
    if (const Status written = files::writeWhole(target, deliver::listText(playlist, layout->form));
        !written) {
        say(written.error().message);
        return 1;
    }
    Json out;
    putPath(out, target);
    out["tracks"] = playlist.entries.size();
    out["left_out"] = files.size() - playlist.entries.size();
    print(out);
    return 0;
}

int importPlaylist(const Options& options) {
    auto store = openLibrary(options);
    if (!store)
        return 1;
    const Path source = std::filesystem::absolute(options.step);
    const auto playlist = exchange::readPlaylistFile(source);
    if (!playlist) {
        say(playlist.error().message);
        return 1;
    }
    for (const std::string& note : playlist->notes)
        say(note);
    work::Progress progress;
    const auto matches = library::matchPlaylist(*store, *playlist, source.parent_path(), {}, progress);
    std::vector<library::FileId> files;
    bool all = true;
    for (const library::PlaylistMatch& m : matches) {
        Json out;
        out["entry"] = text::forDisplay(m.entry.place);
        const auto file = m.file != 0 ? store->files().find(m.file) : std::nullopt;
        if (file) {
            putPath(out, file->path);
            files.push_back(m.file);
        } else {
            out["path"] = nullptr;
            all = false;
        }
        out["why"] = m.told;
        print(out);
    }
    if (!options.dryRun && !files.empty()) {
        Collection made;
        made.kind = Collection::Kind::List;
        made.name = !options.name.empty()      ? options.name
                    : !playlist->title.empty() ? playlist->title
                                               : text::forDisplay(source.stem().native());
        if (const int failed = report(library::makeCollection(*store, made, 0, files)); failed != 0)
            return failed;
    }
    return all ? 0 : 1;
}

} // namespace moorfrost::cli
