// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/shelves_controller.h"

#include <algorithm>
#include <ctime>

#include "core/library/absence.h"
#include "core/library/read_folders.h"
#include "core/library/writing.h"

namespace moorfrost::app {

using library::Shelf;
using library::Store;
using Shelves = std::vector<Shelf>;

namespace {
const std::string workKind = "read shelves";
} // namespace

ShelvesController::ShelvesController(LibraryAccess& library, LibrarySettings& settings, LastingWorks& lasting,
                                     JobList& jobs, Messages& messages)
    : library_(library), settings_(settings), lasting_(lasting), jobs_(jobs), messages_(messages) {
    lasting_.setDoer(workKind, [this](const std::string& numbers) { // of the shelves
        Shelves which;
        for (const std::string& number : text::split(numbers, " "))
            for (const Shelf& s : shelves_)
                if (std::to_string(s.id) == number)
                    which.push_back(s);
        read(which);
    });
}

void ShelvesController::load() {
    library_.read(
        this, [](Store& store) { return store.shelves().all(); },
        [this](const Result<Shelves>& shelves) { take(shelves); });
}

void ShelvesController::take(const Result<Shelves>& shelves) {
    if (!shelves)
        return;
    shelves_ = *shelves;
    emit changed();
}

void ShelvesController::add(const QString& name, const Path& path) {
    library_.write(
        this,
        [n = ss(name), path](Store& store) {
            store.shelves().add(n, path);
            return store.shelves().all();
        },
        [this](const Result<Shelves>& shelves) {
            take(shelves);
            if (settings_.get(library::settings::readShelves)) // it was one before the library was made anew
                read(shelves_);
        });
}

void ShelvesController::rename(int64_t id, const QString& name) {
    library_.write(
        this,
        [id, n = ss(name)](Store& store) {
            store.shelves().rename(id, n);
            return store.shelves().all();
        },
        [this](const Result<Shelves>& shelves) { take(shelves); });
}

void ShelvesController::findAgain(QObject* asker, const std::vector<FileId>& absent,
                                  const std::vector<Path>& folders,
                                  std::function<void(std::vector<library::FoundAgain>)> then) {
    jobs_.start(
        asker, {ss(tr("Looking for absent files"))},
        [absent, folders, file = library_.file()](
            std::stop_token stop, work::Progress& progress) -> Result<std::vector<library::FoundAgain>> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            auto found = library::findAgain(**store, absent, folders, stop, progress);
            if (stop.stop_requested())
                return Error{ErrorKind::Cancelled, {}, "Stopped."};
            return found;
        },
        [this, then](const Result<std::vector<library::FoundAgain>>& found) {
            if (found)
                then(*found);
            else if (found.error().kind != ErrorKind::Cancelled)
                messages_.say(found.error());
        });
}

void ShelvesController::follow(const std::vector<library::FoundAgain>& found) {
    library_.write(
        this, [found](Store& store) { return library::follow(store, found); },
        [this](const Result<size_t>& count) {
            if (!count)
                return;
            messages_.say(tr("The library has followed %n file(s).", "", static_cast<int>(*count)));
            emit filesChanged();
        });
}

void ShelvesController::lookAtMoved(QObject* asker, const Shelf& shelf, const Path& to,
                                    std::function<void(const library::MovedShelf&)> then) {
    jobs_.start(
        asker, {ss(tr("Looking for the files of \"%1\"").arg(qs(shelf.name)))},
        [shelf, to, file = library_.file()](std::stop_token stop,
                                            work::Progress&) -> Result<library::MovedShelf> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            return library::lookAtMoved(**store, shelf, to, stop);
        },
        [this, then](const Result<library::MovedShelf>& look) {
            if (look)
                then(*look);
            else
                messages_.say(look.error());
        });
}

void ShelvesController::move(const Shelf& shelf, const Path& to) {
    library_.write(
        this,
        [shelf, to](Store& store) -> Result<Shelves> {
            if (const Status moved = library::moveShelf(store, shelf, to); !moved)
                return moved.error();
            return store.shelves().all();
        },
        [this](const Result<Shelves>& shelves) {
            if (!shelves) // why was said
                return;
            notThere_.clear();
            take(shelves);
            emit filesChanged();
            lookWhetherThere();
        });
}

void ShelvesController::remove(int64_t id) {
    library_.write(
        this,
        [id](Store& store) {
            store.shelves().remove(id);
            return store.shelves().all();
        },
        [this](const Result<Shelves>& shelves) {
            take(shelves);
            emit filesChanged();
        });
}

std::function<void(std::vector<files::ScannedFile>&&)> ShelvesController::storing() {
    return [this, shelves = shelves_](std::vector<files::ScannedFile>&& files) {
        if (auto trouble = library_.trouble()) // what is read could not be kept
            throw Failure({trouble->kind, {}, trouble->sentence});
        library_.write([shelves, files = std::move(files)](Store& store) {
            library::Transaction transaction(store.database());
            std::map<int64_t, std::vector<files::ScannedFile>> byShelf;
            for (const files::ScannedFile& f : files)
                byShelf[library::shelfOf(shelves, f.path)].push_back(f);
            for (const auto& [shelf, members] : byShelf)
                store.files().saveAll(members, shelf);
            transaction.commit();
        });
    };
}

void ShelvesController::read(const std::vector<Shelf>& which) {
    if (which.empty() || reading_)
        return;
    reading_ = true;
    std::vector<Path> roots;
    std::string numbers;
    for (const Shelf& s : which) {
        roots.push_back(s.path);
        numbers += std::to_string(s.id) + " ";
    }
    const int64_t work = lasting_.begin(workKind, numbers);
    const QString title = which.size() == 1 ? tr("Reading the shelf \"%1\"").arg(qs(which.front().name))
                                            : tr("Reading %n shelf(s)", "", static_cast<int>(which.size()));
    jobs_.start(
        this, {ss(title)},
        [this, roots, shelves = shelves_, file = library_.file(),
         store = storing()](std::stop_token stop, work::Progress& progress) -> Result<library::FoldersRead> {
            auto opened = Store::open(file);
            if (!opened)
                return opened.error();
            const library::KnownStates known = library::knownStates(**opened);
            auto read = library::readFolders(file, roots, true, stop, progress, store, {}, &known);
            if (!read)
                return read;
            // One that stands in another shelf by now.
            const std::set<FileId> same(read->unchanged.begin(), read->unchanged.end());
            std::map<int64_t, std::vector<FileId>> byShelf;
            for (const auto& [path, f] : known)
                if (same.contains(f.id))
                    if (const int64_t shelf = library::shelfOf(shelves, path); shelf != f.shelf)
                        byShelf[shelf].push_back(f.id);
            if (!byShelf.empty())
                library_.write([byShelf](Store& store) {
                    library::Transaction transaction(store.database());
                    for (const auto& [shelf, members] : byShelf)
                        store.files().setShelf(members, shelf);
                    transaction.commit();
                });
            return read;
        },
        [this, work, which](Result<library::FoldersRead> read) {
            reading_ = false;
            lasting_.end(work);
            if (!read) {
                messages_.say(read.error());
                return;
            }
            const files::ScanSummary& s = read->summary;
            for (const Error& e : s.folders)
                messages_.say(e);
            if (!s.stopped)
                settings_.set(library::settings::readShelves, false);
            QString text = s.stopped ? tr("Stopped.") : tr("The shelves were read.");
            text += " " + tr("%n file(s) were new to the library or changed,", "", static_cast<int>(s.read)) +
                    " " + tr("%n as they were.", "", static_cast<int>(s.unchanged));
            messages_.say(text);
            // Behind what is still to be written of it.
            library_.read(
                this, [](Store&) {},
                [this, which, whole = !s.stopped](const Status&) {
                    emit filesChanged();
                    if (whole)
                        lookForAbsent(which, {});
                });
        });
}

void ShelvesController::look(const library::Places& places) {
    if (shelves_.empty() || reading_)
        return;
    reading_ = true;
    jobs_.start(
        this, {ss(tr("Looking what others changed")), work::Priority::Background},
        [places, shelves = shelves_, file = library_.file(),
         store = storing()](std::stop_token stop, work::Progress& progress) -> Result<library::FoldersRead> {
            auto there = [](const std::set<Path>& all) {
                std::vector<Path> out;
                std::error_code error;
                for (const Path& p : all)
                    if (std::filesystem::is_directory(p, error))
                        out.push_back(p);
                return out;
            };
            if (places.folders.empty() && places.trees.empty()) { // all, then
                std::vector<Path> roots;
                for (const Shelf& s : shelves)
                    roots.push_back(s.path);
                auto opened = Store::open(file);
                if (!opened)
                    return opened.error();
                const library::KnownStates known = library::knownStates(**opened);
                return library::readFolders(file, roots, true, stop, progress, store, {}, &known);
            }
            library::FoldersRead out;
            for (const auto& [roots, inside] :
                 {std::pair(there(places.folders), false), std::pair(there(places.trees), true)}) {
                if (roots.empty())
                    continue;
                auto read = library::readFolders(file, roots, inside, stop, progress, store);
                if (!read)
                    return read;
                out.summary.read += read->summary.read;
                out.summary.stopped = out.summary.stopped || read->summary.stopped;
            }
            return out;
        },
        [this, places](const Result<library::FoldersRead>& read) {
            reading_ = false;
            if (!read)
                return messages_.say(read.error());
            library_.read(
                this, [](Store&) {},
                [this, places, whole = !read->summary.stopped,
                 changed = static_cast<int>(read->summary.read)](const Status&) {
                    if (changed > 0)
                        emit filesChanged();
                    if (whole)
                        lookForAbsent(shelves_, places, changed);
                });
        });
}

void ShelvesController::lookForAbsent(const std::vector<Shelf>& which, const library::Places& places,
                                      int changed) {
    const bool quiet = !places.folders.empty() || !places.trees.empty() || changed > 0;
    jobs_.start(
        this, {ss(tr("Looking for files that are missing")), work::Priority::Background},
        [which, places, file = library_.file()](std::stop_token stop,
                                                work::Progress& progress) -> Result<library::AbsenceLook> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            return library::lookForAbsent(**store, which, stop, progress, places);
        },
        [this, which, changed, quiet](const Result<library::AbsenceLook>& look) {
            if (!look) {
                messages_.say(look.error());
                return;
            }
            if (look->stopped)
                return;
            std::set<int64_t> looked;
            for (const Shelf& s : which)
                looked.insert(s.id);
            takeThere(looked, look->notThere);
            if (look->gone.empty() && look->back.empty() && look->followed.empty())
                return tellAbsence(*look, changed, quiet);
            library_.write(
                this,
                [look = *look](Store& store) {
                    library::noteAbsent(store, look, static_cast<int64_t>(std::time(nullptr)));
                },
                [this, look = *look, changed, quiet](const Status& noted) {
                    if (!noted)
                        return;
                    tellAbsence(look, changed, quiet);
                    emit filesChanged();
                });
        });
}

void ShelvesController::tellAbsence(const library::AbsenceLook& look, int changed, bool quiet) {
    const auto gone = static_cast<int>(look.stillMissed()), followed = static_cast<int>(look.followed.size()),
               back = static_cast<int>(look.back.size());
    QStringList told;
    if (quiet && changed > followed)
        told << tr("%n file(s) on the shelves came or were changed by others.", "", changed - followed);
    if (followed > 0)
        told << tr("The library has followed %n file(s) that others moved.", "", followed);
    if (gone > 0)
        told << tr("%n file(s) could not be found and got the mark \"absent\". What the library "
                   "keeps stays.",
                   "", gone);
    if (quiet && back > followed)
        told << tr("%n file(s) that were absent are there again.", "", back - followed);
    if (!told.isEmpty())
        messages_.say(told.join(' '), gone > 0);
}

void ShelvesController::takeThere(const std::set<int64_t>& looked, const std::vector<int64_t>& notThere) {
    const std::set<int64_t> before = notThere_;
    for (const int64_t id : looked)
        notThere_.erase(id);
    notThere_.insert(notThere.begin(), notThere.end());
    if (notThere_ == before)
        return;
    for (const Shelf& s : shelves_)
        if (notThere_.contains(s.id) && !before.contains(s.id))
            messages_.say(tr("The shelf \u201C%1\u201D is not there: is its disk mounted? Nothing of it was "
                             "marked as absent.")
                              .arg(qs(s.name)),
                          true);
    emit changed();
}

void ShelvesController::lookWhetherThere() {
    if (shelves_.empty())
        return;
    jobs_.start(
        this, {ss(tr("Looking for the shelves")), work::Priority::Background},
        [shelves = shelves_, file = library_.file()](std::stop_token,
                                                     work::Progress&) -> Result<std::vector<int64_t>> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            std::vector<int64_t> out;
            for (const Shelf& s : shelves)
                if (!library::isThere(s, (*store)->files().countOnShelf(s.id) > 0))
                    out.push_back(s.id);
            return out;
        },
        [this, shelves = shelves_](const Result<std::vector<int64_t>>& notThere) {
            std::set<int64_t> looked;
            for (const Shelf& s : shelves)
                looked.insert(s.id);
            if (notThere)
                takeThere(looked, *notThere);
        });
}

QString ShelvesController::placeText(const Path& path) const {
    const int64_t on = library::shelfOf(shelves_, path);
    for (const Shelf& s : shelves_)
        if (s.id == on)
            return qs(s.name) + "/" + shownPath(path.lexically_relative(s.path));
    std::vector<Path> parts(path.begin(), path.end());
    if (parts.size() <= 4)
        return shownPath(path);
    Path last;
    for (size_t i = parts.size() - 3; i < parts.size(); ++i)
        last /= parts[i];
    return QString(QChar(0x2026)) + "/" + shownPath(last);
}

} // namespace moorfrost::app
