// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sheet_controller.h"

#include <QDateTime>

#include <utility>

#include "app/shell/text_utils.h"
#include "core/files/disk.h"

namespace moorfrost::app {

namespace {

/// What is read of the library.
struct Read {
    deliver::SheetSubject subject;
    std::map<size_t, deliver::PictureFrom> pictures;
};

} // namespace

SheetController::SheetController(Delivering& delivering, Deliveries& deliveries, LibraryAccess& library,
                                 JobList& jobs, Messages& messages, LibrarySettings& settings,
                                 FilesController& files, DraftsController& drafts, LibraryIndex& index,
                                 ReleasesController& releases, PeopleController& people)
    : delivering_(delivering), deliveries_(deliveries), library_(library), jobs_(jobs), messages_(messages),
      people_(people), layouts_(settings) {
    auto look = [this] { refresh_.look(); };
    connect(&refresh_, &Refresh::ended, this, &SheetController::changed);
    connect(&layouts_, &Layouts::changed, this, look);
    connect(&delivering_, &Delivering::changed, this, look);
    connect(&people_, &PeopleController::changed, this, look);
    connect(&releases, &ReleasesController::changed, this, look);
    connect(&index, &LibraryIndex::changed, this, look);
    connect(&drafts, &DraftsController::changed, this, look);
    connect(&files, &FilesController::changed, this, look);
}

bool SheetController::make(int run) {
    people_.want();
    const deliver::SheetOf& of = delivering_.of();
    if (!people_.isTrue() && !of.isEmpty())
        return false; // who is named may not be in the list yet; it comes
    const auto people = people_.list();
    auto end = [this, run](std::shared_ptr<const Shown> shown) {
        if (!refresh_.isCurrent(run))
            return;
        shown_ = std::move(shown); // nothing rather than what it was before
        refresh_.end(run);
    };
    if (of.isEmpty()) {
        end(nullptr);
        return true;
    }
    library_.read(
        this,
        [people, of, layout = layouts_.layout()](library::Store& store) {
            Read out{deliver::sheetSubject(store, *people, of), {}};
            out.pictures = deliver::picturesOf(store, out.subject, deliver::oneSheet(out.subject, layout));
            return out;
        },
        [this, run, end, of, layout = layouts_.layout()](Result<Read> read) {
            if (!refresh_.isCurrent(run))
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
    return true;
}

void SheetController::withText(std::function<void(QString)> then) {
    refresh_.whenTrue([this, then] { then(shown_ ? qs(deliver::sheetText(shown_->document)) : QString()); });
}

Path SheetController::proposedName(const char* ending) const {
    return (shown_ ? deliver::sheetFileName(shown_->subject) : std::string("One-sheet")) + ending;
}

void SheetController::save(const Path& file, std::function<void(bool)> then) {
    refresh_.whenTrue([this, file, then] { saveNow(file, then); });
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
        [this, file, then, shown = shown_](Status done) {
            if (done) {
                messages_.say(tr("The sheet is saved as %1.").arg(shownPath(file)));
                note(*shown, file);
            } else {
                messages_.say(done.error());
            }
            if (then)
                then(static_cast<bool>(done));
        });
}

void SheetController::note(const Shown& shown, const Path& file) {
    library::Delivery delivery;
    delivery.way = "one-sheet";
    delivery.title = shown.subject.title;
    delivery.target = file;
    delivery.layout = deliver::layoutJson(shown.layout);
    delivery.state =
        ss(file.extension().native().empty() ? QString() : qs(file.extension().native()).mid(1).toUpper());
    std::vector<FileId> files;
    for (const deliver::SheetSong& song : shown.subject.songs)
        if (song.file != 0)
            files.push_back(song.file);
    deliveries_.note(std::move(delivery), std::move(files));
}

} // namespace moorfrost::app
