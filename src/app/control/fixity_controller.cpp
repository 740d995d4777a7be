// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/fixity_controller.h"

#include <QDateTime>

#include "app/shell/text_utils.h"
#include "core/library/fixity.h"

namespace moorfrost::app {

using library::FixityRound;
using library::FixityRoundTable;

FixityController::FixityController(const Uses& use) : use_(use) {
    timer_.setInterval(5 * 60 * 1000);
    connect(&timer_, &QTimer::timeout, this, [this] { lookAt(QDateTime::currentDateTime()); });
}

void FixityController::load() {
    plan_ = library::FixityPlan::fromJson(use_.settings.get(library::settings::fixityPlan));
    timer_.start();
    refresh();
}

void FixityController::setPlan(const library::FixityPlan& plan) {
    if (plan == plan_)
        return;
    plan_ = plan;
    use_.settings.set(library::settings::fixityPlan, plan_.json());
    emit changed();
}

void FixityController::refresh() {
    using Read = std::pair<library::FixityStanding, std::vector<FixityRound>>;
    const qint64 since = QDate::currentDate().addDays(-daysShown - 7).startOfDay().toSecsSinceEpoch();
    use_.library.read(
        this,
        [since](library::Store& store) {
            FixityRoundTable table(store.database());
            return Read{table.standing(), table.rounds(since)};
        },
        [this](Result<Read> read) {
            if (!read)
                return;
            standing_ = read->first;
            rounds_ = std::move(read->second);
            emit changed();
        });
}

uint64_t FixityController::readSince(qint64 seconds) const {
    uint64_t out = 0;
    for (const FixityRound& round : rounds_)
        if (round.began >= seconds)
            out += round.bytes;
    return out;
}

void FixityController::lookAt(const QDateTime& now) {
    if (!plan_.on || isVerifying() || !plan_.isNight(now.time().hour()))
        return;
    QDateTime began(now.date(), QTime(plan_.from, 0));
    if (began > now)
        began = began.addDays(-1); // it began before midnight
    const auto whole = static_cast<uint64_t>(plan_.gigabytes * 1e9);
    const uint64_t done = readSince(began.toSecsSinceEpoch());
    if (began.toSecsSinceEpoch() != leftAlone_ && done < whole - whole / 20) // else hardly anything is left
        verify(whole - done, began.toSecsSinceEpoch(), false);
}

void FixityController::verifyNow() {
    if (!isVerifying())
        verify(static_cast<uint64_t>(plan_.gigabytes * 1e9), QDateTime::currentSecsSinceEpoch() + 1, true);
}

void FixityController::stop() {
    if (job_ != 0)
        use_.jobs.stop(job_);
}

void FixityController::verify(uint64_t bytes, qint64 before, bool asked) {
    const qint64 begun = QDateTime::currentSecsSinceEpoch();
    job_ = use_.jobs.start(
        this, {ss(tr("Comparing the fixity of files")), work::Priority::Background},
        [this, library = use_.library.file(), plan = plan_, bytes, before,
         begun](std::stop_token stop, work::Progress& progress) -> Result<library::FixityRoundDone> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            return library::verifyOldest(**store, plan, bytes, begun, before, stop, progress,
                                         [this](std::vector<library::CheckedFile>&& files) {
                                             const qint64 now = QDateTime::currentSecsSinceEpoch();
                                             use_.library.write(
                                                 [files = std::move(files), now](library::Store& s) {
                                                     library::keepChecked(s, files, now);
                                                     return Done{};
                                                 });
                                         });
        },
        [this, asked, before](Result<library::FixityRoundDone> done) {
            job_ = 0;
            if (!done) {
                if (done.error().kind != ErrorKind::Cancelled)
                    use_.messages.say(done.error());
                else if (!asked) // before its turn came
                    leftAlone_ = before;
                emit changed();
                return;
            }
            const FixityRound round = done->round;
            if (round.stopped && !asked)
                leftAlone_ = before;
            QString told = tr("Fixity: %n file(s) compared.", "", static_cast<int>(round.files));
            if (round.trouble > 0)
                told = tr("Fixity: %1 of %n file(s) are not as they were kept.", "",
                          static_cast<int>(round.files))
                           .arg(round.trouble);
            for (const Path& shelf : done->absentShelves)
                told += " " + tr("%1 is not there: nothing of it was compared.").arg(qs(shelf.native()));
            if (asked || round.files > 0)
                use_.messages.say(told, round.trouble > 0);
            if (round.files > 0)
                use_.library.write([round](library::Store& store) {
                    FixityRoundTable(store.database()).save(round);
                    return Done{};
                });
            refresh();
            emit verified();
        });
    emit changed();
}

void FixityController::withDay(QObject* asker, QDate day,
                               std::function<void(std::vector<library::FixityDue>)> then) {
    const qint64 from = day.startOfDay().toSecsSinceEpoch(),
                 to = day.addDays(1).startOfDay().toSecsSinceEpoch();
    use_.library.read(
        asker,
        [from, to](library::Store& store) {
            return FixityRoundTable(store.database()).verifiedBetween(from, to, most);
        },
        [then = std::move(then)](Result<std::vector<library::FixityDue>> files) {
            then(files ? std::move(*files) : std::vector<library::FixityDue>());
        });
}

void FixityController::takeAsTheyAre(const std::vector<Path>& files) {
    use_.jobs.start(
        this, {ss(tr("Keeping the fixity of files"))},
        [this, files, library = use_.library.file()](std::stop_token stop,
                                                     work::Progress& progress) -> Result<size_t> {
            auto store = library::Store::open(library);
            if (!store)
                return store.error();
            progress.begin(files.size());
            size_t taken = 0;
            for (const Path& file : files) {
                if (stop.stop_requested())
                    return Error{ErrorKind::Cancelled, {}, "It was stopped."};
                const auto stored = (*store)->fixity().find(file);
                if (const auto now = library::fixityOf(file, stored && !stored->sha256.empty())) {
                    use_.library.write([fixity = *now](library::Store& store) {
                        store.fixity().save(fixity);
                        return Done{};
                    });
                    ++taken;
                }
                progress.stepPath(file);
            }
            return taken;
        },
        [this](const Result<size_t>& taken) {
            if (taken)
                use_.messages.say(
                    tr("The fixity of %n file(s) is kept as it is now.", "", static_cast<int>(*taken)));
            else if (taken.error().kind != ErrorKind::Cancelled)
                use_.messages.say(taken.error());
            refresh();
            emit verified();
        });
}

} // namespace moorfrost::app
