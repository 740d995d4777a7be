// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sheet_controller.h"

#include <QDateTime>

#include <algorithm>
#include <fstream>
#include <sstream>
#include <utility>

#include "app/shell/text_utils.h"
#include "core/files/disk.h"

namespace moorfrost::app {

namespace {

constexpr int moment = 60; // milliseconds

/// What is read of the library.
struct Read {
    deliver::SheetSubject subject;
    std::map<size_t, deliver::PictureFrom> pictures;
};

} // namespace

SheetController::SheetController(LibraryAccess& library, JobList& jobs, Messages& messages,
                                 LibrarySettings& settings, FilesController& files, DraftsController& drafts,
                                 LibraryIndex& index, ReleasesController& releases, PeopleController& people)
    : library_(library), jobs_(jobs), messages_(messages), settings_(settings), people_(people) {
    loadLayouts();
    layout_ = layouts_.front();
    soon_.setSingleShot(true);
    soon_.setInterval(moment);
    connect(&soon_, &QTimer::timeout, this, &SheetController::make);
    connect(&settings_, &LibrarySettings::loaded, this, [this] {
        loadLayouts();
        choose(settings_.get(library::settings::lastSheetLayout));
    });
    connect(&people_, &PeopleController::changed, this, &SheetController::look);
    connect(&releases, &ReleasesController::changed, this, &SheetController::look);
    connect(&index, &LibraryIndex::changed, this, &SheetController::look);
    connect(&drafts, &DraftsController::changed, this, &SheetController::look);
    connect(&files, &FilesController::changed, this, &SheetController::look);
}

void SheetController::setInSight(bool inSight) {
    inSight_ = inSight;
    if (!inSight)
        return;
    if (old_)
        look();
}

void SheetController::setOf(deliver::SheetOf of) {
    if (of.songs.size() > deliver::mostSongs) {
        of.songs.resize(deliver::mostSongs);
        messages_.say(tr("A sheet has at most %1 songs: the first are on it.").arg(deliver::mostSongs), true);
    }
    if (of == of_)
        return;
    of_ = std::move(of);
    emit ofChanged();
    look();
}

void SheetController::addSongs(const std::vector<FileId>& songs) {
    deliver::SheetOf of;
    of.songs = of_.songs;
    if (of.songs.empty() && !of_.isEmpty()) {
        if (!isTrue()) // its tracks are still being read
            return whenTrue([this, songs] { addSongs(songs); });
        if (const Shown* release = shown())
            for (const deliver::SheetSong& song : release->subject.songs)
                if (song.file != 0)
                    of.songs.push_back(song.file);
    }
    for (const FileId id : songs)
        if (std::ranges::find(of.songs, id) == of.songs.end())
            of.songs.push_back(id);
    setOf(std::move(of));
}

bool SheetController::isChanged() const {
    const deliver::SheetLayout* kept = deliver::layoutNamed(layouts_, layout_.name);
    return !kept || *kept != layout_;
}

bool SheetController::isKept(const std::string& name) const {
    for (const std::string& one : settings_.get(library::settings::sheetLayouts))
        if (const auto layout = deliver::layoutFromJson(one); layout && layout->name == name)
            return true;
    return false;
}

void SheetController::choose(const std::string& name) {
    const deliver::SheetLayout* layout = deliver::layoutNamed(layouts_, name);
    if (!layout)
        layout = &layouts_.front();
    if (settings_.get(library::settings::lastSheetLayout) != layout->name)
        settings_.set(library::settings::lastSheetLayout, layout->name);
    change(deliver::SheetLayout(*layout));
}

void SheetController::change(deliver::SheetLayout layout) {
    if (layout == layout_)
        return;
    layout_ = std::move(layout);
    emit layoutChanged();
    look();
}

void SheetController::keep(const std::string& name) {
    deliver::SheetLayout layout = layout_;
    layout.name = name;
    std::vector<std::string> kept;
    for (const std::string& one : settings_.get(library::settings::sheetLayouts))
        if (const auto other = deliver::layoutFromJson(one);
            !other || text::fold(other->name) != text::fold(name))
            kept.push_back(one);
    kept.push_back(deliver::layoutJson(layout));
    settings_.set(library::settings::sheetLayouts, kept);
    settings_.set(library::settings::lastSheetLayout, name);
    loadLayouts();
    layout_ = std::move(layout);
    emit layoutsChanged();
    emit layoutChanged();
}

void SheetController::forget(const std::string& name) {
    std::vector<std::string> kept;
    for (const std::string& one : settings_.get(library::settings::sheetLayouts))
        if (const auto other = deliver::layoutFromJson(one); !other || other->name != name)
            kept.push_back(one);
    settings_.set(library::settings::sheetLayouts, kept);
    loadLayouts();
    emit layoutsChanged();
    choose(name); // one that is shipped, or the first
}

void SheetController::takeIn(const Path& file) {
    std::ifstream in(file, std::ios::binary);
    std::ostringstream read;
    read << in.rdbuf();
    if (!in)
        return messages_.say(tr("\u201C%1\u201D cannot be read.").arg(shownName(file)), true);
    auto layout = deliver::layoutFromJson(read.str());
    if (!layout)
        return messages_.say(layout.error());
    std::string name = layout->name;
    for (int n = 2; deliver::layoutNamed(layouts_, name); ++n) // nothing that is kept gives way
        name = layout->name + " " + std::to_string(n);
    layout_ = std::move(*layout);
    keep(name);
    look();
}

void SheetController::loadLayouts() {
    layouts_ = deliver::layoutsFrom(settings_.get(library::settings::sheetLayouts));
    emit layoutsChanged();
}

bool SheetController::isTrue() const {
    return !old_ && !making_ && !soon_.isActive();
}

void SheetController::look() {
    old_ = true;
    if (inSight_ || !waiting_.empty())
        soon_.start();
}

void SheetController::make() {
    if (!inSight_ && waiting_.empty())
        return;
    people_.want();
    if (!people_.isTrue() && !of_.isEmpty())
        return; // who is named may not be in the list yet; it comes
    const auto people = people_.list();
    old_ = false;
    const int run = ++run_;
    if (of_.isEmpty()) {
        making_ = false;
        shown_.reset();
        return settle();
    }
    making_ = true;
    auto end = [this, run](std::shared_ptr<const Shown> shown) {
        if (run != run_)
            return;
        making_ = false;
        shown_ = std::move(shown); // nothing rather than what it was before
        settle();
    };
    library_.read(
        this,
        [people, of = of_, layout = layout_](library::Store& store) {
            Read out{deliver::sheetSubject(store, *people, of), {}};
            out.pictures = deliver::picturesOf(store, out.subject, deliver::oneSheet(out.subject, layout));
            return out;
        },
        [this, run, end, of = of_, layout = layout_](Result<Read> read) {
            if (run != run_)
                return;
            if (!read)
                return end(nullptr);
            jobs_.start(
                this, {ss(tr("Laying out the sheet")), work::Priority::Background},
                [of, layout, read = std::make_shared<Read>(std::move(*read))](
                    std::stop_token, work::Progress&) -> Result<std::shared_ptr<const Shown>> {
                    auto out = std::make_shared<Shown>();
                    out->of = of;
                    out->layout = layout;
                    out->subject = std::move(read->subject);
                    out->document = deliver::oneSheet(out->subject, layout);
                    out->gaps = deliver::sheetGaps(out->subject, layout);
                    out->pictures = deliver::readPictures(read->pictures);
                    out->pages = std::make_shared<deliver::SheetPages>(out->document, out->pictures,
                                                                       QDateTime::currentSecsSinceEpoch());
                    return std::shared_ptr<const Shown>(std::move(out));
                },
                [end](Result<std::shared_ptr<const Shown>> shown) {
                    end(shown ? std::move(*shown) : nullptr);
                });
        });
}

void SheetController::settle() {
    emit changed();
    if (isTrue())
        for (auto& then : std::exchange(waiting_, {}))
            whenTrue(std::move(then)); // the one before may have changed what the sheet is of
}

void SheetController::withText(std::function<void(QString)> then) {
    whenTrue([this, then] { then(shown_ ? qs(deliver::sheetText(shown_->document)) : QString()); });
}

Path SheetController::proposedName(const char* ending) const {
    return (shown_ ? deliver::sheetFileName(shown_->subject) : std::string("One-sheet")) + ending;
}

void SheetController::save(const Path& file, std::function<void(bool)> then) {
    whenTrue([this, file, then] { saveNow(file, then); });
}

void SheetController::whenTrue(std::function<void()> then) {
    if (isTrue())
        return then();
    waiting_.push_back(std::move(then));
    if (!making_)
        look(); // in sight or not: it is waited for
}

void SheetController::saveNow(const Path& file, std::function<void(bool)> then) {
    const auto kind = deliver::sheetFileOf(file);
    if (!shown_ || !kind) {
        messages_.say(shown_ ? tr("A sheet is saved as .pdf, .html, .txt or .json.")
                             : tr("There is no song on the sheet."),
                      true);
        if (then)
            then(false);
        return;
    }
    jobs_.start(
        this, {ss(tr("Saving the sheet")), work::Priority::Asked},
        [file, kind = *kind, shown = shown_](std::stop_token, work::Progress&) -> Result<Done> {
            const auto bytes = deliver::sheetBytes(kind, shown->subject, shown->layout, shown->pictures,
                                                   QDateTime::currentSecsSinceEpoch());
            if (!bytes)
                return bytes.error();
            return files::writeWhole(file, *bytes);
        },
        [this, file, then](Status done) {
            if (done)
                messages_.say(tr("The sheet is saved as %1.").arg(shownPath(file)));
            else
                messages_.say(done.error());
            if (then)
                then(static_cast<bool>(done));
        });
}

} // namespace moorfrost::app
