// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/library_index.h"

#include <QSettings>

#include "app/shell/job_list.h"
#include "app/shell/text_utils.h"
#include "core/base/memory.h"

namespace moorfrost::app {

LibraryIndex::LibraryIndex(JobList& jobs, Path library, QObject* parent)
    : QObject(parent), jobs_(jobs), library_(std::move(library)) {}

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

void LibraryIndex::read(bool anew, std::shared_future<void> open) {
    reading_ = true;
    struct Answer {
        library::LibrarySearch search;
        std::string trouble;
    };
    auto answer = std::make_shared<Answer>();
    jobs_.start(
        tr("Indexing the library"),
        [answer, anew, held = held_, file = library_, open, readiness = readiness_,
         sorting = rememberedSorting()](std::stop_token stop, work::Progress&) {
            while (open.valid() && open.wait_for(std::chrono::milliseconds(20)) != std::future_status::ready)
                if (stop.stop_requested())
                    return;
            try {
                if (open.valid())
                    open.get();
            } catch (const std::future_error&) {
                return; // it could not be opened, and that was said
            }
            auto store = library::Store::open(file);
            if (!store) {
                answer->trouble = store.error().message;
                return;
            }
            try {
                if (anew)
                    held.searcher->giveBackMemory();
                answer->search =
                    anew ? library::searchMadeAnew(**store, stop) : library::searchOf(**store, held, stop);
                auto& made = answer->search.searcher;
                if (made && readiness && !made->readiness()) // the columns are new
                    made = made->withReadiness(readiness);
                if (made && made != held.searcher)
                    made->ordered(made->all(), sorting, 1);
            } catch (const library::DatabaseError& e) {
                answer->trouble = e.what();
            }
        },
        [this, answer, anew] {
            reading_ = false;
            if (!answer->trouble.empty())
                emit failed(qs(answer->trouble));
            const bool good = answer->search.searcher != nullptr;
            if (good && answer->search.searcher != held_.searcher) {
                held_ = std::move(answer->search);
                emit changed();
            }
            if (std::exchange(again_, false))
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
    if (!rules_ || !held_.searcher || measuring_ || reading_ || measured_ == held_.changes)
        return;
    measuring_ = true;
    struct Answer {
        std::shared_ptr<const library::ReadinessTable> table;
        std::shared_ptr<const library::Searcher> searcher; // with it
        std::string trouble;
    };
    auto answer = std::make_shared<Answer>();
    jobs_.start(
        tr("Checking what is ready"),
        [answer, search = held_, rules = *rules_, readiness = readiness_, file = library_,
         sorting = rememberedSorting(),
         otherRules = otherRules_.get_token()](std::stop_token ended, work::Progress& progress) {
            work::giveWay();
            std::stop_source either;
            const std::stop_callback first(ended, [&] { either.request_stop(); });
            const std::stop_callback second(otherRules, [&] { either.request_stop(); });
            const std::stop_token stop = either.get_token();
            auto store = library::Store::open(file);
            if (!store) {
                answer->trouble = store.error().message;
                return;
            }
            try {
                // The window is shown first, and what was typed is answered.
                auto wait = [&stop] {
                    for (int i = 0; i < 20 && !stop.stop_requested(); ++i)
                        std::this_thread::sleep_for(std::chrono::milliseconds(20));
                };
                answer->table =
                    library::readinessOfShelves(**store, search, rules, readiness, stop, progress, wait);
            } catch (const library::DatabaseError& e) {
                answer->trouble = e.what();
            }
            const auto known = search.searcher->readiness();
            if (!answer->table || (known && *answer->table == *known))
                return;
            answer->searcher = search.searcher->withReadiness(answer->table);
            answer->searcher->ordered(answer->searcher->all(), sorting, 1);
            giveBackMemory(); // looking through a large library takes some
        },
        [this, answer, used = held_.searcher, changes = held_.changes, otherRules = otherRules_.get_token()] {
            measuring_ = false;
            if (!answer->trouble.empty())
                emit failed(qs(answer->trouble));
            if (answer->table && !otherRules.stop_requested()) {
                readiness_ = answer->table;
                measured_ = changes;
                if (answer->searcher && held_.searcher == used) {
                    held_.searcher = answer->searcher;
                    emit changed();
                } else if (answer->searcher) { // it is another by now
                    held_.searcher = held_.searcher->withReadiness(readiness_);
                    emit changed();
                }
            }
            if (answer->table ||
                otherRules.stop_requested()) // else it was stopped, or failed: with the next change
                measure();
        });
}

} // namespace moorfrost::app
