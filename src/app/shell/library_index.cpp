// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/library_index.h"

#include <QSettings>

#include "app/shell/job_list.h"
#include "app/shell/text_utils.h"

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
        [answer, anew, held = held_, file = library_, open,
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
                if (const auto& made = answer->search.searcher; made && made != held.searcher)
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
        });
}

} // namespace moorfrost::app
