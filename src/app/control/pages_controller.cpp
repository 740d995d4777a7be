// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/pages_controller.h"

#include <QDateTime>

#include "app/shell/text_utils.h"
#include "core/deliver/page/page_make.h"
#include "core/deliver/page/page_notes.h"
#include "core/files/safe_name.h"
#include "core/library/recordings.h"

namespace moorfrost::app {

namespace {

/// The one-sheet that goes with a page, and the tracks of the page.
struct Gathered {
    deliver::PageSubject page;
    deliver::SheetSubject sheet;
    deliver::SheetLayout sheetLayout;
    std::map<size_t, deliver::PictureFrom> pictures;
    bool hasSheet = false;
    std::vector<FileId> files;
};

} // namespace

PagesController::PagesController(const Uses& use) : use_(use), layouts_(use.settings) {
    auto look = [this] { refresh_.look(); };
    connect(&refresh_, &Refresh::ended, this, &PagesController::changed);
    connect(&layouts_, &Layouts::changed, this, look);
    connect(&use_.delivering, &Delivering::changed, this, [this, look] {
        if (use_.delivering.isAnother())
            title_.clear(); // it was of the tracks of before
        look();
    });
    connect(&use_.index, &LibraryIndex::changed, this, look);
    connect(&use_.files, &FilesController::changed, this, look);
}

void PagesController::setTitle(const std::string& title) {
    if (title == title_)
        return;
    title_ = title;
    refresh_.look();
}

void PagesController::setForWhom(const std::string& whom) {
    if (whom == forWhom_)
        return;
    forWhom_ = whom;
    refresh_.look();
}

bool PagesController::read(int run) {
    use_.delivering.withFiles(this, [this, run](std::vector<FileId> files) {
        if (!refresh_.isCurrent(run))
            return;
        if (files.empty()) {
            subject_.reset();
            return refresh_.end(run);
        }
        const std::string title = title_.empty() ? ss(use_.delivering.name()) : title_;
        use_.library.read(
            this,
            [files = std::move(files), layout = layout(), title, whom = forWhom_](library::Store& store) {
                return deliver::pageSubject(store, layout, files, title, whom,
                                            QDateTime::currentSecsSinceEpoch());
            },
            [this, run](Result<deliver::PageSubject> subject) {
                if (!refresh_.isCurrent(run))
                    return;
                subject_ = subject ? std::make_shared<deliver::PageSubject>(std::move(*subject)) : nullptr;
                refresh_.end(run);
            });
    });
    return true;
}

Path PagesController::proposedName() const {
    return files::safeName(subject_ ? subject_->title : std::string("Share page"),
                           files::NameProfile::Portable);
}

void PagesController::make(const Path& folder, std::function<void(Path)> then) {
    refresh_.whenTrue([this, folder, then] { begin(folder, then); });
}

void PagesController::begin(const Path& folder, std::function<void(Path)> then) {
    if (!subject_ || subject_->tracks.empty()) {
        use_.messages.say(tr("There is no track for the page."), true);
        if (then)
            then({});
        return;
    }
    const auto sheetLayout = deliver::layoutNamed(use_.sheet.layouts().all(), layout().oneSheet);
    auto gathered = std::make_shared<Gathered>();
    gathered->page = *subject_;
    for (const deliver::PageTrack& track : subject_->tracks)
        gathered->files.push_back(track.lead.file);
    gathered->hasSheet = sheetLayout != nullptr;
    if (gathered->hasSheet)
        gathered->sheetLayout = *sheetLayout;
    auto start = [this, folder, then, gathered, layout = layout()] {
        auto plan = std::make_shared<deliver::PagePlan>();
        plan->subject = gathered->page;
        plan->layout = layout;
        plan->target = folder;
        plan->id = deliver::newPageId();
        use_.jobs.start(
            this, {ss(tr("Making the share page")), work::Priority::Asked},
            [plan, gathered](std::stop_token stop, work::Progress& progress) -> Result<deliver::PageMade> {
                if (gathered->hasSheet) {
                    const auto pdf = deliver::sheetBytes(
                        deliver::SheetFile::Pdf, gathered->sheet, gathered->sheetLayout,
                        deliver::readPictures(gathered->pictures), QDateTime::currentSecsSinceEpoch());
                    if (!pdf)
                        return pdf.error();
                    plan->oneSheet = *pdf;
                }
                return deliver::makePage(*plan, stop, progress);
            },
            [this, then, plan, gathered](Result<deliver::PageMade> made) {
                if (!made) {
                    use_.messages.say(made.error());
                    if (then)
                        then({});
                    return;
                }
                QString told = tr("The page is made in %1.").arg(shownPath(plan->target));
                if (!made->trouble.empty())
                    told += " " + tr("%n thing(s) could not be made: %1", "",
                                     static_cast<int>(made->trouble.size()))
                                      .arg(qs(made->trouble.front()));
                use_.messages.say(told, !made->trouble.empty());
                library::Delivery delivery;
                delivery.way = "share page";
                delivery.title = plan->subject.title;
                delivery.forWhom = plan->subject.forWhom;
                delivery.target = plan->target;
                delivery.layout = deliver::pageLayoutJson(plan->layout);
                delivery.state = ss(tr("%n sound(s)", "", static_cast<int>(made->sounds)));
                delivery.content = deliver::pageContent(plan->id, made->tracksById);
                use_.deliveries.note(std::move(delivery), gathered->files);
                if (then)
                    then(made->page);
            });
    };
    if (!gathered->hasSheet)
        return start();
    use_.library.read(
        this,
        [gathered](library::Store& store) {
            const auto people = library::People::make(library::keptCards(store));
            gathered->sheet = deliver::sheetSubject(store, *people, {gathered->files, {}});
            gathered->pictures = deliver::picturesOf(
                store, gathered->sheet, deliver::oneSheet(gathered->sheet, gathered->sheetLayout));
            return Done{};
        },
        [start](const Result<Done>& read) {
            if (read)
                start();
        });
}

void PagesController::takeNotes(const Path& file) {
    auto notes = deliver::readPageNotes(file);
    if (!notes)
        return use_.messages.say(notes.error());
    use_.library.read(
        this, [notes = std::move(*notes)](library::Store& store) { return deliver::notesOf(store, notes); },
        [this](Result<deliver::NotesOfDelivery> found) {
            if (!found)
                return;
            if (found->delivery == 0)
                return use_.messages.say(
                    tr("These comments are of a page that was not made from this library, or is forgotten."),
                    true);
            const auto unknown = static_cast<int>(found->unknown);
            use_.deliveries.addNotes(found->delivery, found->notes, [this, unknown](size_t added) {
                QString told = added == 0 ? tr("These comments are here already.")
                                          : tr("Took in %n comment(s).", "", static_cast<int>(added));
                if (unknown > 0)
                    told += " " + tr("Left out, because they are of no track of the page: %n.", "", unknown);
                use_.messages.say(told, unknown > 0);
            });
        });
}

void PagesController::markPlaces(const std::vector<library::DeliveryNote>& notes) {
    const QString title = tr("Comments as marked places");
    use_.kept.make(
        [notes, title = ss(title)](library::Store& store) { return deliver::markNotes(store, notes, title); },
        title,
        [this](bool done) {
            if (done)
                use_.messages.say(tr("The comments are marked in the tracks. Ctrl+Z takes them back."));
        });
}

} // namespace moorfrost::app
