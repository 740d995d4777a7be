// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/bring_in.h"

#include <QDate>
#include <QLocale>

#include <algorithm>

#include "core/library/read_folders.h"

namespace moorfrost::app {

using library::Store;
namespace settings = library::settings;

namespace {
const std::string workKind = "bring in";
} // namespace

QStringList BringIn::recentFolders() const {
    QStringList out;
    for (const std::string& folder : settings_.get(settings::recentFolders))
        out << qs(folder);
    return out;
}

void BringIn::remember(const std::vector<Path>& paths) {
    constexpr size_t most = 8;
    std::vector<std::string> recent = settings_.get(settings::recentFolders);
    for (const Path& p : paths) {
        if (!text::isUtf8(p.native()))
            continue; // remembered as text
        std::erase(recent, p.native());
        recent.insert(recent.begin(), p.native());
    }
    recent.resize(std::min(most, recent.size()));
    settings_.set(settings::recentFolders, recent);
}

BringIn::BringIn(LibraryAccess& library, LibrarySettings& settings, FilesController& files,
                 BatchController& batch, LastingWorks& lasting, JobList& jobs, Messages& messages)
    : library_(library), settings_(settings), files_(files), batch_(batch), lasting_(lasting), jobs_(jobs),
      messages_(messages) {
    lasting_.setDoer(workKind, [this](const std::string& details) {
        const auto wish = Wish::fromText(details);
        const bool known = wish && std::ranges::count(batch_.all(), wish->batch, &library::Batch::id) > 0;
        if (known)       // else there is nothing to go on with
            read(*wish); // what was read already is not read again
    });
}

/// Lines: the batch, whether with subfolders, the formats by number, then a path a line as hexadecimal bytes.
std::string BringIn::Wish::toText() const {
    std::string out = std::to_string(batch) + "\n" + (subfolders ? "yes" : "no") + "\n";
    for (audio::Format format : formats)
        out += std::to_string(static_cast<int>(format)) + " ";
    for (const Path& path : paths)
        out += "\n" + text::hex(path.native());
    return out;
}

std::optional<BringIn::Wish> BringIn::Wish::fromText(const std::string& text) {
    const std::vector<std::string> lines = text::split(text, "\n");
    if (lines.size() < 4)
        return std::nullopt;
    Wish wish;
    wish.batch = std::atoll(lines[0].c_str());
    wish.subfolders = lines[1] == "yes";
    for (const std::string& format : text::split(lines[2], " "))
        if (!format.empty())
            wish.formats.insert(static_cast<audio::Format>(std::atoi(format.c_str())));
    for (size_t i = 3; i < lines.size(); ++i)
        wish.paths.emplace_back(text::fromHex(lines[i]));
    return wish;
}

QString BringIn::titleOf(const std::vector<Path>& paths) {
    return paths.size() == 1
               ? shownName(paths.front().has_filename() ? paths.front() : paths.front().parent_path())
               : tr("%n place(s)", "", static_cast<int>(paths.size()));
}

void BringIn::start(const std::vector<Path>& paths, bool subfolders, const std::set<audio::Format>& formats) {
    if (paths.empty())
        return;
    remember(paths);
    emit begun(paths);
    auto begin = [this, paths, subfolders, formats] {
        if (batch_.id() != 0)
            read({paths, subfolders, formats, batch_.id()});
    };
    if (batch_.id() != 0)
        begin();
    else
        batch_.create(tr("%1, %2").arg(titleOf(paths), QLocale().toString(QDate::currentDate(), "d MMM")),
                      begin);
}

void BringIn::read(const Wish& wish) {
    const int64_t work = lasting_.begin(workKind, wish.toText());
    jobs_.start(
        this, {ss(tr("Reading %1").arg(titleOf(wish.paths)))},
        [this, wish, file = library_.file()](std::stop_token stop,
                                             work::Progress& progress) -> Result<library::FoldersRead> {
            std::function<bool(const files::FoundFile&)> wanted;
            if (!wish.formats.empty())
                wanted = [&wish](const files::FoundFile& f) {
                    return wish.formats.contains(audio::formatByExtension(f.path));
                };
            auto some = [this, batch = wish.batch](std::vector<files::ScannedFile>&& files) {
                if (auto trouble = library_.trouble()) // what is read could not be kept
                    throw Failure({trouble->kind, {}, trouble->sentence});
                library_.write(
                    this,
                    [files = std::move(files), batch](Store& store) {
                        return library::readWorkRows(store, store.saveFiles(files, batch));
                    },
                    [this](Result<library::WorkRows> rows) {
                        if (rows)
                            batch_.add(std::move(*rows));
                    });
            };
            return library::readFolders(file, wish.paths, wish.subfolders, stop, progress, some, wanted);
        },
        [this, wish, work](Result<library::FoldersRead> read) {
            lasting_.end(work);
            if (read)
                end(wish, *read);
            else if (read.error().kind == ErrorKind::Cancelled) // before it had begun
                messages_.say(tr("Stopped. %n file(s) were read.", "", 0));
            else
                messages_.say(read.error());
        });
}

void BringIn::end(const Wish& wish, const library::FoldersRead& read) {
    for (const Error& e : read.summary.folders)
        messages_.say(e);
    if (read.summary.stopped)
        messages_.say(tr("Stopped. %n file(s) were read.", "", static_cast<int>(read.summary.read)));
    std::vector<FileId> missing; // of those that are as they were, but not of the batch in sight
    int shelved = 0;
    for (FileId id : read.unchanged)
        if (const FilePtr f = files_.file(id); f && batch_.batch().places().contains(id))
            shelved += f->shelf > 0;
        else
            missing.push_back(id);
    library_.write(
        this,
        [wish, missing](Store& store) {
            library::Transaction transaction(store.database());
            store.batches().addFiles(wish.batch, missing);
            store.batches().noteOrigins(wish.batch, wish.paths);
            transaction.commit();
            return library::readWorkRows(store, missing);
        },
        [this, shelved, n = static_cast<int>(read.unchanged.size())](Result<library::WorkRows> rows) {
            if (!rows)
                return;
            const auto also = shelved + static_cast<int>(std::ranges::count_if(
                                            rows->files, [](const auto& f) { return f.shelf > 0; }));
            if (n > 0) {
                QString text = tr("%n file(s) are as they were, and were not read again.", "", n);
                if (also > 0)
                    text += " " + tr("%n of them are in the library already.", "", also);
                messages_.say(text);
            }
            batch_.add(std::move(*rows));
            emit ended();
        });
}

} // namespace moorfrost::app
