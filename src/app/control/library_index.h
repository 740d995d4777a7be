// SPDX-License-Identifier: GPL-3.0-or-later
// The search over the library, kept true: read in the background at the start and after every change. Lives
// on the interface thread; what it hands out may be used anywhere.
#pragma once

#include <QObject>

#include <functional>
#include <future>

#include "app/control/job_list.h"
#include "app/control/library_access.h"
#include "core/library/shelf_readiness.h"

namespace moorfrost::app {

using library::FileId;

class LibraryIndex : public QObject {
    Q_OBJECT
public:
    LibraryIndex(JobList& jobs, LibraryAccess& library);

    /// nullptr until the library was read for the first time.
    std::shared_ptr<const library::Searcher> searcher() const { return held_.searcher; }
    /// The same with what it is true of; its searcher may be nullptr.
    const library::LibrarySearch& search() const { return held_; }
    /// To be called when the library may have changed. The first time, waits (in its job) until it is `open`.
    void refresh(std::shared_future<void> open = {});
    /// The same, when what it was made by is otherwise than before.
    void readAnew();
    /// What readiness is measured by; nothing is, before it is told.
    void holdTo(library::ShelfRules rules);
    /// Readiness is known, and as true as the search.
    bool isMeasured() const { return rules_ && held_.searcher && measured_ == held_.searcher && !measuring_; }
    /// In words: the readiness of the sleeves on the shelves that these files stand in. To be asked only when
    /// the library is searched and held to rules.
    void readReadiness(QObject* asker, std::vector<library::FileId> files,
                       std::function<void(std::vector<audit::Readiness>)> then);
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
    LibraryAccess& library_;
    library::LibrarySearch held_;
    bool reading_ = false, again_ = false, anew_ = false; // what is to follow
    std::optional<library::ShelfRules> rules_;
    std::shared_ptr<const library::ReadinessTable> readiness_; // by these rules
    std::shared_ptr<const library::Searcher> measured_;        // whose readiness is true
    bool measuring_ = false;
    std::stop_source otherRules_; // ends what is measured by the old ones
};

} // namespace moorfrost::app
