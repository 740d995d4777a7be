// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/delivering.h"

#include <algorithm>
#include <unordered_set>

namespace moorfrost::app {

Delivering::Delivering(LibraryAccess& library) : library_(library) {}

void Delivering::setOf(deliver::SheetOf of, const QString& name) {
    if (of == of_ && name == name_)
        return;
    const std::unordered_set<FileId> before(of_.songs.begin(), of_.songs.end());
    another_ = std::ranges::none_of(of.songs, [&](FileId id) { return before.contains(id); });
    of_ = std::move(of);
    name_ = name;
    emit changed();
}

void Delivering::addSongs(const std::vector<FileId>& songs) {
    withFiles(this, [this, songs, before = of_](std::vector<FileId> files) {
        if (before != of_)
            return addSongs(songs); // it is something else by now
        std::unordered_set<FileId> there(files.begin(), files.end());
        for (const FileId id : songs)
            if (there.insert(id).second)
                files.push_back(id);
        setOf({std::move(files), {}}, of_.songs.empty() ? QString() : name_);
    });
}

void Delivering::withFiles(QObject* asker, std::function<void(std::vector<FileId>)> then) {
    if (!of_.songs.empty() || of_.isEmpty())
        return then(of_.songs);
    library_.read(
        asker,
        [release = of_.release](library::Store& store) {
            return deliver::filesOf(store, {{}, release});
        },
        [then](Result<std::vector<FileId>> files) {
            then(files ? std::move(*files) : std::vector<FileId>()); // that it failed has been said
        });
}

} // namespace moorfrost::app
