// SPDX-License-Identifier: GPL-3.0-or-later
// The search over the library, kept true: read in the background at the start and after every change. Lives
// on the interface thread; what it hands out may be used anywhere.
#pragma once

#include <QObject>

#include <future>

#include "core/library/shelf_readiness.h"

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
    /// What readiness is measured by; nothing is, before it is told.
    void holdTo(library::ShelfRules rules);
    /// Readiness is known, and as true as the search.
    bool isMeasured() const { return rules_ && held_.searcher && measured_ == held_.changes && !measuring_; }
    /// How the library is sorted, as it was left: worked out beforehand.
    static std::vector<library::SortBy> rememberedSorting();
    static void rememberSorting(const std::vector<library::SortBy>& sorting);

signals:
    void changed();
    void failed(const QString& sentence);

private:
    void read(bool anew, std::shared_future<void> open = {});
    void measure();

    JobList& jobs_;
    Path library_;
    library::LibrarySearch held_;
    bool reading_ = false, again_ = false;
    std::optional<library::ShelfRules> rules_;
    std::shared_ptr<const library::ReadinessTable> readiness_; // by these rules
    std::optional<std::string> measured_;                      // Store::changes() that it is true of
    bool measuring_ = false;
    std::stop_source otherRules_; // ends what is measured by the old ones
};

} // namespace moorfrost::app
