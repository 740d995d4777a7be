// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/writing_controller.h"

#include <algorithm>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/library/replaced_files.h"

namespace moorfrost::app {

using library::Store;

namespace {

const work::Uses writesFiles = {.writesFiles = true};

/// "Put away 12 files".
QString titleOf(const files::ChangeSet& set) {
    const auto of = [&](auto&& counts) { return static_cast<int>(std::ranges::count_if(set.steps, counts)); };
    const int files = of([](const files::Step& s) { return s.file > 0; });
    const int moved = of([](const files::Step& s) { return s.file > 0 && !s.target.empty(); });
    const int copied = of([](const files::Step& s) { return s.file > 0 && s.copy; });
    return moved == 0   ? WritingController::tr("Write tags of %n file(s)", "", files)
           : copied > 0 ? WritingController::tr("Put away copies of %n file(s)", "", files)
                        : WritingController::tr("Put away %n file(s)", "", files);
}

} // namespace

WritingController::WritingController(LibraryAccess& library, LibrarySettings& settings,
                                     FilesController& files, DraftsController& drafts, BatchController& batch,
                                     PlacesController& places, JournalController& journal, JobList& jobs,
                                     Messages& messages)
    : library_(library), settings_(settings), files_(files), drafts_(drafts), batch_(batch), places_(places),
      journal_(journal), jobs_(jobs), messages_(messages) {}

bool WritingController::canWrite() const {
    const bench::DraftCounts& n = places_.counts();
    return n.fields + n.places > 0 && ending_ == 0 && !jobs_.isWriting();
}

void WritingController::write(files::HardLinks links, tags::Damage damage) {
    if (!canWrite())
        return;
    jobs_.setTrouble(std::nullopt);
    const bench::WriteOptions options{links, damage, settings_.get(library::settings::keepTimes)};
    auto proposals = places_.proposals();
    // Never to a place from before the last edit: where they are not known yet, the job works them out.
    std::optional<bench::Places> places;
    if (places_.areCurrent())
        places = places_.places();
    QString title;
    if (places) {
        const files::ChangeSet set = bench::changeSet(proposals, *places, options);
        if (set.steps.empty())
            return;
        title = titleOf(set);
    } else {
        title = tr("Put away %n file(s)", "", static_cast<int>(proposals.size()));
    }
    struct Written {
        QString title;
        library::WriteOutcome outcome;
        std::vector<std::vector<FileId>> same; // files of one recording
    };
    jobs_.start(
        this, {ss(title), work::Priority::Asked, writesFiles},
        [=, rules = places_.rules(), file = library_.file(), batch = batch_.id(),
         aside = Path(settings_.get(library::settings::asideFolder))](
            std::stop_token stop, work::Progress& progress) -> Result<Written> {
            const bench::Places where = places ? *places : bench::placesOf(proposals, rules);
            files::ChangeSet set = bench::changeSet(proposals, where, options);
            const QString told = titleOf(set);
            set.title = ss(told);
            if (set.steps.empty())
                return Written{told, {}, {}};
            auto store = Store::open(file);
            if (!store)
                return store.error();
            std::map<Path, FileId> replaced;
            for (const bench::Replaced& one : bench::replacedBy(where))
                replaced[one.there] = one.by;
            library::moveReplaced(**store, set, bench::pathsOf(bench::replacedBy(where)), aside);
            auto same = library::sameRecordings(**store, replaced);
            Written out{told, library::writeSet(**store, set, batch, stop, progress), {}};
            library::forgetNotMoved(set, out.outcome.report);
            out.same = library::whatWasDone(std::move(same), out.outcome.report);
            return out;
        },
        [this](Result<Written> written) {
            if (written) {
                endWrite(written->title, std::move(written->outcome));
                for (const std::vector<FileId>& recording : written->same)
                    emit replaced(recording);
            } else {
                messages_.say(written.error());
            }
        });
}

bool WritingController::moveToTrash(const QString& title, const std::vector<FilePtr>& files) {
    if (files.empty() || ending_ != 0 || jobs_.isWriting()) {
        messages_.say(tr("Files are being written just now. Try again when that has ended."), true);
        return false;
    }
    jobs_.setTrouble(std::nullopt);
    jobs_.start(
        this, {ss(title), work::Priority::Asked, writesFiles},
        [title, files, file = library_.file(), batch = batch_.id()](
            std::stop_token stop, work::Progress& progress) -> Result<library::WriteOutcome> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            files::ChangeSet set;
            set.title = ss(title);
            std::vector<Path> paths;
            for (const FilePtr& f : files)
                paths.push_back(f->path);
            library::moveReplaced(**store, set, paths, {});
            library::WriteOutcome out = library::writeSet(**store, set, batch, stop, progress);
            library::forgetNotMoved(set, out.report);
            return out;
        },
        [this, title](Result<library::WriteOutcome> outcome) {
            if (outcome)
                endWrite(title, std::move(*outcome));
            else
                messages_.say(outcome.error());
        });
    return true;
}

void WritingController::endWrite(const QString& title, library::WriteOutcome outcome) {
    if (!outcome.recovered.isEmpty())
        emit recovered(outcome.recovered);
    tellTrouble(title, outcome.report);
    if (outcome.report.steps.empty() && outcome.report.error.empty())
        return; // there was nothing to do
    std::vector<library::DraftSession::Written> written;
    for (const files::StepRecord& r : outcome.report.steps)
        if (r.state == files::StepState::Done && r.step.file > 0)
            written.push_back({r.step.file, r.step.changes, !r.step.target.empty()});
    lastReport_ = std::move(outcome.report);
    lastSet_ = outcome.set;
    drafts_.session().forgetHistory();
    takeOver(outcome.touched, !outcome.recovered.isEmpty(),
             [this, written] { drafts_.session().forgetWritten(written); });
}

/// What the library knows of the files now.
void WritingController::takeOver(const std::vector<FileId>& touched, bool all, std::function<void()> then) {
    ++ending_;
    std::vector<FileId> files = all ? files_.known().ids() : touched;
    files.insert(files.end(), touched.begin(), touched.end());
    files_.readAgain(this, files, [this, then] {
        --ending_;
        then();
        journal_.refresh();
        emit written();
    });
}

void WritingController::tellTrouble(const QString& title, const files::SetReport& report) {
    if (report.failed == 0 && report.left == 0 && report.error.empty())
        return;
    const QString what =
        report.failed > 0 ? tr("%n file(s) left as before.", "", static_cast<int>(report.failed))
        : report.left > 0 ? tr("Stopped: %n file(s) were not begun.", "", static_cast<int>(report.left))
                          : tr("The write was stopped.");
    QString detail = spoken(report.error);
    for (const files::StepRecord& r : report.steps)
        if (r.state == files::StepState::Failed && detail.isEmpty())
            detail = shownName(r.step.source) + ": " + spoken(r.error);
    jobs_.setTrouble(Trouble{title + ": " + what, detail, [this] { write(); }});
}

void WritingController::takeBack(int64_t set, const std::optional<std::set<size_t>>& steps) {
    jobs_.start(
        this, {ss(tr("Taking back")), work::Priority::Asked, writesFiles},
        [=, file = library_.file()](std::stop_token stop,
                                    work::Progress& progress) -> Result<library::TakeBackOutcome> {
            auto store = Store::open(file);
            if (!store)
                return store.error();
            return library::takeBackSet(**store, set, steps, stop, progress);
        },
        [this](Result<library::TakeBackOutcome> outcome) {
            if (outcome)
                endTakeBack(*outcome);
            else
                messages_.say(outcome.error());
        });
}

void WritingController::endTakeBack(const library::TakeBackOutcome& outcome) {
    QString sentence = tr("%n file(s) taken back.", "", static_cast<int>(outcome.done));
    if (!outcome.refused.empty())
        sentence += " " + tr("%n file(s) could not be: %1", "", static_cast<int>(outcome.refused.size()))
                              .arg(qs(outcome.refused.front().second));
    if (!outcome.error.empty())
        sentence = spoken(outcome.error);
    messages_.say(sentence, !outcome.refused.empty() || !outcome.error.empty());
    lastReport_.reset();
    drafts_.session().forgetHistory();
    takeOver(outcome.touched, false, [this] { batch_.sortAnew(); });
}

void WritingController::readAgain(const std::vector<FileId>& files) {
    jobs_.start(
        this, {ss(tr("Reading files again"))},
        [paths = files_.pathsOf(files)](std::stop_token stop,
                                        work::Progress& progress) -> Result<std::vector<files::ScannedFile>> {
            std::vector<files::ScannedFile> read;
            progress.begin(paths.size());
            for (const Path& path : paths) {
                if (stop.stop_requested())
                    break;
                read.push_back(files::scanFile(path));
                progress.stepPath(path);
            }
            return read;
        },
        [this](Result<std::vector<files::ScannedFile>> read) {
            if (!read) {
                messages_.say(read.error());
                return;
            }
            library_.write(
                this,
                [read = std::move(*read)](Store& store) {
                    return library::readWorkRows(store, store.files().saveAll(read));
                },
                [this](Result<library::WorkRows> rows) {
                    if (!rows)
                        return;
                    clearReport();
                    batch_.add(std::move(*rows));
                    batch_.sortAnew();
                });
        });
}

void WritingController::clearReport() {
    lastReport_.reset();
    jobs_.setTrouble(std::nullopt);
    emit written();
}

} // namespace moorfrost::app
