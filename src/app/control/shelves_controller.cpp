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
        [this, roots, shelves = shelves_, file = library_.file()](
            std::stop_token stop, work::Progress& progress) -> Result<library::FoldersRead> {
            auto read = library::readFolders(
                file, roots, true, stop, progress, [&](std::vector<files::ScannedFile>&& files) {
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
                });
            if (!read)
                return read;
            library_.write([shelves, same = read->unchanged](Store& store) {
                std::map<int64_t, std::vector<FileId>> byShelf;
                for (const library::FileRecord& f : store.files().findAll(same))
                    if (int64_t shelf = library::shelfOf(shelves, f.path); shelf != f.shelf)
                        byShelf[shelf].push_back(f.id);
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
                        lookForAbsent(which);
                });
        });
}

void ShelvesController::lookForAbsent(const std::vector<Shelf>& which) {
    jobs_.start(
        this, {ss(tr("Looking for files that are missing")), work::Priority::Background},
        [which, file = library_.file()](std::stop_token stop,
                                        work::Progress& progress) -> Result<library::AbsenceLook> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            return library::lookForAbsent(**store, which, stop, progress);
        },
        [this](const Result<library::AbsenceLook>& look) {
            if (!look) {
                messages_.say(look.error());
                return;
            }
            if (look->stopped || (look->gone.empty() && look->back.empty() && look->followed.empty()))
                return;
            library_.write(
                this,
                [look = *look](Store& store) {
                    library::noteAbsent(store, look, static_cast<int64_t>(std::time(nullptr)));
                },
                [this, gone = static_cast<int>(look->stillMissed()),
                 followed = static_cast<int>(look->followed.size())](const Status& noted) {
                    if (!noted)
                        return;
                    QStringList told;
                    if (followed > 0)
                        told << tr("The library has followed %n file(s) that others moved.", "", followed);
                    if (gone > 0)
                        told << tr(
                            "%n file(s) could not be found and got the mark \"absent\". What the library "
                            "keeps stays.",
                            "", gone);
                    if (!told.isEmpty())
                        messages_.say(told.join(' '), gone > 0);
                    emit filesChanged();
                });
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
