// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/sound_reports.h"

#include <utility>

#include "app/shell/text_utils.h"
#include "core/work/parallel.h"

namespace moorfrost::app {

using library::FileId;

SoundReports::SoundReports(LibraryAccess& library, LibraryIndex& index, JobList& jobs)
    : library_(library), index_(index), jobs_(jobs) {
    soon_.setSingleShot(true);
    soon_.setInterval(pauseMs_);
    connect(&soon_, &QTimer::timeout, this, &SoundReports::begin);
}

void SoundReports::look() {
    soon_.start();
}

void SoundReports::setInSight(bool inSight) {
    inSight_ = inSight;
    setPause(pauseMs_);
}

void SoundReports::setPause(int milliseconds) {
    pauseMs_ = milliseconds;
    const bool waits = soon_.isActive();
    soon_.setInterval(inSight_ ? inSightMs : pauseMs_);
    if (waits)
        soon_.start();
}

void SoundReports::begin() {
    const auto searcher = index_.searcher();
    if (stopped_ || !searcher)
        return;
    if (measuring_) {
        again_ = true;
        return;
    }
    measuring_ = true;
    unlooked_.take(library_, this, searcher, [this](Result<std::vector<FileId>> files) {
        if (files && !files->empty())
            return measure(std::move(*files));
        measuring_ = false;
        emit ended();
    });
}

void SoundReports::measure(std::vector<FileId> files) {
    jobs_.start(
        this, {ss(tr("Measuring the sound of the library")), work::Priority::Background},
        [this, files = std::move(files), file = library_.file()](std::stop_token stop,
                                                                 work::Progress& progress) -> Result<size_t> {
            auto store = library::Store::open(file);
            if (!store)
                return store.error();
            return library::measureFiles(**store, files, work::halfOfProcessors(), stop, progress,
                                         [this](library::KeptValues&& values) {
                                             std::vector<FileId> some;
                                             for (const auto& [id, value] : values)
                                                 some.push_back(id);
                                             library_.write(
                                                 this,
                                                 [values = std::move(values)](library::Store& s) {
                                                     s.workedOut().save(library::soundReportField, values);
                                                     return Done{};
                                                 },
                                                 [this, some](const Status& kept) {
                                                     if (kept)
                                                         emit measured(some);
                                                 });
                                         });
        },
        [this](const Result<size_t>& files) {
            measuring_ = false;
            stopped_ = !files;
            emit ended();
            if (std::exchange(again_, false))
                look();
        });
}

} // namespace moorfrost::app
