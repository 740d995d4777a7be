// SPDX-License-Identifier: GPL-3.0-or-later
// The search over the library, kept true: read in the background at the start and after every change. Lives
// on the interface thread; what it hands out may be used anywhere.
#pragma once

#include <QObject>

#include <future>

#include "core/library/search/library_search.h"

namespace moorfrost::app {

class JobList;

class LibraryIndex : public QObject {
    Q_OBJECT
public:
    LibraryIndex(JobList& jobs, Path library, QObject* parent = nullptr);

    /// nullptr until the library was read for the first time.
    std::shared_ptr<const library::Searcher> searcher() const { return held_.searcher; }
    /// To be called when the library may have changed. The first time, waits (in its job) until it is `open`.
    void refresh(std::shared_future<void> open = {});
    /// How the library is sorted, as it was left: worked out beforehand.
    static std::vector<library::SortBy> rememberedSorting();
    static void rememberSorting(const std::vector<library::SortBy>& sorting);

signals:
    void changed();
    void failed(const QString& sentence);

private:
    void read(bool anew, std::shared_future<void> open = {});

    JobList& jobs_;
    Path library_;
    library::LibrarySearch held_;
    bool reading_ = false, again_ = false;
};

} // namespace moorfrost::app
