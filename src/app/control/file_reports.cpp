// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/file_reports.h"

#include <utility>

#include "app/shell/text_utils.h"
#include "core/library/picture_details.h"
#include "core/library/sound_reports.h"
#include "core/work/parallel.h"

namespace moorfrost::app {

using library::FileId;

FileReports::FileReports(LibraryAccess& library, LibraryIndex& index, JobList& jobs)
    : library_(library), index_(index), jobs_(jobs) {
    soon_.setSingleShot(true);
    soon_.setInterval(otherwiseMs_);
    connect(&soon_, &QTimer::timeout, this, &FileReports::begin);
}

void FileReports::look() {
    soon_.start();
}

void FileReports::setInSight(bool inSight) {
    inSight_ = inSight;
    setPauses(inSightMs_, otherwiseMs_);
}

void FileReports::setPauses(int inSightMs, int otherwiseMs) {
    inSightMs_ = inSightMs;
    otherwiseMs_ = otherwiseMs;
    const bool waits = soon_.isActive();
    soon_.setInterval(inSight_ ? inSightMs_ : otherwiseMs_);
    if (waits)
        soon_.start();
}

void FileReports::begin() {
    const library::LibrarySearch& search = index_.search();
    if (stopped_ || !search.searcher)
        return;
    if (measuring_) {
        again_ = true;
        return;
    }
    measuring_ = true;
    unlooked_.take(library_, this, search, [this](Result<std::vector<FileId>> files) {
        if (files && !files->empty())
            return measure(std::move(*files));
        measuring_ = false;
        emit ended();
    });
}

void FileReports::measure(std::vector<FileId> files) {
    jobs_.start(
        this, {ss(tr("Measuring the sound and the pictures of the library")), work::Priority::Background},
        [this, files = std::move(files), file = library_.file()](std::stop_token stop,
                                                                 work::Progress& progress) -> Result<size_t> {
            auto store = library::Store::open(file);
            if (!store)
                return store.error();
            // Pictures first: they take little.
            const auto pictures = library::lookAtPictures(
                **store, files, work::halfOfProcessors(), stop, progress,
                [this](library::KeptValues&& v) { keep(library::pictureDetailField, std::move(v)); });
            if (!pictures)
                return pictures.error();
            return library::measureFiles(
                **store, files, work::halfOfProcessors(), stop, progress,
                [this](library::KeptValues&& v) { keep(library::soundReportField, std::move(v)); });
        },
        [this](const Result<size_t>& files) {
            measuring_ = false;
            stopped_ = !files;
            emit ended();
            if (std::exchange(again_, false))
                look();
        });
}

void FileReports::keep(const std::string& field, library::KeptValues&& values) {
    std::vector<FileId> some;
    for (const auto& [id, value] : values)
        some.push_back(id);
    library_.write(
        this,
        [field, values = std::move(values)](library::Store& s) {
            s.workedOut().save(field, values);
            return Done{};
        },
        [this, some](const Status& kept) {
            if (kept)
                emit measured(some);
        });
}

} // namespace moorfrost::app
