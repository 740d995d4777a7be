// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/library_index.h"

#include "app/shell/job_list.h"
#include "app/shell/text_utils.h"

namespace moorfrost::app {

LibraryIndex::LibraryIndex(JobList& jobs, Path library, QObject* parent)
    : QObject(parent), jobs_(jobs), library_(std::move(library)) {}

void LibraryIndex::refresh() {
    if (reading_)
        again_ = true;
    else
        read(false);
}

void LibraryIndex::read(bool anew) {
    reading_ = true;
    struct Answer {
        library::LibrarySearch search;
        std::string trouble;
    };
    auto answer = std::make_shared<Answer>();
    jobs_.start(
        tr("Indexing the library"),
        [answer, anew, held = held_, file = library_](std::stop_token stop, work::Progress&) {
            auto store = library::Store::open(file);
            if (!store) {
                answer->trouble = store.error().message;
                return;
            }
            try {
                answer->search =
                    anew ? library::searchMadeAnew(**store, stop) : library::searchOf(**store, held, stop);
            } catch (const library::DatabaseError& e) {
                answer->trouble = e.what();
            }
        },
        [this, answer] {
            reading_ = false;
            if (!answer->trouble.empty())
                emit failed(qs(answer->trouble));
            if (answer->search.searcher && answer->search.searcher != held_.searcher) {
                held_ = std::move(answer->search);
                emit changed();
            }
            if (std::exchange(again_, false))
                read(false);
            else if (library::isWorthMakingAnew(held_))
                read(true);
        });
}

} // namespace moorfrost::app
