// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/rows_in_controller.h"

#include <QDateTime>
#include <QPointer>

#include <set>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

RowsInController::RowsInController(const Uses& use) : use_(use) {}

void RowsInController::open(const Path& file) {
    openOfPackage(file, {}, {});
}

void RowsInController::openOfPackage(const Path& file, const std::string& told, const std::string& here) {
    file_ = file;
    given_ = {};
    layout_.clear();
    pathTold_ = told;
    pathHere_ = here;
    lookAgain();
}

void RowsInController::close() {
    file_.clear();
    look_.reset();
    rows_.reset();
    why_.clear();
    ++run_;
    if (reading_ != 0)
        use_.jobs.stop(std::exchange(reading_, 0));
    emit changed();
}

void RowsInController::setGiven(const exchange::DialectGiven& given) {
    given_ = given;
    lookAgain();
}

void RowsInController::setLayout(const std::string& name) {
    layout_ = name;
    lookAgain();
}

void RowsInController::setColumn(size_t column, const deliver::RowColumn& says) {
    if (!look_ || column >= look_->plan.columns.size() || look_->plan.columns[column] == says)
        return;
    look_->plan.columns[column] = says;
    read();
}

void RowsInController::setBlankClears(bool on) {
    blankClears_ = on;
    if (look_ && look_->plan.blankClears != on) {
        look_->plan.blankClears = on;
        read();
    }
}

void RowsInController::lookAgain() {
    const int run = ++run_;
    rows_.reset();
    if (reading_ != 0)
        use_.jobs.stop(std::exchange(reading_, 0));
    emit changed(); // nobody holds on to the rows
    use_.jobs.start(
        this, {ss(tr("Looking at the sheet")), work::Priority::Asked},
        [file = file_, layouts = use_.out.layouts().all(), given = given_, layout = layout_](
            std::stop_token, work::Progress&) { return deliver::lookAtRows(file, layouts, given, layout); },
        [this, run](Result<deliver::RowsInLook> look) {
            if (run != run_)
                return;
            why_.clear();
            look_.reset();
            if (look) {
                look_ = std::move(*look);
                look_->plan.blankClears = blankClears_;
                if (!pathTold_.empty()) {
                    look_->plan.pathTo = pathTold_;
                    look_->plan.pathFrom = pathHere_;
                }
                return read();
            }
            why_ = spoken(look.error().message);
            emit changed();
        });
}

void RowsInController::read() {
    const int run = ++run_;
    if (reading_ != 0)
        use_.jobs.stop(reading_);
    rows_.reset();
    why_.clear();
    reading_ = use_.jobs.start(
        this, {ss(tr("Reading the sheet")), work::Priority::Asked},
        [library = use_.library.file(), file = file_, plan = look_->plan](
            std::stop_token stop, work::Progress& progress) -> Result<std::shared_ptr<deliver::RowsIn>> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            auto rows = deliver::readRowsIn(**store, file, plan, stop, progress);
            if (!rows)
                return rows.error();
            return std::make_shared<deliver::RowsIn>(std::move(*rows));
        },
        [this, run](Result<std::shared_ptr<deliver::RowsIn>> rows) {
            if (run != run_)
                return;
            reading_ = 0;
            if (rows)
                rows_ = std::move(*rows);
            else
                why_ = spoken(rows.error().message);
            emit changed();
        });
    emit changed();
}

void RowsInController::settle(size_t row, FileId file) {
    use_.library.read(
        this, [file](library::Store& store) { return deliver::trackNow(store, file); },
        [this, run = run_, row](Result<deliver::TrackNow> track) {
            if (!track || run != run_ || !rows_ || row >= rows_->rows.size())
                return;
            if (track->file == 0)
                return use_.messages.say(tr("This track is not in the library any more."), true);
            deliver::settleRow(*rows_, row, *track);
            emit rowChanged(row);
        });
}

void RowsInController::prefer(size_t row) {
    if (!rows_ || row >= rows_->rows.size())
        return;
    use_.library.read(
        this,
        [file = rows_->rows.file(row)](library::Store& store) { return deliver::trackNow(store, file); },
        [this, run = run_, row](Result<deliver::TrackNow> track) {
            if (!track || run != run_ || !rows_)
                return;
            deliver::preferRow(*rows_, row, *track);
            emit rowChanged(row);
        });
}

void RowsInController::leaveOut(const std::vector<size_t>& rows) {
    if (!rows_)
        return;
    for (const size_t row : rows)
        if (row < rows_->rows.size() && rows_->rows.state(row) != deliver::InRow::State::New)
            deliver::leaveRowOut(*rows_, row);
    emit rowChanged(rows.empty() ? 0 : rows.front());
}

deliver::RowsTake RowsInController::take() const {
    return rows_ ? deliver::rowsTake(*rows_) : deliver::RowsTake();
}

void RowsInController::takeAll() {
    if (!rows_)
        return;
    auto take = std::make_shared<deliver::RowsTake>(this->take());
    if (take->isEmpty())
        return use_.messages.say(tr("The sheet says nothing else than the library has."));
    const QString title = tr("Sheet \u201C%1\u201D").arg(qs(rows_->source));
    std::set<FileId> files;
    for (const auto& wish : take->wishes)
        files.insert(wish.file);
    auto done = [self = QPointer(this), take, title](size_t unwritable) {
        if (!self)
            return;
        QStringList parts;
        if (!take->wishes.empty())
            parts << tr("Proposed: %n value(s).", "", static_cast<int>(take->wishes.size()));
        if (!take->kept.empty())
            parts << tr("Kept in the library: of %n track(s).", "", static_cast<int>(take->kept.size()));
        if (unwritable > 0)
            parts << tr("%n file(s) cannot be written to: no drafts of these.", "",
                        static_cast<int>(unwritable));
        self->use_.messages.say(parts.join(' '), unwritable > 0);
        self->read();
    };
    use_.files.takeUp(this, {files.begin(), files.end()}, [this, take, title, done] {
        std::set<FileId> unwritable;
        std::erase_if(take->wishes, [&](const library::DraftSession::Wish& wish) {
            const FilePtr file = use_.files.file(wish.file);
            const bool may = file && file->mayHaveDrafts() && file->absent == 0;
            if (!may)
                unwritable.insert(wish.file);
            return !may;
        });
        if (!take->wishes.empty())
            use_.drafts.session().propose(ss(title), take->wishes, ss(title));
        if (take->kept.empty())
            return done(unwritable.size());
        use_.kept.make(
            [take, title = ss(title)](library::Store& store) -> Result<library::ChangeOutcome> {
                return deliver::keepOfRows(store, *take, title);
            },
            title, [done, n = unwritable.size()](bool) { done(n); });
    });
}

void RowsInController::addEntries(const std::vector<size_t>& rows, int64_t shelf) {
    if (!rows_)
        return;
    std::vector<size_t> which;
    for (const size_t row : rows)
        if (row < rows_->rows.size() && (rows_->rows.state(row) == deliver::InRow::State::NoTrack ||
                                         rows_->rows.state(row) == deliver::InRow::State::Several))
            which.push_back(row);
    if (which.empty())
        return;
    use_.library.write(
        this,
        [plan = rows_->plan, source = rows_->source, rows = rows_->rows, which, shelf,
         kinds = kinds_](library::Store& store) {
            return deliver::addEntries(store, plan, source, rows, which, shelf, kinds,
                                       QDateTime::currentSecsSinceEpoch());
        },
        [this, run = run_, which](const Result<Result<std::vector<FileId>>>& answer) {
            if (!answer)
                return;
            if (!*answer)
                return use_.messages.say(answer->error());
            const std::vector<FileId>& entries = **answer;
            const auto there = static_cast<int>(std::ranges::count(entries, 0));
            QString told =
                tr("%n new track(s) without a file.", "", static_cast<int>(entries.size()) - there);
            if (there > 0)
                told += " " + tr("To be brought in, because they are there: %n file(s).", "", there);
            use_.messages.say(told);
            use_.index.refresh();
            if (run != run_ || !rows_)
                return;
            for (size_t i = 0; i < which.size() && i < entries.size(); ++i)
                deliver::noteEntry(*rows_, which[i], entries[i]);
            emit rowChanged(which.front());
        });
}

} // namespace moorfrost::app
