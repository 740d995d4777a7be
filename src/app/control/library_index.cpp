// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/library_index.h"

#include <QSettings>

#include "app/control/job_list.h"
#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/base/memory.h"

namespace moorfrost::app {

LibraryIndex::LibraryIndex(JobList& jobs, LibraryAccess& library) : jobs_(jobs), library_(library) {}

void LibraryIndex::readReadiness(QObject* asker, std::vector<library::FileId> files,
                                 std::function<void(std::vector<audit::Readiness>)> then) {
    library_.read(
        asker,
        [files = std::move(files), searcher = held_.searcher, rules = *rules_](library::Store& store) {
            return library::readinessAround(store, *searcher, rules, files);
        },
        [then](Result<std::vector<audit::Readiness>> readiness) {
            if (readiness)
                then(std::move(*readiness));
        });
}

std::vector<library::SortBy> LibraryIndex::rememberedSorting() {
    std::vector<library::SortBy> out;
    for (const QString& s : QSettings().value("library/sorting", QStringList{"artist+"}).toStringList())
        out.push_back({ss(s.chopped(1)), s.endsWith('+')});
    return out;
}

void LibraryIndex::rememberSorting(const std::vector<library::SortBy>& sorting) {
    QStringList stored;
    for (const library::SortBy& s : sorting)
        stored << qs(s.column) + (s.ascending ? "+" : "-");
    QSettings().setValue("library/sorting", stored);
}

void LibraryIndex::refresh(std::shared_future<void> open) {
    if (reading_)
        again_ = true;
    else
        read(false, std::move(open));
}

void LibraryIndex::readAnew() {
    if (reading_)
        anew_ = true;
    else if (held_.searcher)
        read(true);
}

void LibraryIndex::read(bool anew, std::shared_future<void> open) {
    reading_ = true;
    jobs_.start(
        this, {ss(tr("Indexing the library"))},
        [anew, held = held_, file = library_.file(), open, readiness = readiness_,
         sorting = rememberedSorting()](std::stop_token stop,
                                        work::Progress&) mutable -> Result<library::LibrarySearch> {
            while (open.valid() && open.wait_for(std::chrono::milliseconds(20)) != std::future_status::ready)
                if (stop.stop_requested())
                    return library::LibrarySearch{};
            try {
                if (open.valid())
                    open.get();
            } catch (const std::future_error&) {
                return library::LibrarySearch{}; // it could not be opened, and that was said
            }
            auto store = library::Store::open(file);
            if (!store)
                return store.error();
            if (anew)
                held.searcher->giveBackMemory();
            auto search =
                anew ? library::searchMadeAnew(**store, stop) : library::searchOf(**store, held, stop);
            auto& made = search.searcher;
            if (made && readiness && !made->readiness()) // the columns are new
                made = made->withReadiness(readiness);
            if (made && made != held.searcher)
                made->ordered(made->all(), sorting, 1);
            return search;
        },
        [this, anew](Result<library::LibrarySearch> search) {
            reading_ = false;
            if (!search)
                emit failed(spoken(search.error().message));
            const bool good = search && search->searcher;
            const bool other = good && search->searcher != held_.searcher;
            if (good)
                held_ = std::move(*search);
            if (other)
                emit changed();
            if (std::exchange(anew_, false) && held_.searcher)
                read(true);
            else if (std::exchange(again_, false))
                read(false);
            else if (good && !anew && library::isWorthMakingAnew(held_)) // once: it may fail, on a full disk
                read(true);
            measure();
        });
}

void LibraryIndex::holdTo(library::ShelfRules rules) {
    if (rules_ == rules)
        return;
    rules_ = std::move(rules);
    otherRules_.request_stop();
    otherRules_ = {};
    readiness_.reset();
    measured_.reset();
    if (held_.searcher && held_.searcher->readiness()) { // by other rules
        held_.searcher = held_.searcher->withReadiness(nullptr);
        emit changed();
    }
    measure();
}

/// One at a time; what has changed meanwhile is looked at behind it.
void LibraryIndex::measure() {
    if (!rules_ || !held_.searcher || measuring_ || reading_ || measured_ == held_.searcher)
        return;
    measuring_ = true;
    struct Measured {
        std::shared_ptr<const library::ReadinessTable> table;   // nullptr where it was stopped
        std::shared_ptr<const library::Searcher> searcher = {}; // with it
    };
    jobs_.start(
        this, {ss(tr("Checking what is ready")), work::Priority::Background},
        [search = held_, rules = *rules_, readiness = readiness_, file = library_.file(),
         sorting = rememberedSorting(), otherRules = otherRules_.get_token()](
            std::stop_token ended, work::Progress& progress) -> Result<Measured> {
            std::stop_source either;
            const std::stop_callback first(ended, [&] { either.request_stop(); });
            const std::stop_callback second(otherRules, [&] { either.request_stop(); });
            const std::stop_token stop = either.get_token();
            auto store = library::Store::open(file);
            if (!store)
                return store.error();
            // The window is shown first, and what was typed is answered.
            auto wait = [&stop] {
                for (int i = 0; i < 20 && !stop.stop_requested(); ++i)
                    std::this_thread::sleep_for(std::chrono::milliseconds(20));
            };
            Measured measured{
                library::readinessOfShelves(**store, search, rules, readiness, stop, progress, wait)};
            const auto known = search.searcher->readiness();
            if (!measured.table || (known && *measured.table == *known))
                return measured;
            measured.searcher = search.searcher->withReadiness(measured.table);
            measured.searcher->ordered(measured.searcher->all(), sorting, 1);
            giveBackMemory(); // looking through a large library takes some
            return measured;
        },
        [this, used = held_.searcher, otherRules = otherRules_.get_token()](Result<Measured> measured) {
            measuring_ = false;
            if (!measured && measured.error().kind != ErrorKind::Cancelled)
                emit failed(spoken(measured.error().message));
            const bool whole = measured && measured->table;
            if (whole && !otherRules.stop_requested()) {
                readiness_ = measured->table;
                const bool same = held_.searcher == used; // else it is looked at again
                if (measured->searcher)
                    held_.searcher = same ? measured->searcher : held_.searcher->withReadiness(readiness_);
                if (same)
                    measured_ = held_.searcher;
                if (measured->searcher)
                    emit changed();
            }
            if (whole || otherRules.stop_requested()) // else it was stopped, or failed: with the next change
                measure();
        });
}

} // namespace moorfrost::app
